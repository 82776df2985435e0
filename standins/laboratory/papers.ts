import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import { fixed } from '../../core/words/numbers';
import {
  american,
  type AnalysedBag,
  FULL_NAMES,
  NAME,
  NUTRIENTS,
  rating,
  shown,
  type SimulatedNutrient,
} from './dress';

/** Reports on paper, as PDF with text. */

/** Fonts every reader of PDFs has: nothing is embedded. */
const HELVETICA = {
  normal: 'Helvetica',
  bold: 'Helvetica-Bold',
  italics: 'Helvetica-Oblique',
  bolditalics: 'Helvetica-BoldOblique',
};

async function bytesOf(page: TDocumentDefinitions): Promise<Uint8Array> {
  const { default: pdfMake } = (await import('pdfmake')) as unknown as {
    default: {
      addFonts(fonts: object): void;
      createPdf(page: TDocumentDefinitions): { getBuffer(): Promise<Uint8Array> };
    };
  };
  pdfMake.addFonts({ Helvetica: HELVETICA });
  const made = await pdfMake.createPdf({ ...page, defaultStyle: { font: 'Helvetica', fontSize: 9 } }).getBuffer();
  return new Uint8Array(made);
}

const lined = 'lightHorizontalLines';
const heading: Content = {
  columns: [
    { text: NAME.toUpperCase(), bold: true, fontSize: 13 },
    { text: 'Report of analysis', alignment: 'right' },
  ],
  margin: [0, 0, 0, 10],
};

const OTHERS = [
  ['Organic matter', '%', (b: AnalysedBag) => String(b.found.OM)],
  ['CEC', 'meq/100 g', (b: AnalysedBag) => String(b.found.CEC)],
  ['Free lime', '%', (b: AnalysedBag) => String(b.found.CaCO3)],
  ['Soluble salts', 'dS/m', (b: AnalysedBag) => String(b.found.EC)],
] as const;

/** A letter: one sample a page, each value with its word and a bar of letters. */
export const letter = (bags: readonly AnalysedBag[]): Promise<Uint8Array> => {
  const bar = (bag: AnalysedBag, n: SimulatedNutrient): string =>
    'X'.repeat({ L: 4, M: 9, H: 14, VH: 19 }[rating(bag, n) ?? 'M']);
  return bytesOf({
    content: bags.flatMap((bag, i): Content[] => [
      { ...(heading as object), ...(i > 0 ? { pageBreak: 'before' } : {}) } as Content,
      {
        columns: [
          { text: `Sample ID: ${bag.code}` },
          { text: `Date sampled: ${american(bag.sampledOn)}` },
          { text: `Depth: 0-${bag.depthIn} in` },
        ],
      },
      {
        text: 'Dear client, below are the results for your lawn. Nutrients were extracted with Mehlich 3.',
        margin: [0, 8, 0, 8],
      },
      {
        layout: lined,
        table: {
          widths: [110, 50, 60, 45, '*'],
          body: [
            ['Test', 'Result', 'Unit', 'Rating', 'Low          Medium          High          Very high'],
            ['Soil pH (1:1)', fixed(bag.found.ph, 1), '', '', ''],
            ['Buffer pH (Mehlich)', fixed(bag.found.bufferPh, 2), '', '', ''],
            ...NUTRIENTS.map((n): TableCell[] => [
              `${FULL_NAMES[n]} (${n})`,
              shown(bag, n),
              'ppm',
              rating(bag, n) ?? '',
              rating(bag, n) ? bar(bag, n) : '',
            ]),
            ...OTHERS.map(([name, unit, value]): TableCell[] => [name, value(bag), unit, '', '']),
          ],
        },
      },
      { text: 'Results hold for the sample as received.', margin: [0, 12, 0, 0], italics: true },
    ]),
  });
};

/** One row a sample, names over two lines, units below; a hundred rows run over several pages. */
export const paperTable = (bags: readonly AnalysedBag[]): Promise<Uint8Array> =>
  bytesOf({
    pageOrientation: 'landscape',
    content: [
      heading,
      {
        text: `Sampling depth 0 to ${bags[0]?.depthIn ?? 4} inches. Nutrients in ppm by Mehlich 3; buffer pH by Mehlich.`,
        margin: [0, 0, 0, 6],
      },
      {
        layout: lined,
        table: {
          headerRows: 1,
          body: [
            [
              'Sample ID',
              'Date sampled',
              'Soil\npH',
              'Buffer\npH',
              ...NUTRIENTS.map((n) => `${n}\nppm`),
              'Organic\nmatter\n%',
              'CEC\nmeq/100g',
              'Free\nlime\n%',
              'Salts\ndS/m',
            ].map((text): TableCell => ({ text, bold: true, alignment: 'center', fontSize: 8 })),
            ...bags.map((bag): TableCell[] =>
              [
                bag.code,
                american(bag.sampledOn),
                fixed(bag.found.ph, 1),
                fixed(bag.found.bufferPh, 2),
                ...NUTRIENTS.map((n) => shown(bag, n)),
                ...OTHERS.map(([, , value]) => value(bag)),
              ].map((text, i) => ({ text, alignment: i < 2 ? 'left' : 'right', fontSize: 8 })),
            ),
          ],
        },
      },
    ],
    footer: (page: number, of: number) => ({ text: `Page ${page} of ${of}`, alignment: 'center', fontSize: 8 }),
  });

