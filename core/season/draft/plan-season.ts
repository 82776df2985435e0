import type { Case, LocalCode, PlannedFor, Product, Zone } from '../../records/case';
import { BUILT_IN_PACKS, grassIn, type RulePacks } from '../../packs/rule-packs';
import type { Figure } from '../../reckoning/figure';
import { prescribeCase } from '../../prescription/prescribe';
import type { ZonePrescription } from '../../prescription/prescription';
import { losesAmmonia } from '../../nitrogen/forms';
import { choicesFor } from '../../products/shelf';
import { equalDoses } from '../../tables/equal-doses';
import { carryOver } from '../plan/carry-over';
import {
  type ClimateYear,
  climateYear,
  type GrowthSeason,
  growthSeason,
  LEAST_GROWTH,
} from '../../climate/climate-year';
import { type Correcting, CORRECTING, correctionAsked, zoneStretches } from '../rules/correction-stretches';
import { addDays, dayOfYear, daysBetween, type IsoDay, weekStart } from '../../days/day';
import { type Dose, makeDose } from '../plan/dose';
import { doseCeiling, leastDaysBetweenN } from '../rules/dose-ceilings';
import { type CodeNutrient, closingCode, codeNutrientsOf } from '../rules/local-codes';
import { LIME_NITROGEN_GAP_DAYS, MICROBES_WORK_FROM_F } from '../rules/limits';
import { choiceKey, type ProductChoices, type SeasonPlan, type ZoneSeason } from '../plan/season-plan';
import { ageDayOf, firstDayOf } from '../rules/first-day';
import { type Placement, placeByGrowth, placeClear } from './place-doses';
import { seasonSchools } from '../rules/season-schools';
import { soilTemperatureByDay } from '../../climate/soil-temperature';
import { roundedTo } from '../../words/numbers';

interface Ground {
  zone: Zone;
  season: GrowthSeason;
  weather: ClimateYear;
  year: number;
  firstDay: number;
  codes: readonly LocalCode[];
}

const dateOf = (year: number, day: number): IsoDay => addDays(`${year}-01-01`, day);

/** Days open for a nutrient: by the season or merely not frozen, after the plan starts, not closed by a code. */
function openDays(
  { season, year, firstDay, codes }: Ground,
  nutrients: readonly CodeNutrient[],
  feedingOnly: boolean,
): boolean[] {
  return season.growth.map((_, day) => {
    if (day < firstDay || (feedingOnly ? !season.feeding[day] : season.frozen[day])) return false;
    return closingCode(codes, nutrients, dateOf(year, day)) === undefined;
  });
}

const placementOn = (ground: Ground, allowed: boolean[], leastGapDays: number): Placement => ({
  allowed,
  growth: ground.season.growth,
  firstWeekday: daysBetween(weekStart(`${ground.year}-01-01`), `${ground.year}-01-01`),
  leastGapDays,
});

const total = (doses: readonly Dose[], nutrient: string): number =>
  doses.reduce((sum, d) => sum + (d.delivers[nutrient] ?? 0), 0);

/** Fewest doses that keep to a ceiling, split at least in `least`. */
const splitNeed = (needLb: number, ceilingLb: number, least: number): number[] => {
  const fewest = equalDoses(needLb, ceilingLb);
  return fewest.length >= least ? fewest : Array.from({ length: least }, () => needLb / least);
};

/** Yearly N at or under this goes down in one dose; above it in two at least. Common practice: 0.5 lb N is the least useful. */
const ONE_DOSE_UP_TO_LB_N = 0.75;

function planNitrogen(
  ground: Ground,
  product: Product,
  needLb: number,
  says: string,
  figure: Figure,
  keepFrom: readonly number[],
  clear: (day: number) => boolean,
): { doses: Dose[]; missed: number } {
  const { zone, codes, year } = ground;
  const each = splitNeed(needLb, doseCeiling(zone, product, 'N', codes), needLb > ONE_DOSE_UP_TO_LB_N ? 2 : 1);
  const gap = leastDaysBetweenN(zone);
  const open = openDays(ground, codeNutrientsOf(product.guaranteed), true).map(
    (yes, day) => yes && clear(day) && keepFrom.every((other) => Math.abs(other - day) >= gap),
  );
  const placement = placementOn(ground, open, gap);
  const days = placeByGrowth(each.length, placement);
  const doses = days.map((day, i) =>
    makeDose(
      zone,
      dateOf(year, day),
      product,
      'N',
      { lb: each[i] as number, says, figure },
      `${i + 1} of ${each.length}, by the share of growth still to come`,
    ),
  );
  return { doses, missed: each.slice(days.length).reduce((a, b) => a + b, 0) };
}

