import { purposeOf } from '../../products/purpose';
import type { Case, LocalCode, Product, Zone } from '../../records/case';
import { releaseByDay } from '../../nitrogen/release';
import { codeLeastSlowPercent, codeYearCap } from '../rules/local-codes';
import { demandByDay } from '../rules/nitrogen-parts';
import { isStrongAcidifier } from '../../products/strong-acidifier';
import { doseKey } from '../plan/dose-key';
import { isAcidSoil } from '../plan/acid-soil';
import { isLimySoil } from '../plan/limy-soil';
import { BUILT_IN_PACKS, grassIn } from '../../packs/rule-packs';
import { saltCarriers } from '../../products/carriers';
import { losesAmmonia, slowShare } from '../../nitrogen/forms';
import { lostToAir } from '../../nitrogen/surface-urea';
import { MOST_SALT_ON_SALTY_LB, productSalt } from '../../products/salt';
import { choicesFor, excluded, type ShelfContext } from '../../products/shelf';
import { evaluate } from '../../reckoning/define';
import { isRefusal } from '../../reckoning/refusal';
import { dayOfYear, type IsoDay } from '../../days/day';
import { doseCeiling, leastDaysBetweenN, potashDoseCeiling } from '../rules/dose-ceilings';
import { choiceKey, type SeasonPlan, type ZoneSeason } from '../plan/season-plan';
import { MOST_FREE_IN_HEAT_LB, mostDaysBetweenN, potashOverLb, RATE_STEP_LB, yearToleranceLb } from '../rules/limits';
import { leastRateLb } from '../../products/least-rate';
import { closedBecause, type Ground } from '../rules/open-days';
import type { SeasonSchools } from '../rules/season-schools';
import { CORRECTING } from '../rules/correction-stretches';
import { correctionOf } from './corrections';
import {
  type Band,
  type Brings,
  type Carrier,
  type PlanProblem,
  type PlanWishes,
  type StandingDose,
  WISHES,
  type ZoneProblem,
} from './problem-shape';
import { mondaysOf, type PlanWeek, weeksIn } from '../../days/weeks';

const bringsOf = (product: Product): Brings => {
  const { N = 0, P2O5 = 0, K2O = 0, Mg = 0, 'S-combined': S = 0 } = product.guaranteed;
  const salt = evaluate(productSalt, { rateLb: 1, carrierPercents: saltCarriers(product) as Record<string, number> });
  return {
    N: N / 100,
    'N-soluble': (N / 100) * (1 - slowShare(product)),
    P2O5: P2O5 / 100,
    K2O: K2O / 100,
    Mg: Mg / 100,
    S: S / 100,
    saltLb: isRefusal(salt) ? 0 : salt.saltLb,
  };
};

const sumByWeek = (byDay: readonly number[], weeks: readonly PlanWeek[]): number[] =>
  weeks.map(({ day }, i) =>
    byDay.slice(i === 0 ? 0 : day, weeks[i + 1]?.day ?? byDay.length).reduce((a, b) => a + b, 0),
  );

/** Weeks whose Monday lies in a part of the year. */
const weeksOf = (weeks: readonly PlanWeek[], { from, to }: { from: number; to: number }): number[] =>
  weeks.flatMap(({ day }, w) => (day >= from && day <= to ? [w] : []));

/** What falls on days of heat. */
const sumInHeat = (byDay: readonly number[], heat: readonly boolean[]): number =>
  byDay.reduce((sum, share, day) => (heat[day] ? sum + share : sum), 0);

/** Most of a product in one dose, lb product/1000 ft2, down to a whole step. */
function mostRate(zone: Zone, product: Product, codes: readonly LocalCode[]): number {
  const { N = 0, P2O5 = 0, K2O = 0 } = product.guaranteed;
  const [purpose, percent] =
    N > 0 ? (['N', N] as const) : K2O > 0 ? (['K2O', K2O] as const) : (['P2O5', P2O5] as const);
  return Math.floor(doseCeiling(zone, product, purpose, codes) / (percent / 100) / RATE_STEP_LB + 1e-6) * RATE_STEP_LB;
}

