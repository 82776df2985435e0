import type { Plan, PlannedDose } from '@core/records/case';
import { currentPlan, unkept } from '@core/season/plan/current-plan';
import type { Undoable } from '../../work/property-action';
import { existingProperty, savePlan } from '../../storage/property-repository';
import { todayIso } from '../../ui/today';
import { planYear } from '../../work/property-work';

export type MoveSent = { intent: 'lay'; zoneId: string; standing: PlannedDose[]; doses: PlannedDose[] };

/** Lays a moved programme on a zone, in place of what was planned there; the other zones keep theirs. */
export async function moveHereAction(sent: MoveSent, propertyId: string): Promise<Undoable> {
  const file = await existingProperty(propertyId);
  const year = planYear(file, todayIso());
  const plan: Plan = currentPlan(file, year) ?? { id: `plan-${year}`, year, products: undefined, solved: undefined };
  const others = sent.standing.filter((d) => d.zoneId !== sent.zoneId);
  return {
    undo: await savePlan(propertyId, { ...unkept(plan), solved: undefined, doses: [...others, ...sent.doses] }),
  };
}
