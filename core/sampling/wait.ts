import type { Product } from '../records/product-schema';
import type { Zone } from '../records/zone-schema';
import { addDays, daysBetween, type IsoDay } from '../days/day';

/** Days after lime, sulfur or fertiliser before the soil is sampled. Common practice: six to eight weeks; the longer. */
export const WAIT_DAYS = 56;

/** Whether a zone may be sampled, and what it waits for. */
export interface SamplingWait {
  /** First day that is long enough after everything on the log; undefined where nothing is on it. */
  from?: IsoDay;
  last?: { date: IsoDay; productName: string; daysAgo: number };
  standing: 'free' | 'clear' | 'wait';
  /** A planned dose that would start the wait again before the planned day of sampling. */
  restarts?: { date: IsoDay; productName: string };
}

/** The zone's wait for a sampling on `day`. Fed 29 days before: wait another 27. */
export function samplingWait(
  zone: Pick<Zone, 'applied'>,
  products: readonly Product[],
  day: IsoDay,
  planned: readonly { date: IsoDay; productId: string }[] = [],
  today: IsoDay = day,
): SamplingWait {
  const nameOf = (id: string) => products.find((p) => p.id === id)?.name ?? id;
  const last = (zone.applied ?? [])
    .filter((a) => a.date <= day && a.zoneLb > 0)
    .reduce<{ date: IsoDay; productId: string } | undefined>((a, b) => (a && a.date >= b.date ? a : b), undefined);
  const restart = planned
    .filter((dose) => dose.date > today && dose.date < day && daysBetween(dose.date, day) < WAIT_DAYS)
    .sort((a, b) => b.date.localeCompare(a.date))[0];
  const restarts = restart && { date: restart.date, productName: nameOf(restart.productId) };
  if (!last) return { standing: 'free', restarts };
  const daysAgo = daysBetween(last.date, day);
  return {
    from: addDays(last.date, WAIT_DAYS),
    last: { date: last.date, productName: nameOf(last.productId), daysAgo },
    standing: daysAgo < WAIT_DAYS ? 'wait' : 'clear',
    restarts,
  };
}
