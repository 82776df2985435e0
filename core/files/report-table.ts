import { type Refusal, isRefusal, refuse } from '../reckoning/refusal';
import { type DecimalMark, readCell, readRow, resultFrom, type RowDefaults } from './report-row';
import { analyteNamed } from '../records/analytes';
import { limeBuffer } from '../lime/buffers';
import { methodNamed } from '../records/methods';
import { type Column, readHeader, unitNamed } from './report-header';
import type { LabAdvice, SoilResult, SoilTest } from '../records/soil-test-schema';
import { type DayOrder, dayFrom, orderOfDays } from '../typed/typed-day';
import { depthFrom } from '../typed/typed-depth';

/**
 * A laboratory's table of samples, whatever its layout: which row is the header, what each column means, how numbers and
 * days are written, and what the table does not say. Guessed from the file, corrected by a person, remembered by header.
 */
export interface TableReading {
  /** One sample a row, or one result a row. */
  layout: 'wide' | 'long';
  headerRow: number;
  columns: Column[];
  decimal: DecimalMark;
  dayOrder: DayOrder;
  /** What holds for every sample where the table does not say it; empty text is "not said". */
  unit: string;
  method: string;
  bufferMethod: string;
  phMethod: string;
  depth: string;
  sampledOn: string;
  lab: string;
}

/** A sample as read, not yet any zone's. */
export interface ReadSample {
  line: number;
  sample: string;
  property?: string;
  sampledOn?: string;
  depthIn?: number;
  lab?: string;
  /** Depth that lb/acre count, weight of the scoop, and what the laboratory advises, where the table has columns for them. */
  basisDepthIn?: number;
  scoopGPerCm3?: number;
  labAdvice?: LabAdvice;
  /** What the row says of the ground itself, as text: a batch has no zone to ask. */
  ground?: Partial<Record<'grass' | 'texture' | 'carbonates', string>>;
  results: SoilResult[];
}
export interface RejectedLine {
  line: number;
  cells: readonly string[];
  why: string;
  /** The analyte or fact at fault, by its key. */
  field?: string;
}

const LOOK_FOR_HEADER = 40;
const isKnown = (column: Column): boolean => column.kind !== 'other';

/** The row that names most columns. */
function findHeader(rows: readonly (readonly string[])[]): number {
  let [best, most] = [-1, 0];
  for (const [i, row] of rows.slice(0, LOOK_FOR_HEADER).entries()) {
    const columns = row.map(readHeader);
    const known = columns.filter(isKnown).length;
    // one lone letter, such as B, is a column name of any table
    const telling = known > 1 || row.some((cell, at) => columns[at]?.kind === 'analyte' && cell.trim().length > 1);
    const useful = (telling && columns.some((c) => c.kind === 'analyte')) || isLong(columns);
    if (useful && known > most) [best, most] = [i, known];
  }
  return best;
}

const hasFact = (columns: readonly Column[], fact: string): boolean =>
  columns.some((c) => c.kind === 'fact' && c.fact === fact);
const isLong = (columns: readonly Column[]): boolean => hasFact(columns, 'analyte') && hasFact(columns, 'value');

/** Decimal comma where numbers have one and no number needs a point. */
function guessDecimal(cells: readonly string[]): DecimalMark {
  const commas = cells.filter((c) => /^[<>]?\s*\d+,\d{1,2}$/.test(c.trim())).length;
  const points = cells.filter((c) => /^[<>]?\s*\d+\.\d+$/.test(c.trim())).length;
  return commas > points ? ',' : '.';
}

