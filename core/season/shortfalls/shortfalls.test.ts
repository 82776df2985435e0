import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { printPlan } from '../../files/plan-results';
import { pH, ppm, reportOf } from '../../prescription/judgement.fixture';
import type { Case } from '../../records/case';
import { caseOf, only } from '../any-lawn.fixture';
import { anyProperty } from '../any-property.fixture';
import { planSeason } from '../draft/plan-season';
import { withDoses } from '../plan/with-doses';
import { planBest } from '../planner/plan-best';
import { shortfallsOf, shortfallWords } from './shortfalls';

const highs = await loadHighs();
const short = (given: Case, need: string) =>
  shortfallsOf(given, withDoses(planSeason(given, 2027), given, [])).find((each) => each.need === need);
const CLOSED = {
  id: 'c',
  name: 'Reed County code',
  closed: [{ from: '01-01', to: '12-31', nutrients: ['N' as const] }],
};

describe('E1: what a plan leaves short is named, with what holds it down and what would free it (judgement)', () => {
  it('E1 an empty shelf: buy a feed of the starter shelf that may go there', () => {
    const found = short(caseOf({}, { products: [] }), 'N')!;
    expect(found).toMatchObject({ askedLb: 3, plannedLb: 0 });
    expect(shortfallWords(found)).toMatch(/^0\.00 of 3\.00 lb N per 1000\. Nothing on the shelf may bring it here/);
    expect(found.cure).toMatchObject({ says: expect.stringMatching(/^Buy /) as string, does: { kind: 'buy' } });
    const { productId } = found.cure.does as { productId: string };
    // bought, it is a plan
    const cured = caseOf({}, only(productId));
    const best = planBest(highs, cured, planSeason(cured, 2027), {}, { gap: 0.1 });
    const plan = withDoses(planSeason(cured, 2027), cured, best.doses);
    expect(shortfallsOf(cured, plan).filter(({ need }) => need === 'N')).toEqual([]);
  });
  it('E1 a code that closes the year: the code is named, and nothing is sold against it', () => {
    const found = short(caseOf({}, { codes: [CLOSED] }), 'N')!;
    expect(found.because).toMatch(/Reed County code leaves no day/);
    expect(found.cure).toEqual({ says: 'Nothing this year: the code stands over the plan.' });
  });
  it('E1 lime without lime, and a need too small for what is on the shelf', () => {
    const acid = [reportOf('2026-11-20', [pH(5.2)])];
    const found = short(caseOf({}, { ...only('urea-46'), soilTests: acid }), 'lime')!;
    expect(found.because).toBe('No lime on the shelf.');
    expect(found.cure.does).toMatchObject({ kind: 'buy' });
    const little = caseOf(
      { grass: 'centipedegrass', texture: 'sandy-loam' },
      {
        ...only('coated-urea-42', 'map-11-52'),
        soilTests: [reportOf('2026-11-20', [pH(5.6), ppm('P', 25), ppm('K', 120)])],
      },
      'warm-southeast',
    );
    const phosphate = short(little, 'P2O5')!;
    expect(phosphate.because).toMatch(/less than a spreader lays evenly/);
    expect(phosphate.cure.does).toMatchObject({ kind: 'buy' });
  });
  it('E1 too few trips: one more is the cure, and a plan that meets its needs has none', () => {
    const few = caseOf({}, { choices: { year: 2027, maxTrips: 1 } });
    const draft = planSeason(few, 2027);
    const best = planBest(highs, few, draft, {}, { gap: 0.1 });
    const found = shortfallsOf(few, withDoses(draft, few, best.doses)).find(({ need }) => need === 'N')!;
    expect(found.cure).toEqual({ says: 'Allow one trip more.', does: { kind: 'trips', most: 2 } });
    const free = caseOf({});
    expect(shortfallsOf(free, planSeason(free, 2027))).toEqual([]);
  });
  it('E1 doses locked against a hard rule: “infeasible”, the rule named, and the least change that frees it', () => {
    const given = caseOf({}, only('urea-46', 'coated-urea-42'));
    given.plans = [
      {
        id: 'p',
        year: 2027,
        products: undefined,
        solved: undefined,
        doses: [{ zoneId: 'z', date: '2027-04-26', productId: 'urea-46', for: 'N', rateLb: 3, locked: true }],
      },
    ];
    const printed = printPlan(given, {
      year: 2027,
      best: (file, plan, picked, locked) => planBest(highs, file, plan, { picked, locked }, { gap: 0.1 }),
    });
    expect(printed.solver.status).toBe('infeasible');
    const conflict = printed.checks.find((c) => c.id === 'conflict-1')!;
    expect(conflict.says).toMatch(
      /^A locked dose breaks a rule: One day brings 1\.38 lb soluble N .*The least that frees it: \S.*\.$/,
    );
    // the rest of the year is planned around it all the same
    expect(printed.doses.length).toBeGreaterThan(1);
  });
  it('E1 any property: a plan that keeps every hard rule, never a stack, what is short named with its cure, the same twice', () => {
    const limits = { gap: 0.3, work: 1_500 };
    fc.assert(
      fc.property(anyProperty({ min: 1, max: 2 }, 'any'), (given) => {
        const print = () =>
          printPlan(given, {
            year: 2027,
            best: (file, plan, picked, locked) => planBest(highs, file, plan, { picked, locked }, limits),
          });
        const printed = print();
        expect(['optimal', 'feasible', 'drafted']).toContain(printed.solver.status);
        // what is wrong with the ground or waits for a report is no dose's fault
        const broken = printed.checks.filter((c) => c.standing === 'fail' && !/without a buffer|ledger/.test(c.says));
        expect(broken).toEqual([]);
        for (const { because, cure, askedLb, plannedLb } of printed.shortfalls) {
          expect(because).toMatch(/\S\.$/);
          expect(cure).toMatch(/\S\.$/);
          expect(plannedLb).toBeLessThan(askedLb);
        }
        expect(JSON.stringify(print())).toBe(JSON.stringify(printed));
      }),
      { numRuns: 30, seed: 20_270_611 },
    );
  });
});
