import { describe, expect, it } from 'vitest';
import type { Case, LocalCode, PlannedDose, Product } from '../../records/case';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import { doseKey } from '../plan/dose-key';
import { judgePlan } from './judge-plan';
import { demoCase, dose, draft, GOOD, judged, okonedo } from '../front-lawn.fixture';
import { planSeason } from '../draft/plan-season';
import { ZONE_CHECKS } from './check-plan';
import { PROPERTY_CHECKS } from './property-checks';
import { withDoses } from '../plan/with-doses';

// Every rule is broken by a plan that breaks it, and only then. Limits are those of common practice unless a line says otherwise.

const starter = (id: string) => STARTER_SHELF.find((p) => p.id === id)!;
const withProducts = (...ids: string[]): Case => ({
  ...okonedo,
  products: [...(okonedo.products ?? []), ...ids.map(starter)].filter(
    (p, i, all) => all.findIndex((q) => q.id === p.id) === i,
  ),
});
const standing = (id: string, doses: readonly PlannedDose[], given: Case = okonedo) =>
  judged(doses, given).checks.find((c) => c.id === id);
const only = (...doses: PlannedDose[]) => doses;

describe('a plan that keeps every rule', () => {
  it('fails nothing and warns of nothing', () => {
    expect(judged(GOOD).checks.filter((c) => c.standing !== 'pass')).toEqual([]);
  });
  it('names every check once a zone', () => {
    const ids = judged(GOOD)
      .checks.filter((c) => c.zoneId)
      .map((c) => c.id);
    expect(new Set(ids).size).toBe(ids.length);
  });
});

describe('the rows of the checks', () => {
  const rows = [...ZONE_CHECKS, ...PROPERTY_CHECKS];
  it('stand once each, with their rule in a sentence', () => {
    expect(new Set(rows.map((row) => row.id)).size).toBe(rows.length);
    expect(rows.filter((row) => !/^[A-Z].*\.$/.test(row.rule))).toEqual([]);
  });
  it('are the only ones that judge: every check of a plan is a row, or one of several of a row', () => {
    const known = rows.map((row) => row.id);
    for (const check of judged([dose('2027-12-06', 'ammonium-sulfate-21', 9)]).checks)
      expect(known.some((id) => check.id === id || check.id.startsWith(`${id}-`))).toBe(true);
  });
});

