import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gateFor, rateOfCatch } from '../../core/field/gate';
import { isRefusal } from '../../core/reckoning/refusal';
import type { Catch } from '../../core/records/spreader-schema';
import { readScale, throwSpreader } from './kit';

const WALK = { speedMph: 3, swathFt: 6, distanceFt: 80 };
const thrown = (given: object) => {
  const answer = throwSpreader({ ...WALK, walk: 1, ...given });
  if (isRefusal(answer)) throw new Error(answer.refused);
  return answer;
};
const weighed = (lb: number, reading: number): number => {
  const answer = readScale({ lb, reading });
  if (isRefusal(answer)) throw new Error(answer.refused);
  return answer.lb;
};

describe('the simulated spreader and scale', () => {
  it('give the same for the same, scatter by walks, and give more by a wider gate', () => {
    expect(thrown({ equipment: 7, opening: 4 })).toEqual(thrown({ equipment: 7, opening: 4 }));
    const walks = Array.from({ length: 60 }, (_, walk) => thrown({ equipment: 7, opening: 4, walk }).caughtLb);
    const mean = walks.reduce((a, b) => a + b, 0) / walks.length;
    const spread = Math.sqrt(walks.reduce((sum, lb) => sum + (lb / mean - 1) ** 2, 0) / walks.length);
    expect(spread).toBeGreaterThan(0.01);
    expect(spread).toBeLessThan(0.035);
    expect(thrown({ equipment: 7, opening: 6 }).caughtLb).toBeGreaterThan(
      1.2 * thrown({ equipment: 7, opening: 4 }).caughtLb,
    );
  });
  it('lead any spreader from two catches to an opening that a third confirms within 5 percent, or from three', () => {
    fc.assert(
      fc.property(fc.nat(4_000_000), fc.double({ min: 1, max: 4, noNaN: true }), (equipment, targetLb) => {
        const catches: Catch[] = [];
        const caught = (opening: number) => {
          const { caughtLb } = thrown({ equipment, opening, walk: catches.length });
          const made: Catch = {
            productId: 'p',
            on: '2027-04-05',
            opening,
            caughtLb: weighed(caughtLb, catches.length),
            swathFt: WALK.swathFt,
            distanceFt: WALK.distanceFt,
          };
          catches.push(made);
          return rateOfCatch(made) / targetLb - 1;
        };
        const gate = () =>
          gateFor({ id: 's', name: 'S', dialStep: 0.05, catches }, { productId: 'p', targetLb, today: '2027-04-05' });
        let off = caught(5);
        for (let i = 0; i < 6 && Math.abs(off) > 0.05; i++) off = caught(gate().set as number);
        // the scatter of a walk is 2 percent: within six more catches it is met
        expect(Math.abs(off)).toBeLessThanOrEqual(0.05);
      }),
      { numRuns: 60, seed: 11 },
    );
  });
  it('fill trays most in the middle', () => {
    const { traysG = [] } = thrown({ equipment: 12, opening: 4, trays: 11, traySpacingFt: 1, traySqFt: 1.9 });
    expect(traysG).toHaveLength(11);
    expect(Math.max(...traysG)).toBe(Math.max(...traysG.slice(3, 8)));
  });
  it('weigh to a hundredth of a pound, at most a step off', () => {
    for (let i = 0; i < 40; i++) {
      const lb = weighed(0.527 + i * 0.013, i);
      expect(Math.abs(lb - (0.527 + i * 0.013))).toBeLessThan(0.0125);
      expect(Math.abs(lb * 100 - Math.round(lb * 100))).toBeLessThan(1e-9);
    }
  });
  it.each([
    [{ equipment: 7, opening: 0 }, 'Opening'],
    [{ equipment: 7, opening: 4, speedMph: 90 }, 'Walking speed'],
    [{ equipment: 7, opening: 4, name: 'Mill Race' }, 'name'],
  ])('refuse %j', (given, says) => {
    expect(throwSpreader({ ...WALK, walk: 1, ...given })).toMatchObject({
      refused: expect.stringContaining(says) as string,
    });
  });
});
