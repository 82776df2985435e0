import type { LocalCode, Product } from '../../records/case';
import type { ClimateYear, GrowthSeason } from '../../climate/climate-year';
import { addDays, daysBetween, type IsoDay, weekStart } from '../../days/day';
import type { Dose } from '../plan/dose';
import { closingCode, codeNutrientsOf, tooFastForCode } from '../rules/local-codes';
import type { ZoneSeason } from '../plan/season-plan';
import type { Placement } from './place-doses';

/** What the plain draft knows of a zone when it looks for days. */
export interface Ground {
  zone: ZoneSeason['zone'];
  soilF: readonly number[];
  season: GrowthSeason;
  weather: ClimateYear;
  year: number;
  firstDay: number;
  codes: readonly LocalCode[];
}

/** The date of a day of the year. */
export const dateOf = (year: number, day: number): IsoDay => addDays(`${year}-01-01`, day);

/** Days open for a product: by the season or merely not frozen, after the plan starts, not closed to it by a code. */
export function openDays(
  { season, year, firstDay, codes }: Ground,
  product: Product | undefined,
  feedingOnly: boolean,
): boolean[] {
  const nutrients = product ? codeNutrientsOf(product.guaranteed) : [];
  return season.growth.map((_, day) => {
    if (day < firstDay || (feedingOnly ? !season.feeding[day] : season.frozen[day])) return false;
    const date = dateOf(year, day);
    return closingCode(codes, nutrients, date) === undefined && !(product && tooFastForCode(codes, product, date));
  });
}

/** Where doses may be placed by growth, and how far apart. */
export const placementOn = (ground: Ground, allowed: boolean[], leastGapDays: number): Placement => ({
  allowed,
  growth: ground.season.growth,
  firstWeekday: daysBetween(weekStart(`${ground.year}-01-01`), `${ground.year}-01-01`),
  leastGapDays,
});

/** Pounds of a nutrient that doses bring, lb/1000 ft2. */
export const total = (doses: readonly Dose[], nutrient: string): number =>
  doses.reduce((sum, d) => sum + (d.delivers[nutrient] ?? 0), 0);
