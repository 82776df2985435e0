import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import type { Case, Zone } from '../../records/case';
import { caseOf, climateOf, draftOf, feedings, only, product, standing } from '../any-lawn.fixture';
import { BUILT_IN_PACKS } from '../../packs/rule-packs';
import { dayOfYear } from '../../days/day';
import { cec, down, lawn, pH, reportOf } from '../../prescription/judgement.fixture';
import { prescribeZone } from '../../prescription/prescribe';
import { checkZonePlan } from '../checks/check-plan';
import { planSeason } from '../draft/plan-season';
import { withDoses } from '../plan/with-doses';
import { zoneYear } from '../plan/zone-year';
import { climateYear } from '../../climate/climate-year';
import { soilTemperatureByDay } from '../../climate/soil-temperature';
import { lostToAir } from '../../nitrogen/surface-urea';
import { planBest } from '../planner/plan-best';
import { excluded } from '../../products/shelf';
import { grassOf } from '../../packs/grasses';
import { buildModel } from '../planner/build-model';
import { planProblem } from '../planner/problem';
import { freeBy } from './before-frost';
import { doseCeiling, nitrogenCeilings } from './dose-ceilings';

const dayOf = (date: string) => dayOfYear(date);
const lbFrom = (given: Case, from: number, nutrient = 'N') =>
  feedings(given)
    .filter((d) => dayOf(d.date) >= from)
    .reduce((sum, d) => sum + (d.delivers[nutrient] ?? 0), 0);
const partsOf = (given: Case) => draftOf(given).parts!;

