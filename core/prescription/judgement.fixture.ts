import type { LocalCode, Product, SoilResult, SoilTest, Zone } from '../records/case';
import { STARTER_SHELF } from '../packs/starter-shelf';
import { interpretZone } from '../soil/interpret';
import { prescribeZone } from './prescribe';
import type { ZoneFacts } from './zone-facts';

/** Lawns, reports and answers in few words, for the tests of judgement. */

export const lawn = (change: Partial<Zone> = {}): Zone => ({
  id: 'z',
  name: 'Lawn',
  areaSqFt: 1000,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  clippings: 'bagged',
  irrigated: true,
  ...change,
});
export const pH = (value: number, more: Partial<SoilResult> = {}): SoilResult => ({
  analyte: 'pH',
  value,
  method: 'water-1:1',
  ...more,
});
export const buffer = (value: number, method?: SoilResult['method']): SoilResult => ({
  analyte: 'buffer-pH',
  value,
  ...(method ? { method } : {}),
});
export const ppm = (
  analyte: SoilResult['analyte'],
  value: number,
  method: SoilResult['method'] = 'mehlich-3',
  more: Partial<SoilResult> = {},
): SoilResult => ({ analyte, value, unit: 'ppm', method, ...more });
export const cec = (value: number): SoilResult => ({ analyte: 'CEC', value, unit: 'cmolc/kg' });

export const reportOf = (sampledOn: string, results: SoilResult[], more: Partial<SoilTest> = {}): SoilTest => ({
  id: `s-${sampledOn}`,
  zoneId: 'z',
  sampledOn,
  depthIn: 4,
  results,
  ...more,
});

export const SHELF = [...STARTER_SHELF] as Product[];

export const read = (zone: Zone, tests: SoilTest | SoilTest[], asOf?: string, products = SHELF) =>
  interpretZone(zone, tests, { asOf, products });

export const facts = (zone: Zone, tests: SoilTest[], more: Partial<ZoneFacts> = {}): ZoneFacts => ({
  zone,
  tests: [...tests].sort((a, b) => b.sampledOn.localeCompare(a.sampledOn)),
  products: SHELF,
  codes: [] as LocalCode[],
  ...more,
});
export const prescribe = (zone: Zone, tests: SoilTest[], more: Partial<ZoneFacts> = {}) =>
  prescribeZone(facts(zone, tests, more)).prescription;

/** Something put down, lb product/1000 ft2 on a lawn of 1000 ft2. */
export const down = (date: string, productId: string, lb: number) => ({ date, productId, zoneLb: lb });
