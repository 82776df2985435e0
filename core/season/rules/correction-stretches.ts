import type { GrowthSeason } from '../../climate/climate-year';
import { addDays, dayOfYear, type IsoDay } from '../../days/day';
import type { Zone } from '../../records/case';

/** What corrects a soil: each goes down in doses, one a stretch of the year. */
export const CORRECTING = ['lime', 'sulfur', 'gypsum'] as const;
export type Correcting = (typeof CORRECTING)[number];

/** Days of one year in which one dose of a correction goes down, both ends inside. */
export interface Stretch {
  from: IsoDay;
  to: IsoDay;
}

type MonthDays = readonly (readonly [from: string, to: string])[];

/** Sulfur goes down in spring and fall. Common practice. */
const SULFUR: MonthDays = [
  ['04-01', '05-31'],
  ['09-15', '10-31'],
];
/** Close-cut turf bears little sulfur at a time: three doses in spring and three in fall, ten days apart at the least. Common practice. */
const CLOSE_CUT_SULFUR: MonthDays = [
  ['04-01', '04-12'],
  ['04-22', '05-03'],
  ['05-13', '05-31'],
  ['09-15', '09-22'],
  ['10-02', '10-09'],
  ['10-19', '10-31'],
];

/** Lime and gypsum go down as soon as the ground is open, within so many days (B5): eight weeks. Common practice. */
const EARLY_WITHIN_DAYS = 55;
/** Least days between two surface doses of lime or gypsum: three months (B5). Common practice. */
const APART_DAYS = 90;
/** Sulfur on sand or weak soil stands so far apart, days (B7). Common practice. */
const WEAK_SULFUR_APART_DAYS = 60;
/** A second dose waits for fall, before winter works it in. Common practice. */
const FALL_FROM = '09-01';

export interface CorrectionGround {
  zone: Pick<Zone, 'turf'>;
  year: number;
  /** First day that may be planned. */
  from: IsoDay;
  season?: Pick<GrowthSeason, 'frozen' | 'heat'>;
  /** The last dose of it that is down already. */
  lastGiven?: IsoDay;
  /** Last day on which a dose may be dated: a new report decides after it (B4). */
  until?: IsoDay;
  /** Weak soil: sulfur has two stretches, whatever the turf (B7). */
  sparse?: boolean;
}

function early({ year, from, season, lastGiven }: CorrectionGround): Stretch[] {
  const start = [from, `${year}-01-01`, lastGiven ? addDays(lastGiven, APART_DAYS) : ''].reduce((a, b) =>
    a > b ? a : b,
  );
  if (start > `${year}-12-31`) return [];
  const open = (day: number) => !season?.frozen[day] && !season?.heat[day];
  const days = season?.frozen.length ?? 365;
  let first = dayOfYear(start);
  while (first < days && !open(first)) first++;
  if (first >= days) return [];
  const opens = addDays(`${year}-01-01`, first);
  const end = addDays(opens, EARLY_WITHIN_DAYS);
  const second = [addDays(end, APART_DAYS), `${year}-${FALL_FROM}`].reduce((a, b) => (a > b ? a : b));
  const stretches = [{ from: opens, to: end < `${year}-12-31` ? end : `${year}-12-31` }];
  return second <= `${year}-12-31` ? [...stretches, { from: second, to: `${year}-12-31` }] : stretches;
}

/**
 * Stretches of a year for lime, sulfur or gypsum, of which each takes one dose: the one table that prescriptions, drafts, planner
 * and checks read (B9). Lime and gypsum are early (B5): the first eight weeks of open ground, winter included where it does not
 * freeze, then fall. Sulfur has spring and fall, close-cut turf three of each. A report of 10 January, unfrozen ground: lime
 * 10 January to 6 March, then 1 September on.
 */
export function correctionStretches(purpose: Correcting, ground: CorrectionGround): Stretch[] {
  const { zone, year, from, until, lastGiven, sparse } = ground;
  const all =
    purpose === 'sulfur'
      ? (zone.turf === 'close-cut' && !sparse ? CLOSE_CUT_SULFUR : SULFUR).map(([a, b]) => ({
          from: `${year}-${a}`,
          to: `${year}-${b}`,
        }))
      : early(ground);
  const apart = purpose === 'sulfur' && sparse ? WEAK_SULFUR_APART_DAYS : 1;
  const next = lastGiven === undefined ? '' : addDays(lastGiven, apart);
  const start = next > from ? next : from;
  return all
    .filter((span) => span.to >= start && (until === undefined || span.from <= until))
    .map((span) => ({
      from: span.from < start ? start : span.from,
      to: until !== undefined && until < span.to ? until : span.to,
    }));
}
