import { purposeOf } from '../../products/purpose';
import type { Case, Product } from '../../records/case';
import { releaseByDay } from '../../nitrogen/release';
import { codeYearCap, phosphorusNeedsTest } from '../rules/local-codes';
import { demandByDay } from '../rules/nitrogen-parts';
import { isStrongAcidifier } from '../../products/strong-acidifier';
import { doseKey } from '../plan/dose-key';
import { askedOfYear } from '../plan/asked-of-year';
import { mostRateLb, unfitBecause } from '../plan/serving';
import { shelfContext } from '../plan/shelf-context';
import { zoneGround } from '../plan/zone-ground';
import { BUILT_IN_PACKS, grassIn } from '../../packs/rule-packs';
import { saltCarriers } from '../../products/carriers';
import { losesAmmonia, microbeDriven, slowShare } from '../../nitrogen/forms';
import { lostToAir } from '../../nitrogen/surface-urea';
import { MOST_SALT_ON_SALTY_LB, productSalt } from '../../products/salt';
import { granulesAt, SPECKLES_BELOW } from '../../products/granules';
import { choicesFor } from '../../products/shelf';
import { evaluate } from '../../reckoning/define';
import { isRefusal } from '../../reckoning/refusal';
import { dayOfYear, type IsoDay } from '../../days/day';
import { leastDaysBetweenN, potashDoseCeiling } from '../rules/dose-ceilings';
import { choiceKey, type SeasonPlan, type ZoneSeason } from '../plan/season-plan';
import {
  MICROBES_WORK_FROM_F,
  MOST_FREE_IN_HEAT_LB,
  mostDaysBetweenN,
  potashOverLb,
  yearToleranceLb,
} from '../rules/limits';
import { leastRateLb } from '../../products/least-rate';
import { closedBecause, type Ground } from '../rules/open-days';
import type { SeasonSchools } from '../rules/season-schools';
import { CORRECTING } from '../rules/correction-stretches';
import { correctionOf } from './corrections';
import { PRICES } from './prices';
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
import { keysOfGivenDoses } from '../plan/doses-given';
import { givenInYear, overDoses } from '../plan/worked-doses';

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

/** Rates are rounded down to a hundredth afterwards, so the model keeps this share inside what the checker accepts. */
const INSIDE = 0.75;

const bandOf = (yearLb: number, downLb: number): Band => {
  const off = yearToleranceLb(yearLb) * INSIDE;
  return { least: Math.max(0, yearLb - off - downLb), most: yearLb + off - downLb };
};

/** What the least rate of a bag costs because its granules lie too far apart; nothing where its most is no better (E2). */
function thinAtLeast(product: Product, leastLb: number, mostLb: number): number {
  const granules = granulesAt(product, leastLb);
  return granules === undefined || mostLb <= leastLb ? 0 : PRICES.speckled * Math.max(0, 1 - granules / SPECKLES_BELOW);
}

