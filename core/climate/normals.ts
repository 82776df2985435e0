import type { Climate } from '../records/case';
import { type Refusal, refuse } from '../reckoning/refusal';
import { groupBy } from '../tables/group-by';
import { daysInMonth, type IsoDay } from '../days/day';

/** One day as a weather station reports it. */
export interface WeatherDay {
  date: IsoDay;
  highF: number;
  lowF: number;
  rainIn?: number;
}

/** Normals drawn from daily weather, with what they rest on. */
export interface Normals {
  climate: Climate;
  firstDay: IsoDay;
  lastDay: IsoDay;
  /** Days that counted. */
  days: number;
  /** Calendar years with at least one day. */
  years: number;
}

/** Air frost, deg F. */
const FROST_F = 32;
/** A month of one year counts towards rain only when this share of its days was reported. */
const WHOLE_MONTH = 0.9;
/** Every month wants at least so many days, over all the years. Common practice. */
const LEAST_DAYS_A_MONTH = 20;
/** A year counts towards the frost dates only with so many days. */
const WHOLE_YEAR_DAYS = 330;
/** Frosts until 15 July are spring's, later ones fall's: the northern year. */
const MIDSUMMER = '07-15';

const mean = (all: readonly number[]): number => all.reduce((sum, each) => sum + each, 0) / all.length;

/** The middle of a list of month-days; of an even number the later of the two middle ones in spring, the earlier in fall. */
function middle(monthDays: readonly string[], season: 'spring' | 'fall'): string | undefined {
  const sorted = [...monthDays].sort();
  return sorted[season === 'spring' ? Math.floor(sorted.length / 2) : Math.ceil(sorted.length / 2) - 1];
}

/**
 * Monthly normals and middle frost dates of daily weather: mean highs and lows over every day of a month in all years, rain
 * as the mean of whole months, and the middle of the years' last and first frosts (32 deg F). A frost date stands only when
 * more than half of the whole years had such a frost. Common practice; the WMO asks for 30 years, and `years` says how many these are.
 *
 * @param days any order; a date given twice is refused
 * @returns normals, or a refusal naming the first month with under 20 days
 * @example normalsOf(tenYears).climate.meanHighF[6] // mean high of July, deg F
 */
export function normalsOf(days: readonly WeatherDay[]): Normals | Refusal {
  const seen = new Set<string>();
  for (const { date, highF, lowF } of days) {
    if (seen.has(date)) return refuse('date', `${date} stands twice. Keep one of them.`);
    if (highF < lowF) return refuse('highF', `${date}: the low, ${lowF} deg F, is above the high, ${highF} deg F.`);
    seen.add(date);
  }
  const dates = [...seen].sort();
  const [firstDay, lastDay] = [dates[0], dates.at(-1)];
  if (firstDay === undefined || lastDay === undefined) return refuse('date', 'There is no day of weather in it.');
  const months = Array.from({ length: 12 }, (_, month) => days.filter((d) => Number(d.date.slice(5, 7)) - 1 === month));
  const thin = months.findIndex((month) => month.length < LEAST_DAYS_A_MONTH);
  if (thin >= 0)
    return refuse(
      'date',
      `Month ${thin + 1} has ${months[thin]?.length ?? 0} days of weather; normals want ${LEAST_DAYS_A_MONTH} at least. Give a whole year or more.`,
    );
  const rain = months.map((month) => {
    const whole = [...groupBy(month, (d) => d.date.slice(0, 7))].flatMap(([yearMonth, its]) => {
      const told = its.flatMap((d) => (d.rainIn === undefined ? [] : [d.rainIn]));
      return told.length >= WHOLE_MONTH * daysInMonth(`${yearMonth}-01`) ? [told.reduce((a, b) => a + b, 0)] : [];
    });
    return whole.length > 0 ? mean(whole) : undefined;
  });
  const years = [...groupBy(days, (d) => d.date.slice(0, 4))];
  // half a year has no last frost of its own
  const wholeYears = years.filter(([, its]) => its.length >= WHOLE_YEAR_DAYS);
  const frosts = wholeYears.map(([, its]) => {
    const frosty = its
      .filter((d) => d.lowF <= FROST_F)
      .map((d) => d.date.slice(5))
      .sort();
    return { last: frosty.findLast((d) => d < MIDSUMMER), first: frosty.find((d) => d >= MIDSUMMER) };
  });
  const told = (which: 'last' | 'first') => frosts.flatMap((f) => f[which] ?? []);
  const usual = (which: 'last' | 'first') =>
    told(which).length * 2 > wholeYears.length ? middle(told(which), which === 'last' ? 'spring' : 'fall') : undefined;
  const [lastFrost, firstFrost] = [usual('last'), usual('first')];
  return {
    climate: {
      meanHighF: months.map((month) => mean(month.map((d) => d.highF))),
      meanLowF: months.map((month) => mean(month.map((d) => d.lowF))),
      ...(rain.every((each) => each !== undefined) ? { rainIn: rain } : {}),
      ...(lastFrost ? { lastFrost } : {}),
      ...(firstFrost ? { firstFrost } : {}),
    } as Climate,
    firstDay,
    lastDay,
    days: days.length,
    years: years.length,
  };
}