describe('each rule, by a plan that breaks it', () => {
  it.each<[string, string, 'warn' | 'fail', PlannedDose[]]>([
    ['too little for the year', 'nitrogen-year', 'warn', only(GOOD[0]!, GOOD[1]!)],
    ['too much for the year', 'nitrogen-year', 'warn', only(...GOOD, dose('2027-06-14', 'coated-urea-42', 1))],
    ['over 1 lb soluble N in a dose', 'soluble-dose', 'fail', only(dose('2027-09-06', 'ammonium-sulfate-21', 4.8))],
    ['over 1.5 lb slow N in a dose', 'total-dose', 'fail', only(dose('2027-05-17', 'coated-urea-42', 3.6))],
    ['three weeks between feedings', 'least-interval', 'fail', only(GOOD[1]!, dose('2027-09-27', 'coated-urea-42', 1))],
    ['heat', 'heat', 'fail', only(dose('2027-07-19', 'coated-urea-42', 1))],
    ['slow nitrogen on the eve of the heat', 'heat-supply', 'warn', only(dose('2027-06-21', 'coated-urea-42', 3))],
    ['a resting lawn', 'growing', 'fail', only(dose('2027-12-06', 'ammonium-sulfate-21', 2))],
    ['under a pound of product', 'smallest-rate', 'warn', only(dose('2027-05-17', 'coated-urea-42', 0.5))],
    ['no step at the end of the year', 'late-season', 'warn', only(GOOD[0]!, GOOD[1]!)],
  ])('%s', (_what, id, verdict, doses) => {
    const found = standing(id, doses);
    expect(found).toMatchObject({ standing: verdict });
    expect(found?.says).toMatch(/\.$/);
    expect(standing(id, GOOD)?.standing ?? 'pass').toBe('pass');
  });

  it('soluble nitrogen counts by the day, not by the product: two halves make a whole', () => {
    const twice = only(dose('2027-09-06', 'ammonium-sulfate-21', 2.5), dose('2027-09-06', 'urea-46', 1.2));
    expect(standing('soluble-dose', twice, withProducts('urea-46'))).toMatchObject({
      standing: 'fail',
      doses: twice.map(doseKey),
    });
  });
  it('a spray brings a quarter pound of soluble nitrogen at most, half a pound where it is slow, and needs no spreader', () => {
    const liquid = (over: Partial<Product>): Case => ({
      ...okonedo,
      products: [
        ...okonedo.products!,
        { id: 'brew', name: 'Brew', form: 'liquid', lbPerGal: 10, guaranteed: { N: 20 }, ...over } as Product,
      ],
    });
    const urea = liquid({ nitrogen: { urea: 20 } });
    const slow = liquid({ nitrogen: { urea: 8, 'methylene-urea': 12 } });
    const at = (rateLb: number) => only(dose('2027-05-17', 'brew', rateLb));
    expect(standing('spray-dose', at(1.2), urea)?.standing).toBe('pass');
    // 1.5 lb of 20 % is 0.30 lb N
    expect(standing('spray-dose', at(1.5), urea)).toMatchObject({
      standing: 'fail',
      says: expect.stringMatching(/0\.30 lb N per 1000.*spray 2 times\.$/),
    });
    expect(standing('spray-dose', at(2.5), slow)?.standing).toBe('pass');
    expect(standing('spray-dose', at(2.8), slow)?.standing).toBe('fail');
    expect(standing('smallest-rate', at(0.5), urea)?.standing).toBe('pass');
    expect(standing('spray-dose', GOOD)).toBeUndefined();
  });
  it('three products in one trip are three passes', () => {
    const three = only(
      dose('2027-09-06', 'ammonium-sulfate-21', 1.2),
      dose('2027-09-06', 'urea-46', 1),
      dose('2027-09-06', 'coated-urea-42', 1),
    );
    expect(standing('passes', three, withProducts('urea-46'))).toMatchObject({ standing: 'warn' });
    expect(standing('passes', three.slice(0, 2), withProducts('urea-46'))).toBeUndefined();
  });
  it('phosphate where the test asks for none', () => {
    const map = only(dose('2027-05-17', 'map-11-52', 2, 'P2O5'));
    expect(standing('phosphorus', map, withProducts('map-11-52'))).toMatchObject({
      standing: 'fail',
      doses: map.map(doseKey),
    });
  });
  it('lime and free sulfur that nothing asks for', () => {
    const lime = starter('calcitic-lime') ?? STARTER_SHELF.find((p) => p.limeKind)!;
    const given = withProducts(lime.id);
    expect(standing('ph-unasked', only(dose('2027-10-18', lime.id, 20, 'lime')), given)).toMatchObject({
      standing: 'fail',
    });
  });
  it('organic nitrogen on soil that is too cold for microbes', () => {
    const organic: Product = {
      id: 'organic',
      name: 'Organic',
      form: 'granular',
      guaranteed: { N: 6 },
      nitrogen: { 'natural-organic': 6 },
    };
    const given = { ...okonedo, products: [...okonedo.products!, organic] };
    expect(standing('warm-soil', only(dose('2027-11-15', 'organic', 10)), given)).toMatchObject({ standing: 'warn' });
    expect(standing('warm-soil', only(dose('2027-06-14', 'organic', 10)), given)).toBeUndefined();
  });
  it('a bag with a pesticide in it', () => {
    const given = {
      ...okonedo,
      products: okonedo.products!.map((p) => (p.id === 'coated-urea-42' ? { ...p, pesticide: true } : p)),
    };
    expect(standing('pesticide', GOOD, given)).toMatchObject({ standing: 'fail', doses: [doseKey(GOOD[0]!)] });
  });
  it('water nearer than its strip', () => {
    const near = { ...okonedo, zones: [{ ...okonedo.zones[0]!, waterDistanceFt: 6 }] };
    const plan = withDoses(planSeason(near, 2027), near, GOOD);
    expect(judgePlan(near, plan).checks.find((c) => c.id === 'setback')).toMatchObject({
      standing: 'warn',
      found: '6 ft of 10 ft',
    });
  });
  it('water at the strip’s own edge, 10 ft, or at a wider one of a code (common practice)', () => {
    const at = (waterDistanceFt: number, codes: LocalCode[] = []) => {
      const near = { ...okonedo, codes, zones: [{ ...okonedo.zones[0]!, waterDistanceFt }] };
      return judgePlan(near, withDoses(planSeason(near, 2027), near, GOOD)).checks.find((c) => c.id === 'setback');
    };
    expect([at(10), at(9.9)?.standing]).toEqual([undefined, 'warn']);
    expect([at(19, [{ id: 'c', setbackFt: 20 }])?.standing, at(20, [{ id: 'c', setbackFt: 20 }])]).toEqual([
      'warn',
      undefined,
    ]);
    expect(at(9.9, [{ id: 'c', setbackFt: 5 }])?.found).toBe('9.9 ft of 10 ft');
  });
  it('soluble nitrogen after the season on a slope, by its day and whatever school is chosen', () => {
    const steep = { ...okonedo, zones: [{ ...okonedo.zones[0]!, slopePercent: 8 }] };
    const late = (given: Case, ...doses: PlannedDose[]) =>
      judgePlan(given, withDoses(planSeason(given, 2027), given, doses)).checks.find((c) => c.id === 'late-soluble');
    const quick = dose('2027-11-22', 'ammonium-sulfate-21', 2);
    expect(late(steep, quick)).toMatchObject({ standing: 'fail', doses: [doseKey(quick)] });
    expect(late(steep, quick)?.says).toContain('slope of 8 %');
    for (const lateSeason of ['late-soluble', 'potassium-led'] as const)
      expect(late({ ...steep, choices: { ...steep.choices, lateSeason } }, quick)?.standing).toBe('fail');
    // in season, or on level ground, it is other checks' matter
    expect(late(steep, ...GOOD)).toBeUndefined();
    expect(late({ ...okonedo, zones: [{ ...okonedo.zones[0]!, slopePercent: 7 }] }, quick)).toBeUndefined();
  });
  it('lime within two weeks of ammonium, and at two weeks no more', () => {
    const quarry = demoCase('quarry-lane-school');
    const year = planSeason(quarry, 2027);
    const on = (date: string, productId: string, rateLb: number, purpose: PlannedDose['for']): PlannedDose => ({
      zoneId: 'south-lawn',
      date,
      productId,
      for: purpose,
      rateLb,
    });
    const lime = quarry.products!.find((p) => p.limeKind)!.id;
    const check = (date: string) =>
      judgePlan(
        quarry,
        withDoses(year, quarry, [on('2027-10-04', lime, 15.8, 'lime'), on(date, 'ammonium-sulfate-21', 2, 'N')]),
      ).checks.find((c) => c.zoneId === 'south-lawn' && c.id === 'lime-nitrogen');
    expect(check('2027-10-11')).toMatchObject({ standing: 'fail', found: '7 d, needs 14' });
    expect(check('2027-09-27')).toMatchObject({ standing: 'fail' });
    expect(check('2027-10-18')).toMatchObject({ standing: 'pass' });
  });
});

