import type { Case, Plan } from '../../records/case';

/** The plan of a year that is worked with; plans set aside for comparing are not it. */
export const currentPlan = (file: Pick<Case, 'plans'>, year: number): Plan | undefined =>
  file.plans?.find((p) => p.year === year && !p.aside);

/** A plan that is changed is not the one that was kept; that it was kept before is remembered. */
export function unkept({ keptOn, ...plan }: Plan): Plan {
  const keptBefore = keptOn ?? plan.keptBefore;
  return keptBefore === undefined ? plan : { ...plan, keptBefore };
}

/** Plans of a year set aside for comparing, oldest first. */
export const asidePlans = (file: Pick<Case, 'plans'>, year: number): Plan[] =>
  (file.plans ?? []).filter((p) => p.year === year && p.aside);
