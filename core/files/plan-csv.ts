import type { PlanSheet } from '../season/output/plan-sheet';
import { printCsv } from './print-csv';
import { flOzOf } from '../products/as-weighed';
import { inUnit, type UnitId } from '../units/table';
import { fixed } from '../words/numbers';

const NUTRIENTS = ['N', 'N-soluble', 'P2O5', 'K2O', 'Mg', 'S-combined', 'S-free'] as const;
const cents = (value: number | undefined): string => (value === undefined ? '' : fixed(value, 2));

/** Which units the numbers of a table are in; what is in them stands in its header. */
export interface CsvUnits {
  weight: 'lb' | 'kg';
  rate: 'lb/1000 ft2' | 'g/m2' | 'kg/ha';
  bulk: 'ton' | 't';
}
const US: CsvUnits = { weight: 'lb', rate: 'lb/1000 ft2', bulk: 'ton' };
const HEADS: Readonly<Record<CsvUnits['weight' | 'rate' | 'bulk'], string>> = {
  lb: 'lb product',
  kg: 'kg product',
  'lb/1000 ft2': 'lb {} per 1000 sq ft',
  'g/m2': 'g {} per m2',
  'kg/ha': 'kg {} per ha',
  ton: 'tons of 2000 lb',
  t: 't of 1000 kg',
};
const heads = (units: CsvUnits) => ({
  weight: HEADS[units.weight],
  rate: (of: string) => HEADS[units.rate].replace('{} ', of === '' ? '' : `${of} `),
  bulk: HEADS[units.bulk],
  liquid: units.weight === 'lb' ? 'fl oz product' : 'mL product',
});
/** Numbers of a table in its units: US with the decimals of the trade, others with one more. */
const written = (units: CsvUnits) => {
  const more = (unit: UnitId, us: UnitId) => (unit === us ? 0 : 1);
  return {
    weight: (lb: number) => fixed(inUnit(lb, 'lb', units.weight), 1 + more(units.weight, 'lb')),
    rate: (lb: number, decimals: number) => fixed(inUnit(lb, 'lb/1000 ft2', units.rate), decimals),
    liquid: (flOz: number) => (units.weight === 'lb' ? fixed(flOz, 1) : fixed(inUnit(flOz, 'fl oz', 'mL'), 0)),
    bulk: (tons: number) => fixed(inUnit(tons, 'ton', units.bulk), 2),
  };
};

/** The plan as a table (RFC 4180): a line a dose, units in the header; decimals after points whatever the locale. */
export function printPlanCsv({ lines }: PlanSheet, units: CsvUnits = US): string {
  const [head, say] = [heads(units), written(units)];
  return printCsv([
    [
      'date',
      'zone',
      'product',
      'analysis',
      'for',
      `rate (${head.rate('product')})`,
      `weigh out (${head.weight})`,
      `measure out, of a liquid (${head.liquid})`,
      ...NUTRIENTS.map((n) => `${n} (${head.rate('')})`),
      'why',
    ],
    ...lines.map((line) => [
      line.date,
      line.zone,
      line.product,
      line.face,
      line.for,
      say.rate(line.ratePer1000Lb, 2),
      say.weight(line.weighOutLb),
      line.lbPerGal === undefined ? '' : say.liquid(flOzOf(line.weighOutLb, line.lbPerGal)),
      ...NUTRIENTS.map((n) => say.rate(line.delivers[n] ?? 0, 3)),
      line.why,
    ]),
  ]);
}

/** What to buy, as a table: whole packages, cost, what is left. */
export function printPurchasesCsv({ buying, cost }: PlanSheet, units: CsvUnits = US): string {
  const [head, say] = [heads(units), written(units)];
  return printCsv([
    [
      'product',
      `needed (${head.weight})`,
      `on hand (${head.weight})`,
      'packages',
      `package (${head.weight})`,
      'cost ($)',
      `left over (${head.weight})`,
      `or in bulk (${head.bulk})`,
    ],
    ...buying.map((p) => [
      p.name,
      say.weight(p.neededLb),
      say.weight(p.onHandLb),
      String(p.packages),
      p.packageLb === undefined ? '' : say.weight(p.packageLb),
      cents(p.cost),
      say.weight(p.leftLb),
      p.bulkTons === undefined ? '' : say.bulk(p.bulkTons),
    ]),
    ['in all', '', '', '', '', cents(cost), '', ''],
  ]);
}
