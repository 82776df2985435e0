import type { Plan, PlannedDose } from '@core/records/case';
import { currentPlan } from '@core/season/plan/current-plan';
import { existingProperty, savePlan, deletePlan } from '../../storage/property-repository';
import { todayIso } from '../../ui/today';
import { planYear } from '../../work/property-work';

export type MoveSent =
  | { intent: 'lay'; zoneId: string; standing: PlannedDose[]; doses: PlannedDose[] }
  | { intent: 'put-back'; plan: Plan | null };

/** Lays a moved programme on a zone, in place of what was planned there; the other zones keep theirs. */
export async function moveHereAction(propertyId: string, sent: MoveSent) {
  const file = await existingProperty(propertyId);
  const year = planYear(file, todayIso());
  const plan: Plan = currentPlan(file, year) ?? { id: `plan-${year}`, year, products: undefined, solved: undefined };
  if (sent.intent === 'put-back') {
    if (sent.plan) await savePlan(propertyId, sent.plan);
    else await deletePlan(propertyId, plan.id);
    return {};
  }
  const { keptOn: _kept, ...rest } = plan;
  const others = sent.standing.filter((d) => d.zoneId !== sent.zoneId);
  await savePlan(propertyId, { ...rest, solved: undefined, doses: [...others, ...sent.doses] });
  return { laid: sent.doses.length };
}
