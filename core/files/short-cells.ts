/** Longest text of one cell that is read, letters: notes of a laboratory are shorter, and patterns over longer ones take for ever. */
const LONGEST_CELL = 2_000;

/** The cells of a line, none longer than is read. */
export const shortCells = (cells: readonly string[]): string[] =>
  cells.map((cell) => (cell.length > LONGEST_CELL ? cell.slice(0, LONGEST_CELL) : cell));
