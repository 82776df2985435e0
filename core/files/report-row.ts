import { type Refusal, refuse } from '../reckoning/refusal';
import { isMassAnalyte, onlyUnitOf } from '../records/analytes';
import { methodNamed } from '../records/methods';
import { type Column, unitNamed } from './report-header';
import { resultFault, type SoilResult } from '../records/soil-test-schema';
import { type Method, METHODS, UNITS } from '../records/vocabularies';

/** Where a table of samples does not say it. */
export interface RowDefaults {
  unit?: string;
  method?: string;
  bufferMethod?: string;
  phMethod?: string;
  decimal?: DecimalMark;
}

/** How numbers are written: the mark before the decimals. */
export type DecimalMark = '.' | ',';

const methods = new Set<string>(METHODS);
const units = new Set<string>(UNITS);

/** What laboratories print where there is nothing to print. */
const NOTHING = new Set(['', '-', '--', 'n/a', 'na', 'nd', 'n.d.', 'bdl', 'trace', 'tr', 'ns', '.']);
const GROUPED: Record<DecimalMark, RegExp> = { '.': /^\d{1,3}(,\d{3})+(\.\d+)?$/, ',': /^\d{1,3}([. ]\d{3})+(,\d+)?$/ };

/** Text as a number, NaN where it is none: 1,250.5 with a decimal point, 1.250,5 with a decimal comma. */
export function numberFrom(text: string, mark: DecimalMark): number {
  if (mark === '.') {
    const plain = Number(text);
    return Number.isNaN(plain) && GROUPED['.'].test(text) ? Number(text.replaceAll(',', '')) : plain;
  }
  if (GROUPED[','].test(text)) return Number(text.replace(/[. ]/g, '').replace(',', '.'));
  // a point is no decimal mark here, so 5.6 in such a file is not silently 5.6
  return text.includes('.') ? NaN : Number(text.replace(',', '.'));
}

/** A cell as a number: `<0.5` is 0.5 with its sign, empty is undefined, the rest a refusal. */
export function readCell(
  cell: string,
  field: string,
  mark: DecimalMark = '.',
): { value: number; qualifier?: '<' | '>' } | undefined | Refusal {
  let text = cell.trim();
  if (NOTHING.has(text) || NOTHING.has(text.toLowerCase())) return undefined;
  const sign = text[0];
  const qualifier = sign === '<' || sign === '>' ? sign : undefined;
  if (qualifier) text = text.slice(1).trim();
  const value = numberFrom(text, mark);
  if (text === '' || !Number.isFinite(value))
    return refuse(
      field,
      `${field} is "${cell.slice(0, 30)}", which is not a number${mark === ',' ? ' with a decimal comma' : ''}.`,
    );
  if (value < 0) return refuse(field, `${field} is ${value}: a soil test is never negative.`);
  return qualifier ? { value, qualifier } : { value };
}

/** One result of a sample, its unit and method from the column, the row or the defaults; or why it cannot be one. */
export function resultFrom(
  cell: { value: number; qualifier?: '<' | '>' },
  column: Extract<Column, { kind: 'analyte' }>,
  facts: Partial<Record<string, string>>,
  defaults: RowDefaults,
): SoilResult | Refusal {
  const { analyte } = column;
  const value = column.scale === undefined ? cell.value : cell.value * column.scale;
  const isMass = isMassAnalyte(analyte);
  const unit = column.unit ?? (isMass ? (facts.unit ?? defaults.unit) : onlyUnitOf(analyte));
  if (isMass && !unit)
    return refuse(
      analyte,
      `${analyte} has no unit: name it in the header, as "${analyte} (ppm)", or in a column "unit".`,
    );
  if (unit && !units.has(unit))
    return refuse(analyte, `"${unit}" is not a unit of soil tests: use one of ${UNITS.join(', ')}.`);
  const method =
    column.method ??
    (analyte === 'P' && facts['P-method']
      ? facts['P-method']
      : analyte === 'buffer-pH'
        ? (facts['buffer-method'] ?? defaults.bufferMethod)
        : analyte === 'pH'
          ? (defaults.phMethod ?? 'water-1:1')
          : isMass
            ? (facts.method ?? defaults.method)
            : undefined);
  if (method && !methods.has(method))
    return refuse(analyte, `"${method}" is not a known method: use one of ${METHODS.join(', ')}.`);
  const fault = resultFault({ analyte, unit, value });
  if (fault) return refuse(analyte, fault.refused);
  return {
    analyte,
    value,
    unit: unit as SoilResult['unit'],
    method: method as Method | undefined,
    qualifier: cell.qualifier,
  };
}

/** A row's results and facts, or the first thing wrong with it. */
export function readRow(
  cells: readonly string[],
  columns: readonly Column[],
  defaults: RowDefaults,
): { facts: Partial<Record<string, string>>; results: SoilResult[] } | Refusal {
  const facts: Partial<Record<string, string>> = {};
  columns.forEach((column, i) => {
    if (column.kind === 'fact' && cells[i]?.trim()) facts[column.fact] = cells[i].trim();
  });
  // a column may say mg/kg or Mehlich III in the laboratory's own words
  if (facts.unit && !units.has(facts.unit)) facts.unit = unitNamed(facts.unit) ?? facts.unit;
  if (facts['buffer-method'] && !methods.has(facts['buffer-method']))
    facts['buffer-method'] = methodNamed(facts['buffer-method']) ?? facts['buffer-method'];
  if (facts.method && !methods.has(facts.method)) facts.method = methodNamed(facts.method) ?? facts.method;
  const results: SoilResult[] = [];
  for (let i = 0; i < columns.length; i++) {
    const column = columns[i] as Column;
    if (column.kind !== 'analyte') continue;
    const { analyte } = column;
    const cell = readCell(cells[i] ?? '', analyte, defaults.decimal);
    if (cell === undefined) continue;
    if ('refused' in cell) return cell;
    const result = resultFrom(cell, column, facts, defaults);
    if ('refused' in result) return result;
    results.push(result);
  }
  return results.length === 0 ? refuse('results', 'The row holds no result.') : { facts, results };
}
