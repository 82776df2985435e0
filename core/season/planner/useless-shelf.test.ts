import { describe, expect, it } from 'vitest';
import { printPlan } from '../../files/plan-results';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import type { Case, Product } from '../../records/case';
import { anyPlan } from './split-search';
import { buildModel } from './build-model';
import { explainConflict } from './conflicts';
import { conflictWords } from './conflict-words';
import { highsSolver } from './highs-solver';
import { demo, highs } from './planner.fixture';
import { planBest } from './plan-best';
import { planProblem } from './problem';
import { planSeason } from '../draft/plan-season';

const LIMITS = { gap: 0.05, seconds: 300, conflictSeconds: 300 };
const only = (products: readonly Product[]) => (given: Case) => {
  given.products = [...products];
};
const organics = STARTER_SHELF.filter((p) => (p.nitrogen?.['natural-organic'] ?? 0) > 0);
const starter: Product = {
  id: 'seedling-feed',
  name: 'Seedling feed 16-20-4',
  form: 'granular',
  guaranteed: { N: 16, P2O5: 20, K2O: 4 },
  nitrogen: { ammoniacal: 9, urea: 7 },
  package: { lb: 40, price: 31 },
};
const liquid: Product = {
  id: 'spray-feed',
  name: 'Spray feed 11-0-3',
  form: 'liquid',
  guaranteed: { N: 11, K2O: 3 },
  nitrogen: { urea: 11 },
  lbPerGal: 10.2,
  package: { gal: 2.5, price: 44 },
};
const print = (given: Case) =>
  printPlan(given, {
    year: 2027,
    best: (file, plan, picked, locked) => planBest(highs, file, plan, { picked, locked }, LIMITS),
  });

describe('a shelf that can do nothing', () => {
  it.each<[string, (given: Case) => void]>([
    ['is empty', only([])],
    ['is not there', (given) => delete given.products],
    ['holds only organics', only(organics)],
    ['holds only a starter, where the test asks for no phosphorus', only([starter])],
    ['holds only a liquid', only([liquid])],
    ['holds only limes', only(STARTER_SHELF.filter((p) => p.limeKind))],
    [
      'is closed all year by a code',
      (given) => {
        given.codes = [{ id: 'c', closed: [{ from: '01-01', to: '12-31', nutrients: ['N', 'P2O5', 'K2O'] }] }];
      },
    ],
  ])('%s: the plan says so in words, and never breaks off', (_what, change) => {
    const given = demo('okonedo-residence');
    change(given);
    const { doses, checks, solver } = print(given);
    for (const dose of doses) expect(dose.rateLb).toBeGreaterThan(0);
    expect(['optimal', 'feasible', 'infeasible', 'drafted']).toContain(solver.status);
    const words = checks.map((check) => check.says).join(' ');
    if (solver.status === 'infeasible') expect(words).toMatch(/do without|leave/);
    expect(words).toMatch(/lb N/);
    expect(words).not.toMatch(/undefined|NaN/);
  });
});

describe('what is said of a year without a plan', () => {
  const given = demo('okonedo-residence');
  given.choices = { ...given.choices, maxTrips: 1 };
  const problem = planProblem(given, planSeason(given, 2027))!;
  const solver = highsSolver(highs);
  it('is called the least only where the solver proved it', () => {
    const whole = explainConflict(problem, (milp) => solver.solve(milp, { gap: 1e-4, seconds: 300 }));
    expect(whole.standing).toBe('least');
    expect(conflictWords({ status: 'infeasible', conflict: whole })[1]).toMatch(/^The least that frees it/);
    const early = explainConflict(problem, (milp) => ({
      ...solver.solve(milp, { gap: 1e-4, seconds: 300 }),
      status: 'feasible',
    }));
    expect(early.standing).toBe('found');
    expect(conflictWords({ status: 'infeasible', conflict: early })[1]).toMatch(/though less might do/);
  });
  it('claims nothing where that search ran out of its limit, and a contradiction only where one was proven', () => {
    expect(explainConflict(problem, () => ({ status: 'unknown' }))).toEqual({
      standing: 'unexplained',
      letGo: [],
      inTheWay: [],
    });
    expect(explainConflict(problem, () => ({ status: 'infeasible' })).standing).toBe('contradiction');
  });
  it('is the plain draft, and not “infeasible”, where the search found nothing in its limit', () => {
    const printed = printPlan(demo('okonedo-residence'), {
      year: 2027,
      best: () => ({ status: 'no-plan-in-time', doses: [], setAside: [] }),
    });
    expect(printed.solver.status).toBe('drafted');
    expect(printed.doses.length).toBeGreaterThan(0);
    expect(printed.checks.map((c) => c.id)).toContain('front-lawn/nitrogen-year');
  });
});

describe('a model without rows', () => {
  const column = (cost: number, lower = 0, upper = 4) => ({ name: 'x', cost, lower, upper, integer: true });
  it('is answered without the solver: each column at its cheaper end', () => {
    const solver = highsSolver(highs);
    expect(solver.solve({ columns: [], rows: [] })).toMatchObject({ status: 'optimal', objective: 0 });
    expect(solver.solve({ columns: [column(2, 1), column(-1)], rows: [] })).toMatchObject({
      status: 'optimal',
      objective: -2,
    });
    const row = { name: 'r', lower: 1, upper: 2, columns: [], values: [] };
    expect(solver.solve({ columns: [column(1)], rows: [row] }).status).toBe('infeasible');
    expect(solver.relaxation({ columns: [column(2, 1)], rows: [] }).under(new Map(), 1)).toMatchObject({
      status: 'optimal',
      objective: 2,
    });
  });
  it('is what an empty shelf makes', () => {
    const empty = demo('okonedo-residence');
    only([])(empty);
    const model = buildModel(planProblem(empty, planSeason(empty, 2027))!);
    expect(model.milp.rows.every((row) => row.columns.length === 0)).toBe(true);
    expect(anyPlan(model, highsSolver(highs), 5).status).toBe('infeasible');
  });
});
