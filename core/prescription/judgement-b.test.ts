import { describe, expect, it } from 'vitest';
import type { Product, SoilResult, Zone } from '../records/case';
import { CLIMATE_PRESETS } from '../packs/starter-shelf';
import { limeKindOf, ecceOf } from '../lime/lime-label';
import { planSeason } from '../season/draft/plan-season';
import { daysBetween } from '../days/day';
import { buffer, cec, down, lawn, pH, ppm, prescribe, reportOf, SHELF } from './judgement.fixture';

const ph = (change: Partial<Zone>, results: SoilResult[], more: object = {}, facts: object = {}) =>
  prescribe(lawn(change), [reportOf('2027-03-01', results, more)], facts).ph;
const own = (line: 'lime' | 'free-sulfur' | 'aim-ph' | 'gypsum', value: number) => ({
  line,
  value,
  reason: 'I know it',
});

describe('B: pH (judgement)', () => {
  it('B1 an acid soil is never answered with nothing: own figure, buffer, laboratory, texture, else a first dose', () => {
    // beyond the lines of SMP and the range of Adams-Evans an estimate goes on
    expect(ph({}, [pH(4.4), buffer(5.2, 'smp')])).toMatchObject({ action: 'lime', method: 'lime.smp', estimate: true });
    const at = (b: number) => ph({}, [pH(4.6), buffer(b, 'smp')]).requirement?.value ?? 0;
    expect(at(5.4)).toBe(at(5.0));
    expect(at(5.8)).toBeLessThan(at(5.4));
    const acid = ph({ grass: 'bahiagrass', texture: 'sand' }, [pH(4.2), buffer(7.6, 'adams-evans')]);
    const edge = ph({ grass: 'bahiagrass', texture: 'sand' }, [pH(4.5), buffer(7.6, 'adams-evans')]);
    expect(acid).toMatchObject({ method: 'lime.adams-evans', estimate: true });
    expect(acid.requirement?.value).toBe(edge.requirement?.value);
    expect(edge.estimate).toBeUndefined();
    // nothing to reckon by: a first dose that cannot be wrong, and a new report
    const first = ph({}, [pH(4.3)]);
    expect(first).toMatchObject({ action: 'lime', method: 'lime.first-dose', doses: [50] });
    expect(first.unsettled).toContain('buffer pH');
    for (const change of [{ texture: 'sand' }, { turf: 'close-cut' }, { grass: 'centipedegrass' }] as const)
      expect(ph(change, [pH(4.3)]).doses).toEqual([25]);
    const mine = ph({ own: [own('lime', 100)] }, [pH(4.3)]);
    expect(mine.doses).toEqual([50, 50]);
    expect(mine.unsettled).toBeUndefined();
    // an own figure wins over an equation that refuses
    expect(ph({ own: [own('lime', 30)] }, [pH(5.2), buffer(7.4, 'mehlich')]).doses).toEqual([30]);
  });
  it('B2 SMP with an aim under 6.0 takes a share of the 6.0 line, and 0 where the line gives 0', () => {
    // aim 5.8 of bahia, pH 5.2: 49.3 − 0.71 × 65 = 3.15 tons, × 0.6 ÷ 0.8, 4 of 8 in (hand reckoning)
    expect(ph({ grass: 'bahiagrass' }, [pH(5.2), buffer(6.5, 'smp')]).requirement?.value).toBeCloseTo(
      ((3.15 * 0.6) / 0.8) * (2000 / 43.56) * 0.5,
      6,
    );
    expect(ph({ grass: 'bahiagrass' }, [pH(5.2), buffer(7.0, 'smp')])).toMatchObject({
      action: 'none',
      method: 'lime.smp',
    });
  });
  it('B3 tons of SMP and Mehlich are of lime with an effective value of 65; Adams-Evans and texture of pure lime', () => {
    const ratio = (results: SoilResult[]) => {
      const answer = ph({}, results);
      return (answer.material?.value ?? 0) / (answer.requirement?.value ?? 1);
    };
    // the shelf's calcitic lime has an ECCE of 88
    expect(ratio([pH(5.4), buffer(6.3, 'mehlich')])).toBeCloseTo(65 / 88, 9);
    expect(ratio([pH(5.4), buffer(6.5, 'sikora')])).toBeCloseTo(65 / 88, 9);
    expect(ratio([pH(5.4), buffer(7.7, 'adams-evans')])).toBeCloseTo(100 / 88, 9);
    expect(ratio([pH(5.4)])).toBeCloseTo(100 / 88, 9);
  });
  it('B4 what went down since the sample counts, in any year; a year after the first dose a new report decides', () => {
    const results = [pH(5.4), buffer(6.3, 'mehlich')];
    const asked = ph({}, results).material?.value ?? 0;
    const after = ph({ applied: [down('2027-04-01', 'calcitic-lime', 6)] }, results);
    expect(after.ledger).toMatchObject({ requiredLb: asked, givenLb: 6, datedUntil: '2028-03-31' });
    expect(after.doses[0]).toBeCloseTo(asked - 6, 6);
    // another lime counts by its ECCE, 86 of 88
    expect(ph({ applied: [down('2027-04-01', 'dolomitic-lime', 9)] }, results).ledger?.givenLb).toBeCloseTo(
      (9 * 86) / 88,
      9,
    );
    // before the sample it is in the sample
    expect(ph({ applied: [down('2027-02-01', 'calcitic-lime', 9)] }, results).ledger).toBeUndefined();
    const done = ph({ applied: [down('2027-04-01', 'calcitic-lime', asked - 2)] }, results);
    expect(done).toMatchObject({ action: 'none', doses: [], says: expect.stringContaining('Retest') as string });
    // a deficit of K is asked once, what growth takes recurs
    const low = [reportOf('2026-03-01', [pH(6.5), ppm('K', 20)])];
    const k = (applied: Zone['applied'], year = 2027) => prescribe(lawn({ applied }), low, { year }).potassium.yearLb;
    const fed = k([down('2026-05-01', 'sulfate-of-potash-50', 2)]);
    expect(k([]) - fed).toBeCloseTo(1, 6);
    // over a year since the first of it: only removal, 0.5 of 3 lb N as K, bagged (hand reckoning)
    expect(k([down('2026-05-01', 'sulfate-of-potash-50', 2)], 2028)).toBeCloseTo(3 * 0.5 * 1.2046, 3);
  });
  it('B5 lime is early: in unfrozen winters within eight weeks, and a feeding gives way to it', () => {
    const warm = CLIMATE_PRESETS.find((each) => each.id === 'warm-southeast')!;
    const zone = lawn({ grass: 'bahiagrass', texture: 'sand' });
    const plan = planSeason(
      {
        format: 'ubertas-case',
        version: 1,
        property: { id: 'p', name: 'P', climate: warm.climate },
        zones: [zone],
        soilTests: [reportOf('2026-11-20', [pH(4.9), buffer(7.85, 'adams-evans')])],
        products: SHELF,
      },
      2027,
    );
    const limes = plan.zones[0]!.doses.filter((d) => d.for === 'lime');
    expect(daysBetween('2027-01-01', limes[0]!.date)).toBeLessThan(56);
    expect(limes.every((d) => d.rateLb <= 25)).toBe(true);
    for (const feeding of plan.zones[0]!.doses.filter((d) => (d.delivers.N ?? 0) > 0))
      for (const lime of limes) expect(Math.abs(daysBetween(lime.date, feeding.date))).toBeGreaterThanOrEqual(14);
  });
  it('B6 sulfur wants a fizz test from 7.3; a window whose top is only an optimum is left alone up to 7.5', () => {
    const bluegrass = ph({ grass: 'kentucky-bluegrass', texture: 'clay' }, [pH(7.4)]);
    expect(bluegrass.action).toBe('leave');
    for (const word of ['leave', 'iron', 'fizz test']) expect(bluegrass.says).toContain(word);
    expect(ph({ carbonates: 'none' }, [pH(7.5)]).action).toBe('leave');
    expect(ph({ carbonates: 'none' }, [pH(7.5)], {}, { choices: { highPh: 'correct-slowly' } }).action).toBe('leave');
    expect(ph({ carbonates: 'none', own: [own('aim-ph', 6.8)] }, [pH(7.5)]).action).toBe('sulfur');
    expect(ph({ carbonates: 'none' }, [pH(7.6)]).action).toBe('sulfur');
    const centipede = { grass: 'centipedegrass', texture: 'loam' } as const;
    expect([6.29, 6.3].map((p) => ph(centipede, [pH(p)]).action)).toEqual(['leave', 'sulfur']);
    expect(ph(centipede, [pH(7.3)]).says).toContain('fizz');
  });
  it('B7 sulfur on weak soil: 2 lb a dose, a fifth of the CEC a year, a third dose only after the top 0-2 in', () => {
    const weak = ph({ grass: 'centipedegrass', texture: 'sand', carbonates: 'none' }, [pH(7), cec(3)]);
    // CEC 3: a fifth is 0.6 cmolc/kg, 3 lb S over 4 in at 1.5 (hand reckoning)
    expect(weak.doses[0]).toBeLessThanOrEqual(1.5);
    expect((weak.doses[0] ?? 0) * (weak.mostDated ?? 0)).toBeLessThanOrEqual(3);
    expect(weak.mostDated).toBe(2);
    const two = [down('2027-04-05', 'sulfur-prills-90', 4.6), down('2027-09-20', 'sulfur-prills-90', 4.6)];
    const loam: Partial<Zone> = { grass: 'centipedegrass', carbonates: 'none', own: [own('free-sulfur', 12.5)] };
    expect(ph({ ...loam, applied: two }, [pH(7)])).toMatchObject({
      action: 'leave',
      doses: [],
      waits: expect.stringContaining('0 to 2 in') as string,
    });
    expect(ph({ ...loam, applied: two.slice(0, 1) }, [pH(7)]).mostDated).toBe(1);
  });
  it('B8 sodic soil gets gypsum, in doses, and no sulfur', () => {
    const clay = lawn({ texture: 'clay', grass: 'bermudagrass' });
    const results = [pH(8), cec(22), { analyte: 'ESP', value: 22, unit: '%' } as SoilResult];
    const answer = prescribe(clay, [reportOf('2027-03-01', results)]);
    expect(answer.ph).toMatchObject({ action: 'leave', says: expect.stringContaining('Gypsum') as string });
    expect(answer.gypsum.productId).toBe('gypsum');
    expect(Math.max(...answer.gypsum.doses)).toBeLessThanOrEqual(40);
    expect(answer.gypsum.says).toMatch(/drainage first.*leach/);
    const limy = prescribe({ ...clay, carbonates: 'strong' }, [reportOf('2027-03-01', results)]);
    expect(limy.gypsum.says).toContain('elemental sulfur can');
    const fed = prescribe({ ...clay, applied: [down('2027-04-01', 'gypsum', 40)] }, [reportOf('2027-03-01', results)]);
    expect(fed.gypsum.yearLb).toBeCloseTo(answer.gypsum.yearLb - 40, 6);
  });
  it('B9 buffalograss 6.0 to 8.0, aim 6.5; within 0.2 of a window is inside', () => {
    expect(ph({ grass: 'buffalograss' }, [pH(5.9)]).action).toBe('none');
    expect(ph({ grass: 'buffalograss' }, [pH(5.8)])).toMatchObject({ action: 'lime', targetPh: 6.5 });
  });
  it('B10 a label with CCE is a lime, its kind by magnesium, its ECCE by CCE and sieves', () => {
    const label = (more: Partial<Product>): Product => ({ id: 'l', name: 'L', guaranteed: {}, ...more });
    expect(limeKindOf(label({ ccePercent: 95, guaranteed: { Ca: 30, Mg: 6 } }))).toBe('dolomitic');
    expect(limeKindOf(label({ ccePercent: 95, guaranteed: { Ca: 30, Mg: 5 } }))).toBe('calcitic');
    expect(limeKindOf(label({ ccePercent: 116 }))).toBe('asked');
    expect(limeKindOf(label({ guaranteed: { N: 5 } }))).toBeUndefined();
    expect(ecceOf(label({ ccePercent: 95, mesh8to20Percent: 10, mesh20to60Percent: 30, under60MeshPercent: 60 }))).toBe(
      76,
    );
    const answer = prescribe(lawn(), [reportOf('2027-03-01', [pH(5.4)])], {
      products: [label({ ccePercent: 95, guaranteed: { Ca: 36 }, package: { lb: 40, price: 6 } })],
    });
    expect(answer.ph.productId).toBe('l');
  });
});
