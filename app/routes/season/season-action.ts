import type { Choices, Plan, PlannedDose } from '@core/records/case';
import { currentPlan } from '@core/season/plan/current-plan';
import { deletePlan, existingProperty, saveChoices, savePlan } from '../../storage/property-repository';
import { todayIso } from '../../ui/today';
import { chooseProducts } from '../../work/choose-products';
import { planYear } from '../../work/property-work';

export type SeasonSent =
  | { intent: 'product'; key: string; productId: string | null }
  | { intent: 'choices'; choices: Partial<Choices> }
  | { intent: 'doses'; doses: PlannedDose[]; solved?: Plan['solved'] }
  | { intent: 'keep'; doses: PlannedDose[] }
  | { intent: 'plain' }
  | { intent: 'aside'; plan: Plan }
  | { intent: 'drop-aside'; planId: string }
  | { intent: 'put-back'; plan: Plan | null };

/** Writes what the season page was told: wishes, doses, the plan kept. */
export async function seasonAction(propertyId: string, sent: SeasonSent) {
  const file = await existingProperty(propertyId);
  const year = planYear(file, todayIso());
  const plan: Plan = currentPlan(file, year) ?? { id: `plan-${year}`, year, products: undefined, solved: undefined };
  switch (sent.intent) {
    case 'product':
      await chooseProducts(propertyId, { [sent.key]: sent.productId }, false);
      break;
    case 'choices':
      await saveChoices(propertyId, sent.choices);
      break;
    case 'doses': {
      // a plan that is changed is not the one that was kept
      const { keptOn: _kept, ...rest } = plan;
      await savePlan(propertyId, { ...rest, doses: sent.doses, solved: sent.solved });
      break;
    }
    case 'keep':
      await savePlan(propertyId, { ...plan, keptOn: todayIso(), doses: sent.doses });
      break;
    case 'plain': {
      const { doses: _doses, keptOn: _kept, ...rest } = plan;
      await savePlan(propertyId, { ...rest, solved: undefined });
      break;
    }
    case 'aside':
      await savePlan(propertyId, sent.plan);
      break;
    case 'drop-aside':
      await deletePlan(propertyId, sent.planId);
      break;
    case 'put-back':
      if (sent.plan) await savePlan(propertyId, sent.plan);
      else await deletePlan(propertyId, plan.id);
  }
  return {};
}
