import type { Case, LocalCode, PlannedFor, Product, Zone } from '../../records/case';
import { BUILT_IN_PACKS, grassIn, type RulePacks } from '../../packs/rule-packs';
import type { Figure } from '../../reckoning/figure';
import { prescribeCase } from '../../prescription/prescribe';
import type { PhPrescription, ZonePrescription } from '../../prescription/prescription';
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
import { correctionStretches } from '../rules/correction-stretches';
import { addDays, dayOfYear, daysBetween, type IsoDay, weekStart } from '../../days/day';
import { type Dose, makeDose } from '../plan/dose';
import { doseCeiling, leastDaysBetweenN } from '../rules/dose-ceilings';
import { type CodeNutrient, closingCode, codeNutrientsOf } from '../rules/local-codes';
import { LIME_NITROGEN_GAP_DAYS, MICROBES_WORK_FROM_F } from '../rules/limits';
import { choiceKey, type ProductChoices, type SeasonPlan, type ZoneSeason } from '../plan/season-plan';
import { firstDayOf } from '../rules/first-day';
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
): { doses: Dose[]; missed: number } {
  const { zone, codes, year } = ground;
  const each = splitNeed(needLb, doseCeiling(zone, product, 'N', codes), needLb > ONE_DOSE_UP_TO_LB_N ? 2 : 1);
  const gap = leastDaysBetweenN(zone);
  const open = openDays(ground, codeNutrientsOf(product.guaranteed), true).map(
    (yes, day) => yes && keepFrom.every((other) => Math.abs(other - day) >= gap),
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
): { doses: Dose[]; missed: number } {
  const each = equalDoses(needLb, ceilingLb);
  // a day whose dose already brings some of it has no room left under the ceiling
  const taken = others.filter((d) => (d.delivers[purpose] ?? 0) > 0).map((d) => dayOfYear(d.date));
  const allowed = openDays(ground, codeNutrientsOf(product.guaranteed), true).map(
    (yes, day) => yes && !taken.includes(day),
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

function spansOf(year: number, spans: readonly (readonly [string, string])[]): { from: number; to: number }[] {
  return spans.map(([from, to]) => ({ from: dayOfYear(`${year}-${from}`), to: dayOfYear(`${year}-${to}`) }));
}

/**
 * Lime or sulfur: at most one dose a span, the rest waits for another year. Lime keeps clear of ammonium and urea, sulfur
 * waits for soil warm enough for microbes and shuns heat; neither goes on frozen ground.
 */
function planCorrection(
  ground: Ground,
  product: Product,
  purpose: 'lime' | 'sulfur',
  { doses: wanted, dosesFigure }: PhPrescription,
  ammoniaDays: readonly number[],
): { doses: Dose[]; left: number } {
  const lime = purpose === 'lime';
  const open = openDays(ground, [], false).map(
    (yes, day) =>
      yes &&
      (lime ||
        (!ground.season.heat[day] &&
          (ground.season.growth[day] as number) >= LEAST_GROWTH &&
          (ground.weather.meanF[day] as number) >= MICROBES_WORK_FROM_F)),
  );
  const placement = placementOn(ground, open, 0);
  const doses: Dose[] = [];
  for (const span of spansOf(ground.year, correctionStretches(purpose, ground.zone))) {
    if (doses.length === wanted.length) break;
    const day = placeClear(span.from, span.to, placement, lime ? ammoniaDays : [], LIME_NITROGEN_GAP_DAYS);
    if (day === undefined) continue;
    const target = {
      lb: wanted[doses.length] as number,
      says: lime ? 'lime dose' : 'elemental sulfur, this dose',
      figure: dosesFigure,
    };
    const care = lime ? `, clear of urea and ammonium by ${LIME_NITROGEN_GAP_DAYS} days` : '; water it in';
    const why = `${purpose} dose ${doses.length + 1} of ${wanted.length}${care}`;
    doses.push(makeDose(ground.zone, dateOf(ground.year, day), product, purpose, target, why));
  }
  return { doses, left: wanted.length - doses.length };
}

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
  const context = { grass, phosphorusWanted: needP > 0, potassiumWanted: needK > 0 };
  const shelf: ZoneSeason['shelf'] = {};
  const choose = (purpose: PlannedFor): Product | undefined => {
    const options = choicesFor(products, purpose, context);
    const prescribed = purpose === 'lime' ? options.find((p) => p.id === prescription.ph.productId) : undefined;
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

  // P first, because what carries it often carries nitrogen as well
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
      );
    kDoses.push(...(placed?.doses ?? []));
    if (!product) miss('K2O', `Nothing on the shelf brings ${words(stillK)} lb K2O per 1000 here.`);
    else if (placed && placed.missed > 0) miss('K2O', `${words(placed.missed)} lb K2O per 1000 found no open day.`);
  }

  const phDoses: Dose[] = [];
  if (prescription.ph.doses.length > 0 && (prescription.ph.action === 'lime' || prescription.ph.action === 'sulfur')) {
    const purpose = prescription.ph.action;
    const product = choose(purpose);
    if (!product) miss(purpose, `No ${purpose} on the shelf.`);
    else {
      const chosenOf = (d: Dose) => products.find((p) => p.id === d.productId);
      const ammoniaDays = [...pDoses, ...nDoses].filter((d) => losesAmmonia(chosenOf(d) as Product)).map(dayOf);
      const placed = planCorrection(ground, product, purpose, prescription.ph, ammoniaDays);
      phDoses.push(...placed.doses);
      if (placed.left > 0)
        miss(
          purpose,
          `${placed.left} of ${prescription.ph.doses.length} ${purpose} doses wait for a later year${placed.doses.length === 0 ? ': no open week this year' : ', after a retest'}.`,
        );
    }
  }
  result.doses = [...phDoses, ...pDoses, ...nDoses, ...kDoses].sort((a, b) => a.date.localeCompare(b.date));
  return result;
}

/**
 * Dates and weighs a year for every zone by the plain rule: growth windows of the grass, shares of growth, dose
 * ceilings, local codes. Doses never stand before the latest report or the start of the year.
 */
export function planSeason(
  given: Case,
  year: number,
  picked: ProductChoices = {},
  asOf?: string,
  packs: RulePacks = BUILT_IN_PACKS,
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
    asOf,
    (zoneId) => picked[choiceKey(zoneId, 'lime')],
    packs,
    (zone) => carried[given.zones.indexOf(zone)],
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
