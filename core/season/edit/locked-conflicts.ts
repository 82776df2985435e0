import type { Case, PlannedDose } from '../../records/case';
import { judgePlan } from '../checks/judge-plan';
import { doseKey } from '../plan/dose-key';
import type { SeasonPlan } from '../plan/season-plan';
import { withDoses } from '../plan/with-doses';
import { editsThatMend } from './edits-that-mend';
import { allAtOnce } from './steps';

/** A dose locked by hand that breaks a hard rule, and the least change that would keep it. */
export interface LockedConflict {
  zoneId?: string;
  says: string;
  /** Undefined where no single change of the dose keeps the rule: then it has to be unlocked. */
  leastChange?: string;
}

/**
 * Rules that doses locked by hand break: a search leaves them where they are, so no plan with them keeps every rule.
 *
 * @param draft the year without its doses
 * @param planned the whole plan, the locked doses among it
 * @param byHand doses that a person locked; those of a seeding or a winter grass stand by themselves and are none
 */
export function lockedConflicts(
  given: Case,
  draft: SeasonPlan,
  planned: readonly PlannedDose[],
  byHand: readonly PlannedDose[],
): LockedConflict[] {
  const locked = new Set(byHand.map(doseKey));
  if (locked.size === 0) return [];
  const judged = judgePlan(given, withDoses(draft, given, planned));
  // a change can only be tried on a dose that may be moved
  const free = planned.map((d): PlannedDose => ({ ...d, locked: undefined }));
  return judged.checks
    .filter((check) => check.standing === 'fail' && check.doses?.some((key) => locked.has(key)))
    .map((check) => ({
      zoneId: check.zoneId,
      says: check.says ?? `${check.title}: ${check.found}`,
      leastChange: allAtOnce(editsThatMend(given, draft, free, judged, check))[0]?.says,
    }));
}
