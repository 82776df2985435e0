import { refuseOutline, withoutClosingPoint } from '../ground/area-polygon';
import { type Region, regionOf, shrunk } from '../ground/clip';
import { defineReckoning } from '../reckoning/define';
import { type Pair, quantity } from '../reckoning/inputs';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';

/**
 * How a spreader walks a lawn: laps along every edge first, then straight passes inside them, back and forth. Drawn on the ground that is
 * really fed, so that no pass enters a bed or the strip at water.
 */

/** One stretch of a pass with the gate open. */
export interface Run {
  /** Number of its pass, from the first side. */
  pass: number;
  from: Pair;
  to: Pair;
  feet: number;
}
export interface Stripes {
  bearingDeg: number;
  passes: number;
  spacingFt: number;
  /** Rings that are walked along the edges, round beds as well. */
  laps: readonly (readonly Pair[])[];
  runs: readonly Run[];
  lapsFt: number;
  runsFt: number;
  /** Between the end of a run and the start of the next, gate shut. */
  connectFt: number;
  walkFt: number;
}
export interface StripesAsked {
  swathFt: number;
  /** Clockwise from up the sheet. */
  bearingDeg: number;
  headerLaps?: 0 | 1 | 2;
}

/** A stretch shorter than this is no run, ft. */
const LEAST_RUN_FT = 1;
/** More runs than this on foot is a slip of the unit. */
const MOST_RUNS = 2000;
const SIDES_DEG = 180;

const distance = ([ax, ay]: Pair, [bx, by]: Pair): number => Math.hypot(bx - ax, by - ay);
const ringFeet = (ring: readonly Pair[]): number =>
  ring.reduce((sum, corner, i) => sum + distance(corner, ring[(i + 1) % ring.length] as Pair), 0);

/** Ends of the stretches of a line that lie in a region, by their place along it. */
function stretches(region: Region, across: (at: Pair) => number, along: (at: Pair) => number, at: number): number[] {
  const crossings: number[] = [];
  for (const ring of region)
    ring.forEach((corner, i) => {
      const next = ring[(i + 1) % ring.length] as Pair;
      const [a, b] = [across(corner), across(next)];
      // half-open, so that a corner on the line counts once
      if (a > at === b > at) return;
      const share = (at - a) / (b - a);
      crossings.push(along(corner) + share * (along(next) - along(corner)));
    });
  return crossings.sort((a, b) => a - b);
}

/**
 * Laps and passes of a region.
 *
 * @param region ground that is fed, ft east and south
 * @returns refused where the swath is so narrow that nobody walks it
 * @example stripesOf(regionOf([[0, 0], [100, 0], [100, 60], [0, 60]]), { swathFt: 9, bearingDeg: 90 }).runs.length // 5
 */
export function stripesOf(region: Region, { swathFt, bearingDeg, headerLaps = 1 }: StripesAsked): Stripes | Refusal {
  const laps = Array.from({ length: headerLaps }, (_, i) => shrunk(region, (i + 0.5) * swathFt)).flat();
  const inside = shrunk(region, headerLaps * swathFt);
  const turn = (bearingDeg * Math.PI) / SIDES_DEG;
  const [sin, cos] = [Math.sin(turn), Math.cos(turn)];
  const across = ([x, y]: Pair) => x * cos + y * sin;
  const along = ([x, y]: Pair) => x * sin - y * cos;
  const point = (u: number, v: number): Pair => [u * cos + v * sin, u * sin - v * cos];
  const corners = inside.flat();
  const lapsFt = laps.reduce((sum, ring) => sum + ringFeet(ring), 0);
  if (corners.length === 0)
    return { bearingDeg, passes: 0, spacingFt: 0, laps, runs: [], lapsFt, runsFt: 0, connectFt: 0, walkFt: lapsFt };
  const us = corners.map(across);
  const first = Math.min(...us);
  const width = Math.max(...us) - first;
  const passes = Math.max(1, Math.ceil(width / swathFt - 1e-9));
  if (passes > MOST_RUNS)
    return refuse(
      'swathFt',
      `${passes} passes of ${swathFt} ft: the swath is too narrow for this zone on foot. Is it inches?`,
    );
  const spacingFt = width / passes;
  const runs: Run[] = [];
  for (let pass = 0; pass < passes; pass++) {
    const u = first + (pass + 0.5) * spacingFt;
    const ends = stretches(inside, across, along, u);
    const found: [number, number][] = [];
    for (let i = 0; i + 1 < ends.length; i += 2) {
      const [from, to] = [ends[i] as number, ends[i + 1] as number];
      if (to - from >= LEAST_RUN_FT - 1e-9) found.push([from, to]);
    }
    const back = pass % 2 === 1;
    for (const [from, to] of back ? found.reverse() : found)
      runs.push({ pass: pass + 1, from: point(u, back ? to : from), to: point(u, back ? from : to), feet: to - from });
  }
  if (runs.length > MOST_RUNS)
    return refuse(
      'swathFt',
      `${runs.length} runs of ${swathFt} ft: the swath is too narrow for this zone on foot. Is it inches?`,
    );
  const runsFt = runs.reduce((sum, { feet }) => sum + feet, 0);
  const connectFt = runs.reduce((sum, { from }, i) => sum + (i === 0 ? 0 : distance((runs[i - 1] as Run).to, from)), 0);
  return { bearingDeg, passes, spacingFt, laps, runs, lapsFt, runsFt, connectFt, walkFt: lapsFt + runsFt + connectFt };
}

