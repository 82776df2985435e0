import type { Choices, Plan, PlannedDose } from '@core/records/case';
import { currentPlan, unkept } from '@core/season/plan/current-plan';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { deletePlan, existingProperty, saveChoices, savePlan } from '../../storage/property-repository';
import { deleteProduct, loadShelf, saveProducts } from '../../storage/shelf-repository';
import { todayIso } from '../../ui/today';
import { chooseProducts } from '../../work/choose-products';
import type { Undoable } from '../../work/property-action';
import { planYear } from '../../work/property-work';

/** `over` is the version of the plan that the doses were laid on; null where there was none. */
export type SeasonSent =
  | { intent: 'product'; key: string; productId: string | null }
  | { intent: 'choices'; choices: Partial<Choices> }
  | { intent: 'doses'; doses: PlannedDose[]; solved?: Plan['solved']; over: string | null }
  | { intent: 'keep'; doses: PlannedDose[]; over: string | null }
  | { intent: 'plain' }
  | { intent: 'buy'; productId: string }
  | { intent: 'take-off'; productId: string }
  | { intent: 'aside'; plan: Plan }
  | { intent: 'drop-aside'; planId: string };

export interface SeasonAnswer extends Undoable {
  faults?: { storage: string };
}

/** Writes what the season page was told: wishes, doses, the plan kept. */
export async function seasonAction(sent: SeasonSent, propertyId: string): Promise<SeasonAnswer> {
  const file = await existingProperty(propertyId);
  const year = planYear(file, todayIso());
  const plan: Plan = currentPlan(file, year) ?? { id: `plan-${year}`, year, products: undefined, solved: undefined };
  // a bag of the starter shelf that frees a shortfall, and its way back: the shelf is no part of a property's own changes
  if (sent.intent === 'buy') {
    const bag = STARTER_SHELF.find((product) => product.id === sent.productId);
    // another tab may have put it there meanwhile
    if (bag && !(await loadShelf()).some(({ id }) => id === bag.id)) await saveProducts([bag]);
    return {};
  }
  if (sent.intent === 'take-off') {
    await deleteProduct(sent.productId);
    return {};
  }
  const work = () => {
    switch (sent.intent) {
      case 'product':
        return chooseProducts(propertyId, { [sent.key]: sent.productId }, false);
      case 'choices':
        return saveChoices(propertyId, sent.choices);
      case 'doses':
        return savePlan(propertyId, {
          ...unkept(plan),
          changedAt: sent.over ?? undefined,
          doses: sent.doses,
          solved: sent.solved,
        });
      case 'keep': {
        const { keptBefore: _before, ...kept } = plan;
        return savePlan(propertyId, {
          ...kept,
          changedAt: sent.over ?? undefined,
          keptOn: todayIso(),
          doses: sent.doses,
        });
      }
      case 'plain': {
        const { doses: _doses, keptOn: _kept, keptBefore: _before, ...rest } = plan;
        return savePlan(propertyId, { ...rest, solved: undefined });
      }
      case 'aside':
        return savePlan(propertyId, sent.plan);
      case 'drop-aside':
        return deletePlan(propertyId, sent.planId);
    }
  };
  return { undo: await work() };
}

/** The version of the year's plan once a change of it is stored; undefined where the change was of something else. */
export const planStampIn = ({ undo }: Undoable, planId: string): string | null | undefined =>
  undo?.over?.[`plans/${planId}`];
