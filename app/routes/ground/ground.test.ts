import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Zone } from '@core/records/case';
import { draw as step, type DraftAction, newDraft, outlineFault, withSideLength } from './draft/draft-state';
import { closed, pointWith, shapeBetween } from './draft/pointing';
import { cornerFromText, snap } from './draft/snap';
import { groundFromZone, measuredFrom } from './draft/typed-ground';
import { typedFromZone, type TypedZone, zoneFromTyped } from './draft/zone-from-typed';
import { usUnits } from '../../ui/format';

const draw = (...actions: DraftAction[]) =>
  actions.reduce(step, newDraft({ ...groundFromZone(undefined, usUnits), measure: 'outline' }));
const add = (x: number, y: number): DraftAction => ({ do: 'add', at: [x, y] });
const square = [add(0, 0), add(10, 0), add(10, 10), add(0, 10)];

describe('drawing an outline', () => {
  it('closes on its start, takes no corner after that, and opens again when lifted', () => {
    const whole = draw(...square, add(0, 0));
    expect(whole.now).toMatchObject({ closed: true, corners: { length: 4 } });
    expect(step(whole, add(5, 5)).now.corners).toHaveLength(4);
    expect(step(whole, { do: 'lift' }).now.closed).toBe(false);
  });
  it('says where a shape crosses itself', () => {
    expect(outlineFault(draw(add(0, 0), add(10, 10), add(10, 0), add(0, 10), { do: 'close' }).now)).toContain(
      'Side a to b crosses',
    );
    expect(outlineFault(draw(...square, { do: 'close' }).now)).toBeUndefined();
  });
  it('undoes and redoes any drawing', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 50 }));
    const action: fc.Arbitrary<DraftAction> = fc.oneof(
      point.map((at): DraftAction => ({ do: 'add', at })),
      fc.tuple(fc.nat(5), point).map(([corner, to]): DraftAction => ({ do: 'move', corner, to })),
      fc.constantFrom<DraftAction>({ do: 'lift' }, { do: 'close' }, { do: 'clear' }),
    );
    fc.assert(
      fc.property(fc.array(action, { maxLength: 20 }), (actions) => {
        let state = draw(...actions);
        const { now, past } = state;
        for (let i = 0; i < past.length; i++) state = step(state, { do: 'undo' });
        expect(state.now).toMatchObject({ corners: [], closed: false });
        for (let i = 0; i < past.length; i++) state = step(state, { do: 'redo' });
        expect(state.now).toEqual(now);
      }),
    );
  });
});

describe('drawing to exact measures', () => {
  it('gives a side its typed length, the fixed end staying', () => {
    const corners: [number, number][] = [
      [0, 0],
      [30, 40],
      [60, 0],
    ];
    expect(withSideLength(corners, 0, 100, 'near')[1]).toEqual([60, 80]);
    expect(withSideLength(corners, 0, 100, 'far')[0]).toEqual([-30, -40]);
    expect(withSideLength(corners, 2, 30, 'near')[0]).toEqual([30, 0]);
  });
  it('moves everything of a zone together', () => {
    const state = step(
      newDraft({
        ...groundFromZone(undefined, usUnits),
        measure: 'outline',
        corners: [[0, 0]],
        cutOuts: [
          { id: 'a', kind: 'bed', cornersFt: [[1, 1]] },
          { id: 'b', kind: 'bed', atFt: [2, 2] },
        ],
      }),
      { do: 'shift', by: [10, -5] },
    );
    expect(state.now.corners).toEqual([[10, -5]]);
    expect(state.now.cutOuts).toMatchObject([{ cornersFt: [[11, -4]] }, { atFt: [12, -3] }]);
  });
  it('makes shapes of two points, and refuses one without width', () => {
    expect(shapeBetween('rectangle', [40, 30], [10, 10])).toEqual({
      rectangle: { lengthFt: 30, widthFt: 20 },
      atFt: [10, 10],
    });
    expect(shapeBetween('circle', [20, 20], [23, 24])).toEqual({
      ellipse: { lengthFt: 10, widthFt: 10 },
      atFt: [15, 15],
    });
    expect(shapeBetween('ellipse', [0, 0], [0, 9])).toBeUndefined();
    expect(pointWith('rectangle', [[0, 0]], [0, 0])).toEqual({ pending: [[0, 0]] });
    expect(
      pointWith(
        'outline',
        [
          [0, 0],
          [9, 0],
          [9, 9],
        ],
        [0, 0],
      ).shape,
    ).toBeDefined();
    expect(closed([[0, 0]]).shape).toBeUndefined();
  });
  it('snaps to a corner before a right angle, to a side before whole feet, and to nothing when told so', () => {
    const all = { corners: true, rightAngles: true, wholeFeet: true };
    const outlines: [number, number][][] = [
      [
        [0, 0],
        [50, 0],
        [50, 50],
      ],
    ];
    expect(snap([1, 1], 2, all, outlines)).toEqual({ at: [0, 0], to: 'corner' });
    expect(snap([20.3, 1], 2, { ...all, wholeFeet: false }, outlines)).toEqual({ at: [20.3, 0], to: 'side' });
    expect(snap([80.4, 31], 2, all, outlines, [80, 10], [60, 10])).toEqual({ at: [80, 31], to: 'right angle' });
    expect(snap([80.4, 31.7], 0.1, all, [])).toEqual({ at: [80, 32], to: 'whole feet' });
    expect(snap([80.4, 31.7], 2, { corners: false, rightAngles: false, wholeFeet: false }, outlines)).toEqual({
      at: [80.4, 31.7],
    });
  });
  it('reads a corner as a place or as a length and a bearing', () => {
    expect(cornerFromText('166, 88', undefined)).toEqual([166, 88]);
    const east = cornerFromText('84 ft @ 90°', [10, 10]) as [number, number];
    expect(east[0]).toBeCloseTo(94, 9);
    expect(east[1]).toBeCloseTo(10, 9);
    expect(cornerFromText('84 @ 92', undefined)).toBeUndefined();
    expect(cornerFromText('north', [0, 0])).toBeUndefined();
  });
  it.each<[string, Parameters<typeof measuredFrom>[0], object | string]>([
    [
      'circle',
      { ...groundFromZone(undefined, usUnits), measure: 'circle', length: '20' },
      { ellipse: { lengthFt: 20, widthFt: 20 } },
    ],
    [
      'triangle',
      { ...groundFromZone(undefined, usUnits), measure: 'triangle', a: '3', b: '4', c: '5' },
      { triangle: { aFt: 3, bFt: 4, cFt: 5 } },
    ],
    [
      'offsets',
      { ...groundFromZone(undefined, usUnits), measure: 'offsets', spacing: '25', offsets: '18, 21 24\n23;16' },
      { offsets: { spacingFt: 25, offsetsFt: [18, 21, 24, 23, 16] } },
    ],
    [
      'one offset',
      { ...groundFromZone(undefined, usUnits), measure: 'offsets', spacing: '25', offsets: '18' },
      'offsets',
    ],
    [
      'words for a length',
      { ...groundFromZone(undefined, usUnits), measure: 'ellipse', length: 'long', width: '4' },
      'length',
    ],
    [
      'a turn in words',
      { ...groundFromZone(undefined, usUnits), measure: 'rectangle', length: '5', width: '4', turn: 'left' },
      'turn',
    ],
  ])('reads a typed %s', (_name, typed, expected) => {
    const faults: Record<string, string> = {};
    const measured = measuredFrom(typed, faults, usUnits);
    if (typeof expected === 'string') expect(faults).toHaveProperty(expected);
    else {
      expect(measured).toMatchObject(expected);
      expect(faults).toEqual({});
    }
  });
  it('comes back from a stored zone as it went in', () => {
    const zone: Zone = {
      id: 'z',
      name: 'Z',
      areaSqFt: 2150,
      grass: 'fine-fescue',
      texture: 'loam',
      offsets: { spacingFt: 25, offsetsFt: [18, 21, 24, 23, 16] },
      atFt: [24, 146],
      turnDeg: -90,
    };
    const again = zoneFromTyped(typedFromZone(zone, usUnits), zone, [], undefined, usUnits);
    expect(again).toMatchObject({ zone: { ...zone, areaSqFt: expect.closeTo(2150, 6) } });
  });
});

