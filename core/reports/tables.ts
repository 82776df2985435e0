import { isMass, type ReportFact } from './terms/names';
import { extractFor, type Label, type Meaning, readLabel, unitFits } from './terms/label';
import { methodNamed } from '../records/methods';
import { isAdviceHeading } from './terms/advice';
import { isBar, isRating } from './terms/ratings';
import { isUnitOnly, type ReportUnit, unitIn } from './terms/units';
import { valueFrom } from './terms/values';
import {
  type Cell,
  columnAt,
  columnsOf,
  FEWEST_OF_SAMPLE,
  type Line,
  overlap,
  type ReportPage,
  type Span,
} from './document';

/**
 * Finds the tables of a page. A table goes *across* where a line names an analyte over each column and samples stand below, and *down* where each
 * line names one and the samples are columns, or one column beside it.
 */

/** What a column of a table is taken for. */
export interface Column extends Span {
  /** As printed, all lines of the heading joined. */
  text: string;
  label: Label;
  /** Line and left edge of the heading, for whoever looks it up. */
  at?: { line: number; from: number };
}

/** One sample a line. */
export interface AcrossTable {
  kind: 'across';
  page: number;
  columns: Column[];
  /** Lines of the heading, first and last, from 0. */
  heading: [number, number];
  /** Lines that hold samples, from 0. */
  rows: number[];
}

/** A column of samples' values beside the names of analytes. */
export interface SampleColumn extends Span {
  /** Heading cells over it, top to bottom. */
  names: string[];
  facts: Partial<Record<ReportFact, string>>;
}
/** One analyte a line. */
export interface DownTable {
  kind: 'down';
  page: number;
  label: Span;
  /** Where a unit, a method, a rating, a range stand, if anywhere. */
  parts: { kind: 'unit' | 'method' | 'rating' | 'range' | 'qualifier' | 'fact'; fact?: ReportFact; span: Span }[];
  samples: SampleColumn[];
  heading: number[];
  rows: { line: number; label: Label; cell: Cell; cells: Cell[]; advised: boolean }[];
}
/** One result a line, what it is of, its sample, unit and method in columns of their own. */
export interface LongTable extends Omit<AcrossTable, 'kind'> {
  kind: 'long';
}
export type ReportTable = AcrossTable | LongTable | DownTable;

/** Lines at the top of a page among which a heading is looked for; a table may begin again further down. */
const FEWEST_VALUES = 2;
/** A line of this score heads a table: two analytes, or one beside what names a sample. */
const HEADS = 1.7;
/** An analyte by its name, not a lone letter, is enough beside a fact of samples. */
const ENOUGH_ALONE = 1;
const BESIDE = 0.8;
/** Lines above and below a heading that may belong to it. */
const MOST_HEADING_LINES = 3;
/** Lines within a table that may hold no values: notes, page numbers, names that run on. */
const MOST_STRAY_LINES = 4;
/** Lines from which the columns of paper are found. */
const COLUMN_LINES = 80;

/** A number and nothing else: no label, and told at once. */
const isPlainNumber = (text: string): boolean => /^[<>]?\s?\d+([.,]\d+)?$/.test(text);
const isAnalyte = (label: Label): boolean => label.meaning.kind === 'analyte';
const isValueText = (text: string): boolean => {
  if (isPlainNumber(text)) return true;
  const value = valueFrom(text) ?? valueFrom(text, ',');
  return value !== undefined;
};
const isNumberText = (text: string): boolean => {
  if (isPlainNumber(text)) return true;
  const value = valueFrom(text) ?? valueFrom(text, ',');
  return value?.value !== undefined;
};

/**
 * How much a line is a heading: the analytes it names, where it holds no values of its own. A spelling that is only near counts half, a lone
 * letter less than a word, and what names a sample, a day or a depth counts beside an analyte.
 */
function headingScore(line: Line): number {
  // a row of numbers, told before any of its words are looked up
  if (line.cells.filter(({ text }) => isPlainNumber(text)).length * 2 > line.cells.length) return 0;
  let score = 0;
  const seen = new Set<string>();
  let [values, facts] = [0, 0];
  for (const { text } of line.cells) {
    if (isPlainNumber(text)) {
      values++;
      continue;
    }
    const label = readLabel(text);
    if (label.meaning.kind === 'analyte') {
      const key = `${label.meaning.analyte}${label.meaning.unit === '%' ? '%' : ''}${label.meaning.method ?? ''}`;
      if (!seen.has(key)) score += label.sure === 'guess' ? 0.5 : text.trim().length === 1 ? 0.8 : 1;
      seen.add(key);
    } else if (isNumberText(text)) values++;
    else if (isFactOfSample(factOf(text))) facts++;
  }
  if (values * 2 >= seen.size) return 0;
  return score >= ENOUGH_ALONE ? score + Math.min(facts, 2) * BESIDE : score;
}

