import type { Case } from '../../core/records/case';
import { latestTest } from '../../core/soil/report';
import { type Soil, soilOfReport } from './soil';
import { soilKey } from '../soil-key';

/** The soils under the invented demo zones, by their keys: what their latest reports found is taken for the truth. */
export function demoSoils(cases: readonly Case[]): ReadonlyMap<number, Soil> {
  const soils = new Map<number, Soil>();
  for (const { property, zones, soilTests = [] } of cases)
    for (const zone of zones) {
      const test = latestTest(soilTests, zone.id);
      const key = soilKey(property.id, zone.id);
      if (test) soils.set(key, soilOfReport(key, zone, test));
    }
  return soils;
}
