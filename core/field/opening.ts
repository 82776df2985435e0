import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { type Refusal, refuse, isRefusal } from '../reckoning/refusal';

/**
 * Opening of a spreader's gate against the rate it gives. Catches are few and rise, so the curve between them must rise as well and may not
 * swing: a monotone cubic, opening over rate.
 */

/** A catch so near to the wanted rate is good, or near enough, as a share. Common practice. */
const GOOD = 0.05;
const NEAR = 0.1;
/** A guess past the catches stays within these shares of the outermost opening. */
const GUESS = { least: 0.5, most: 1.5 } as const;

interface Catch {
  opening: number;
  rate: number;
}

/** Catches by opening, those of one opening averaged; what cannot be a curve is refused. */
function catchesOf(openings: readonly number[], rates: readonly number[]): Catch[] | Refusal {
  if (openings.length !== rates.length)
    return refuse('rates', `${openings.length} openings and ${rates.length} rates: each catch has one of both.`);
  const byOpening = new Map<number, number[]>();
  openings.forEach((opening, i) => byOpening.set(opening, [...(byOpening.get(opening) ?? []), rates[i] as number]));
  const catches = [...byOpening]
    .map(([opening, of]) => ({ opening, rate: of.reduce((a, b) => a + b, 0) / of.length }))
    .sort((a, b) => a.opening - b.opening);
  for (const [i, { opening, rate }] of catches.entries()) {
    const before = catches[i - 1];
    if (before && rate <= before.rate)
      return refuse(
        'rates',
        `Opening ${opening} gave ${rate} lb product per 1000, and opening ${before.opening} gave ${before.rate} lb product per 1000: a wider gate gives more. Catch one of them again.`,
      );
  }
  return catches;
}

const sameSign = (a: number, b: number): boolean => a * b > 0;

/** Slope at an end from its two secants, held so that the curve neither turns nor runs away. */
function endSlope(h0: number, h1: number, d0: number, d1: number): number {
  const slope = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1);
  if (!sameSign(slope, d0)) return 0;
  return !sameSign(d0, d1) && Math.abs(slope) > 3 * Math.abs(d0) ? 3 * d0 : slope;
}

/**
 * Value at `at` of the monotone cubic through points with rising x.
 *
 * @source Fritsch and Butland 1984, SIAM J. Sci. Stat. Comput. 5:300-304
 * @example monotoneCubic([0, 1, 2], [0, 1, 4], 1) // 1
 */
export function monotoneCubic(xs: readonly number[], ys: readonly number[], at: number): number {
  const n = xs.length;
  const x = (i: number) => xs[i] as number;
  const y = (i: number) => ys[i] as number;
  const h = Array.from({ length: n - 1 }, (_, i) => x(i + 1) - x(i));
  const secant = h.map((step, i) => (y(i + 1) - y(i)) / step);
  const of = (list: readonly number[], i: number) => list[i] as number;
  const slopes = xs.map((_, i) => {
    if (n === 2) return of(secant, 0);
    if (i === 0) return endSlope(of(h, 0), of(h, 1), of(secant, 0), of(secant, 1));
    if (i === n - 1) return endSlope(of(h, n - 2), of(h, n - 3), of(secant, n - 2), of(secant, n - 3));
    const [left, right] = [of(secant, i - 1), of(secant, i)];
    if (!sameSign(left, right)) return 0;
    const [w1, w2] = [2 * of(h, i) + of(h, i - 1), of(h, i) + 2 * of(h, i - 1)];
    return (w1 + w2) / (w1 / left + w2 / right);
  });
  const i = Math.min(
    n - 2,
    Math.max(
      0,
      xs.findLastIndex((each) => each <= at),
    ),
  );
  const step = of(h, i);
  const t = (at - x(i)) / step;
  return (
    y(i) * (1 + 2 * t) * (1 - t) ** 2 +
    step * of(slopes, i) * t * (1 - t) ** 2 +
    y(i + 1) * t * t * (3 - 2 * t) +
    step * of(slopes, i + 1) * t * t * (t - 1)
  );
}