const factOf = (text: string): ReportFact | undefined => {
  const { meaning } = readLabel(text);
  return meaning.kind === 'fact' ? meaning.fact : undefined;
};

/** Whether a line heads a table of one result a line: it names once where the analyte and once where the result stand. */
function isLongHeading(line: Line): boolean {
  if (line.cells.length < 2 || line.cells.some(({ text }) => isPlainNumber(text))) return false;
  const facts = line.cells.map(({ text }) => factOf(text));
  const named = (fact: ReportFact) => facts.filter((each) => each === fact).length;
  return named('analyte') === 1 && named('value') === 1;
}

interface Found {
  tables: ReportTable[];
  claimed: Set<number>;
}

/** All tables of a page, from the top down, and the lines that belong to them. */
export function findTables(page: ReportPage, pageNo: number): Found {
  const claimed = new Set<number>();
  const tables: ReportTable[] = [];
  const { lines } = page;
  lines.forEach((line, i) => {
    if (claimed.has(i) || !isLongHeading(line)) return;
    const table = longTable(page, pageNo, i, claimed);
    if (!table) return;
    tables.push(table);
    for (const at of [i, ...table.rows]) claimed.add(at);
  });
  const heads = lines.map((line, i) => ({ i, score: headingScore(line) })).filter(({ score }) => score >= HEADS);
  for (const { i, score } of heads) {
    if (claimed.has(i)) continue;
    // of heading lines that stand together the one that names most
    const rival = heads.find((h) => h.i > i && h.i <= i + 2 && h.score > score && !claimed.has(h.i));
    if (rival) continue;
    const table = acrossTable(page, pageNo, i, claimed);
    if (!table || table.rows.length === 0) continue;
    tables.push(table);
    for (let at = table.heading[0]; at <= table.heading[1]; at++) claimed.add(at);
    for (const at of table.rows) claimed.add(at);
  }
  tables.push(...downTables(page, pageNo, claimed));
  return { tables, claimed };
}

/** A table of one result a line, from its heading down. */
function longTable(
  page: ReportPage,
  pageNo: number,
  core: number,
  claimed: ReadonlySet<number>,
): LongTable | undefined {
  const { lines } = page;
  const heading = lines[core]!;
  const spans = page.kind === 'cells' ? spansUnder(page, core, core, claimed) : longSpans(page, core, claimed);
  const columns: Column[] = spans.map((span) => {
    const over = heading.cells.filter((cell) => spans[columnAt(cell, spans)] === span);
    const text = over.map((cell) => cell.text).join(' ');
    return {
      ...span,
      text,
      label: readLabel(text),
      ...(over[0] ? { at: { line: heading.no, from: over[0].from } } : {}),
    };
  });
  const at = (fact: ReportFact) =>
    columns.findIndex(({ label }) => label.meaning.kind === 'fact' && label.meaning.fact === fact);
  const [names, values] = [at('analyte'), at('value')];
  if (names === -1 || values === -1) return undefined;
  const rows: number[] = [];
  let strays = 0;
  for (let i = core + 1; i < lines.length && !claimed.has(i); i++) {
    const line = lines[i]!;
    if (line.cells.length === 0) continue;
    if (isLongHeading(line) || headingScore(line) >= HEADS) break;
    // names of facts in a line begin the next sample's
    if (line.cells.filter(({ text }) => isFactOfSample(factOf(text))).length > 1) break;
    const named = line.cells.find((cell) => columnAt(cell, columns) === names);
    const isRow =
      named !== undefined &&
      (readLabel(named.text).meaning.kind !== 'other' ||
        line.cells.some((cell) => cell !== named && isValueText(cell.text)));
    if (isRow && line.cells.length > 1) {
      strays = 0;
      rows.push(i);
    } else if (page.kind === 'paper' && (isAdviceHeading(line.cells[0]!.text) || ++strays > MOST_STRAY_LINES)) break;
  }
  return rows.length === 0 ? undefined : { kind: 'long', page: pageNo, columns, heading: [core, core], rows };
}

/** Lines without those that run over into a neighbor's column: by them two columns would seem one. */
const withoutBridges = (lines: readonly Line[], heading: Line): Line[] => {
  const straight = lines.filter((line) =>
    line.cells.every((cell) => heading.cells.filter((over) => overlap(cell, over) > 0).length < 2),
  );
  return straight.length > 0 ? straight : [...lines];
};

