import type { PlannedDose, Product } from '../../records/case';
import { percentFor } from '../../products/shelf';
import { type Refusal, refuse } from '../../reckoning/refusal';
import { doseKey } from '../plan/dose-key';
import { addDays, type IsoDay, weekStart } from '../../days/day';
import { sayDay } from '../../words/days';
import { RATE_STEP_LB } from '../rules/limits';
import { purposeOf } from '../../products/purpose';
import { roundedTo } from '../../words/numbers';

type Doses = readonly PlannedDose[];

/** Replaces one dose; refused where the same product would lie twice on one zone and day. */
function replaced(doses: Doses, key: string, change: (dose: PlannedDose) => PlannedDose): PlannedDose[] | Refusal {
  const at = doses.findIndex((d) => doseKey(d) === key);
  const dose = doses[at];
  if (!dose) return refuse('dose', 'That dose is not in the plan any more.');
  const next = change(dose);
  if (doses.some((d, i) => i !== at && doseKey(d) === doseKey(next)))
    return refuse('dose', `The same product already goes down there on ${sayDay(next.date)}. Change its rate instead.`);
  return doses.map((d, i) => (i === at ? next : d));
}

/** Moves a dose by whole weeks within its year. */
export const moveDose = (doses: Doses, key: string, weeks: number): PlannedDose[] | Refusal =>
  replaced(doses, key, (dose) => {
    const date = addDays(dose.date, 7 * weeks);
    return date.slice(0, 4) === dose.date.slice(0, 4) ? { ...dose, date } : dose;
  });

/** Moves a dose to the week of a day. */
export const moveDoseTo = (doses: Doses, key: string, date: IsoDay): PlannedDose[] | Refusal =>
  replaced(doses, key, (dose) => ({ ...dose, date: weekStart(date) }));

/** Largest rate that can be set by hand, lb product/1000 ft2: more is a slip of the finger. */
const MOST_RATE_LB = 200;

/** Sets the rate of a dose, lb product/1000 ft2, to a hundredth. */
export const setRate = (doses: Doses, key: string, rateLb: number): PlannedDose[] | Refusal =>
  Number.isFinite(rateLb) && rateLb >= RATE_STEP_LB && rateLb <= MOST_RATE_LB
    ? replaced(doses, key, (dose) => ({ ...dose, rateLb: roundedTo(rateLb, 2) }))
    : refuse(
        'rate',
        `A rate must be between ${RATE_STEP_LB} and ${MOST_RATE_LB} lb product per 1000 sq ft. To drop the dose, remove it.`,
      );

/** Swaps the product of a dose; the new one brings as much of what the dose is for. */
export function swapProduct(
  doses: Doses,
  key: string,
  product: Product,
  products: readonly Product[],
): PlannedDose[] | Refusal {
  const dose = doses.find((d) => doseKey(d) === key);
  const before = products.find((p) => p.id === dose?.productId);
  if (!dose) return refuse('dose', 'That dose is not in the plan any more.');
  const percent = percentFor(product, dose.for);
  if (percent <= 0)
    return refuse(
      'product',
      `${product.name} brings no ${dose.for === 'sulfur' ? 'free sulfur' : dose.for}, which this dose is for.`,
    );
  const lb = before ? dose.rateLb * percentFor(before, dose.for) : dose.rateLb * percent;
  return replaced(doses, key, (d) => ({ ...d, productId: product.id, rateLb: roundedTo(lb / percent, 2) }));
}

/** Takes a dose out. */
export const removeDose = (doses: Doses, key: string): PlannedDose[] => doses.filter((d) => doseKey(d) !== key);

/** Locks a dose, so that it stays when the rest is planned again, or frees it. */
export const toggleLock = (doses: Doses, key: string): PlannedDose[] =>
  doses.map((d): PlannedDose => {
    if (doseKey(d) !== key) return d;
    const { locked, ...rest } = d;
    return locked ? rest : { ...rest, locked: true };
  });

/** Adds a dose of a product on a zone and day. */
export function addDose(
  doses: Doses,
  {
    zoneId,
    date,
    product,
    rateLb,
    phosphorusWanted,
  }: { zoneId: string; date: IsoDay; product: Product; rateLb: number; phosphorusWanted: boolean },
): PlannedDose[] | Refusal {
  const dose: PlannedDose = {
    zoneId,
    date: weekStart(date),
    productId: product.id,
    for: purposeOf(product, phosphorusWanted),
    rateLb: roundedTo(rateLb, 2),
  };
  if (doses.some((d) => doseKey(d) === doseKey(dose)))
    return refuse('dose', `The same product already goes down there on ${sayDay(dose.date)}. Change its rate instead.`);
  return [...doses, dose].sort((a, b) => a.date.localeCompare(b.date));
}
