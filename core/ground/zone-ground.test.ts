import turfArea from '@turf/area';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Zone } from '../records/case';
import type { Pair } from '../reckoning/inputs';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { errorsTogether, walkedError } from './area-error';
import { claimedTwice, givenAway } from './claimed-twice';
import { grown, regionArea, regionOf, shared, without } from './clip';
import { toLonLat, toSheetFt } from './local-feet';
import { cornersOf, type Measured, shapeKind } from './shape';
import { groundOf, type ZoneGround } from './zone-ground';

const zone = (change: Partial<Zone>): Zone => ({
  id: 'z',
  name: 'Lawn',
  areaSqFt: 1,
  grass: 'tall-fescue',
  texture: 'loam',
  ...change,
});
const square = (x: number, y: number, side: number): [number, number][] => [
  [x, y],
  [x + side, y],
  [x + side, y + side],
  [x, y + side],
];
const ground = (change: Partial<Zone>, site?: Parameters<typeof groundOf>[1]): ZoneGround => {
  const answer = groundOf(zone(change), site);
  if (isRefusal(answer)) throw new Error(answer.refused);
  return answer;
};

describe('the drawn corners of a measured shape enclose the area its own formula gives', () => {
  it.each<[string, Measured, number, number]>([
    ['rectangle', { rectangle: { lengthFt: 84, widthFt: 60 } }, 5040, 1e-9],
    // Heron, the 3-4-5 triangle times 20
    ['triangle', { triangle: { aFt: 60, bFt: 80, cFt: 100 } }, 2400, 1e-9],
    ['circle', { ellipse: { lengthFt: 20, widthFt: 20 } }, Math.PI * 100, 3e-4],
    ['ellipse', { ellipse: { lengthFt: 60, widthFt: 20 } }, Math.PI * 300, 3e-4],
    // Simpson: 25/3 x (18 + 4x21 + 2x24 + 4x23 + 16) = 2150
    ['offsets', { offsets: { spacingFt: 25, offsetsFt: [18, 21, 24, 23, 16] } }, 2150, 2e-3],
    ['turned', { rectangle: { lengthFt: 84, widthFt: 60 }, atFt: [30, 12], turnDeg: 33 }, 5040, 1e-9],
  ])('%s', (_name, measured, sqFt, within) => {
    expect(Math.abs(regionArea(regionOf(cornersOf(measured))) / sqFt - 1)).toBeLessThanOrEqual(within);
  });
  it('knows which way ground was measured', () => {
    expect(shapeKind({ ring: [], cornersFt: [] })).toBe('ring');
    expect(shapeKind({})).toBeUndefined();
  });
});

describe('ground to feed', () => {
  it('takes off the strip beside water and what is cut out, each once', () => {
    const site = {
      water: [
        {
          id: 'w',
          cornersFt: [
            [-10, 100],
            [110, 100],
            [110, 120],
            [-10, 120],
          ] as [number, number][],
          keptClearFt: 15,
        },
      ],
    };
    const answer = ground(
      {
        cornersFt: square(0, 0, 100),
        measuredBy: 'wheel',
        cutOuts: [
          { id: 'a', kind: 'building', cornersFt: square(10, 10, 20) },
          // half of it lies on the building: 200 of its 400
          { id: 'b', kind: 'bed', cornersFt: square(20, 10, 20) },
          // ten of its twenty feet lie in the strip, which is taken first
          { id: 'c', kind: 'bed', cornersFt: square(70, 75, 20) },
        ],
      },
      site,
    );
    expect(answer.outline?.value).toBe(10_000);
    expect(answer.keptClear.sqFt).toBeCloseTo(1500, 6);
    expect(answer.cutOuts.map((c) => Math.round(c.sqFt))).toEqual([400, 200, 200]);
    expect(answer.areaSqFt).toBeCloseTo(7700, 6);
    expect(answer.error?.value).toBeCloseTo(0.025 * 7700, 6);
    expect(regionArea(answer.fed)).toBeCloseTo(7700, 6);
  });
  it('refuses a zone whose cut-outs leave nothing', () => {
    const all = groundOf(
      zone({ cornersFt: square(0, 0, 50), cutOuts: [{ id: 'a', kind: 'pool', cornersFt: square(-5, -5, 80) }] }),
      undefined,
    );
    expect(all).toMatchObject({ refused: expect.stringContaining('Nothing is left') });
  });
  it('counts an exact circle by its own formula where it lies wholly inside', () => {
    const answer = ground({
      rectangle: { lengthFt: 100, widthFt: 100 },
      cutOuts: [{ id: 'a', kind: 'bed', ellipse: { lengthFt: 20, widthFt: 20 }, atFt: [30, 30] }],
    });
    expect(answer.areaSqFt).toBeCloseTo(10_000 - Math.PI * 100, 9);
  });
  it('leaves a typed area as it is, without a shape', () => {
    const typed = ground({ areaSqFt: 3860 });
    expect([typed.areaSqFt, typed.outline, typed.error]).toEqual([3860, undefined, undefined]);
  });
  it('never takes off more than there is, wherever cut-outs lie', () => {
    const box = fc.record({
      x: fc.integer({ min: -40, max: 90 }),
      y: fc.integer({ min: -40, max: 90 }),
      side: fc.integer({ min: 1, max: 50 }),
    });
    fc.assert(
      fc.property(fc.array(box, { maxLength: 5 }), (boxes) => {
        const answer = groundOf(
          zone({
            cornersFt: square(0, 0, 100),
            cutOuts: boxes.map(({ x, y, side }, i) => ({
              id: String(i),
              kind: 'bed' as const,
              cornersFt: square(x, y, side),
            })),
          }),
          undefined,
        );
        if (isRefusal(answer)) return answer.refused.includes('Nothing is left');
        const taken = answer.cutOuts.reduce((sum, c) => sum + c.sqFt, 0);
        return answer.areaSqFt > 0 && Math.abs(answer.areaSqFt + taken - 10_000) < 1e-6;
      }),
    );
  });
});

