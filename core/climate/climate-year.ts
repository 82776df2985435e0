import type { Climate } from '../records/case';
import type { Grass } from '../packs/grasses';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { placeOf } from '../days/day';
import { dailyCurve } from './daily-curve';
import { growthPotential } from './growth-potential';

/** One year's daily course, drawn through monthly normals. Index 0 is 1 January. */
export interface ClimateYear {
  year: number;
  meanF: number[];
  highF: number[];
  lowF: number[];
}

/** Ground counts as frozen while the mean air temperature is below this, deg F. Common practice, a stand-in for a soil probe. */
export const FROZEN_BELOW_MEAN_F = 32;
/** Heat stress of cool-season grass: mean high above this, deg F. Common practice says 85-90. */
export const HEAT_ABOVE_HIGH_F = 87;
/** Cool-season feeding ends and starts near this mean air temperature, deg F. Common practice. */
export const COOL_FEEDING_FROM_MEAN_F = 50;
/** Warm-season feeding starts this long after the last frost: several weeks after full green-up. Common practice. */
export const GREEN_UP_DAYS = { usual: 28, centipedegrass: 42 } as const;
/** Warm-season nitrogen stops this long before the first frost. Common practice says 4-6 weeks or more. */
export const STOP_BEFORE_FROST_DAYS = 42;
/** Frost is taken where the mean low passes this, when the property gives no frost dates, deg F. */
const FROST_LOW_F = 36;
/** Where no frost comes, warm-season grass is fed while its growth is above this share of its peak (C2). Common practice. */
const FED_ABOVE_PEAK_SHARE = 1 / 3;
/** Growth under this share of the best is no season to feed in. */
export const LEAST_GROWTH = 0.1;

/** Draws a year through monthly normals. */
export function climateYear(climate: Climate, year: number): ClimateYear {
  const highF = dailyCurve(climate.meanHighF as number[], year);
  // two curves may touch where a month's high and low nearly do
  const lowF = dailyCurve(climate.meanLowF as number[], year).map((low, day) => Math.min(low, highF[day] as number));
  return { year, highF, lowF, meanF: highF.map((high, i) => (high + (lowF[i] as number)) / 2) };
}

/** Growth of a grass day by day, 0..1. */
export function growthByDay(weather: ClimateYear, grass: Grass): number[] {
  return weather.meanF.map((meanTempF) => {
    const share = evaluate(growthPotential, { meanTempF, season: grass.season });
    return isRefusal(share) ? 0 : share;
  });
}

/** Days of the year's last and first frost, from the property or from mean lows. 365 where none comes. */
export function frostDays(climate: Climate, weather: ClimateYear): { last: number; first: number } {
  const frosty = weather.lowF.map((low) => low < FROST_LOW_F);
  const summer = Math.floor(weather.meanF.length / 2);
  const lastFrosty = frosty.lastIndexOf(true, summer);
  const firstFrosty = frosty.indexOf(true, summer);
  return {
    last: climate.lastFrost ? placeOf(weather.year, climate.lastFrost) : lastFrosty,
    first: climate.firstFrost
      ? placeOf(weather.year, climate.firstFrost)
      : firstFrosty === -1
        ? weather.meanF.length
        : firstFrosty,
  };
}

/** Growth and feeding days of one grass in one year. */
export interface GrowthSeason {
  growth: number[];
  /** Days on which nitrogen may go down, before any local code. */
  feeding: boolean[];
  frozen: boolean[];
  heat: boolean[];
  /** Day after which the grass has been mown twice in spring; undefined where it never rests or never grows. */
  twoMowings?: number;
  /** Day a warm-season grass counts as fully green. */
  fullGreen?: number;
  /** Day of the last mowing of the year. */
  lastMowing?: number;
  firstFrost: number;
  lastFrost: number;
  /** Where a cool-season grass is sown over for the winter: its days, and those on which it may be fed (C9). */
  winter?: { days: boolean[]; feeding: boolean[] };
}

/** Days of best growth between two mowings under the one-third rule. Common practice: weekly, a little oftener at the peak. */
export const GROWTH_DAYS_A_MOWING = 6;

/** Day by which a grass that rested in winter has been mown so often; undefined where it grows all year or never. */
function dayAfterMowings(growth: readonly number[], mowings: number): number | undefined {
  const wakes = growth.findIndex((share) => share >= LEAST_GROWTH);
  if (wakes <= 0) return undefined;
  let grown = 0;
  const day = growth.findIndex((share, at) => at >= wakes && (grown += share) >= mowings * GROWTH_DAYS_A_MOWING);
  return day === -1 ? undefined : day;
}

/** When a grass may be fed in a year of this climate. */
export function growthSeason(climate: Climate, weather: ClimateYear, grass: Grass): GrowthSeason {
  const growth = growthByDay(weather, grass);
  const frozen = weather.meanF.map((mean) => mean < FROZEN_BELOW_MEAN_F);
  const heat = weather.highF.map((high) => grass.season === 'cool' && high > HEAT_ABOVE_HIGH_F);
  const frost = frostDays(climate, weather);
  const greenUp = frost.last + (grass.id === 'centipedegrass' ? GREEN_UP_DAYS.centipedegrass : GREEN_UP_DAYS.usual);
  const twoMowings = dayAfterMowings(growth, 2);
  const frostless = frost.first >= growth.length && frost.last < 0;
  const peak = Math.max(...growth);
  const feeding = growth.map((share, day) => {
    if (frozen[day] || heat[day] || share < LEAST_GROWTH) return false;
    return grass.season === 'cool'
      ? (weather.meanF[day] as number) >= COOL_FEEDING_FROM_MEAN_F && day >= (twoMowings ?? 0)
      : frostless
        ? share >= peak * FED_ABOVE_PEAK_SHARE
        : day >= greenUp && day <= frost.first - STOP_BEFORE_FROST_DAYS;
  });
  const lastGrowing = growth.findLastIndex((share) => share >= LEAST_GROWTH);
  return {
    growth,
    feeding,
    frozen,
    heat,
    twoMowings,
    fullGreen: grass.season === 'warm' ? greenUp : undefined,
    lastMowing: lastGrowing === -1 ? undefined : lastGrowing,
    firstFrost: frost.first,
    lastFrost: frost.last,
  };
}
