import type { IsoDay } from '../../days/day';
import type { PlannedDose, Product } from '../../records/case';
import type { Refusal } from '../../reckoning/refusal';
import { sayDay } from '../../words/days';
import { fixed } from '../../words/numbers';
import { doseKey } from '../plan/dose-key';
import { moveDose, moveDoseTo, removeDose, setRate, swapProduct, toggleLock } from './edit-plan';

/** A hand edit of one dose: what the plan becomes, or why not, and the sentence that tells it. */
export interface DoseEdit {
  doses: PlannedDose[] | Refusal;
  says: string;
  /** The dose as it was known before. */
  key: string;
}

/** What a hand may do to the doses of a plan, each with its sentence, wherever on the screen it is done. */
export function doseEdits(doses: readonly PlannedDose[], products: readonly Product[]) {
  const doseOf = (key: string) => doses.find((d) => doseKey(d) === key);
  const nameOf = (key: string) => {
    const dose = doseOf(key);
    return `${products.find((p) => p.id === dose?.productId)?.name ?? 'Dose'} of ${dose ? sayDay(dose.date) : ''}`;
  };
  const edit = (key: string, next: PlannedDose[] | Refusal, done: string): DoseEdit => ({
    doses: next,
    says: `${nameOf(key)} ${done}`,
    key,
  });
  const rate = (key: string, rateLb: number) =>
    edit(key, setRate(doses, key, rateLb), `set to ${fixed(rateLb, 2)} lb product per 1000`);
  return {
    move: (key: string, weeks: number) =>
      edit(key, moveDose(doses, key, weeks), `moved by ${Math.abs(weeks)} ${Math.abs(weeks) === 1 ? 'week' : 'weeks'}`),
    moveTo: (key: string, date: IsoDay) => edit(key, moveDoseTo(doses, key, date), `moved to ${sayDay(date)}`),
    rate,
    /** Raises or lowers a rate by so much, lb product/1000 ft2. */
    stretch: (key: string, byLb: number) => rate(key, (doseOf(key)?.rateLb ?? 0) + byLb),
    swap: (key: string, product: Product) =>
      edit(key, swapProduct(doses, key, product, products), `swapped for ${product.name}`),
    remove: (key: string) => edit(key, removeDose(doses, key), 'deleted'),
    lock: (key: string) => edit(key, toggleLock(doses, key), doseOf(key)?.locked ? 'freed' : 'locked'),
  };
}
