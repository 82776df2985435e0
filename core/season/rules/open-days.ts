import type { LocalCode, Product } from '../../records/case';
import { limeKindOf } from '../../lime/lime-label';
import { microbeDriven } from '../../nitrogen/forms';
import { type GrowthSeason, LEAST_GROWTH } from '../../climate/climate-year';
import { addDays } from '../../days/day';
import { NO_SULFUR_BEFORE_DAYS, OWN_PROGRAMME_AFTER_DAYS } from './establishment';
import { freeInTime } from './before-frost';
import { closingCode, codeNutrientsOf, tooFastForCode } from './local-codes';
import { MICROBES_WORK_FROM_F } from './limits';

/** What decides whether a product may go out on a day. */
export interface Ground {
  year: number;
  /** First day that may be planned, 0 for 1 January: the report, or today. */
  firstDay: number;
  firstDayIs: string;
  season: GrowthSeason;
  soilF: readonly number[];
  codes: readonly LocalCode[];
  /** Days that a school of practice opens for a nutrient outside the feeding season. */
  alsoOpen: Partial<Record<'N' | 'K2O', readonly boolean[]>>;
  /** Day of a seeding, renovation or sodding in the year (C8). */
  seedingDay?: number;
}

/**
 * Why a product may not go out on a day, or undefined where it may. Ground first, then law, then grass, then the
 * product's own needs.
 */
export function closedBecause(ground: Ground, product: Product, day: number): string | undefined {
  const { season, codes, year, soilF, alsoOpen } = ground;
  const { N = 0, P2O5 = 0, K2O = 0, 'S-free': freeSulfur = 0 } = product.guaranteed;
  if (season.frozen[day]) return 'the ground is frozen';
  const law = closingCode(codes, codeNutrientsOf(product.guaranteed), addDays(`${year}-01-01`, day));
  if (law) return `${law.code.name ?? 'the local code'} closes this day for ${law.nutrient}`;
  if (day < ground.firstDay) return ground.firstDayIs;
  if (limeKindOf(product) !== undefined && season.heat[day]) return 'heat: lime waits on cool-season grass';
  const { seedingDay } = ground;
  if (seedingDay !== undefined) {
    if (N > 0 && day < seedingDay) return 'nothing is fed before the seeding';
    if (N > 0 && day < seedingDay + OWN_PROGRAMME_AFTER_DAYS)
      return 'the new stand has its starter and its second dose';
    if (freeSulfur > 0 && Math.abs(day - seedingDay) < NO_SULFUR_BEFORE_DAYS)
      return 'no sulfur within three months of a seeding';
  }
  const fed = season.feeding[day];
  if (N > 0 && season.winter?.days[day]) return 'the winter grass has its own feedings';
  if (N > 0 && tooFastForCode(codes, product, addDays(`${year}-01-01`, day)))
    return `the code asks for more slow nitrogen on this day`;
  if (N > 0) {
    if (season.heat[day]) return 'heat: no nitrogen on cool-season grass';
    if (!fed && !alsoOpen.N?.[day]) return 'the grass is not growing enough to be fed nitrogen';
    if (season.fullGreen !== undefined && !alsoOpen.N?.[day] && !freeInTime(product, soilF, season, day))
      return 'it would still feed within four weeks of the first frost';
    if (microbeDriven(product) && (soilF[day] as number) < MICROBES_WORK_FROM_F)
      return `its nitrogen waits for microbes, and the soil is under ${MICROBES_WORK_FROM_F} deg F`;
  } else if ((K2O > 0 || P2O5 > 0) && !fed && !alsoOpen.K2O?.[day]) return 'the grass takes up little now';
  if (freeSulfur > 0) {
    if (season.heat[day]) return 'heat: sulfur burns';
    if ((season.growth[day] as number) < LEAST_GROWTH) return 'the grass rests: sulfur burns it';
    if ((soilF[day] as number) < MICROBES_WORK_FROM_F)
      return `microbes work sulfur from ${MICROBES_WORK_FROM_F} deg F of soil`;
  }
  return undefined;
}
