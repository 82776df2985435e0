import turfArea from '@turf/area';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate, explain } from '../reckoning/define';
import type { Pair } from '../reckoning/inputs';
import { offsetsArea } from './area-offsets';
import { rectangleArea } from './area-rectangle';
import { ringArea } from './area-ring';
import { ellipseArea, trapezoidArea } from './area-round';
import { triangleArea } from './area-triangle';
import { textureClass } from './texture-class';

describe('area.triangle', () => {
  it('agrees with half base times height for right triangles (Euclid)', () => {
    for (const [a, b, c] of [
      [3, 4, 5],
      [5, 12, 13],
      [8, 15, 17],
    ] as const)
      expect(evaluate(triangleArea, { aFt: c, bFt: a, cFt: b })).toBeCloseTo((a * b) / 2, 9);
  });
  it('keeps its digits in a needle where the schoolbook form loses them (example of W. Kahan; value from memory)', () => {
    expect(evaluate(triangleArea, { aFt: 100_000, bFt: 99_999.99979, cFt: 0.00029 })).toBeCloseTo(10, 5);
  });
  it('refuses lengths that make no triangle, naming the long one', () => {
    expect(explain(triangleArea, { aFt: 10, bFt: 30, cFt: 15 })).toMatchObject({ field: 'bFt' });
    expect(explain(triangleArea, { aFt: 10, bFt: 5, cFt: 5 })).toMatchObject({ field: 'aFt' });
  });
  it('does not mind the order of the sides', () => {
    const side = fc.double({ min: 10, max: 19, noNaN: true });
    fc.assert(
      fc.property(side, side, side, (a, b, c) => {
        expect(evaluate(triangleArea, { aFt: a, bFt: b, cFt: c })).toBeCloseTo(
          evaluate(triangleArea, { aFt: c, bFt: a, cFt: b }) as number,
          9,
        );
      }),
    );
  });
});

describe('area.rectangle, area.ellipse, area.trapezoid', () => {
  it('agree with elementary geometry (Euclid, Archimedes)', () => {
    expect(evaluate(rectangleArea, { lengthFt: 160, widthFt: 70 })).toBe(11_200);
    expect(evaluate(ellipseArea, { lengthFt: 20, widthFt: 20 })).toBeCloseTo(Math.PI * 10 ** 2, 9);
    expect(evaluate(trapezoidArea, { aFt: 10, bFt: 10, apartFt: 7 })).toBe(70);
    expect(evaluate(trapezoidArea, { aFt: 0, bFt: 10, apartFt: 7 })).toBe(35);
  });
});

describe('area.offsets', () => {
  it('is exact for a parabola (Archimedes: two thirds of its box) and for straight edges', () => {
    const parabola = Array.from({ length: 5 }, (_, i) => 4 * i * (4 - i));
    expect(evaluate(offsetsArea, { offsetsFt: parabola, spacingFt: 10 })).toBeCloseTo((2 / 3) * 40 * 16, 9);
    expect(evaluate(offsetsArea, { offsetsFt: [10, 10, 10, 10], spacingFt: 5 })).toBe(150);
    expect(evaluate(offsetsArea, { offsetsFt: [0, 20], spacingFt: 10 })).toBe(100);
  });
  it('refuses one offset, a negative one, and spacing 0', () => {
    expect(explain(offsetsArea, { offsetsFt: [3], spacingFt: 5 })).toMatchObject({ field: 'offsetsFt' });
    expect(explain(offsetsArea, { offsetsFt: [3, -1, 2], spacingFt: 5 })).toMatchObject({ field: 'offsetsFt' });
    expect(explain(offsetsArea, { offsetsFt: [3, 1, 2], spacingFt: 0 })).toMatchObject({ field: 'spacingFt' });
  });
});

/** Radii of curvature of WGS84 at a latitude, m: an ellipsoid worked by its own formulas, not by the library. */
function radii(lat: number): { meridian: number; normal: number } {
  const [a, f] = [6_378_137, 1 / 298.257223563];
  const e2 = f * (2 - f);
  const w = 1 - e2 * Math.sin((lat * Math.PI) / 180) ** 2;
  return { meridian: (a * (1 - e2)) / w ** 1.5, normal: a / Math.sqrt(w) };
}