describe('cutting ground', () => {
  it('grows a pond by its strip: sides plus round corners', () => {
    // 10 x 10 + four strips of 10 x 5 + a circle of 5 ft, the circle drawn with 64 corners
    expect(Math.abs(regionArea(grown(square(0, 0, 10), 5)) - (100 + 200 + Math.PI * 25))).toBeLessThan(0.15);
  });
  it('is closed: what is shared and what is left make the whole', () => {
    const corner = fc.tuple(
      fc.integer({ min: 0, max: 60 }),
      fc.integer({ min: 0, max: 60 }),
      fc.integer({ min: 1, max: 60 }),
    );
    fc.assert(
      fc.property(corner, corner, ([x, y, a], [u, v, b]) => {
        const [p, q] = [regionOf(square(x, y, a)), regionOf(square(u, v, b))];
        return Math.abs(regionArea(shared(p, q)) + regionArea(without(p, q)) - a * a) < 1e-6;
      }),
    );
  });
});

describe('ground claimed twice', () => {
  const [a, b, c] = [
    zone({ id: 'a', name: 'A', cornersFt: square(0, 0, 100) }),
    zone({ id: 'b', name: 'B', rectangle: { lengthFt: 50, widthFt: 50 }, atFt: [90, 20] }),
    zone({ id: 'c', name: 'C', cornersFt: square(100, 200, 10) }),
  ];
  it('is found with its area, and not where zones only touch or nobody placed them', () => {
    expect(claimedTwice([a, b, c]).map(({ a, b, sqFt }) => [a.id, b.id, Math.round(sqFt)])).toEqual([['a', 'b', 500]]);
    expect(claimedTwice([a, { ...b, atFt: undefined }])).toEqual([]);
    expect(claimedTwice([a, zone({ id: 'd', cornersFt: square(100, 0, 30) })])).toEqual([]);
  });
  it('is given away by moving the edge, where one piece is left', () => {
    const left = givenAway(a, b) as Pair[];
    expect(regionArea(regionOf(left))).toBeCloseTo(9500, 6);
    expect(claimedTwice([{ ...a, cornersFt: left.map(([x, y]) => [x, y]) }, b])).toEqual([]);
    expect(
      givenAway(
        a,
        zone({
          id: 'e',
          cornersFt: square(40, -10, 5)
            .concat([[40, 120]])
            .slice(0, 4),
        }),
      ),
    ).toBeDefined();
    // a strip right across leaves two pieces: a person's decision
    expect(
      givenAway(
        a,
        zone({
          id: 'f',
          cornersFt: [
            [40, -10],
            [50, -10],
            [50, 110],
            [40, 110],
          ],
        }),
      ),
    ).toBeUndefined();
  });
});

describe('errors and positions', () => {
  it('of a walk agree with a thousand walks that scatter as they say', () => {
    const corners: Pair[] = [
      [0, 0],
      [60, -10],
      [120, 0],
      [130, 70],
      [60, 90],
      [-10, 80],
    ];
    const sigma = 2;
    // a plain generator is enough here: Park and Miller 1988
    let seed = 12_345;
    const uniform = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const areas = Array.from({ length: 4000 }, () =>
      regionArea(regionOf(corners.map(([x, y]): Pair => [x + sigma * normal(), y + sigma * normal()]))),
    );
    const mean = areas.reduce((a, b) => a + b, 0) / areas.length;
    const spread = Math.sqrt(areas.reduce((sum, a) => sum + (a - mean) ** 2, 0) / areas.length);
    const reckoned = evaluate(walkedError, { points: corners, sigmaFt: sigma }) as number;
    expect(Math.abs(spread / reckoned - 1)).toBeLessThan(0.05);
  });
  it('adds errors measured apart by their squares', () => {
    // 160, 110 and 60 ft2: root of 25,600 + 12,100 + 3,600
    expect(errorsTogether([160, 110, 60])).toBeCloseTo(203.22, 2);
  });
  it('goes to the sheet and back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -170, max: 170, noNaN: true }),
        fc.double({ min: -70, max: 70, noNaN: true }),
        fc.double({ min: -3000, max: 3000, noNaN: true }),
        fc.double({ min: -3000, max: 3000, noNaN: true }),
        (lon, lat, east, south) => {
          const [x, y] = toSheetFt([lon, lat], toLonLat([lon, lat], [east, south]));
          return Math.abs(x - east) < 1e-4 && Math.abs(y - south) < 1e-4;
        },
      ),
    );
  });
  it('keeps areas: corners on the sheet agree with the ring on the earth and with a spherical library', () => {
    const origin: [number, number] = [-77.2, 38.6];
    const ring = square(0, 0, 200).map((corner) => toLonLat(origin, corner));
    const onEarth = ground({ ring, cornersFt: square(0, 0, 200) });
    expect(Math.abs(onEarth.areaSqFt / 40_000 - 1)).toBeLessThan(1e-6);
    // @turf/area works on a sphere: within half a percent of the ellipsoid
    const sphere = turfArea({ type: 'Polygon', coordinates: [[...ring, ring[0] as [number, number]]] }) / 0.3048 ** 2;
    expect(Math.abs(sphere / 40_000 - 1)).toBeLessThan(0.005);
  });
});
