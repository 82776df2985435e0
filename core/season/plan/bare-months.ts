import { daysInMonth, dayOfYear } from '../../days/day';
import { releaseByDay } from '../../nitrogen/release';
import type { Product } from '../../records/case';
import type { NitrogenPart } from '../rules/nitrogen-parts';

/** The year's N from which no whole growing month stays bare, and what counts as bare, lb N/1000 ft2 (C2). */
export const BARE = { fromYearLb: 2, underLb: 0.1 } as const;
interface FedDose {
  day: number;
  lb: number;
  product: Product;
}

/** First and last day of a month of a year, 0 for 1 January; months count from 0. */
const monthSpan = (year: number, month: number): { first: number; last: number } => {
  const day = `${year}-${String(month + 1).padStart(2, '0')}-01`;
  const first = dayOfYear(day);
  return { first, last: first + daysInMonth(day) - 1 };
};

/** What doses make free month by month, lb N/1000 ft2. */
export function supplyByMonth(doses: readonly FedDose[], soilF: readonly number[], year: number): number[] {
  const supply = soilF.map(() => 0);
  for (const { day, lb, product } of doses)
    releaseByDay(product, soilF, day).forEach((share, at) => {
      supply[at] = (supply[at] as number) + share * lb;
    });
  return Array.from({ length: 12 }, (_, month) => {
    const { first, last } = monthSpan(year, month);
    return supply.slice(first, last + 1).reduce((a, b) => a + b, 0);
  });
}

/** Months that lie wholly inside the growing part and are supplied with next to nothing. */
export function bareMonths(
  doses: readonly FedDose[],
  part: Pick<NitrogenPart, 'from' | 'to'>,
  soilF: readonly number[],
  year: number,
): number[] {
  return supplyByMonth(doses, soilF, year).flatMap((lb, month) => {
    const { first, last } = monthSpan(year, month);
    return first >= part.from && last <= part.to && lb < BARE.underLb ? [month] : [];
  });
}
