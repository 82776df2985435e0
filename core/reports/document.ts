/**
 * A report as it came, whatever its door: pages of lines of cells. In a table a cell's place is its column, on paper the points from
 * the left; whether two cells stand one over the other is asked alike of both.
 */
export interface Cell {
  text: string;
  /** Left and right edge: column numbers in a table, points on paper. */
  from: number;
  to: number;
}
export interface Line {
  /** Counts from 1 on its page. */
  no: number;
  cells: readonly Cell[];
  /** Points from the top of the page to the line, and the height of its letters; on paper only. */
  top?: number;
  height?: number;
  /** The whole line, where its cells are only the results in its words. */
  sentence?: Cell;
}
export interface ReportPage {
  name: string;
  kind: 'cells' | 'paper';
  lines: readonly Line[];
  /** Size of the paper, points. */
  width?: number;
  height?: number;
}
export type DoorKind = 'table' | 'workbook' | 'pdf' | 'text';
export interface ReportDocument {
  kind: DoorKind;
  pages: readonly ReportPage[];
}

/** A span of merged cells: first and last row and column, from 0. */
export interface Merge {
  top: number;
  left: number;
  bottom: number;
  right: number;
}

/** A line of a table from its row. A merged cell is as wide as its columns. */
export function lineOfRow(row: readonly string[], no: number, merges: readonly Merge[] = []): Line {
  const cells: Cell[] = [];
  for (let i = 0; i < row.length; i++) {
    const text = row[i]!.trim();
    if (text === '') continue;
    const merge = merges.find((m) => m.top === no - 1 && m.left === i);
    cells.push({ text, from: i, to: i + 1 + (merge ? merge.right - merge.left : 0) });
  }
  return { no, cells };
}

/** A table as a page. */
export function pageOfRows(
  name: string,
  rows: readonly (readonly string[])[],
  merges: readonly Merge[] = [],
): ReportPage {
  const starting = new Map<number, Merge[]>();
  for (const merge of merges) {
    const there = starting.get(merge.top);
    if (there) there.push(merge);
    else starting.set(merge.top, [merge]);
  }
  return { name, kind: 'cells', lines: rows.map((row, i) => lineOfRow(row, i + 1, starting.get(i))) };
}

export const overlap = (a: Cell | Span, b: Cell | Span): number => Math.min(a.to, b.to) - Math.max(a.from, b.from);
export interface Span {
  from: number;
  to: number;
}

/** The place of a cell in words: `Results, C7`, `page 2, line 12`, `line 7, column 3`. */
export function placeOf(kind: DoorKind, pageName: string, line: number, from: number): string {
  if (kind === 'pdf') return `${pageName}, line ${line}`;
  if (kind === 'workbook') return `${pageName}, ${columnLetters(from)}${line}`;
  return kind === 'text' ? `line ${line}` : `line ${line}, column ${from + 1}`;
}

/** 0 is A, 26 is AA. */
export function columnLetters(column: number): string {
  let letters = '';
  for (let n = column + 1; n > 0; n = Math.floor((n - 1) / 26))
    letters = String.fromCharCode(65 + ((n - 1) % 26)) + letters;
  return letters;
}

/** Columns that cells of several lines make: those that stand one over another are one. Left to right. */
export function columnsOf(lines: readonly Line[], isPaper: boolean): Span[] {
  const cells = lines.flatMap((line) => line.cells).sort((a, b) => a.from - b.from || a.to - b.to);
  const columns: Span[] = [];
  for (const { from, to } of cells) {
    const last = columns.at(-1);
    // letters of neighbors may touch, cells of a table may not share a column
    const touches = last && (isPaper ? from < last.to - TOUCH_PT : from < last.to);
    if (touches) last.to = Math.max(last.to, to);
    else columns.push({ from, to });
  }
  return columns;
}
const TOUCH_PT = 1;
/** Lines of a text in one column begin at one place: their left edges differ by less, points. */
export const SAME_EDGE_PT = 3;
/** Results in one line from which it is a whole sample, and what stands before them its name: `north side: pH 6.0, P 22, K 80`. */
export const FEWEST_OF_SAMPLE = 3;

/** The column that a cell stands in: the one it shares most with, else the nearest by its middle within reach. */
export function columnAt(cell: Span, columns: readonly Span[], reach = Infinity): number {
  // in a table the column of a cell is its number
  if (columns[cell.from]?.from === cell.from) return cell.from;
  let [best, most] = [-1, 0];
  for (const [i, column] of columns.entries()) {
    const shared = overlap(cell, column);
    if (shared > most) [best, most] = [i, shared];
  }
  if (best !== -1) return best;
  let nearest = reach;
  const middle = (cell.from + cell.to) / 2;
  for (const [i, column] of columns.entries()) {
    const away = Math.abs((column.from + column.to) / 2 - middle);
    if (away < nearest) [best, nearest] = [i, away];
  }
  return best;
}