/** Purposes a nutrient product may serve on a zone; empty with the reason where none. */
function feeds(product: Product, context: ShelfContext, codes: readonly LocalCode[]): { because?: string } {
  const reasons: string[] = [];
  const slowNeeded = codeLeastSlowPercent(codes);
  for (const purpose of ['N', 'P2O5', 'K2O'] as const) {
    if ((product.guaranteed[purpose] ?? 0) === 0) continue;
    if (purpose === 'P2O5' && !context.phosphorusWanted) continue;
    const because = excluded(product, purpose, context);
    if (because) reasons.push(because);
    else if ((product.guaranteed.N ?? 0) > 0 && slowShare(product) * 100 < slowNeeded - 1e-9)
      reasons.push(`holds ${Math.round(slowShare(product) * 100)} % slow N, the code asks for ${slowNeeded}`);
    else return {};
  }
  return { because: reasons[0] ?? excluded(product, 'N', context) ?? 'carries nothing that is wanted here' };
}

/** A pound of K2O that nobody asked for: dear, and on a high test the last resort (D1). Decision. */
const POTASH_OVER_COST = { usual: 40, high: 160 } as const;

/** Rates are rounded down to a hundredth afterwards, so the model keeps this share inside what the checker accepts. */
const INSIDE = 0.75;

const bandOf = (yearLb: number, downLb: number, over: number): Band => {
  const off = yearToleranceLb(yearLb) * INSIDE;
  return { least: Math.max(0, yearLb - off - downLb), most: yearLb + Math.max(off, over) - downLb };
};