/** Columns of a list on paper: those of its heading, each as wide as what stands under it. */
function longSpans(page: ReportPage, core: number, claimed: ReadonlySet<number>): Span[] {
  const body: Line[] = [];
  for (let at = core + 1; at < page.lines.length && body.length < COLUMN_LINES && !claimed.has(at); at++) {
    const line = page.lines[at]!;
    if (line.cells.length >= 2 && segmentsOf(line).length > 0) body.push(line);
  }
  const spans = columnsOf(withoutBridges(body, page.lines[core]!), true);
  for (const cell of page.lines[core]!.cells)
    if (!spans.some((span) => overlap(cell, span) > 0)) spans.push({ from: cell.from, to: cell.to });
  return spans.sort((a, b) => a.from - b.from);
}

/** Whether the cells of a line give values to a table's columns of analytes. */
const valuesUnder = (line: Line, columns: readonly Column[]): number =>
  line.cells.filter((cell) => {
    const at = columnAt(cell, columns);
    return at !== -1 && isAnalyte(columns[at]!.label) && overlap(cell, columns[at]!) > 0 && isValueText(cell.text);
  }).length;

function acrossTable(
  page: ReportPage,
  pageNo: number,
  core: number,
  claimed: ReadonlySet<number>,
): AcrossTable | undefined {
  const { lines } = page;
  const isPaper = page.kind === 'paper';
  // lines below that only say units, methods or go on with a name
  let last = core;
  while (last - core < MOST_HEADING_LINES && lines[last + 1] && isUnderHeading(lines[last + 1]!)) last++;
  const spans = spansUnder(page, core, last, claimed);
  const headings = Array.from({ length: last - core + 1 }, (_, k) => lines[core + k]!);
  const columns: Column[] = spans.map((span) => ({ ...span, text: '', label: readLabel('') }));
  const texts = columns.map(() => [] as string[]);
  const headed = new Set<number>();
  const places: ({ line: number; from: number } | undefined)[] = columns.map(() => undefined);
  const spread: Line[] = [];
  for (const line of headings)
    for (const cell of line.cells) {
      const at = columnAt(cell, spans);
      if (at === -1) continue;
      // a unit that is drawn out under several names holds for all of them
      if (line !== headings[0] && spans.filter((span) => overlap(cell, span) > 0).length > 1) {
        spread.push({ ...line, cells: [cell] });
        continue;
      }
      texts[at]!.push(cell.text);
      if (line === headings[0]) headed.add(at);
      places[at] ??= { line: line.no, from: cell.from };
    }
  let first = core;
  const groups: Line[] = [];
  for (let at = core - 1; at >= 0 && core - at <= MOST_HEADING_LINES; at--) {
    const above = lines[at]!;
    if (claimed.has(at) || !isOverHeading(above, spans, lines[at + 1]!)) break;
    groups.unshift(above);
    first = at;
  }
  columns.forEach((column, i) => {
    column.text = texts[i]!.join(' ');
    // a heading over two columns may stand between them
    const between = headed.has(i) || texts[i]!.length === 0 ? [] : overTexts(headings[0]!, spans[i]!, isPaper, spans);
    const under = spread.flatMap((line) => line.cells.filter((cell) => overlap(cell, spans[i]!) > 0));
    const over = [
      ...groups.flatMap((line) => overTexts(line, spans[i]!, isPaper, spans)),
      ...between,
      ...under.map((cell) => cell.text),
    ];
    column.label = readHeading(texts[i]!, over);
    if (places[i]) column.at = places[i]!;
    if (column.label.meaning.kind === 'other' && over.length > 0 && column.text === '') column.text = over.join(' ');
  });
  if (!columns.some((c) => isAnalyte(c.label))) return undefined;
  const rows: number[] = [];
  let [strays, valued] = [0, 0];
  for (let at = last + 1; at < lines.length; at++) {
    if (claimed.has(at)) break;
    const line = lines[at]!;
    if (line.cells.length === 0) continue;
    const values = valuesUnder(line, columns);
    if (values === 0) {
      if (headingScore(line) >= HEADS || isLongHeading(line)) {
        // what stands between the last values and another heading belongs to that
        rows.length = valued;
        break;
      }
      strays++;
      if (isPaper && strays > MOST_STRAY_LINES) break;
      // a row whose cells cannot be read is still a row: it is refused with its reason
      if (looksLikeRow(line, columns)) rows.push(at);
      continue;
    }
    if (values >= FEWEST_VALUES && values * 2 < line.cells.length && headingScore(line) >= HEADS) break;
    // a line that names analytes beside their values begins a list
    if (isPaper && segmentsOf(line).length > 0 && values < FEWEST_VALUES) break;
    strays = 0;
    valued = rows.push(at);
  }
  return { kind: 'across', page: pageNo, columns, heading: [first, last], rows };
}