describe('C: nitrogen through the year (judgement)', () => {
  it('C1 cool-season grass is fed mainly after summer, whatever quick or slow source stands on the shelf', () => {
    for (const id of ['urea-46', 'coated-urea-42', 'lawn-24-0-11'])
      for (const climate of ['transition', 'cool-north']) {
        const given = caseOf({}, only(id), climate);
        const all = feedings(given);
        const fall = partsOf(given).parts.find((part) => part.id === 'fall')!;
        const year = all.reduce((sum, d) => sum + (d.delivers.N ?? 0), 0);
        expect(lbFrom(given, fall.from) / year).toBeGreaterThanOrEqual(0.6 - 1e-9);
        for (const dose of all) {
          const day = dayOf(dose.date);
          if (day < fall.from && day >= fall.from - 60) expect(dose.delivers['N-soluble']).toBeLessThanOrEqual(0.25);
        }
        expect(standing(given, 'summer-dose')).toBe('pass');
        expect(standing(given, 'season-shares')).toBe('pass');
      }
    // fall starts 3 deg F under the peak, out of the heat; spring ends at a mean of 65 or 30 days before midsummer
    const [spring, , fall] = partsOf(caseOf({})).parts;
    const weather = climateYear(climateOf('transition'), 2027);
    const peak = Math.max(...weather.meanF);
    expect(weather.meanF[fall!.from]).toBeLessThanOrEqual(peak - 3);
    expect(weather.highF[fall!.from]).toBeLessThanOrEqual(87);
    expect(weather.meanF[spring!.to + 1]).toBeGreaterThan(65);
    expect(spring!.mostSolubleLb).toBe(0.5);
    expect(partsOf(caseOf({ care: 'high' })).parts[0]!.mostSolubleLb).toBe(0.75);
  });
  it('C1 choices: even by default where summers are mild, spring help for thin stands, fine fescue nearly all in fall', () => {
    expect(partsOf(caseOf({})).choice).toBe('fall-led');
    const mild = caseOf({});
    mild.property.climate = {
      meanHighF: [47, 50, 53, 58, 64, 69, 73, 73, 68, 59, 51, 46],
      meanLowF: [37, 38, 40, 43, 48, 53, 56, 57, 53, 46, 41, 37],
    };
    expect(partsOf(mild).choice).toBe('even');
    const helped = caseOf({}, { choices: { year: 2027, coolSeason: 'spring-help' } });
    expect(partsOf(helped).parts[0]).toMatchObject({ mostShare: 0.45, mostSolubleLb: 0.75 });
    const fescue = partsOf(caseOf({ grass: 'fine-fescue' }));
    expect(fescue.parts.find((part) => part.id === 'fall')!.share * 1.5).toBeCloseTo(1, 6);
    const dry = partsOf(caseOf({ irrigated: false })).parts.find((part) => part.id === 'summer')!;
    expect(dry.mostLb).toBe(0);
  });
  it('C2 warm-season grass: free before frost, little in the last six weeks, no month of growth bare', () => {
    for (const id of ['urea-46', 'coated-urea-42', 'lawn-24-0-11'])
      for (const care of ['standard', 'high'] as const) {
        const given = caseOf({ grass: 'bermudagrass', texture: 'sandy-loam', care }, only(id), 'warm-southeast');
        expect(feedings(given).length).toBeGreaterThan(1);
        for (const check of [
          'before-frost',
          'last-weeks',
          'bare-months',
          ...(care === 'standard' ? ['month-supply'] : []),
        ])
          expect([id, care, check, standing(given, check) ?? 'pass']).toEqual([id, care, check, 'pass']);
      }
    // sand takes small doses: none waits too long for the next, and the slow first month is fed as well
    for (const climate of ['warm-southeast', 'transition'])
      for (const texture of ['sand', 'loamy-sand', 'sandy-loam'] as const) {
        const sandy = caseOf({ grass: 'bermudagrass', texture }, only('coated-urea-42'), climate);
        for (const check of ['bare-months', 'most-interval', 'smallest-rate'])
          expect([climate, texture, check, standing(sandy, check) ?? 'pass']).toEqual([
            climate,
            texture,
            check,
            'pass',
          ]);
      }
    // soluble counts as free after 14 days, slow by its curve
    const soilF = soilTemperatureByDay(climateYear(climateOf('warm-southeast'), 2027).meanF);
    expect(freeBy(product('urea-46'), soilF, 200, 213)).toBe(0);
    expect(freeBy(product('urea-46'), soilF, 200, 214)).toBe(1);
    expect(freeBy(product('coated-urea-42'), soilF, 200, 230)).toBeLessThan(0.9);
    expect(freeBy(product('coated-urea-42'), soilF, 200, 260)).toBeGreaterThan(0.9);
    // without frost: while growth is above a third of its peak
    const tropic = caseOf({ grass: 'bermudagrass' });
    tropic.property.climate = { meanHighF: Array(12).fill(84) as number[], meanLowF: Array(12).fill(68) as number[] };
    expect(draftOf(tropic).season!.feeding.every(Boolean)).toBe(true);
  });
  it('C3 a part of a year gets a part of the need', () => {
    const given = caseOf(
      { grass: 'bermudagrass', texture: 'sandy-loam' },
      { soilTests: [reportOf('2027-07-25', [pH(6.5)])] },
      'warm-southeast',
    );
    const { ahead } = zoneYear(given, given.zones[0]!, 2027, BUILT_IN_PACKS).facts;
    expect(ahead!.share).toBeGreaterThan(0.35);
    expect(ahead!.share).toBeLessThan(0.6);
    const season = draftOf(given);
    expect(season.prescription.nitrogen.year.value).toBeCloseTo(3 * ahead!.share, 9);
    expect(season.prescription.nitrogen.steps.find((s) => s.id === 'part')!.lb).toBeCloseTo(3 * ahead!.share - 3, 9);
    expect(season.doses.every((d) => d.date >= '2027-07-25')).toBe(true);
    // what is down counts: never more than the year asks
    const fed = { ...given, zones: [{ ...given.zones[0]!, applied: [down('2027-05-03', 'urea-46', 5)] }] };
    expect(draftOf(fed).prescription.nitrogen.year.value).toBe(3);
    expect(feedings(fed).reduce((sum, d) => sum + (d.delivers.N ?? 0), 0)).toBeLessThanOrEqual(3 - 2.3 + 1e-6);
    // one zone's late report takes nothing from another
    const two = caseOf({}, { soilTests: [reportOf('2027-08-20', [pH(6.5)])] });
    two.zones.push(lawn({ id: 'y', name: 'Other' }));
    const [late, other] = planSeason(two, 2027).zones;
    expect([late!.from, other!.from]).toEqual(['2027-08-20', '2027-01-01']);
    expect(other!.prescription.nitrogen.year.value).toBe(3);
  });
  it('C4 sand and weak soil: 0.75 lb a dose and in any 21 days, 1.0 where mostly slow', () => {
    const { soluble, total } = nitrogenCeilings(lawn({ texture: 'sand' }), []);
    expect([soluble, total(0), total(0.69), total(0.7)]).toEqual([0.5, 0.75, 0.75, 1]);
    expect(nitrogenCeilings({ ...lawn(), weak: true }, []).total(0)).toBe(0.75);
    const weak = caseOf({}, { soilTests: [reportOf('2026-11-20', [pH(6.5), cec(5)])] });
    expect(draftOf(weak).zone.weak).toBe(true);
    expect(Math.max(...feedings(weak).map((d) => d.delivers.N ?? 0))).toBeLessThanOrEqual(1 + 1e-9);
    const sand = caseOf({ texture: 'sand' }, only('urea-46'));
    expect(standing(sand, 'weak-soil-n')).toBe('pass');
    const plan = planSeason(sand, 2027);
    const twice = withDoses(
      plan,
      sand,
      ['2027-09-06', '2027-09-20'].map((date) => ({
        zoneId: 'z',
        date,
        productId: 'urea-46',
        for: 'N' as const,
        rateLb: 1.08,
      })),
    );
    expect(checkZonePlan(twice.zones[0]!, sand, twice).find((c) => c.id === 'weak-soil-n')?.standing).toBe('fail');
  });
  it('C5 a strong acidifier is no source for acid soil while another can feed', () => {
    const acid = caseOf(
      {},
      { ...only('ammonium-sulfate-21', 'urea-46', 'calcitic-lime'), soilTests: [reportOf('2026-11-20', [pH(5.4)])] },
    );
    acid.products![0] = { ...acid.products![0]!, package: { lb: 50, price: 1 } };
    expect(feedings(acid).map((d) => d.productId)).not.toContain('ammonium-sulfate-21');
    const alone = { ...acid, products: acid.products!.filter((p) => p.id !== 'urea-46') };
    expect(feedings(alone).length).toBeGreaterThan(0);
    expect(standing(alone, 'acidifier')).toBe('warn');
  });
  it('C6 organic matter and shade take half of the base at most, fed turf keeps half a pound, unknown clippings are doubted', () => {
    const year = (zone: Partial<Zone>, om?: number) =>
      prescribeZone({
        zone: lawn(zone),
        tests: [
          reportOf('2027-03-01', [
            pH(6.5),
            ...(om === undefined ? [] : [{ analyte: 'OM' as const, value: om, unit: '%' as const }]),
          ]),
        ],
        products: [],
        codes: [],
      }).prescription;
    // 50 % shade and 1 lb of organic matter of a base of 3 would leave 0.5: half of the base stays
    expect(year({ light: 'deep-shade' }, 8).nitrogen.year.value).toBe(1.5);
    expect(year({ light: 'part-shade' }, 8).nitrogen.year.value).toBeCloseTo(1.5, 9);
    expect(
      year({ grass: 'centipedegrass', light: 'deep-shade', clippings: 'returned', irrigated: false }, 6).nitrogen.year
        .value,
    ).toBe(0.5);
    expect(year({ grass: 'buffalograss', care: 'low', clippings: 'returned' }).nitrogen.year.value).toBe(0);
    const unknown = year({ clippings: undefined });
    expect(unknown.nitrogen.year.value).toBe(2.25);
    expect(unknown.cautions.join()).toMatch(/clippings is not said.*0\.75 lb N more/);
  });
  it('C7 two pounds of coated urea in one dose is an own ceiling, and never against a code', () => {
    const own = [{ line: 'nitrogen-dose' as const, value: 2, reason: 'One visit a year' }];
    const most = (zone: Partial<Zone>, cap?: number) =>
      doseCeiling(
        lawn(zone),
        product('coated-urea-42'),
        'N',
        cap === undefined ? [] : [{ id: 'c', maxTotalNPerDose: cap }],
      );
    expect([most({}), most({ own }), most({ own }, 0.9)].map((lb) => Number(lb.toFixed(9)))).toEqual([1.5, 2, 0.9]);
  });
  it('A13 nitrate of the irrigation water is a line of the year’s nitrogen', () => {
    const given = caseOf({});
    given.property.irrigationWater = { no3nMgPerL: 8, inPerYear: 12 };
    // 8 mg/L in 12 in: 0.499 lb (0.0624 each; hand reckoning)
    const { nitrogen } = draftOf(given).prescription;
    expect(nitrogen.steps.find((s) => s.id === 'water')!.lb).toBeCloseTo(-0.499, 3);
    expect(nitrogen.year.value).toBeCloseTo(2.501, 3);
    expect(
      draftOf({ ...given, zones: [lawn({ irrigated: false })] }).prescription.nitrogen.steps.some(
        (s) => s.id === 'water',
      ),
    ).toBe(false);
  });
});

