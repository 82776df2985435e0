import fc from 'fast-check';
import GLPK from 'glpk.js/node';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import type { Case } from '../../records/case';
import { CLIMATE_PRESETS, STARTER_SHELF } from '../../packs/starter-shelf';
import { planSeason } from '../draft/plan-season';
import { buildModel } from './build-model';
import { highsSolver } from './highs-solver';
import { printLp } from './lp-file';
import type { Milp } from './milp';
import { planProblem } from './problem';
import type { SolveProgress } from './solver';
import { splitSearch } from './split-search';

// GLPK is the second opinion: another solver, by other people, given the same model as numbers, and HiGHS given it as text.

async function byGlpk({ columns, rows }: Milp): Promise<{ status: string; objective: number }> {
  const glpk = await GLPK();
  const bounds = (lower: number, upper: number) =>
    lower === -Infinity && upper === Infinity
      ? { type: glpk.GLP_FR, lb: 0, ub: 0 }
      : lower === upper
        ? { type: glpk.GLP_FX, lb: lower, ub: upper }
        : upper === Infinity
          ? { type: glpk.GLP_LO, lb: lower, ub: 0 }
          : lower === -Infinity
            ? { type: glpk.GLP_UP, lb: 0, ub: upper }
            : { type: glpk.GLP_DB, lb: lower, ub: upper };
  const name = (column: number) => `x${column}`;
  const { result } = glpk.solve(
    {
      name: 'season',
      objective: {
        direction: glpk.GLP_MIN,
        name: 'cost',
        vars: columns.flatMap((c, i) => (c.cost === 0 ? [] : [{ name: name(i), coef: c.cost }])),
      },
      subjectTo: rows.map((row, i) => ({
        name: `r${i}`,
        vars: row.columns.map((column, k) => ({ name: name(column), coef: row.values[k] as number })),
        bnds: bounds(row.lower, row.upper),
      })),
      bounds: columns.map((c, i) => ({ name: name(i), ...bounds(c.lower, c.upper) })),
      generals: columns.flatMap((c, i) => (c.integer ? [name(i)] : [])),
    },
    { msglev: glpk.GLP_MSG_OFF, presol: true, mipgap: 1e-7, tmlim: 60 },
  );
  return {
    status:
      result.status === glpk.GLP_OPT
        ? 'optimal'
        : result.status === glpk.GLP_NOFEAS || result.status === glpk.GLP_UNDEF
          ? 'infeasible'
          : String(result.status),
    objective: result.z,
  };
}

const shelf = (ids: readonly string[]) => STARTER_SHELF.filter((p) => ids.includes(p.id));
const anyProperty = fc.record({
  climate: fc.constantFrom(...CLIMATE_PRESETS),
  grass: fc.constantFrom(
    'bermudagrass' as const,
    'zoysiagrass' as const,
    'tall-fescue' as const,
    'centipedegrass' as const,
  ),
  area: fc.integer({ min: 900, max: 30_000 }),
  onHandLb: fc.integer({ min: 0, max: 60 }),
  price: fc.integer({ min: 15, max: 70 }),
  care: fc.constantFrom('low' as const, 'standard' as const),
  products: fc.constantFrom(
    ['urea-46', 'coated-urea-42'],
    ['ammonium-sulfate-21', 'urea-46'],
    ['coated-urea-42', 'ammonium-sulfate-21'],
  ),
  maxTrips: fc.constantFrom(undefined, 2, 3, 5),
});

describe('the same model by two solvers', () => {
  it('has the same optimum, or none, in 24 random properties', async () => {
    const highs = await loadHighs();
    const solver = highsSolver(highs);
    let planned = 0;
    await fc.assert(
      fc.asyncProperty(anyProperty, async ({ climate, grass, area, onHandLb, price, care, products, maxTrips }) => {
        const given: Case = {
          format: 'ubertas-case',
          version: 1,
          property: { id: 'p', name: 'P', latitudeDeg: climate.latitudeDeg, climate: climate.climate },
          zones: [{ id: 'z', name: 'Z', areaSqFt: area, grass, texture: 'silt-loam', care }],
          products: shelf(products).map((p, i) => (i === 0 ? { ...p, onHandLb, package: { lb: 50, price } } : p)),
          choices: { year: 2027, maxTrips },
        };
        const problem = planProblem(given, planSeason(given, 2027), { aim: 'cheapest' })!;
        // every fourth week stands for the year: two solvers must agree on small models as on large ones
        const model = buildModel({
          ...problem,
          zones: problem.zones.map((zone) => ({
            ...zone,
            schools: { ...zone.schools, steps: [], amounts: [] },
            carriers: zone.carriers.map((c) => ({ ...c, open: c.open.map((open, w) => open && w % 4 === 0) })),
          })),
        });
        const { milp } = model;
        const heard: SolveProgress[] = [];
        const exact = solver.solve(milp, { gap: 1e-7 });
        const text = highs.solve(printLp(milp), { output_flag: false, mip_rel_gap: 1e-7 });
        const second = await byGlpk(milp);
        expect(text.Status === 'Optimal').toBe(exact.status === 'optimal');
        expect(second.status).toBe(exact.status);
        // the search that the planner runs is no solver of its own: it must come to the same
        const split = splitSearch(model, solver, { gap: 1e-7 }, (progress) => heard.push(progress));
        expect(split.status).toBe(exact.status);
        if (exact.status !== 'optimal') return;
        planned++;
        const near = 1e-4 * Math.max(1, exact.objective!);
        expect(Math.abs(split.objective! - exact.objective!)).toBeLessThanOrEqual(near);
        for (const { bound, best, gapPercent } of heard) {
          // no distance is claimed before a bound is proven
          if (gapPercent !== undefined) expect(bound).toBeDefined();
          if (bound !== undefined) expect(bound).toBeLessThanOrEqual(exact.objective! + near);
          if (best !== undefined) expect(best).toBeGreaterThanOrEqual(exact.objective! - near);
        }
        // rows that only shorten the proof cut nothing off
        const bare = { columns: milp.columns, rows: milp.rows.filter((row) => !row.implied) };
        expect(Math.abs(solver.solve(bare, { gap: 1e-7 }).objective! - exact.objective!)).toBeLessThanOrEqual(near);
        expect(Math.abs(second.objective - exact.objective!)).toBeLessThanOrEqual(near);
        expect(Math.abs(text.ObjectiveValue - exact.objective!)).toBeLessThanOrEqual(near);
      }),
      // always the same instances: how long another solver takes must not depend on luck
      { numRuns: 24, seed: 20_270_405 },
    );
    // a comparison of nothing would agree with itself
    expect(planned).toBeGreaterThan(5);
  }, 180_000);
});