const DEPTH_SAID =
  /\b(?:depth|sampled|cores?)\b[^\d]{0,24}((?:0\s*(?:-|–|to)\s*)?[\d.,]+(?:\s+\d\/\d|[½⅔])?\s*(?:cm|inches|inch|in\b|"))/i;

/** A note that names the buffer: `BpH in the Mehlich buffer`, `Buffer pH: SMP`. */
const BUFFER_SAID = /[^;,.]*\b(?:b\.?ph|buffer)\b[^;,.]*/i;

/** What the lines above the header say about every sample. */
function fromPreamble(rows: readonly (readonly string[])[]): Partial<TableReading> {
  const found: Partial<TableReading> = {};
  for (const row of rows) {
    const line = row.join(' ').trim();
    if (line === '') continue;
    const depth = DEPTH_SAID.exec(line)?.[1];
    if (depth) found.depth ??= depth.trim();
    const unit = unitNamed(line);
    if (unit && /\b(unit|results?|nutrients?|values?)\b/i.test(line)) found.unit ??= unit;
    const method = methodNamed(line);
    if (method && /\b(extract|method|nutrients?)/i.test(line)) found.method ??= method;
    const buffer = methodNamed(BUFFER_SAID.exec(line)?.[0] ?? '');
    if (buffer && limeBuffer(buffer)) found.bufferMethod ??= buffer;
    if (!found.lab && /laborator|\blab\b/i.test(line)) found.lab = line.slice(0, 120);
  }
  return found;
}

/** Guesses how to read a table from its first rows, or says that it is none. */
export function guessReading(rows: readonly (readonly string[])[]): TableReading | Refusal {
  const headerRow = findHeader(rows);
  if (headerRow === -1)
    return refuse(
      'header',
      'No line of this file names soil analytes (pH, P, K, ...). Is it a table of soil samples? A PDF or a picture has to be typed.',
    );
  const columns = (rows[headerRow] as readonly string[]).map(readHeader);
  const body = rows.slice(headerRow + 1, headerRow + 200);
  const column = (fact: string) => columns.findIndex((c) => c.kind === 'fact' && c.fact === fact);
  const days = column('sampledOn') === -1 ? [] : body.map((row) => row[column('sampledOn')] ?? '');
  // a row may be longer than the header
  const holdsNumber = (column: Column | undefined): boolean =>
    column?.kind === 'analyte' || (column?.kind === 'fact' && column.fact === 'value');
  const numbers = body.flatMap((row) => row.filter((_, i) => holdsNumber(columns[i])));
  return {
    layout: isLong(columns) ? 'long' : 'wide',
    headerRow,
    columns,
    decimal: guessDecimal(numbers),
    dayOrder: orderOfDays(days),
    unit: '',
    method: '',
    bufferMethod: '',
    phMethod: '',
    depth: '',
    sampledOn: '',
    lab: '',
    ...fromPreamble(rows.slice(0, headerRow)),
  };
}

/** What a laboratory's layout is remembered by: its header, as printed. */
export const fingerprint = (header: readonly string[]): string =>
  header
    .map((h) => h.trim().toLowerCase())
    .join('|')
    .slice(0, 2000);

const defaultsOf = (reading: TableReading): RowDefaults => ({
  decimal: reading.decimal,
  ...(reading.unit ? { unit: reading.unit } : {}),
  ...(reading.method ? { method: reading.method } : {}),
  ...(reading.bufferMethod ? { bufferMethod: reading.bufferMethod } : {}),
  ...(reading.phMethod ? { phMethod: reading.phMethod } : {}),
});

/** Whether the table holds buffer readings without saying, in a header, a column or by a person, which buffer they are of. */
export const needsBuffer = ({ columns, bufferMethod }: TableReading): boolean =>
  bufferMethod === '' &&
  columns.some(
    (column) => column.kind === 'analyte' && column.analyte === 'buffer-pH' && column.method === undefined,
  ) &&
  !columns.some((column) => column.kind === 'fact' && column.fact === 'buffer-method');

type Facts = Partial<Record<string, string>>;

/** The facts of one sample, or the first thing wrong with them. */
function sampleFrom(facts: Facts, results: SoilResult[], reading: TableReading, line: number): ReadSample | Refusal {
  const dayText = facts.sampledOn ?? reading.sampledOn;
  const sampledOn = dayText ? dayFrom(dayText, reading.dayOrder) : undefined;
  if (dayText && !sampledOn) return refuse('sampledOn', `"${dayText.slice(0, 30)}" is not a day that can be read.`);
  const depthText = facts.depthIn ?? reading.depth;
  const scale = reading.columns.find((c) => c.kind === 'fact' && c.fact === 'depthIn') as
    { scale?: number } | undefined;
  const depthIn = depthText ? depthFrom(depthText, facts.depthIn ? scale?.scale : 1) : undefined;
  if (depthText && (depthIn === undefined || depthIn <= 0 || depthIn > 12))
    return refuse('depthIn', `Depth "${depthText.slice(0, 30)}" must be above 0 and at most 12 in (30 cm).`);
  const said = saidBeside(facts, reading);
  if (isRefusal(said)) return said;
  return {
    line,
    ...said,
    sample: facts.sample ?? '',
    ...(facts.property ? { property: facts.property } : {}),
    ...(sampledOn ? { sampledOn } : {}),
    ...(depthIn === undefined ? {} : { depthIn }),
    ...((facts.lab ?? reading.lab) ? { lab: (facts.lab ?? reading.lab).slice(0, 120) } : {}),
    ground: groundOf(facts),
    results: withoutRepeats(results),
  };
}

/** Numbers of a row that are neither results nor its depth. */
const NUMBERS_BESIDE = ['basisDepthIn', 'scoopGPerCm3', 'limeLb', 'NLb', 'P2O5Lb', 'K2OLb'] as const;

/** What a row says beside its results: the depth lb/acre count, the scoop, the laboratory's advice; or which number cannot be read. */
function saidBeside(
  facts: Facts,
  { columns, decimal }: TableReading,
): Pick<ReadSample, 'basisDepthIn' | 'scoopGPerCm3' | 'labAdvice'> | Refusal {
  const numbers: Partial<Record<(typeof NUMBERS_BESIDE)[number], number>> = {};
  for (const fact of NUMBERS_BESIDE) {
    const cell = readCell(facts[fact] ?? '', fact, decimal);
    if (cell === undefined) continue;
    if (isRefusal(cell)) return cell;
    const column = columns.find((c) => c.kind === 'fact' && c.fact === fact);
    numbers[fact] = cell.value * (column?.kind === 'fact' ? (column.scale ?? 1) : 1);
  }
  const { basisDepthIn, scoopGPerCm3, ...labAdvice } = numbers;
  return {
    ...(basisDepthIn === undefined ? {} : { basisDepthIn }),
    ...(scoopGPerCm3 === undefined ? {} : { scoopGPerCm3 }),
    ...(Object.keys(labAdvice).length > 0 ? { labAdvice } : {}),
  };
}

const groundOf = ({ grass, texture, carbonates }: Facts): ReadSample['ground'] => ({
  ...(grass ? { grass } : {}),
  ...(texture ? { texture } : {}),
  ...(carbonates ? { carbonates } : {}),
});

/** The first of results that name the same analyte by the same method. */
const withoutRepeats = (results: readonly SoilResult[]): SoilResult[] =>
  results.filter((r, i) => results.findIndex((o) => o.analyte === r.analyte && o.method === r.method) === i);

const factsOf = (cells: readonly string[], columns: readonly Column[]): Facts => {
  const facts: Facts = {};
  columns.forEach((column, i) => {
    const text = cells[i]?.trim();
    if (column.kind === 'fact' && text) facts[column.fact] = text;
  });
  return facts;
};

/** One result of a long table, or why it is none; undefined where the cell is empty. */
function longResult(facts: Facts, reading: TableReading): SoilResult | undefined | Refusal {
  const header = readHeader(`${facts.analyte ?? ''}`);
  const analyte = header.kind === 'analyte' ? header.analyte : analyteNamed(facts.analyte ?? '');
  if (!analyte)
    return refuse('analyte', `"${(facts.analyte ?? '').slice(0, 30)}" is not an analyte that is known here.`);
  const cell = readCell(`${facts.qualifier ?? ''}${facts.value ?? ''}`, analyte, reading.decimal);
  if (cell === undefined || isRefusal(cell)) return cell;
  const method = facts.method === undefined ? undefined : methodNamed(facts.method);
  const unit = facts.unit === undefined ? undefined : unitNamed(facts.unit);
  const known = header.kind === 'analyte' ? header : { kind: 'analyte' as const, analyte };
  return resultFrom(
    cell,
    { ...known, method: known.method ?? method, unit: known.unit ?? unit },
    {},
    defaultsOf(reading),
  );
}

/** Rows from the top of a file within which its layout is guessed. */
export const GUESS_ROWS = LOOK_FOR_HEADER + 200;

/** Reads a table row by row, in the order of the file; what is wrong with a row never stops the rows after it. */
export class TableReader {
  samples: ReadSample[] = [];
  rejected: RejectedLine[] = [];
  private readonly open = new Map<
    string,
    { facts: Facts; results: SoilResult[]; line: number; cells: readonly string[] }
  >();
  private readonly defaults: RowDefaults;

  constructor(private readonly how: TableReading) {
    this.defaults = defaultsOf(this.how);
  }

  /** Takes one row below the header; `line` counts from 1 in the file. */
  take(cells: readonly string[], line: number): void {
    if (cells.every((cell) => cell.trim() === '')) return;
    if (this.how.layout === 'long') this.takeLong(cells, line);
    else this.takeWide(cells, line);
  }

  /** Hands over what was read so far and forgets it, so that a long file needs no more memory than a short one. */
  drain(): { samples: ReadSample[]; rejected: RejectedLine[] } {
    const { samples, rejected } = this;
    this.samples = [];
    this.rejected = [];
    return { samples, rejected };
  }

  private takeWide(cells: readonly string[], line: number): void {
    const { columns } = this.how;
    const row = readRow(cells, columns, this.defaults);
    const sample = isRefusal(row) ? row : sampleFrom(row.facts, row.results, this.how, line);
    if (isRefusal(sample)) this.rejected.push({ line, cells, why: sample.refused, field: sample.field });
    else this.samples.push(sample);
  }

  private takeLong(cells: readonly string[], line: number): void {
    const facts = factsOf(cells, this.how.columns);
    const result = longResult(facts, this.how);
    if (result === undefined) return;
    if (isRefusal(result)) {
      this.rejected.push({ line, cells, why: result.refused, field: result.field });
      return;
    }
    const key = `${facts.property ?? ''}|${facts.sample ?? ''}|${facts.sampledOn ?? ''}`;
    const group = this.open.get(key);
    if (group) group.results.push(result);
    else this.open.set(key, { facts, results: [result], line, cells });
  }

  /** Closes the samples of a long table. */
  finish(): void {
    for (const { facts, results, line, cells } of this.open.values()) {
      const sample = sampleFrom(facts, results, this.how, line);
      if (isRefusal(sample)) this.rejected.push({ line, cells, why: sample.refused, field: sample.field });
      else this.samples.push(sample);
    }
    this.open.clear();
  }
}

/** A read sample as a report of a zone. */
export const testFrom = (sample: ReadSample, id: string, zoneId: string, sampledOn: string): SoilTest => ({
  id,
  zoneId,
  sampledOn,
  ...(sample.depthIn === undefined ? {} : { depthIn: sample.depthIn }),
  ...(sample.lab ? { lab: sample.lab } : {}),
  ...(sample.basisDepthIn === undefined ? {} : { basisDepthIn: sample.basisDepthIn }),
  ...(sample.scoopGPerCm3 === undefined ? {} : { scoopGPerCm3: sample.scoopGPerCm3 }),
  ...(sample.labAdvice ? { labAdvice: sample.labAdvice } : {}),
  results: sample.results.map(({ qualifier, unit, method, ...rest }) => ({
    ...rest,
    ...(unit ? { unit } : {}),
    ...(method ? { method } : {}),
    ...(qualifier ? { qualifier } : {}),
  })),
});
