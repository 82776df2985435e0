import { shortCells } from './short-cells';
import Papa from 'papaparse';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';
import { isIsoDay } from '../days/day';
import { fahrenheitFromCelsius, MM_PER_INCH } from '../units/conversions';
import { normalsOf, type WeatherDay } from '../climate/normals';
import { climateSchema, type Climate } from '../records/property-schema';
import { printCsv } from './print-csv';
import { checkShape } from '../records/strict-schema';
import { typedNumber } from '../typed/typed-number';
import { grouped } from '../words/numbers';

/** Climate read from a table, with a sentence on what it was read from. */
export interface ReadClimate {
  climate: Climate;
  kind: 'monthly' | 'daily';
  /** What it rests on: 'twelve months' or '3,652 days, 2017 to 2026'. */
  says: string;
}

const MONTH_NAMES = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
/** Lines of a table: sixty years of days. */
const MOST_ROWS = 22_000;

type Meaning = 'when' | 'high' | 'low' | 'rain';
interface Column {
  at: number;
  meaning: Meaning;
  header: string;
  /** From the unit in the header to deg F or inches. */
  toOurs: (value: number) => number;
}

const MEANINGS: readonly (readonly [Meaning, RegExp])[] = [
  ['when', /^(date|day|month|time)\b/],
  ['high', /\b(high|highs|max|tmax|maximum)\b/],
  ['low', /\b(low|lows|min|tmin|minimum)\b/],
  ['rain', /\b(rain|precip|precipitation|rainfall|prcp)\b/],
];

function columnOf(header: string, at: number): Column | undefined {
  const words = header
    .toLowerCase()
    .replace(/[^a-z°]+/g, ' ')
    .trim();
  const meaning = MEANINGS.find(([, says]) => says.test(words))?.[0];
  if (!meaning) return undefined;
  const metric = meaning === 'rain' ? /\bmm\b|millim/.test(words) : /(°|\bdeg ?|\bdegrees ?| )c\b|celsius/.test(words);
  const toOurs = !metric
    ? (value: number) => value
    : meaning === 'rain'
      ? (mm: number) => mm / MM_PER_INCH
      : fahrenheitFromCelsius;
  return { at, meaning, header, toOurs };
}

/** The month, 0 to 11, of a cell: 3, 03, Mar, March. */
function monthOf(cell: string): number | undefined {
  const text = cell.trim().toLowerCase();
  const named = MONTH_NAMES.findIndex((name) => text.startsWith(name));
  if (named >= 0) return named;
  return /^\d{1,2}$/.test(text) && Number(text) >= 1 && Number(text) <= 12 ? Number(text) - 1 : undefined;
}

interface Row {
  line: number;
  when: string;
  values: Partial<Record<Exclude<Meaning, 'when'>, number>>;
}

function rowsOf(data: readonly string[][], columns: readonly Column[]): Row[] | Refusal {
  const rows: Row[] = [];
  for (const [at, cells] of data.entries()) {
    const row: Row = { line: at + 2, when: '', values: {} };
    for (const column of columns) {
      const cell = (cells[column.at] ?? '').trim();
      if (column.meaning === 'when') row.when = cell;
      else {
        const value = typedNumber(cell, `Line ${row.line}, ${column.header.trim()}`, column.meaning);
        if (isRefusal(value)) return value;
        if (value !== undefined) row.values[column.meaning] = column.toOurs(value);
      }
    }
    rows.push(row);
  }
  return rows;
}

const whole = (row: Row): { highF: number; lowF: number; rainIn?: number } | Refusal => {
  const { high, low, rain } = row.values;
  if (high === undefined || low === undefined)
    return refuse('rows', `Line ${row.line} has no ${high === undefined ? 'high' : 'low'}.`);
  if (high < low) return refuse('rows', `Line ${row.line}: the low is above the high. Check both columns.`);
  return { highF: high, lowF: low, ...(rain === undefined ? {} : { rainIn: rain }) };
};

