import { methodNamed } from '../records/methods';
import { columnAt, type Line, overlap, type ReportPage, type Span } from './document';
import { readHeading } from './label-context';
import {
  FEWEST_VALUES,
  headingScore,
  HEADS,
  isAnalyte,
  isLongHeading,
  isNumberText,
  isValueText,
  MOST_HEADING_LINES,
  MOST_STRAY_LINES,
  segmentsOf,
  spansUnder,
} from './table-lines';
import type { AcrossTable, Column } from './tables';
import { readLabel } from './terms/label';
import { isUnitOnly, unitIn } from './terms/units';
/** Whether the cells of a line give values to a table's columns of analytes. */
const valuesUnder = (line: Line, columns: readonly Column[]): number =>
  line.cells.filter((cell) => {
    const at = columnAt(cell, columns);
    return at !== -1 && isAnalyte(columns[at]!.label) && overlap(cell, columns[at]!) > 0 && isValueText(cell.text);
  }).length;

export function acrossTable(
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
