import writeWorkbook from 'write-excel-file/node';
import { type AnalysedBag, FULL_NAMES, NAME, NUTRIENTS, shown } from './dress';

type Cell =
  string | number | Date | { value: string | Date; columnSpan?: number; type?: typeof Date; format?: string } | null;

/** A number where it is one, the text where it is under a limit. */
const cell = (text: string): Cell => (/^[\d.]+$/.test(text) ? Number(text) : text);
const day = (iso: string): Cell => ({ value: new Date(`${iso}T00:00:00Z`), type: Date, format: 'mm/dd/yyyy' });

/** Merged headings over the columns, names spread over two rows, units in a third; days as days. */
export const workbook = (bags: readonly AnalysedBag[]): Promise<Uint8Array> =>
  bytesOf([
    {
      sheet: 'Report',
      data: [
        [{ value: `${NAME}: results of soil tests`, columnSpan: 8 }, ...nulls(7)],
        [
          'Sample',
          null,
          null,
          { value: 'Reaction', columnSpan: 2 },
          null,
          { value: 'Available nutrients, Mehlich-3', columnSpan: NUTRIENTS.length },
          ...nulls(NUTRIENTS.length - 1),
          'Organic',
          'Exchange',
          'Free',
          'Soluble',
        ],
        [
          'ID',
          'Sampled',
          'Depth',
          'pH',
          'Buffer pH',
          ...NUTRIENTS.map((n) => FULL_NAMES[n]),
          'matter',
          'capacity',
          'lime',
          'salts',
        ],
        [null, null, 'in', '1:1', 'Mehlich', ...NUTRIENTS.map(() => 'ppm'), '%', 'meq/100g', '%', 'dS/m'],
        ...bags.map((bag): Cell[] => [
          bag.code,
          day(bag.sampledOn),
          bag.depthIn,
          bag.found.ph,
          bag.found.bufferPh,
          ...NUTRIENTS.map((n) => cell(shown(bag, n))),
          bag.found.OM,
          bag.found.CEC,
          bag.found.CaCO3,
          bag.found.EC,
        ]),
      ],
    },
  ]);

/** Majors on one sheet, micronutrients on another; the sheets share the number of the bag only. */
export const twoSheets = (bags: readonly AnalysedBag[]): Promise<Uint8Array> => {
  const first = ['P', 'K', 'Ca', 'Mg', 'S'] as const;
  const second = ['Na', 'Fe', 'Mn', 'Zn', 'Cu'] as const;
  return bytesOf([
    { sheet: 'About', data: [[NAME], ['Nutrients by Mehlich 3, all in mg/kg'], ['Buffer pH: Mehlich']] },
    {
      sheet: 'Main',
      data: [
        ['Bag no', 'Date sampled', 'Depth cm', 'pH', 'Buffer pH', ...first, 'OM %', 'CEC', 'CaCO3 %', 'EC dS/m'],
        ...bags.map((bag): Cell[] => [
          bag.code,
          day(bag.sampledOn),
          bag.depthIn * 2.54,
          bag.found.ph,
          bag.found.bufferPh,
          ...first.map((n) => cell(shown(bag, n))),
          bag.found.OM,
          bag.found.CEC,
          bag.found.CaCO3,
          bag.found.EC,
        ]),
      ],
    },
    {
      sheet: 'Micro',
      data: [
        ['Bag no', 'Date sampled', ...second],
        ...bags.map((bag): Cell[] => [bag.code, day(bag.sampledOn), ...second.map((n) => cell(shown(bag, n)))]),
      ],
    },
  ]);
};

const nulls = (count: number): null[] => Array.from({ length: count }, () => null);

async function bytesOf(sheets: { sheet: string; data: Cell[][] }[]): Promise<Uint8Array> {
  return new Uint8Array(await writeWorkbook(sheets as Parameters<typeof writeWorkbook>[0]).toBuffer());
}
