import { daysBetween } from '../days/day';
import type { PlannedDose } from '../records/case';
import { doseKey } from '../season/plan/dose-key';
import { RATE_STEP_LB } from '../season/rules/limits';

/** The rest of a plan beside another: which dose became which. */

export type LineWord = 'kept' | 'moved' | 're-weighed' | 'other product' | 'dropped' | 'new';

export interface ReplanLine {
  zoneId: string;
  old?: PlannedDose;
  next?: PlannedDose;
  word: LineWord;
  /** What differs; empty where it was kept, dropped or new. */
  changed: readonly ('date' | 'productId' | 'rateLb')[];
}

function lineOf(old: PlannedDose | undefined, next: PlannedDose | undefined): ReplanLine {
  const zoneId = (old ?? next)?.zoneId as string;
  if (!old || !next)
    return { zoneId, word: old ? 'dropped' : 'new', changed: [], ...(old ? { old } : {}), ...(next ? { next } : {}) };
  const changed = [
    ...(old.productId === next.productId ? [] : (['productId'] as const)),
    ...(old.date === next.date ? [] : (['date'] as const)),
    ...(Math.abs(old.rateLb - next.rateLb) < RATE_STEP_LB ? [] : (['rateLb'] as const)),
  ];
  const word = { productId: 'other product', date: 'moved', rateLb: 're-weighed' } as const;
  return { zoneId, old, next, changed, word: changed[0] ? word[changed[0]] : 'kept' };
}

/**
 * Doses of the old rest and of another, paired by zone and purpose, the same dose first, then the nearest week; what finds no partner was
 * dropped or is new. In the order of their days.
 *
 * @param gone doses of the plan that will not come any more: they find partners after all that still stands
 * @example pairedLines([N of 4 Oct], [N of 11 Oct])[0].word // 'moved'
 */
export function pairedLines(
  rest: readonly PlannedDose[],
  next: readonly PlannedDose[],
  gone: readonly PlannedDose[] = [],
): ReplanLine[] {
  const free = new Set(next);
  const lines: ReplanLine[] = [];
  const pair = (olds: readonly PlannedDose[]): void => {
    const waiting = new Set(olds);
    const distances = olds
      .flatMap((old) =>
        [...free]
          .filter((each) => each.zoneId === old.zoneId && each.for === old.for)
          .map((each) => ({
            old,
            each,
            days: Math.abs(daysBetween(old.date, each.date)),
            isOther: Number(old.productId !== each.productId),
          })),
      )
      .sort((a, b) => a.days - b.days || a.isOther - b.isOther || doseKey(a.old).localeCompare(doseKey(b.old)));
    for (const { old, each } of distances) {
      if (!waiting.has(old) || !free.has(each)) continue;
      waiting.delete(old);
      free.delete(each);
      lines.push(lineOf(old, each));
    }
    for (const old of waiting) lines.push(lineOf(old, undefined));
  };
  pair(rest);
  pair(gone);
  for (const each of free) lines.push(lineOf(undefined, each));
  const dayOf = ({ old, next: after }: ReplanLine) => (after ?? old)?.date ?? '';
  return lines.sort((a, b) => a.zoneId.localeCompare(b.zoneId) || dayOf(a).localeCompare(dayOf(b)));
}
