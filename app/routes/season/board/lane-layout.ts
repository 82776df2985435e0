import type { Check } from '@core/season/checks/check-plan';
import { isFoliarPurpose } from '@core/foliar/foliar-feeds';
import { doseKey } from '@core/season/plan/dose-key';
import { dayOfYear } from '@core/days/day';
import type { Dose } from '@core/season/plan/dose';

export const ROW = 34;
export const BLOCK_WIDTH = 64;
/** A product that brings two things that count shows both. */
export const WIDE_BLOCK = 94;

export interface Block {
  dose: Dose;
  key: string;
  /** Nth dose of its product in the zone: the name React knows it by while it moves. */
  name: string;
  left: number;
  row: number;
  width: number;
}

/** Whether a dose brings potash or phosphate beside what it is for, enough to show. */
export const secondOf = (dose: Dose): 'N' | 'K2O' | 'P2O5' | undefined =>
  dose.for === 'lime' || dose.for === 'sulfur' || isFoliarPurpose(dose.for)
    ? undefined
    : (['N', 'K2O', 'P2O5'] as const).find((n) => n !== dose.for && (dose.delivers[n] ?? 0) >= 0.05);

/** Puts doses on their day, those that would touch in rows below each other. */
export function layOut(doses: readonly Dose[], plot: number, x: (day: number) => number): Block[] {
  const ends: number[] = [];
  const seen = new Map<string, number>();
  return doses.map((dose) => {
    const width = secondOf(dose) ? WIDE_BLOCK : BLOCK_WIDTH;
    const left = Math.min(x(dayOfYear(dose.date)), plot - width - 1);
    const free = ends.findIndex((end) => end <= left);
    const row = free === -1 ? ends.length : free;
    ends[row] = left + width + 3;
    const nth = (seen.get(dose.productId) ?? 0) + 1;
    seen.set(dose.productId, nth);
    return { dose, key: doseKey(dose), name: `${dose.productId}-${nth}`, left, row, width };
  });
}

/** Lines that join doses standing in each other's way, with their shortfall in words. */
export function clashes(
  blocks: readonly Block[],
  checks: readonly Check[],
): { from: Block; to: Block; says: string }[] {
  return checks.flatMap((check) => {
    if (check.standing !== 'fail' || !check.doses) return [];
    const at = blocks.filter((b) => check.doses?.includes(b.key)).sort((a, b) => a.left - b.left);
    const [from, to] = [at[0], at.at(-1)];
    return from && to && from.dose.date !== to.dose.date ? [{ from, to, says: check.found }] : [];
  });
}
