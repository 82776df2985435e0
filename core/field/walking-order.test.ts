import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Pair } from '../reckoning/inputs';
import { walkingOrder } from './walking-order';

const lawn = (id: string, x: number, y: number) => ({
  id,
  corners: [
    [x - 5, y - 5],
    [x + 5, y - 5],
    [x + 5, y + 5],
    [x - 5, y + 5],
  ] as Pair[],
});

describe('the order zones are walked in', () => {
  it('begins in the north-west and goes the shortest way, not to the nearest lawn first', () => {
    // from 0 the nearest is b at 10; but b, then c at -15, then d at 40 is 10 + 25 + 55 = 90, c first is 15 + 25 + 30 = 70
    const order = walkingOrder([lawn('d', 40, 0), lawn('b', 10, 0), lawn('a', 0, -60), lawn('c', -15, 0)]);
    expect(order[0]).toBe('a');
    expect(order).toEqual(['a', 'c', 'b', 'd']);
  });
  it('puts what nobody drew last, as it was given, and loses none', () => {
    expect(walkingOrder([{ id: 'typed', corners: [] }, lawn('b', 50, 50), lawn('a', 0, 0)])).toEqual([
      'a',
      'b',
      'typed',
    ]);
    expect(
      walkingOrder([
        { id: 'y', corners: [] },
        { id: 'x', corners: [] },
      ]),
    ).toEqual(['y', 'x']);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 500 })), { maxLength: 14 }),
        (places) => {
          const all = places.map(([x, y], i) => lawn(`z${i}`, x, y));
          expect([...walkingOrder(all)].sort()).toEqual(all.map(({ id }) => id).sort());
        },
      ),
      { numRuns: 40 },
    );
  });
});
