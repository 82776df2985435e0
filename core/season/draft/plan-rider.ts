import type { Product, Zone } from '../../records/case';
import type { Figure } from '../../reckoning/figure';
import { leastRateLb } from '../../products/least-rate';
import { percentFor } from '../../products/shelf';
import { equalDoses } from '../../tables/equal-doses';
import { dayOfYear } from '../../days/day';
import { type Dose, makeDose } from '../plan/dose';
import { potashOverLb } from '../rules/limits';
import { placeByGrowth } from './place-doses';
import { dateOf, type Ground, openDays, placementOn } from './draft-ground';

/** Equal doses of a need; potash that even a little over its need is less than a spreader lays waits for the next test (D3). */
function evenly(
  zone: Zone,
  product: Product,
  purpose: 'P2O5' | 'K2O',
  needLb: number,
  ceilingLb: number,
): readonly number[] {
  const least = (leastRateLb(product, zone) * percentFor(product, purpose)) / 100;
  if (purpose === 'K2O' && needLb + potashOverLb(needLb) < least) return [];
  const each = equalDoses(needLb, ceilingLb);
  // a hair under what a spreader lays is laid a hair over, as far as potash may run over
  const raised = each.map((lb) => Math.max(lb, least));
  const over = raised.reduce((sum, lb) => sum + lb, 0) - needLb;
  return purpose === 'K2O' && least <= ceilingLb && over <= potashOverLb(needLb) ? raised : each;
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
      : placeByGrowth(each.length, placementOn(ground, allowed, 28));
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
