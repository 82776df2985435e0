import { type Cell, columnsOf, type Line, overlap, type ReportPage, type Span } from './document';
import { type Label, readLabel } from './terms/label';
import { type ReportFact } from './terms/names';
import { isRating } from './terms/ratings';
import { isUnitOnly } from './terms/units';
import { valueFrom } from './terms/values';
/** What a line of a report holds, before it is known to which table it belongs. */

/** Lines at the top of a page among which a heading is looked for; a table may begin again further down. */
export const FEWEST_VALUES = 2;
/** A line of this score heads a table: two analytes, or one beside what names a sample. */
export const HEADS = 1.7;
/** An analyte by its name, not a lone letter, is enough beside a fact of samples. */
export const ENOUGH_ALONE = 1;
export const BESIDE = 0.8;
/** Lines above and below a heading that may belong to it. */
export const MOST_HEADING_LINES = 3;
/** Lines within a table that may hold no values: notes, page numbers, names that run on. */
export const MOST_STRAY_LINES = 4;
/** Lines from which the columns of paper are found. */
export const COLUMN_LINES = 80;

/** A number and nothing else: no label, and told at once. */
export const isPlainNumber = (text: string): boolean => /^[<>]?\s?\d+([.,]\d+)?$/.test(text);
export const isAnalyte = (label: Label): boolean => label.meaning.kind === 'analyte';
export const isValueText = (text: string): boolean => {
  if (isPlainNumber(text)) return true;
  const value = valueFrom(text) ?? valueFrom(text, ',');
  return value !== undefined;
};
export const isNumberText = (text: string): boolean => {
  if (isPlainNumber(text)) return true;
  const value = valueFrom(text) ?? valueFrom(text, ',');
  return value?.value !== undefined;
};

/**
 * How much a line is a heading: the analytes it names, where it holds no values of its own. A spelling that is only near counts half, a lone
 * letter less than a word, and what names a sample, a day or a depth counts beside an analyte.
 */
export function headingScore(line: Line): number {
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

export const factOf = (text: string): ReportFact | undefined => {
  const { meaning } = readLabel(text);
  return meaning.kind === 'fact' ? meaning.fact : undefined;
};

/** Whether a line heads a table of one result a line: it names once where the analyte and once where the result stand. */
export function isLongHeading(line: Line): boolean {
  if (line.cells.length < 2 || line.cells.some(({ text }) => isPlainNumber(text))) return false;
  const facts = line.cells.map(({ text }) => factOf(text));
  const named = (fact: ReportFact) => facts.filter((each) => each === fact).length;
  return named('analyte') === 1 && named('value') === 1;
}

/** Lines without those that run over into a neighbor's column: by them two columns would seem one. */
export const withoutBridges = (lines: readonly Line[], heading: Line): Line[] => {
  const straight = lines.filter((line) =>
    line.cells.every((cell) => heading.cells.filter((over) => overlap(cell, over) > 0).length < 2),
  );
  return straight.length > 0 ? straight : [...lines];
};

/** Where the columns of a table are: from its rows on paper, from its numbers of columns in a file. */
export function spansUnder(page: ReportPage, core: number, last: number, claimed: ReadonlySet<number>): Span[] {
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

export interface Segment {
  label: Label;
  cell: Cell;
  cells: Cell[];
}

/** Pieces of a line that begin with the name of an analyte or of advice and go on with what it is. */
export function segmentsOf(line: Line, advised = false): Segment[] {
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

export const sameName = (a: Label, b: Label): boolean =>
  a.meaning.kind === 'analyte' && b.meaning.kind === 'analyte' && a.meaning.analyte === b.meaning.analyte;

/** `Soil pH: 6.1` and `Phosphorus (P) = 44 ppm` in one cell, as a name and the rest. */
export function splitPair(cell: Cell): { name: Cell; rest: Cell } | undefined {
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

/** A fact of a sample or of the whole file, and not the heading of a part of the table. */
export const isFactOfSample = (fact: ReportFact | undefined): boolean =>
  fact !== undefined && !['analyte', 'value', 'unit', 'method', 'rating', 'range', 'qualifier'].includes(fact);
