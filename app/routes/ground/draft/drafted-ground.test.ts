import { describe, expect, it } from 'vitest';
import type { Zone } from '@core/records/case';
import { groundOf } from '@core/ground/zone-ground';
import { isRefusal } from '@core/reckoning/refusal';
import { draftedGround, freeSpot, type PlacedZone, previewOf, spokenOf, typedFrom } from './drafted-ground';
import { groundFromZone, type TypedGround } from './typed-ground';
import { factsFromZone } from './zone-from-typed';
import { usUnits } from '../../../ui/format';

const zone = (change: Partial<Zone>): Zone => ({
  id: 'a',
  name: 'A',
  areaSqFt: 1,
  grass: 'tall-fescue',
  texture: 'loam',
  measuredBy: 'wheel',
  ...change,
});
const placed = (z: Zone): PlacedZone => {
  const ground = groundOf(z, undefined);
  if (isRefusal(ground)) throw new Error(ground.refused);
  return { zone: z, ground };
};
const drafted = (ground: Partial<TypedGround>, others: PlacedZone[] = []) =>
  draftedGround(
    undefined,
    { ...factsFromZone(undefined, usUnits), name: 'New' },
    { ...groundFromZone(undefined, usUnits), ...ground },
    others,
    undefined,
    usUnits,
  );
const square: TypedGround['corners'] = [
  [0, 0],
  [100, 0],
  [100, 100],
  [0, 100],
];

describe('the zone being drawn', () => {
  it('has ground once it is a closed shape', () => {
    expect(drafted({ measure: 'outline', corners: square, closed: false }).ground).toBeUndefined();
    expect(drafted({ measure: 'outline', corners: square, closed: true })).toMatchObject({
      ground: { areaSqFt: 10_000 },
      hasShape: true,
      fault: undefined,
    });
    expect(drafted({ measure: 'known', area: '3860' })).toMatchObject({
      ground: { areaSqFt: 3860 },
      hasShape: false,
      focus: undefined,
    });
    expect(drafted({ measure: 'rectangle', length: '', width: '' }).ground).toBeUndefined();
  });
  it('says what its shape is refused for', () => {
    const bowTie: TypedGround['corners'] = [
      [0, 0],
      [100, 100],
      [100, 0],
      [0, 90],
    ];
    expect(drafted({ measure: 'outline', corners: bowTie, closed: true }).fault).toContain('crosses');
    expect(drafted({ measure: 'triangle', a: '1', b: '2', c: '9' }).fault).toBeDefined();
  });
  it('sees what it shares with the others, before and after a change', () => {
    const other = placed(
      zone({
        id: 'b',
        name: 'B',
        cornersFt: [
          [90, 0],
          [150, 0],
          [150, 100],
          [90, 100],
        ],
      }),
    );
    const now = drafted({ measure: 'outline', corners: square, closed: true }, [other]);
    expect(now.claims.map((c) => Math.round(c.sqFt))).toEqual([1000]);
    const preview = previewOf(
      now.candidate,
      [
        [0, 0],
        [110, 0],
        [110, 100],
        [0, 100],
      ],
      [other],
      undefined,
      2,
    );
    expect(preview).toMatchObject({ areaSqFt: 11_000, weighOutLb: 22, claimedSqFt: 2000 });
    expect(
      previewOf(
        now.candidate,
        [
          [0, 0],
          [1, 1],
          [2, 2],
        ],
        [other],
        undefined,
        2,
      ).refused,
    ).toBeDefined();
  });
  it('finds a place beside what lies there already', () => {
    expect(freeSpot([], undefined)).toEqual([20, 20]);
    expect(
      freeSpot(
        [
          placed(
            zone({
              cornersFt: [
                [0, 0],
                [103, 0],
                [103, 50],
              ],
            }),
          ),
        ],
        undefined,
      ),
    ).toEqual([130, 20]);
  });
  it('turns a drawn shape into lengths a tape could have said', () => {
    expect(typedFrom({ rectangle: { lengthFt: 84.126, widthFt: 60 }, atFt: [10, 20] }, usUnits)).toMatchObject({
      measure: 'rectangle',
      length: '84.13',
      width: '60',
      at: [10, 20],
    });
    expect(typedFrom({ ellipse: { lengthFt: 20, widthFt: 20 } }, usUnits)).toMatchObject({
      measure: 'circle',
      length: '20',
    });
    expect(typedFrom({ ellipse: { lengthFt: 30, widthFt: 20 } }, usUnits)).toMatchObject({ measure: 'ellipse' });
    expect(
      typedFrom(
        {
          cornersFt: [
            [0, 0],
            [1, 0],
            [0, 1],
          ],
        },
        usUnits,
      ),
    ).toMatchObject({ measure: 'outline', closed: true });
  });
  it('is spoken of after each move', () => {
    const now = { ...groundFromZone(undefined, usUnits), measure: 'outline' as const, corners: square, closed: true };
    const { ground } = drafted(now);
    expect(spokenOf('select', [0, 0], now, { corner: 1 }, square, ground, usUnits)).toBe(
      'corner b, 100 east, 0 south, area 10,000 square feet',
    );
    expect(spokenOf('outline', [5, 6], { ...now, closed: false }, undefined, square, undefined, usUnits)).toBe(
      '4 corners. Cross at 5 ft east, 6 ft south.',
    );
    expect(spokenOf('select', [0, 0], now, { side: 2 }, square, ground, usUnits)).toContain('side 3 of 4');
  });
});
