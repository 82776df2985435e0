import type { Product } from '../../records/case';
import { microbeDriven, slowShare } from '../../nitrogen/forms';
import { leastRateLb } from '../../products/least-rate';
import type { ZonePrescription } from '../../prescription/prescription';
import { dayOfYear } from '../../days/day';
import { sayDay } from '../../words/days';
import { two } from '../../words/numbers';
import { type Dose, makeDose } from '../plan/dose';
import { doseCeiling } from '../rules/dose-ceilings';
import { MICROBES_WORK_FROM_F } from '../rules/limits';
import { tooFastForCode } from '../rules/local-codes';
import type { Ground } from './draft-ground';

/** More than this share slow makes a slow product. */
const MOSTLY_SLOW = 0.5;

/**
 * The feedings of a winter grass over warm-season turf on their days (C9): of what may feed the zone, the first that a spreader lays so
 * lightly, that the code allows on the day and that does not wait for warm soil; quick before slow, which in cool soil would still feed
 * the winter grass at transition. What finds no product is told.
 *
 * @param options products that may feed the zone, best first
 */
export function planWinterFeedings(
  { zone, codes, soilF }: Ground,
  { overseeding, nitrogen }: Pick<ZonePrescription, 'overseeding' | 'nitrogen'>,
  options: () => readonly Product[],
): { doses: Dose[]; missing: string[] } {
  if (!overseeding || overseeding.feedings.length === 0) return { doses: [], missing: [] };
  const isSlow = (product: Product) => Number(slowShare(product) > MOSTLY_SLOW);
  const feeds = [...options()].sort((a, b) => isSlow(a) - isSlow(b));
  const doses: Dose[] = [];
  const missing: string[] = [];
  overseeding.feedings.forEach(({ on, lb }, i) => {
    const fits = (product: Product) =>
      (leastRateLb(product, zone) * (product.guaranteed.N ?? 0)) / 100 <= lb + 1e-9 &&
      !tooFastForCode(codes, product, on) &&
      !(microbeDriven(product) && (soilF[dayOfYear(on)] ?? 0) < MICROBES_WORK_FROM_F);
    const product = feeds.find(fits);
    if (!product) {
      missing.push(`Nothing on the shelf feeds the winter grass ${two(lb)} lb N per 1000 on ${sayDay(on)}.`);
      return;
    }
    doses.push(
      makeDose(
        zone,
        on,
        product,
        'N',
        { lb: Math.min(lb, doseCeiling(zone, product, 'N', codes)), says: 'the winter grass', figure: nitrogen.year },
        `${i + 1} of ${overseeding.feedings.length} for the winter grass, ${overseeding.grass.name}`,
      ),
    );
  });
  return { doses, missing };
}
