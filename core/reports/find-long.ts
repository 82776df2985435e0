import { columnAt, columnsOf, type Line, overlap, type ReportPage, type Span } from './document';
import {
  COLUMN_LINES,
  factOf,
  headingScore,
  HEADS,
  isFactOfSample,
  isLongHeading,
  isValueText,
  MOST_STRAY_LINES,
  segmentsOf,
  spansUnder,
  withoutBridges,
} from './table-lines';
import type { Column, LongTable } from './tables';
import { isAdviceHeading } from './terms/advice';
import { readLabel } from './terms/label';
import { type ReportFact } from './terms/names';
/** A table of one result a line, from its heading down. */
export function longTable(
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
