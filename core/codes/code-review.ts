import { addMonths, fullMonthsBetween, type IsoDay } from '../days/day';
import type { LocalCode } from '../records/case';
import { sayDate } from '../words/days';

/** How often a code is held against the authority's words where it does not say, months. Common practice: once a year. */
export const USUAL_REVIEW_MONTHS = 12;

/** Whether a code was held against the authority's own words lately enough. */
export interface CodeReview {
  state: 'unchecked' | 'fresh' | 'due' | 'expired';
  /** Full months since it was checked. */
  monthsAgo?: number;
  /** From when it should be checked again. */
  dueOn?: IsoDay;
  /** A sentence, also where it is fresh. */
  says: string;
}

const months = (count: number): string => `${count} ${count === 1 ? 'month' : 'months'}`;

/**
 * Whether a code's words should be checked again: never checked, run out, or checked longer ago than its review says. It tells
 * and blocks nothing.
 *
 * @param today ISO day
 * @example codeReview({ id: 'a', checkedOn: '2026-06-04' }, '2027-09-10') // due since 2027-06-04, checked 15 months ago
 */
export function codeReview(code: LocalCode, today: IsoDay): CodeReview {
  const { checkedOn, expiresOn, reviewEveryMonths = USUAL_REVIEW_MONTHS } = code;
  const monthsAgo = checkedOn === undefined ? undefined : fullMonthsBetween(checkedOn, today);
  if (expiresOn !== undefined && expiresOn < today)
    return { state: 'expired', monthsAgo, dueOn: expiresOn, says: `It ran out on ${sayDate(expiresOn)}.` };
  if (checkedOn === undefined || monthsAgo === undefined)
    return { state: 'unchecked', says: 'Nobody has checked it with the authority yet.' };
  const dueOn = addMonths(checkedOn, reviewEveryMonths);
  const ago = monthsAgo < 1 ? 'Checked this month' : `Checked ${months(monthsAgo)} ago`;
  return dueOn <= today
    ? { state: 'due', monthsAgo, dueOn, says: `${ago}: due again since ${sayDate(dueOn)}.` }
    : { state: 'fresh', monthsAgo, dueOn, says: `${ago}, again by ${sayDate(dueOn)}.` };
}

/**
 * Codes of a property that a person should hold against the authority's words again: own ones, never checked, overdue or run out.
 * What ships says of itself that it is a short reading, and asks for no day.
 */
export const codesToReview = (codes: readonly LocalCode[], today: IsoDay): { code: string; says: string }[] =>
  codes
    .filter((code) => code.copyOf !== undefined || code.checkedOn !== undefined || code.expiresOn !== undefined)
    .map((code) => ({ code: code.name ?? code.id, review: codeReview(code, today) }))
    .filter(({ review }) => review.state !== 'fresh')
    .map(({ code, review }) => ({ code, says: review.says }));
