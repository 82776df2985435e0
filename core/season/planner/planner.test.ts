import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Case } from '../../records/case';
import { releaseByDay } from '../../nitrogen/release';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import { doseKey } from '../plan/dose-key';
import { checkPropertyPlan, checkZonePlan } from '../checks/check-plan';
import { daysBetween } from '../../days/day';
import { planSeason } from '../draft/plan-season';
import { purchases } from '../../products/purchases';
import { withDoses } from '../plan/with-doses';
import { planBest } from './plan-best';
import { demo, demos, failing, highs, solved } from './planner.fixture';
import type { PlanWishes } from './problem-shape';
import { mehlichReport } from '../../soil/mehlich-report.fixture';
import { mondaysOf } from '../../days/weeks';

describe.each(demos)('the plan of %s', (_name, given) => {
  it('passes every independent check; only what the shelf lacks is warned of', () => {
    const { best, checks, plan } = solved(given);
    expect(['optimal', 'feasible']).toContain(best.status);
    expect(failing(checks)).toEqual([]);
    expect(failing(checkPropertyPlan(given, plan))).toEqual([]);
    const warned = checks.filter((c) => c.standing === 'warn');
    for (const check of warned) {
      const lacking = { 'Mg-year': 'Mg', 'S-year': 'S-combined' }[check.id];
      // nothing on the shelf that may go there carries it
      expect(lacking, check.says).toBeDefined();
    }
  });
});

describe('a stand that is sown in the year', () => {
  it('keeps its programme in the best plan: starter that day, half a pound later, nothing before (judgement C8)', () => {
    const given = demo('okonedo-residence');
    const zone = { ...given.zones[0]!, state: 'new-seeding' as const, seededOn: '2027-09-08' };
    const sown = { ...given, zones: [zone] };
    const { best, checks, doses } = solved(sown);
    expect(best.status).toBe('optimal');
    expect(failing(checks)).toEqual([]);
    const fed = doses.filter((d) => (d.delivers.N ?? 0) > 0).map((d) => d.date);
    expect(fed[0]).toBe('2027-09-08');
    expect(new Set(fed)).toEqual(new Set(['2027-09-08', '2027-10-13']));
  });
});

