import { describe, expect, it } from 'vitest';
import { addDays, dayAt, dayOfYear, placeOf } from '../../days/day';
import { lawn, pH, ppm, reportOf } from '../../prescription/judgement.fixture';
import { prescribeZone } from '../../prescription/prescribe';
import type { Zone } from '../../records/case';
import { caseOf, draftOf, feedings, only, product, standing } from '../any-lawn.fixture';
import { planSeason } from '../draft/plan-season';
import { doseCeiling } from './dose-ceilings';

describe('D2: schools of potash (judgement)', () => {
  const given = caseOf(
    { grass: 'zoysiagrass', texture: 'loam' },
    {
      soilTests: [reportOf('2026-11-20', [pH(6.2), ppm('P', 40), ppm('K', 260)])],
      choices: { year: 2027, potassium: 'fall' },
    },
    'warm-southeast',
  );
  const draft = planSeason(given, 2027);
  const [amount] = draft.zones[0]!.schools!.amounts;
  const day = addDays(dayAt(2027, amount!.from), 3);
  const potash = { zoneId: 'z', date: day, productId: 'sulfate-of-potash-50', for: 'K2O', rateLb: 2 } as const;
  const feed = { zoneId: 'z', date: day, productId: 'urea-46', for: 'N', rateLb: 1.1 } as const;
  it('D2 “with no N” holds for the zone’s day, not for the product', () => {
    expect(amount!.withNitrogen).toBe(false);
    expect(standing(given, `school-${amount!.id}`, [potash])).toBe('pass');
    expect(standing(given, `school-${amount!.id}`, [potash, feed])).toBe('warn');
    expect(standing(given, `school-${amount!.id}`, [potash, { ...feed, date: addDays(day, 1) }])).toBe('pass');
  });
  it('D2 no school puts potash on a high test without a warning', () => {
    expect(draft.zones[0]!.prescription.potassium.level).toBe('high');
    expect(standing(given, 'potassium-year', [potash])).toBe('warn');
  });
});

describe('D: potash and small needs (judgement)', () => {
  const k = (value: number) =>
    reportOf('2026-11-20', [pH(6.5), { analyte: 'K', value, unit: 'ppm', method: 'mehlich-3' }]);
  it('D1 potash nobody asked for is no bar: a grade with it feeds alone, and comes last beside another', () => {
    const alone = caseOf({}, { ...only('lawn-24-0-11'), soilTests: [k(110)] });
    expect(feedings(alone).length).toBeGreaterThan(1);
    expect(standing(alone, 'potassium-year')).toBe('warn');
    const beside = caseOf({}, { ...only('lawn-24-0-11', 'urea-46'), soilTests: [k(110)] });
    expect(feedings(beside).every((d) => d.productId === 'urea-46')).toBe(true);
  });
  it('D1 on sand K2O may go to one and a half times the nitrogen, elsewhere to the nitrogen, and to the need where very low', () => {
    const potash = (zone: Partial<Zone>, value: number) =>
      draftOf(caseOf(zone, { soilTests: [k(value)] })).prescription.potassium.yearLb;
    expect(potash({ care: 'low' }, 26)).toBe(2);
    expect(potash({ care: 'low', texture: 'sand' }, 26)).toBeGreaterThan(2);
    expect(potash({ care: 'low', texture: 'sand' }, 26)).toBeLessThanOrEqual(3);
    expect(potash({ care: 'low' }, 10)).toBeGreaterThan(2);
  });
  it('D3 needs too small to spread are said and not planned', () => {
    const mg = (value: number) =>
      draftOf(
        caseOf(
          {},
          {
            soilTests: [reportOf('2026-11-20', [pH(6.5), { analyte: 'Mg', value, unit: 'ppm', method: 'mehlich-3' }])],
          },
        ),
      ).prescription.magnesium;
    expect(mg(66).yearLb).toBe(0);
    expect(mg(66).says).toContain('too little to spread');
    expect(mg(40).yearLb).toBeGreaterThan(0.05);
  });
});

describe('D: codes (judgement)', () => {
  it('D4 P2O5 of a dose and a year, the age of the test, the slow share by date', () => {
    const low = reportOf('2026-11-20', [pH(6.5), { analyte: 'P', value: 5, unit: 'ppm', method: 'mehlich-3' }]);
    const p = (code: object, asOf?: string) =>
      prescribeZone({ zone: lawn(), tests: [low], products: [], codes: [{ id: 'c', ...code }], asOf }).prescription
        .phosphorus.yearLb;
    expect(p({})).toBeGreaterThan(1);
    expect(p({ maxP2O5PerYear: 0.5 })).toBe(0.5);
    expect(
      [p({ testWithinYears: 2 }, '2028-11-01'), p({ testWithinYears: 2 }, '2028-12-01')].map((lb) => lb > 0),
    ).toEqual([true, false]);
    expect(doseCeiling(lawn(), product('map-11-52'), 'P2O5', [{ id: 'c', maxP2O5PerDose: 0.25 }])).toBeCloseTo(0.25, 9);
    const coded = caseOf(
      {},
      {
        ...only('urea-46', 'coated-urea-42'),
        codes: [{ id: 'c', slow: [{ from: '09-01', to: '11-30', leastSlowPercent: 50 }] }],
      },
    );
    for (const dose of feedings(coded))
      if (dayOfYear(dose.date) >= placeOf(2027, '09-01')) expect(dose.productId).toBe('coated-urea-42');
  });
});
