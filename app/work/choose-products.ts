import { currentPlan } from '@core/season/current-plan';
import { loadProperty, savePlan } from '../storage/property-repository';
import { todayIso } from '../ui/format';
import { planYear } from './property-work';

/** Keeps which product serves which purpose of a zone in this year's plan; null takes a choice away again. */
export async function chooseProducts(
  propertyId: string,
  choices: Readonly<Record<string, string | null>>,
): Promise<void> {
  const file = await loadProperty(propertyId);
  if (!file) return;
  const year = planYear(file, todayIso());
  const plan = currentPlan(file, year) ?? { id: `plan-${year}`, year, products: undefined };
  const products = { ...plan.products };
  for (const [key, id] of Object.entries(choices))
    if (id === null) delete products[key];
    else products[key] = id;
  await savePlan(propertyId, { ...plan, products });
}
