import * as yup from 'yup';
import { isRefusal, type Refusal } from '../../core/reckoning/refusal';
import { checkShape, num } from '../../core/records/strict-schema';
import { G_PER_LB } from '../../core/units/conversions';
import { chanceOf } from '../chance';

/**
 * A simulated spreader and a simulated scale, for practising: invented. What is asked of them is a number of the equipment, its opening,
 * the grain and the walk; nothing of a property, a product's name or a person.
 */

const equipment = () => num('Number of the equipment', { min: 0, max: 2 ** 32, integer: true }).required();
const throwSchema = yup.object({
  equipment: equipment(),
  opening: num('Opening', { above: 0, max: 1000, unit: 'on the dial' }).required(),
  /** Mean grain size in hundredths of a millimeter. */
  sizeGuideNumber: num('Size guide number', { min: 20, max: 600 }).optional(),
  speedMph: num('Walking speed', { min: 0.5, max: 10, unit: 'mph' }).required(),
  swathFt: num('Swath', { above: 0, max: 200, unit: 'ft' }).required(),
  distanceFt: num('Strip', { above: 0, max: 10_000, unit: 'ft' }).required(),
  /** Which walk it is: each one scatters anew. */
  walk: num('Walk', { min: 0, max: 100_000, integer: true }).required(),
  trays: num('Trays', { min: 3, max: 41, integer: true }).optional(),
  traySpacingFt: num('Tray spacing', { above: 0, max: 50, unit: 'ft' }).optional(),
  traySqFt: num('Tray', { above: 0, max: 100, unit: 'ft2' }).optional(),
});
type Throw = yup.InferType<typeof throwSchema>;

/** Scatter of one walk beside another. */
const SCATTER = 0.02;
/** Speed at which the gate gives what its opening says, mph. */
const USUAL_MPH = 3;
const USUAL_GRAIN = 210;

/** What falls on 1000 ft2 at an opening, lb: more than in proportion, coarse grain less than fine, a fast walk less than a slow one. */
const rateOf = ({ equipment: number, opening, sizeGuideNumber = USUAL_GRAIN, speedMph }: Throw): number => {
  const chance = chanceOf(number);
  const [first, gain, power] = [chance.between(0.2, 0.9), chance.between(0.22, 0.4), chance.between(1.25, 1.6)];
  return gain * Math.max(0, opening - first) ** power * (USUAL_GRAIN / sizeGuideNumber) ** 0.3 * (USUAL_MPH / speedMph);
};

/** What a catch over the strip weighs, or what lies in each of a row of trays, left to right. */
export function throwSpreader(given: unknown): { caughtLb: number; traysG?: number[] } | Refusal {
  const asked = checkShape<Throw>(throwSchema as yup.Schema<Throw>, given);
  if (isRefusal(asked)) return asked;
  const { equipment: number, swathFt, distanceFt, walk, trays, traySpacingFt, traySqFt } = asked;
  const rate = rateOf(asked);
  const scatter = chanceOf(number ^ Math.imul(walk + 1, 0x9e3779b1));
  const caughtLb = Math.max(0, ((rate * swathFt * distanceFt) / 1000) * (1 + SCATTER * scatter.scatter()));
  if (trays === undefined || traySpacingFt === undefined || traySqFt === undefined) return { caughtLb };
  // most in the middle, thinning out to both sides, a little to one side of it
  const chance = chanceOf(number ^ 0x51ed);
  const [skewFt, reachFt] = [chance.between(-0.5, 0.5), swathFt * chance.between(0.85, 1.1)];
  const at = (tray: number) => (tray - (trays - 1) / 2) * traySpacingFt - skewFt;
  const shares = Array.from({ length: trays }, (_, i) => Math.max(0, 1 - (Math.abs(at(i)) / reachFt) ** 1.8));
  return {
    caughtLb,
    traysG: shares.map((share) =>
      Math.max(0, (rate / 1000) * traySqFt * G_PER_LB * share * (1 + 2 * SCATTER * scatter.scatter())),
    ),
  };
}

const weighSchema = yup.object({
  lb: num('Weight', { min: 0, max: 10_000, unit: 'lb' }).required(),
  reading: num('Reading', { min: 0, max: 100_000, integer: true }).required(),
});
type Weigh = yup.InferType<typeof weighSchema>;
/** The scale's step, lb. */
const STEP_LB = 0.01;

/** What the scale shows: to its step, now and then one step off. */
export function readScale(given: unknown): { lb: number } | Refusal {
  const asked = checkShape<Weigh>(weighSchema as yup.Schema<Weigh>, given);
  if (isRefusal(asked)) return asked;
  const off = chanceOf(Math.round(asked.lb * 1e4) ^ Math.imul(asked.reading + 1, 0x27d4eb2f)).between(-0.7, 0.7);
  return { lb: Math.max(0, Math.round(asked.lb / STEP_LB + off) * STEP_LB) };
}
