import { daysInMonth, dayOfYear } from '../../days/day';
import { releaseByDay } from '../../nitrogen/release';
import type { Product } from '../../records/case';
import type { NitrogenPart } from '../rules/nitrogen-parts';

/** The year's N from which no whole growing month stays bare, and what counts as bare, lb N/1000 ft2 (C2). */
export const BARE = { fromYearLb: 2, underLb: 0.1 } as const;
/** Months that lie wholly inside the growing part and are supplied with next to nothing. */
export function bareMonths(
  doses: readonly { day: number; lb: number; product: Product }[],
  part: Pick<NitrogenPart, 'from' | 'to'>,
  soilF: readonly number[],
  year: number,
): number[] {
  const supply = soilF.map(() => 0);
  for (const { day, lb, product } of doses)
    releaseByDay(product, soilF, day).forEach((share, at) => {
      supply[at] = (supply[at] as number) + share * lb;
    });
  return Array.from({ length: 12 }, (_, month) => month).filter((month) => {
    const first = dayOfYear(`${year}-${String(month + 1).padStart(2, '0')}-01`);
    const last = first + daysInMonth(`${year}-${String(month + 1).padStart(2, '0')}-01`) - 1;
    if (first < part.from || last > part.to) return false;
    return supply.slice(first, last + 1).reduce((a, b) => a + b, 0) < BARE.underLb;
  });
}