function zoneProblem(
  given: Case,
  zoneSeason: ZoneSeason,
  plan: SeasonPlan,
  weeks: readonly PlanWeek[],
  soilF: readonly number[],
  { picked = {}, packs = BUILT_IN_PACKS }: PlanWishes,
  standing: readonly StandingDose[],
): ZoneProblem | undefined {
  const { zone, prescription, season, parts } = zoneSeason;
  if (!season || !parts || !plan.weather || !zoneSeason.schools) return undefined;
  const products = given.products ?? [];
  const codes = given.codes ?? [];
  const grass = grassIn(packs, zone.grass);
  const here = standing.filter((d) => d.zoneId === zone.id);
  const down = (nutrient: keyof Brings) => here.reduce((sum, d) => sum + d.rateLb * bringsOf(d.product)[nutrient], 0);
  const yearN = prescription.nitrogen.year.value;
  const schools: SeasonSchools = { ...(zoneSeason.schools as SeasonSchools) };
  const { K2O: potashYear } = askedOfYear(zoneSeason);
  // without the test that a code asks for a new stand has its starter on its day, and no phosphate after it (C8)
  const starterOnly = !prescription.tested && phosphorusNeedsTest(codes);
  const phosphateYear = starterOnly ? down('P2O5') : Math.max(0, prescription.phosphorus.yearLb);
  const context = {
    ...shelfContext({ zone, grass, prescription, read: zoneSeason.read }, potashYear > 0),
    ...(starterOnly ? { phosphorusWanted: false } : {}),
  };
  const { saline, acidSoil, limySoil } = context;
  const ground = zoneGround(zoneSeason, plan, codes) as Ground;

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
    const because = unfitBecause(product, zone, context, codes);
    const mostRate = mostRateLb(zone, product, codes);
    const least = leastRateLb(product, zone);
    const chosen = main === 'N' || main === 'P2O5' || main === 'K2O' ? only[main] : undefined;
    if (because) shut.push({ product, because });
    else if (chosen && chosen !== product.id) shut.push({ product, because: 'another product was chosen for it' });
    else {
      const open = weeks.map((week) => closedBecause(ground, product, week.day) === undefined);
      const released =
        N > 0 ? weeks.flatMap(({ day }, w) => (open[w] ? [[w, releaseByDay(product, soilF, day)] as const] : [])) : [];
      carriers.push({
        product,
        brings: bringsOf(product),
        leastRateLb: least,
        mostRateLb: mostRate,
        open,
        ammonia: losesAmmonia(product),
        illFedLb:
          (limySoil ? lostToAir(product, zone.irrigated !== false) : 0) +
          // a strong acidifier works against the lime: planned where nothing else can feed, and dear (B5)
          (acidSoil && isStrongAcidifier(product) && !(context.phosphorusWanted && P2O5 > 0) ? N / 100 : 0),
        thinAtLeast: thinAtLeast(product, least, mostRate),
        tooCold: microbeDriven(product) ? weeks.map(({ day }) => (soilF[day] ?? 0) < MICROBES_WORK_FROM_F) : undefined,
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
  const corrections = CORRECTING.flatMap(
    (purpose) => correctionOf(purpose, zoneSeason, ground, weeks, here, zoneSeason.from) ?? [],
  );
  const bands = {
    nitrogen: bandOf(yearN, down('N')),
    phosphate: bandOf(phosphateYear, down('P2O5')),
    potash: bandOf(potashYear, down('K2O')),
  };
  return {
    zone,
    ground,
    schools,
    carriers,
    shut,
    ...bands,
    potashOver: {
      lb: potashOverLb(potashYear),
      cost: prescription.potassium.level === 'high' ? PRICES.potashOverHigh : PRICES.potashOver,
    },
    magnesiumLb: Math.max(0, prescription.magnesium.yearLb - down('Mg')),
    sulfurLb: Math.max(0, prescription.sulfur.yearLb - down('S')),
    codeYearLb: cap === undefined ? undefined : cap - down('N'),
    corrections,
    standing: here,
    stepPrice: given.choices?.lateSeason === undefined ? PRICES.step : PRICES.stepByName,
    gapWeeks: weeksIn(leastDaysBetweenN(zone)),
    mostGapWeeks: weeksIn(mostDaysBetweenN(zone)),
    demandByWeek: asked,
    parts: parts.parts.map((part) => ({ ...part, weeks: weeksOf(weeks, part) })),
    yearNitrogenLb: grownLb,
    nitrogenDown: here.map((d) => ({
      day: dayOfYear(d.date),
      lb: d.rateLb * bringsOf(d.product).N,
      solubleLb: d.rateLb * bringsOf(d.product)['N-soluble'],
    })),
    standingSupplyByWeek: standingSupply,
    mostFreeInHeatLb: season.heat.some(Boolean) ? Math.max(0, MOST_FREE_IN_HEAT_LB - standingInHeat) : Infinity,
    mostSaltLb: saline ? MOST_SALT_ON_SALTY_LB : Infinity,
    potashDoseLb: potashDoseCeiling(zone),
  };
}

/** Doses already given in the plan's year; what they were over holds the next feeding back. */
function givenDoses(given: Case, year: number): StandingDose[] {
  const products = new Map((given.products ?? []).map((product) => [product.id, product]));
  const over = given.zones.flatMap((zone) => overDoses(given, zone));
  return givenInYear(given, year).flatMap(({ productId, ...dose }): StandingDose[] => {
    const product = products.get(productId);
    const waits = over.find(({ zoneId, date }) => zoneId === dose.zoneId && date === dose.date)?.laterDays;
    return product ? [{ ...dose, product, given: true, ...(waits === undefined ? {} : { laterDays: waits }) }] : [];
  });
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
  // what was given stands at its real day and weight, by the record, and not once more as it was planned
  const done = keysOfGivenDoses(given);
  const held = (wishes.locked ?? []).filter((dose) => !done.has(doseKey(dose)));
  const isLocked = new Set(held.map(doseKey));
  const fixed = programme.filter((dose) => !isLocked.has(doseKey(dose)) && !done.has(doseKey(dose)));
  const locked = [...held, ...fixed].flatMap((dose): StandingDose[] => {
    const product = products.find((p) => p.id === dose.productId);
    const { zoneId, date, for: purpose, rateLb } = dose;
    return product ? [{ zoneId, date, for: purpose, rateLb, product, given: false }] : [];
  });
  const standing = [...givenDoses(given, plan.year), ...locked];
  const zones = plan.zones.flatMap((z) => zoneProblem(given, z, plan, weeks, soilF, wishes, standing) ?? []);
  const weekOf = (date: IsoDay) => weeks.findLastIndex((week) => week.date <= date);
  return {
    year: plan.year,
    weeks,
    zones,
    maxTrips: given.choices?.maxTrips,
    tripCost: given.choices?.tripCost ?? 0,
    wishes: WISHES[wishes.aim ?? 'balanced'],
    standingWeeks: new Set(standing.map((d) => weekOf(d.date)).filter((w) => w >= 0)),
    stay: (wishes.stay ?? []).filter((dose) => !isLocked.has(doseKey(dose))),
  };
}