function monthly(rows: readonly Row[]): ReadClimate | Refusal {
  const months: ({ highF: number; lowF: number; rainIn?: number } | undefined)[] = Array.from({ length: 12 });
  for (const row of rows) {
    const month = monthOf(row.when);
    if (month === undefined)
      return refuse(
        'rows',
        `Line ${row.line}: “${row.when.slice(0, 20)}” is neither a month nor a day like 2026-03-02.`,
      );
    if (months[month]) return refuse('rows', `Line ${row.line}: month ${month + 1} stands twice.`);
    const values = whole(row);
    if (isRefusal(values)) return values;
    months[month] = values;
  }
  const missing = months.findIndex((month) => !month);
  if (missing >= 0)
    return refuse('rows', `Month ${missing + 1} is missing: twelve are needed, ${rows.length} were found.`);
  const all = months.flatMap((month) => month ?? []);
  const rain = all.flatMap((month) => month.rainIn ?? []);
  if (rain.length > 0 && rain.length < 12)
    return refuse(
      'rows',
      `Rain stands for ${rain.length} of twelve months. Fill it in for all, or leave the column out.`,
    );
  return {
    kind: 'monthly',
    says: 'a table of twelve months',
    climate: {
      meanHighF: all.map((month) => month.highF),
      meanLowF: all.map((month) => month.lowF),
      ...(rain.length === 12 ? { rainIn: rain } : {}),
    } as Climate,
  };
}

function daily(rows: readonly Row[]): ReadClimate | Refusal {
  const days: WeatherDay[] = [];
  for (const row of rows) {
    if (!isIsoDay(row.when))
      return refuse('rows', `Line ${row.line}: “${row.when.slice(0, 20)}” is not a day like 2026-03-02.`);
    // a day without both temperatures is a day the station was out
    if (row.values.high === undefined || row.values.low === undefined) continue;
    const values = whole(row);
    if (isRefusal(values)) return values;
    days.push({ date: row.when, ...values });
  }
  const normals = normalsOf(days);
  if (isRefusal(normals)) return normals;
  return {
    kind: 'daily',
    says: `${grouped(normals.days, 0)} days, ${normals.firstDay} to ${normals.lastDay}`,
    climate: normals.climate,
  };
}

/**
 * Reads a climate from a table with a header: twelve months, or days of weather from which normals are drawn. Columns are
 * known by their words (month or date, high, low, rain) in any order; deg C and mm in a header are turned into deg F and
 * inches. Frost dates come from days only.
 *
 * @returns the climate, or a refusal naming the line
 * @example readClimateCsv('month,high F,low F\nJan,40,24\n…').climate.meanHighF[0] // 40
 */
export function readClimateCsv(source: string): ReadClimate | Refusal {
  const { data } = Papa.parse<string[]>(source.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  const [header, ...lines] = data.map(shortCells);
  if (!header)
    return refuse('rows', 'There is nothing in it. Paste a table with a header: month, high F, low F, rain in.');
  const columns = header.flatMap((cell, at) => columnOf(cell, at) ?? []);
  const missing = (['when', 'high', 'low'] as const).find((meaning) => !columns.some((c) => c.meaning === meaning));
  if (missing)
    return refuse(
      'rows',
      `The first line must be a header with ${missing === 'when' ? '“month” or “date”' : `a “${missing}” column`}; it reads “${header.join(', ').slice(0, 60)}”.`,
    );
  const twice = columns.find((column, at) => columns.some((other, i) => i < at && other.meaning === column.meaning));
  if (twice)
    return refuse('rows', `“${twice.header.trim().slice(0, 30)}” is a second column for ${twice.meaning}. Keep one.`);
  if (lines.length > MOST_ROWS)
    return refuse(
      'rows',
      `The table has ${grouped(lines.length, 0)} lines; ${grouped(MOST_ROWS, 0)} at most are read.`,
    );
  const rows = rowsOf(lines, columns);
  if (isRefusal(rows)) return rows;
  const read = rows.length > 0 && isIsoDay(rows[0]?.when ?? '') ? daily(rows) : monthly(rows);
  if (isRefusal(read)) return read;
  const climate = checkShape(climateSchema, read.climate);
  return isRefusal(climate) ? climate : read;
}

/** Normals as a table of twelve months that `readClimateCsv` reads back. Frost dates do not stand in it. */
export const printClimateCsv = ({ meanHighF, meanLowF, rainIn }: Climate): string =>
  printCsv([
    ['month', 'mean high F', 'mean low F', ...(rainIn ? ['rain in'] : [])],
    ...MONTH_NAMES.map((name, month) => [
      `${name[0]?.toUpperCase()}${name.slice(1)}`,
      meanHighF[month] as number,
      meanLowF[month] as number,
      ...(rainIn ? [rainIn[month] as number] : []),
    ]),
  ]);