/** P and K ride on nitrogen days where they may, so that one trip serves both. */
function planRider(
  ground: Ground,
  product: Product,
  purpose: 'P2O5' | 'K2O',
  needLb: number,
  ceilingLb: number,
  others: readonly Dose[],
  figure: Figure | undefined,
  clear: (day: number) => boolean,
): { doses: Dose[]; missed: number } {
  const each = equalDoses(needLb, ceilingLb);
  // a day whose dose already brings some of it has no room left under the ceiling
  const taken = others.filter((d) => (d.delivers[purpose] ?? 0) > 0).map((d) => dayOfYear(d.date));
  const allowed = openDays(ground, codeNutrientsOf(product.guaranteed), true).map(
    (yes, day) => yes && clear(day) && !taken.includes(day),
  );
  const riding = [...new Set(others.map((d) => dayOfYear(d.date)))].filter((day) => allowed[day]);
  const step = riding.length / each.length;
  const days =
    riding.length >= each.length
      ? each.map((_, i) => riding[Math.floor((i + 0.5) * step)] as number)
      : placeByGrowth(each.length, placementOn(ground, allowed, 28));
  const doses = days.map((day, i) =>
    makeDose(
      ground.zone,
      dateOf(ground.year, day),
      product,
      purpose,
      {
        lb: each[i] as number,
        says: `${purpose} for the year${each.length > 1 ? `, one of ${each.length} doses` : ''}`,
        figure,
      },
      riding.includes(day) ? 'same day as the nitrogen, one trip' : 'by the share of growth still to come',
    ),
  );
  return { doses, missed: each.slice(days.length).reduce((a, b) => a + b, 0) };
}

/**
 * Lime, sulfur or gypsum: one dose a stretch, as early in it as may be, the rest waits for another year. Lime keeps clear of
 * ammonium and urea that is down already, and feedings give way to it (B5); sulfur waits for soil warm enough for microbes and
 * shuns heat; none goes on frozen ground.
 */
function planCorrection(
  ground: Ground,
  product: Product,
  purpose: Correcting,
  zoneSeason: ZoneSeason,
  from: IsoDay,
  ammoniaDays: readonly number[],
): { doses: Dose[]; left: number } {
  const { prescription } = zoneSeason;
  const { doses: wanted } = correctionAsked(purpose, prescription);
  const figure = purpose === 'gypsum' ? prescription.gypsum.dosesFigure : prescription.ph.dosesFigure;
  const open = openDays(ground, [], false).map((yes, day) => {
    if (!yes || ground.season.heat[day]) return false;
    return (
      purpose !== 'sulfur' ||
      ((ground.season.growth[day] as number) >= LEAST_GROWTH &&
        (ground.weather.meanF[day] as number) >= MICROBES_WORK_FROM_F)
    );
  });
  const placement = placementOn(ground, open, 0);
  const doses: Dose[] = [];
  for (const span of zoneStretches(purpose, zoneSeason, { year: ground.year, from })) {
    if (doses.length === wanted.length) break;
    const [first, last] = [dayOfYear(span.from), dayOfYear(span.to)];
    const day = placeClear(first, last, placement, purpose === 'lime' ? ammoniaDays : [], LIME_NITROGEN_GAP_DAYS);
    if (day === undefined) continue;
    const target = {
      lb: wanted[doses.length] as number,
      says: purpose === 'sulfur' ? 'elemental sulfur, this dose' : `${purpose} dose`,
      figure,
    };
    const care = {
      lime: `, clear of urea and ammonium by ${LIME_NITROGEN_GAP_DAYS} days`,
      sulfur: '; water it in',
      gypsum: '; then water to leach',
    }[purpose];
    const why = `${purpose} dose ${doses.length + 1} of ${wanted.length}${care}`;
    doses.push(makeDose(ground.zone, dateOf(ground.year, day), product, purpose, target, why));
  }
  return { doses, left: wanted.length - doses.length };
}

