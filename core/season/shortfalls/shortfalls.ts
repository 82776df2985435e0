import type { IsoDay } from '../../days/day';
import type { Case } from '../../records/case';
import { two } from '../../words/numbers';
import { doseKey } from '../plan/dose-key';
import { keysOfGivenDoses } from '../plan/doses-given';
import { askedOfYear, type YearNutrient } from '../plan/asked-of-year';
import type { SeasonPlan, ZoneSeason } from '../plan/season-plan';
import { correctionAsked, zoneStretches } from '../plan/zone-stretches';
import { CORRECTING, type Correcting } from '../rules/correction-stretches';
import { type Cure, whyCorrectionShort, whyNutrientShort } from './why-short';

/** What a year is asked to bring to a zone. */
export type Need = YearNutrient | Correcting;

/** A need that a plan does not meet: what of it is planned, what holds it down, and what would free it (E1). */
export interface Shortfall {
  zoneId: string;
  need: Need;
  /** lb nutrient/1000 ft2, of lime and gypsum lb of the material, of sulfur lb free S. */
  askedLb: number;
  plannedLb: number;
  /** The rule that holds it down, a sentence. */
  because: string;
  cure: Cure;
}

/** A need is short where less than this share of it is planned, and by this much, lb/1000 ft2 (E1). */
const SHORT = { share: 0.9, byLb: 0.1, byMaterialLb: 5 } as const;

const isShort = (askedLb: number, plannedLb: number, byLb: number): boolean =>
  plannedLb < SHORT.share * askedLb && askedLb - plannedLb >= byLb - 1e-9;

const brought = (season: ZoneSeason, nutrient: YearNutrient): number =>
  season.doses.reduce((sum, d) => sum + (d.delivers[nutrient === 'S' ? 'S-combined' : nutrient] ?? 0), 0);

/** Lime, sulfur or gypsum of this year: what is asked of it, and what of that is dated. */
function correctionOfYear(purpose: Correcting, season: ZoneSeason, { year }: SeasonPlan, given: Case) {
  const { doses } = correctionAsked(purpose, season.prescription);
  const stretches = zoneStretches(purpose, season, { year, from: season.from });
  // what this year has no stretch for waits for another and is no shortfall of this one
  const thisYear = doses.slice(0, Math.max(1, stretches.length));
  // what is down already has been taken off what is asked
  const down = keysOfGivenDoses(given);
  const dated = season.doses.filter((d) => d.for === purpose && !down.has(doseKey(d)));
  const plannedLb = dated.reduce((sum, d) => sum + (purpose === 'sulfur' ? (d.delivers['S-free'] ?? 0) : d.rateLb), 0);
  return { askedLb: thisYear.reduce((a, b) => a + b, 0), plannedLb, stretches: stretches.length };
}

function ofZone(season: ZoneSeason, plan: SeasonPlan, given: Case, trips: readonly IsoDay[]): Shortfall[] {
  const zoneId = season.zone.id;
  const asked = askedOfYear(season);
  const nutrients = (['N', 'P2O5', 'K2O', 'Mg', 'S'] as const).flatMap((need): Shortfall[] => {
    const plannedLb = brought(season, need);
    if (!isShort(asked[need], plannedLb, SHORT.byLb)) return [];
    const facts = { need, askedLb: asked[need], plannedLb, season, plan, given, trips };
    return [{ zoneId, need, askedLb: asked[need], plannedLb, ...whyNutrientShort(facts) }];
  });
  const corrections = CORRECTING.flatMap((need): Shortfall[] => {
    const { askedLb, plannedLb, stretches } = correctionOfYear(need, season, plan, given);
    const byLb = need === 'sulfur' ? SHORT.byLb : SHORT.byMaterialLb;
    if (!isShort(askedLb, plannedLb, byLb)) return [];
    return [{ zoneId, need, askedLb, plannedLb, ...whyCorrectionShort({ need, season, given, trips, stretches }) }];
  });
  return [...nutrients, ...corrections, ...waiting(season)];
}

/** What is left of a correction that waits for a new report: not dated, not bought, and not forgotten (B4). */
function waiting({ zone, prescription: { ph } }: ZoneSeason): Shortfall[] {
  const { ledger, waits, action } = ph;
  if (!waits || !ledger || ledger.lines.length === 0 || (action !== 'lime' && action !== 'sulfur')) return [];
  const askedLb = ledger.requiredLb - ledger.givenLb;
  if (askedLb < (action === 'lime' ? SHORT.byMaterialLb : SHORT.byLb)) return [];
  return [{ zoneId: zone.id, need: action, askedLb, plannedLb: 0, because: waits, cure: { says: 'A new report.' } }];
}

/**
 * What a plan leaves short, zone by zone: nutrients of the year, lime, sulfur and gypsum of this year. Each with the rule that holds
 * it down and what would free it. Of any plan: found, drafted or drawn by hand.
 *
 * @example 3 lb N asked and an empty shelf: one line, 0 of 3.00, cure to buy a feed.
 */
export function shortfallsOf(given: Case, plan: SeasonPlan): Shortfall[] {
  if (!plan.weather) return [];
  const trips = [...new Set(plan.zones.flatMap((z) => z.doses.map((d) => d.date)))];
  return plan.zones.flatMap((season) => ofZone(season, plan, given, trips));
}

const NAMES: Partial<Record<Need, string>> = { S: 'combined S', lime: 'lime', sulfur: 'free S', gypsum: 'gypsum' };

/** A shortfall in a sentence: what of what is planned, and why. */
export const shortfallWords = ({ need, askedLb, plannedLb, because }: Shortfall): string =>
  `${two(plannedLb)} of ${two(askedLb)} lb ${NAMES[need] ?? need} per 1000. ${because}`;

export type { Cure };