describe('C5: the source by the soil (judgement)', () => {
  const limy = (zone: Partial<Zone>, ...ids: string[]) =>
    caseOf(zone, { ...only(...ids), soilTests: [reportOf('2026-11-20', [pH(7.8)])] });
  it('C5 above 7.3 ammonium feeds before urea, and urea before it elsewhere only for its price', () => {
    expect(
      feedings(limy({}, 'urea-46', 'ammonium-sulfate-21')).every((d) => d.productId === 'ammonium-sulfate-21'),
    ).toBe(true);
    const neutral = caseOf({}, only('urea-46', 'ammonium-sulfate-21'));
    expect(feedings(neutral).every((d) => d.productId === 'urea-46')).toBe(true);
    const chalk = caseOf({ calciumCarbonatePercent: 4 }, only('urea-46', 'ammonium-sulfate-21'));
    expect(feedings(chalk).every((d) => d.productId === 'ammonium-sulfate-21')).toBe(true);
  });
  it('C5 the loss of urea is shown where it is watered in and warned of where nobody waters', () => {
    expect(standing(limy({}, 'urea-46'), 'urea-limy')).toBe('pass');
    expect(standing(limy({ irrigated: false }, 'urea-46'), 'urea-limy')).toBe('warn');
    expect(standing(limy({ irrigated: false }, 'ammonium-sulfate-21'), 'urea-limy')).toBe('pass');
    expect(standing(limy({ irrigated: false }, 'coated-urea-42'), 'urea-limy')).toBe('pass');
    expect(standing(caseOf({ irrigated: false }, only('urea-46')), 'urea-limy')).toBeUndefined();
    // a pound of nitrogen from urea, dry: 36 % (Bowman et al. 1987, HortScience 22:84-87; value from memory)
    expect(lostToAir(product('urea-46'), false) / 0.46).toBeCloseTo(0.36, 9);
    expect(lostToAir(product('coated-urea-42'), false)).toBe(0);
  });
  it('C5 the planner, too, leaves urea for ammonium on limy soil that nobody waters', () => {
    const given = limy({ irrigated: false }, 'urea-46', 'ammonium-sulfate-21');
    const problem = planProblem(given, planSeason(given, 2027))!;
    const lost = Object.fromEntries(problem.zones[0]!.carriers.map((c) => [c.product.id, c.illFedLb]));
    expect(lost['urea-46']).toBeCloseTo(0.46 * 0.36, 9);
    expect(lost['ammonium-sulfate-21']).toBe(0);
    const model = buildModel(problem);
    const costs = (id: string) =>
      model.doses
        .filter((d) => d.product.id === id)
        // at its most a dose is not thin, and costs what its nitrogen loses
        .map((d) => {
          const over = model.milp.columns[d.over!]!;
          return model.milp.columns[d.chosen]!.cost + over.cost * over.upper;
        });
    expect(Math.min(...costs('urea-46'))).toBeGreaterThan(1);
    expect(Math.max(...costs('ammonium-sulfate-21'))).toBeCloseTo(0, 9);
  });
});

