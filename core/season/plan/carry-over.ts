import type { Case, Product, Zone } from '../../records/case';
import { releaseByDay } from '../../nitrogen/release';
import { climateYear } from '../../climate/climate-year';
import { dayOfYear, daysInYear } from '../../days/day';
import { sayDay } from '../../words/days';
import { soilTemperatureByDay } from '../../climate/soil-temperature';

/** Nitrogen of last year's doses that is let go only in this year. */
export interface CarryOver {
  /** lb N/1000 ft2. */
  lb: number;
  /** What is let go on each day of the year, lb N/1000 ft2. */
  byDay: number[];
  /** Which doses, for a sentence: 'Coated urea of 20 Sep'. */
  says: string;
}

/** Less than this is no figure to plan by, lb N/1000 ft2. */
const LEAST_LB = 0.01;

/**
 * What the doses given in the year before still hold at New Year and let go after it, by the release of each form at the
 * soil's temperature. Undefined where it is nothing to speak of, or where no climate tells how warm the soil is.
 *
 * @example carryOver(given, zone, 2027)?.lb // 0.21 of 0.9 lb coated N put down on 20 September
 */
export function carryOver(given: Pick<Case, 'property' | 'products'>, zone: Zone, year: number): CarryOver | undefined {
  const { climate } = given.property;
  const before = (zone.applied ?? []).filter((a) => a.date.startsWith(`${year - 1}-`));
  if (!climate || before.length === 0) return undefined;
  const soilOf = (of: number) => soilTemperatureByDay(climateYear(climate, of).meanF);
  const soilF = [...soilOf(year - 1), ...soilOf(year)];
  const lastYear = daysInYear(year - 1);
  const byDay = new Array<number>(daysInYear(year)).fill(0);
  const holding: string[] = [];
  for (const { date, productId, zoneLb } of before) {
    const product: Product | undefined = (given.products ?? []).find((p) => p.id === productId);
    const lbN = ((zoneLb / (zone.areaSqFt / 1000)) * (product?.guaranteed.N ?? 0)) / 100;
    if (!product || lbN <= 0) continue;
    const later = releaseByDay(product, soilF, dayOfYear(date)).slice(lastYear);
    if (later.reduce((a, b) => a + b, 0) * lbN >= LEAST_LB) holding.push(`${product.name} of ${sayDay(date)}`);
    later.forEach((share, day) => {
      byDay[day] = (byDay[day] as number) + share * lbN;
    });
  }
  const lb = byDay.reduce((a, b) => a + b, 0);
  return lb >= LEAST_LB ? { lb, byDay, says: holding.join(', ') } : undefined;
}
