import type { Product } from '../../records/case';
import type { Figure } from '../../reckoning/figure';
import { leastRateLb } from '../../products/least-rate';
import { type Dose, makeDose } from '../plan/dose';
import { daysBetweenFullN, doseCeiling } from '../rules/dose-ceilings';
import { freeInTime } from '../rules/before-frost';
import type { NitrogenParts } from '../rules/nitrogen-parts';
import { ONE_DOSE_UP_TO_LB_N, shareOut } from './share-out';
import { longestWaitDays, monthSupplyLb, mostDaysBetweenN } from '../rules/limits';
import { dateOf, type Ground, openDays, placementOn } from './draft-ground';

/** The year's nitrogen of one product on its days; what found no room is told. */
export function planNitrogen(
  ground: Ground,
  product: Product,
  needLb: number,
  says: string,
  figure: Figure,
  parts: NitrogenParts,
  keepFrom: readonly number[],
  clear: (day: number) => boolean,
  inFallLb = 0,
): { doses: Dose[]; missed: number } {
  const { zone, codes, year, season, soilF, firstDay } = ground;
  const apart = daysBetweenFullN(zone);
  const warm = parts.parts.some((part) => part.id === 'growing');
  const open = openDays(ground, product, true).map(
    (yes, day) =>
      yes &&
      clear(day) &&
      keepFrom.every((other) => Math.abs(other - day) >= apart) &&
      (!warm || freeInTime(product, soilF, season, day)),
  );
  const shared = shareOut({
    product,
    needLb,
    yearLb: figure.value,
    ceilingLb: doseCeiling(zone, product, 'N', codes),
    leastDoses: needLb > ONE_DOSE_UP_TO_LB_N ? 2 : 1,
    inFallLb,
    parts,
    placement: placementOn(ground, open, apart),
    soilF,
    firstDay,
    year,
    leastLb: (leastRateLb(product, zone) * (product.guaranteed.N ?? 0)) / 100,
    mostMonthLb: monthSupplyLb(zone),
    fedDays: keepFrom,
    mostWaitDays: longestWaitDays(zone, season.feeding.filter(Boolean).length, figure.value),
    spoonDays: zone.turf === 'close-cut' ? mostDaysBetweenN(zone) : undefined,
  });
  const doses = shared.map(({ day, lb }, i) =>
    makeDose(
      zone,
      dateOf(year, day),
      product,
      'N',
      { lb, says, figure },
      `${i + 1} of ${shared.length}, by the parts of the year and growth inside them`,
    ),
  );
  return { doses, missed: Math.max(0, needLb - shared.reduce((sum, dose) => sum + dose.lb, 0)) };
}
