import loadHighs, { type Highs } from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { highsSolver } from './highs-solver';
import { MilpBuilder } from './milp';
import type { PlanModel } from './model-parts';
import type { Solver, SolveProgress } from './solver';
import { splitSearch } from './split-search';

let solver: Solver;
beforeAll(async () => {
  const highs: Highs = await loadHighs();
  solver = highsSolver(highs);
});

/**
 * Bags of 50 lb at $45 and of 20 lb at $20, so many pounds needed, at most so many bags. Small enough to be worked out by
 * hand: 130 lb take 1 + 4 bags ($125), of at most four bags 2 + 2 ($130), of three 3 ($135); in tenths of bags $117 would do.
 */
function bags(neededLb: number, mostBags = 99): PlanModel {
  const builder = new MilpBuilder();
  const large = builder.column('buy_large', { cost: 45, integer: true, upper: 100 });
  const small = builder.column('buy_small', { cost: 20, integer: true, upper: 100 });
  builder.row(
    'needed',
    [
      [large, 50],
      [small, 20],
    ],
    { lower: neededLb },
  );
  const total = builder.counted('packages', [large, small]);
  builder.row('most', [[total, 1]], { upper: mostBags });
  return { milp: builder.milp, doses: [], totals: [total], packages: [large, small], uses: new Map() };
}

describe('a relaxation kept by the solver', () => {
  it('answers under other bounds as one solved anew, and the first again without them', () => {
    const { milp } = bags(130);
    const kept = solver.relaxation(milp);
    const first = kept.under(new Map(), {});
    // by hand: 2.6 large bags
    expect(first).toMatchObject({ status: 'optimal', objective: 117 });
    const bounds = new Map([[0, [0, 2] as const]]);
    // by hand: 2 large ones and 1.5 small ones
    expect(kept.under(bounds, {}, first.status === 'optimal' ? first : undefined)).toMatchObject({ objective: 120 });
    const anew = solver.relaxation(milp);
    expect(anew.under(bounds, {})).toMatchObject({ objective: 120 });
    anew.end();
    expect(
      kept.under(
        new Map([
          [0, [0, 1]],
          [1, [0, 3]],
        ]),
        {},
      ).status,
    ).toBe('infeasible');
    expect(kept.under(new Map(), {})).toMatchObject({ status: 'optimal', objective: 117 });
    kept.end();
  });
});

describe('a search that splits by what is counted', () => {
  it('comes to whole packages, with a bound that never passes them', () => {
    const heard: SolveProgress[] = [];
    const found = splitSearch(bags(130), solver, { gap: 1e-6 }, (progress) => heard.push(progress));
    expect(found).toMatchObject({ status: 'optimal' });
    expect(found.objective).toBeCloseTo(125, 6);
    expect([...(found.values ?? [])].map(Math.round)).toEqual([1, 4, 5]);
    const bounds = heard.flatMap(({ bound }) => bound ?? []);
    expect(bounds.length).toBeGreaterThan(1);
    for (const bound of bounds) expect(bound).toBeLessThanOrEqual(125 + 1e-6);
  });
  it.each([
    [3, 135],
    [4, 130],
  ])('with at most %i bags costs $%i', (most, cost) => {
    expect(splitSearch(bags(130, most), solver, { gap: 1e-6 }).objective).toBeCloseTo(cost, 6);
  });
  it('says that nothing fits', () => {
    expect(splitSearch(bags(130, 2), solver, { gap: 1e-6 }).status).toBe('infeasible');
  });
  it('ends in its time with what it has', () => {
    let clock = 0;
    const found = splitSearch(bags(130, 4), solver, { gap: 1e-6, seconds: 3 }, undefined, () => (clock += 1));
    // by then the whole was looked at, and no part of it searched to its end
    expect(found.bound).toBeLessThan(130);
    expect(found.objective).toBeGreaterThanOrEqual(130 - 1e-6);
    expect(found.gapPercent).toBeGreaterThan(0);
  });
});