/** Days of the year on which urea or ammonium went down already; late ones of the year before count from before it. */
const ammoniaGiven = (zone: Zone, products: readonly Product[], year: number): number[] =>
  (zone.applied ?? []).flatMap(({ date, productId }) => {
    const product = products.find((p) => p.id === productId);
    return product && losesAmmonia(product) ? [daysBetween(`${year}-01-01`, date)] : [];
  });

function planZone(
  given: Case,
  prescription: ZonePrescription,
  zone: Zone,
  weather: ClimateYear | undefined,
  plan: { year: number; from: IsoDay; picked: ProductChoices; packs: RulePacks },
): ZoneSeason {
  const products = given.products ?? [];
  const codes = given.codes ?? [];
  const needP = prescription.phosphorus.yearLb;
  const needK = prescription.potassium.yearLb;
  const grass = grassIn(plan.packs, zone.grass);
  const saline = prescription.salinity.standing === 'saline';
  const context = { grass, phosphorusWanted: needP > 0, potassiumWanted: needK > 0, saline };
  const shelf: ZoneSeason['shelf'] = {};
  const choose = (purpose: PlannedFor): Product | undefined => {
    const options = choicesFor(products, purpose, context);
    const asked =
      purpose === 'lime' || purpose === 'gypsum' ? correctionAsked(purpose, prescription).productId : undefined;
    const prescribed = options.find((p) => p.id === asked);
    const chosen = options.find((p) => p.id === plan.picked[choiceKey(zone.id, purpose)]) ?? prescribed ?? options[0];
    shelf[purpose] = { chosen, options };
    return chosen;
  };
  const season = given.property.climate && weather ? growthSeason(given.property.climate, weather, grass) : undefined;
  const firstDay = plan.from > `${plan.year}-01-01` ? dayOfYear(plan.from) : 0;
  const schools =
    season &&
    seasonSchools({
      zone,
      year: plan.year,
      grassSeason: grass.season,
      season,
      codes,
      choices: given.choices,
      nitrogenLb: prescription.nitrogen.year.value,
      potashLb: needK,
      firstDay,
    });
  const result: ZoneSeason = { zone, grass, season, schools, prescription, doses: [], unplaced: [], shelf };
  const miss = (purpose: PlannedFor, says: string) => result.unplaced.push({ zoneId: zone.id, for: purpose, says });
  if (!season || !weather) return result;
  const ground: Ground = { zone, season, weather, year: plan.year, firstDay, codes };
  const dayOf = (d: Dose) => dayOfYear(d.date);
  const words = (lb: number) => roundedTo(lb, 2);

  // corrections first: a feeding gives way to lime, not lime to a feeding
  const phDoses: Dose[] = [];
  const ammonia = ammoniaGiven(zone, products, plan.year);
  for (const purpose of CORRECTING) {
    const { doses: wanted } = correctionAsked(purpose, prescription);
    if (wanted.length === 0) continue;
    const product = choose(purpose);
    if (!product) {
      miss(purpose, `No ${purpose} on the shelf.`);
      continue;
    }
    const placed = planCorrection(ground, product, purpose, result, plan.from, ammonia);
    phDoses.push(...placed.doses);
    if (placed.left > 0)
      miss(
        purpose,
        `${placed.left} of ${wanted.length} ${purpose} doses wait for a later year${placed.doses.length === 0 ? ': no open week this year' : ', after a retest'}.`,
      );
  }
  const limeDays = phDoses.filter((d) => d.for === 'lime').map(dayOf);
  const clearOfLime = (product: Product, day: number) =>
    !losesAmmonia(product) || limeDays.every((lime) => Math.abs(lime - day) >= LIME_NITROGEN_GAP_DAYS);

  // P before N, because what carries it often carries nitrogen as well
  const pDoses: Dose[] = [];
  if (needP > 0) {
    const product = choose('P2O5');
    const placed =
      product &&
      planRider(
        ground,
        product,
        'P2O5',
        needP,
        doseCeiling(zone, product, 'P2O5', codes),
        [],
        prescription.phosphorus.year,
        (day) => clearOfLime(product, day),
      );
    pDoses.push(...(placed?.doses ?? []));
    if (!product)
      miss('P2O5', `Nothing on the shelf brings the ${words(needP)} lb P2O5 per 1000 that the test asks for.`);
    else if (placed && placed.missed > 0) miss('P2O5', `${words(placed.missed)} lb P2O5 per 1000 found no open day.`);
  }

  const needN = Math.max(0, prescription.nitrogen.year.value - total(pDoses, 'N'));
  const nDoses: Dose[] = [];
  if (needN > 1e-9) {
    const product = choose('N');
    const says =
      total(pDoses, 'N') > 0
        ? 'nitrogen for the year, less what the P2O5 product brings'
        : 'nitrogen for the year, an equal share';
    const placed =
      product &&
      planNitrogen(
        ground,
        product,
        needN,
        says,
        prescription.nitrogen.year,
        total(pDoses, 'N') > 0 ? pDoses.map(dayOf) : [],
        (day) => clearOfLime(product, day),
      );
    nDoses.push(...(placed?.doses ?? []));
    if (!product) miss('N', `Nothing on the shelf may bring the ${words(needN)} lb N per 1000.`);
    else if (placed && placed.missed > 1e-9)
      miss(
        'N',
        `${words(placed.missed)} lb N per 1000 found no room: too few open weeks for doses this small. Choose a slower product or less N.`,
      );
  }

  const stillK = needK - total(nDoses, 'K2O') - total(pDoses, 'K2O');
  const kDoses: Dose[] = [];
  if (stillK > 0.02) {
    const product = choose('K2O');
    const placed =
      product &&
      planRider(
        ground,
        product,
        'K2O',
        stillK,
        doseCeiling(zone, product, 'K2O', codes),
        [...pDoses, ...nDoses],
        prescription.potassium.year,
        (day) => clearOfLime(product, day),
      );
    kDoses.push(...(placed?.doses ?? []));
    if (!product) miss('K2O', `Nothing on the shelf brings ${words(stillK)} lb K2O per 1000 here.`);
    else if (placed && placed.missed > 0) miss('K2O', `${words(placed.missed)} lb K2O per 1000 found no open day.`);
  }

  result.doses = [...phDoses, ...pDoses, ...nDoses, ...kDoses].sort((a, b) => a.date.localeCompare(b.date));
  return result;
}

