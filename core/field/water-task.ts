import type { WeatherHour } from '../climate/hourly-weather';
import { addHours, hoursBetween } from '../days/day';
import { groupOfTexture } from '../ground/texture-groups';
import type { Case, LocalCode, Run, Zone } from '../records/case';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { nextWatering } from './legal-watering';
import { wateringIn } from './material';
import { runState } from '../runs/run-state';
import { gallonsOf, waterIn } from './water-in';

/** What has to be watered in after a job was signed: by when, how much, how long the sprinklers run. */

/** Water that bare intake takes by texture, in/h, and how much steep ground takes of it. Common practice. */
const INTAKE_IN_PER_HOUR = { sand: 1, loam: 0.5, clay: 0.2 } as const;
const STEEP = { slopePercent: 8, share: 0.5 } as const;
/** After so many days water moves nothing any more, and the task is no longer listed. Common practice. */
const LISTED_DAYS = 7;

/** Longer than any material waits, h. */
const NEVER_HOURS = 240;

/** How a zone is watered with so much, where its sprinklers were measured. */
export interface Watering {
  depthIn: number;
  gallons: number;
  /** Undefined where nobody measured what the sprinklers give. */
  run?: { minutes: number; cycles: number; minutesPerCycle: number };
}

/**
 * Depth in gallons, and in minutes by the measured rate of the zone's sprinklers, in cycles that the soil takes.
 *
 * @example wateringOf({ areaSqFt: 1155, texture: 'loam' }, 0.25) // { depthIn: 0.25, gallons: 180 }
 */
export function wateringOf(
  zone: Pick<Zone, 'areaSqFt' | 'texture' | 'slopePercent' | 'sprinklerInPerHour'>,
  depthIn: number,
): Watering {
  const { areaSqFt, sprinklerInPerHour: inPerHour, slopePercent = 0 } = zone;
  const gallons = gallonsOf(depthIn, areaSqFt);
  if (inPerHour === undefined) return { depthIn, gallons };
  const intakeInPerHour =
    INTAKE_IN_PER_HOUR[groupOfTexture(zone.texture)] * (slopePercent > STEEP.slopePercent ? STEEP.share : 1);
  const found = evaluate(waterIn, { depthIn, inPerHour, intakeInPerHour, areaSqFt });
  if (isRefusal(found)) return { depthIn, gallons };
  const { runMinutes: minutes, cycles, minutesPerCycle } = found;
  return { depthIn, gallons, run: { minutes, cycles, minutesPerCycle } };
}

/** Rain so likely is counted on, %. Common practice. */
const SURE_RAIN_PERCENT = 70;

/**
 * Hours from one of a forecast's hours until what is spread then would be watered in: the next moment the codes allow, or on a zone
 * without sprinklers enough sure rain. Undefined where nobody can say, and where nothing hinders.
 *
 * @param i place of the hour
 */
export function hoursToWater(
  zone: Pick<Zone, 'irrigated'>,
  depthIn: number,
  codes: readonly LocalCode[],
  hours: readonly WeatherHour[],
  i: number,
): number | undefined {
  const at = hours[i]?.at;
  if (at === undefined) return undefined;
  if (zone.irrigated !== false) {
    if (!codes.some(({ localWatering }) => localWatering)) return undefined;
    const next = nextWatering(codes, `${at}:00`);
    return next === undefined ? NEVER_HOURS : hoursBetween(`${at}:00`, next);
  }
  let rainIn = 0;
  for (let j = i; j < hours.length; j++) {
    const hour = hours[j] as WeatherHour;
    if (hour.rainChancePercent >= SURE_RAIN_PERCENT) rainIn += hour.rainIn;
    if (rainIn >= depthIn - 1e-9) return j - i;
  }
  return undefined;
}

export interface WaterTask extends Watering {
  ofRun: Run;
  zone: Zone;
  /** Wall clock by which it has to be in: '2027-09-07T10:52'. */
  by: string;
  isLate: boolean;
  /** The first moment at which the codes let it be watered, where that is not now; undefined and `isShut` where none comes in time. */
  from?: string;
  isShut: boolean;
}

/**
 * What was signed and is not yet watered in, the most pressing first. What stays on the leaf, and what only its label knows, is none of it.
 *
 * @param now wall clock, '2027-09-06T11:20'
 */
export function waterTasks({ runs = [], zones, products = [], codes = [] }: Case, now: string): WaterTask[] {
  return runs
    .flatMap((run): WaterTask[] => {
      const { standing, spreadLb = 0 } = runState(run);
      const zone = zones.find(({ id }) => id === run.zoneId);
      const product = products.find(({ id }) => id === run.productId);
      const water = product && wateringIn(product);
      if (standing !== 'signed' || spreadLb <= 0 || !zone || !water) return [];
      if (run.events.some(({ kind }) => kind === 'watered')) return [];
      const ended = (run.events.findLast(({ kind }) => kind === 'finished') ?? run.events[0])?.at.slice(0, 16);
      if (ended === undefined || hoursBetween(ended, now) > LISTED_DAYS * 24) return [];
      const by = addHours(ended, water.withinHours);
      const from = zone.irrigated === false ? now : nextWatering(codes, now);
      return [
        {
          ...wateringOf(zone, water.depthIn),
          ofRun: run,
          zone,
          by,
          isLate: now > by,
          ...(from === undefined || from === now ? {} : { from }),
          isShut: from === undefined || (from > by && now <= by),
        },
      ];
    })
    .sort((a, b) => a.by.localeCompare(b.by));
}
