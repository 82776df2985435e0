import { useEffect, useState } from 'react';
import type { Case, PlannedDose } from '@core/records/case';
import type { JudgedPlan } from '@core/season/checks/judge-plan';
import { type WhyDose, whyDose } from '@core/season/edit/why-dose';
import { inSteps } from '../../../solving/in-steps';
import type { SeasonPlan } from '@core/season/plan/season-plan';

export type ToldWhy = Partial<Record<keyof WhyDose, string>>;

const NOTHING: ToldWhy = {};
const ORDER = ['week', 'product', 'rate'] as const;

/**
 * Why a dose is as it is, sentence by sentence: each is tried out by itself after the page has drawn, so that no edit waits for it; what was
 * found for another plan or dose is not shown.
 */
export function useWhyDose(
  file: Case,
  draft: SeasonPlan,
  doses: readonly PlannedDose[],
  judged: JudgedPlan,
  key: string | undefined,
): ToldWhy {
  const [told, setTold] = useState<{ of: JudgedPlan; key: string; why: ToldWhy } | undefined>();
  useEffect(() => {
    if (key === undefined) return undefined;
    const asked = whyDose(file, draft, doses, judged, key);
    if (!asked) return undefined;
    let why: ToldWhy = {};
    return inSteps(
      ORDER.map((about) => asked[about]),
      (sentence, at) => {
        why = { ...why, [ORDER[at] as keyof WhyDose]: sentence };
        setTold({ of: judged, key, why });
      },
    );
  }, [file, draft, doses, judged, key]);
  return told?.of === judged && told.key === key ? told.why : NOTHING;
}