function zoneProblem(
  given: Case,
  zoneSeason: ZoneSeason,
  plan: SeasonPlan,
  weeks: readonly PlanWeek[],
  soilF: readonly number[],
  { picked = {}, packs = BUILT_IN_PACKS, letGo = {} }: PlanWishes,
  standing: readonly StandingDose[],
): ZoneProblem | undefined {
  const { zone, prescription, season, parts } = zoneSeason;
  if (!season || !parts || !plan.weather || !zoneSeason.schools) return undefined;
  const products = given.products ?? [];
  const codes = given.codes ?? [];
  const grass = grassIn(packs, zone.grass);
  const here = standing.filter((d) => d.zoneId === zone.id);
  const firstDay = zoneSeason.from > `${plan.year}-01-01` ? dayOfYear(zoneSeason.from) : 0;
  const down = (nutrient: keyof Brings) => here.reduce((sum, d) => sum + d.rateLb * bringsOf(d.product)[nutrient], 0);
  const yearN = Math.max(0, prescription.nitrogen.year.value - (letGo[`${zone.id}/nitrogen-year`] ?? 0));
  const schools: SeasonSchools = { ...(zoneSeason.schools as SeasonSchools) };
  if ((letGo[`${zone.id}/late-season`] ?? 0) > 0) schools.steps = [];
  if ((letGo[`${zone.id}/potassium-season`] ?? 0) > 0) schools.amounts = [];
  const schoolPotash = schools.amounts.reduce((sum, a) => sum + (a.nutrient === 'K2O' ? (a.leastLb ?? 0) : 0), 0);
  const potashYear = Math.max(
    0,
    Math.max(prescription.potassium.yearLb, schoolPotash) - (letGo[`${zone.id}/potassium-year`] ?? 0),
  );
  const phosphateYear = Math.max(0, prescription.phosphorus.yearLb - (letGo[`${zone.id}/phosphorus-year`] ?? 0));
  const saline = prescription.salinity.standing === 'saline';
  const acidSoil = isAcidSoil(zoneSeason);
  const limySoil = isLimySoil(zoneSeason);
  const context: ShelfContext = {
    grass,
    phosphorusWanted: phosphateYear > 0,
    potassiumWanted: potashYear > 0,
    saline,
    acidSoil,
    limySoil,
    closeCut: zone.turf === 'close-cut',
  };
  const ground: Ground = {
    year: plan.year,
    firstDay,
    firstDayIs: zoneSeason.fromIs.says,
    season,
    soilF,
    codes,
    alsoOpen: schools.alsoOpen,
    seedingDay: prescription.establishment && dayOfYear(prescription.establishment.on),
  };

  const shut: ZoneProblem['shut'] = [];
  const carriers: Carrier[] = [];
  const pickedFor = (purpose: 'N' | 'P2O5' | 'K2O') => {
    const id = picked[choiceKey(zone.id, purpose)];
    return choicesFor(products, purpose, context).find((p) => p.id === id)?.id;
  };
  const only = { N: pickedFor('N'), P2O5: pickedFor('P2O5'), K2O: pickedFor('K2O') };
  for (const product of products) {
    const { N = 0, P2O5 = 0, K2O = 0 } = product.guaranteed;
    if (N + P2O5 + K2O === 0) continue;
    const main = purposeOf(product, context.phosphorusWanted);
    const { because } = feeds(product, context, codes);
    const mostRateLb = mostRate(zone, product, codes);
    const least = leastRateLb(product, zone);
    const chosen = main === 'N' || main === 'P2O5' || main === 'K2O' ? only[main] : undefined;
    if (because) shut.push({ product, because });
    else if (chosen && chosen !== product.id) shut.push({ product, because: 'another product was chosen for it' });
    else if (mostRateLb < least)
      shut.push({ product, because: `its ceiling here is under the least rate a spreader holds` });
    else {
      const open = weeks.map((week) => closedBecause(ground, product, week.day) === undefined);
      const released =
        N > 0 ? weeks.flatMap(({ day }, w) => (open[w] ? [[w, releaseByDay(product, soilF, day)] as const] : [])) : [];
      carriers.push({
        product,
        brings: bringsOf(product),
        leastRateLb: least,
        mostRateLb,
        open,
        ammonia: losesAmmonia(product),
        illFedLb:
          (limySoil ? lostToAir(product, zone.irrigated !== false) : 0) +
          // a strong acidifier works against the lime: planned where nothing else can feed, and dear (B5)
          (acidSoil && isStrongAcidifier(product) && !(context.phosphorusWanted && P2O5 > 0) ? N / 100 : 0),
        release: new Map(released.map(([w, byDay]) => [w, sumByWeek(byDay, weeks)])),
        freeInHeat: new Map(released.map(([w, byDay]) => [w, sumInHeat(byDay, season.heat)])),
      });
    }
  }

  // nobody asked for the usual school by name: where no bag here can serve it, it is left out rather than stop the plan
  const unserved = schools.steps.find((step) => !carriers.some((c) => step.serves(c.product) && c.open.some(Boolean)));
  if (unserved && given.choices?.lateSeason === undefined) {
    schools.steps = [];
    schools.setAside = [
      ...schools.setAside,
      `${schools.late?.title} is set aside on ${zone.name}: nothing that may go there can bring ${unserved.says}.`,
    ];
  }

  const { carried } = zoneSeason;
  // a winter grass asks for what its feedings bring, no more
  const winterLb = prescription.overseeding?.yearLb ?? 0;
  const grownLb = Math.max(0, yearN - winterLb);
  const asked = sumByWeek(demandByDay(parts, season), weeks).map((share) => (grownLb + (carried?.lb ?? 0)) * share);
  const standingSupply = new Array<number>(weeks.length).fill(0);
  let standingInHeat = zoneSeason.carried ? sumInHeat(zoneSeason.carried.byDay, season.heat) : 0;
  for (const dose of here) {
    const byDay = releaseByDay(dose.product, soilF, dayOfYear(dose.date));
    const lb = dose.rateLb * bringsOf(dose.product).N;
    standingInHeat += sumInHeat(byDay, season.heat) * lb;
    const onWinterGrass = season.winter?.days[dayOfYear(dose.date)];
    sumByWeek(byDay, weeks).forEach((share, w) => {
      standingSupply[w] = (standingSupply[w] as number) + share * lb;
      if (onWinterGrass) asked[w] = (asked[w] as number) + share * lb;
    });
  }
  if (carried)
    sumByWeek(carried.byDay, weeks).forEach((lb, w) => {
      standingSupply[w] = (standingSupply[w] as number) + lb;
    });
  const cap = codeYearCap(codes);
  const wanted = CORRECTING.map((purpose) => correctionOf(purpose, zoneSeason, ground, weeks, here, zoneSeason.from));
  const corrections = wanted.flatMap(({ correction }) =>
    correction && !letGo[`${zone.id}/${correction.purpose}`] ? [correction] : [],
  );
  const missing = wanted.find((each) => each.missing)?.missing;
  const bands = {
    nitrogen: bandOf(yearN, down('N'), 0),
    phosphate: bandOf(phosphateYear, down('P2O5'), 0),
    potash: bandOf(potashYear, down('K2O'), potashOverLb(potashYear)),
  };
  return {
    zone,
    ground,
    schools,
    carriers,
    shut,
    ...bands,
    potashOverCost: prescription.potassium.level === 'high' ? POTASH_OVER_COST.high : POTASH_OVER_COST.usual,
    magnesiumLb: Math.max(0, prescription.magnesium.yearLb - down('Mg')),
    sulfurLb: Math.max(0, prescription.sulfur.yearLb - down('S')),
    codeYearLb: cap === undefined ? undefined : cap - down('N'),
    corrections,
    correctionMissing: missing && !letGo[`${zone.id}/${missing}`] ? missing : undefined,
    standing: here,
    gapWeeks: weeksIn(leastDaysBetweenN(zone)),
    mostGapWeeks: weeksIn(mostDaysBetweenN(zone)) + (letGo[`${zone.id}/most-interval`] ?? 0),
    demandByWeek: asked,
    parts: parts.parts.map((part) => ({ ...part, weeks: weeksOf(weeks, part) })),
    yearNitrogenLb: grownLb,
    nitrogenDown: here.map((d) => ({
      day: dayOfYear(d.date),
      lb: d.rateLb * bringsOf(d.product).N,
      solubleLb: d.rateLb * bringsOf(d.product)['N-soluble'],
    })),
    standingSupplyByWeek: standingSupply,
    mostFreeInHeatLb: season.heat.some(Boolean)
      ? Math.max(0, MOST_FREE_IN_HEAT_LB + (letGo[`${zone.id}/heat-supply`] ?? 0) - standingInHeat)
      : Infinity,
    mostSaltLb: saline ? MOST_SALT_ON_SALTY_LB : Infinity,
    potashDoseLb: potashDoseCeiling(zone),
  };
}

