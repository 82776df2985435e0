import type { Case, PlannedFor, Product, Zone } from '../../records/case';
import { BUILT_IN_PACKS, grassIn, type RulePacks } from '../../packs/rule-packs';
import { prescribeCase } from '../../prescription/prescribe';
import type { ZonePrescription } from '../../prescription/prescription';
import { ownProgrammeFrom } from '../rules/establishment';
import { losesAmmonia } from '../../nitrogen/forms';
import { choicesFor } from '../../products/shelf';
import { type ClimateYear, climateYear } from '../../climate/climate-year';
import { CORRECTING } from '../rules/correction-stretches';
import { correctionAsked } from '../plan/zone-stretches';
import { dayOfYear, daysBetween } from '../../days/day';
import type { Dose } from '../plan/dose';
import { isFeedingLb } from '../plan/feeding';
import { doseCeiling, isWeakGround } from '../rules/dose-ceilings';
import { freeInTime } from '../rules/before-frost';
import { isWeakSoil } from '../../prescription/cation-exchange';
import { TOO_SMALL_LB } from '../../prescription/prescribe-nutrient';
import type { Interpretation } from '../../soil/interpret';
import { shelfContext } from '../plan/shelf-context';
import { nitrogenGiven, type ZoneYear, zoneYear } from '../plan/zone-year';
import { LIME_NITROGEN_GAP_DAYS } from '../rules/limits';
import { choiceKey, type ProductChoices, type SeasonPlan, type ZoneSeason } from '../plan/season-plan';
import { ageDayOf, firstDayOf } from '../rules/first-day';
import { seasonSchools } from '../rules/season-schools';
import { correctedSoil, soilReadingsOf } from '../../climate/soil-readings';
import { roundedTo } from '../../words/numbers';
import { type Ground, total } from './draft-ground';
import { planNitrogen } from './plan-nitrogen';
import { laysEvenly, planRider } from './plan-rider';
import { planCorrection } from './plan-correction';
import { planFoliar } from './plan-foliar';
import { planYearNitrogen } from './plan-year-nitrogen';
import { planEstablishment } from './plan-establishment';
import { planWinterFeedings } from './plan-winter-feedings';

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
  const context = shelfContext({ zone, grass, prescription, read });
  const { acidSoil, limySoil } = context;
  const shelf: ZoneSeason['shelf'] = {};
  /** What is planned for a purpose: what a person picked, what the prescription names, else the first that serves, else the first. */
  const choose = (purpose: PlannedFor, serves?: (product: Product) => boolean): Product | undefined => {
    const options = choicesFor(products, purpose, context);
    const asked =
      purpose === 'lime' || purpose === 'gypsum' ? correctionAsked(purpose, prescription).productId : undefined;
    const prescribed = options.find((p) => p.id === asked);
    const chosen =
      options.find((p) => p.id === plan.picked[choiceKey(zone.id, purpose)]) ??
      prescribed ??
      (serves && options.find(serves)) ??
      options[0];
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
  const words = (lb: number) => roundedTo(lb, 2);
  const miss = (purpose: PlannedFor, says: string, waitsLb?: number) =>
    result.unplaced.push({ zoneId: zone.id, for: purpose, says, ...(waitsLb === undefined ? {} : { waitsLb }) });
  const waits = (purpose: 'P2O5' | 'K2O', product: Product, lb: number) => {
    if (lb > TOO_SMALL_LB[purpose === 'P2O5' ? 'P' : 'K'])
      miss(
        purpose,
        `${words(lb)} lb ${purpose} per 1000 is less than a spreader lays evenly of ${product.name}: choose a weaker grade, or let it wait for the next test.`,
        lb,
      );
  };
  if (!season || !weather || !parts) return result;
  const ground: Ground = { zone, season, weather, year: plan.year, firstDay, codes, soilF: plan.soilF };
  const dayOf = (d: Dose) => dayOfYear(d.date);

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

  const colored = planFoliar(ground, prescription, choose);
  for (const missing of colored.missing) miss(missing.for, missing.says);
  const { establishment } = prescription;
  if (establishment) {
    const pickedStarter = plan.picked[choiceKey(zone.id, 'P2O5')] !== undefined;
    const sown = planEstablishment(ground, establishment, choose, prescription, shelf, pickedStarter);
    result.programme = [...sown.doses, ...colored.doses];
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
    result.doses = [...phDoses, ...sown.doses, ...later.doses, ...potash, ...colored.doses].sort((a, b) =>
      a.date.localeCompare(b.date),
    );
    // shares of the year bind a grown stand only
    result.parts = { ...parts, parts: parts.parts.filter((part) => part.to >= after) };
    return result;
  }

  // P before N, because what carries it often carries nitrogen as well
  const pDoses: Dose[] = [];
  if (needP > 0) {
    const product = choose('P2O5', (each) => laysEvenly(ground, each, 'P2O5', needP));
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
    if (product && placed) waits('P2O5', product, placed.tooSmall);
  }

  // the winter grass has its feedings on their days, the warm-season grass what is left of the year
  const winter = planWinterFeedings(ground, prescription, () => choicesFor(products, 'N', context));
  if (winter.doses.length + colored.doses.length > 0) result.programme = [...winter.doses, ...colored.doses];
  for (const missing of winter.missing) miss('N', missing);

  // weak soil holds the nitrogen of three weeks together, however little of it came with the phosphate
  const countsAsNitrogen = (lb: number) => (isWeakGround(zone) ? lb > 0 : isFeedingLb(lb));
  const downN = nitrogenGiven(zone, products, plan.year);
  const wintersN = prescription.overseeding?.feedings.reduce((sum, { lb }) => sum + lb, 0) ?? 0;
  const needN = Math.max(0, prescription.nitrogen.year.value - downN - wintersN - total(pDoses, 'N'));
  const nDoses: Dose[] = [];
  if (needN > 1e-9) {
    const product = choose('N');
    const says =
      total(pDoses, 'N') > 0
        ? 'nitrogen for the year, less what the P2O5 product brings'
        : 'nitrogen for the year, an equal share';
    const placed =
      product &&
      planYearNitrogen({
        ground,
        product,
        picked: plan.picked[choiceKey(zone.id, 'N')] !== undefined,
        options: shelf.N?.options ?? [],
        needLb: needN,
        says,
        figure: prescription.nitrogen.year,
        parts,
        schools,
        named: given.choices?.lateSeason !== undefined,
        standing: [...pDoses.filter((d) => countsAsNitrogen(d.delivers.N ?? 0)), ...winter.doses],
        clear: clearOfLime,
        acidSoil,
        limySoil,
      });
    nDoses.push(...(placed?.doses ?? []));
    if (!product) miss('N', `Nothing on the shelf may bring the ${words(needN)} lb N per 1000.`);
    else if (placed && placed.missed > 1e-9)
      miss(
        'N',
        `${words(placed.missed)} lb N per 1000 found no room: too few open weeks for doses this small. Choose a slower product or less N.`,
      );
  }

  const stillK = needK - total([...nDoses, ...pDoses, ...winter.doses], 'K2O');
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
        [...pDoses, ...nDoses, ...winter.doses],
        prescription.potassium.year,
        (day) => clearOfLime(product, day),
      );
    kDoses.push(...(placed?.doses ?? []));
    if (!product) miss('K2O', `Nothing on the shelf brings ${words(stillK)} lb K2O per 1000 here.`);
    else if (placed && placed.missed > 0) miss('K2O', `${words(placed.missed)} lb K2O per 1000 found no open day.`);
    if (product && placed) waits('K2O', product, placed.tooSmall);
  }

  result.doses = [...phDoses, ...pDoses, ...winter.doses, ...nDoses, ...kDoses, ...colored.doses].sort((a, b) =>
    a.date.localeCompare(b.date),
  );
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
  const { soilF, corrections } = weather
    ? correctedSoil(weather.meanF, year, soilReadingsOf(given.zones))
    : { soilF: [], corrections: [] };
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
  return { year, codes: given.codes ?? [], from, fromIs, weather, soilF, soilCorrections: corrections, zones };
}
