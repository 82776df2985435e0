import { byFineness } from '@core/lime/lime-label';
import { BUILT_IN_PACKS, type RulePacks } from '@core/packs/rule-packs';
import type { Case, Plan, Zone } from '@core/records/case';
import { type SeasonPlan, type ZoneSeason } from '@core/season/plan/season-plan';
import { planSeason } from '@core/season/draft/plan-season';
import { currentPlan } from '@core/season/plan/current-plan';
import { withDoses } from '@core/season/plan/with-doses';
import { keptAhead } from '@core/season/plan/zone-year';

/** Everything the stages of one property draw from, reckoned once when the data changes. */
export interface PropertyWork {
  file: Case & { fileId?: string };
  today: string;
  year: number;
  /** Grasses, ranges and codes that everything here is judged by. */
  packs: RulePacks;
  plan: Plan | undefined;
  /** The year by the plain rule: where every plan starts from. */
  draft: SeasonPlan;
  /** The year as planned, or the draft where nothing is planned yet. */
  season: SeasonPlan;
  /** The zone in focus; undefined while there is none. */
  zone: Zone | undefined;
  zoneSeason: ZoneSeason | undefined;
}

/** Year a plan is for: the property's choice, else this year until midsummer and the next after it. */
export const planYear = (file: Case, today: string): number =>
  file.choices?.year ?? Number(today.slice(0, 4)) + (today.slice(5, 7) >= '07' ? 1 : 0);

/** Drafts kept: a few properties, each with the product choices that were just tried. */
const MOST_DRAFTS = 12;
const drafts = new WeakMap<RulePacks, Map<string, SeasonPlan>>();

/**
 * The year's draft with its prescriptions, reckoned once for what it depends on. The loader reads all records anew after every
 * write, so identity tells nothing; a plan's doses are no input of it, and a dose moved by hand must not prescribe again.
 */
function draftOf(file: Case, year: number, plan: Plan | undefined, today: string, packs: RulePacks): SeasonPlan {
  // the log is in the zones by now: what went down stands there
  const { plans: _plans, records: _log, runs: _runs, property, ...records } = file;
  // what is drawn on the sheet, its picture above all, changes no dose: a zone's area stands in the zone
  const { site: _site, ...place } = property;
  const picked = plan?.products ?? {};
  // of a plan that was kept it counts what it still brings
  const kept = file.zones.map((zone) => keptAhead(file, zone, year, today).keptLb ?? null);
  const key = JSON.stringify([year, today, picked, kept, place, records]);
  const before = drafts.get(packs) ?? new Map<string, SeasonPlan>();
  drafts.set(packs, before);
  const draft = before.get(key) ?? planSeason(file, year, picked, today, packs);
  // the newest goes last, the oldest out
  before.delete(key);
  before.set(key, draft);
  for (const oldest of before.keys()) {
    if (before.size <= MOST_DRAFTS) break;
    before.delete(oldest);
  }
  return draft;
}

/** A property's work without a zone in focus. */
export type WholeWork = Omit<PropertyWork, 'zone' | 'zoneSeason'>;

/** Reckons a property: readings, prescriptions, season. Which zone is in focus is no input of it. */
export function wholeWork(
  given: Case & { fileId?: string },
  today: string,
  packs: RulePacks = BUILT_IN_PACKS,
): WholeWork {
  const file = given.products ? { ...given, products: [...byFineness(given.products, packs.fineness)] } : given;
  const year = planYear(file, today);
  const plan = currentPlan(file, year);
  const draft = draftOf(file, year, plan, today, packs);
  const season = plan?.doses ? withDoses(draft, file, plan.doses) : draft;
  return { file, today, year, packs, plan, draft, season };
}

/** The same work with a zone in focus; the first where the one asked for is gone. */
export function focusOn(whole: WholeWork, zoneId: string | null): PropertyWork {
  const zone = whole.file.zones.find((z) => z.id === zoneId) ?? whole.file.zones[0];
  return { ...whole, zone, zoneSeason: whole.season.zones.find((z) => z.zone.id === zone?.id) };
}

/** Both in one. */
export const workOf = (
  file: Case,
  today: string,
  zoneId: string | null,
  packs: RulePacks = BUILT_IN_PACKS,
): PropertyWork => focusOn(wholeWork(file, today, packs), zoneId);
