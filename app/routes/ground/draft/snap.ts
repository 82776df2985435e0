import type { Pair } from '@core/reckoning/inputs';
import { type Units, usUnits } from '../../../ui/format';

/** What a point was drawn to, for the sign on the sheet and the word beside it. */
export interface Snapped {
  at: Pair;
  to?: 'corner' | 'side' | 'right angle' | 'whole feet';
}
export interface SnapSwitches {
  corners: boolean;
  rightAngles: boolean;
  wholeFeet: boolean;
  /** What counts as whole, ft: a foot where none is given. */
  stepFt?: number;
}

const distance = (a: Pair, b: Pair): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** Foot of the plumb line from a point to a side, kept between its ends. */
function onSide(point: Pair, a: Pair, b: Pair): Pair {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const square = dx * dx + dy * dy;
  const t = square === 0 ? 0 : Math.min(1, Math.max(0, ((point[0] - a[0]) * dx + (point[1] - a[1]) * dy) / square));
  return [a[0] + t * dx, a[1] + t * dy];
}

/** The point on the line through `start` at a right angle to the side before it (or along the sheet) nearest to `point`. */
function squared(point: Pair, start: Pair, before: Pair | undefined): Pair {
  const [ux, uy] = before ? [start[0] - before[0], start[1] - before[1]] : [1, 0];
  const size = Math.hypot(ux, uy) || 1;
  const [dx, dy] = [point[0] - start[0], point[1] - start[1]];
  const along = (dx * ux + dy * uy) / size;
  const across = (-dx * uy + dy * ux) / size;
  return Math.abs(across) >= Math.abs(along)
    ? [start[0] - (across * uy) / size, start[1] + (across * ux) / size]
    : [start[0] + (along * ux) / size, start[1] + (along * uy) / size];
}

/**
 * Where a point goes: to a corner, to a side, to a right angle with the side before, or to whole feet, whichever comes first
 * within `reachFt`. Without any of them the point stands where it is.
 */
export function snap(
  point: Pair,
  reachFt: number,
  switches: SnapSwitches,
  outlines: readonly (readonly Pair[])[],
  start?: Pair,
  before?: Pair,
): Snapped {
  const step = switches.stepFt ?? 1;
  const whole = (value: number): number => Math.round(value / step) * step;
  if (switches.corners) {
    const corners = outlines.flat();
    const near = corners.reduce<Pair | undefined>(
      (best, c) => (distance(c, point) <= reachFt && (!best || distance(c, point) < distance(best, point)) ? c : best),
      undefined,
    );
    if (near) return { at: near, to: 'corner' };
  }
  const square = switches.rightAngles && start ? squared(point, start, before) : undefined;
  if (square && start && distance(square, point) <= reachFt) {
    const length = distance(square, start);
    const even = switches.wholeFeet && length > 0 ? whole(length) / length : 1;
    return {
      at: [start[0] + (square[0] - start[0]) * even, start[1] + (square[1] - start[1]) * even],
      to: 'right angle',
    };
  }
  if (switches.corners)
    for (const outline of outlines)
      for (const [i, a] of outline.entries()) {
        const foot = onSide(point, a, outline[(i + 1) % outline.length] as Pair);
        if (distance(foot, point) <= reachFt) return { at: foot, to: 'side' };
      }
  if (switches.wholeFeet) return { at: [whole(point[0]), whole(point[1])], to: 'whole feet' };
  return { at: point };
}

/** A point to the millionth of a foot, so that 40 ft due east is 40 and not 39.999999999999996. */
export const settled = ([x, y]: Pair): Pair => [Math.round(x * 1e6) / 1e6, Math.round(y * 1e6) / 1e6];

/** Reads a corner as typed: `84 ft @ 92°` from the last one (0 is up the sheet, clockwise), or `166, 88` on the sheet. */
export function cornerFromText(text: string, start: Pair | undefined, units: Units = usUnits): Pair | undefined {
  const feet = (figures: string) => Number(figures) / units.inShown('length', 1);
  const bare = units
    .withPoints(text)
    .trim()
    .replace(/[°']/g, '')
    .replace(/\b(?:ft|m)\b/g, '');
  const polar = /^([\d.]+)\s*@\s*(-?[\d.]+)$/.exec(bare);
  if (polar && start) {
    const [length, degrees] = [feet(polar[1] as string), Number(polar[2])];
    const turn = (degrees * Math.PI) / 180;
    const to = settled([start[0] + length * Math.sin(turn), start[1] - length * Math.cos(turn)]);
    return to.every(Number.isFinite) ? to : undefined;
  }
  const plain = /^(-?[\d.]+)\s*[,; ]\s*(-?[\d.]+)$/.exec(bare);
  const at: Pair | undefined = plain ? settled([feet(plain[1] as string), feet(plain[2] as string)]) : undefined;
  return at?.every(Number.isFinite) ? at : undefined;
}
