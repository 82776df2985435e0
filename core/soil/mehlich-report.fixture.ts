import type { SoilTest } from '../records/case';

/** For tests: a report of the fall before the plan's year, by Mehlich-3, of zone `z`. */
export const mehlichReport = (pH: number, pPpm: number, kPpm: number): SoilTest => ({
  id: 's',
  zoneId: 'z',
  sampledOn: '2026-11-01',
  depthIn: 4,
  results: [
    { analyte: 'pH', value: pH, method: 'water-1:1' },
    { analyte: 'P', value: pPpm, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'K', value: kPpm, unit: 'ppm', method: 'mehlich-3' },
  ],
});