describe('area.ring', () => {
  it('agrees with the radii of curvature of WGS84 for a small plot at any latitude (NIMA TR8350.2; published)', () => {
    for (const lat of [0, 20, 38.6, -45, 65]) {
      const step = 0.0005;
      const { meridian, normal } = radii(lat);
      const rad = Math.PI / 180;
      const expected = (meridian * step * rad * normal * Math.cos(lat * rad) * step * rad) / 0.3048 ** 2;
      const [x, y] = [-90.2, lat];
      const h = step / 2;
      const got = evaluate(ringArea, {
        ring: [
          [x - h, y - h],
          [x + h, y - h],
          [x + h, y + h],
          [x - h, y + h],
        ],
      }) as number;
      expect(got / expected).toBeCloseTo(1, 6);
    }
  });
  it('is within 0.7 percent of a spherical library (@turf/area), which ignores the flattening', () => {
    const ring: Pair[] = [
      [-90.2, 38.6],
      [-90.199, 38.6],
      [-90.1988, 38.6011],
      [-90.2003, 38.6009],
    ];
    const sphere = turfArea({ type: 'Polygon', coordinates: [[...ring, ring[0]!].map((p) => [...p])] }) / 0.3048 ** 2;
    expect((evaluate(ringArea, { ring }) as number) / sphere).toBeCloseTo(1, 2);
  });
  it('does not mind direction, a closing point or the date line', () => {
    const ring = (lon: number): Pair[] => [
      [lon, 50],
      [lon + 0.002, 50],
      [lon + 0.002, 50.001],
      [lon, 50.001],
    ];
    const plain = evaluate(ringArea, { ring: ring(10) }) as number;
    expect(evaluate(ringArea, { ring: [...ring(10)].reverse() })).toBeCloseTo(plain, 3);
    expect(evaluate(ringArea, { ring: [...ring(10), ring(10)[0]!] })).toBeCloseTo(plain, 3);
    expect(evaluate(ringArea, { ring: ring(179.999).map(([x, y]): Pair => [x > 180 ? x - 360 : x, y]) })).toBeCloseTo(
      plain,
      3,
    );
  });
  it('refuses swapped coordinates, crossings, poles and lines', () => {
    expect(
      explain(ringArea, {
        ring: [
          [38.6, -95],
          [38.7, -95],
          [38.7, -94],
        ],
      }),
    ).toMatchObject({ refused: expect.stringContaining('swapped') });
    expect(
      explain(ringArea, {
        ring: [
          [0, 0],
          [1, 1],
          [1, 0],
          [0, 1],
        ],
      }),
    ).toMatchObject({ refused: expect.stringContaining('crosses') });
    expect(
      explain(ringArea, {
        ring: [
          [0, 89.95],
          [120, 89.95],
          [-120, 89.95],
        ],
      }),
    ).toMatchObject({ refused: expect.stringContaining('pole') });
    expect(
      explain(ringArea, {
        ring: [
          [0, 0],
          [1, 1],
          [2, 2],
        ],
      }),
    ).toMatchObject({ refused: expect.stringContaining('line') });
  });
});

describe('soil.texture-class', () => {
  const at = (sandPercent: number, siltPercent: number, clayPercent: number) =>
    evaluate(textureClass, { sandPercent, siltPercent, clayPercent });
  it('names all twelve classes at their middles (USDA Soil Survey Manual, texture triangle; published)', () => {
    for (const [sand, silt, clay, name] of [
      [92, 5, 3, 'sand'],
      [82, 12, 6, 'loamy-sand'],
      [65, 25, 10, 'sandy-loam'],
      [60, 13, 27, 'sandy-clay-loam'],
      [40, 40, 20, 'loam'],
      [20, 65, 15, 'silt-loam'],
      [8, 87, 5, 'silt'],
      [33, 34, 33, 'clay-loam'],
      [10, 56, 34, 'silty-clay-loam'],
      [52, 7, 41, 'sandy-clay'],
      [6, 47, 47, 'silty-clay'],
      [20, 20, 60, 'clay'],
    ] as const)
      expect(at(sand, silt, clay)).toBe(name);
  });
  it('knows the corners of the triangle (same)', () => {
    expect([at(100, 0, 0), at(0, 100, 0), at(0, 0, 100)]).toEqual(['sand', 'silt', 'clay']);
  });
  it('normalises a sum within 1 and refuses the rest', () => {
    expect(at(20.5, 60, 20)).toBe('silt-loam');
    expect(explain(textureClass, { sandPercent: 30, siltPercent: 60, clayPercent: 20 })).toMatchObject({
      refused: expect.stringContaining('110'),
    });
  });
  it('gives every point of the triangle exactly one class', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1000 }), fc.integer({ min: 0, max: 1000 }), (a, b) => {
        const [sand, silt] = a + b > 1000 ? [1000 - a, 1000 - b] : [a, b];
        expect(typeof at(sand / 10, silt / 10, (1000 - sand - silt) / 10)).toBe('string');
      }),
    );
  });
});