/**
 * Dates and weighs a year for every zone by the plain rule: growth windows of the grass, shares of growth, dose
 * ceilings, local codes. Doses never stand before the latest report or the start of the year.
 *
 * @param asOf days before it are past and closed
 * @param judgedOn day of planning, against which the age of reports is judged (A7); without it nothing is old
 */
export function planSeason(
  given: Case,
  year: number,
  picked: ProductChoices = {},
  asOf?: string,
  packs: RulePacks = BUILT_IN_PACKS,
  judgedOn = asOf,
): SeasonPlan {
  const weather = given.property.climate && climateYear(given.property.climate, year);
  const sampled =
    (given.soilTests ?? [])
      .map((t) => t.sampledOn)
      .sort()
      .at(-1) ?? '';
  const { from, fromIs } = firstDayOf(year, sampled, asOf);
  const carried = given.zones.map((zone) => carryOver(given, zone, year));
  const zones = prescribeCase(
    given,
    ageDayOf(year, judgedOn),
    (zoneId) => picked[choiceKey(zoneId, 'lime')],
    packs,
    (zone) => carried[given.zones.indexOf(zone)],
    year,
  ).map(({ prescription, read }, i) => ({
    ...planZone(given, prescription, given.zones[i] as Zone, weather, { year, from, picked, packs }),
    read,
    carried: carried[i],
  }));
  return {
    year,
    codes: given.codes ?? [],
    from,
    fromIs,
    weather,
    soilF: weather ? soilTemperatureByDay(weather.meanF) : [],
    zones,
  };
}
