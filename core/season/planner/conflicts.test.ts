import { describe, expect, it } from 'vitest';
import { planSeason } from '../draft/plan-season';
import type { LetGo } from './conflicts';
import { conflictWords, letGoWords } from './conflict-words';
import { planBest } from './plan-best';
import { demo, highs, solved } from './planner.fixture';
import { planProblem } from './problem';

describe('a year that cannot be planned', () => {
  it('names the rules in conflict and the least that frees it, and that does free it', () => {
    const given = demo('quarry-lane-school');
    given.choices = { ...given.choices, maxTrips: 2 };
    const { best } = solved(given);
    expect(best).toMatchObject({ status: 'infeasible', doses: [] });
    const words = conflictWords(best);
    expect(words.join(' ')).toMatch(/at most 2 trips/);
    expect(words[1]).toMatch(/^The least that frees it: /);
    const [trips, ...others] = best.conflict!.letGo;
    expect(trips).toMatchObject({ key: '/trips', kind: 'trips' });
    expect(others).toEqual([]);
    const freedBy = (amount: number) => solved(given, { letGo: { '/trips': amount } }).best.status;
    expect(['optimal', 'feasible']).toContain(freedBy(trips!.amount));
    // it is the least: with one trip fewer there is no plan again
    expect(freedBy(trips!.amount - 1)).toBe('infeasible');
  });
  it('says so where nothing on the shelf brings nitrogen', () => {
    const given = demo('okonedo-residence');
    given.products = given.products!.filter((p) => (p.guaranteed.N ?? 0) === 0);
    const { best } = solved(given);
    expect(best.status).toBe('infeasible');
    expect(conflictWords(best).join(' ')).toMatch(/lb N for the year on Front lawn/);
  });
  it('finds which rule could give way instead', () => {
    const given = demo('okonedo-residence');
    // locks that bring more nitrogen than the year may have
    const locked = ['2027-04-26', '2027-09-06'].map((date) => ({
      zoneId: 'front-lawn',
      date,
      productId: 'urea-46',
      for: 'N' as const,
      rateLb: 6,
    }));
    const { best } = solved(given, { locked });
    expect(best.status).toBe('infeasible');
    expect(conflictWords(best)[0]).toMatch(/No plan keeps every rule/);
  });
  it('has no plan without a climate', () => {
    const given = demo('okonedo-residence');
    delete (given.property as { climate?: unknown }).climate;
    expect(planBest(highs, given, planSeason(given, 2027)).status).toBe('no-climate');
  });
  it('lets slow nitrogen feed into the heat only where a person allows it', () => {
    const given = demo('okonedo-residence');
    // the year's feed in one coated dose on the eve of the heat, given already: what it lets go in the heat cannot be undone
    const locked = [
      { zoneId: 'front-lawn', date: '2027-06-21', productId: 'coated-urea-42', for: 'N' as const, rateLb: 2.6 },
    ];
    const { best, checks } = solved(given, { locked });
    expect(best.status).not.toBe('infeasible');
    // the rest is planned around it, and the check still names what stands
    expect(checks.find((c) => c.id === 'heat-supply')).toMatchObject({ standing: 'warn' });
    const problem = planProblem(given, planSeason(given, 2027), { locked })!;
    expect(problem.zones[0]!.mostFreeInHeatLb).toBe(0);
    const allowed = planProblem(given, planSeason(given, 2027), { letGo: { 'front-lawn/heat-supply': 0.3 } })!;
    expect(allowed.zones[0]!.mostFreeInHeatLb).toBeCloseTo(0.8, 9);
  });
  it.each<[LetGo['kind'], number, RegExp]>([
    ['trips', 1, /^allow 1 more trip$/],
    ['trips', 2, /^allow 2 more trips$/],
    ['most-interval', 1, /^allow 1 more week between feedings$/],
    ['heat-supply', 0.21, /^let slow doses make 0\.21 lb N per 1000 sq ft more free in the heat$/],
    ['late-season', 1, /^leave out the late-season steps \(asked\)$/],
    ['potassium-season', 0.4, /^leave out the school's potash \(asked\)$/],
    ['lime', 1, /^leave lime for another year \(asked\)$/],
    ['nitrogen-year', 0.4, /^leave 0\.40 lb N per 1000 sq ft unmet \(asked: asked\)$/],
  ])('says what letting %s go by %d means', (kind, amount, words) => {
    expect(letGoWords({ key: 'k', kind, amount, unit: 'lb N per 1000 sq ft', says: 'asked' })).toMatch(words);
  });
  it('tells a search that ran out of time from one that cannot succeed', () => {
    expect(conflictWords({ status: 'no-plan-in-time' })[0]).toMatch(/^No plan was found in the time given/);
    expect(conflictWords({ status: 'infeasible' })[0]).toMatch(/Unlock doses and try again\.$/);
  });
});
