import { daysBetween, type IsoDay } from '../days/day';
import type { Catch, Spreader } from '../records/spreader-schema';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { trimmed } from '../words/numbers';
import { nextOpening, spreaderOpening } from './opening';
import { spreaderCalibration } from './spreader';

/** Where a spreader's gate is set for a product, by what it gave; how sure that is, and which catch would make it surer. */

/** So old a catch is made once more, days. Common practice. */
const FRESH_DAYS = 90;
/** Catches at so many openings make a curve. Common practice: three. */
const OPENINGS_OF_A_CURVE = 3;

/** What the gate is set for. */
export interface GateWanted {
  productId: string;
  /** lb product/1000 ft2 of one pass. */
  targetLb: number;
  today: IsoDay;
  operator?: string;
  lot?: string;
}

export interface Gate {
  /** No catch yet; one opening only; two; three and more; or a rate outside of what was caught. */
  standing: 'none' | 'guess' | 'line' | 'curve' | 'beyond';
  catches: readonly (Catch & { rateLb: number })[];
  /** On the dial, where it is known or guessed: unrounded, then to the dial's step. */
  opening?: number;
  set?: number;
  /** What the set step gives, lb product/1000 ft2, where a line or curve says so. */
  setRateLb?: number;
  /** Catches that contradict each other. */
  refused?: string;
  /** Why a catch should be made again, a sentence each. */
  doubts: string[];
}

/** The rate that a catch stands for, lb product/1000 ft2. 1.5 lb over 6 ft × 100 ft is 2.5. */
export function rateOfCatch({
  caughtLb,
  swathFt,
  distanceFt,
}: Pick<Catch, 'caughtLb' | 'swathFt' | 'distanceFt'>): number {
  const rate = evaluate(spreaderCalibration, { caughtLb, swathFt, distanceFt });
  return isRefusal(rate) ? 0 : rate;
}

/** Catches by rising opening, those of one opening averaged: the points that a curve goes through. */
export function averaged(
  catches: readonly { opening: number; rateLb: number }[],
): { opening: number; rateLb: number }[] {
  const openings = [...new Set(catches.map(({ opening }) => opening))].sort((a, b) => a - b);
  return openings.map((opening) => {
    const rates = catches.filter((each) => each.opening === opening).map(({ rateLb }) => rateLb);
    return { opening, rateLb: rates.reduce((a, b) => a + b, 0) / rates.length };
  });
}

/** A spreader without one catch of a product, by its place among those. */
export function withoutCatch(spreader: Spreader, productId: string, place: number): Spreader {
  const catches = spreader.catches ?? [];
  const one = catches.filter((each) => each.productId === productId)[place];
  return { ...spreader, catches: catches.filter((each) => each !== one) };
}

/** Why the catches of a spreader should not be taken as they are. */
function doubtsOf(catches: readonly Catch[], { today, operator, lot }: GateWanted): string[] {
  const says: string[] = [];
  const newest = catches
    .map(({ on }) => on)
    .sort()
    .at(-1);
  const age = newest === undefined ? 0 : daysBetween(newest, today);
  if (age > FRESH_DAYS) says.push(`The newest catch is ${age} days old: catch once more.`);
  const others = [
    ...new Set(
      catches.flatMap((each) => (each.operator && operator && each.operator !== operator ? [each.operator] : [])),
    ),
  ];
  if (others.length > 0) says.push(`Caught by ${others.join(' and ')}: another stride gives another rate.`);
  if (lot !== undefined && catches.some((each) => each.lot !== undefined && each.lot !== lot))
    says.push('Another lot was caught: grains differ from lot to lot.');
  return says;
}

/**
 * The gate of a spreader for a product, by its catches: from three openings a curve, from two a line, from one a guess in proportion.
 *
 * @example one catch at 4 that gave 2 lb, 1.8 lb wanted: a guess of 3.6
 */
export function gateFor({ catches = [], dialStep }: Spreader, wanted: GateWanted): Gate {
  const mine = catches
    .filter(({ productId }) => productId === wanted.productId)
    .map((each) => ({ ...each, rateLb: rateOfCatch(each) }));
  const doubts = doubtsOf(mine, wanted);
  if (mine.length === 0) return { standing: 'none', catches: [], doubts };
  const openings = mine.map(({ opening }) => opening);
  const rates = mine.map(({ rateLb }) => rateLb);
  const { targetLb } = wanted;
  const toStep = (opening: number) => Math.max(0, Math.round(opening / dialStep) * dialStep);
  const different = new Set(openings).size;
  const curve = different < 2 ? undefined : evaluate(spreaderOpening, { openings, rates, targetLb });
  if (curve && !isRefusal(curve)) {
    const set = toStep(curve.opening);
    return {
      standing: different >= OPENINGS_OF_A_CURVE ? 'curve' : 'line',
      catches: mine,
      opening: curve.opening,
      set,
      setRateLb: targetLb + (set - curve.opening) * curve.lbPerUnit,
      doubts,
    };
  }
  const next = evaluate(nextOpening, { openings, rates, targetLb });
  if (isRefusal(next)) return { standing: 'guess', catches: mine, refused: next.refused, doubts };
  return {
    standing: different < 2 ? 'guess' : 'beyond',
    catches: mine,
    opening: next.opening,
    set: toStep(next.opening),
    doubts,
  };
}

const OF_STANDING: Record<'guess' | 'line' | 'curve' | 'beyond', string> = {
  guess: 'a guess from one opening: catch there before the lawn',
  line: 'a line through two openings: a third makes it sure',
  curve: 'by its curve',
  beyond: 'beyond what was caught, a guess: catch there first',
};

/** How sure an opening is, in words: 'a guess from one opening: catch there before the lawn'. */
export const gateSays = ({ standing, setRateLb }: Gate, targetLb: number): string => {
  if (standing === 'none') return 'no catch of this product yet';
  const off = setRateLb === undefined ? 0 : (setRateLb / targetLb - 1) * 100;
  const step =
    Math.abs(off) < 0.5
      ? ''
      : `, the step of the dial makes it ${trimmed(Math.abs(off), 1)} % ${off > 0 ? 'over' : 'under'}`;
  return `${OF_STANDING[standing]}${step}`;
};
