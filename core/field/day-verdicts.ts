import type { IsoDay } from '../days/day';
import { type GoFacts, type GoLineId, goLines, type Verdict, verdictOf } from './go';

/** Go by the day, where somebody typed the days of a forecast and there are no hours. */

/** A day as a newspaper or a radio gives it. */
export interface WeatherDay {
  date: IsoDay;
  highF: number;
  lowF: number;
  rainIn: number;
  windMph: number;
}
/** Days over which the lowest low is looked for. */
const FROST_DAYS = 10;

/** What the days say of one of them; nothing of a day that is none of theirs. Rain of the day stands for the next 24 h. */
export function weatherOn(
  days: readonly WeatherDay[],
  date: IsoDay,
): Pick<GoFacts, 'windMph' | 'rainNext24In' | 'rainNext48In' | 'rainLast24In' | 'highF' | 'lowestLowF'> {
  const inOrder = [...days].sort((a, b) => a.date.localeCompare(b.date));
  const at = inOrder.findIndex((day) => day.date === date);
  const day = inOrder[at];
  if (!day) return {};
  const [before, after] = [inOrder[at - 1], inOrder[at + 1]];
  return {
    windMph: day.windMph,
    rainNext24In: day.rainIn,
    ...(after ? { rainNext48In: day.rainIn + after.rainIn } : {}),
    ...(before ? { rainLast24In: before.rainIn } : {}),
    highF: day.highF,
    lowestLowF: Math.min(...inOrder.slice(at, at + FROST_DAYS).map(({ lowF }) => lowF)),
  };
}

export interface DayVerdict {
  date: IsoDay;
  verdict: Verdict;
  reasons: GoLineId[];
}

/**
 * The verdict of each day. The leaf is taken as dry at noon; a day has no hours, so there is no "until".
 *
 * @param factsOn what is known of a day without its weather: law, records, ground
 */
export const goByDay = (days: readonly WeatherDay[], factsOn: (day: IsoDay) => GoFacts): DayVerdict[] =>
  days.map(({ date }) => {
    const lines = goLines({ ...factsOn(date), leaf: 'dry', ...weatherOn(days, date) });
    const verdict = verdictOf(lines);
    return {
      date,
      verdict,
      reasons: verdict === 'go' ? [] : lines.filter(({ standing }) => standing === verdict).map(({ id }) => id),
    };
  });
