import { type Cell, type Line, SAME_EDGE_PT } from '../document';
import { nameWithin, NUMBER_OF_NAME, sentencesRead } from './sentences';
import { readLabel } from '../terms/label';
import { valueFrom } from '../terms/values';

/** A word where it stands: points from the left and from the top to its baseline. */
export interface Word {
  text: string;
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Words this share of their height apart from a line's baseline are in it. */
const SAME_LINE = 0.45;
/** A gap of so many heights parts two cells; a space between words is a quarter. */
const CELL_GAP = 0.62;
/** Numbers side by side are two values sooner. */
const NUMBER_GAP = 0.34;
const NO_SPACE = 0.09;
/** Letters so much smaller and higher are a footnote's sign. */
const RAISED = 0.18;
const SMALLER = 0.8;

const isNumber = (text: string): boolean => /^[<>≤≥]?[\d.,]*\d[\d.,]*\*?$/.test(text);

/** A word without the dots that lead from a name to its value: `pH.........6.3` is two. */
function withoutLeaders(word: Word): Word[] {
  if (!/\.{3,}/.test(word.text)) return [word];
  const share = word.width / word.text.length;
  return [...word.text.matchAll(/(?:(?!\.{3}).)+/g)]
    .map((match) => ({ text: match[0].replace(/^\.+(?=\D|$)|\.+$/g, ''), at: match.index }))
    .map(({ text, at }) => ({ ...word, text, x: word.x + at * share, width: text.length * share }));
}

/** Words of a page as lines of cells, from the top down: words stand in one cell where only a space parts them. */
export function linesOfWords(words: readonly Word[]): Line[] {
  const sorted = words
    .flatMap(withoutLeaders)
    .filter(({ text }) => text.trim() !== '')
    .sort((a, b) => a.y - b.y || a.x - b.x);
  const rows: { y: number; height: number; words: Word[] }[] = [];
  for (const word of sorted) {
    const row = rows.at(-1);
    // a small sign hangs above or below the line of the letters beside it
    if (row && Math.abs(word.y - row.y) <= SAME_LINE * Math.max(word.height, row.height)) {
      row.words.push(word);
      if (word.height > row.height) {
        row.height = word.height;
        row.y = word.y;
      }
    } else rows.push({ y: word.y, height: word.height, words: [word] });
  }
  return cellsSplit(
    proseApart(
      rows.map((row, i) => ({
        no: i + 1,
        top: row.y,
        height: row.height,
        cells: cellsOf(
          row.words.sort((a, b) => a.x - b.x),
          row.height,
        ),
      })),
    ),
  );
}

/** Words of a cell from which it is prose, and lines of such cells one under another from which they are a column of text. */
const PROSE_WORDS = 4;
const PROSE_LINES = 3;

const isProse = (cell: Cell): boolean => (cell.text.match(/\p{L}{2,}/gu)?.length ?? 0) >= PROSE_WORDS;

/** A column of text beside a table stands in lines of its own, under those it shares: its words head or fill no column. */
export function proseApart(lines: readonly Line[]): Line[] {
  const beside = lines.flatMap((line) =>
    line.cells.length > 1 && isProse(line.cells.at(-1)!) ? [line.cells.at(-1)!] : [],
  );
  const edges = [...new Set(beside.map(({ from }) => from))].filter(
    (edge) => beside.filter(({ from }) => Math.abs(from - edge) < SAME_EDGE_PT).length >= PROSE_LINES,
  );
  if (edges.length === 0) return [...lines];
  const isOfColumn = (cell: Cell) =>
    edges.some((edge) => Math.abs(cell.from - edge) < SAME_EDGE_PT) && /\p{L}{2}/u.test(cell.text);
  const apart: Line[] = [];
  const kept = lines.map((line) => {
    const prose = line.cells.length > 1 ? line.cells.filter(isOfColumn) : [];
    if (prose.length === 0) return line;
    apart.push({ ...line, cells: prose });
    return { ...line, cells: line.cells.filter((cell) => !prose.includes(cell)) };
  });
  return [...kept, ...apart];
}

/** Lines with the results of their sentences read, and every other cell of a name and its value in two. */
export const cellsSplit = (lines: readonly Line[]): Line[] =>
  sentencesRead(lines).map((line) => (line.sentence ? line : { ...line, cells: line.cells.flatMap(splitCell) }));

function cellsOf(words: readonly Word[], height: number): Cell[] {
  const cells: Cell[] = [];
  let last: Word | undefined;
  for (const word of words) {
    const open = cells.at(-1);
    const gap = last ? word.x - (last.x + last.width) : Infinity;
    const isMark =
      last !== undefined &&
      word.height < SMALLER * last.height &&
      last.y - word.y > RAISED * last.height &&
      /^[0-9a-z*†‡]{1,2}$/i.test(word.text) &&
      gap < CELL_GAP * height;
    const thousands =
      isNumber(word.text) &&
      /^\d{3}([.,]\d+)?$/.test(word.text) &&
      last !== undefined &&
      /^\d{1,3}$/.test(last.text) &&
      gap < NUMBER_GAP * height;
    const parts =
      gap > CELL_GAP * height ||
      (last !== undefined && isNumber(word.text) && isNumber(last.text) && gap > NO_SPACE * height && !thousands);
    if (open && !parts) {
      open.text += isMark ? `^${word.text}` : `${gap > NO_SPACE * height ? ' ' : ''}${word.text}`;
      open.to = Math.max(open.to, word.x + word.width);
    } else cells.push({ text: word.text, from: word.x, to: word.x + word.width });
    last = word;
  }
  return cells;
}

/**
 * A cell that holds a name and its value, or several values, with only a space between: `Soil pH 6.1`, `Phosphorus (P) 44 ppm Medium`,
 * `6.1 5.9 6.3`. Left whole where the parts would mean nothing.
 */
export function splitCell(cell: Cell): Cell[] {
  const { text } = cell;
  if (!/\d/.test(text) || !/\s/.test(text.trim()) || text.length > 120) return [cell];
  if (valueFrom(text) || valueFrom(text, ',')) return [cell];
  const whole = readLabel(text).meaning.kind;
  if (whole === 'analyte' || whole === 'advice') return [cell];
  const tokens = [...text.matchAll(/\S+/g)].map((match) => ({ text: match[0], at: match.index }));
  const piece = (from: number, to: number): Cell => {
    const [start, end] = [tokens[from]!.at, tokens[to - 1]!.at + tokens[to - 1]!.text.length];
    const share = (cell.to - cell.from) / text.length;
    return {
      text: text.slice(start, end).replace(/[:=]$/, '').trim(),
      from: cell.from + start * share,
      to: cell.from + end * share,
    };
  };
  if (tokens.length >= 2 && tokens.every((token) => isNumber(token.text))) return tokens.map((_, i) => piece(i, i + 1));
  // the longest name before a number
  for (let at = Math.min(tokens.length - 1, 8); at >= 1; at--) {
    if (!/^[<>≤≥]?\s?\d/.test(tokens[at]!.text) && !/^(nd|n\/a|trace|vl|l|m|h|vh)$/i.test(tokens[at]!.text)) continue;
    if (NUMBER_OF_NAME.test(text.slice(0, tokens[at]!.at).trimEnd())) continue;
    const [first, last] = nameWithin(tokens.slice(0, at).map((token) => token.text));
    if (last <= first) continue;
    const name = piece(first, last);
    const { meaning } = readLabel(name.text);
    if (meaning.kind !== 'analyte' && meaning.kind !== 'advice') continue;
    const rest = piece(at, tokens.length);
    const value = valueFrom(rest.text) ?? valueFrom(rest.text, ',');
    if (value) return [name, rest];
    const further = splitCell(rest);
    if (further.length > 1) return [name, ...further];
    // number, then words of its own: `44 ppm  optimum 40-60`
    for (let end = tokens.length - 1; end > at; end--) {
      const front = piece(at, end);
      if (valueFrom(front.text) ?? valueFrom(front.text, ','))
        return [name, front, ...splitCell(piece(end, tokens.length))];
    }
  }
  return [cell];
}
