import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Zone } from '@core/formats/case';
import { blankOutline, drawOutline, type OutlineAction, outlineFault } from './outline-state';
import { typedFromZone, type TypedZone, zoneFromTyped } from './zone-from-typed';

const draw = (...actions: OutlineAction[]) => actions.reduce(drawOutline, blankOutline());
const add = (x: number, y: number): OutlineAction => ({ do: 'add', at: [x, y] });
const square = [add(0, 0), add(10, 0), add(10, 10), add(0, 10)];

describe('drawing an outline', () => {
  it('closes on its start, takes no corner after that, and opens again when lifted', () => {
    const closed = draw(...square, add(0, 0));
    expect(closed).toMatchObject({ closed: true, corners: { length: 4 } });
    expect(drawOutline(closed, add(5, 5)).corners).toHaveLength(4);
    expect(drawOutline(closed, { do: 'lift' }).closed).toBe(false);
  });
  it('says where a shape crosses itself', () => {
    expect(outlineFault(draw(add(0, 0), add(10, 10), add(10, 0), add(0, 10), { do: 'close' }))).toContain(
      'Side a to b crosses',
    );
    expect(outlineFault(draw(...square, { do: 'close' }))).toBeUndefined();
  });
  it('undoes and redoes any drawing', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 50 }));
    const action: fc.Arbitrary<OutlineAction> = fc.oneof(
      point.map((at): OutlineAction => ({ do: 'add', at })),
      fc.tuple(fc.nat(5), point).map(([corner, to]): OutlineAction => ({ do: 'move', corner, to })),
      fc.constantFrom<OutlineAction>({ do: 'lift' }, { do: 'close' }, { do: 'clear' }),
    );
    fc.assert(
      fc.property(fc.array(action, { maxLength: 20 }), (actions) => {
        let state = draw(...actions);
        const { corners, closed, past } = state;
        for (let i = 0; i < past.length; i++) state = drawOutline(state, { do: 'undo' });
        expect(state).toMatchObject({ corners: [], closed: false });
        for (let i = 0; i < past.length; i++) state = drawOutline(state, { do: 'redo' });
        expect(state).toMatchObject({ corners, closed });
      }),
    );
  });
});

describe('a typed zone', () => {
  const typed = (change: Partial<TypedZone> = {}): TypedZone => ({
    ...typedFromZone(undefined),
    name: 'Lawn',
    length: '50',
    width: '40',
    grass: 'tall-fescue',
    texture: 'loam',
    ...change,
  });
  const faults = (change: Partial<TypedZone>) => {
    const answer = zoneFromTyped(typed(change), undefined, []);
    return 'faults' in answer ? answer.faults : {};
  };
  it('reckons its area from sides or from corners', () => {
    expect(zoneFromTyped(typed(), undefined, [])).toMatchObject({
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
    expect(zoneFromTyped(typed({ measure: 'known', area: '5,000' }), undefined, [])).toMatchObject({
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
    expect(zoneFromTyped(typedFromZone(zone), zone, ['z'])).toMatchObject({ zone });
  });
});
