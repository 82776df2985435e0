import { describe, expect, it } from 'vitest';
import { caseOf, only } from '../any-lawn.fixture';
import { planSeason } from '../draft/plan-season';
import { aboutDraft } from './beginnings';
import { buildModel } from './build-model';
import { highsSolver } from './highs-solver';
import { highs } from './planner.fixture';
import { planProblem } from './problem';
import { bounded } from './solver';
import { turnsOf } from './turns';

// some bags: what is tried is how a plan is bettered, not how a whole shelf is sifted
const base = caseOf({}, only('urea-46', 'coated-urea-42', 'lawn-24-0-11', 'starter-18-24-6', 'sulfate-of-potash-50'));
const given = {
  ...base,
  zones: ['a', 'b', 'c'].map((id, i) => ({ ...base.zones[0]!, id, name: id, areaSqFt: 2000 + 1500 * i })),
  soilTests: ['a', 'b', 'c'].map((zoneId) => ({ ...base.soilTests![0]!, id: `t-${zoneId}`, zoneId })),
};
const draft = planSeason(given, 2027);
const model = buildModel(planProblem(given, draft)!);
const solver = highsSolver(highs);
const begun = solver.solve(
  bounded(
    model.milp,
    aboutDraft(
      planProblem(given, draft)!,
      model,
      draft.zones.flatMap((z) => z.doses),
    ),
  ),
  { gap: 0.05 },
);

describe('a search that begins with the plain draft', () => {
  it('has a plan of every zone at once, in the weeks of the draft or one beside them', () => {
    expect(begun.values).toBeDefined();
    const down = model.doses.filter((d) => begun.values![d.chosen]! > 0.5);
    expect(new Set(down.map((d) => d.zone.zone.id)).size).toBe(3);
    const days = draft.zones.flatMap((z) => z.doses.map((d) => Date.parse(d.date)));
    const mondays = planProblem(given, draft)!.weeks;
    for (const { week } of down) {
      const at = Date.parse(mondays[week]!.date);
      expect(Math.min(...days.map((day) => Math.abs(day - at)))).toBeLessThanOrEqual(14 * 86_400_000);
    }
  });
});

describe('turns that better a plan', () => {
  it('each leave the plan itself within their bounds, so that none can lose it', () => {
    const turns = turnsOf(model);
    // the weeks, the shelf, and two groups of zones
    expect(turns).toHaveLength(4);
    for (const keep of turns) {
      const bounds = keep(begun.values!);
      expect(bounds.size).toBeGreaterThan(0);
      for (const [column, [lower, upper]] of bounds) {
        expect(begun.values![column]!).toBeGreaterThanOrEqual(lower - 1e-6);
        expect(begun.values![column]!).toBeLessThanOrEqual(upper + 1e-6);
      }
    }
  });
  it('come to nothing dearer, and together to something cheaper than a plan of few doses to choose from', () => {
    let { values, objective } = begun as { values: Float64Array; objective: number };
    for (const keep of turnsOf(model)) {
      const next = solver.solve(bounded(model.milp, keep(values)), { gap: 0.01, work: 3000 });
      if (!next.values || next.objective! >= objective) continue;
      ({ values, objective } = next as { values: Float64Array; objective: number });
    }
    expect(objective).toBeLessThan(begun.objective! - 1);
  });
});
