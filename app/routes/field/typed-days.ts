import type { WeatherDay } from '@core/field/day-verdicts';
import { isRefusal } from '@core/reckoning/refusal';
import { dayFrom } from '@core/typed/typed-day';
import type { QuantityId, Units } from '../../ui/format';

export const typedDaysNote = (propertyId: string): string => `field-days/${propertyId}`;
export const MOST_TYPED_DAYS = 10;
/** Letters that are kept of what was typed. */
export const MOST_TYPED_LETTERS = 4_000;

const COLUMNS = [
  ['High', 'temperature', -80, 140],
  ['Low', 'temperature', -80, 140],
  ['Rain', 'depth', 0, 40],
  ['Wind', 'speed', 0, 150],
] as const satisfies readonly (readonly [string, QuantityId, number, number])[];

/** A day without its year is one of this year. 'Tue 7 Sep' in 2027 is 2027-09-07. */
function dateOf(text: string, year: string): string | undefined {
  const bare = text.replace(/^(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*[.,]?\s+/i, '').replace(/[,.]$/, '');
  for (const whole of [bare, `${bare} ${year}`, `${bare}, ${year}`, `${bare}/${year}`]) {
    const day = dayFrom(whole, 'month-first');
    if (day !== undefined) return day;
  }
  return undefined;
}

/**
 * Days as they are typed or pasted: a line each, the day, then high, low, rain and wind in the units that are chosen. A sentence for the
 * first line that cannot be read.
 *
 * @example daysFromText('7 Sep 74 52 0.1 6', usUnits, '2027-09-05')
 */
export function daysFromText(text: string, units: Units, today: string): { days: WeatherDay[]; fault?: string } {
  const days: WeatherDay[] = [];
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  if (lines.length > MOST_TYPED_DAYS)
    return { days, fault: `${MOST_TYPED_DAYS} days at most: these are ${lines.length} lines.` };
  for (const [at, line] of lines.entries()) {
    const wrong = (says: string) => ({ days, fault: `Line ${at + 1}, “${line.trim().slice(0, 60)}”: ${says}` });
    const pieces = line.trim().split(/[\t;]+\s*|\s+/);
    const numbers = pieces.slice(-COLUMNS.length);
    const date = dateOf(pieces.slice(0, -COLUMNS.length).join(' '), today.slice(0, 4));
    if (pieces.length <= COLUMNS.length || date === undefined)
      return wrong('a line is the day, then high, low, rain and wind, as in 7 Sep 74 52 0.1 6.');
    if (days.some((day) => day.date === date)) return wrong('this day stands there twice.');
    const values: number[] = [];
    for (const [i, [label, quantity, least, most]] of COLUMNS.entries()) {
      const value = units.value(quantity, numbers[i] ?? '', label, label);
      if (isRefusal(value)) return wrong(value.refused);
      if (value === undefined || value < least || value > most)
        return wrong(`${label} must be between ${units.say(quantity, least)} and ${units.say(quantity, most)}.`);
      values.push(value);
    }
    const [highF, lowF, rainIn, windMph] = values as [number, number, number, number];
    if (lowF > highF) return wrong('the low is above the high.');
    days.push({ date, highF, lowF, rainIn, windMph });
  }
  return { days };
}
