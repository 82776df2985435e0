import type { Plan, PlannedDose, Product } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { doseKey } from '@core/season/plan/dose-key';
import { swapProduct } from '@core/season/edit/edit-plan';
import { choiceKey } from '@core/season/plan/season-plan';
import { currentPlan } from '@core/season/plan/current-plan';
import type { Change } from '../storage/changes';
import { existingProperty, savePlan } from '../storage/property-repository';
import { todayIso } from '../ui/today';
import { planYear } from './property-work';

/** The doses of a found plan with the chosen product in place of what served its purpose on its zone; lime is weighed by its own ECCE and stays. */
function swapped(
  doses: readonly PlannedDose[],
  choices: Readonly<Record<string, string | null>>,
  products: readonly Product[],
): PlannedDose[] {
  return Object.entries(choices).reduce<PlannedDose[]>(
    (laid, [choice, id]) => {
      const product = products.find((p) => p.id === id);
      if (!product) return laid;
      return laid
        .filter((d) => choiceKey(d.zoneId, d.for) === choice && d.for !== 'lime' && d.productId !== id && !d.locked)
        .reduce((list, dose) => {
          const next = swapProduct(list, doseKey(dose), product, products);
          // the same product already stands there that day: the dose is left as it is
          return isRefusal(next) ? list : next;
        }, laid);
    },
    [...doses],
  );
}

/**
 * Keeps which product serves which purpose of a zone in this year's plan; null takes a choice away again. Where a plan
 * was found already, its unlocked doses change product at once, and it is neither proven nor kept any more; on the board
 * itself a choice is a wish for the next search, and `changesPlan` is false.
 */
export async function chooseProducts(
  propertyId: string,
  choices: Readonly<Record<string, string | null>>,
  changesPlan = true,
): Promise<Change> {
  const file = await existingProperty(propertyId);
  const year = planYear(file, todayIso());
  const plan: Plan = currentPlan(file, year) ?? { id: `plan-${year}`, year, products: undefined, solved: undefined };
  const products = { ...plan.products };
  for (const [key, id] of Object.entries(choices))
    if (id === null) delete products[key];
    else products[key] = id;
  const { doses, keptOn, solved, ...rest } = plan;
  const laid = doses && changesPlan ? swapped(doses, choices, file.products ?? []) : undefined;
  const changed = laid !== undefined && laid.some((d, i) => d !== doses?.[i]);
  return savePlan(
    propertyId,
    changed
      ? { ...rest, solved: undefined, doses: laid, products }
      : { ...rest, solved, doses, ...(keptOn ? { keptOn } : {}), products },
  );
}
