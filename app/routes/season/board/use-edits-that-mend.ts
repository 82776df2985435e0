import { useEffect, useState } from 'react';
import type { Case, PlannedDose } from '@core/records/case';
import type { JudgedPlan } from '@core/season/checks/judge-plan';
import { type MendingEdit, editsThatMend } from '@core/season/edit/edits-that-mend';
import { inSteps } from '../../../solving/in-steps';
import type { SeasonPlan } from '@core/season/plan/season-plan';

type JudgedCheck = JudgedPlan['checks'][number];

/** As many checks as are read at once. */
const MOST_CHECKS = 6;

export const checkKey = (check: JudgedCheck): string => `${check.zoneId ?? ''}/${check.id}`;

interface Tried {
  of: JudgedPlan;
  found: ReadonlyMap<string, MendingEdit[]>;
}

export const NO_EDITS: ReadonlyMap<string, MendingEdit[]> = new Map();

/**
 * What would mend each check that does not pass, by `checkKey`. Tried out one check at a time after the page has drawn, so
 * that no edit waits for it; what was found for another plan is not shown.
 */
export function useEditsThatMend(
  file: Case,
  draft: SeasonPlan,
  doses: readonly PlannedDose[],
  judged: JudgedPlan,
): ReadonlyMap<string, MendingEdit[]> {
  const [tried, setTried] = useState<Tried | undefined>();
  useEffect(() => {
    const faults = judged.checks.filter((c) => c.standing !== 'pass' && c.zoneId).slice(0, MOST_CHECKS);
    let found = new Map<string, MendingEdit[]>();
    return inSteps(
      faults.map((check) => () => editsThatMend(file, draft, doses, judged, check)),
      (edits, at) => {
        found = new Map(found).set(checkKey(faults[at] as JudgedCheck), edits);
        setTried({ of: judged, found });
      },
    );
  }, [file, draft, doses, judged]);
  return tried?.of === judged ? tried.found : NO_EDITS;
}
