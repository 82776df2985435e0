import type { Case } from '../../records/case';
import { dosesAhead } from '../plan/doses-given';
import type { SeasonPlan, ZoneSeason } from '../plan/season-plan';
import { AMOUNT_CHECKS } from './amount-checks';
import { byDay, type Check, judgeRows } from './check';
import { CORRECTION_CHECKS } from './correction-checks';
import { DAY_CHECKS } from './day-checks';
import { DOSE_CHECKS } from './dose-checks';
import { ESTABLISHMENT_CHECKS } from './establishment-checks';
import { FOLIAR_CHECKS } from './foliar-checks';
import { OVERSEEDING_CHECKS } from './overseeding-checks';
import { GROUND_CHECKS } from './ground-checks';
import { PART_CHECKS } from './part-checks';
import { PROPERTY_CHECKS } from './property-checks';
import { SCHOOL_CHECKS } from './school-checks';

export type { Check } from './check';

/** Every rule of a zone's season. A new rule is a row in one of these lists, and nothing else. */
export const ZONE_CHECKS = [
  ...AMOUNT_CHECKS,
  ...DOSE_CHECKS,
  ...DAY_CHECKS,
  ...PART_CHECKS,
  ...CORRECTION_CHECKS,
  ...SCHOOL_CHECKS,
  ...ESTABLISHMENT_CHECKS,
  ...OVERSEEDING_CHECKS,
  ...FOLIAR_CHECKS,
  ...GROUND_CHECKS,
];

/**
 * Recomputes every rule from the finished doses of a zone, without asking the planner how it got there. Fails first,
 * then warnings, then passes.
 */
export function checkZonePlan(zoneSeason: ZoneSeason, given: Case, plan: SeasonPlan): Check[] {
  const products = new Map((given.products ?? []).map((p) => [p.id, p]));
  return judgeRows(ZONE_CHECKS, {
    zoneSeason,
    plan,
    given,
    codes: given.codes ?? [],
    doses: zoneSeason.doses,
    ahead: dosesAhead(zoneSeason.doses, given),
    days: byDay(zoneSeason.doses),
    productOf: (dose) => products.get(dose.productId),
    soilF: plan.soilF,
  });
}

/** Rules that hold for the property as a whole, recomputed likewise. */
export const checkPropertyPlan = (given: Case, plan: SeasonPlan): Check[] =>
  judgeRows(PROPERTY_CHECKS, { given, plan });
