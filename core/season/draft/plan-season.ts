import type { Case, LocalCode, PlannedFor, Product, Zone } from '../../records/case';
import { BUILT_IN_PACKS, grassIn, type RulePacks } from '../../packs/rule-packs';
import type { Figure } from '../../reckoning/figure';
import { prescribeCase } from '../../prescription/prescribe';
import type { EstablishmentPrescription, ZonePrescription } from '../../prescription/prescription';
import { ownProgrammeFrom, SECOND_AFTER_DAYS, STARTER_N_LB } from '../rules/establishment';
import { losesAmmonia } from '../../nitrogen/forms';
import { leastRateLb } from '../../products/least-rate';
import { choicesFor, percentFor } from '../../products/shelf';
import { equalDoses } from '../../tables/equal-doses';
import { type ClimateYear, climateYear, type GrowthSeason, LEAST_GROWTH } from '../../climate/climate-year';
import { type Correcting, CORRECTING } from '../rules/correction-stretches';
import { correctionAsked, zoneStretches } from '../plan/zone-stretches';
import { addDays, dayOfYear, daysBetween, type IsoDay, weekStart } from '../../days/day';
import { type Dose, makeDose } from '../plan/dose';
import { doseCeiling, isWeakGround, leastDaysBetweenN, WEAK_TOTAL_N } from '../rules/dose-ceilings';
import { freeInTime } from '../rules/before-frost';
import type { NitrogenParts } from '../rules/nitrogen-parts';
import { isWeakSoil } from '../../prescription/cation-exchange';
import { TOO_SMALL_LB } from '../../prescription/prescribe-nutrient';
import type { Interpretation } from '../../soil/interpret';
import { isAcidSoil } from '../plan/acid-soil';
import { isLimySoil } from '../plan/limy-soil';
import { nitrogenGiven, type ZoneYear, zoneYear } from '../plan/zone-year';
import { shareOut } from './share-out';
import { closingCode, codeNutrientsOf, tooFastForCode } from '../rules/local-codes';
import { LIME_NITROGEN_GAP_DAYS, MICROBES_WORK_FROM_F, mostDaysBetweenN, potashOverLb } from '../rules/limits';
import { choiceKey, type ProductChoices, type SeasonPlan, type ZoneSeason } from '../plan/season-plan';
import { ageDayOf, firstDayOf } from '../rules/first-day';
import { type Placement, placeByGrowth, placeClear } from './place-doses';
import { seasonSchools } from '../rules/season-schools';
import { soilTemperatureByDay } from '../../climate/soil-temperature';
import { roundedTo } from '../../words/numbers';

/** Yearly N at or under this goes down in one dose. Common practice: 0.5 lb N is the least useful. */
const ONE_DOSE_UP_TO_LB_N = 0.75;

interface Ground {
  zone: ZoneSeason['zone'];
  soilF: readonly number[];
  season: GrowthSeason;
  weather: ClimateYear;
  year: number;
  firstDay: number;
  codes: readonly LocalCode[];
}

const dateOf = (year: number, day: number): IsoDay => addDays(`${year}-01-01`, day);

