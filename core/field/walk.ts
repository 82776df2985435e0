import type { Region } from '../ground/clip';
import type { Pair } from '../reckoning/inputs';
import { evaluate } from '../reckoning/define';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import type { LAYING_SCHOOLS } from '../records/case';
import type { Spreader } from '../records/spreader-schema';
import { hopperLoads } from './hopper';
import { settingRate } from './opening';
import { bestBearing, type Stripes, stripesOf, walkTime } from './passes';

export type LayingSchool = (typeof LAYING_SCHOOLS)[number];

/** How a dose is laid down: how often the ground is walked, and in which directions. */
const PASSES: Record<LayingSchool, readonly ('along' | 'across')[]> = {
  'two-directions': ['along', 'across'],
  'four-light': ['along', 'across', 'along', 'across'],
  'one-direction': ['along'],
};

/** What one walks with. */
export interface Gear {
  swathFt: number;
  hopperLb?: number;
  school: LayingSchool;
  speedMph: number;
  headerLaps: 0 | 1 | 2;
  /** Of the first direction, where a person turned it. */
  bearingDeg?: number;
}

/** What is walked with where nothing was said. Common practice. */
export const USUAL_GEAR: Gear = { swathFt: 6, school: 'two-directions', speedMph: 3, headerLaps: 1 };

/** What the kit knows of a spreader, as it is walked with. */
export const gearOf = ({ swathFt, hopperLb }: Pick<Spreader, 'swathFt' | 'hopperLb'>): Partial<Gear> => ({
  ...(swathFt === undefined ? {} : { swathFt }),
  ...(hopperLb === undefined ? {} : { hopperLb }),
});

/** One time over the ground. */
export interface Round {
  stripes: Stripes;
  /** Its part of the weigh-out, whole steps of the scale, lb product. */
  shareLb: number;
  /** What the gate is set by, lb product/1000 ft2. */
  settingLb: number;
  minutes: number;
  /** Feet of each stretch with the gate open: laps, then runs. */
  stretchesFt: number[];
  /** Loads of the hopper, where its size is known and it takes them. */
  loads?: { loadLb: readonly number[]; stopAfterRun: readonly number[] };
  loadsRefused?: string;
}
export interface Walk {
  /** A zone whose area was only typed is walked as a square of it. */
  asSquare: boolean;
  region: Region;
  rounds: Round[];
}

/** Steps of the scale to a pound. */
const STEPS_A_LB = 10;

/**
 * A weigh-out in equal parts of whole steps of the scale, which add up to it.
 *
 * @example sharesOf(11.5, 2) // [5.8, 5.7]
 */
export function sharesOf(lb: number, parts: number): number[] {
  const steps = Math.round(lb * STEPS_A_LB);
  const each = Math.floor(steps / parts);
  // ten steps to the pound: dividing keeps 5.8 from becoming 5.800000000000001
  return Array.from({ length: parts }, (_, i) => (each + (i < steps % parts ? 1 : 0)) / STEPS_A_LB);
}

const squareOf = (areaSqFt: number): Region => {
  const side = Math.sqrt(areaSqFt);
  return [
    [
      [0, 0],
      [side, 0],
      [side, side],
      [0, side],
    ],
  ];
};

/** How a zone is walked with a gear: directions, shares, loads. Refused where the swath cannot be walked. */
export function walkOf(
  fed: Region,
  areaSqFt: number,
  productLb: number,
  { swathFt, hopperLb, school, speedMph, headerLaps, bearingDeg }: Gear,
): Walk | Refusal {
  const asSquare = fed.length === 0;
  const region = asSquare ? squareOf(areaSqFt) : fed;
  const along = bearingDeg ?? bestBearing(region, { swathFt, headerLaps });
  const ways = PASSES[school];
  const shares = sharesOf(productLb, ways.length);
  const rounds: Round[] = [];
  for (const [i, way] of ways.entries()) {
    const stripes = stripesOf(region, { swathFt, headerLaps, bearingDeg: (along + (way === 'across' ? 90 : 0)) % 360 });
    if (isRefusal(stripes)) return stripes;
    const stretchesFt = [...stripes.laps.map(feetOf), ...stripes.runs.map(({ feet }) => feet)];
    const spreadFt = stretchesFt.reduce((a, b) => a + b, 0);
    const shareLb = shares[i] as number;
    const setting = spreadFt > 0 ? evaluate(settingRate, { productLb: shareLb, spreadFt, swathFt }) : 0;
    const minutes = evaluate(walkTime, { walkFt: stripes.walkFt, speedMph, turns: stripes.runs.length });
    const loads =
      hopperLb === undefined || spreadFt === 0
        ? undefined
        : evaluate(hopperLoads, { productLb: shareLb, hopperLb, runsFt: stretchesFt, returnEvery: 1 });
    rounds.push({
      stripes,
      shareLb,
      settingLb: isRefusal(setting) ? 0 : setting,
      minutes: isRefusal(minutes) ? 0 : minutes,
      stretchesFt,
      ...(loads === undefined ? {} : isRefusal(loads) ? { loadsRefused: loads.refused } : { loads }),
    });
  }
  return { asSquare, region, rounds };
}

const feetOf = (ring: readonly Pair[]): number =>
  ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length] as Pair;
    return sum + Math.hypot(nx - x, ny - y);
  }, 0);
