import { newId } from '@core/records/new-id';
import type { Plan, PlannedDose } from '@core/records/case';
import { currentPlan } from '@core/season/plan/current-plan';
import { sayDay } from '@core/words/days';
import { applyChange } from '../../storage/changes';
import { existingProperty } from '../../storage/property-repository';
import { todayIso } from '../../ui/today';
import type { Undoable } from '../../work/property-action';
import { planYear } from '../../work/property-work';

/** The doses as the plan keeps them, on the version of the plan they were laid on, and the records for which they were. */
export interface ReplanSent {
  intent: 'keep';
  doses: PlannedDose[];
  solved?: Plan['solved'];
  over: string | null;
  because: string[];
}

export interface ReplanAnswer extends Undoable {
  faults?: { storage: string };
}

const NO_PLAN = { faults: { storage: 'The plan is gone, perhaps in another tab. Nothing was changed.' } };

/** Puts a plan in the place of the one that was kept; that one is set aside and stays. */
export async function replanAction(sent: ReplanSent, propertyId: string): Promise<ReplanAnswer> {
  const file = await existingProperty(propertyId);
  const today = todayIso();
  const plan = currentPlan(file, planYear(file, today));
  if (!plan) return NO_PLAN;
  const id = newId(
    `plan-${plan.year}`,
    (file.plans ?? []).map((each) => each.id),
  );
  const { keptBefore: _before, changedAt: _stamp, name: _name, ...going } = plan;
  const next: Plan = {
    ...going,
    id,
    changedAt: undefined,
    keptOn: today,
    replaces: plan.id,
    because: sent.because,
    doses: sent.doses,
    solved: sent.solved,
  };
  const was = plan.keptOn === undefined ? '' : `Saved ${sayDay(plan.keptOn)}, `;
  const before: Plan = {
    ...plan,
    changedAt: sent.over ?? undefined,
    aside: true,
    replacedOn: today,
    name: plan.name ?? `${was}${was ? 'replaced' : 'Replaced'} ${sayDay(today)}`,
  };
  return { undo: await applyChange(propertyId, { put: { plans: [before, next] } }) };
}
