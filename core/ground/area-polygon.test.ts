import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { explain } from '../reckoning/define';
import type { Pair } from '../reckoning/inputs';
import { isRefusal } from '../reckoning/refusal';
import { polygonArea } from './area-polygon';

const area = (points: readonly Pair[]) => {
  const answer = explain(polygonArea, { points });
  return isRefusal(answer) ? answer.refused : answer.value;
};

describe('area.polygon', () => {
  it('agrees with elementary geometry (Euclid): rectangle, right triangle, regular hexagon', () => {
    expect(
      area([
        [0, 0],
        [108, 0],
        [108, 60],
        [0, 60],
      ]),
    ).toBe(6480);
    expect(
      area([
        [0, 0],
        [30, 0],
        [0, 40],
      ]),
    ).toBe(600);
    const hexagon = Array.from({ length: 6 }, (_, i): Pair => [
      10 * Math.cos((i * Math.PI) / 3),
      10 * Math.sin((i * Math.PI) / 3),
    ]);
    expect(area(hexagon)).toBeCloseTo(((3 * Math.sqrt(3)) / 2) * 100, 9);
  });

  it('drops a closing point and does not mind the direction', () => {
    const ring: Pair[] = [
      [0, 0],
      [10, 0],
      [10, 5],
      [0, 5],
    ];
    expect(area([...ring, [0, 0]])).toBe(50);
    expect(area([...ring].reverse())).toBe(50);
  });

  it('refuses a crossing outline and names both sides', () => {
    expect(
      area([
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ]),
    ).toContain('Side a to b crosses or touches side c to d');
  });

  it.each<[string, Pair[], string]>([
    [
      'two corners',
      [
        [0, 0],
        [1, 1],
      ],
      'at least 3',
    ],
    [
      'corners on a line',
      [
        [0, 0],
        [5, 5],
        [9, 9],
      ],
      'one line',
    ],
    [
      'a repeated corner',
      [
        [0, 0],
        [5, 0],
        [5, 5],
        [5, 0],
      ],
      'same point',
    ],
    [
      'a corner on another side',
      [
        [0, 0],
        [10, 0],
        [10, 10],
        [5, 0],
        [0, 10],
      ],
      'crosses or touches',
    ],
    [
      'a side folded back',
      [
        [0, 0],
        [10, 0],
        [4, 0],
        [4, 8],
      ],
      'crosses or touches',
    ],
  ])('refuses %s', (_name, points, says) => {
    expect(area(points)).toContain(says);
  });

  it('is the same wherever the lawn lies and scales with the square', () => {
    const star = fc.array(fc.integer({ min: 5, max: 100 }), { minLength: 3, maxLength: 14 });
    fc.assert(
      fc.property(
        star,
        fc.integer({ min: -5000, max: 5000 }),
        fc.integer({ min: 1, max: 9 }),
        (radii, shift, scale) => {
          const shape = (k: number, at: number) =>
            radii.map((r, i): Pair => [
              at + k * r * Math.cos((2 * Math.PI * i) / radii.length),
              at + k * r * Math.sin((2 * Math.PI * i) / radii.length),
            ]);
          const [small, moved, large] = [area(shape(1, 0)), area(shape(1, shift)), area(shape(scale, 0))];
          if (typeof small !== 'number' || typeof moved !== 'number' || typeof large !== 'number')
            throw new Error(String(small));
          expect(moved / small).toBeCloseTo(1, 8);
          expect(large / small / scale ** 2).toBeCloseTo(1, 8);
          expect(small).toBeGreaterThan(0);
        },
      ),
    );
  });
});
