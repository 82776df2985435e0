import type { IsoDay } from '../days/day';
import { addDays } from '../days/day';
import type { Product, Zone } from '../records/case';
import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { type Figure, sureFigure, traced } from '../reckoning/figure';
import { sayDate } from '../words/days';
import { trimmed } from '../words/numbers';

/** After the first dose of a correction so long is waited before a new report decides, days (B4). */
const GOOD_FOR_DAYS = 365;

/** What is left of a requirement after what went down since its sample, lb/1000 ft2 (B4). 40 lb lime less 29 logged: 11. */
export const outstanding = defineReckoning({
  id: 'prescription.outstanding',
  title: 'Still outstanding',
  about:
    'A report asks once. What went down after its sample counts against what it asked, in any year, or the same lime would be ordered again each spring.',
  inputs: {
    requiredLb: quantity('lb of the substance')('asked by the report', { min: 0, max: 10_000 }),
    givenLb: quantity('lb of the substance')('down since the sample', { min: 0, max: 1e12 }),
  },
  unit: 'lb of the substance / 1000 ft2',
  formula: ['outstanding = asked − down since, never below 0'],
  sources: [{ cite: 'Lime counted by its ECCE, sulfur by its free S', standing: 'common practice' }],
  limits: ['What the log does not hold is not known.'],
  example: { inputs: { requiredLb: 40, givenLb: 29 }, value: 11 },
  reckon: ({ requiredLb, givenLb }, work) =>
    work.step(
      'outstanding',
      'max(0, requiredLb − givenLb)',
      { requiredLb, givenLb },
      Math.max(0, requiredLb - givenLb),
      'lb',
    ),
});

/** One entry of the log, by what it brings of the substance in question. */
export interface LedgerLine {
  date: IsoDay;
  product: string;
  /** lb of the substance/1000 ft2. */
  lb: number;
}

/** A requirement and what went down since its sample. */
export interface Ledger {
  /** Day of the sample. */
  since: IsoDay;
  requiredLb: number;
  lines: LedgerLine[];
  givenLb: number;
  outstanding: Figure;
  /** Last day on which a dose may be dated: from then on a new report decides. Undefined while nothing is down. */
  datedUntil?: IsoDay;
}

/** Entries of a zone's log after a day (and before another), by what a pound of each product counts. */
export function loggedSince(
  zone: Zone,
  products: readonly Product[],
  { after, before }: { after: IsoDay; before?: IsoDay },
  lbEach: (product: Product) => number,
): LedgerLine[] {
  return (zone.applied ?? [])
    .filter(({ date }) => date > after && (before === undefined || date < before))
    .flatMap(({ date, productId, zoneLb }): LedgerLine[] => {
      const product = products.find((p) => p.id === productId);
      const lb = product ? (zoneLb / (zone.areaSqFt / 1000)) * lbEach(product) : 0;
      return product && lb > 0 ? [{ date, product: product.name, lb }] : [];
    })
    .sort((a, b) => a.date.localeCompare(b.date));
}

/** The ledger of a requirement. `unit` names the substance: 'lb lime per 1000 ft2'. */
export function ledgerOf(
  required: Figure,
  since: IsoDay,
  lines: LedgerLine[],
  { title, unit, usedIn }: { title: string; unit: string; usedIn: string },
): Ledger {
  const givenLb = lines.reduce((sum, line) => sum + line.lb, 0);
  const says =
    lines.length === 0
      ? 'nothing is logged since the sample'
      : lines.map((line) => `${line.product} of ${sayDate(line.date)}, ${trimmed(line.lb, 1)} lb`).join('; ');
  const first = lines[0]?.date;
  return {
    since,
    requiredLb: required.value,
    lines,
    givenLb,
    outstanding:
      lines.length === 0
        ? required
        : sureFigure(
            outstanding,
            {
              requiredLb: traced(required.value, 'asked by the report', required),
              givenLb: traced(givenLb, says),
            },
            { title, unit, usedIn },
          ),
    ...(first === undefined ? {} : { datedUntil: addDays(first, GOOD_FOR_DAYS) }),
  };
}
