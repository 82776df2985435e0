import type { Case } from '../../records/case';
import { dayOfYear, type IsoDay } from '../../days/day';
import { checkZonePlan } from '../checks/check-plan';
import type { Check } from '../checks/check';
import { planSeason } from '../draft/plan-season';
import type { Dose } from '../plan/dose';
import type { SeasonPlan, ZoneSeason } from '../plan/season-plan';

/** What the plain draft makes of a reference lawn: the page an agronomist would sign or not. */
export interface LawnPage {
  given: Case;
  plan: SeasonPlan;
  zones: { zone: ZoneSeason; checks: Check[] }[];
}

/** Reads, prescribes, drafts and checks a case as it stands on a day. */
export function lawnPage(given: Case, on: IsoDay): LawnPage {
  const plan = planSeason(given, given.choices?.year ?? 2027, {}, undefined, undefined, on);
  return { given, plan, zones: plan.zones.map((zone) => ({ zone, checks: checkZonePlan(zone, given, plan) })) };
}

/** The only zone of a page, or the one of an id. */
export function zoneOf(page: LawnPage, id?: string): ZoneSeason {
  const found = id === undefined ? page.zones[0] : page.zones.find(({ zone }) => zone.zone.id === id);
  if (!found) throw new Error(`The case has no zone ${id ?? ''}.`);
  return found.zone;
}

/** Doses of a page's zone that bring something, or all of them. */
export const dosesOf = (page: LawnPage, brings?: string, id?: string): Dose[] =>
  zoneOf(page, id).doses.filter((d) => brings === undefined || d.for === brings || (d.delivers[brings] ?? 0) > 0.001);

/** Pounds of a nutrient that doses bring, lb/1000 ft2. */
export const lbOf = (doses: readonly Dose[], nutrient = 'N'): number =>
  doses.reduce((sum, d) => sum + (d.delivers[nutrient] ?? 0), 0);

/** How a check of the first zone stands; undefined where the rule does not concern it. */
export const standingOf = (page: LawnPage, id: string): Check['standing'] | undefined =>
  page.zones[0]?.checks.find((c) => c.id === id)?.standing;

/** Doses between two days of the year, month-day, both included. */
export const between = (doses: readonly Dose[], from: string, to: string): Dose[] =>
  doses.filter((d) => d.date.slice(5) >= from && d.date.slice(5) <= to);

/** Day of the year of a dose. */
export const dayOf = (dose: Dose): number => dayOfYear(dose.date);
