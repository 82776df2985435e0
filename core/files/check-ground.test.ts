import { describe, expect, it } from 'vitest';
import type { Case, Zone } from '../records/case';
import { areaDoubtSays, areaDoubts, refuseOutlines } from './check-ground';

const lawn: Zone = { id: 'z', name: 'Bank', areaSqFt: 5000, grass: 'tall-fescue', texture: 'loam' };
const file = (zone: Partial<Zone>): Case => ({
  format: 'ubertas-case',
  version: 1,
  property: { id: 'p', name: 'Weir house' },
  zones: [{ ...lawn, ...zone }],
});

describe('the ground of a case', () => {
  it.each<[string, Partial<Zone>, string | undefined]>([
    ['an area that its rectangle gives', { rectangle: { lengthFt: 100, widthFt: 50 } }, undefined],
    ['one that was rounded', { areaSqFt: 5049, rectangle: { lengthFt: 100, widthFt: 50 } }, undefined],
    [
      'one that is nearly twice its rectangle',
      { areaSqFt: 9000, rectangle: { lengthFt: 100, widthFt: 50 } },
      'Bank says 9,000 sq ft, and its drawing gives 5,000 sq ft to feed',
    ],
    [
      'one that forgot its bed',
      {
        rectangle: { lengthFt: 100, widthFt: 50 },
        cutOuts: [{ id: 'b', kind: 'bed', rectangle: { lengthFt: 30, widthFt: 20 } }],
      },
      'Bank says 5,000 sq ft, and its drawing gives 4,400 sq ft to feed',
    ],
    ['an area without a drawing, whatever it is', { areaSqFt: 77 }, undefined],
  ])('is %s', (_what, zone, says) => {
    expect(areaDoubts(file(zone)).map(areaDoubtSays)).toEqual(says ? [says] : []);
  });
  it('is refused by the name of the zone where an outline crosses itself', () => {
    const bow: [number, number][] = [
      [0, 0],
      [10, 10],
      [10, 0],
      [0, 10],
    ];
    expect(refuseOutlines(file({ cornersFt: bow }))).toMatchObject({
      field: expect.stringContaining('zones[0]') as string,
      refused: expect.stringMatching(/^Bank: Side a to b crosses or touches side c to d/) as string,
    });
    expect(refuseOutlines(file({ rectangle: { lengthFt: 100, widthFt: 50 } }))).toBeUndefined();
  });
});
