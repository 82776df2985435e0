import dayjs from 'dayjs';
import customParseFormat from 'dayjs/plugin/customParseFormat.js';
import { type Refusal, refuse } from '../reckoning/refusal';

dayjs.extend(customParseFormat);

const FORMATS = ['D MMM', 'D MMMM', 'MMM D', 'MMMM D', 'MM-DD', 'M/D'] as const;

/** A leap year, so that 29 Feb is a day. */
const ANY_YEAR = 2024;

/**
 * A day of any year as a person types it, to month and day; empty text is undefined, half a date a sentence that says which half
 * is missing. typedMonthDay('15 Nov', 'From', 'from') is '11-15'; so are 'Nov 15', '11-15' and '11/15'.
 */
export function typedMonthDay(typed: string, label: string, field: string): string | undefined | Refusal {
  const bare = typed
    .trim()
    .replace(/\.(?=\s|$)/g, '')
    .replace(/\s+/g, ' ');
  if (bare === '') return undefined;
  const worded = bare.replace(/[a-z]+/i, (name) => name.charAt(0).toUpperCase() + name.slice(1).toLowerCase());
  for (const format of FORMATS) {
    const plain = format === 'M/D' ? worded.replace(/\b0(?=\d\b)/g, '') : worded;
    const day = dayjs(`${plain} ${ANY_YEAR}`, `${format} YYYY`, true);
    if (day.isValid()) return day.format('MM-DD');
  }
  if (/^\d{1,2}$/.test(bare)) return refuse(field, `${label}: the month is missing. Write a day such as ${bare} Nov.`);
  if (/^[a-z]+$/i.test(bare)) return refuse(field, `${label}: the day is missing. Write a day such as 15 ${worded}.`);
  return refuse(field, `${label}: "${bare.slice(0, 20)}" is no day of the year. Write it like 15 Nov.`);
}
