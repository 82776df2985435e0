import type { SoilTest, Zone } from '../../records/case';
import { grassOf } from '../../packs/grasses';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import { prescribeZone } from '../../prescription/prescribe';
import type { MatchContext } from './need';

/** For tests: an acid lawn of tall fescue, high in phosphorus, low in potassium and sulfur. */
export const ACID_LAWN: Zone = {
  id: 'z',
  name: 'South lawn',
  areaSqFt: 6480,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  measuredBy: 'wheel',
};

export const ACID_REPORT: SoilTest = {
  id: 's',
  zoneId: 'z',
  sampledOn: '2027-02-17',
  depthIn: 4,
  results: [
    { analyte: 'pH', value: 5.6, method: 'water-1:1' },
    { analyte: 'buffer-pH', value: 6.32, method: 'mehlich' },
    { analyte: 'P', value: 71, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'K', value: 44, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'Mg', value: 74, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'S', value: 9, unit: 'ppm', method: 'mehlich-3' },
  ],
};

/** What the shelf is judged against on a zone with this report. */
export const contextOn = (zone: Zone, test: SoilTest | undefined, more: Partial<MatchContext> = {}): MatchContext => ({
  zone,
  grass: grassOf(zone.grass),
  codes: [],
  prescription: prescribeZone({ zone, tests: test ? [test] : [], products: STARTER_SHELF, codes: [] }).prescription,
  ...more,
});
