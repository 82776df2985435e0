import type { Zone } from '../../records/case';

/** A stretch of any year, month-day, both ends inside. */
export type MonthDayStretch = readonly [from: string, to: string];

/** Surface lime goes down in fall, or late winter to early spring. Common practice. */
const LIME: readonly MonthDayStretch[] = [
  ['02-15', '04-15'],
  ['09-20', '12-10'],
];
/** Sulfur goes down in spring and fall. Common practice. */
const SULFUR: readonly MonthDayStretch[] = [
  ['04-01', '05-31'],
  ['09-15', '10-31'],
];
/** Close-cut turf bears little sulfur at a time: three doses in spring and three in fall, ten days apart at the least. Common practice. */
const CLOSE_CUT_SULFUR: readonly MonthDayStretch[] = [
  ['04-01', '04-12'],
  ['04-22', '05-03'],
  ['05-13', '05-31'],
  ['09-15', '09-22'],
  ['10-02', '10-09'],
  ['10-19', '10-31'],
];

/**
 * Stretches of the year for lime or sulfur, of which each takes one dose. An established lawn has two for sulfur, a green six.
 */
export const correctionStretches = (
  purpose: 'lime' | 'sulfur',
  zone: Pick<Zone, 'turf'>,
): readonly MonthDayStretch[] => (purpose === 'lime' ? LIME : zone.turf === 'close-cut' ? CLOSE_CUT_SULFUR : SULFUR);

/**
 * The same stretches in the order in which a correction is best begun: lime in fall, before winter works it in; sulfur by
 * the calendar. Common practice. A first lime dose of an established lawn: 20 September to 10 December.
 */
export function stretchesBestFirst(purpose: 'lime' | 'sulfur', zone: Pick<Zone, 'turf'>): readonly MonthDayStretch[] {
  const stretches = correctionStretches(purpose, zone);
  return purpose === 'lime' ? [...stretches].reverse() : stretches;
}
