import dayjs from 'dayjs';
import type { IsoDay } from '../days/day';

/** Years between tests of a lawn at peace, and of one whose pH is being corrected. Common practice: two to three, and one. */
export const RETEST_YEARS = 2;
export const RETEST_YEARS_CORRECTING = 1;

export interface Retest {
  on: IsoDay;
  why: string;
}

/** When a zone is sampled next: the same season as before, a year on while its pH is being corrected, else two. */
export function nextTest(sampledOn: IsoDay, correctingPh: boolean): Retest {
  const years = correctingPh ? RETEST_YEARS_CORRECTING : RETEST_YEARS;
  return {
    on: dayjs(sampledOn).add(years, 'year').format('YYYY-MM-DD'),
    why: correctingPh
      ? 'yearly while the pH is being corrected, same month as before'
      : 'every 2 years, same month as before, so that the trend means something',
  };
}
