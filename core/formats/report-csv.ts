import type { Analyte, Method, SoilResult } from './case';
import { ANALYTES, METHODS, NEEDS_UNIT, UNITS } from './case';
import { type Refusal, refuse } from '../reckoning/refusal';

/** A column of a soil report table, as its header names it. */
export type Column =
  | { kind: 'analyte'; analyte: Analyte; unit?: SoilResult['unit']; method?: Method }
  | {
      kind: 'fact';
      fact:
        | 'sample'
        | 'grass'
        | 'texture'
        | 'sampledOn'
        | 'depthIn'
        | 'areaSqFt'
        | 'unit'
        | 'method'
        | 'buffer-method'
        | 'P-method'
        | 'carbonates';
    }
  | { kind: 'other' };

const FACTS: Record<string, Extract<Column, { kind: 'fact' }>['fact']> = {
  sample: 'sample',
  'sample id': 'sample',
  sampleid: 'sample',
  id: 'sample',
  'lab no': 'sample',
  zone: 'sample',
  grass: 'grass',
  texture: 'texture',
  'soil texture': 'texture',
  sampledon: 'sampledOn',
  'sampled on': 'sampledOn',
  date: 'sampledOn',
  'sample date': 'sampledOn',
  depthin: 'depthIn',
  depth: 'depthIn',
  'depth in': 'depthIn',
  areasqft: 'areaSqFt',
  unit: 'unit',
  units: 'unit',
  method: 'method',
  extractant: 'method',
  'buffer-method': 'buffer-method',
  'buffer method': 'buffer-method',
  'p-method': 'P-method',
  'p method': 'P-method',
  carbonates: 'carbonates',
  fizz: 'carbonates',
};
const NAMES: Record<string, Analyte> = {
  ph: 'pH',
  'soil ph': 'pH',
  'water ph': 'pH',
  'ph water': 'pH',
  'buffer ph': 'buffer-pH',
  'ph buffer': 'buffer-pH',
  bph: 'buffer-pH',
  'buffer-ph': 'buffer-pH',
  buffer: 'buffer-pH',
  p: 'P',
  phosphorus: 'P',
  k: 'K',
  potassium: 'K',
  ca: 'Ca',
  calcium: 'Ca',
  mg: 'Mg',
  magnesium: 'Mg',
  s: 'S',
  sulfur: 'S',
  sulphur: 'S',
  na: 'Na',
  sodium: 'Na',
  fe: 'Fe',
  iron: 'Fe',
  mn: 'Mn',
  manganese: 'Mn',
  zn: 'Zn',
  zinc: 'Zn',
  cu: 'Cu',
  copper: 'Cu',
  b: 'B',
  boron: 'B',
  'no3-n': 'NO3-N',
  nitrate: 'NO3-N',
  om: 'OM',
  'organic matter': 'OM',
  cec: 'CEC',
  ec: 'EC',
  caco3: 'CaCO3',
  carbonate: 'CaCO3',
};
const UNIT_WORDS: readonly [RegExp, NonNullable<SoilResult['unit']>][] = [
  [/\bppm\b|mg ?\/ ?kg/, 'ppm'],
  [/lbs? ?\/ ?a(c(re)?)?\b/, 'lb/acre'],
  [/kg ?\/ ?ha/, 'kg/ha'],
  [/mg ?\/ ?(dm3|l)\b/, 'mg/dm3'],
  [/cmolc? ?\/ ?kg|meq ?\/ ?100 ?g/, 'cmolc/kg'],
  [/%|percent|pct/, '%'],
  [/ds ?\/ ?m|mmhos/, 'dS/m'],
  [/\bindex\b/, 'index'],
];
const METHOD_WORDS: readonly [RegExp, Method][] = [
  [/mehlich[ -]?(3|iii)|\bm3\b/, 'mehlich-3'],
  [/mehlich[ -]?(1|i)\b|\bm1\b/, 'mehlich-1'],
  [/bray/, 'bray-p1'],
  [/olsen/, 'olsen'],
  [/morgan/, 'morgan'],
  [/acetate|\bnh4oac\b/, 'ammonium-acetate'],
  [/dtpa/, 'dtpa'],
  [/hot water/, 'hot-water'],
  [/\bsmp\b/, 'smp'],
  [/sikora/, 'sikora'],
  [/adams/, 'adams-evans'],
  [/mehlich/, 'mehlich'],
  [/cacl2/, 'cacl2'],
  [/1:2/, 'water-1:2'],
  [/1:1/, 'water-1:1'],
];

