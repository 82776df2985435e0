import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { regionOf, signedArea, without } from '../ground/clip';
import type { Pair } from '../reckoning/inputs';
import { isRefusal } from '../reckoning/refusal';
import { type Stripes, stripesOf } from './passes';
import { USUAL_GEAR, walkOf } from './walk';

/** Passes on lawns that nobody drew before: any bearing, any swath, with beds and a strip at water. */

const distanceTo = ([px, py]: Pair, [ax, ay]: Pair, [bx, by]: Pair): number => {
  const [dx, dy] = [bx - ax, by - ay];
  const t = Math.max(0, Math.min(1, ((px - ax) * dx + (py - ay) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(px - ax - t * dx, py - ay - t * dy);
};
const isInside = ([x, y]: Pair, ring: readonly Pair[]): boolean =>
  ring.reduce((inside, [ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length] as Pair;
    return ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax) ? !inside : inside;
  }, false);
const cornersDeg = (ring: readonly Pair[]): number[] =>
  ring.map((at, i) => {
    const before = ring[(i + ring.length - 1) % ring.length] as Pair;
    const after = ring[(i + 1) % ring.length] as Pair;
    const a = Math.atan2(before[1] - at[1], before[0] - at[0]);
    const b = Math.atan2(after[1] - at[1], after[0] - at[0]);
    const turn = (Math.abs(a - b) * 180) / Math.PI;
    return Math.min(turn, 360 - turn);
  });
/** The narrowest way across, ft. */
const narrowest = (ring: readonly Pair[]): number =>
  Math.min(
    ...Array.from({ length: 36 }, (_, i) => {
      const t = (i * 5 * Math.PI) / 180;
      const across = ring.map(([x, y]) => x * Math.cos(t) + y * Math.sin(t));
      return Math.max(...across) - Math.min(...across);
    }),
  );

/** Convex lawns of four to nine corners, none of them sharper than 80 degrees. */
const convex = fc
  .record({
    corners: fc.integer({ min: 4, max: 9 }),
    jitter: fc.array(fc.double({ min: -0.2, max: 0.2, noNaN: true }), { minLength: 9, maxLength: 9 }),
    wide: fc.integer({ min: 40, max: 160 }),
    high: fc.integer({ min: 40, max: 160 }),
    turned: fc.double({ min: 0, max: Math.PI, noNaN: true }),
  })
  .map(({ corners, jitter, wide, high, turned }) =>
    Array.from({ length: corners }, (_, i): Pair => {
      const t = ((i + (jitter[i] as number)) / corners) * 2 * Math.PI;
      const [x, y] = [wide * Math.cos(t), high * Math.sin(t)];
      return [x * Math.cos(turned) - y * Math.sin(turned) + 200, x * Math.sin(turned) + y * Math.cos(turned) + 200];
    }),
  )
  .filter((ring) => Math.min(...cornersDeg(ring)) >= 80);

const laidOut = (ring: readonly Pair[], swathFt: number, bearingDeg: number): Stripes => {
  const stripes = stripesOf(regionOf(ring), { swathFt, bearingDeg });
  if (isRefusal(stripes)) throw new Error(stripes.refused);
  return stripes;
};
/** Share of the ground that lies within half a swath of a lap or a run, by points a quarter swath apart. */
function covered(ring: readonly Pair[], { laps, runs }: Stripes, swathFt: number): number {
  const ways: [Pair, Pair][] = [
    ...laps.flatMap((lap) => lap.map((at, i): [Pair, Pair] => [at, lap[(i + 1) % lap.length] as Pair])),
    ...runs.map(({ from, to }): [Pair, Pair] => [from, to]),
  ];
  let [all, under] = [0, 0];
  const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)];
  for (let x = Math.min(...xs); x < Math.max(...xs); x += swathFt / 4)
    for (let y = Math.min(...ys); y < Math.max(...ys); y += swathFt / 4) {
      if (!isInside([x, y], ring)) continue;
      all++;
      if (ways.some(([a, b]) => distanceTo([x, y], a, b) <= swathFt / 2 + 1e-6)) under++;
    }
  return under / all;
}

