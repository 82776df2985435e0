import type { ClimateYear, GrowthSeason } from '../../climate/climate-year';
import { dayAt, dayOfYear, type IsoDay } from '../../days/day';
import type { Grass } from '../../packs/grasses';
import type { Zone } from '../../records/case';
import { fallStartOf } from './nitrogen-parts';

/** A stand that is sown, renovated or sodded in the year: a programme of its own with a day (C8). Common practice throughout. */
export interface Establishment {
  kind: 'new-seeding' | 'renovation' | 'sod';
  on: IsoDay;
  /** The usual day of grass and climate, because none is given. */
  assumed: boolean;
}

/** Usual days: after fall begins on cool-season grass, after full green on warm-season grass (C8). */
const USUAL_AFTER_DAYS = { cool: 14, warm: 30 } as const;
/** The second nitrogen comes so many days after the day, this one first of all (C8). */
export const SECOND_AFTER_DAYS = { least: 28, usual: 35, most: 42 } as const;
/** The grass's own programme goes on four weeks after the second dose at its latest, days (C8). */
export const OWN_PROGRAMME_AFTER_DAYS = SECOND_AFTER_DAYS.usual + 28;
/** No other dose over this in the first six weeks, lb soluble N/1000 ft2 (C8). */
export const SECOND_LB = 0.5;
/** The starter's own nitrogen, and of it soluble, lb N/1000 ft2 (C8); a code may be stricter. */
export const STARTER_N_LB = { most: 1, soluble: 0.75, without: 0.5 } as const;
/** Starter phosphate by the test, lb P2O5/1000 ft2 (C8). */
export const STARTER_P2O5_LB = {
  'very-low': 1,
  low: 1,
  enough: 0.5,
  'not-tested': 0.5,
  unreadable: 0.5,
  high: 0,
} as const;
/** No sulfur so long before seeding, days (C8). */
export const NO_SULFUR_BEFORE_DAYS = 90;

/** What is sown, renovated or sodded on a zone in a year; undefined where nothing is: then the grass's own programme holds. */
export function establishmentOf(
  zone: Pick<Zone, 'state' | 'seededOn'>,
  grass: Grass,
  season: GrowthSeason | undefined,
  weather: ClimateYear | undefined,
  year: number,
): Establishment | undefined {
  const { state, seededOn } = zone;
  if (state === undefined || state === 'established') return undefined;
  if (seededOn !== undefined)
    return seededOn.startsWith(`${year}-`) ? { kind: state, on: seededOn, assumed: false } : undefined;
  if (!season || !weather) return undefined;
  const day =
    grass.season === 'cool'
      ? fallStartOf(weather) + USUAL_AFTER_DAYS.cool
      : (season.fullGreen ?? season.feeding.indexOf(true)) + USUAL_AFTER_DAYS.warm;
  return day < 0 || day >= season.growth.length ? undefined : { kind: state, on: dayAt(year, day), assumed: true };
}

/** Whether ground may still be worked: before the day of a new seeding. Sod and renovation lie on standing ground. */
export const isWorkable = ({ kind, on }: Establishment, from: IsoDay): boolean => kind === 'new-seeding' && from < on;

/** Place in the year from which the grass's own programme goes on. */
export const ownProgrammeFrom = ({ on }: Establishment): number => dayOfYear(on) + OWN_PROGRAMME_AFTER_DAYS;