/** A line of many cells under a table's columns, though none of them holds a value that can be read. */
const looksLikeRow = (line: Line, columns: readonly Column[]): boolean =>
  line.cells.length >= Math.max(2, columns.length / 2) ||
  (line.cells.length >= 2 &&
    line.cells.some((cell) => /\d/.test(cell.text) && isAnalyte(columns[Math.max(0, columnAt(cell, columns))]!.label)));

/** Where the columns of a table are: from its rows on paper, from its numbers of columns in a file. */
function spansUnder(page: ReportPage, core: number, last: number, claimed: ReadonlySet<number>): Span[] {
  const heading = page.lines[core]!;
  if (page.kind === 'cells') {
    const widest = page.lines
      .slice(core, last + 200)
      .reduce((most, line) => Math.max(most, line.cells.at(-1)?.to ?? 0), 0);
    return Array.from({ length: widest }, (_, i) => ({ from: i, to: i + 1 }));
  }
  const body: Line[] = [];
  for (let at = last + 1; at < page.lines.length && body.length < COLUMN_LINES && !claimed.has(at); at++) {
    const line = page.lines[at]!;
    if (headingScore(line) >= HEADS) break;
    if (line.cells.filter((cell) => isValueText(cell.text)).length >= FEWEST_VALUES) body.push(line);
  }
  const spans = columnsOf(withoutBridges(body, heading), true);
  // a heading may be wider than its numbers and stand beside them: its lines together make one block over its column
  const stack = Array.from({ length: last - core + 1 }, (_, k) => page.lines[core + k]!);
  for (const block of columnsOf(stack, true)) {
    const under = spans.filter((span) => overlap(block, span) > 0);
    if (under.length === 0) spans.push(block);
    const [only] = under;
    if (only && under.length === 1) {
      only.from = Math.min(only.from, block.from);
      only.to = Math.max(only.to, block.to);
    }
  }
  return spans.sort((a, b) => a.from - b.from);
}

/** A line below a heading that belongs to it: units, methods, the rest of names, and no value. */
function isUnderHeading(line: Line): boolean {
  if (line.cells.length === 0) return false;
  let telling = 0;
  for (const { text } of line.cells) {
    if (isUnitOnly(text) || methodNamed(text) !== undefined || /^\(?\s*(water|h2o)\s*\)?$/i.test(text)) telling++;
    else if (/^100 ?(g|cc|ml|cm3)\)?$/i.test(text)) telling++;
    else if (isNumberText(text) || /^[<>]?\d/.test(text)) return false;
    else if (unitIn(text) || isAnalyte(readLabel(text))) telling++;
    else telling -= 0.4;
  }
  return telling > 0;
}

/** A line above a heading that belongs to it: words over its columns, no values and no facts. */
function isOverHeading(line: Line, spans: readonly Span[], below: Line): boolean {
  if (line.cells.length === 0) return false;
  if (line.top !== undefined && below.top !== undefined && below.top - line.top > 2.4 * (line.height ?? 10))
    return false;
  return (
    line.cells.every(
      (cell) =>
        !/:$/.test(cell.text) && !/\d{2,}[/.-]\d/.test(cell.text) && !/:\s+\S/.test(cell.text) && cell.text.length < 60,
    ) && line.cells.some((cell) => spans.some((span, i) => i > 0 && overlap(cell, span) > 0))
  );
}

/** What a line of group headings says over a column: what overlaps it, else the nearest; in a file a heading reaches to the next one. */
function overTexts(line: Line, span: Span, isPaper: boolean, spans: readonly Span[]): string[] {
  if (!isPaper)
    return line.cells
      .filter((cell, i) => {
        const next = line.cells[i + 1];
        return span.from >= cell.from && span.from < Math.max(cell.to, next ? next.from : spans.at(-1)!.to);
      })
      .map((cell) => cell.text);
  const over = line.cells.filter((cell) => overlap(cell, span) > 0);
  if (over.length > 0) return over.map((cell) => cell.text);
  // a word in the middle over two columns may stand over neither
  const [nearest] = line.cells
    .filter((cell) => overlap(cell, span) > -BESIDE_PT)
    .sort((a, b) => overlap(b, span) - overlap(a, span));
  return nearest ? [nearest.text] : [];
}
const BESIDE_PT = 25;

