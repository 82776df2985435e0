import { describe, expect, it } from 'vitest';
import type { Case } from '../../records/case';
import { checkPropertyPlan, checkZonePlan } from '../checks/check-plan';
import { planSeason } from '../draft/plan-season';
import { withDoses } from '../plan/with-doses';
import { filledFrom } from './beginnings';
import { buildModel } from './build-model';
import { highsSolver } from './highs-solver';
import type { PlanModel } from './model-parts';
import { demo, failing, highs } from './planner.fixture';
import { planProblem } from './problem';
import { readSolution } from './read-solution';
import type { SolveProgress } from './solver';
import { splitSearch } from './split-search';
import { zoneByZone } from './zone-by-zone';

describe('a property of many zones', () => {
  const quick = (part: PlanModel) => splitSearch(part, highsSolver(highs), { gap: 0.3, work: 2_000 });
  const SHELF = ['urea-46', 'ammonium-sulfate-21', 'coated-urea-42', 'sulfate-of-potash-50', 'calcitic-lime'];
  const many = (): Case => {
    const given = demo('quarry-lane-school');
    const zone = given.zones.find((z) => z.id === 'south-lawn')!;
    const copies = Array.from({ length: 5 }, (_, i) => ({
      ...zone,
      id: `z${i}`,
      name: `Z ${i}`,
      areaSqFt: 2000 + 900 * i,
    }));
    const tests = given.soilTests!.filter((t) => t.zoneId === zone.id);
    return {
      ...given,
      // few bags: what is tried here is how zones are begun together, not how a shelf is chosen from
      products: given.products!.filter((p) => SHELF.includes(p.id)),
      zones: copies,
      soilTests: copies.flatMap((z) => tests.map((t) => ({ ...t, id: `${t.id}-${z.id}`, zoneId: z.id }))),
    };
  };
  it('is begun zone by zone, and the beginning is a plan of the whole model', () => {
    const given = many();
    const problem = planProblem(given, planSeason(given, 2027))!;
    const start = zoneByZone(problem, quick)!;
    const model = buildModel(problem);
    // with every dose held where the start has it, the rest of the model can be filled in
    const held = model.milp.columns.map((column) =>
      /^[yc]_/.test(column.name)
        ? { ...column, lower: start.get(column.name) ?? 0, upper: start.get(column.name) ?? 0 }
        : column,
    );
    const filled = highsSolver(highs).solve({ columns: held, rows: model.milp.rows }, { gap: 0.5, seconds: 30 });
    expect(filled.status).toBe('optimal');
    const plan = withDoses(planSeason(given, 2027), given, readSolution(problem, model, filled.values!));
    expect(failing(checkPropertyPlan(given, plan))).toEqual([]);
    for (const z of plan.zones) expect(failing(checkZonePlan(z, given, plan))).toEqual([]);
  }, 120_000);
  it('claims no distance from the best while only the beginning is known', () => {
    const given = many();
    const problem = planProblem(given, planSeason(given, 2027))!;
    const start = zoneByZone(problem, quick)!;
    const heard: SolveProgress[] = [];
    const model = buildModel(problem);
    splitSearch(
      model,
      highsSolver(highs),
      { begin: [() => filledFrom(model, start)], gap: 0.3, seconds: 20 },
      (progress) => heard.push(progress),
    );
    expect(heard[0]).toMatchObject({ bound: undefined, gapPercent: undefined });
    expect(heard[0]?.values).toBeDefined();
    const told = heard.filter((h) => h.gapPercent !== undefined);
    expect(told.length).toBeGreaterThan(0);
    for (const { gapPercent, best, bound } of told) expect(gapPercent).toBeCloseTo(((best! - bound!) / best!) * 100, 6);
  }, 60_000);
  it('begins with a plan that leaves short what the trips do not reach', () => {
    const given = { ...many(), choices: { year: 2027, maxTrips: 1 } };
    const problem = planProblem(given, planSeason(given, 2027))!;
    const start = zoneByZone(problem, quick)!;
    const trips = [...start].filter(([name, value]) => /^t_\d/.test(name) && value > 0.5);
    expect(trips.length).toBeLessThanOrEqual(1);
    const fed = [...start].filter(([name, value]) => /^n_\d/.test(name) && value > 0.5);
    expect(fed.length).toBeGreaterThan(0);
    expect(fed.length).toBeLessThanOrEqual(problem.zones.length);
  }, 60_000);
});
