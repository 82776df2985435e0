import type { Product, Zone } from '../../records/case';
import type { Figure } from '../../reckoning/figure';
import { leastRateLb } from '../../products/least-rate';
import { percentFor } from '../../products/shelf';
import { equalDoses } from '../../tables/equal-doses';
import { dayOfYear } from '../../days/day';
import { type Dose, makeDose } from '../plan/dose';
import { doseCeiling } from '../rules/dose-ceilings';
import { potashOverLb, yearToleranceLb } from '../rules/limits';
import { type Placement, placeByGrowth } from './place-doses';
import { dateOf, type Ground, openDays, placementOn } from './draft-ground';

/** Doses of one nutrient keep so far apart where they do not ride on a feeding, days. Common practice. */
const APART_DAYS = 28;

/** Least of a nutrient that a spreader lays evenly of a product, lb/1000 ft2. */
const leastLb = (zone: Zone, product: Product, purpose: 'P2O5' | 'K2O'): number =>
  (leastRateLb(product, zone) * percentFor(product, purpose)) / 100;

/**
 * A need in doses that a spreader lays evenly: potash a hair over, or fewer and larger ones. Less than one dose waits for the next test
 * (D3); potash is still laid where it may run so far over its need, phosphate never.
 */
function evenly(
  zone: Zone,
  product: Product,
  purpose: 'P2O5' | 'K2O',
  needLb: number,
  ceilingLb: number,
): readonly number[] {
  const each = equalDoses(needLb, ceilingLb);
  const least = leastLb(zone, product, purpose);
  if (each.every((lb) => lb >= least - 1e-9)) return each;
  const potash = purpose === 'K2O';
  if (potash && least * each.length <= needLb + yearToleranceLb(needLb) && least <= ceilingLb)
    return each.map(() => least);
  const fewer = Math.floor(needLb / least + 1e-9);
  if (fewer === 0) return potash && needLb + potashOverLb(needLb) >= least ? each : [];
  return new Array<number>(fewer).fill(Math.min(needLb / fewer, ceilingLb));
}

/** Whether the whole of a need goes down evenly as this product. */
export const laysEvenly = (
  { zone, codes }: Pick<Ground, 'zone' | 'codes'>,
  product: Product,
  purpose: 'P2O5' | 'K2O',
  needLb: number,
): boolean => {
  const each = equalDoses(needLb, doseCeiling(zone, product, purpose, codes));
  return each.every((lb) => lb >= leastLb(zone, product, purpose) - 1e-9);
};

/** Days beside those that are taken, one after the other as far from all of them as may be, four weeks at least; Mondays. */
function farthest(
  count: number,
  taken: readonly number[],
  { allowed, firstWeekday, leastGapDays }: Placement,
): number[] {
  const days = [...taken];
  const found: number[] = [];
  for (let i = 0; i < count; i++) {
    const apart = (day: number) => Math.min(Infinity, ...days.map((other) => Math.abs(other - day)));
    const best = allowed
      .flatMap((yes, day) => (yes && (day + firstWeekday) % 7 === 0 && apart(day) >= leastGapDays ? [day] : []))
      .sort((a, b) => apart(b) - apart(a) || a - b)[0];
    if (best === undefined) break;
    days.push(best);
    found.push(best);
  }
  return found;
}

/** P and K ride on nitrogen days where they may, so that one trip serves both. */
export function planRider(
  ground: Ground,
  product: Product,
  purpose: 'P2O5' | 'K2O',
  needLb: number,
  ceilingLb: number,
  others: readonly Dose[],
  figure: Figure | undefined,
  clear: (day: number) => boolean,
): { doses: Dose[]; missed: number; tooSmall: number } {
  const each = evenly(ground.zone, product, purpose, needLb, ceilingLb);
  // a day whose dose already brings some of it has no room left under the ceiling
  const taken = others.filter((d) => (d.delivers[purpose] ?? 0) > 0).map((d) => dayOfYear(d.date));
  const allowed = openDays(ground, product, true).map((yes, day) => yes && clear(day) && !taken.includes(day));
  const riding = [...new Set(others.map((d) => dayOfYear(d.date)))].filter((day) => allowed[day]);
  const step = riding.length / each.length;
  const days =
    riding.length >= each.length
      ? each.map((_, i) => riding[Math.floor((i + 0.5) * step)] as number)
      : riding.length === 0
        ? placeByGrowth(each.length, placementOn(ground, allowed, APART_DAYS))
        : [...riding, ...farthest(each.length - riding.length, riding, placementOn(ground, allowed, APART_DAYS))].sort(
            (a, b) => a - b,
          );
  const doses = days.map((day, i) =>
    makeDose(
      ground.zone,
      dateOf(ground.year, day),
      product,
      purpose,
      {
        lb: each[i] as number,
        says: `${purpose} for the year${each.length > 1 ? `, one of ${each.length} doses` : ''}`,
        figure,
      },
      riding.includes(day) ? 'same day as the nitrogen, one trip' : 'by the share of growth still to come',
    ),
  );
  const sum = (doses: readonly number[]) => doses.reduce((a, b) => a + b, 0);
  return { doses, missed: sum(each.slice(days.length)), tooSmall: Math.max(0, needLb - sum(each)) };
}
