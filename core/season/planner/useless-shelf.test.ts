import { describe, expect, it } from 'vitest';
import { printPlan } from '../../files/plan-results';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import type { Case, Product } from '../../records/case';
import { buildModel } from './build-model';
import { highsSolver } from './highs-solver';
import { demo, highs } from './planner.fixture';
import { planBest } from './plan-best';
import { planProblem } from './problem';
import { planSeason } from '../draft/plan-season';

const LIMITS = { gap: 0.05, seconds: 300 };
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
  ])('%s: there is a plan, and what it leaves short is named with its cure', (_what, change) => {
    const given = demo('okonedo-residence');
    change(given);
    const { doses, checks, shortfalls, solver } = print(given);
    for (const dose of doses) expect(dose.rateLb).toBeGreaterThan(0);
    expect(solver.status).toBe('optimal');
    for (const { askedLb, plannedLb, because, cure } of shortfalls) {
      expect(askedLb).toBeGreaterThan(plannedLb);
      expect(because).toMatch(/\.$/);
      expect(cure).toMatch(/\.$/);
    }
    const words = [...checks.map((check) => check.says), ...shortfalls.flatMap((s) => [s.because, s.cure])].join(' ');
    expect(words).toMatch(/lb N/);
    expect(words).not.toMatch(/undefined|NaN/);
  });
});

describe('a search that found nothing in its limit', () => {
  it('leaves the plain draft, and is not called “infeasible”', () => {
    const printed = printPlan(demo('okonedo-residence'), {
      year: 2027,
      best: () => ({ status: 'drafted', doses: [], setAside: [] }),
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
    expect(solver.relaxation({ columns: [column(2, 1)], rows: [] }).under(new Map(), {})).toMatchObject({
      status: 'optimal',
      objective: 2,
    });
  });
  it('is what an empty shelf makes', () => {
    const empty = demo('okonedo-residence');
    only([])(empty);
    const model = buildModel(planProblem(empty, planSeason(empty, 2027))!);
    const { status, values } = highsSolver(highs).solve(model.milp);
    expect(status).toBe('optimal');
    expect(model.doses).toEqual([]);
    expect(model.milp.columns.some(({ name }, i) => name.startsWith('short_N') && values![i]! > 0)).toBe(true);
  });
});
