import { type Region, regionArea, shrunk } from '../ground/clip';
import type { Pair } from '../reckoning/inputs';

/** No core nearer to an edge than this, ft: edges are trodden, limed by walls and salted by drives. Common practice. */
export const EDGE_FT = 3;

const SLICES = 240;
/** Where across the lawn the cores of a zigzag lie, in turn: one bank, the middle, the other bank, the middle. */
const ACROSS = [0.86, 0.5, 0.14, 0.5];
const CHOICES = [0.06, 0.14, 0.26, 0.38, 0.5, 0.62, 0.74, 0.86, 0.94];

const turned = ([x, y]: Pair, cos: number, sin: number): Pair => [x * cos + y * sin, y * cos - x * sin];

/** Direction of the longest side, radians: the zigzag runs along it. */
function grain(corners: readonly Pair[]): number {
  let [longest, angle] = [-1, 0];
  for (const [i, a] of corners.entries()) {
    const b = corners[(i + 1) % corners.length] as Pair;
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (length > longest + 1e-9) [longest, angle] = [length, Math.atan2(b[1] - a[1], b[0] - a[0])];
  }
  // from left to right, whichever way round the outline was drawn
  return Math.cos(angle) < -1e-9 || (Math.abs(Math.cos(angle)) <= 1e-9 && angle < 0) ? angle + Math.PI : angle;
}

/** Stretches of a level line that lie inside, as pairs of positions along it. */
function crossSection(region: Region, u: number): [number, number][] {
  const cuts: number[] = [];
  for (const ring of region)
    for (const [i, a] of ring.entries()) {
      const b = ring[(i + 1) % ring.length] as Pair;
      if (a[0] > u === b[0] > u) continue;
      cuts.push(a[1] + ((u - a[0]) / (b[0] - a[0])) * (b[1] - a[1]));
    }
  cuts.sort((x, y) => x - y);
  return Array.from({ length: Math.floor(cuts.length / 2) }, (_, i) => [
    cuts[2 * i] as number,
    cuts[2 * i + 1] as number,
  ]);
}

const crosses = (p: Pair, q: Pair, a: Pair, b: Pair): boolean => {
  const side = (o: Pair, d: Pair, t: Pair) => Math.sign((d[0] - o[0]) * (t[1] - o[1]) - (d[1] - o[1]) * (t[0] - o[0]));
  return side(p, q, a) * side(p, q, b) < 0 && side(a, b, p) * side(a, b, q) < 0;
};
const legCrosses = (p: Pair, q: Pair, blocks: readonly (readonly Pair[])[]): boolean =>
  blocks.some((ring) => ring.some((a, i) => crosses(p, q, a, ring[(i + 1) % ring.length] as Pair)));

/** The place across one station nearest to the wanted share of its width; the width counts only what lies inside. */
function across(stretches: readonly [number, number][], share: number): number | undefined {
  const width = stretches.reduce((sum, [a, b]) => sum + b - a, 0);
  let left = share * width;
  for (const [a, b] of stretches) {
    if (left <= b - a + 1e-9) return a + left;
    left -= b - a;
  }
  return undefined;
}

/**
 * Places of `count` cores in a zigzag along a zone, ft on the sheet, in the order they are walked. Stations share the
 * ground equally; each core is at least 3 ft inside where the ground is wide enough; of several places across, those are
 * taken whose legs keep off the `blocks` (buildings, beds). Fewer are returned only where there is no ground at all.
 */
export function zigzag(
  fed: Region,
  corners: readonly Pair[],
  count: number,
  blocks: readonly (readonly Pair[])[] = [],
): Pair[] {
  const inner = shrunk(fed, EDGE_FT);
  const ground = regionArea(inner) > 0.2 * regionArea(fed) ? inner : fed;
  if (ground.length === 0 || count <= 0) return [];
  const angle = grain(corners);
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const laid = ground.map((ring) => ring.map((c) => turned(c, cos, sin)));
  const along = laid.flatMap((ring) => ring.map((c) => c[0]));
  const [from, to] = [Math.min(...along), Math.max(...along)];
  const slices = Array.from({ length: SLICES }, (_, i) => {
    const u = from + ((i + 0.5) / SLICES) * (to - from);
    const stretches = crossSection(laid, u);
    return { u, stretches, width: stretches.reduce((sum, [a, b]) => sum + b - a, 0) };
  });
  const whole = slices.reduce((sum, s) => sum + s.width, 0);
  let [passed, slice] = [0, 0];
  const stations = Array.from({ length: count }, (_, i) => {
    const wanted = ((i + 0.5) / count) * whole;
    while (slice < SLICES - 1 && passed + (slices[slice]?.width ?? 0) < wanted) passed += slices[slice++]?.width ?? 0;
    return slices[slice] as (typeof slices)[number];
  });
  const places = stations.map(({ u, stretches }) =>
    CHOICES.flatMap((share) => {
      const v = across(stretches, share);
      return v === undefined ? [] : [{ share, at: turned([u, v], cos, -sin) }];
    }),
  );
  // the cheapest chain of places: near the zigzag, and never a leg through a building or a bed
  const BLOCKED = 100;
  let best = (places[0] ?? []).map(({ share, at }) => ({ cost: Math.abs(share - (ACROSS[0] as number)), path: [at] }));
  for (let i = 1; i < places.length; i++) {
    const wanted = ACROSS[i % ACROSS.length] as number;
    best = (places[i] ?? []).map(({ share, at }) => {
      const options = best.map(({ cost, path }) => ({
        cost: cost + Math.abs(share - wanted) + (legCrosses(path.at(-1) as Pair, at, blocks) ? BLOCKED : 0),
        path,
      }));
      const chosen = options.reduce((a, b) => (b.cost < a.cost ? b : a));
      return { cost: chosen.cost, path: [...chosen.path, at] };
    });
  }
  return best.length === 0 ? [] : best.reduce((a, b) => (b.cost < a.cost ? b : a)).path;
}