/** Reads a header: `K (ppm, Mehlich-3)`, `P_lb/acre`, `Soil pH`, `buffer-pH`. What it does not know is left aside. */
export function readHeader(header: string): Column {
  const text = header.trim().toLowerCase().replaceAll('_', ' ');
  const fact = FACTS[text];
  if (fact) return { kind: 'fact', fact };
  const unit = UNIT_WORDS.find(([pattern]) => pattern.test(text))?.[1];
  const method = METHOD_WORDS.find(([pattern]) => pattern.test(text))?.[1];
  let bare = text.replace(/[([].*?[)\]]/g, ' ');
  for (const [pattern] of [...UNIT_WORDS, ...METHOD_WORDS]) bare = bare.replace(pattern, ' ');
  const analyte = NAMES[bare.replace(/[,;:]/g, ' ').replace(/\s+/g, ' ').trim()];
  if (!analyte) return { kind: 'other' };
  return { kind: 'analyte', analyte, unit, method };
}

/** Where a table of samples does not say it. */
export interface RowDefaults {
  unit?: string;
  method?: string;
  bufferMethod?: string;
}

const FIXED_UNIT: Partial<Record<Analyte, SoilResult['unit']>> = { OM: '%', CaCO3: '%', CEC: 'cmolc/kg', EC: 'dS/m' };
const methods = new Set<string>(METHODS);
const units = new Set<string>(UNITS);
export const KNOWN_ANALYTES = ANALYTES;

/** A cell as a number: `<0.5` is 0.5 with its sign, empty is undefined, the rest a refusal. */
function readCell(cell: string, field: string): { value: number; qualifier?: '<' | '>' } | undefined | Refusal {
  let text = cell.trim();
  if (text === '' || text === '-' || text === 'n/a' || text === 'NA') return undefined;
  const sign = text[0];
  const qualifier = sign === '<' || sign === '>' ? sign : undefined;
  if (qualifier) text = text.slice(1).trim();
  const value = Number(text);
  if (text === '' || !Number.isFinite(value))
    return refuse(field, `${field} is "${cell.slice(0, 30)}", which is not a number.`);
  if (value < 0) return refuse(field, `${field} is ${value}: a soil test is never negative.`);
  return qualifier ? { value, qualifier } : { value };
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
  const results: SoilResult[] = [];
  for (let i = 0; i < columns.length; i++) {
    const column = columns[i] as Column;
    if (column.kind !== 'analyte') continue;
    const { analyte } = column;
    const cell = readCell(cells[i] ?? '', analyte);
    if (cell === undefined) continue;
    if ('refused' in cell) return cell;
    const isMass = NEEDS_UNIT.has(analyte);
    const unit = column.unit ?? (isMass ? (facts.unit ?? defaults.unit) : FIXED_UNIT[analyte]);
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
          ? (facts['buffer-method'] ?? defaults.bufferMethod ?? 'mehlich')
          : analyte === 'pH'
            ? 'water-1:1'
            : isMass
              ? (facts.method ?? defaults.method)
              : undefined);
    if (method && !methods.has(method))
      return refuse(analyte, `"${method}" is not a known method: use one of ${METHODS.join(', ')}.`);
    if (analyte === 'pH' && (cell.value < 3 || cell.value > 11))
      return refuse('pH', `pH ${cell.value} is not a soil: it must be between 3 and 11.`);
    if (analyte === 'buffer-pH' && (cell.value < 3 || cell.value > 8.5))
      return refuse('buffer-pH', `Buffer pH ${cell.value} is not possible.`);
    results.push({
      analyte,
      value: cell.value,
      unit: unit as SoilResult['unit'],
      method: method as Method | undefined,
      qualifier: cell.qualifier,
    });
  }
  return results.length === 0 ? refuse('results', 'The row holds no result.') : { facts, results };
}
