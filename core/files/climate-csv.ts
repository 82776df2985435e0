import { shortCells } from './short-cells';
import Papa from 'papaparse';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';
import { dayAt, isIsoDay } from '../days/day';
import {
  type Column,
  isNothing,
  isTrace,
  type Layout,
  layoutOf,
  type Measured,
  MONTH_NAMES,
  unitsOf,
  type UnitsOfTable,
} from './climate-layout';
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

/** Lines of a table: sixty years of days. */
const MOST_ROWS = 22_000;

/** The month, 0 to 11, of a cell: 3, 03, Mar, March. */
function monthOf(cell: string): number | undefined {
  const text = cell.trim().toLowerCase();
  const named = MONTH_NAMES.findIndex((name) => text.startsWith(name));
  if (named >= 0) return named;
  // a service may write the month of a year that stands for all: 2010-03
  const number = /^(?:\d{4}-)?(\d{1,2})$/.exec(text)?.[1];
  return number && Number(number) >= 1 && Number(number) <= 12 ? Number(number) - 1 : undefined;
}

interface Row {
  line: number;
  when: string;
  values: Partial<Record<Measured, number>>;
}

const isMeasured = (meaning: Column['meaning']): meaning is Measured =>
  meaning === 'high' || meaning === 'low' || meaning === 'rain';
const twoFigures = (text: string): string => text.padStart(2, '0');

/** The day or month of a line, from one column or from several. */
function whenOf(cells: Partial<Record<Column['meaning'], string>>): string {
  const { when, year, month, day } = cells;
  const ofYear = cells['day-of-year'];
  if (year && ofYear && /^\d{1,3}$/.test(ofYear)) return dayAt(Number(year), Number(ofYear) - 1);
  if (year && month && day) return `${year}-${twoFigures(month)}-${twoFigures(day)}`;
  const text = when ?? month ?? '';
  // 20260302 is a day as well
  return text.replace(/^(\d{4})(\d{2})(\d{2})$/, '$1-$2-$3').replace(/^(\d{4}-\d{2}-\d{2})[T ].*$/, '$1');
}

function rowsOf({ lines, columns, firstLine }: Layout): Row[] | Refusal {
  const rows: Row[] = [];
  for (const [at, cells] of lines.entries()) {
    const row: Row = { line: at + firstLine, when: '', values: {} };
    const words: Partial<Record<Column['meaning'], string>> = {};
    for (const column of columns) {
      const cell = (cells[column.at] ?? '').trim();
      if (!isMeasured(column.meaning)) words[column.meaning] = cell;
      else if (!isNothing(cell)) {
        const value =
          column.meaning === 'rain' && isTrace(cell)
            ? 0
            : typedNumber(cell, `Line ${row.line}, ${column.header}`, column.meaning);
        if (isRefusal(value)) return value;
        if (value !== undefined) row.values[column.meaning] = value;
      }
    }
    row.when = whenOf(words);
    // a year's own line under its months
    if (/^(annual|year|ann|13)$/i.test(row.when)) continue;
    rows.push(row);
  }
  return rows;
}

/** Numbers of a table in deg F and inches. */
function inOurUnits(rows: readonly Row[], units: UnitsOfTable): Row[] {
  return rows.map((row) => {
    const { high, low, rain } = row.values;
    return {
      ...row,
      values: {
        ...(high === undefined ? {} : { high: units.temperature(high) }),
        ...(low === undefined ? {} : { low: units.temperature(low) }),
        ...(rain === undefined ? {} : { rain: units.rain(rain) }),
      },
    };
  });
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
 * known by their words (month or date, high, low, rain) in any order, as weather services name them too; notes may stand over the header and months in its columns.
 * deg C, mm and tenths of them are turned into deg F and inches, by the header, else by the numbers (`unitsOf`). Frost dates come from days only.
 *
 * @returns the climate, or a refusal naming the line
 * @example readClimateCsv('month,high F,low F\nJan,40,24\n…').climate.meanHighF[0] // 40
 */
export function readClimateCsv(source: string): ReadClimate | Refusal {
  const { data } = Papa.parse<string[]>(source.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  const table = data.map(shortCells);
  if (table.length === 0)
    return refuse('rows', 'There is nothing in it. Paste a table with a header: month, high F, low F, rain in.');
  const layout = layoutOf(table);
  if (isRefusal(layout)) return layout;
  if (layout.lines.length > MOST_ROWS)
    return refuse(
      'rows',
      `The table has ${grouped(layout.lines.length, 0)} lines; ${grouped(MOST_ROWS, 0)} at most are read.`,
    );
  const printed = rowsOf(layout);
  if (isRefusal(printed)) return printed;
  const units = unitsOf(
    layout.columns,
    printed.flatMap((row) => row.values.high ?? []),
  );
  const rows = inOurUnits(printed, units);
  const read = isIsoDay(rows[0]?.when ?? '') ? daily(rows) : monthly(rows);
  if (isRefusal(read)) return read;
  const climate = checkShape(climateSchema, read.climate);
  if (isRefusal(climate)) return climate;
  return units.says ? { ...read, says: `${read.says}, read as ${units.says}` } : read;
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
