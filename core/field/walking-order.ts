import type { Pair } from '../reckoning/inputs';

/** The order in which zones of one sheet are walked: the shortest way from the north-western one. */

/** Up to so many zones the way is the shortest there is; beyond that each next one is the nearest. */
const MOST_EXACT = 9;

export interface Place {
  id: string;
  /** Corners on the sheet, ft east and south; empty where nobody drew them. */
  corners: readonly Pair[];
}

const distance = ([ax, ay]: Pair, [bx, by]: Pair): number => Math.hypot(bx - ax, by - ay);

/** Middle of the frame around an outline: near enough to say which lawn comes next. */
function middleOf(corners: readonly Pair[]): Pair {
  const middle = (along: 0 | 1) => {
    const all = corners.map((corner) => corner[along]);
    return (Math.min(...all) + Math.max(...all)) / 2;
  };
  return [middle(0), middle(1)];
}

interface Stop {
  id: string;
  at: Pair;
}

/** Length of the shortest way through all that are left, and the way. */
function shortest(from: Stop, left: readonly Stop[]): { feet: number; way: Stop[] } {
  if (left.length === 0) return { feet: 0, way: [] };
  let best: { feet: number; way: Stop[] } = { feet: Infinity, way: [] };
  for (const next of left) {
    const step = distance(from.at, next.at);
    if (step >= best.feet) continue;
    const rest = shortest(
      next,
      left.filter((each) => each !== next),
    );
    if (step + rest.feet < best.feet) best = { feet: step + rest.feet, way: [next, ...rest.way] };
  }
  return best;
}

function nearestNext(from: Stop, left: readonly Stop[]): Stop[] {
  if (left.length === 0) return [];
  const next = left.reduce((best, each) => (distance(from.at, each.at) < distance(from.at, best.at) ? each : best));
  return [
    next,
    ...nearestNext(
      next,
      left.filter((each) => each !== next),
    ),
  ];
}

/**
 * Ids in the order of the walk; what nobody drew comes last, as it was given.
 *
 * @example walkingOrder([{ id: 'b', corners: square(50) }, { id: 'a', corners: square(0) }]) // ['a', 'b']
 */
export function walkingOrder(places: readonly Place[]): string[] {
  const drawn = places.filter(({ corners }) => corners.length >= 3);
  const stops = drawn.map(({ id, corners }): Stop => ({ id, at: middleOf(corners) }));
  const [first] = [...stops].sort((a, b) => a.at[0] + a.at[1] - (b.at[0] + b.at[1]));
  if (!first) return places.map(({ id }) => id);
  const others = stops.filter((each) => each !== first);
  const way = stops.length <= MOST_EXACT ? shortest(first, others).way : nearestNext(first, others);
  const undrawn = places.filter(({ corners }) => corners.length < 3);
  return [first, ...way, ...undrawn].map(({ id }) => id);
}