describe('C10: close-cut turf is spoon-fed (judgement)', () => {
  const GREEN: Partial<Zone> = { grass: 'creeping-bentgrass', turf: 'close-cut', texture: 'sand' };
  it('C10 a lawn grade, or one of unstated size, is refused by number, a fine one and a spray are not', () => {
    const context = {
      grass: grassOf('creeping-bentgrass'),
      phosphorusWanted: false,
      potassiumWanted: false,
      closeCut: true,
    };
    const sized = (sizeGuideNumber?: number) => ({ ...product('urea-46'), sizeGuideNumber });
    expect(excluded(sized(200), 'N', context)).toBe('size guide number 200: close-cut turf takes 125 at most');
    expect(excluded(sized(), 'N', context)).toMatch(/^no size guide number/);
    expect(excluded(sized(125), 'N', context)).toBeUndefined();
    expect(excluded(product('liquid-slow-25'), 'N', context)).toBeUndefined();
    expect(excluded({ ...product('liquid-slow-25'), lbPerGal: undefined }, 'N', context)).toMatch(/weight a gallon/);
    expect(excluded(product('liquid-iron-6'), 'N', context)).toMatch(/a spray for color/);
    // lime, gypsum and sulfur are no feeds, and on a lawn nothing changes
    expect(excluded(product('calcitic-lime'), 'lime', context)).toBeUndefined();
    expect(excluded(sized(200), 'N', { ...context, closeCut: false })).toBeUndefined();
    expect(excluded(product('liquid-slow-25'), 'N', { ...context, closeCut: false })).toMatch(/supplement/);
  });
  it('C10 a green with granules of 200 and one liquid gets the liquid every 10 to 21 days in small doses', async () => {
    for (const [grass, care] of [
      ['creeping-bentgrass', 'standard'],
      ['creeping-bentgrass', 'high'],
      ['bermudagrass', 'standard'],
    ] as const) {
      const given = caseOf({ ...GREEN, grass, care }, only('ammonium-sulfate-21', 'liquid-slow-25'));
      const plan = planSeason(given, 2027);
      const best = planBest(await loadHighs(), given, plan, {}, { gap: 0.05, seconds: 300 });
      const doses = best.doses.filter((d) => d.for === 'N').sort((a, b) => a.date.localeCompare(b.date));
      expect(new Set(doses.map((d) => d.productId))).toEqual(new Set(['liquid-slow-25']));
      const laid = withDoses(plan, given, best.doses);
      for (const dose of laid.zones[0]!.doses) expect(dose.delivers['N-soluble'] ?? 0).toBeLessThanOrEqual(0.25 + 1e-9);
      const waits = doses.slice(1).map((d, i) => dayOf(d.date) - dayOf(doses[i]!.date));
      for (const days of waits) expect(days).toBeGreaterThanOrEqual(10);
      // heat closes a bentgrass green for a while; over the rest of the year none waits longer than three weeks
      expect(waits.filter((days) => days > 21).length).toBeLessThanOrEqual(1);
    }
  });
  it('C10 a lawn grade put there by hand fails', () => {
    const given = caseOf(GREEN, only('ammonium-sulfate-21', 'liquid-slow-25'));
    const plan = planSeason(given, 2027);
    const dose = { zoneId: 'z', date: '2027-05-03', productId: 'ammonium-sulfate-21', for: 'N', rateLb: 1 } as const;
    const zone = withDoses(plan, given, [{ ...dose, zoneId: given.zones[0]!.id }]).zones[0]!;
    const found = checkZonePlan(zone, given, plan).find((c) => c.id === 'close-cut-feed');
    expect(found).toMatchObject({ standing: 'fail' });
    expect(found?.says).toMatch(/size guide number 200/);
  });
});

