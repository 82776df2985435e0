import { isWeakGround } from '../rules/dose-ceilings';
import type { ZoneProblem } from './problem-shape';

/**
 * What the search wants beside the prices of bags, each with its price in the same currency, dollars (E1, E2). Nothing here may be bought
 * with a broken law, label or ceiling: those are rows without a price. Reasons stand in docs/decisions.md. Decisions, all of them.
 */
export const PRICES = {
  /** A pound of a need that is not brought, lb nutrient/1000 ft2: more than a bag and a trip for a quarter pound. */
  short: { N: 400, P2O5: 400, K2O: 250, Mg: 200, S: 200 },
  /** The same on large ground, where a pound per 1000 is many pounds: dearer than any bag of it, $ per lb nutrient of the zone. */
  shortPerLb: { N: 15, P2O5: 15, K2O: 10, Mg: 10, S: 10 },
  /** A dose of lime, sulfur or gypsum that this year has a day for and does not get. */
  correction: 150,
  /** A step of the late season that is not taken; one that was asked for by name. */
  step: 40,
  stepByName: 200,
  /** A pound of what a school of potash asks and does not get, lb/1000 ft2. */
  schoolLb: 100,
  /** A week that a feeding is late after the longest wait. */
  waitWeek: 4,
  /** A pound of nitrogen outside the share of its part of the year, lb N/1000 ft2 (E2: dearer than a bag saved). */
  astrayLb: 250,
  /** A pound of K2O over its band; on a high test it is the last resort, lb/1000 ft2 (D1). */
  potashOver: 40,
  potashOverHigh: 160,
  /** A further product on the property: a bag to store, a gate setting to find (E2). */
  product: 8,
  /** A feeding more than so few pounds usually make (E2). */
  feedingOver: 12,
  /** A dose at its least rate, where that is thinner than a granule on a square inch (E2). */
  speckled: 1.5,
  /** A dose of organic nitrogen on soil too cold for it (E2). */
  coldOrganic: 10,
  /** A week of waiting with lime or gypsum, and the later stretch before the first (B5): a month is dearer than half a trip. */
  limeWeek: 1,
  /** Where a plan is found again: a dose that leaves its week, and a rate that changes by more than a tenth. Decisions. */
  doseMoved: 3,
  rateMoved: 1,
  secondStretch: 20,
} as const;

export type ShortNutrient = keyof typeof PRICES.short;

/** What a pound per 1000 ft2 of a need costs where it is not brought on a zone. */
export const shortPrice = (nutrient: ShortNutrient, areaSqFt: number): number =>
  PRICES.short[nutrient] + (PRICES.shortPerLb[nutrient] * areaSqFt) / 1000;

/** Feedings that so many pounds of nitrogen make at most without a word (E2): 1 lb on 1-2 days, 2 lb on 2-4, 3 lb on 3-5. */
const USUAL_FEEDINGS = [
  { upToLbN: 1.25, most: 2 },
  { upToLbN: 2.25, most: 4 },
  { upToLbN: 3.25, most: 5 },
] as const;
const MORE_FEEDINGS = 6;
/** Sand is fed more often and in smaller doses. */
const ON_SAND = 2;

/** Most feedings of a zone's year that need no reason; close-cut turf is spoon-fed and has no most. */
export function mostFeedings({ zone, yearNitrogenLb }: Pick<ZoneProblem, 'zone' | 'yearNitrogenLb'>): number {
  if (zone.turf === 'close-cut') return Infinity;
  const usual = USUAL_FEEDINGS.find(({ upToLbN }) => yearNitrogenLb <= upToLbN)?.most ?? MORE_FEEDINGS;
  return usual + (isWeakGround(zone) ? ON_SAND : 0);
}