/** The bearing that walks least: of the drawn edges, and of every fifth degree; the smaller of equals. */
export function bestBearing(region: Region, asked: Omit<StripesAsked, 'bearingDeg'>): number {
  const edges = region.flatMap((ring) =>
    ring.map((corner, i) => {
      const [x, y] = ring[(i + 1) % ring.length] as Pair;
      const bearing = (Math.atan2(x - corner[0], corner[1] - y) * SIDES_DEG) / Math.PI;
      return ((bearing % SIDES_DEG) + SIDES_DEG) % SIDES_DEG;
    }),
  );
  const steps = Array.from({ length: 36 }, (_, i) => i * 5);
  const round = (deg: number) => Math.round(deg * 1e6) / 1e6;
  // round corners of an offset are many short edges: their bearings add nothing to those of every fifth degree
  const tried = [...new Set([...steps, ...(edges.length <= 60 ? edges.map(round) : [])])].sort((a, b) => a - b);
  let best = { bearing: 0, walkFt: Infinity };
  for (const bearing of tried) {
    const stripes = stripesOf(region, { ...asked, bearingDeg: bearing });
    if (!isRefusal(stripes) && stripes.walkFt < best.walkFt - 1e-6) best = { bearing, walkFt: stripes.walkFt };
  }
  return best.bearing;
}

/** Laps and passes of an outline. 100 by 60 ft along the long side, 9 ft: 5 passes of 82 ft inside one lap. */
export const fieldPasses = defineReckoning({
  id: 'field.passes',
  title: 'Passes on an outline',
  about: 'How many passes a swath takes, how far apart they lie, and how far one walks: laps along the edge first.',
  inputs: {
    points: { kind: 'pairs', unit: 'ft', label: 'corner points', leastCount: 3 },
    bearingDeg: quantity('deg')('bearing, clockwise from up the sheet', { min: 0, max: 360 }),
    swathFt: quantity('ft')('swath', { above: 0, max: 200 }),
    headerLaps: quantity('laps')('laps along the edge', { min: 0, max: 2, integer: true, optional: true }),
  },
  unit: 'passes: passes; runs: runs; spacingFt, lapsFt, runsFt, connectFt and walkFt: ft',
  formula: [
    'laps along the edge shrunk by half a swath',
    'passes = ceil(width inside the laps ÷ swath), evenly apart',
    'walk = laps + runs + the way between them',
  ],
  sources: [{ cite: 'Header strips first, then passes no wider apart than the swath', standing: 'common practice' }],
  limits: ['A stretch under 1 ft is no run.', 'More than 2000 runs are refused.'],
  example: {
    inputs: {
      points: [
        [0, 0],
        [100, 0],
        [100, 60],
        [0, 60],
      ],
      bearingDeg: 90,
      swathFt: 9,
    },
    value: { passes: 5, spacingFt: 8.4, runs: 5, lapsFt: 284, runsFt: 410, connectFt: 33.6, walkFt: 727.6 },
  },
  reckon({ points, bearingDeg, swathFt, headerLaps = 1 }, work) {
    const corners = withoutClosingPoint(points);
    const wrong = refuseOutline(corners);
    if (wrong) return wrong;
    const stripes = stripesOf(regionOf(corners), { bearingDeg, swathFt, headerLaps: headerLaps as 0 | 1 | 2 });
    if (isRefusal(stripes)) return stripes;
    const { passes, spacingFt, runs, lapsFt, runsFt, connectFt } = stripes;
    work.note('passes', 'width inside the laps ÷ swath, up to the next whole', passes, 'passes');
    work.note('apart', 'width ÷ passes', spacingFt, 'ft');
    const walkFt = work.step(
      'walk',
      'lapsFt + runsFt + connectFt',
      { lapsFt, runsFt, connectFt },
      lapsFt + runsFt + connectFt,
      'ft',
    );
    return { passes, spacingFt, runs: runs.length, lapsFt, runsFt, connectFt, walkFt };
  },
});

/** How long a walk takes. 880 ft at 2 mph with 10 turns of 3 s: 5.5 min. */
export const walkTime = defineReckoning({
  id: 'field.walk-time',
  title: 'Time of a walk',
  about: 'Minutes behind the spreader, turns included.',
  inputs: {
    walkFt: quantity('ft')('walk', { min: 0, max: 10_000_000 }),
    speedMph: quantity('mph')('speed', { min: 0.5, max: 10 }),
    turns: quantity('turns')('turns', { min: 0, max: 100_000, integer: true, optional: true }),
    turnSeconds: quantity('s')('time of a turn', { min: 0, max: 600, optional: true }),
  },
  unit: 'min',
  formula: ['time = walk ÷ (88 × mph) + turns × seconds ÷ 60'],
  sources: [
    { cite: 'Derived: 1 mph is 88 ft in a minute', standing: 'published' },
    { cite: '3 s a turn', standing: 'common practice' },
  ],
  limits: ['Filling and stops are not in it.'],
  example: { inputs: { walkFt: 880, speedMph: 2, turns: 10 }, value: 5.5 },
  reckon: ({ walkFt, speedMph, turns = 0, turnSeconds = 3 }, work) =>
    work.step(
      'time',
      'walkFt ÷ (88 × speedMph) + turns × turnSeconds ÷ 60',
      { walkFt, speedMph, turns, turnSeconds },
      walkFt / (88 * speedMph) + (turns * turnSeconds) / 60,
      'min',
    ),
});