describe('C8: states of a zone (judgement)', () => {
  const low = [reportOf('2027-03-10', [pH(5.4), { analyte: 'P', value: 12, unit: 'ppm', method: 'mehlich-3' }])];
  const sown = (zone: Partial<Zone>, more: Partial<Case> = {}, climate?: string) =>
    caseOf({ state: 'new-seeding', seededOn: '2027-09-10', ...zone }, { soilTests: low, ...more }, climate);
  it('a seeding has its starter on the day, half a pound four to six weeks on, lime before and no nitrogen before', () => {
    const season = draftOf(sown({}));
    const on = (date: string) => season.doses.filter((d) => d.date === date);
    expect(on('2027-09-10').reduce((sum, d) => sum + (d.delivers.P2O5 ?? 0), 0)).toBeCloseTo(1, 6);
    const starterN = on('2027-09-10').reduce((sum, d) => sum + (d.delivers.N ?? 0), 0);
    expect(starterN).toBeGreaterThan(0.5);
    expect(starterN).toBeLessThanOrEqual(1);
    const fed = season.doses.filter((d) => (d.delivers.N ?? 0) > 0);
    expect(fed.filter((d) => d.date < '2027-09-10')).toEqual([]);
    const second = fed.filter((d) => d.date > '2027-09-10');
    expect(second).toHaveLength(1);
    expect(second[0]!.date >= '2027-10-08' && second[0]!.date <= '2027-10-22').toBe(true);
    expect(second[0]!.delivers.N).toBeCloseTo(0.5, 6);
    const lime = season.doses.filter((d) => d.for === 'lime');
    expect(lime.map((d) => d.date < '2027-09-10')).toEqual([true]);
    // worked in, so in one go, and over 6 in
    expect(lime[0]!.rateLb).toBeGreaterThan(50);
    expect(standing(sown({}), 'establishment')).toBe('pass');
    expect(season.prescription.cautions.join()).toContain('Weed preventers');
  });
  it('phosphate goes by the test: low 1.0, enough or not tested 0.5, high none', () => {
    const p = (value: number | undefined) =>
      draftOf(
        sown(
          {},
          {
            soilTests: [
              reportOf('2027-03-10', [
                pH(6.5),
                ...(value === undefined
                  ? []
                  : [{ analyte: 'P' as const, value, unit: 'ppm' as const, method: 'mehlich-3' as const }]),
              ]),
            ],
          },
        ),
      ).prescription.phosphorus.yearLb;
    expect([p(5), p(20), p(40), p(80), p(undefined)]).toEqual([1, 1, 0.5, 0, 0.5]);
  });
  it('without a day the usual one is taken and said; sod and renovation keep surface lime; last year’s seeding is young turf', () => {
    const undated = draftOf(sown({ seededOn: undefined }));
    const fall = draftOf(caseOf({})).parts!.parts.find((part) => part.id === 'fall')!.from;
    expect(dayOf(undated.prescription.establishment!.on)).toBe(fall + 14);
    expect(undated.prescription.cautions.join()).toContain('usual day');
    const sod = draftOf(sown({ state: 'sod', turf: 'tilled' }));
    expect(Math.max(...sod.doses.filter((d) => d.for === 'lime').map((d) => d.rateLb))).toBeLessThanOrEqual(50);
    const last = draftOf(sown({ seededOn: '2026-09-10' }, { soilTests: [] }));
    expect(last.prescription.establishment).toBeUndefined();
    expect(last.prescription.nitrogen.steps.some((s) => s.id === 'young')).toBe(true);
  });
});