const openings = (leastCount: number) => ({
  kind: 'numbers' as const,
  unit: 'on the dial',
  label: 'openings that were caught',
  leastCount,
  min: 0,
});
const rates = (leastCount: number) => ({
  kind: 'numbers' as const,
  unit: 'lb product/1000 ft2',
  label: 'rates that they gave',
  leastCount,
  min: 0,
});
const target = () => quantity('lb product')('rate wanted per 1000 ft2', { above: 0, max: 1000 });

/** The opening for a rate, by the catches. 3 4 5 gave 1 2 3: for 2.5 the gate is at 4.5. */
export const spreaderOpening = defineReckoning({
  id: 'spread.opening',
  title: 'Opening for a rate',
  about:
    'Several catches make a curve of the spreader for one product and one person; it answers between them, never beyond.',
  inputs: { openings: openings(2), rates: rates(2), targetLb: target() },
  unit: 'opening: on the dial; lbPerUnit: lb product / 1000 ft2 to a step of the dial',
  formula: ['monotone cubic of the opening over the rate', 'two catches: a straight line'],
  sources: [
    { cite: 'Fritsch and Butland 1984, SIAM J. Sci. Stat. Comput. 5:300-304 (monotone cubic)', standing: 'published' },
  ],
  limits: ['Catches of one opening are averaged.', 'Not beyond the outermost catches: catch there first.'],
  example: {
    inputs: { openings: [3, 4, 5], rates: [1, 2, 3], targetLb: 2.5 },
    value: { opening: 4.5, lbPerUnit: 1 },
  },
  reckon({ openings: given, rates: gave, targetLb }, work) {
    const catches = catchesOf(given, gave);
    if (isRefusal(catches)) return catches;
    const [first, last] = [catches[0], catches.at(-1)];
    if (!first || !last || catches.length < 2)
      return refuse('openings', 'All catches are at one opening: catch at another one as well.');
    if (targetLb < first.rate - 1e-12 || targetLb > last.rate + 1e-12)
      return refuse(
        'targetLb',
        `The catches go from ${first.rate} to ${last.rate} lb product per 1000; ${targetLb} lb product per 1000 is beyond them. Catch at ${targetLb < first.rate ? 'a smaller opening than' : 'a larger opening than'} ${targetLb < first.rate ? first.opening : last.opening}.`,
      );
    const xs = catches.map(({ rate }) => rate);
    const opening = monotoneCubic(
      xs,
      catches.map((each) => each.opening),
      targetLb,
    );
    work.note(
      'opening',
      `curve of ${catches.length} catches at ${targetLb} lb product per 1000`,
      opening,
      'on the dial',
    );
    const at = Math.min(
      catches.length - 2,
      Math.max(
        0,
        xs.findLastIndex((rate) => rate <= targetLb + 1e-12),
      ),
    );
    const [low, high] = [catches[at] as Catch, catches[at + 1] as Catch];
    const lbPerUnit = work.step(
      'a step of the dial',
      '(upper − lower) ÷ (wider − narrower)',
      { upper: high.rate, lower: low.rate, wider: high.opening, narrower: low.opening },
      (high.rate - low.rate) / (high.opening - low.opening),
      'lb product',
    );
    return { opening, lbPerUnit };
  },
});

