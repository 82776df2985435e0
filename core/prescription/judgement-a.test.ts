import { describe, expect, it } from 'vitest';
import type { SoilResult } from '../records/case';
import { caseOf } from '../season/any-lawn.fixture';
import { planSeason } from '../season/draft/plan-season';
import { buffer, cec, down, lawn, pH, ppm, prescribe, read, reportOf } from './judgement.fixture';

const value = (analyte: SoilResult['analyte'], results: SoilResult[], more: object = {}) =>
  read(lawn(), reportOf('2027-03-01', results, more)).readings.find((r) => r.analyte === analyte)?.value;
const doubts = (results: SoilResult[], change: object = {}, more: object = {}) =>
  read(lawn(change), reportOf('2027-03-01', results, more)).doubts.join(' ');
const level = (reading: SoilResult, change: object = {}, ph = 6.5) =>
  read(lawn(change), reportOf('2027-03-01', [pH(ph), reading])).findings[0];

describe('A: reading the report (judgement)', () => {
  it('A1 lb/acre is ppm x 2 and kg/ha ppm x 2.24 by custom, whatever the core; a stated basis decides', () => {
    const k = ppm('K', 80, 'mehlich-3', { unit: 'lb/acre' });
    for (const depthIn of [3, 4, 6]) expect(value('K', [k], { depthIn })).toBeCloseTo(40, 9);
    expect(value('K', [k], { depthIn: 4, basisDepthIn: 4 })).toBeCloseTo(80 / 1.2, 9);
    expect(value('K', [{ ...k, unit: 'kg/ha', value: 89.67 }])).toBeCloseTo(40, 2);
    expect(doubts([k])).toContain('2,000,000 lb');
    expect(doubts([k], {}, { basisDepthIn: 20 / 3 })).toBe('');
    // a missing depth speaks of mixing and trend, and of no unit
    expect(doubts([pH(6.5)], {}, { depthIn: undefined })).toMatch(/sampling depth.*mixed/);
    expect(doubts([pH(6.5)], {}, { depthIn: undefined })).not.toContain('lb/acre');
  });
  it('A2 mg/dm3 is divided by the laboratory’s scoop, 1.0 with a doubt, never by the field’s density', () => {
    const k = ppm('K', 60, 'mehlich-3', { unit: 'mg/dm3' });
    expect(value('K', [k])).toBe(60);
    expect(read(lawn({ bulkDensity: 1.6 }), reportOf('2027-03-01', [k])).readings[0]?.value).toBe(60);
    expect(value('K', [k], { scoopGPerCm3: 1.2 })).toBeCloseTo(50, 9);
    expect(doubts([k])).toContain('scoop');
    expect(doubts([k], {}, { scoopGPerCm3: 1.2 })).not.toContain('scoop');
  });
  it('A3 salinity is brought to the paste by extract and texture, and judged for the grass', () => {
    const salty = (ec: number, method: SoilResult['method'], change: object) =>
      prescribe(lawn(change), [reportOf('2027-03-01', [pH(6.5), { analyte: 'EC', value: ec, unit: 'dS/m', method }])])
        .salinity;
    const centipede = salty(3, 'water-1:2', { grass: 'centipedegrass', texture: 'sandy-loam' });
    expect(centipede.ece?.value).toBeCloseTo(7.8, 9);
    expect([centipede.least, centipede.most].map((v) => v?.toFixed(1))).toEqual(['5.2', '10.4']);
    expect(centipede.standing).toBe('saline');
    // the same salt is nothing to bermuda, and a paste is judged as it is
    expect(salty(3, 'water-1:2', { grass: 'bermudagrass', texture: 'sandy-loam' }).standing).toBe('ordinary');
    expect(salty(3, 'saturated-paste', {}).ece?.value).toBe(3);
    expect(
      (['sand', 'sandy-loam', 'loam', 'clay-loam', 'clay'] as const).map(
        (texture) => salty(1, 'water-1:5', { texture }).ece?.value,
      ),
    ).toEqual([17, 14, 10, 9, 7]);
    expect(
      (['sand', 'loam', 'clay'] as const).map((texture) => [
        salty(1, 'water-1:1', { texture }).ece?.value,
        salty(1, 'water-1:2', { texture }).ece?.value,
      ]),
    ).toEqual([
      [1.8, 3.2],
      [1.6, 2.6],
      [1.4, 2.2],
    ]);
    const from = (grass: string) => salty(1, 'saturated-paste', { grass }).salineFrom;
    expect(
      ['centipedegrass', 'bahiagrass', 'kentucky-bluegrass', 'buffalograss', 'tall-fescue', 'seashore-paspalum'].map(
        from,
      ),
    ).toEqual([2, 3, 3, 6, 6, 10]);
    expect(doubts([{ analyte: 'EC', value: 1, unit: 'dS/m' }])).toContain('does not say in which extract');
    expect(salty(1, undefined, {}).ece?.value).toBe(2.6);
  });
  it('A4 cations in percent of CEC, ESP and SAR are taken as laboratories print them', () => {
    const percent = (analyte: 'K' | 'Na', of: number): SoilResult => ({
      analyte,
      value: of,
      unit: '%',
      method: 'mehlich-3',
    });
    // 2 % of 10 cmolc/kg is 0.2, times 391 (hand reckoning)
    expect(value('K', [percent('K', 2), cec(10)])).toBeCloseTo(78.2, 1);
    expect(doubts([percent('K', 2)])).toContain('percent of CEC');
    const gypsum = (results: SoilResult[]) =>
      prescribe(lawn({ texture: 'clay' }), [reportOf('2027-03-01', [pH(8), cec(20), ...results])]).gypsum;
    expect(gypsum([percent('Na', 22)]).espPercent).toBeCloseTo(22, 9);
    expect(gypsum([{ analyte: 'ESP', value: 22, unit: '%' }]).espPercent).toBe(22);
    // SAR 20: r = 0.2824, 0.2824 / 1.2824 (USDA Handbook 60; hand reckoning)
    expect(gypsum([{ analyte: 'SAR', value: 20 }]).espPercent).toBeCloseTo(22.02, 2);
    expect(doubts([pH(8), cec(20), percent('Na', 16)], { carbonates: 'strong' })).toContain('inflates');
  });
  it('A5 a bound decides only where all that is left lies on one side', () => {
    const k = (value: number, qualifier: '<' | '>') => level(ppm('K', value, 'mehlich-3', { qualifier }))?.level;
    expect([k(26, '<'), k(27, '<'), k(51, '<'), k(52, '<')]).toEqual(['very-low', 'low', 'low', 'unreadable']);
    expect([k(50, '>'), k(51, '>'), k(117, '>')]).toEqual(['unreadable', 'enough', 'high']);
    expect(level(ppm('K', 60, 'mehlich-3', { qualifier: '<' }))?.says).toContain('limit is in the way');
    const need = (value: number, qualifier: '<' | '>') =>
      prescribe(lawn(), [reportOf('2027-03-01', [pH(6.5), ppm('K', value, 'mehlich-3', { qualifier })])]).potassium
        .yearLb;
    expect(need(40, '<')).toBeGreaterThan(0);
    expect(need(60, '<')).toBe(0);
    // a bound of pH likewise
    const ph = (value: number, qualifier: '<' | '>') =>
      read(lawn(), reportOf('2027-03-01', [pH(value, { qualifier })])).ph?.place;
    expect([ph(5.5, '<'), ph(6.5, '<'), ph(8, '>')]).toEqual(['too-acid', undefined, 'too-alkaline']);
  });
  it('A6 reports merge by analyte, newest first; pH alone erases nothing; lime between buffer and pH sets the buffer aside', () => {
    const may = reportOf('2027-05-04', [
      pH(5.4),
      buffer(6.3, 'mehlich'),
      ppm('P', 20),
      ppm('K', 40),
      ppm('Mg', 50),
      cec(9),
    ]);
    const november = reportOf('2027-11-02', [pH(5.9 - 0.2)]);
    const merged = read(lawn(), [november, may], '2028-01-01');
    expect(merged.ph?.ph).toBe(5.7);
    expect(merged.readings.filter((r) => r.from.sampledOn === '2027-05-04').map((r) => r.analyte)).toEqual([
      'buffer-pH',
      'P',
      'K',
      'Mg',
      'CEC',
    ]);
    expect(merged.doubts.join(' ')).toMatch(/report of .*May/);
    expect(merged.doubts.join(' ')).toContain('older than the soil pH');
    expect(prescribe(lawn(), [november, may]).ph.method).toBe('lime.mehlich');
    const limed = lawn({ applied: [down('2027-06-10', 'calcitic-lime', 20)] });
    expect(prescribe(limed, [november, may]).ph.method).toBe('lime.texture');
    // over three years P, K, Mg, pH are shown and not prescribed from, nitrogen is; CEC keeps ten
    const old = prescribe(lawn(), [may], { asOf: '2030-06-01' });
    expect([old.potassium.yearLb, old.phosphorus.yearLb, old.ph.action]).toEqual([0, 0, 'none']);
    expect(old.potassium).toMatchObject({ level: 'low', says: expect.stringContaining('over 3 years old') as string });
    expect(old.nitrogen.year.value).toBe(3);
    const later = (asOf: string) => read(lawn(), [may], asOf).usable.map((r) => r.analyte);
    expect([later('2030-06-01'), later('2037-06-01')]).toEqual([['CEC'], []]);
  });
  it('A7 age goes by the later of the day of planning and New Year of the plan’s year; nitrogen has none', () => {
    const given = caseOf({}, { soilTests: [reportOf('2024-02-20', [pH(5.4), ppm('P', 8), ppm('K', 30)])] });
    const on = (judgedOn: string | undefined, year = 2027) =>
      planSeason({ ...given, choices: { year } }, year, {}, undefined, undefined, judgedOn).zones[0]!.prescription;
    // under three years on New Year of 2027, over three in March, and on New Year of 2028 whatever the day of planning
    expect(on('2026-11-30').phosphorus.yearLb).toBeGreaterThan(0);
    expect(on('2027-03-15').phosphorus.yearLb).toBe(0);
    expect(on('2027-03-15').ph.action).not.toBe('lime');
    expect(on('2027-01-15', 2028).phosphorus.yearLb).toBe(0);
    expect(on('2027-03-15').nitrogen.year.value).toBe(on('2026-11-30').nitrogen.year.value);
  });
  it('A8 a buffer contradicts its pH where its acidity means no CEC that there is', () => {
    expect(doubts([pH(4.9), buffer(7.85, 'adams-evans')], { texture: 'sand' })).toBe('');
    expect(doubts([pH(4.9), buffer(7.98, 'adams-evans')], { texture: 'sand' })).toContain('contradict');
    expect(doubts([pH(5.2), buffer(3.95, 'mehlich')])).toBe('');
    expect(doubts([pH(5.8), buffer(4.2, 'smp')])).toContain('contradict');
    // judged below pH 6 only
    expect(doubts([pH(6.1), buffer(7.4, 'smp')])).toBe('');
  });
  it('A9 a buffer pH without its buffer is none: texture answers, with a doubt that names the field', () => {
    const { ph } = prescribe(lawn(), [reportOf('2027-03-01', [pH(5.4), buffer(6.3)])]);
    expect(ph.method).toBe('lime.texture');
    expect(doubts([pH(5.4), buffer(6.3)])).toContain('method of buffer-pH');
  });
  it('A10 modified Morgan and Mehlich-1 have their rows, DTPA high is no harm, Olsen in acid soil is doubted', () => {
    expect(level(ppm('K', 99, 'modified-morgan'))?.level).toBe('low');
    expect(level(ppm('K', 80, 'mehlich-1'), { texture: 'sand' })).toMatchObject({
      level: 'enough',
      says: expect.stringContaining('Virginia') as string,
    });
    expect(level(ppm('Zn', 2, 'dtpa'))?.says).toContain('more than is needed');
    expect(doubts([pH(5.9), ppm('P', 12, 'olsen')])).toContain('Olsen');
    expect(doubts([pH(6.1), ppm('P', 12, 'olsen')])).toBe('');
  });
  it('A11 toxic levels lead to advice', () => {
    const toxic = (results: SoilResult[], change: object = {}) =>
      prescribe(lawn(change), [reportOf('2027-03-01', results)]).toxic;
    expect(toxic([pH(5.4), ppm('Zn', 25)])).toEqual([
      expect.objectContaining({ analyte: 'Zn', standing: 'harmful', says: expect.stringContaining('Lime') as string }),
    ]);
    expect(toxic([pH(7), ppm('B', 3, 'hot-water')])[0]).toMatchObject({ analyte: 'B', standing: 'flagged' });
    expect(toxic([pH(7), ppm('B', 5.5, 'hot-water')])[0]).toMatchObject({ analyte: 'B', standing: 'harmful' });
    expect(toxic([pH(5.1)])[0]).toMatchObject({ analyte: 'Al' });
    expect(toxic([pH(5.1)], { grass: 'centipedegrass' })).toEqual([]);
    expect(toxic([pH(6.5), ppm('Zn', 3)])).toEqual([]);
  });
  it('A12 the laboratory’s own figures stand beside ours, and are taken by themselves only where ours cannot be reckoned', () => {
    const labAdvice = { limeLb: 45, K2OLb: 1.5, P2O5Lb: 0.5 };
    const withBuffer = prescribe(lawn(), [reportOf('2027-03-01', [pH(5.4), buffer(6.3, 'mehlich')], { labAdvice })]);
    expect(withBuffer.ph.method).toBe('lime.mehlich');
    expect(withBuffer.ph.laboratory?.value).toBe(45);
    const without = prescribe(lawn(), [
      reportOf('2027-03-01', [pH(5.4), { analyte: 'K', value: 3, unit: 'index' }], { labAdvice }),
    ]);
    expect(without.ph).toMatchObject({ method: 'laboratory', doses: [45] });
    expect(without.potassium.yearLb).toBe(1.5);
    expect(without.labAdvice).toMatchObject(labAdvice);
  });
});
