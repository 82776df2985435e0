import { CLIMATE_PRESETS, STARTER_SHELF } from '../packs/starter-shelf';
import { lawn, pH, reportOf } from '../prescription/judgement.fixture';
import type { Case, Product, Zone } from '../records/case';

/** For tests: a lawn with the starter shelf and a preset climate, changed as a test asks. */
export const climateOf = (id: string) => CLIMATE_PRESETS.find((preset) => preset.id === id)!.climate;
export const product = (id: string) => STARTER_SHELF.find((p) => p.id === id) as Product;
export const caseOf = (zone: Partial<Zone>, more: Partial<Case> = {}, climate = 'transition'): Case => ({
  format: 'ubertas-case',
  version: 1,
  property: { id: 'p', name: 'P', climate: climateOf(climate) },
  zones: [lawn(zone)],
  soilTests: [reportOf('2026-11-20', [pH(6.5)])],
  products: [...STARTER_SHELF],
  choices: { year: 2027 },
  ...more,
});
export const only = (...ids: string[]): Partial<Case> => ({ products: ids.map(product) });
