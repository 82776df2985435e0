import { describe, expect, it } from 'vitest';
import type { SoilResult, SoilTest } from '../records/case';
import { trendOf } from './trend';

const test = (sampledOn: string, results: SoilResult[], change: Partial<SoilTest> = {}): SoilTest => ({
  id: sampledOn,
  zoneId: 'z',
  sampledOn,
  depthIn: 4,
  results,
  ...change,
});
const ph = (value: number, method: SoilResult['method'] = 'water-1:1'): SoilResult => ({
  analyte: 'pH',
  value,
  method,
});
const k = (
  value: number,
  unit: SoilResult['unit'] = 'ppm',
  method: SoilResult['method'] = 'mehlich-3',
): SoilResult => ({ analyte: 'K', value, unit, method });

describe('the trend of a zone', () => {
  it('is the change a year between comparable reports, whatever their order', () => {
    const trend = trendOf([test('2026-10-12', [ph(6)]), test('2024-10-12', [ph(5.6)])], 'pH');
    expect(trend.points.map((p) => p.value)).toEqual([5.6, 6]);
    expect(trend.perYear).toBeCloseTo(0.2, 3);
    expect(trend.warnings).toEqual([]);
  });
  it('brings units and CaCl2 to one scale', () => {
    // 2 lb/acre a ppm by custom, whatever the cores (judgement A1)
    expect(trendOf([test('2025-10-01', [k(200, 'lb/acre')]), test('2026-10-01', [k(90)])], 'K')).toMatchObject({
      unit: 'ppm',
      points: [{ value: 100 }, { value: 90 }],
    });
    expect(trendOf([test('2026-10-01', [ph(5, 'cacl2')])], 'pH').points[0]?.value).toBeCloseTo(5.6, 9);
  });
  it.each<[string, SoilTest[], string]>([
    [
      'method',
      [test('2025-10-01', [k(70, 'ppm', 'ammonium-acetate')]), test('2026-10-01', [k(60)])],
      'the method’s as much',
    ],
    ['depth', [test('2025-10-01', [k(70)], { depthIn: 6 }), test('2026-10-01', [k(60)])], 'not the same soil'],
    [
      'an unstated depth',
      [test('2025-10-01', [k(70)], { depthIn: undefined }), test('2026-10-01', [k(60)])],
      'an unknown depth',
    ],
    ['season', [test('2025-04-01', [k(70)]), test('2026-10-01', [k(60)])], 'different seasons'],
    [
      'laboratory',
      [test('2025-10-01', [k(70)], { lab: 'One' }), test('2026-10-01', [k(60)], { lab: 'Two' })],
      'laboratory changed',
    ],
  ])('warns where the %s changed', (_what, tests, says) => {
    expect(trendOf(tests, 'K').warnings.join(' ')).toContain(says);
  });
  it('draws no line through reports that cannot be compared', () => {
    const trend = trendOf([test('2024-10-01', [k(70, 'ppm', 'ammonium-acetate')]), test('2026-10-01', [k(60)])], 'K');
    expect(trend.perYear).toBeUndefined();
    expect(trend.points.map((p) => p.comparable)).toEqual([false, true]);
    // December and January are neighbours, not eleven months apart
    expect(trendOf([test('2024-12-20', [k(70)]), test('2026-01-10', [k(60)])], 'K').warnings).toEqual([]);
  });
  it('leaves out indexes and reports without the analyte', () => {
    expect(trendOf([test('2026-10-01', [k(3, 'index')]), test('2025-10-01', [ph(6)])], 'K').points).toEqual([]);
  });
});
