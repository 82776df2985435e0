import { type Refusal, refuse } from '../reckoning/refusal';
import { fahrenheitFromCelsius, MM_PER_INCH } from '../units/conversions';

/**
 * How a table of weather is laid out: which of its lines is the header, what each column is, and in which unit. Known by the words of the
 * header (month, date, high, TMAX, `MLY-TMIN-NORMAL`, precipitation, year with month and day), as weather services publish normals and days.
 */

export const MONTH_NAMES = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

export type Measured = 'high' | 'low' | 'rain';
type Meaning = Measured | 'when' | 'year' | 'month' | 'day' | 'day-of-year' | 'station';
export interface Column {
  at: number;
  meaning: Meaning;
  header: string;
  /** The unit that the header names. */
  unit?: 'C' | 'F' | 'mm' | 'in';
  /** A service's own code for a column, whose numbers may be tenths. */
  isCode: boolean;
}

/** Columns beside those that count: flags of quality, spread, records, other places of the same word. */
const BESIDE =
  /attribute|flag|quality|\bstd|stddev|deviation|anomal|departure|source|count|\byears\b|record|extreme|highest|lowest|normal flag|comp flag|measure|\bobs\b|dew|wind|soil|\bdays?\b.*(above|below|with)|percentile|quartile/;
const MEANINGS: readonly (readonly [Meaning, RegExp])[] = [
  ['station', /^(station|station id|stn|site id|id)$/],
  ['day-of-year', /^(doy|day of year|julian day)$/],
  ['year', /^(year|yr|yyyy)$/],
  ['month', /^(mo|mon|mm)$/],
  ['day', /^(dy|day|dd)$/],
  ['when', /^(date|day|month|time|period|valid)\b/],
  ['high', /\b(high|highs|max|tmax|maximum|tx|txk)\b/],
  ['low', /\b(low|lows|min|tmin|minimum|tn|tnk)\b/],
  ['rain', /\b(rain|precip|precipitation|rainfall|prcp|prectot\w*|ppt|rsk|rr)\b/],
];

function columnOf(header: string, at: number): Column | undefined {
  const words = header
    .toLowerCase()
    .replace(/[^a-z°]+/g, ' ')
    .trim();
  if (BESIDE.test(words)) return undefined;
  const meaning = MEANINGS.find(([, says]) => says.test(words))?.[0];
  if (!meaning) return undefined;
  const metric = meaning === 'rain' ? /\bmm\b|millim/.test(words) : /(°|\bdeg ?|\bdegrees ?| )c\b|celsius/.test(words);
  const ours =
    meaning === 'rain' ? /\b(in|inch|inches)\b/.test(words) : /(°|\bdeg ?|\bdegrees ?| )f\b|fahrenheit/.test(words);
  const unit = metric ? (meaning === 'rain' ? 'mm' : 'C') : ours ? (meaning === 'rain' ? 'in' : 'F') : undefined;
  return { at, meaning, header: header.trim(), isCode: /^[A-Z0-9_-]+$/.test(header.trim()), ...(unit ? { unit } : {}) };
}

export interface Layout {
  columns: Column[];
  /** Lines of values, and the number of the first of them in the file, from 1. */
  lines: string[][];
  firstLine: number;
}

/** Lines at the top of a file among which its header is looked for: services put notes over it. */
const TOP_LINES = 40;

const hasWhen = (columns: readonly Column[]): boolean => {
  const has = (meaning: Meaning) => columns.some((column) => column.meaning === meaning);
  return has('when') || (has('year') && (has('day-of-year') || has('month'))) || has('month');
};

/** A table whose columns are the months, turned: a row of highs, of lows, of rain. */
function turned(data: readonly string[][]): string[][] | undefined {
  const at = data
    .slice(0, TOP_LINES)
    .findIndex(
      (row) =>
        MONTH_NAMES.filter((name) => row.some((cell) => new RegExp(`^${name}[a-z]*\\.?$`, 'i').test(cell.trim())))
          .length === 12,
    );
  if (at === -1) return undefined;
  const head = data[at]!;
  const places = MONTH_NAMES.map((name) =>
    head.findIndex((cell) => new RegExp(`^${name}[a-z]*\\.?$`, 'i').test(cell.trim())),
  );
  const labelled = data.slice(at + 1).filter((row) => {
    const column = columnOf(row[0] ?? '', 0);
    return column && ['high', 'low', 'rain'].includes(column.meaning);
  });
  return [
    ['month', ...labelled.map((row) => row[0]!)],
    ...MONTH_NAMES.map((name, month) => [name, ...labelled.map((row) => row[places[month]!] ?? '')]),
  ];
}