/** Doses already given in the plan's year, and slow ones of the year before that may still let go. */
function givenDoses(given: Case, year: number): StandingDose[] {
  const products = given.products ?? [];
  return given.zones.flatMap((zone) =>
    (zone.applied ?? []).flatMap(({ date, productId, zoneLb }): StandingDose[] => {
      const product = products.find((p) => p.id === productId);
      if (!product || !date.startsWith(String(year))) return [];
      return [
        {
          zoneId: zone.id,
          date,
          product,
          for: purposeOf(product, false),
          rateLb: zoneLb / (zone.areaSqFt / 1000),
          given: true,
        },
      ];
    }),
  );
}

/**
 * Everything the model is built from: what each zone still needs, which products may serve it in which weeks, what
 * stands already. Undefined where the property has no climate to date by.
 */
export function planProblem(given: Case, plan: SeasonPlan, wishes: PlanWishes = {}): PlanProblem | undefined {
  if (!plan.weather) return undefined;
  const products = given.products ?? [];
  const weeks = mondaysOf(plan.year);
  const { soilF } = plan;
  // the doses of a seeding stand on their days; a person who locked one of them decides
  const programme = plan.zones.flatMap((z) => z.programme ?? []);
  const isLocked = new Set((wishes.locked ?? []).map(doseKey));
  const fixed = programme.filter((dose) => !isLocked.has(doseKey(dose)));
  const locked = [...(wishes.locked ?? []), ...fixed].flatMap((dose): StandingDose[] => {
    const product = products.find((p) => p.id === dose.productId);
    const { zoneId, date, for: purpose, rateLb } = dose;
    return product ? [{ zoneId, date, for: purpose, rateLb, product, given: false }] : [];
  });
  const standing = [...givenDoses(given, plan.year), ...locked];
  const zones = plan.zones.flatMap((z) => zoneProblem(given, z, plan, weeks, soilF, wishes, standing) ?? []);
  const weekOf = (date: IsoDay) => weeks.findLastIndex((week) => week.date <= date);
  const letTrips = wishes.letGo?.['/trips'] ?? 0;
  return {
    year: plan.year,
    weeks,
    zones,
    maxTrips: given.choices?.maxTrips === undefined ? undefined : given.choices.maxTrips + letTrips,
    tripCost: given.choices?.tripCost ?? 0,
    wishes: WISHES[wishes.aim ?? 'balanced'],
    standingWeeks: new Set(standing.map((d) => weekOf(d.date)).filter((w) => w >= 0)),
  };
}
