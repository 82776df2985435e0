import { daysBetween, type IsoDay } from '../days/day';
import { purposeOf } from '../products/purpose';
import type { Case, Product } from '../records/case';
import type { Dose } from '../season/plan/dose';
import { dosesAhead } from '../season/plan/doses-given';
import type { SeasonPlan } from '../season/plan/season-plan';

/** A dose may be so many days from what was done to be offered as the one it carried out. */
const OFFERED_DAYS = 14;

/**
 * Doses of the plan that something put down may have carried out: on the same zone, for the same purpose, within two weeks, given by nothing
 * else yet; the same product first, then the nearest.
 *
 * @example offeredDoses(file, season, { zoneId: 'front-lawn', date: '2027-05-05', product: urea })[0].date // '2027-05-03'
 */
export function offeredDoses(
  file: Pick<Case, 'zones' | 'runs' | 'records'>,
  { zones }: Pick<SeasonPlan, 'zones'>,
  { zoneId, date, product }: { zoneId: string; date: IsoDay; product: Product },
): Dose[] {
  const doses = zones.find(({ zone }) => zone.id === zoneId)?.doses ?? [];
  const purpose = purposeOf(product, false);
  const off = (dose: Dose) => Math.abs(daysBetween(dose.date, date));
  const isOther = (dose: Dose) => Number(dose.productId !== product.id);
  return dosesAhead(doses, file)
    .filter((dose) => (dose.productId === product.id || dose.for === purpose) && off(dose) <= OFFERED_DAYS)
    .sort((a, b) => isOther(a) - isOther(b) || off(a) - off(b));
}