describe('each field of a local code, by a plan that breaks it', () => {
  const coded = (code: Partial<LocalCode>): Case => ({
    ...okonedo,
    codes: [{ id: 'c', name: 'An invented code', ...code }],
  });
  it.each<[string, Partial<LocalCode>, Partial<LocalCode>]>([
    // GOOD brings 2.25 lb N in the year, 0.81 at most in a dose, all of it soluble; its quick doses hold no slow N
    ['code-year', { maxNPerYear: 2.1 }, { maxNPerYear: 2.3 }],
    ['total-dose', { maxTotalNPerDose: 0.8 }, { maxTotalNPerDose: 0.9 }],
    ['soluble-dose', { maxSolubleNPerDose: 0.7 }, { maxSolubleNPerDose: 0.85 }],
    ['slow-share', { leastSlowPercent: 20 }, { leastSlowPercent: 0 }],
    [
      'closed-dates',
      { closed: [{ from: '10-18', to: '03-01', nutrients: ['N'] }] },
      { closed: [{ from: '10-19', to: '05-02', nutrients: ['N'] }] },
    ],
  ])('%s', (id, breaks, keeps) => {
    expect(standing(id, GOOD, coded(breaks))).toMatchObject({ standing: 'fail' });
    expect(standing(id, GOOD, coded(keeps))?.standing ?? 'pass').toBe('pass');
  });
});

describe('the property as a whole', () => {
  it('counts days of spreading against the trips allowed', () => {
    const few = (maxTrips: number) =>
      standing('trips', GOOD, { ...okonedo, choices: { ...okonedo.choices, maxTrips } });
    expect(few(3)).toMatchObject({ standing: 'pass', found: '3 of 3' });
    expect(few(2)).toMatchObject({ standing: 'warn', found: '3 of 2' });
  });
  it('says when what is spread has no price', () => {
    const given = { ...okonedo, products: okonedo.products!.map(({ package: _, ...rest }) => rest) };
    expect(judgePlan(given, withDoses(draft, given, GOOD)).checks.find((c) => c.id === 'prices')).toMatchObject({
      standing: 'warn',
    });
  });
});
