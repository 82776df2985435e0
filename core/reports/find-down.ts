import { methodNamed } from '../records/methods';
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
import { withContext } from './label-context';
import {
  factOf,
  isFactOfSample,
  isNumberText,
  isValueText,
  MOST_HEADING_LINES,
  type Segment,
  segmentsOf,
} from './table-lines';
import type { DownTable, SampleColumn } from './tables';
import { isAdviceHeading } from './terms/advice';
import { readLabel } from './terms/label';
import { type ReportFact } from './terms/names';
import { isBar, isRating } from './terms/ratings';
import { isUnitOnly } from './terms/units';
import { valueFrom } from './terms/values';
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
export function downTables(page: ReportPage, pageNo: number, claimed: Set<number>): DownTable[] {
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
