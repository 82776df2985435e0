import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Property, SoilTest, Zone } from '@core/records/case';
import { grassOf } from '@core/packs/grasses';
import type { ZonePrescription } from '@core/prescription/prescription';
import { analyteName } from '@core/records/analytes';
import { type Interpretation, levelInWords } from '@core/soil/interpret';
import { showExact, significant } from '@core/words/numbers';
import type { Units } from '../../ui/format';
import { sayDate } from '@core/words/days';
import { type Consequence, consequenceOf, phConsequence } from '../../work/consequence';
import { schoolName } from '../../ui/school-choice';
import { PAPER } from '../../ui/paper';

export interface PrintedReading {
  property: Property;
  zone: Zone;
  test: SoilTest;
  read: Interpretation;
  prescription: ZonePrescription;
  today: string;
  units: Units;
}

const said = ({ before, figure, show, after }: Consequence): string =>
  `${before ?? ''}${figure && show ? show(figure.value) : ''}${after}`;

const CELL = { low: 0, enough: 1, high: 2 } as const;
/** The three-cell strip of the screen: low, enough, high, the found one filled. */
const strip = (place: keyof typeof CELL | 'none'): Content => ({
  canvas: [0, 1, 2].map((i) => ({
    type: 'rect' as const,
    x: i * 9,
    y: 2,
    w: 8,
    h: 7,
    lineWidth: 0.7,
    lineColor: '#2A2017',
    ...(place !== 'none' && CELL[place] === i ? { color: '#2A2017' } : {}),
  })),
});

/** The reading as one Letter page that a client understands: what was found, and what follows. */
export function readingDocument({
  property,
  zone,
  test,
  read,
  prescription,
  today,
  units,
}: PrintedReading): TDocumentDefinitions {
  const grass = grassOf(zone.grass);
  const rows = [
    ...(read.ph
      ? [
          {
            place:
              read.ph.place === 'too-acid'
                ? ('low' as const)
                : read.ph.place === 'inside'
                  ? ('enough' as const)
                  : ('high' as const),
            name: 'Soil pH',
            value: units.number(read.ph.ph, 1),
            verdict: { 'too-acid': 'too acid', inside: 'in the window', 'too-alkaline': 'too alkaline' }[read.ph.place],
            follows: said(phConsequence(prescription, units)),
          },
        ]
      : []),
    ...read.findings.map((f) => ({
      place: f.level === 'very-low' ? ('low' as const) : f.level === 'unreadable' ? ('none' as const) : f.level,
      name: analyteName(f.analyte),
      value: `${units.plain(significant(f.value, 3))} ${f.unit}`,
      verdict: levelInWords(f.level),
      follows: said(consequenceOf(f, prescription, units)),
    })),
  ];
  return {
    pageSize: 'LETTER',
    pageMargins: [54, 48, 54, 48],
    info: { title: `Soil reading, ${zone.name}, ${property.name}` },
    defaultStyle: PAPER,
    content: [
      { text: `${zone.name}, ${property.name}`, font: 'Vollkorn', fontSize: 20 },
      {
        text: `Soil reading. ${grass.name}; cores ${test.depthIn === undefined ? 'of unknown depth' : units.said(`to ${showExact(test.depthIn, 1)} in`)}, ${sayDate(test.sampledOn)}${test.lab ? `, ${test.lab}` : ''}. Read by ${schoolName(read.school).toLowerCase()}, ${sayDate(today)}.`,
        margin: [0, 2, 0, 10],
      },
      {
        table: {
          headerRows: 1,
          widths: [30, 82, 62, 66, '*'],
          body: [
            ['', 'Found', '', '', 'What follows this year'].map((text) => ({ text, bold: true })),
            ...rows.map((row): Content[] => [
              strip(row.place),
              { text: row.name, bold: true },
              row.value,
              row.verdict,
              row.follows,
            ]),
          ],
        },
        layout: {
          hLineWidth: () => 0.5,
          vLineWidth: () => 0,
          hLineColor: () => '#A9A894',
          paddingTop: () => 3,
          paddingBottom: () => 3,
        },
      },
      {
        text: `The strip shows low, enough, high. Rates are ${units.perArea('nutrient-rate').toLowerCase()}, each named: product, N, P2O5, K2O, S or lime.`,
        fontSize: 8,
        margin: [0, 6, 0, 8],
      },
      {
        text: `Nitrogen for the year: ${units.exact('nutrient-rate', prescription.nitrogen.year.value, 2)} ${units.unit('nutrient-rate', 'N')}, by the grass and its care; a soil test does not set it.`,
        margin: [0, 0, 0, 4],
      },
      ...(read.doubts.length > 0
        ? [
            {
              text: 'Doubts about the report',
              font: 'Vollkorn',
              fontSize: 13,
              margin: [0, 6, 0, 2] as [number, number, number, number],
            },
            { ul: read.doubts.map((doubt) => units.said(doubt)) },
          ]
        : []),
      { text: units.said(prescription.ph.retest), margin: [0, 8, 0, 0] },
      {
        text: 'Check local law before fertilising; follow the label of every product.',
        fontSize: 8,
        margin: [0, 8, 0, 0],
      },
    ],
  };
}