/** A column's heading: its own lines, and what the lines over it add of unit, method, or the first half of a name. */
export function readHeading(own: readonly string[], over: readonly string[]): Label {
  const [first = '', ...rest] = own;
  let label = readLabel(own.join(' '));
  if (label.meaning.kind === 'other' && rest.length > 0) {
    const alone = readLabel(first);
    if (alone.meaning.kind !== 'other') label = withContext(alone, rest);
  }
  if (over.length === 0) return label;
  if (label.meaning.kind !== 'analyte' || label.sure === 'guess') {
    for (let from = over.length - 1; from >= 0; from--) {
      const joined = readLabel([...over.slice(from), ...own].join(' '));
      if (joined.meaning.kind === 'analyte' && joined.sure !== 'guess') {
        label = joined;
        break;
      }
    }
    // advice under a heading that says so
    if (label.meaning.kind !== 'analyte' && over.some(isAdviceHeading)) {
      const advised = readLabel([...own, ...over].join(' '), true);
      if (advised.meaning.kind === 'advice') return advised;
    }
  } else if (over.some((text) => isAdviceHeading(text))) {
    const advised = readLabel([...own, ...over].join(' '), true);
    if (advised.meaning.kind === 'advice') return advised;
  }
  return withContext(label, over);
}

/** A label with the unit and the method that stand beside or over it, where it says none itself. */
export function withContext(label: Label, texts: readonly string[]): Label {
  if (label.meaning.kind !== 'analyte') return label;
  let { meaning } = label;
  let because = label.because;
  for (const text of texts) {
    const printed = meaning.unit ? undefined : unitOf(meaning.analyte, text);
    const { method, otherExtract } = meaning.method || meaning.otherExtract ? {} : extractFor(meaning.analyte, text);
    if (!printed && !method && !otherExtract) continue;
    meaning = {
      ...meaning,
      ...(printed
        ? {
            unit: printed.unit,
            ...(printed.factor === undefined ? {} : { factor: (meaning.factor ?? 1) * printed.factor }),
          }
        : {}),
      ...(method ? { method } : otherExtract ? { otherExtract } : {}),
    };
    because ??= `“${text}” stands over or under it`;
  }
  return meaning === label.meaning
    ? label
    : { ...label, meaning, sure: label.sure === 'guess' ? 'guess' : 'sure', ...(because ? { because } : {}) };
}

/** The unit of a text as it is one for this analyte. */
export function unitOf(
  analyte: Extract<Meaning, { kind: 'analyte' }>['analyte'],
  text: string,
): { unit: ReportUnit; factor?: number } | undefined {
  const { rest: _, ...printed } = unitIn(text) ?? { rest: '', unit: undefined };
  if (!printed.unit)
    return /base sat|saturation/i.test(text) && ['Ca', 'Mg', 'K', 'Na'].includes(analyte) ? { unit: '%' } : undefined;
  const named = readLabel(`${analyte === 'buffer-pH' ? 'buffer pH' : analyte} (${text})`).meaning;
  // words beside the unit may make no name together with the analyte: `Micros, ppm`
  if (named.kind !== 'analyte' || !named.unit)
    return unitFits(analyte, printed.unit) && isMass(analyte)
      ? (printed as { unit: ReportUnit; factor?: number })
      : undefined;
  return {
    unit: named.unit,
    ...(printed.factor === undefined || named.factor === undefined ? {} : { factor: named.factor }),
  };
}

interface Segment {
  label: Label;
  cell: Cell;
  cells: Cell[];
}

/** Pieces of a line that begin with the name of an analyte or of advice and go on with what it is. */
function segmentsOf(line: Line, advised = false): Segment[] {
  const segments: Segment[] = [];
  let open: Segment | undefined;
  for (const cell of line.cells) {
    const split = splitPair(cell);
    const label = readLabel(split?.name.text ?? cell.text, advised);
    const starts =
      (label.meaning.kind === 'analyte' || label.meaning.kind === 'advice') &&
      !isNumberText(cell.text) &&
      !isUnitOnly(cell.text) &&
      !(open && open.cells.length === 0 && isRating(cell.text));
    if (starts && !(open?.label.meaning.kind === 'analyte' && open.cells.length === 0 && sameName(open.label, label))) {
      open = { label, cell: split?.name ?? cell, cells: split ? [split.rest] : [] };
      segments.push(open);
    } else open?.cells.push(cell);
  }
  return segments.filter(({ label, cells }) =>
    cells.some((cell) => isValueText(cell.text) || (label.meaning.kind === 'advice' && /^\d/.test(cell.text))),
  );
}

