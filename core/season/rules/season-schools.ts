import type { Choices, Product, Zone } from '../../records/case';
import { groupOfTexture } from '../../ground/texture-groups';
import { slowShare } from '../../nitrogen/forms';
import type { GrowthSeason } from '../../climate/climate-year';
import { nitrogenCeilings, potashDoseCeiling } from './dose-ceilings';
import {
  LATE_SEASON_SCHOOLS,
  type LateSchool,
  POTASSIUM_SCHOOLS,
  type PotashSchool,
  schoolOf,
} from './practice-schools';
import { fallFromDay } from './limits';
import type { LocalCode } from '../../records/case';
import { fixed } from '../../words/numbers';

/** A dose that a school asks for at the end of the year. Days count from 0 for 1 January; both ends are inside. */
export interface LateStep {
  id: string;
  says: string;
  from: number;
  to: number;
  /** What is measured, and between which bounds, lb N/1000 ft2. */
  measured: 'N' | 'N-soluble';
  leastLb: number;
  mostLb: number;
  serves: (product: Product) => boolean;
  /** Days that must lie between this step and the next one. */
  beforeNext?: { least: number; most: number };
}

/** An amount that a school asks for or allows within a stretch of the year. */
export interface SeasonAmount {
  id: string;
  says: string;
  nutrient: 'N' | 'K2O';
  from: number;
  to: number;
  leastLb?: number;
  mostLb?: number;
  /** Whether products with nitrogen may count towards it. */
  withNitrogen: boolean;
}

export interface SeasonSchools {
  /** The schools in force, and what was set aside with its reason. */
  late?: { id: LateSchool; title: string };
  potash?: { id: PotashSchool; title: string };
  setAside: string[];
  steps: LateStep[];
  amounts: SeasonAmount[];
  alsoOpen: { N?: boolean[]; K2O?: boolean[] };
}

interface Ask {
  zone: Zone;
  year: number;
  grassSeason: 'cool' | 'warm';
  season: GrowthSeason;
  codes: readonly LocalCode[];
  choices: Choices | undefined;
  nitrogenLb: number;
  potashLb: number;
  /** First day that may be planned. */
  firstDay: number;
}

/** A step of a school, lb N: its least and most, and the year's N from which one step and both are taken. Common practice. */
const STEP_LB = { least: 0.5, usual: 1, oneFrom: 0.75, twoFrom: 1.6 } as const;
/** Mid-fall step before the last one, days. Common practice: four to six weeks. */
const STEPS_APART = { least: 28, most: 42 } as const;
/** The last step stands within this many days of the end of feeding. Common practice. */
const LAST_STEP_DAYS = 21;
/** Slope from which a late soluble dose runs off, percent; distance to water that counts as near, ft. Common practice. */
const STEEP_PERCENT = 8;
const NEAR_WATER_FT = 50;
/** A soluble dose must have this long before the ground freezes, days. Common practice. */
const BEFORE_FREEZING_DAYS = 10;
/** K2O before frost, days: [from, to] before the first frost. Common practice, zoysiagrass earlier. */
const POTASH_BEFORE_FROST = { usual: [42, 28], zoysiagrass: [56, 42] } as const;
const WINTER_POTASH = { everyDays: 60, lb: 0.5 } as const;
const FALL_POTASH_LB = 1;
/** A potassium-led finish leaves this share of the year's N for fall. Common practice. */
const FINISH_NITROGEN_SHARE = 0.25;
const FINISH_POTASH_LB = 0.5;

/** A step counts as taken from this share of a ceiling on, because no spreader stops on it. Common practice. */
const NEARLY = 0.96;
/** What a school asks of a dose, as far as one dose may bring it here. */
const asFarAs = (ceilingLb: number, askedLb: number): number => Math.min(askedLb, ceilingLb * NEARLY);

const spanOf = (days: readonly boolean[], from: number, to: number): boolean[] =>
  days.map((_, day) => day >= from && day <= to);

/** Whether at least half of a product's nitrogen is soluble. */
export const isSoluble = (product: Product): boolean => (product.guaranteed.N ?? 0) > 0 && slowShare(product) <= 0.5;
const isPartlySlow = (product: Product): boolean => slowShare(product) >= 0.25 && slowShare(product) <= 0.8;

