import { placeOf } from '../../days/day';
import type { Zone } from '../../records/case';
import type { SOLUBLE_N } from './dose-ceilings';
import { type DoseGround, isWeakGround, leastDaysBetweenN } from './dose-ceilings';

/** Rates are set to a hundredth of a pound of product/1000 ft2. Common practice of a scale. */
export const RATE_STEP_LB = 0.01;
/** A year's N, P2O5 or K2O may be this share off what is prescribed. Common practice: a twenty-fifth is what a careful hand and a good scale hold over a year. */
const YEAR_TOLERANCE = 0.04;
/** Needs under half a usual dose cannot be met closer than this, because no spreader holds less, lb nutrient/1000 ft2. Common practice. */
const SMALL_NEED = { underLb: 0.5, toleranceLb: 0.1 } as const;

/** How far a year's nutrient may be off what is prescribed, lb nutrient/1000 ft2. 2.5 lb N: 0.1; 0.3 lb N: 0.1; 1 lb N: 0.04. */
export const yearToleranceLb = (needLb: number): number =>
  Math.max(needLb * YEAR_TOLERANCE, needLb > 0 && needLb < SMALL_NEED.underLb ? SMALL_NEED.toleranceLb : 0);
/** K2O may run over its need this far, because grades bring it along; P2O5 may not. Common practice. */
const POTASH_OVER = { share: 0.15, lb: 0.25 } as const;
export const potashOverLb = (needLb: number): number => Math.max(needLb * POTASH_OVER.share, POTASH_OVER.lb);
/** Longest wait between nitrogen doses within the open season, days: sand lets nitrogen go, and close-cut turf is spoon-fed (C10). Common practice. */
const MOST_DAYS = { usual: 84, sand: 56, 'close-cut': 21 } as const;
/**
 * Nitrogen that slow doses may still let go in the heat of summer on cool-season grass, lb N/1000 ft2. Common practice: light
 * feeding at the most, and half a pound is the least useful dose.
 */
export const MOST_FREE_IN_HEAT_LB = 0.5;
/** Most different products carried over one zone in one trip. Common practice: each is its own pass with its own gate. */
export const MOST_PRODUCTS_A_DAY = 2;
/** Soil from which microbes work sulfur and organic nitrogen, deg F. Common practice. */
export const MICROBES_WORK_FROM_F = 55;

/** First day of what schools call fall, 0 for 1 January: 1 September. Common practice. */
export const fallFromDay = (year: number): number => placeOf(year, '09-01');

const kindOf = (zone: DoseGround): keyof typeof SOLUBLE_N =>
  zone.turf === 'close-cut' ? 'close-cut' : isWeakGround(zone) ? 'sand' : 'usual';

/** Longest wait between two nitrogen doses within the open season of a zone, days. */
export const mostDaysBetweenN = (zone: DoseGround): number =>
  Math.max(MOST_DAYS[kindOf(zone)], leastDaysBetweenN(zone));

/** Nitrogen of a usual feeding: so few pounds make so few feedings (E2), lb N/1000 ft2. Common practice. */
const FEEDING_LB = { usual: 1, sand: 0.5, 'close-cut': 0.25 } as const;
/** A quarter of a pound more is still the same number of feedings. */
const SAME_FEEDINGS_LB = 0.25;

/**
 * Longest wait between feedings in an open season, days: what the grass should wait, or what so few pounds make of it. 1 lb N on
 * centipedegrass is one or two feedings, and no wait is too long.
 */
export function longestWaitDays(zone: DoseGround, openDays: number, yearLb: number): number {
  const feedings = Math.max(1, Math.ceil((yearLb - SAME_FEEDINGS_LB) / FEEDING_LB[kindOf(zone)]));
  return Math.max(mostDaysBetweenN(zone), Math.ceil(openDays / feedings) + 7);
}

/** Most nitrogen free in a month on warm-season grass, lb N/1000 ft2; more under high care (C2). Common practice. */
const MONTH_SUPPLY_LB = { usual: 1, high: 1.25 } as const;
export const monthSupplyLb = ({ care }: Pick<Zone, 'care'>): number =>
  care === 'high' ? MONTH_SUPPLY_LB.high : MONTH_SUPPLY_LB.usual;
/** Release is not known closer than this. */
export const MONTH_SUPPLY_OFF = 1.04;

/** Lime and ammonium or urea keep this far apart, days. Common practice. */
export const LIME_NITROGEN_GAP_DAYS = 14;
