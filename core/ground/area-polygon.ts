import { defineReckoning } from '../reckoning/define';
import type { Pair } from '../reckoning/inputs';
import { refuse, type Refusal } from '../reckoning/refusal';
import { findCrossing, onOneLine, sideName } from './crossing';

/** Drops a closing point that repeats the first: both ways of writing an outline mean the same shape. */
export function withoutClosingPoint(points: readonly Pair[]): readonly Pair[] {
  const first = points[0];
  const last = points.at(-1);
  const closed = points.length > 1 && first && last && first[0] === last[0] && first[1] === last[1];
  return closed ? points.slice(0, -1) : points;
}

/** Why an outline is not a shape with one area, or undefined where it is. */
export function refuseOutline(corners: readonly Pair[], field = 'points'): Refusal | undefined {
  const n = corners.length;
  if (n < 3) return refuse(field, `An outline needs at least three corners; ${n} given.`);
  const seen = new Map<string, number>();
  for (const [i, [x, y]] of corners.entries()) {
    // -0 and 0 are one place, and print alike
    const place = `${x}/${y}`;
    const twin = seen.get(place);
    if (twin !== undefined)
      return refuse(field, `Corner ${twin + 1} and corner ${i + 1} are the same point. Remove one of them.`);
    seen.set(place, i);
  }
  if (onOneLine(corners))
    return refuse(field, 'The corners lie on one line, so they enclose nothing. Move one of them.');
  const crossing = findCrossing(corners);
  if (crossing) {
    const { sideA, sideB } = crossing;
    return refuse(
      field,
      `Side ${sideName(sideA, n)} crosses or touches side ${sideName(sideB, n)}. Move a corner so that the outline does not meet itself.`,
    );
  }
  return undefined;
}

/** Signed area, ft2, about the first corner so that far-off coordinates lose no digits. */
function shoelace(corners: readonly Pair[]): number {
  const [x0, y0] = corners[0] as Pair;
  let twice = 0;
  for (let i = 0; i < corners.length; i++) {
    const [xa, ya] = corners[i] as Pair;
    const [xb, yb] = corners[(i + 1) % corners.length] as Pair;
    twice += (xa - x0) * (yb - y0) - (xb - x0) * (ya - y0);
  }
  return twice / 2;
}

/** Area of an outline with straight sides by the shoelace formula, ft2. 30 ft x 40 ft given by its corners is 1200. */
export const polygonArea = defineReckoning({
  id: 'area.polygon',
  title: 'Area of an outline',
  about: 'Area inside a lawn given by its corner points in feet, in order around it, either way round.',
  inputs: { points: { kind: 'pairs', unit: 'ft', label: 'corner points', leastCount: 3 } },
  unit: 'ft2',
  formula: ['area = |sum of (x × y of next − x of next × y)| ÷ 2'],
  sources: [{ cite: 'Shoelace (surveyor’s) formula; Gauss; in any surveying text', standing: 'published' }],
  limits: ['Straight sides only.', 'An outline that crosses or touches itself has no single area and is refused.'],
  example: {
    inputs: {
      points: [
        [0, 0],
        [40, 0],
        [40, 30],
        [0, 30],
      ],
    },
    value: 1200,
  },
  reckon({ points }, work) {
    const corners = withoutClosingPoint(points);
    const wrong = refuseOutline(corners);
    if (wrong) return wrong;
    const doubled = 2 * shoelace(corners);
    work.note('corners', 'corner points in order', corners.length);
    work.note('twice the area', 'sum of (x × y of next − x of next × y)', doubled, 'ft2');
    return work.step('area', 'abs(doubled) ÷ 2', { doubled }, Math.abs(doubled) / 2, 'ft2');
  },
});
