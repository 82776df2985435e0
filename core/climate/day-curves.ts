import type { Case } from '../records/case';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import type { ClimateYear, GrowthSeason } from './climate-year';
import { LEAST_GROWTH } from './climate-year';
import { addDays } from '../days/day';
import { radiationAt, referenceEt } from './radiation';

import { celsiusFromFahrenheit, MM_PER_INCH } from '../units/conversions';

/** Reference evapotranspiration of every day, in (FAO-56 eq. 52); undefined where the latitude is not known. */
export function etoByDay(given: Pick<Case, 'property'>, weather: ClimateYear | undefined): number[] | undefined {
  const { latitudeDeg } = given.property;
  if (!weather || latitudeDeg === undefined) return undefined;
  return weather.highF.map((high, day) => {
    const eto = evaluate(referenceEt, {
      latitudeDeg,
      dayOfYear: day + 1,
      tmaxC: celsiusFromFahrenheit(high),
      tminC: celsiusFromFahrenheit(weather.lowF[day] ?? high),
    });
    return isRefusal(eto) ? 0 : eto / MM_PER_INCH;
  });
}

/** Rain of every day as its month's share, in; undefined where no rain is known. */
export function rainByDay(given: Pick<Case, 'property'>, year: number, days: number): number[] | undefined {
  const rain = given.property.climate?.rainIn;
  if (!rain) return undefined;
  const months = Array.from({ length: days }, (_, day) => Number(addDays(`${year}-01-01`, day).slice(5, 7)) - 1);
  return months.map((month) => (rain[month] ?? 0) / months.filter((m) => m === month).length);
}

/** Hours of daylight of every day (FAO-56 eq. 34); undefined where the latitude is not known. */
export const dayLengthByDay = (latitudeDeg: number | undefined, days: number): number[] | undefined =>
  latitudeDeg === undefined
    ? undefined
    : Array.from({ length: days }, (_, day) => (24 / Math.PI) * radiationAt(latitudeDeg, day + 1).sunsetAngle);

/** How long a year lets grass grow. */
export interface SeasonLength {
  /** Days between the last and the first frost, both left out. */
  frostFreeDays: number;
  /** Days on which the grass grows at all, and those days weighed by how well it grows. */
  growingDays: number;
  bestGrowthDays: number;
}

/** Length of a grass's season. A year without frost has all its days frost-free. */
export function seasonLength({ growth, firstFrost, lastFrost }: GrowthSeason): SeasonLength {
  return {
    frostFreeDays: Math.max(0, firstFrost - lastFrost - 1),
    growingDays: growth.filter((share) => share >= LEAST_GROWTH).length,
    bestGrowthDays: growth.reduce((sum, share) => sum + share, 0),
  };
}
