import type { Product } from '../../records/case';
import { releaseByDay } from '../../nitrogen/release';
import { demandByDay } from '../rules/nitrogen-parts';
import { dayOfYear } from '../../days/day';
import type { SeasonPlan, ZoneSeason } from './season-plan';

/** Nitrogen week by week, lb N/1000 ft2. */
export interface WeeklyNitrogen {
  /** What growth asks, shared out by growth alone: the curve that is drawn. */
  demand: number[];
  /** What it asks in the parts of the year (C1, C2): what doses are measured by. */
  asked: number[];
  /** What each dose makes free, in order of the doses that carry N. */
  supply: { key: string; date: string; name: string; lb: number; byWeek: number[] }[];
  /** What all doses together make free. */
  freed: number[];
  /** N still held at the end of the year. */
  heldLb: number;
}

const WEEK = 7;
const weekly = (byDay: readonly number[]): number[] =>
  Array.from({ length: Math.ceil(byDay.length / WEEK) }, (_, w) =>
    byDay.slice(w * WEEK, (w + 1) * WEEK).reduce((a, b) => a + b, 0),
  );

/** The year's N shared out by growth, against what each dose makes free as it is let go. */
export function weeklyNitrogen(
  { season, parts, prescription, doses, carried }: ZoneSeason,
  products: readonly Product[],
  { soilF, year: inYear }: Pick<SeasonPlan, 'soilF' | 'year'>,
): WeeklyNitrogen {
  const growth = season?.growth ?? [];
  const total = growth.reduce((a, b) => a + b, 0) || 1;
  // the year's figure is what is still to be fed: growth asks for what last year left as well
  const year = prescription.nitrogen.year.value + (carried?.lb ?? 0);
  const supply = doses.flatMap((dose) => {
    const product = products.find((p) => p.id === dose.productId);
    const lb = dose.delivers.N ?? 0;
    if (!product || lb <= 0) return [];
    const byWeek = weekly(releaseByDay(product, soilF, dayOfYear(dose.date))).map((share) => share * lb);
    return [{ key: `${dose.date}/${dose.productId}`, date: dose.date, name: product.name, lb, byWeek }];
  });
  if (carried)
    supply.unshift({
      key: 'carried',
      date: `${inYear}-01-01`,
      name: 'left from last year',
      lb: carried.lb,
      byWeek: weekly(carried.byDay),
    });
  const demand = weekly(growth).map((share) => (share * year) / total);
  const freed = demand.map((_, week) => supply.reduce((sum, s) => sum + (s.byWeek[week] ?? 0), 0));
  return {
    demand,
    asked: parts && season ? weekly(demandByDay(parts, season)).map((share) => share * year) : demand,
    supply,
    freed,
    heldLb: Math.max(0, supply.reduce((sum, s) => sum + s.lb, 0) - freed.reduce((a, b) => a + b, 0)),
  };
}
