import type { Measured } from '@core/ground/shape';
import type { Pair } from '@core/reckoning/inputs';

/** Tools in the order of the column; each is a word with its key. */
export const TOOLS = ['select', 'outline', 'rectangle', 'triangle', 'circle', 'ellipse', 'offsets'] as const;
export type Tool = (typeof TOOLS)[number];
/** What is being drawn: the zone's own ground, something cut out of it, water, or a building for finding one's way. */
export type Target = 'zone' | 'cut-out' | 'water' | 'building';

/** Points set so far with a tool, and the shape once there are enough. */
export interface Pointed {
  pending: readonly Pair[];
  shape?: Measured;
}

const box = (a: Pair, b: Pair): { at: Pair; size: Pair } => ({
  at: [Math.min(a[0], b[0]), Math.min(a[1], b[1])],
  size: [Math.abs(a[0] - b[0]), Math.abs(a[1] - b[1])],
});

/** The shape two points make with a tool: corners of a box, or middle and rim of a circle. Undefined where it has no width. */
export function shapeBetween(tool: Tool, a: Pair, b: Pair): Measured | undefined {
  if (tool === 'circle') {
    const radius = Math.hypot(a[0] - b[0], a[1] - b[1]);
    return radius === 0
      ? undefined
      : { ellipse: { lengthFt: 2 * radius, widthFt: 2 * radius }, atFt: [a[0] - radius, a[1] - radius] };
  }
  const { at, size } = box(a, b);
  if (size[0] === 0 || size[1] === 0) return undefined;
  const lengths = { lengthFt: size[0], widthFt: size[1] };
  return tool === 'ellipse' ? { ellipse: lengths, atFt: at } : { rectangle: lengths, atFt: at };
}

/** Takes a point with a tool that needs two; an outline gathers points until it is closed. */
export function pointWith(tool: Tool, pending: readonly Pair[], at: Pair): Pointed {
  if (tool === 'outline') {
    const [first, last] = [pending[0], pending.at(-1)];
    if (last && last[0] === at[0] && last[1] === at[1]) return { pending };
    if (first && pending.length >= 3 && first[0] === at[0] && first[1] === at[1]) return closed(pending);
    return { pending: [...pending, at] };
  }
  const [first] = pending;
  if (!first) return { pending: [at] };
  const shape = shapeBetween(tool, first, at);
  return shape ? { pending: [], shape } : { pending };
}

/** Closes an outline of at least three points. */
export const closed = (pending: readonly Pair[]): Pointed =>
  pending.length >= 3 ? { pending: [], shape: { cornersFt: pending.map((p) => [p[0], p[1]]) } } : { pending };
