import writeWorkbook from 'write-excel-file/node';
import type { AnalysedBag } from '../standins/laboratory/dress';
import { analysed, ordinarySoil } from '../standins/laboratory/soil';

/** Long reports of invented soils, for the benches. */

/** So many bags, analyzed. */
export const bagsOf = (count: number): AnalysedBag[] =>
  Array.from({ length: count }, (_, i) => ({
    code: `B-${i}`,
    sampledOn: '2026-10-12',
    depthIn: 4,
    found: analysed(ordinarySoil(i, 'loam'), i),
  }));

const heading = [
  'Sample',
  'Date sampled',
  'Depth in',
  'pH',
  'Buffer pH (Mehlich)',
  'P ppm (M3)',
  'K ppm (M3)',
  'Ca ppm (M3)',
  'Mg ppm (M3)',
  'OM %',
  'CEC',
];
const rowsOf = (count: number) =>
  Array.from({ length: count }, (_, i) => [
    `S${i}`,
    '2026-10-12',
    4,
    5.5 + (i % 20) / 10,
    6.4,
    20 + (i % 60),
    40 + (i % 90),
    900,
    110,
    3.1,
    8.4,
  ]);

/** A workbook of so many samples, one a row. */
export const workbookOfRows = async (count: number): Promise<Uint8Array> =>
  new Uint8Array(await writeWorkbook([heading, ...rowsOf(count)]).toBuffer());
