import type { Case } from '../../records/case';
import { BADNESS } from './check';
import { type Check, checkPropertyPlan, checkZonePlan } from './check-plan';
import type { SeasonPlan } from '../plan/season-plan';
import { purchases } from '../../products/purchases';

/** Every check of a plan, zone by zone and for the property, with the zone's name before its words. */
export interface JudgedPlan {
  checks: (Check & { zoneId?: string; zoneName?: string })[];
  cost: number;
  trips: number;
}

/** Checks a whole plan and reckons its cost and trips: what an edit is judged by. */
export function judgePlan(given: Case, plan: SeasonPlan): JudgedPlan {
  const doses = plan.zones.flatMap((z) => z.doses);
  return {
    checks: [
      ...plan.zones.flatMap((z) =>
        z.season ? checkZonePlan(z, given, plan).map((c) => ({ ...c, zoneId: z.zone.id, zoneName: z.zone.name })) : [],
      ),
      ...checkPropertyPlan(given, plan),
    ],
    cost: purchases(doses, given.products ?? []).reduce((sum, p) => sum + (p.cost ?? 0), 0),
    trips: new Set(doses.map((d) => d.date)).size,
  };
}

export interface Consequence {
  /** Rules that hold no longer, and rules that hold again. */
  broken: JudgedPlan['checks'];
  mended: JudgedPlan['checks'];
  /** What it costs more, in the currency of the prices; negative where it saves. */
  cost: number;
  trips: number;
}

const nameOf = (check: JudgedPlan['checks'][number]) => `${check.zoneId ?? ''}/${check.id}`;

/** What changed between two plans: rules broken or mended, cost and trips. */
export function consequenceOf(before: JudgedPlan, after: JudgedPlan): Consequence {
  const standing = (plan: JudgedPlan) => new Map(plan.checks.map((c) => [nameOf(c), c]));
  const [was, is] = [standing(before), standing(after)];
  return {
    broken: after.checks.filter((c) => BADNESS[c.standing] > BADNESS[was.get(nameOf(c))?.standing ?? 'pass']),
    mended: before.checks.filter((c) => BADNESS[c.standing] > BADNESS[is.get(nameOf(c))?.standing ?? 'pass']),
    cost: after.cost - before.cost,
    trips: after.trips - before.trips,
  };
}
