import { type Cell, columnAt, type Line, overlap, type ReportPage } from './document';
import type { AcrossTable, ReportTable } from './tables';
import { isRating } from './terms/ratings';

/** What a table holds, before any of it is read. */

/** Texts by which the way of writing numbers is judged; a long file is not read twice for it. */
export const MOST_TEXTS = 4000;

/** The cell of a line in a column. */
export function cellAt(line: Line, columns: AcrossTable['columns'], at: number): Cell | undefined {
  const column = columns[at];
  if (!column) return undefined;
  const cells = line.cells.filter((cell) => overlap(cell, column) > 0 && columnAt(cell, columns) === at);
  const [first, ...more] = cells;
  return first && more.length > 0
    ? { text: cells.map((c) => c.text).join(' '), from: first.from, to: more.at(-1)!.to }
    : first;
}

/** Texts of a table by which the way of writing numbers is judged. */
export function collectTexts(page: ReportPage, table: ReportTable, texts: string[]): void {
  const wanted =
    table.kind === 'down'
      ? []
      : table.columns.filter(
          ({ label }) =>
            label.meaning.kind === 'analyte' || (label.meaning.kind === 'fact' && label.meaning.fact === 'value'),
        );
  for (const row of table.rows) {
    if (texts.length > MOST_TEXTS) return;
    if (typeof row === 'number') {
      for (const cell of page.lines[row]!.cells)
        if (wanted.some((column) => overlap(cell, column) > 0)) texts.push(cell.text);
    } else for (const cell of row.cells) if (/\d/.test(cell.text)) texts.push(cell.text);
  }
}

/** The column that names the samples where no heading says so: words or codes, all different, furthest left. */
export function guessNames(page: ReportPage, table: AcrossTable): number | undefined {
  const rows = table.rows.slice(0, 40);
  for (const [i, { label }] of table.columns.entries()) {
    if (label.meaning.kind !== 'other') continue;
    const texts = rows.map((row) => cellAt(page.lines[row]!, table.columns, i)?.text ?? '').filter(Boolean);
    if (texts.length === 0 || texts.length < rows.length * 0.8) continue;
    const distinct = new Set(texts).size;
    const codes = texts.filter(
      (text) => (/[a-z]/i.test(text) && !isRating(text)) || /^\d{3,}$/.test(text) || i === 0,
    ).length;
    if (distinct >= texts.length * 0.9 && codes > texts.length / 2) return i;
  }
  return undefined;
}

/** The layout of a file in words. */
export function layoutOf(tables: readonly ReportTable[], samples: number): string {
  const kinds = new Set(tables.map(({ kind }) => kind));
  if (tables.length === 0) return 'no table of results';
  const down = tables.filter((table) => table.kind === 'down');
  const parts: string[] = [];
  if (kinds.has('across')) parts.push('one sample a row');
  if (kinds.has('long')) parts.push('one result a row');
  if (down.some(({ samples: columns }) => columns.length > 1)) parts.push('samples are columns');
  else if (down.length > 0) parts.push(samples > 1 ? 'one sample a list' : 'a list of results');
  return parts.join(', ');
}
