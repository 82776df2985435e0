import { describe, expect, it } from 'vitest';
import type { Case, LocalCode } from '../../records/case';
import localCodes from '../../packs/local-codes.json';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import { checkZonePlan } from '../checks/check-plan';
import { daysBetween } from '../../days/day';
import { planSeason } from '../draft/plan-season';
import { withDoses } from '../plan/with-doses';
import { demo, failing, solved } from './planner.fixture';

describe('schools of practice', () => {
  const withChoice = (name: string, choices: Case['choices']) => {
    const given = demo(name);
    given.choices = { ...given.choices, ...choices };
    if (name === 'okonedo-residence') given.products = [...STARTER_SHELF];
    return solved(given);
  };
  it.each(['two-steps', 'late-soluble', 'slow-first-frost', 'potassium-led'] as const)(
    'late season by %s is done, and found done by the checks',
    (lateSeason) => {
      const { best, checks } = withChoice('okonedo-residence', { lateSeason });
      expect(['optimal', 'feasible']).toContain(best.status);
      expect(checks.filter((c) => c.standing !== 'pass')).toEqual([]);
      expect(checks.some((c) => c.id === 'late-season' || c.id.startsWith('school-'))).toBe(true);
    },
  );
  it('the late soluble dose comes later than the last of the two steps', () => {
    const last = (lateSeason: 'two-steps' | 'late-soluble') =>
      withChoice('okonedo-residence', { lateSeason }).doses.at(-1)!.date;
    expect(last('late-soluble') > last('two-steps')).toBe(true);
  });
  it('weekly light feeding is never planned: it is set aside in words', () => {
    const { best } = withChoice('okonedo-residence', { lateSeason: 'weekly-light' });
    expect(best.setAside.join()).toMatch(/Weekly light soluble is set aside.*comparison only/);
  });
  it('late soluble nitrogen is refused on sand, on slopes and near water', () => {
    for (const change of [{ texture: 'sand' as const }, { slopePercent: 12 }, { waterDistanceFt: 30 }]) {
      const given = demo('okonedo-residence');
      given.choices = { ...given.choices, lateSeason: 'late-soluble' };
      Object.assign(given.zones[0]!, change);
      expect(planSeason(given, 2027).zones[0]!.schools!.setAside.join()).toMatch(/never goes/);
    }
  });
  it('potash before frost stands six to eight weeks before it on zoysiagrass, without N (common practice)', () => {
    const { doses, checks } = withChoice('quarry-lane-school', { potassium: 'fall' });
    const frost = '2027-10-25';
    const potash = doses.filter(
      (d) =>
        d.zoneId === 'playing-strip' &&
        (d.delivers.N ?? 0) === 0 &&
        daysBetween(d.date, frost) >= 42 &&
        daysBetween(d.date, frost) <= 56,
    );
    expect(potash.reduce((sum, d) => sum + (d.delivers.K2O ?? 0), 0)).toBeGreaterThanOrEqual(0.96);
    expect(failing(checks)).toEqual([]);
  });
  it.each([
    ['sand', { texture: 'sand' as const }],
    ['close-cut turf', { turf: 'close-cut' as const }],
  ])('the two steps fit under the small doses of %s', (_what, change) => {
    const given = demo('okonedo-residence');
    // a greens grade: soluble, and fine enough for close-cut turf (C10)
    const fine = { ...STARTER_SHELF.find((p) => p.id === 'ammonium-sulfate-21')!, id: 'fine-21', sizeGuideNumber: 100 };
    given.products = [...STARTER_SHELF, fine];
    given.zones = given.zones.map((zone) => ({ ...zone, ...change }));
    const { checks } = solved(given);
    expect(checks.find((c) => c.id === 'late-season')).toMatchObject({ standing: 'pass', found: '2 of 2 steps' });
    expect(failing(checks)).toEqual([]);
  });

  it('potash through winter is set aside where soil freezes', () => {
    const given = demo('mill-race-cottages');
    given.zones[0]!.grass = 'zoysiagrass';
    given.choices = { ...given.choices, potassium: 'winter' };
    expect(planSeason(given, 2027).zones[0]!.schools!.setAside.join()).toMatch(/Race bank: its soil freezes/);
  });
});

describe('local codes (values from memory; always check with the authority)', () => {
  const codes = localCodes.codes as LocalCode[];
  it.each(codes.map((c) => [c.id, c] as const))('the plan keeps %s', (_id, code) => {
    const given = demo('okonedo-residence');
    given.codes = [code];
    given.products = [...STARTER_SHELF];
    const { checks, doses, best } = solved(given);
    expect(['optimal', 'feasible']).toContain(best.status);
    expect(failing(checks)).toEqual([]);
    for (const dose of doses) {
      expect(dose.delivers.N ?? 0).toBeLessThanOrEqual((code.maxTotalNPerDose ?? 2) + 1e-6);
      expect(dose.delivers['N-soluble'] ?? 0).toBeLessThanOrEqual((code.maxSolubleNPerDose ?? 1) + 1e-6);
    }
  });
  const dose = (date: string, productId: string, rateLb: number, purpose: 'N' | 'P2O5' = 'N') => ({
    zoneId: 'front-lawn',
    date,
    productId,
    for: purpose,
    rateLb,
  });
  const broken = (codeId: string, doses: ReturnType<typeof dose>[]) => {
    const given = demo('okonedo-residence');
    given.codes = codes.filter((c) => c.id === codeId);
    const plan = withDoses(planSeason(given, 2027), given, doses);
    return failing(checkZonePlan(plan.zones[0]!, given, plan));
  };
  it('every cap is found broken by a plan that breaks it', () => {
    // 2 lb of 46-0-0 are 0.92 lb soluble N
    expect(broken('florida-urban-turf', [dose('2027-05-03', 'urea-46', 2)])).toContain('soluble-dose');
    expect(broken('florida-urban-turf', [dose('2027-05-03', 'coated-urea-42', 2.5)])).toContain('total-dose');
    expect(broken('maryland-homeowner', [dose('2027-11-22', 'coated-urea-42', 1)])).toContain('closed-dates');
    expect(broken('maryland-homeowner', [dose('2027-05-03', 'urea-46', 1)])).toContain('slow-share');
    expect(broken('maryland-licensed', [dose('2027-12-06', 'coated-urea-42', 1)])).toContain('closed-dates');
    expect(broken('maryland-licensed', [dose('2027-11-22', 'coated-urea-42', 1)])).not.toContain('closed-dates');
    expect(
      broken(
        'new-jersey-homeowner',
        ['04-05', '05-10', '06-07', '09-06', '10-11'].map((d) => dose(`2027-${d}`, 'coated-urea-42', 2)),
      ),
    ).toContain('code-year');
    expect(broken('new-jersey-licensed', [dose('2027-12-06', 'coated-urea-42', 1)])).toContain('closed-dates');
    expect(broken('minnesota-phosphorus', [dose('2027-05-03', 'map-11-52', 1, 'P2O5')])).toContain('phosphorus-test');
  });
});
