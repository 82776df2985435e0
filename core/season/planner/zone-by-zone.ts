import { buildModel } from './build-model';
import { type PlanModel, rateIn } from './model-parts';
import type { SolveResult } from './solver';
import type { PlanProblem, StandingDose, ZoneProblem } from './problem-shape';

/** A zone whose doses are settled: it asks for nothing more, and what it takes from the store stays taken. */
const settled = (zone: ZoneProblem, standing: StandingDose[]): ZoneProblem => ({
  ...zone,
  carriers: [],
  corrections: [],
  schools: { ...zone.schools, steps: [], amounts: [] },
  nitrogen: { least: 0, most: Infinity },
  phosphate: { least: 0, most: Infinity },
  potash: { least: 0, most: Infinity },
  magnesiumLb: 0,
  sulfurLb: 0,
  codeYearLb: undefined,
  standing,
});

/** Columns that belong to a zone carry its number behind their first word: `y_2_0_17`. */
const zoneOf = (name: string): number => Number(name.split('_')[1]);

/**
 * A first plan of a property with many zones: zone after zone, the largest first, each on the trips and from the store that the ones before
 * have left. A whole plan in seconds where the model of all zones at once has none for long; from there the search goes on. Undefined
 * where a zone finds nothing, because the ones before took its trips.
 *
 * @returns values of the whole model's columns by name; purchases are left for the solver to fill in
 */
export function zoneByZone(
  problem: PlanProblem,
  solve: (model: PlanModel) => SolveResult,
): Map<string, number> | undefined {
  const start = new Map<string, number>();
  const order = problem.zones.map((_, z) => z).sort((a, b) => areaOf(problem, b) - areaOf(problem, a));
  const taken = new Map<number, StandingDose[]>();
  const weeks = new Set(problem.standingWeeks);
  for (const z of order) {
    const part: PlanProblem = {
      ...problem,
      standingWeeks: weeks,
      zones: problem.zones.map((zone, i) => (i === z ? zone : settled(zone, taken.get(i) ?? zone.standing))),
    };
    const model = buildModel(part);
    const { milp, doses } = model;
    const { values } = solve(model);
    if (!values) return undefined;
    const down = [...(problem.zones[z] as ZoneProblem).standing];
    taken.set(z, down);
    for (const dose of doses) {
      if ((values[dose.chosen] ?? 0) < 0.5) continue;
      weeks.add(dose.week);
      down.push({
        zoneId: dose.zone.zone.id,
        date: problem.weeks[dose.week]?.date as string,
        product: dose.product,
        for: dose.correction?.purpose ?? 'N',
        rateLb: rateIn(dose, values),
        given: false,
      });
    }
    milp.columns.forEach(({ name, integer }, column) => {
      const value = values[column] ?? 0;
      if (zoneOf(name) === z) start.set(name, integer ? Math.round(value) : value);
      else if (name.startsWith('t_') && value > 0.5) start.set(name, 1);
    });
  }
  return start;
}

const areaOf = (problem: PlanProblem, z: number): number => problem.zones[z]?.zone.areaSqFt ?? 0;