/** The layout of a table, or why it has none that is known. */
export function layoutOf(given: readonly string[][]): Layout | Refusal {
  const data = turned(given) ?? given;
  const at = data.slice(0, TOP_LINES).findIndex((row) => {
    const columns = row.flatMap((cell, i) => columnOf(cell, i) ?? []);
    return hasWhen(columns) && columns.some((c) => c.meaning === 'high') && columns.some((c) => c.meaning === 'low');
  });
  const header = data[Math.max(0, at)] ?? [];
  const columns = header.flatMap((cell, i) => columnOf(cell, i) ?? []);
  const missing = !hasWhen(columns)
    ? 'when'
    : (['high', 'low'] as const).find((meaning) => !columns.some((c) => c.meaning === meaning));
  if (missing)
    return refuse(
      'rows',
      `The first line must be a header with ${missing === 'when' ? '“month” or “date”' : `a “${missing}” column`}; it reads “${header.join(', ').slice(0, 60)}”.`,
    );
  const twice = columns.find((column, i) => columns.some((other, k) => k < i && other.meaning === column.meaning));
  if (twice) return refuse('rows', `“${twice.header.slice(0, 30)}” is a second column for ${twice.meaning}. Keep one.`);
  const lines = data.slice(Math.max(0, at) + 1);
  const station = columns.find((column) => column.meaning === 'station');
  const stations = new Set(station ? lines.map((row) => (row[station.at] ?? '').trim()).filter(Boolean) : []);
  if (stations.size > 1)
    return refuse(
      'rows',
      `The table holds ${stations.size} stations, among them ${[...stations].slice(0, 2).join(' and ').slice(0, 60)}. Keep the lines of one.`,
    );
  return { columns, lines, firstLine: Math.max(0, at) + 2 };
}

/** What services write where nothing was measured; T is a trace of rain, which is none. */
const NOTHING = /^(?:m|na|n\/a|nan|null|-+|\*+|-?(?:999|9999|99999|7777|8888|6666|99\.9|999\.9|9999\.0))$/i;
export const isNothing = (cell: string): boolean => NOTHING.test(cell);
export const isTrace = (cell: string): boolean => /^t(race)?$/i.test(cell);

/** How the numbers of a table become deg F and inches, and what decided it where the header does not say. */
export interface UnitsOfTable {
  temperature: (value: number) => number;
  rain: (value: number) => number;
  says?: string;
}

/** No mean or daily high on earth is so hot in deg F: larger numbers are tenths. */
const HOTTEST_F = 140;
/** A year whose warmest day is under this is in deg C: 50 deg F would be a polar ice cap. */
const WARMEST_C = 50;
/** Days or months from which a year is whole enough to tell by its warmest. */
const WHOLE = { days: 300, months: 12 };

/**
 * Units of a table: by its header, else by its numbers. TMAX of 331 is tenths of deg C; a whole year that gets no warmer than 38 is in deg C, as 38 deg F
 * is no summer. Rain goes with the temperatures, unless its own header says.
 */
export function unitsOf(columns: readonly Column[], highs: readonly number[]): UnitsOfTable {
  const of = (meaning: Measured) => columns.find((column) => column.meaning === meaning);
  const [high, rain] = [of('high'), of('rain')];
  const warmest = highs.reduce((most, value) => Math.max(most, value), -Infinity);
  const isWhole = highs.length >= WHOLE.days || highs.length === WHOLE.months;
  const said = high?.unit ?? of('low')?.unit;
  const tenths = said === undefined && high?.isCode === true && warmest > HOTTEST_F && highs.length >= WHOLE.days;
  const celsius = said === 'C' || tenths || (said === undefined && isWhole && warmest < WARMEST_C);
  const inMm = rain?.unit === 'mm' || (rain !== undefined && rain.unit === undefined && celsius);
  const why = tenths
    ? `tenths of deg C and of mm, as the highs reach ${warmest}`
    : celsius && said === undefined
      ? `deg C${rain && inMm ? ' and mm' : ''}, as the year gets no warmer than ${warmest}`
      : undefined;
  return {
    temperature: (value) => (celsius ? fahrenheitFromCelsius(tenths ? value / 10 : value) : value),
    rain: (value) => (inMm ? (tenths && rain?.unit === undefined ? value / 10 : value) / MM_PER_INCH : value),
    ...(why ? { says: why } : {}),
  };
}