describe('rules of the plan', () => {
  it('dates every dose on a Monday, at rates a scale can weigh', () => {
    const { doses } = solved(demo('quarry-lane-school'));
    for (const dose of doses) {
      expect(new Date(`${dose.date}T00:00Z`).getUTCDay()).toBe(1);
      if (dose.for !== 'lime' && dose.for !== 'sulfur')
        expect(Math.abs(dose.rateLb * 100 - Math.round(dose.rateLb * 100))).toBeLessThan(1e-6);
    }
  });
  it('uses what is on hand before it buys: stock for the whole year, nothing bought', () => {
    const given = demo('okonedo-residence');
    given.products = given.products!.map((p) => (p.id === 'ammonium-sulfate-21' ? { ...p, onHandLb: 200 } : p));
    const { doses } = solved(given);
    expect(purchases(doses, given.products).reduce((sum, p) => sum + p.packages, 0)).toBe(0);
  });
  it('keeps to the trips allowed', () => {
    const given = demo('quarry-lane-school');
    given.choices = { ...given.choices, maxTrips: 5 };
    const { doses, best } = solved(given);
    expect(['optimal', 'feasible']).toContain(best.status);
    expect(new Set(doses.map((d) => d.date)).size).toBeLessThanOrEqual(5);
  });
  // both proven closely: within five percent of all wants a plan of one aim may well cost a bag more than that of the other
  it.each(['thornbury-chapel-green', 'okonedo-residence'])(
    'takes fewer trips when trips are what matters, and costs no more when cost is: %s',
    (name) => {
      const given = demo(name);
      const trips = (aim: PlanWishes['aim']) => {
        const { doses } = solved(given, { aim });
        return {
          trips: new Set(doses.map((d) => d.date)).size,
          cost: purchases(doses, given.products!).reduce((sum, p) => sum + (p.cost ?? 0), 0),
        };
      };
      const [few, cheap] = [trips('fewest-trips'), trips('cheapest')];
      expect(few.trips).toBeLessThanOrEqual(cheap.trips);
      expect(cheap.cost).toBeLessThanOrEqual(few.cost + 1e-9);
    },
  );
  it('keeps slow doses of late spring from feeding cool-season grass through the heat', () => {
    const given = demo('okonedo-residence');
    given.products = given.products!.filter((p) => ['coated-urea-42', 'ammonium-sulfate-21'].includes(p.id));
    const inHeat = ({ plan }: ReturnType<typeof solved>) => {
      const [{ season, doses }] = plan.zones as [(typeof plan.zones)[number]];
      return doses.reduce((sum, dose) => {
        const product = given.products!.find((p) => p.id === dose.productId)!;
        const byDay = releaseByDay(product, plan.soilF, daysBetween('2027-01-01', dose.date));
        const share = byDay.reduce((all, each, day) => (season!.heat[day] ? all + each : all), 0);
        return sum + share * (dose.delivers.N ?? 0);
      }, 0);
    };
    const kept = solved(given);
    expect(kept.plan.zones[0]!.season!.heat.some(Boolean)).toBe(true);
    expect(inHeat(kept)).toBeLessThanOrEqual(0.5);
    expect(kept.checks.find((c) => c.id === 'heat-supply')?.standing).toBe('pass');
    // a coated dose in the last week before the heat, as if the calendar alone decided
    const before = kept.plan.zones[0]!.season!.heat.indexOf(true);
    const last = mondaysOf(2027).findLast((week) => week.day < before)!.date;
    const late = { zoneId: 'front-lawn', date: last, productId: 'coated-urea-42', for: 'N' as const, rateLb: 3 };
    const laid = withDoses(planSeason(given, 2027), given, [late]);
    const found = checkZonePlan(laid.zones[0]!, given, laid);
    expect(found.find((c) => c.id === 'heat-supply')).toMatchObject({ standing: 'warn', doses: [doseKey(late)] });
    expect(found.find((c) => c.id === 'heat')?.standing).toBe('pass');
  });
  it('leaves a locked dose as it is and plans the rest around it', () => {
    const given = demo('okonedo-residence');
    const locked = {
      zoneId: 'front-lawn',
      date: '2027-05-10',
      productId: 'coated-urea-42',
      for: 'N' as const,
      rateLb: 2,
    };
    const { doses, checks } = solved(given, { locked: [locked] });
    expect(doses.map(doseKey)).toContain('front-lawn/2027-05-10/coated-urea-42');
    expect(failing(checks)).toEqual([]);
    const others = doses.filter((d) => d.date !== locked.date);
    for (const dose of others) expect(Math.abs(daysBetween(locked.date, dose.date))).toBeGreaterThanOrEqual(28);
    const year = others.reduce((sum, d) => sum + (d.delivers.N ?? 0), 0) + 0.84;
    expect(Math.abs(year - 2.25)).toBeLessThanOrEqual(2.25 * 0.04 + 1e-6);
  });
  it('counts what was given already, and dates nothing before today', () => {
    const given = demo('okonedo-residence');
    given.zones[0]!.applied = [{ date: '2027-05-03', productId: 'urea-46', zoneLb: 7 }];
    const { doses } = solved(given, {}, '2027-06-01');
    const [first, ...rest] = doses;
    expect(first).toMatchObject({ date: '2027-05-03', productId: 'urea-46' });
    for (const dose of rest) expect(dose.date >= '2027-06-01').toBe(true);
  });
  it('counts a locked dose once that was given on another day of its week', () => {
    const given = demo('okonedo-residence');
    const locked = { zoneId: 'front-lawn', date: '2027-05-10', productId: 'urea-46', for: 'N' as const, rateLb: 1.5 };
    given.zones[0]!.applied = [{ date: '2027-05-13', productId: 'urea-46', zoneLb: 5.8 }];
    given.runs = [
      {
        id: 'run',
        zoneId: 'front-lawn',
        productId: 'urea-46',
        plannedOn: '2027-05-10',
        for: 'N',
        rateLb: 1.5,
        plannedLb: 5.8,
        areaSqFt: 3860,
        label: { name: 'Urea', face: '46-0-0', percent: 46 },
        events: [
          { at: '2027-05-13T09:00:00-04:00', kind: 'started', weighedLb: 5.8 },
          { at: '2027-05-13T09:30:00-04:00', kind: 'weighed-back', backLb: 0 },
          { at: '2027-05-13T09:31:00-04:00', kind: 'signed' },
        ],
      },
    ];
    const { doses } = solved(given, { locked: [locked] }, '2027-06-01');
    expect(doses.filter(({ date }) => date < '2027-06-01').map(doseKey)).toEqual(['front-lawn/2027-05-13/urea-46']);
  });
  it('never spreads phosphorus on a high test, a pesticide, or muriate on centipedegrass', () => {
    const given = demo('fenwick-allotment-paths');
    given.products!.push({
      ...given.products![0]!,
      id: 'feed-and-weed',
      name: 'Feed and weed',
      pesticide: true,
      onHandLb: 500,
    });
    const used = new Set(solved(given).doses.map((d) => d.productId));
    expect(used.has('feed-and-weed')).toBe(false);
    expect(used.has('muriate-of-potash-60')).toBe(false);
    expect(solved(demo('mill-race-cottages')).doses.some((d) => (d.delivers.P2O5 ?? 0) > 0)).toBe(false);
  });
});

describe('any property', () => {
  it('is planned without a broken rule', () => {
    const anyCase = fc.record({
      grass: fc.constantFrom(
        'tall-fescue' as const,
        'bermudagrass' as const,
        'kentucky-bluegrass' as const,
        'zoysiagrass' as const,
      ),
      texture: fc.constantFrom('sand' as const, 'silt-loam' as const, 'clay' as const),
      care: fc.constantFrom('low' as const, 'standard' as const, 'high' as const),
      area: fc.integer({ min: 800, max: 40_000 }),
      ph: fc.double({ min: 5, max: 8, noNaN: true }),
      p: fc.integer({ min: 0, max: 80 }),
      k: fc.integer({ min: 0, max: 150 }),
      lateSeason: fc.constantFrom('two-steps' as const, 'late-soluble' as const, 'slow-first-frost' as const),
    });
    fc.assert(
      fc.property(anyCase, ({ grass, texture, care, area, ph, p, k, lateSeason }) => {
        const given: Case = {
          ...demo('okonedo-residence'),
          zones: [{ id: 'z', name: 'Z', areaSqFt: area, grass, texture, care, carbonates: 'none' }],
          soilTests: [mehlichReport(ph, p, k)],
          products: STARTER_SHELF.slice(0, 14),
          choices: { year: 2027, lateSeason },
        };
        const draft = planSeason(given, 2027);
        const best = planBest(highs, given, draft, {}, { gap: 0.2 });
        expect(['optimal', 'feasible']).toContain(best.status);
        const plan = withDoses(draft, given, best.doses);
        expect(failing(checkZonePlan(plan.zones[0]!, given, plan))).toEqual([]);
      }),
      // always the same properties: how long a search takes must not depend on luck
      { numRuns: 8, seed: 20_270_405 },
    );
  }, 120_000);
});
