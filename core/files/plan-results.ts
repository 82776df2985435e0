import type { RulePacks } from '../packs/rule-packs';
import { type Check, checkPropertyPlan, checkZonePlan } from '../season/checks/check-plan';
import { currentPlan } from '../season/plan/current-plan';
import { type SeasonPlan } from '../season/plan/season-plan';
import { planSeason } from '../season/draft/plan-season';
import type { BestPlan } from '../season/planner/plan-best';
import { lockedConflicts } from '../season/edit/locked-conflicts';
import { shortfallsOf } from '../season/shortfalls/shortfalls';
import { purchases } from '../products/purchases';
import { withDoses } from '../season/plan/with-doses';
import type { Case, PlannedDose } from '../records/case';

export interface PrintPlanOptions {
  year: number;
  packs?: RulePacks;
  /** Days before it are past. */
  asOf?: string;
  /** Day of planning, against which the age of reports is judged. */
  judgedOn?: string;
  /** Finds the best plan; the core has no solver of its own. */
  best: (given: Case, plan: SeasonPlan, products: Readonly<Record<string, string>>, locked: PlannedDose[]) => BestPlan;
  /** What the caller measured; the core has no clock. */
  seconds?: () => number;
}

const line =
  (prefix: string) =>
  ({ id, standing, title, found, says }: Check) => ({
    id: `${prefix}${id}`,
    standing,
    says: says ?? `${title}: ${found}`,
  });

/** Plans a property's year with the optimising planner and prints it: doses, purchases, checks, and how well it is proven. */
export function printPlan(given: Case, { year, packs, asOf, judgedOn, best, seconds }: PrintPlanOptions) {
  const kept = currentPlan(given, year);
  const picked = kept?.products ?? {};
  const draft = planSeason(given, year, picked, asOf, packs, judgedOn);
  const locked = kept?.doses?.filter((d) => d.locked) ?? [];
  const found = best(given, draft, picked, locked);
  // a search that found nothing in its limit says nothing about what is possible: the plain draft stands in for it
  const drafted = found.status === 'drafted' || found.status === 'no-climate';
  const plan = drafted ? draft : withDoses(draft, given, found.doses);
  const conflicts = drafted ? [] : lockedConflicts(given, draft, found.doses, locked);
  const checks =
    found.status === 'no-climate'
      ? [
          {
            id: 'climate',
            standing: 'fail' as const,
            says: 'The property has no climate, so nothing can be dated. Add "climate" with twelve mean highs and lows; that alone frees the plan.',
          },
        ]
      : [
          ...conflicts.map(({ says, leastChange }, i) => ({
            id: `conflict-${i + 1}`,
            standing: 'fail' as const,
            says: `A locked dose breaks a rule: ${says} The least that frees it: ${leastChange ?? 'unlock the dose'}.`,
          })),
          ...plan.zones.flatMap((z) => checkZonePlan(z, given, plan).map(line(`${z.zone.id}/`))),
          ...checkPropertyPlan(given, plan).map(line('')),
        ];
  const all = plan.zones.flatMap((z) => z.doses).sort((a, b) => a.date.localeCompare(b.date));
  const bought = purchases(all, given.products ?? []).map(
    ({ productId, packages, lb, cost, leftLb, neededLb, bulkTons }) => ({
      productId,
      packages,
      lb,
      cost,
      leftLb,
      neededLb,
      ...(bulkTons === undefined ? {} : { bulkTons }),
    }),
  );
  return {
    format: 'ubertas-plan',
    version: 1,
    year,
    doses: all.map(({ zoneId, date, productId, rateLb, zoneLb, delivers, why }) => ({
      zoneId,
      date,
      productId,
      rateLb,
      zoneLb,
      delivers,
      why,
    })),
    purchases: bought,
    cost: bought.reduce((sum, p) => sum + (p.cost ?? 0), 0),
    checks,
    shortfalls: shortfallsOf(given, plan).map(({ cure, ...each }) => ({ ...each, cure: cure.says })),
    setAside: found.setAside,
    solver: {
      status: drafted ? ('drafted' as const) : conflicts.length > 0 ? ('infeasible' as const) : found.status,
      gapPercent: found.gapPercent ?? null,
      seconds: seconds?.() ?? 0,
      work: found.work ?? 0,
      method: 'mixed-integer programme of the year, solved by HiGHS and checked dose by dose',
    },
  };
}
