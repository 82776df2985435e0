import type { PlanSheet } from '../season/output/plan-sheet';
import { printCsv } from './print-csv';
import { fixed } from '../words/numbers';

const NUTRIENTS = ['N', 'N-soluble', 'P2O5', 'K2O', 'Mg', 'S-combined', 'S-free'] as const;
const cents = (value: number | undefined): string => (value === undefined ? '' : fixed(value, 2));
const lb = (value: number, decimals = 2): string => fixed(value, decimals);

/** The plan as a table (RFC 4180): a line a dose, units in the header. */
export const printPlanCsv = ({ lines }: PlanSheet): string =>
  printCsv([
    [
      'date',
      'zone',
      'product',
      'analysis',
      'for',
      'rate (lb product per 1000 sq ft)',
      'weigh out (lb product)',
      ...NUTRIENTS.map((n) => `${n} (lb per 1000 sq ft)`),
      'why',
    ],
    ...lines.map((line) => [
      line.date,
      line.zone,
      line.product,
      line.face,
      line.for,
      lb(line.ratePer1000Lb),
      lb(line.weighOutLb, 1),
      ...NUTRIENTS.map((n) => lb(line.delivers[n] ?? 0, 3)),
      line.why,
    ]),
  ]);

/** What to buy, as a table: whole packages, cost, what is left. */
export const printPurchasesCsv = ({ buying, cost }: PlanSheet): string =>
  printCsv([
    [
      'product',
      'needed (lb product)',
      'on hand (lb product)',
      'packages',
      'package (lb product)',
      'cost ($)',
      'left over (lb product)',
      'or in bulk (tons of 2000 lb)',
    ],
    ...buying.map((p) => [
      p.name,
      lb(p.neededLb, 1),
      lb(p.onHandLb, 1),
      String(p.packages),
      p.packageLb === undefined ? '' : lb(p.packageLb, 1),
      cents(p.cost),
      lb(p.leftLb, 1),
      p.bulkTons === undefined ? '' : lb(p.bulkTons, 2),
    ]),
    ['in all', '', '', '', '', cents(cost), '', ''],
  ]);