describe('a typed zone', () => {
  const typed = (change: Partial<TypedZone> = {}): TypedZone => ({
    ...typedFromZone(undefined, usUnits),
    name: 'Lawn',
    length: '50',
    width: '40',
    grass: 'tall-fescue',
    texture: 'loam',
    ...change,
  });
  const faults = (change: Partial<TypedZone>) => {
    const answer = zoneFromTyped(typed(change), undefined, [], undefined, usUnits);
    return 'faults' in answer ? answer.faults : {};
  };
  it('reckons its area from sides or from corners', () => {
    expect(zoneFromTyped(typed(), undefined, [], undefined, usUnits)).toMatchObject({
      zone: { id: 'lawn', areaSqFt: 2000, rectangle: { lengthFt: 50, widthFt: 40 } },
    });
    expect(
      zoneFromTyped(
        typed({
          measure: 'outline',
          corners: [
            [0, 0],
            [30, 0],
            [0, 40],
          ],
          closed: true,
        }),
        undefined,
        [],
        undefined,
        usUnits,
      ),
    ).toMatchObject({
      zone: {
        areaSqFt: 600,
        cornersFt: [
          [0, 0],
          [30, 0],
          [0, 40],
        ],
      },
    });
    expect(zoneFromTyped(typed({ measure: 'known', area: '5,000' }), undefined, [], undefined, usUnits)).toMatchObject({
      zone: { areaSqFt: 5000 },
    });
  });
  it.each<[string, Partial<TypedZone>, string, string]>([
    ['letters in a number', { length: '5o' }, 'length', 'must be a number'],
    ['a negative length', { length: '-50' }, 'length', 'above 0'],
    ['a negative area', { measure: 'known', area: '-5' }, 'area', 'above 0'],
    ['no length', { length: '' }, 'length', 'empty'],
    [
      'an open outline',
      {
        measure: 'outline',
        corners: [
          [0, 0],
          [9, 0],
          [9, 9],
        ],
        closed: false,
      },
      'corners',
      'open',
    ],
    [
      'a crossing outline',
      {
        measure: 'outline',
        corners: [
          [0, 0],
          [9, 9],
          [9, 0],
          [0, 9],
        ],
        closed: true,
      },
      'corners',
      'crosses',
    ],
    ['no name', { name: ' ' }, 'name', 'name'],
    ['no grass', { grass: undefined }, 'grass', 'grass'],
    ['an odd age', { age: 'old' }, 'age', 'Age'],
  ])('refuses %s beside its field', (_name, change, field, says) => {
    expect(faults(change)[field]).toContain(says);
  });
  it('keeps what the form does not show, and shows what it keeps', () => {
    const zone: Zone = {
      id: 'z',
      name: 'Lawn',
      areaSqFt: 2000,
      rectangle: { lengthFt: 50, widthFt: 40 },
      grass: 'tall-fescue',
      texture: 'loam',
      slopePercent: 7,
      nitrogenOff: ['wear'],
    };
    expect(zoneFromTyped(typedFromZone(zone, usUnits), zone, ['z'], undefined, usUnits)).toMatchObject({ zone });
  });
});
