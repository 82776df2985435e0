import type { MeasuredBy } from '../records/vocabularies';
import { defineReckoning } from '../reckoning/define';
import { feet, type Pair, percent, squareFeet } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';

/** Likely error of an area by the way it was measured, percent. Common practice: tape 1, wheel 2 to 3, pacing 5 to 10; for a plan an estimate of ours. */
export const ERROR_PERCENT: Record<Exclude<MeasuredBy, 'walk'>, number> = { tape: 1, wheel: 2.5, pacing: 7.5, plan: 2 };
/** Scatter of one position of a walked track, ft. Common practice for a phone under open sky. */
export const WALK_SIGMA_FT = 5;

/** Likely error of an area, ft2 either way. 6,480 ft2 by wheel, 2.5 %: 162. */
export const areaError = defineReckoning({
  id: 'area.error',
  title: 'Likely error of an area',
  about: 'What the way of measuring may be off, as a share of the area.',
  inputs: {
    areaSqFt: squareFeet('area', { above: 0, max: 5e7 }),
    errorPercent: percent('likely error of the method'),
  },
  unit: 'ft2',
  formula: ['error = area × percent ÷ 100'],
  sources: [{ cite: 'Common practice: tape about 1 %, wheel 2-3 %, pacing 5-10 %', standing: 'common practice' }],
  limits: ['A mistake, such as a side left out, is not a likely error.'],
  example: { inputs: { areaSqFt: 6480, errorPercent: 2.5 }, value: 162 },
  reckon: ({ areaSqFt, errorPercent }, work) =>
    work.step(
      'error',
      'areaSqFt × errorPercent ÷ 100',
      { areaSqFt, errorPercent },
      (areaSqFt * errorPercent) / 100,
      'ft2',
    ),
});

/**
 * Likely error of a walked area, ft2: each position is off by sigma in both directions, independently. Half of sigma times
 * the root of the summed squares of the distances between a point's two neighbours. A 100 ft square, four points, 5 ft: 707.
 */
export const walkedError = defineReckoning({
  id: 'area.walked-error',
  title: 'Likely error of a walked area',
  about: 'How far an area from a position track may be off when every position scatters by itself.',
  inputs: {
    points: { kind: 'pairs', unit: 'ft', label: 'positions on the sheet', leastCount: 3 },
    sigmaFt: feet('scatter of one position', { min: 0, max: 200 }),
  },
  unit: 'ft2',
  formula: ['error = sigma ÷ 2 × root of the sum of (distance between the neighbours of each point)²'],
  sources: [{ cite: 'Propagation of independent errors through the shoelace formula', standing: 'published' }],
  limits: ['Positions of one walk drift together, so that a small lawn may be better than this and never worse.'],
  example: {
    inputs: {
      points: [
        [0, 0],
        [100, 0],
        [100, 100],
        [0, 100],
      ],
      sigmaFt: 5,
    },
    value: 2.5 * Math.sqrt(80_000),
  },
  reckon({ points, sigmaFt }, work) {
    if (points.length < 3) return refuse('points', 'A walk needs at least three positions.');
    const at = (i: number) => points[(i + points.length) % points.length] as Pair;
    const squares = points.reduce((sum, _, i) => {
      const [a, b] = [at(i - 1), at(i + 1)];
      return sum + (b[0] - a[0]) ** 2 + (b[1] - a[1]) ** 2;
    }, 0);
    work.note('squared diagonals', 'sum over all positions', squares, 'ft2');
    return work.step(
      'error',
      'sigmaFt ÷ 2 × sqrt(squares)',
      { sigmaFt, squares },
      (sigmaFt / 2) * Math.sqrt(squares),
      'ft2',
    );
  },
});

/** Errors of parts measured apart add as the root of their squares: 160, 110 and 60 give 203. */
export const errorsTogether = (errors: readonly number[]): number => Math.hypot(...errors);
