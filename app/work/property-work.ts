import type { RulePacks } from '@core/packs/rule-packs';
import { useOutletContext } from 'react-router';
import type { Case, Plan, Zone } from '@core/records/case';
import { type SeasonPlan, type ZoneSeason } from '@core/season/plan/season-plan';
import { planSeason } from '@core/season/draft/plan-season';
import { currentPlan } from '@core/season/plan/current-plan';
import { activePacks } from './packs';
import { withDoses } from '@core/season/plan/with-doses';

/** Everything the stages of one property draw from, reckoned once when the data changes. */
export interface PropertyWork {
  file: Case;
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

/** Reckons a property: readings, prescriptions, season. Pure but for `today`. */
export function workOf(
  file: Case,
  today: string,
  zoneId: string | null,
  packs: RulePacks = activePacks(),
): PropertyWork {
  const year = planYear(file, today);
  const plan = currentPlan(file, year);
  const draft = planSeason(file, year, plan?.products ?? {}, today, packs);
  const season = plan?.doses ? withDoses(draft, file, plan.doses) : draft;
  const zone = file.zones.find((z) => z.id === zoneId) ?? file.zones[0];
  return {
    file,
    today,
    year,
    packs,
    plan,
    draft,
    season,
    zone,
    zoneSeason: season.zones.find((z) => z.zone.id === zone?.id),
  };
}

export const usePropertyWork = (): PropertyWork => useOutletContext<PropertyWork>();

export const unslug = (words: string): string => words.replaceAll('-', ' ');
