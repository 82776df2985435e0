import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { highsSolver } from './highs-solver';
import { MilpBuilder } from './milp';
import { highs } from './planner.fixture';
import { bounded } from './solver';

const solver = highsSolver(highs);

/** So many pounds from three bags, each at most nine times. */
function knapsack(bags: readonly { lb: number; cost: number }[], neededLb: number) {
  const builder = new MilpBuilder();
  const columns = bags.map(({ cost }, i) => builder.column(`bag_${i}`, { cost, upper: 9, integer: true }));
  builder.row(
    'needed',
    columns.map((column, i) => [column, bags[i]?.lb ?? 0] as const),
    { lower: neededLb },
  );
  return builder.milp;
}

/** The same by trying every number of bags. */
function byTrying(bags: readonly { lb: number; cost: number }[], neededLb: number): number | undefined {
  let least: number | undefined;
  for (let n = 0; n < 1000; n++) {
    const count = [n % 10, Math.floor(n / 10) % 10, Math.floor(n / 100)];
    const lb = bags.reduce((sum, bag, i) => sum + bag.lb * (count[i] ?? 0), 0);
    const cost = bags.reduce((sum, bag, i) => sum + bag.cost * (count[i] ?? 0), 0);
    if (lb >= neededLb && (least === undefined || cost < least)) least = cost;
  }
  return least;
}

describe('HiGHS as the planner’s solver', () => {
  it('finds what trying every number finds (any bags)', () => {
    const bag = fc.record({ lb: fc.integer({ min: 5, max: 50 }), cost: fc.integer({ min: 5, max: 60 }) });
    fc.assert(
      fc.property(fc.array(bag, { minLength: 3, maxLength: 3 }), fc.integer({ min: 1, max: 600 }), (bags, needed) => {
        const { status, objective } = solver.solve(knapsack(bags, needed), { gap: 1e-9 });
        const least = byTrying(bags, needed);
        expect(status).toBe(least === undefined ? 'infeasible' : 'optimal');
        if (least !== undefined) expect(objective).toBeCloseTo(least, 6);
      }),
      { numRuns: 60, seed: 20_270_405 },
    );
  });
  it('tightens bounds on a copy: the model stays as it was', () => {
    const bags = [
      { lb: 50, cost: 45 },
      { lb: 20, cost: 20 },
      { lb: 10, cost: 12 },
    ];
    const milp = knapsack(bags, 130);
    const few = bounded(milp, new Map([[1, [0, 0]]]));
    // by hand: two of 50, one of 20 and one of 10 lb cost $122; without bags of 20 lb, two and three cost $126
    expect(solver.solve(few, { gap: 1e-9 }).objective).toBeCloseTo(126, 6);
    expect(milp.columns[1]).toMatchObject({ lower: 0, upper: 9 });
    expect(solver.solve(milp, { gap: 1e-9 }).objective).toBeCloseTo(122, 6);
  });
  it('starts from a plan it is given, and tells of better ones', () => {
    const milp = knapsack(
      [
        { lb: 50, cost: 45 },
        { lb: 20, cost: 20 },
        { lb: 10, cost: 12 },
      ],
      130,
    );
    const heard: number[] = [];
    const start = new Map([
      ['bag_0', 3],
      ['bag_1', 0],
      ['bag_2', 0],
    ]);
    const { objective } = solver.solve(milp, { gap: 1e-9, start }, ({ best, values }) => {
      if (values && best !== undefined) heard.push(best);
    });
    expect(objective).toBeCloseTo(122, 6);
    for (const best of heard) expect(best).toBeLessThanOrEqual(135 + 1e-6);
  });
});
