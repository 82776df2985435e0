import type { Case, Plan, PlanAim } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { LATE_SEASON_SCHOOLS, schoolOf } from '@core/season/rules/practice-schools';
import { AIM_WORDS } from './plan-options';

/** Name of a plan by what it was asked for: 'Cheapest, two steps'. */
export const wishedName = (aim: PlanAim | undefined, { choices }: Pick<Case, 'choices'>): string =>
  `${aim === undefined ? 'By hand' : AIM_WORDS[aim]}, ${schoolOf(LATE_SEASON_SCHOOLS, choices?.lateSeason).title.toLowerCase()}`;

/** A plan to stand beside the one on the board. */
export const asidePlan = (
  file: Pick<Case, 'plans'>,
  year: number,
  { name, doses, ...rest }: Pick<Plan, 'doses' | 'solved' | 'comparisonOnly' | 'products'> & { name: string },
): Plan => ({
  id: newId(
    `plan ${year} ${name}`,
    (file.plans ?? []).map((p) => p.id),
  ),
  year,
  aside: true,
  name,
  ...rest,
  doses: [...(doses ?? [])],
});