/** One column a sample, ratings behind the numbers, a footnote, the laboratory's advice below. */
export const paperColumns = (bags: readonly AnalysedBag[]): Promise<Uint8Array> => {
  const THREE = 3;
  const pages = Array.from({ length: Math.ceil(bags.length / THREE) }, (_, i) =>
    bags.slice(i * THREE, i * THREE + THREE),
  );
  return bytesOf({
    content: pages.flatMap((here, i): Content[] => {
      const row = (name: string, unit: string, value: (bag: AnalysedBag) => string): TableCell[] => [
        name,
        unit,
        ...here.map((bag): TableCell => ({ text: value(bag), alignment: 'right' })),
      ];
      return [
        { ...(heading as object), ...(i > 0 ? { pageBreak: 'before' } : {}) } as Content,
        { columns: [{ text: 'Client   Demonstration grounds' }, { text: 'Client no.   4471' }] },
        {
          columns: [
            { text: `Sampled   ${american(here[0]!.sampledOn)}` },
            { text: `Depth   0 to ${here[0]!.depthIn} in` },
            { text: 'Method   Mehlich-3 unless marked' },
          ],
          margin: [0, 3, 0, 8],
        },
        {
          layout: lined,
          table: {
            widths: [150, 80, ...here.map(() => 80)],
            body: [
              [
                'Analysis',
                'Unit',
                ...here.map((bag): TableCell => ({ text: bag.code, bold: true, alignment: 'right' })),
              ],
              row('pH, 1:1 in water', '', (b) => fixed(b.found.ph, 1)),
              row('Buffer pH (Mehlich)', '', (b) => fixed(b.found.bufferPh, 2)),
              row('Organic matter', '%', (b) => String(b.found.OM)),
              row('C.E.C.', 'meq/100 g', (b) => String(b.found.CEC)),
              ...NUTRIENTS.map((n) =>
                row(`${FULL_NAMES[n]}, ${n}`, 'ppm', (b) => [shown(b, n), rating(b, n)].filter(Boolean).join('  ')),
              ),
              row('Carbonates', '%', (b) => String(b.found.CaCO3)),
              row('Soluble salts', 'dS/m', (b) => String(b.found.EC)),
            ],
          },
        },
        { text: 'Recommendations', bold: true, margin: [0, 8, 0, 3] },
        {
          layout: lined,
          table: {
            widths: [230, ...here.map(() => 80)],
            body: [
              ['Nitrogen, lb per 1000 sq ft a year', ...here.map((): TableCell => ({ text: '3', alignment: 'right' }))],
            ],
          },
        },
        { text: 'L low   M medium   H high   VH very high', margin: [0, 8, 0, 0] },
      ];
    }),
  });
};

/** Two lists side by side, one sample a page. */
export const paperLists = (bags: readonly AnalysedBag[]): Promise<Uint8Array> =>
  bytesOf({
    content: bags.flatMap((bag, i): Content[] => {
      const list = (rows: [string, string, string][]): Content => ({
        layout: 'noBorders',
        table: {
          widths: [110, 50, 60],
          body: rows.map(([name, value, unit]): TableCell[] => [name, { text: value, alignment: 'right' }, unit]),
        },
      });
      return [
        { ...(heading as object), ...(i > 0 ? { pageBreak: 'before' } : {}) } as Content,
        { text: `Bag no: ${bag.code}` },
        { text: `Sampled on ${bag.sampledOn}, cores to a depth of 0 to ${bag.depthIn} in` },
        { text: 'All nutrients by the Mehlich-3 method; buffer pH in the Mehlich buffer', margin: [0, 0, 0, 8] },
        {
          columns: [
            list([
              ['Soil pH', fixed(bag.found.ph, 1), ''],
              ['Buffer pH', fixed(bag.found.bufferPh, 2), ''],
              ...NUTRIENTS.slice(0, 5).map((n): [string, string, string] => [FULL_NAMES[n], shown(bag, n), 'mg/kg']),
            ]),
            list([
              ...NUTRIENTS.slice(5).map((n): [string, string, string] => [FULL_NAMES[n], shown(bag, n), 'mg/kg']),
              ...OTHERS.map(([name, unit, value]): [string, string, string] => [name, value(bag), unit]),
            ]),
          ],
        },
      ];
    }),
  });