const sameName = (a: Label, b: Label): boolean =>
  a.meaning.kind === 'analyte' && b.meaning.kind === 'analyte' && a.meaning.analyte === b.meaning.analyte;

/** `Soil pH: 6.1` and `Phosphorus (P) = 44 ppm` in one cell, as a name and the rest. */
function splitPair(cell: Cell): { name: Cell; rest: Cell } | undefined {
  const pair = /^(?<name>[^:=]{1,60}?)\s*[:=]\s*(?<rest>\S.*)$/.exec(cell.text)?.groups;
  if (!pair) return undefined;
  const [name, rest] = [pair.name!, pair.rest!];
  // a sentence is no name
  if (/[.;]\s|\s{2,}/.test(name)) return undefined;
  // 1:1 is a ratio
  if (/\d$/.test(name) && /^\d/.test(rest) && !/[:=]\s/.test(cell.text)) return undefined;
  if (!/^[<>(≤≥]|^\d|^(nd|n\/a|trace|vl|l|m|h|vh)\b/i.test(rest)) return undefined;
  const share = cell.from + ((cell.to - cell.from) * name.length) / cell.text.length;
  return {
    name: { text: name, from: cell.from, to: share },
    rest: { text: rest, from: share, to: cell.to },
  };
}

/** A piece of a list, with the heading of its part. */
interface Piece {
  at: number;
  segment: Segment;
  advised: boolean;
  section?: string;
}

/** The name before a whole sample in one line: `north side: pH 6.0, P 22, K 80`. */
function leadOf(line: Line, segments: readonly Segment[]): Cell | undefined {
  const [lead] = line.cells;
  if (segments.length < FEWEST_OF_SAMPLE || !lead || lead === segments[0]!.cell || lead.to > segments[0]!.cell.from)
    return undefined;
  const isName = /^[^:]{1,40}[:–-]$/.test(lead.text) && readLabel(lead.text).meaning.kind === 'other';
  return isName ? lead : undefined;
}

/** Lists of analytes with their values beside them. */
function downTables(page: ReportPage, pageNo: number, claimed: Set<number>): DownTable[] {
  const { lines } = page;
  const isPaper = page.kind === 'paper';
  const found: Piece[] = [];
  const leads: { at: number; named: Cell; segments: Segment[] }[] = [];
  let advised = false;
  let section: string | undefined;
  lines.forEach((line, at) => {
    if (claimed.has(at) || line.cells.length === 0) return;
    const here = segmentsOf(line, false);
    const [lead] = line.cells;
    if (line.cells.length <= 2 && here.length === 0 && isAdviceHeading(lead!.text)) advised = true;
    else if (
      here.some(({ label }) => label.meaning.kind === 'analyte') &&
      segmentsOf(line, true).every(({ label }) => label.meaning.kind !== 'advice')
    )
      advised = false;
    // a heading of a part of the list says a unit or a method for the lines below it
    if (line.cells.length === 1 && here.length === 0 && !/\d{2,}/.test(lead!.text)) section = lead!.text;
    const named = leadOf(line, here);
    if (named) leads.push({ at, named, segments: here });
    for (const segment of named ? [] : advised ? segmentsOf(line, true) : here) {
      const own = segment.cells.some(({ text }) => isUnitOnly(text) || valueFrom(text)?.unit !== undefined);
      const label = section !== undefined && !own ? withContext(segment.label, [section]) : segment.label;
      found.push({ at, segment: { ...segment, label }, advised, ...(section === undefined ? {} : { section }) });
    }
  });
  const groups: Piece[][] = [];
  for (const each of found) {
    const group = groups.findLast((g) => {
      const away = Math.abs(g[0]!.segment.cell.from - each.segment.cell.from);
      return (isPaper ? away < NEAR_PT : away === 0) && each.at - g.at(-1)!.at <= FAR_LINES;
    });
    // the same name again, under no other heading, begins another sample's list
    const again = group?.some(
      (other) => other.segment.cell.text === each.segment.cell.text && other.section === each.section,
    );
    if (group && !again) group.push(each);
    else groups.push([each]);
  }
  // what another list holds heads none
  const taken = new Set([...claimed, ...found.map(({ at }) => at)]);
  const tables = groups.map((group) => downTable(page, pageNo, group, taken)).filter((table) => table !== undefined);
  for (const { at, named, segments } of leads)
    tables.push({
      kind: 'down',
      page: pageNo,
      label: { from: named.from, to: named.to },
      parts: [],
      samples: [
        {
          from: named.to,
          to: lines[at]!.cells.at(-1)!.to,
          names: [],
          facts: { sample: named.text.replace(/\s*[:–-]+$/, '') },
        },
      ],
      heading: [],
      rows: segments.map(({ label, cell, cells }) => ({ line: at, label, cell, cells, advised: false })),
    });
  for (const table of tables) {
    for (const at of table.heading) claimed.add(at);
    for (const row of table.rows) claimed.add(row.line);
  }
  return tables;
}
/** Names of one list begin at one place, points. */
const NEAR_PT = 8;
/** Lines between two of one list. */
const FAR_LINES = 12;

function downTable(
  page: ReportPage,
  pageNo: number,
  group: readonly Piece[],
  claimed: ReadonlySet<number>,
): DownTable | undefined {
  const isPaper = page.kind === 'paper';
  const rows = group.map(({ at, segment, advised }) => ({
    line: at,
    label: segment.label,
    cell: segment.cell,
    cells: segment.cells,
    advised,
  }));
  const pseudo: Line[] = rows.map(({ line, cells }) => ({ no: line, cells }));
  const spans = columnsOf(pseudo, isPaper);
  const label = { from: Math.min(...rows.map((r) => r.cell.from)), to: Math.max(...rows.map((r) => r.cell.to)) };
  const first = rows[0]!.line;
  const labelEnd = Math.max(...spans.map((s) => s.to), label.to);
  const headings = headingLines(page, first, { from: label.from, to: labelEnd }, spans, claimed);
  const parts: DownTable['parts'] = [];
  const samples: SampleColumn[] = [];
  for (const span of spans) {
    const here = rows.flatMap(({ cells }) => cells.filter((cell) => overlap(cell, span) > 0));
    const over = headings.flatMap((at) =>
      page.lines[at]!.cells.filter((cell) => spans[columnAt(cell, [label, ...spans]) - 1] === span),
    );
    const isAdvice = rows.every(({ label }) => label.meaning.kind === 'advice');
    const kind = isAdvice && share(here, (text) => /^\d/.test(text)) > 0.4 ? 'value' : partKind(here, over);
    if (kind === 'value')
      samples.push({
        ...span,
        names: over.filter(({ text }) => !isWordForValue(text) && !isUnitOnly(text)).map(({ text }) => text),
        facts: {},
      });
    else if (kind)
      parts.push(kind.kind === 'fact' ? { kind: 'fact', fact: kind.fact!, span } : { kind: kind.kind, span });
  }
  if (samples.length === 0) return undefined;
  // names of any length with their numbers behind them are one list, however ragged
  const mostNumbers = Math.max(...rows.map(({ cells }) => cells.filter(({ text }) => isNumberText(text)).length));
  if (mostNumbers <= 1 && samples.every(({ names }) => names.length === 0)) {
    const [first] = samples as [SampleColumn];
    const whole = {
      ...first,
      from: Math.min(...samples.map((s) => s.from)),
      to: Math.max(...samples.map((s) => s.to)),
    };
    samples.splice(0, samples.length, whole);
  }
  // the heading's own first cell may say what the names over the columns are
  const heading: number[] = [];
  for (const at of headings) {
    const [lead] = page.lines[at]!.cells;
    const fact = lead && overlap(lead, label) > 0 ? factOf(lead.text) : undefined;
    let told = !isFactOfSample(fact);
    if (fact && isFactOfSample(fact))
      for (const cell of page.lines[at]!.cells.slice(1)) {
        const sample = samples[columnAt(cell, samples)];
        if (!sample || overlap(cell, sample) <= 0 || factOf(cell.text) !== undefined) continue;
        sample.facts[fact] ??= cell.text;
        sample.names = sample.names.filter((name) => name !== cell.text);
        told = true;
      }
    // a fact that stands over no sample is the page's
    if (told) heading.push(at);
  }
  // facts of each sample among the rows: depth, day, texture
  const lastLine = rows.at(-1)!.line;
  for (let at = first; at <= lastLine; at++) {
    const line = page.lines[at]!;
    const [lead] = line.cells;
    if (!lead || claimed.has(at) || rows.some((row) => row.line === at) || overlap(lead, label) <= 0) continue;
    const { meaning } = readLabel(lead.text);
    if (meaning.kind !== 'fact') continue;
    for (const cell of line.cells.slice(1)) {
      const sample = samples[columnAt(cell, samples)];
      if (sample && overlap(cell, sample) > 0) sample.facts[meaning.fact] ??= cell.text;
    }
    heading.push(at);
  }
  return { kind: 'down', page: pageNo, label, parts, samples, heading, rows };
}

/** A fact of a sample or of the whole file, and not the heading of a part of the table. */
const isFactOfSample = (fact: ReportFact | undefined): boolean =>
  fact !== undefined && !['analyte', 'value', 'unit', 'method', 'rating', 'range', 'qualifier'].includes(fact);

const isWordForValue = (text: string): boolean => {
  const { meaning } = readLabel(text);
  return (
    meaning.kind === 'fact' && (meaning.fact === 'value' || meaning.fact === 'analyte' || meaning.fact === 'rating')
  );
};

/** Lines straight above a list that say what its columns are. */
function headingLines(
  page: ReportPage,
  first: number,
  whole: Span,
  spans: readonly Span[],
  claimed: ReadonlySet<number>,
): number[] {
  const found: number[] = [];
  let blanks = 0;
  for (let at = first - 1; at >= 0 && first - at <= MOST_HEADING_LINES + 2; at--) {
    const line = page.lines[at]!;
    if (claimed.has(at)) break;
    if (line.cells.length === 0) {
      if (page.kind === 'cells' && ++blanks > 1) break;
      continue;
    }
    const over = line.cells.filter((cell) =>
      spans.some((span) => overlap(cell, span) > 0 && cell.to - cell.from < (whole.to - whole.from) * 0.8),
    );
    // a heading of a part of the list stands alone at its left
    if (over.length === 0) {
      if (line.cells.length === 1 && !/[:\d]/.test(line.cells[0]!.text)) continue;
      break;
    }
    if (line.cells.some((cell) => /:\s*\S/.test(cell.text))) break;
    // `Client  Somebody  Client no.  12` and `Sampled  10/12/2026`: facts in pairs are no heading
    const pairs = line.cells.filter(({ text }) => isFactOfSample(factOf(text)));
    if (
      pairs.length > 1 ||
      (pairs.length === 1 && line.cells.filter(({ text }) => factOf(text) !== undefined).length > 1)
    )
      break;
    if (pairs.length === 1 && line.cells.length - 1 < (spans.length - 1) / 2) break;
    found.unshift(at);
  }
  return found;
}

/** What the cells of a column beside names are: values, or what is said of them. */
function partKind(
  cells: readonly Cell[],
  heading: readonly Cell[],
): 'value' | { kind: DownTable['parts'][number]['kind']; fact?: ReportFact } | undefined {
  for (const { text } of heading) {
    const { meaning } = readLabel(text);
    if (meaning.kind !== 'fact') continue;
    if (
      meaning.fact === 'unit' ||
      meaning.fact === 'method' ||
      meaning.fact === 'rating' ||
      meaning.fact === 'range' ||
      meaning.fact === 'qualifier'
    ) {
      // a column headed Level may hold numbers
      if (meaning.fact === 'rating' && share(cells, (text) => isNumberText(text)) > 0.5) return 'value';
      return { kind: meaning.fact };
    }
    if (meaning.fact === 'value') return 'value';
    if (
      meaning.fact === 'sample' ||
      meaning.fact === 'bag' ||
      meaning.fact === 'field' ||
      meaning.fact === 'labNumber' ||
      meaning.fact === 'sampledOn' ||
      meaning.fact === 'depthIn' ||
      meaning.fact === 'property' ||
      meaning.fact === 'lab'
    )
      return share(cells, isNumberText) > 0.9 && heading.length > 1 ? 'value' : { kind: 'fact', fact: meaning.fact };
  }
  if (cells.length === 0) return undefined;
  if (share(cells, (text) => isUnitOnly(text)) > 0.5) return { kind: 'unit' };
  if (share(cells, isBar) > 0.5) return { kind: 'range' };
  if (share(cells, (text) => /^[<>≤≥]?\s*[\d.,]+\s*(-|–|to|bis|a|à)\s*[\d.,]+/.test(text)) > 0.5)
    return { kind: 'range' };
  if (share(cells, isRating) > 0.5) return { kind: 'rating' };
  if (share(cells, isNumberText) >= 0.5) return 'value';
  if (share(cells, (text) => methodNamed(text) !== undefined) > 0.5) return { kind: 'method' };
  if (share(cells, isValueText) >= 0.4) return 'value';
  return share(cells, (text) => isUnitOnly(text) || methodNamed(text) !== undefined) > 0.4
    ? { kind: 'unit' }
    : undefined;
}

const share = (cells: readonly Cell[], test: (text: string) => boolean): number =>
  cells.length === 0 ? 0 : cells.filter(({ text }) => test(text)).length / cells.length;
