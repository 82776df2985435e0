import type { IsoDay } from '../../days/day';
import { dayOf, dosesOf, type LawnPage, lbOf, zoneOf } from './lawn-page';

/** What must come of a lawn, in words and as a question to its page. */
export interface Must {
  says: string;
  holds: (page: LawnPage) => boolean;
}
/** A lawn whose answer an agronomist knows beforehand. `case` names its file; `on` is the day of planning. */
export interface ReferenceLawn {
  case: string;
  on: IsoDay;
  musts: readonly Must[];
}

export const must = (says: string, holds: Must['holds']): Must => ({ says, holds });
export const near = (value: number | undefined, wanted: number, off = 0.005): boolean =>
  value !== undefined && Math.abs(value - wanted) <= off * Math.max(1, Math.abs(wanted));
export const ph = (page: LawnPage) => zoneOf(page).prescription.ph;
export const feedings = (page: LawnPage, id?: string) => dosesOf(page, 'N', id);
export const shareFromFall = (page: LawnPage): number => {
  const fall = zoneOf(page).parts?.parts.find((part) => part.id === 'fall');
  const all = feedings(page);
  return fall ? lbOf(all.filter((d) => dayOf(d) >= fall.from)) / lbOf(all) : 0;
};
export const uses = (page: LawnPage, id: string): boolean => zoneOf(page).doses.some((d) => d.productId === id);
export const noFail = must('no check fails', ({ zones }) =>
  zones.every(({ checks }) => checks.every((c) => c.standing !== 'fail')),
);

/** Day of planning in the fall before. */
export const LATE = '2026-11-30';