/** Days open for a product: by the season or merely not frozen, after the plan starts, not closed to it by a code. */
function openDays(
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

const placementOn = (ground: Ground, allowed: boolean[], leastGapDays: number): Placement => ({
  allowed,
  growth: ground.season.growth,
  firstWeekday: daysBetween(weekStart(`${ground.year}-01-01`), `${ground.year}-01-01`),
  leastGapDays,
});

const total = (doses: readonly Dose[], nutrient: string): number =>
  doses.reduce((sum, d) => sum + (d.delivers[nutrient] ?? 0), 0);

function planNitrogen(
  ground: Ground,
  product: Product,
  needLb: number,
  says: string,
  figure: Figure,
  parts: NitrogenParts,
  keepFrom: readonly number[],
  clear: (day: number) => boolean,
): { doses: Dose[]; missed: number } {
  const { zone, codes, year, season, soilF, firstDay } = ground;
  const gap = leastDaysBetweenN(zone);
  const apart = isWeakGround(zone) && zone.turf !== 'close-cut' ? Math.max(gap, WEAK_TOTAL_N.overDays) : gap;
  const warm = parts.parts.some((part) => part.id === 'growing');
  const open = openDays(ground, product, true).map(
    (yes, day) =>
      yes &&
      clear(day) &&
      keepFrom.every((other) => Math.abs(other - day) >= apart) &&
      (!warm || freeInTime(product, soilF, season, day)),
  );
  const shared = shareOut({
    product,
    needLb,
    yearLb: figure.value,
    ceilingLb: doseCeiling(zone, product, 'N', codes),
    leastDoses: needLb > ONE_DOSE_UP_TO_LB_N ? 2 : 1,
    parts,
    placement: placementOn(ground, open, apart),
    soilF,
    firstDay,
    year,
    leastLb: (leastRateLb(product, zone) * (product.guaranteed.N ?? 0)) / 100,
    spoonDays: zone.turf === 'close-cut' ? mostDaysBetweenN(zone) : undefined,
  });
  const doses = shared.map(({ day, lb }, i) =>
    makeDose(
      zone,
      dateOf(year, day),
      product,
      'N',
      { lb, says, figure },
      `${i + 1} of ${shared.length}, by the parts of the year and growth inside them`,
    ),
  );
  return { doses, missed: Math.max(0, needLb - shared.reduce((sum, dose) => sum + dose.lb, 0)) };
}

/** Equal doses of a need; potash that even a little over its need is less than a spreader lays waits for the next test (D3). */
function evenly(
  zone: Zone,
  product: Product,
  purpose: 'P2O5' | 'K2O',
  needLb: number,
  ceilingLb: number,
): readonly number[] {
  const least = (leastRateLb(product, zone) * percentFor(product, purpose)) / 100;
  if (purpose === 'K2O' && needLb + potashOverLb(needLb) < least) return [];
  return equalDoses(needLb, ceilingLb);
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
): { doses: Dose[]; missed: number; tooSmall: number } {
  const each = evenly(ground.zone, product, purpose, needLb, ceilingLb);
  // a day whose dose already brings some of it has no room left under the ceiling
  const taken = others.filter((d) => (d.delivers[purpose] ?? 0) > 0).map((d) => dayOfYear(d.date));
  const allowed = openDays(ground, product, true).map((yes, day) => yes && clear(day) && !taken.includes(day));
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
  const sum = (doses: readonly number[]) => doses.reduce((a, b) => a + b, 0);
  return { doses, missed: sum(each.slice(days.length)), tooSmall: Math.max(0, needLb - sum(each)) };
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
  const open = openDays(ground, undefined, false).map((yes, day) => {
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

/** Beside a starter less than this is not worth a second bag, lb N/1000 ft2. */
const LEAST_BESIDE_STARTER_LB = 0.2;
/** Most P2O5 that a starter may bring before its own nitrogen passes what a seedling bears, lb P2O5/1000 ft2 (C8). */
const starterCeiling = ({ guaranteed }: Product): number =>
  (guaranteed.N ?? 0) > 0 ? (STARTER_N_LB.most / (guaranteed.N as number)) * (guaranteed.P2O5 ?? 0) : Infinity;

/** The phosphate of the shelf whose own nitrogen comes nearest to what a starter brings: one bag for one day. */
const starterOf = ({ P2O5 }: ZoneSeason['shelf'], phosphateLb: number, nitrogenLb: number): Product | undefined => {
  const off = ({ guaranteed }: Product) =>
    Math.abs(((guaranteed.N ?? 0) / (guaranteed.P2O5 ?? 1)) * phosphateLb - nitrogenLb);
  return [...(P2O5?.options ?? [])].sort((a, b) => off(a) - off(b))[0];
};

/** A seeding's own doses: the starter on the day, half a pound of nitrogen four to six weeks later (C8). */
function planEstablishment(
  ground: Ground,
  { on, starterP2O5Lb, starterNLb, secondNLb, kind }: EstablishmentPrescription,
  choose: (purpose: PlannedFor) => Product | undefined,
  prescription: ZonePrescription,
  products: readonly Product[],
  shelf: ZoneSeason['shelf'],
  picked: boolean,
): { doses: Dose[]; missing: { for: PlannedFor; says: string }[] } {
  const { zone, codes, year } = ground;
  const doses: Dose[] = [];
  const missing: { for: PlannedFor; says: string }[] = [];
  const day = dayOfYear(on);
  const what = { 'new-seeding': 'seeding', renovation: 'renovation', sod: 'sodding' }[kind];
  if (day < ground.firstDay) return { doses, missing };
  if (starterP2O5Lb > 0) {
    choose('P2O5');
    const starter = picked ? shelf.P2O5?.chosen : starterOf(shelf, starterP2O5Lb, starterNLb);
    if (!starter)
      missing.push({ for: 'P2O5', says: `Nothing on the shelf brings the ${starterP2O5Lb} lb P2O5 of the starter.` });
    else {
      const lb = Math.min(starterP2O5Lb, doseCeiling(zone, starter, 'P2O5', codes), starterCeiling(starter));
      const target = { lb, says: 'starter for the new stand', figure: prescription.phosphorus.year };
      doses.push(makeDose(zone, on, starter, 'P2O5', target, `starter on the day of the ${what}`));
    }
  }
  const feed = choose('N') ?? products.find((p) => (p.guaranteed.N ?? 0) > 0 && !p.pesticide && !p.unfinished);
  const nitrogen = (date: IsoDay, lb: number, says: string, why: string): void => {
    if (lb < LEAST_BESIDE_STARTER_LB) return;
    if (!feed) {
      missing.push({ for: 'N', says: `Nothing on the shelf brings the ${roundedTo(lb, 2)} lb N of ${says}.` });
      return;
    }
    const most = Math.min(lb, doseCeiling(zone, feed, 'N', codes));
    doses.push(makeDose(zone, date, feed, 'N', { lb: most, says, figure: prescription.nitrogen.year }, why));
  };
  nitrogen(on, starterNLb - total(doses, 'N'), 'the starter', `nitrogen on the day of the ${what}`);
  const second = day + SECOND_AFTER_DAYS.usual;
  if (second < ground.season.growth.length)
    nitrogen(
      dateOf(year, second),
      secondNLb,
      'the second dose',
      'second nitrogen of the new stand, four to six weeks on',
    );
  return { doses, missing };
}

/** Days of the year on which urea or ammonium went down already; late ones of the year before count from before it. */
const ammoniaGiven = (zone: Zone, products: readonly Product[], year: number): number[] =>
  (zone.applied ?? []).flatMap(({ date, productId }) => {
    const product = products.find((p) => p.id === productId);
    return product && losesAmmonia(product) ? [daysBetween(`${year}-01-01`, date)] : [];
  });

function planZone(
  given: Case,
  { prescription, read }: { prescription: ZonePrescription; read?: Interpretation },
  own: Zone,
  begins: ZoneYear,
  weather: ClimateYear | undefined,
  plan: { year: number; picked: ProductChoices; packs: RulePacks; soilF: readonly number[] },
): ZoneSeason {
  const { from, fromIs, season, parts, carried } = begins;
  // only a report can show that a soil of another texture is weak
  const zone: ZoneSeason['zone'] = isWeakSoil(own, read) ? { ...own, weak: true } : own;
  const products = given.products ?? [];
  const codes = given.codes ?? [];
  const needP = prescription.phosphorus.yearLb;
  const needK = prescription.potassium.yearLb;
  const grass = grassIn(plan.packs, zone.grass);
  const saline = prescription.salinity.standing === 'saline';
  const acidSoil = isAcidSoil({ read, prescription });
  const limySoil = isLimySoil({ zone, read });
  const closeCut = zone.turf === 'close-cut';
  const context = {
    grass,
    phosphorusWanted: needP > 0,
    potassiumWanted: needK > 0,
    saline,
    acidSoil,
    limySoil,
    closeCut,
  };
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
  const firstDay = from > `${plan.year}-01-01` ? dayOfYear(from) : 0;
  const schools =
    season &&
    seasonSchools({
      zone,
      year: plan.year,
      grassSeason: grass.season,
      season,
      codes,
      choices: given.choices,
      // a stand that is sown this year follows its own programme
      nitrogenLb: prescription.establishment ? 0 : prescription.nitrogen.year.value,
      potashLb: needK,
      firstDay,
    });
  const result: ZoneSeason = {
    zone,
    from,
    fromIs,
    grass,
    season,
    parts,
    schools,
    prescription,
    read,
    carried,
    doses: [],
    unplaced: [],
    shelf,
  };
  const miss = (purpose: PlannedFor, says: string) => result.unplaced.push({ zoneId: zone.id, for: purpose, says });
  if (!season || !weather || !parts) return result;
  const ground: Ground = { zone, season, weather, year: plan.year, firstDay, codes, soilF: plan.soilF };
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
    const placed = planCorrection(ground, product, purpose, result, from, ammonia);
    phDoses.push(...placed.doses);
    if (placed.left > 0)
      miss(
        purpose,
        `${placed.left} of ${wanted.length} ${purpose} doses wait for a later year${placed.doses.length === 0 ? ': no open week this year' : ', after a retest'}.`,
      );
  }
  const limeDays = phDoses.filter((d) => d.for === 'lime').map(dayOf);
  // what brings nitrogen along keeps out of the summer of cool-season grass
  const summer = parts.parts.find((part) => part.id === 'summer' && part.mostLb !== undefined);
  const clearOfSummer = (product: Product, day: number) =>
    !summer || (product.guaranteed.N ?? 0) === 0 || day < summer.from || day > summer.to;
  // nor does it stand so late that warm-season grass would go to frost fed
  const clearOfFrost = (product: Product, day: number) =>
    grass.season === 'cool' || (product.guaranteed.N ?? 0) === 0 || freeInTime(product, plan.soilF, season, day);
  const clearOfLime = (product: Product, day: number) =>
    !losesAmmonia(product) || limeDays.every((lime) => Math.abs(lime - day) >= LIME_NITROGEN_GAP_DAYS);

  const { establishment } = prescription;
  if (establishment) {
    const pickedStarter = plan.picked[choiceKey(zone.id, 'P2O5')] !== undefined;
    const sown = planEstablishment(ground, establishment, choose, prescription, products, shelf, pickedStarter);
    result.programme = sown.doses;
    for (const missing of sown.missing) miss(missing.for, missing.says);
    const after = ownProgrammeFrom(establishment);
    const N = choose('N');
    const later =
      N && establishment.laterNLb > 0
        ? planNitrogen(
            { ...ground, firstDay: Math.max(ground.firstDay, after) },
            N,
            establishment.laterNLb,
            'what is left of the year',
            prescription.nitrogen.year,
            parts,
            [],
            (day) => clearOfLime(N, day),
          )
        : { doses: [], missed: 0 };
    const sownK = needK - total(sown.doses, 'K2O') - total(later.doses, 'K2O');
    const K = sownK > TOO_SMALL_LB.K ? choose('K2O') : undefined;
    const potash = K
      ? planRider(
          ground,
          K,
          'K2O',
          sownK,
          doseCeiling(zone, K, 'K2O', codes),
          [...sown.doses, ...later.doses],
          prescription.potassium.year,
          (day) => day >= dayOfYear(establishment.on),
        ).doses
      : [];
    if (sownK > TOO_SMALL_LB.K && !K) miss('K2O', `Nothing on the shelf brings ${words(sownK)} lb K2O per 1000 here.`);
    result.doses = [...phDoses, ...sown.doses, ...later.doses, ...potash].sort((a, b) => a.date.localeCompare(b.date));
    // shares of the year bind a grown stand only
    result.parts = { ...parts, parts: parts.parts.filter((part) => part.to >= after) };
    return result;
  }

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
        (day) => clearOfLime(product, day) && clearOfSummer(product, day) && clearOfFrost(product, day),
      );
    pDoses.push(...(placed?.doses ?? []));
    if (!product)
      miss('P2O5', `Nothing on the shelf brings the ${words(needP)} lb P2O5 per 1000 that the test asks for.`);
    else if (placed && placed.missed > 0) miss('P2O5', `${words(placed.missed)} lb P2O5 per 1000 found no open day.`);
  }

  const downN = nitrogenGiven(zone, products, plan.year);
  const needN = Math.max(0, prescription.nitrogen.year.value - downN - total(pDoses, 'N'));
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
        parts,
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
    if (placed && placed.tooSmall > TOO_SMALL_LB.K)
      miss(
        'K2O',
        `${words(placed.tooSmall)} lb K2O per 1000 is less than a spreader lays evenly of ${product.name}: it waits for the next test.`,
      );
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
  const soilF = weather ? soilTemperatureByDay(weather.meanF) : [];
  const years = new Map(given.zones.map((zone) => [zone.id, zoneYear(given, zone, year, packs, { asOf, weather })]));
  const zones = prescribeCase(
    given,
    ageDayOf(year, judgedOn),
    (zoneId) => picked[choiceKey(zoneId, 'lime')],
    packs,
    (zone) => (years.get(zone.id) as ZoneYear).facts,
    year,
  ).map((answer, i) => {
    const zone = given.zones[i] as Zone;
    return planZone(given, answer, zone, years.get(zone.id) as ZoneYear, weather, { year, picked, packs, soilF });
  });
  const earliest = [...years.values()].sort((a, b) => a.from.localeCompare(b.from))[0];
  const { from, fromIs } = earliest ?? firstDayOf(year, '', asOf);
  return { year, codes: given.codes ?? [], from, fromIs, weather, soilF, zones };
}
