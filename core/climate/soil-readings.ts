import { addDays, daysBetween, type IsoDay } from '../days/day';
import { sayDay } from '../words/days';
import { fixed } from '../words/numbers';
import type { Zone } from '../records/case';
import { dampedBy, soilTemperatureByDay } from './soil-temperature';

/** Depth of the curve that everything goes by, in. */
export const CURVE_DEPTH_IN = 3;
/** Days after which a departure from the normal is down to 37 %. Decision: weather that holds lasts two weeks. */
const SETTLES_DAYS = 14;
/** Days after which a reading says nothing of the soil any more: 5 % are left. */
export const HOLDS_DAYS = 42;
/** Waves a year of such weather, by which its departure is damped on the way down. */
const WEATHER_WAVES = 13;
/** Farther off the normal than this no soil is: a slip of the depth, the day or the unit. Decision. */
export const MOST_OFF_F = 30;

/** A thermometer put into the ground. */
export interface SoilReading {
  on: IsoDay;
  valueF: number;
  depthIn: number;
}

/** How a reading moves the curve. */
export interface SoilCorrection {
  on: IsoDay;
  /** How far the soil was from the curve at its depth, deg F. */
  byF: number;
  /** The last day on which it is felt. */
  until: IsoDay;
  /** Too far off to be believed: shown, not reckoned with. */
  doubted: boolean;
}

/** Typed thermometer readings of a property's zones, by day; what the simulated instruments show is none. */
export const soilReadingsOf = (zones: readonly Zone[]): SoilReading[] =>
  zones
    .flatMap((zone) => zone.readings ?? [])
    .filter((reading) => reading.instrument === 'soil-thermometer' && !reading.simulated)
    .map(({ on, value, depthIn = CURVE_DEPTH_IN }) => ({ on, valueF: value, depthIn }))
    .sort((a, b) => a.on.localeCompare(b.on));

/**
 * The year's soil curve as thermometers found it: each reading moves the curve from its day on by how far the soil was from it,
 * less from day to day, until the climate's own holds again after six weeks or the next reading takes over. Readings of one day
 * count together; one that is over 30 deg F off is doubted and left out.
 *
 * @param airMeanF mean air temperature of every day of the year, deg F
 * @param readings by day; those of other years say nothing, but for those of the weeks before
 * @example correctedSoil(airMeanF, 2027, [{ on: '2027-04-01', valueF: 58, depthIn: 3 }]).corrections // [{ byF: 6.1, until: '2027-05-13', … }]
 */
export function correctedSoil(
  airMeanF: readonly number[],
  year: number,
  readings: readonly SoilReading[],
): { soilF: number[]; corrections: SoilCorrection[] } {
  const normal = soilTemperatureByDay(airMeanF, CURVE_DEPTH_IN);
  const first = `${year}-01-01`;
  const days = normal.length;
  const near = readings.filter(({ on }) => {
    const day = daysBetween(first, on);
    return day > -HOLDS_DAYS && day < days;
  });
  const byDepth = new Map<number, number[]>([[CURVE_DEPTH_IN, normal]]);
  const curveAt = (depthIn: number): number[] => {
    const known = byDepth.get(depthIn) ?? soilTemperatureByDay(airMeanF, depthIn);
    byDepth.set(depthIn, known);
    return known;
  };
  const corrections: SoilCorrection[] = [];
  const departures: { day: number; byF: number }[] = [];
  for (const on of new Set(near.map((reading) => reading.on))) {
    const day = daysBetween(first, on);
    // the normal year joins itself at its ends
    const at = (day + days) % days;
    const offs = near
      .filter((reading) => reading.on === on)
      .map(({ valueF, depthIn }) => {
        const byF = valueF - (curveAt(depthIn)[at] as number);
        return { byF, atCurveF: byF * dampedBy(CURVE_DEPTH_IN - depthIn, WEATHER_WAVES) };
      });
    const believed = offs.filter(({ byF }) => Math.abs(byF) <= MOST_OFF_F);
    const mean = (of: readonly number[]) => of.reduce((a, b) => a + b, 0) / of.length;
    corrections.push({
      on,
      byF: mean((believed.length > 0 ? believed : offs).map(({ byF }) => byF)),
      until: addDays(on, HOLDS_DAYS),
      doubted: believed.length === 0,
    });
    if (believed.length > 0) departures.push({ day, byF: mean(believed.map(({ atCurveF }) => atCurveF)) });
  }
  const soilF = normal.map((value, day) => {
    const last = departures.findLast((departure) => departure.day <= day);
    const since = last ? day - last.day : HOLDS_DAYS;
    return last && since < HOLDS_DAYS ? value + last.byF * Math.exp(-since / SETTLES_DAYS) : value;
  });
  return { soilF, corrections };
}

/** A correction in a sentence. */
export const correctionSays = ({ on, byF, until, doubted }: SoilCorrection): string => {
  const off = `${sayDay(on)}: soil ${fixed(Math.abs(byF), 0)} deg F ${byF < 0 ? 'under' : 'over'} the climate’s curve`;
  return doubted
    ? `${off}. So far off no soil is: not reckoned with. Check the depth, the day and the unit.`
    : `${off}; it fades until ${sayDay(until)}.`;
};