/** Why a zone may not have the late soluble dose, or undefined. */
export function lateSolubleForbidden(zone: Zone): string | undefined {
  if (groupOfTexture(zone.texture) === 'sand') return 'late soluble nitrogen never goes on sand';
  if ((zone.slopePercent ?? 0) >= STEEP_PERCENT)
    return `late soluble nitrogen never goes on a slope of ${STEEP_PERCENT} % or more`;
  if ((zone.waterDistanceFt ?? Infinity) < NEAR_WATER_FT)
    return `late soluble nitrogen never goes within ${NEAR_WATER_FT} ft of water`;
  return undefined;
}

function lateSteps(ask: Ask, result: SeasonSchools): void {
  const { zone, season, codes, nitrogenLb, firstDay } = ask;
  const { firstFrost } = season;
  const fallFrom = fallFromDay(ask.year);
  const yearEnd = season.growth.length - 1;
  const chosen = schoolOf(LATE_SEASON_SCHOOLS, ask.choices?.lateSeason);
  const end = season.feeding.lastIndexOf(true);
  const cap = nitrogenCeilings(zone, codes).soluble;
  const least = asFarAs(cap, STEP_LB.least);
  const asked = fixed(Math.min(STEP_LB.least, cap), 2);
  const most = Math.min(STEP_LB.usual, cap);
  if (end < fallFrom || end < firstDay) return;
  if (nitrogenLb < STEP_LB.oneFrom) {
    if (nitrogenLb > 0)
      result.setAside.push(
        `No late-season step on ${zone.name}: ${fixed(nitrogenLb, 2)} lb N for the year is too little to share out so.`,
      );
    return;
  }
  let school = chosen;
  const forbidden = school.id === 'late-soluble' ? lateSolubleForbidden(zone) : undefined;
  if (forbidden || school.comparisonOnly) {
    school = schoolOf(LATE_SEASON_SCHOOLS, undefined);
    result.setAside.push(
      `${chosen.title} is set aside on ${zone.name}: ${forbidden ?? 'it is for comparison only'}. ${school.title} stands in for it.`,
    );
  }
  result.late = { id: school.id, title: school.title };
  switch (school.id) {
    case 'two-steps': {
      const last = {
        from: Math.max(firstDay, end - LAST_STEP_DAYS),
        to: end,
        measured: 'N-soluble' as const,
        leastLb: least,
        mostLb: most,
        serves: isSoluble,
      };
      const midFall = Math.max(firstDay, end - LAST_STEP_DAYS - STEPS_APART.most);
      // little N, or a year that starts late, leaves room for the last step alone
      if (nitrogenLb >= STEP_LB.twoFrom && midFall + STEPS_APART.least <= end)
        result.steps.push({
          ...last,
          id: 'mid-fall',
          says: `${asked} lb soluble N in mid fall`,
          from: midFall,
          to: end - STEPS_APART.least,
          beforeNext: STEPS_APART,
        });
      result.steps.push({ ...last, id: 'last-step', says: `${asked} lb soluble N as growth ends` });
      return;
    }
    case 'late-soluble': {
      const lastMowing = season.lastMowing ?? end;
      const freezes = season.frozen.findIndex((yes, day) => yes && day > lastMowing);
      const to = Math.min(lastMowing + 7, freezes === -1 ? Infinity : freezes - BEFORE_FREEZING_DAYS);
      result.alsoOpen.N = spanOf(season.feeding, lastMowing - 7, to);
      result.steps.push({
        id: 'last-mowing',
        says: `${fixed(Math.min(STEP_LB.oneFrom, cap), 2)} lb soluble N at the last mowing`,
        from: lastMowing - 7,
        to,
        measured: 'N-soluble',
        leastLb: asFarAs(cap, STEP_LB.oneFrom),
        mostLb: most,
        serves: isSoluble,
      });
      return;
    }
    case 'slow-first-frost':
      result.steps.push({
        id: 'first-frost',
        says: `${asked} lb N from a partly slow source around first frost`,
        from: firstFrost - 10,
        to: Math.min(end, firstFrost + 10),
        measured: 'N',
        leastLb: least,
        mostLb: STEP_LB.usual,
        serves: isPartlySlow,
      });
      return;
    case 'weekly-light':
      // for comparison only: it never comes this far
      return;
    case 'potassium-led':
      result.amounts.push(
        {
          id: 'fall-nitrogen',
          says: `at most ${fixed(nitrogenLb * FINISH_NITROGEN_SHARE, 2)} lb N from September on`,
          nutrient: 'N',
          from: fallFrom,
          to: yearEnd,
          mostLb: nitrogenLb * FINISH_NITROGEN_SHARE,
          withNitrogen: true,
        },
        {
          id: 'fall-potash',
          says: `${fixed(Math.min(FINISH_POTASH_LB, potashDoseCeiling(zone)), 2)} lb K2O from September on`,
          nutrient: 'K2O',
          from: fallFrom,
          to: yearEnd,
          leastLb: asFarAs(potashDoseCeiling(zone), FINISH_POTASH_LB),
          withNitrogen: true,
        },
      );
  }
}

