import { CLIMATE_PRESETS, STARTER_SHELF } from '../packs/starter-shelf';
import { lawn, pH, reportOf } from '../prescription/judgement.fixture';
import type { Case, Product, Zone } from '../records/case';
import { checkZonePlan } from './checks/check-plan';
import { planSeason } from './draft/plan-season';
import { withDoses } from './plan/with-doses';

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

/** The first zone's season of the plain draft for 2027. */
export const draftOf = (given: Case) => planSeason(given, 2027).zones[0]!;
export const feedings = (given: Case) => draftOf(given).doses.filter((d) => (d.delivers.N ?? 0) > 0);
/** What one check says of that draft, or of other doses on the same lawn. */
export const standing = (given: Case, id: string, planned?: Parameters<typeof withDoses>[2]) => {
  const draft = planSeason(given, 2027);
  const plan = planned ? withDoses(draft, given, planned) : draft;
  return checkZonePlan(plan.zones[0]!, given, plan).find((c) => c.id === id)?.standing;
};
