import Flatbush from 'flatbush';
import { orient2d } from 'robust-predicates';
import type { Pair } from '../reckoning/inputs';

/** Two sides of an outline that meet where they should not; each number is the side's first corner. */
export interface Crossing {
  sideA: number;
  sideB: number;
}

/** Letters for corners, as on the drawing sheet: a, b, ... z, then a1, b1. */
export const cornerLetter = (index: number): string =>
  String.fromCharCode(97 + (index % 26)) + (index >= 26 ? String(Math.floor(index / 26)) : '');

/** "a to b" for the side that starts at corner `index` of an outline with `count` corners. */
export const sideName = (index: number, count: number): string =>
  `${cornerLetter(index)} to ${cornerLetter((index + 1) % count)}`;

const within = (p: Pair, q: Pair, r: Pair): boolean =>
  Math.min(p[0], q[0]) <= r[0] &&
  r[0] <= Math.max(p[0], q[0]) &&
  Math.min(p[1], q[1]) <= r[1] &&
  r[1] <= Math.max(p[1], q[1]);

const side = (p: Pair, q: Pair, r: Pair): number => Math.sign(orient2d(p[0], p[1], q[0], q[1], r[0], r[1]));

/** Whether all corners lie on one straight line. A bow tie encloses nothing on balance, but is not on a line. */
export const onOneLine = (points: readonly Pair[]): boolean =>
  points.every((point) => side(points[0] as Pair, points[1] as Pair, point) === 0);

/** Whether two closed segments share a point, touching included. Exact signs, so nearly parallel sides are judged right. */
function segmentsMeet(p1: Pair, p2: Pair, q1: Pair, q2: Pair): boolean {
  const d1 = side(q1, q2, p1);
  const d2 = side(q1, q2, p2);
  const d3 = side(p1, p2, q1);
  const d4 = side(p1, p2, q2);
  if (d1 * d2 < 0 && d3 * d4 < 0) return true;
  return (
    (d1 === 0 && within(q1, q2, p1)) ||
    (d2 === 0 && within(q1, q2, p2)) ||
    (d3 === 0 && within(p1, p2, q1)) ||
    (d4 === 0 && within(p1, p2, q2))
  );
}

/** Whether the side after a corner folds back over the side before it. */
function foldsBack(before: Pair, corner: Pair, after: Pair): boolean {
  if (side(before, corner, after) !== 0) return false;
  return (before[0] - corner[0]) * (after[0] - corner[0]) + (before[1] - corner[1]) * (after[1] - corner[1]) > 0;
}

/** The first pair of sides that cross, touch or run back over each other, or undefined for a simple outline. */
export function findCrossing(points: readonly Pair[]): Crossing | undefined {
  const n = points.length;
  const at = (i: number): Pair => points[i % n] as Pair;
  const near = nearbySides(points);
  for (let i = 0; i < n; i++) {
    if (foldsBack(at(i), at(i + 1), at(i + 2))) return { sideA: i, sideB: (i + 1) % n };
    for (const j of near(i)) {
      if (i === 0 && j === n - 1) continue;
      if (segmentsMeet(at(i), at(i + 1), at(j), at(j + 1))) return { sideA: i, sideB: j };
    }
  }
  return undefined;
}

/** Outlines of up to so many corners are looked through side by side; an index pays beyond. */
const FEW_SIDES = 60;

/** Of each side those after the next that could meet it, in order: all of few, those of overlapping boxes among many. */
function nearbySides(points: readonly Pair[]): (side: number) => readonly number[] {
  const n = points.length;
  if (n <= FEW_SIDES) return (i) => Array.from({ length: Math.max(0, n - i - 2) }, (_, k) => i + 2 + k);
  const box = (i: number): [number, number, number, number] => {
    const [p, q] = [points[i] as Pair, points[(i + 1) % n] as Pair];
    return [Math.min(p[0], q[0]), Math.min(p[1], q[1]), Math.max(p[0], q[0]), Math.max(p[1], q[1])];
  };
  const index = new Flatbush(n);
  for (let i = 0; i < n; i++) index.add(...box(i));
  index.finish();
  return (i) => index.search(...box(i), (j) => j >= i + 2).sort((a, b) => a - b);
}