function potashSeason(ask: Ask, result: SeasonSchools): void {
  const { zone, season, firstDay } = ask;
  const { firstFrost } = season;
  const days = season.growth.length;
  const school = schoolOf(POTASSIUM_SCHOOLS, ask.choices?.potassium);
  result.potash = { id: school.id, title: school.title };
  const cap = potashDoseCeiling(zone);
  if (school.id === 'fall') {
    const [before, until] = zone.grass === 'zoysiagrass' ? POTASH_BEFORE_FROST.zoysiagrass : POTASH_BEFORE_FROST.usual;
    const [from, to] = [firstFrost - before, firstFrost - until];
    if (to < firstDay) return;
    result.alsoOpen.K2O = spanOf(season.feeding, from, to);
    result.amounts.push({
      id: 'potash-before-frost',
      says: `${fixed(Math.min(FALL_POTASH_LB, cap), 2)} lb K2O without N before first frost`,
      nutrient: 'K2O',
      from,
      to,
      leastLb: asFarAs(cap, FALL_POTASH_LB),
      withNitrogen: false,
    });
  } else if (school.id === 'winter') {
    if (season.frozen.some(Boolean)) {
      result.setAside.push(`Potash through winter is set aside on ${zone.name}: its soil freezes.`);
      const usual = schoolOf(POTASSIUM_SCHOOLS, undefined);
      result.potash = { id: usual.id, title: usual.title };
      return;
    }
    result.alsoOpen.K2O = season.frozen.map((frozen) => !frozen);
    const resting = season.feeding.lastIndexOf(true) + 1;
    for (
      let from = Math.max(resting, firstDay);
      from + WINTER_POTASH.everyDays <= days + 1;
      from += WINTER_POTASH.everyDays
    )
      result.amounts.push({
        id: `winter-potash-${from}`,
        says: `${fixed(Math.min(WINTER_POTASH.lb, cap), 2)} lb K2O every ${WINTER_POTASH.everyDays} days of winter`,
        nutrient: 'K2O',
        from,
        to: from + WINTER_POTASH.everyDays - 1,
        leastLb: asFarAs(cap, WINTER_POTASH.lb),
        withNitrogen: false,
      });
  } else if (school.id === 'spring-summer' && ask.grassSeason === 'warm' && ask.potashLb > 0)
    result.amounts.push({
      id: 'no-fall-potash',
      says: 'no K2O from September on',
      nutrient: 'K2O',
      from: fallFromDay(ask.year),
      to: days - 1,
      mostLb: 0,
      withNitrogen: true,
    });
}

/**
 * What the chosen schools of practice ask of a zone's year: late nitrogen of cool-season grass, potash at the end of
 * the year. Where a school must not be followed here it is set aside in words. Common practice.
 */
export function seasonSchools(ask: Ask): SeasonSchools {
  const result: SeasonSchools = { setAside: [], steps: [], amounts: [], alsoOpen: {} };
  if (ask.grassSeason === 'cool') lateSteps(ask, result);
  // potash out of season is a school of warm-season grass; on cool-season grass the test alone decides
  if (ask.grassSeason === 'warm') potashSeason(ask, result);
  return result;
}