/** Where to set the gate next. 4 gave 2 where 1.8 is wanted: 3.6, and catch again. */
export const nextOpening = defineReckoning({
  id: 'spread.next-opening',
  title: 'Next opening to try',
  about: 'After each catch: how far it is off, and the opening that should come nearer.',
  inputs: { openings: openings(1), rates: rates(1), targetLb: target() },
  unit: 'ratio: of the rate wanted; opening: on the dial; standing: word',
  formula: [
    'ratio = last rate ÷ wanted',
    'one catch: opening × wanted ÷ rate; more: their curve, beyond them the line of the two outermost',
  ],
  sources: [{ cite: 'Within 5 % good, within 10 % near enough', standing: 'common practice' }],
  limits: ['A guess past the catches stays between half and one and a half of the outermost opening.'],
  example: {
    inputs: { openings: [4], rates: [2], targetLb: 1.8 },
    value: { ratio: 2 / 1.8, opening: 3.6, standing: 'again' },
  },
  reckon({ openings: given, rates: gave, targetLb }, work) {
    const lastRate = gave.at(-1) ?? 0;
    const ratio = work.step(
      'ratio',
      'lastRate ÷ targetLb',
      { lastRate, targetLb },
      lastRate / targetLb,
      'of the rate wanted',
    );
    const off = Math.abs(ratio - 1);
    const standing = off <= GOOD + 1e-9 ? 'good' : off <= NEAR + 1e-9 ? 'near' : 'again';
    if (ratio > 2 || ratio < 0.5)
      work.caution(
        'More than twice or less than half of what is wanted: look first. Gate stuck, damp product, strip measured wrong, ounces typed as pounds?',
      );
    const catches = catchesOf(given, gave);
    if (isRefusal(catches)) return catches;
    const [first, last] = [catches[0] as Catch, catches.at(-1) as Catch];
    const said = (opening: number) => {
      work.note(
        'opening',
        catches.length === 1 ? 'in proportion' : `by ${catches.length} catches`,
        opening,
        'on the dial',
      );
      return { ratio, opening, standing };
    };
    if (catches.length === 1) {
      if (first.rate === 0)
        return refuse(
          'rates',
          'Nothing was caught: is the hopper empty or the gate shut? Open it wider and catch again.',
        );
      return said((first.opening * targetLb) / first.rate);
    }
    if (targetLb >= first.rate && targetLb <= last.rate)
      return said(
        monotoneCubic(
          catches.map(({ rate }) => rate),
          catches.map(({ opening }) => opening),
          targetLb,
        ),
      );
    const [near, other] =
      targetLb < first.rate ? [first, catches[1] as Catch] : [last, catches[catches.length - 2] as Catch];
    const line = near.opening + ((targetLb - near.rate) * (near.opening - other.opening)) / (near.rate - other.rate);
    return said(Math.min(GUESS.most * near.opening, Math.max(GUESS.least * near.opening, line)));
  },
});

/** The rate that the curve is entered at, so that the hopper runs empty at the end of this shape. 10 lb on 500 ft at 8 ft: 2.5. */
export const settingRate = defineReckoning({
  id: 'spread.setting-rate',
  title: 'Rate to set for this shape',
  about:
    'A spreader lays the same to every foot it walks, overlaps and turns included: the gate is set by the feet, not by the area.',
  inputs: {
    productLb: quantity('lb product')('product in all', { min: 0, max: 1_000_000 }),
    spreadFt: quantity('ft')('feet walked with the gate open', { above: 0, max: 10_000_000 }),
    swathFt: quantity('ft')('swath', { above: 0, max: 200 }),
  },
  unit: 'lb product / 1000 ft2',
  formula: ['rate = product ÷ (feet × swath) × 1000'],
  sources: [{ cite: 'Definition of a rate over what is walked', standing: 'common practice' }],
  limits: ['More than 15 % off the planned rate: the zone is narrow, and much of it is passed twice.'],
  example: { inputs: { productLb: 10, spreadFt: 500, swathFt: 8 }, value: 2.5 },
  reckon: ({ productLb, spreadFt, swathFt }, work) =>
    work.step(
      'rate',
      'productLb ÷ (spreadFt × swathFt) × 1000',
      { productLb, spreadFt, swathFt },
      (productLb / (spreadFt * swathFt)) * 1000,
      'lb product',
    ),
});