describe('passes on any lawn', () => {
  it('with their laps cover at least 96 % of a convex one four swaths wide, whatever the bearing', () => {
    fc.assert(
      fc.property(convex, fc.integer({ min: 6, max: 12 }), fc.integer({ min: 0, max: 179 }), (ring, swathFt, deg) => {
        fc.pre(narrowest(ring) >= 4 * swathFt);
        expect(covered(ring, laidOut(ring, swathFt, deg), swathFt)).toBeGreaterThanOrEqual(0.96);
      }),
      { numRuns: 25 },
    );
  });

  it('are the same on the mirrored lawn with the mirrored bearing', () => {
    fc.assert(
      fc.property(convex, fc.integer({ min: 6, max: 12 }), fc.integer({ min: 0, max: 179 }), (ring, swathFt, deg) => {
        const one = laidOut(ring, swathFt, deg);
        const mirrored = laidOut([...ring].map(([x, y]): Pair => [-x, y]).reverse(), swathFt, (360 - deg) % 360);
        // cutting works on ten-thousandths of a foot: a pass more or less at an exact multiple is possible
        fc.pre(one.passes === mirrored.passes);
        expect(Math.abs(mirrored.lapsFt - one.lapsFt)).toBeLessThan(0.02);
        expect(Math.abs(mirrored.runsFt - one.runsFt) / Math.max(1, one.runsFt)).toBeLessThan(0.01);
      }),
      { numRuns: 40 },
    );
  });

  it('enter neither of two beds nor the strip at water, and stay on the lawn', () => {
    const bed = fc.record({
      x: fc.integer({ min: 20, max: 120 }),
      y: fc.integer({ min: 15, max: 70 }),
      w: fc.integer({ min: 3, max: 25 }),
      h: fc.integer({ min: 3, max: 25 }),
    });
    const ringOf = ({ x, y, w, h }: { x: number; y: number; w: number; h: number }): Pair[] => [
      [x, y],
      [x + w, y],
      [x + w, y + h],
      [x, y + h],
    ];
    fc.assert(
      fc.property(
        fc.tuple(bed, bed),
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 4, max: 12 }),
        fc.integer({ min: 0, max: 359 }),
        (beds, stripFt, swathFt, bearingDeg) => {
          const lawn: Pair[] = [
            [0, 0],
            [160, 0],
            [150, 100],
            [0, 110],
          ];
          // a creek along the left side
          const strip: Pair[] = [
            [-5, -5],
            [stripFt, -5],
            [stripFt, 120],
            [-5, 120],
          ];
          const kept = [strip, ...beds.map(ringOf)];
          const fed = without(regionOf(lawn), ...kept.map(regionOf));
          const stripes = stripesOf(fed, { swathFt, bearingDeg });
          if (isRefusal(stripes)) throw new Error(stripes.refused);
          for (const { from, to } of stripes.runs)
            for (let i = 0; i <= 20; i++) {
              const at: Pair = [from[0] + ((to[0] - from[0]) * i) / 20, from[1] + ((to[1] - from[1]) * i) / 20];
              expect(isInside(at, lawn)).toBe(true);
              expect(kept.some((ring) => isInside(at, ring))).toBe(false);
            }
          for (const lap of stripes.laps)
            for (const at of lap) expect(kept.some((ring) => isInside(at, ring))).toBe(false);
        },
      ),
      { numRuns: 80 },
    );
  });

  it('lay the whole of the product: what the gate is set for, on all feet that are walked', () => {
    fc.assert(
      fc.property(
        convex,
        fc.integer({ min: 5, max: 12 }),
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.constantFrom('two-directions' as const, 'four-light' as const, 'one-direction' as const),
        (ring, swathFt, productLb, school) => {
          const area = Math.abs(signedArea(ring));
          const walk = walkOf(regionOf(ring), area, productLb, { ...USUAL_GEAR, swathFt, hopperLb: undefined, school });
          if (isRefusal(walk)) throw new Error(walk.refused);
          const laid = walk.rounds.map(
            ({ settingLb, stretchesFt }) => (settingLb * stretchesFt.reduce((sum, ft) => sum + ft, 0) * swathFt) / 1000,
          );
          const shares = walk.rounds.reduce((sum, { shareLb }) => sum + shareLb, 0);
          expect(laid.reduce((sum, lb) => sum + lb, 0)).toBeCloseTo(shares, 6);
          // shares are weighed: a tenth of a pound is the step of the scale
          expect(Math.abs(shares - productLb)).toBeLessThanOrEqual(0.05 + 1e-9);
        },
      ),
      { numRuns: 40 },
    );
  });
});
