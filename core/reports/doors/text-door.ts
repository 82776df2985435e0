import { type Refusal, refuse } from '../../reckoning/refusal';
import { grouped } from '../../words/numbers';
import Papa from 'papaparse';
import { type Line, pageOfRows, type ReportDocument } from '../document';
import { readLabel } from '../terms/label';
import { cellsSplit } from './cells-of-words';

const DELIMITERS = ['\t', ';', ',', '|'];
/** Lines by which a text is told from a table. */
const LOOKED_AT = 60;
/** A letter of a plain text is so wide, in the points of paper; only their proportion counts. */
const LETTER_PT = 6;
const LINE_PT = 15;

/** Which sign parts the cells of a text, if any: the one that gives most of its lines the same number of cells. */
function delimiterOf(text: string): string | undefined {
  const lines = text
    .split(/\r?\n/, LOOKED_AT * 4)
    .filter((line) => line.trim() !== '')
    .slice(0, LOOKED_AT);
  let [best, most] = [undefined as string | undefined, 0];
  for (const delimiter of DELIMITERS) {
    const rows = Papa.parse<string[]>(lines.join('\n'), { delimiter }).data;
    const counts = new Map<number, number>();
    for (const row of rows) if (row.length > 1) counts.set(row.length, (counts.get(row.length) ?? 0) + 1);
    const [columns, often] = [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0] ?? [0, 0];
    // one comma in each line is a sentence, or a decimal comma
    const named = rows.some((row) => row.filter((cell) => readLabel(cell).meaning.kind !== 'other').length >= 2);
    // one line of commas is a sentence, and one comma in each line a decimal mark
    const isTable = named || (often >= 2 && columns > 2);
    const score =
      columns < 2 || !isTable ? 0 : (often / Math.max(1, rows.length)) * (named ? 2 : 1) * Math.log2(columns + 1);
    if (score > most) [best, most] = [delimiter, score];
  }
  return most > 0.5 ? best : undefined;
}

/** Lines of the longest letter or mail; a text of more is no report, or a table whose cells nothing parts. */
const MOST_LINES = 20_000;

/** Why a text is not read as words, if it is not. */
const refuseWords = (text: string): Refusal | undefined => {
  let lines = 0;
  for (let at = text.indexOf('\n'); at !== -1; at = text.indexOf('\n', at + 1))
    if (++lines > MOST_LINES)
      return refuse(
        '',
        `The text has more than ${grouped(MOST_LINES, 0)} lines and no columns: it is no report that can be read. Save it as a table.`,
      );
  return undefined;
};

/** Words as they were pasted or mailed: columns by what stands under what, or names with their values. */
function documentOfWords(text: string): ReportDocument {
  const lines: Line[] = text.split(/\r?\n/).map((source, i) => {
    const expanded = withoutLeaders(source.replaceAll('\t', '    '));
    const cells = [...expanded.matchAll(/\S+(?: \S+)*/g)].map((match) => ({
      // a heading is drawn out over its columns: `------ lb/A ------`
      text: match[0].replace(/^[-=_.]{3,} (?=\S)|(?<=\S) [-=_.]{3,}$/g, ''),
      from: match.index * LETTER_PT,
      to: (match.index + match[0].length) * LETTER_PT,
    }));
    return { no: i + 1, top: i * LINE_PT, height: LINE_PT, cells };
  });
  return { kind: 'text', pages: [{ name: 'text', kind: 'paper', lines: cellsSplit(lines) }] };
}

/** Dots that lead from a name to its value: `pH.........6.3`. */
const withoutLeaders = (line: string): string => line.replace(/\.{3,}|(?: \.){3,}/g, (dots) => ' '.repeat(dots.length));

/** A line that is only drawn: under a heading, between rows. */
const isRule = (line: string): boolean => /^[\s|+:=_-]*[=_-]{2,}[\s|+:=_-]*$/.test(line);

/** Marks of a mail that is answered, and the lines drawn in a table, say nothing; each line keeps its number. */
function withoutMarks(source: string): string {
  const text = source.replace(/^\uFEFF/, '');
  // a long table has neither, and is not taken apart for it
  if (!/^\s*>|[=_-]{2,}/m.test(text)) return text;
  const lines = text.split(/\r?\n/);
  const quoted = lines.filter((line) => /^\s*>/.test(line)).length;
  const written = lines.filter((line) => line.trim() !== '').length;
  const isAnswer = quoted >= 2 && quoted * 2 >= written;
  return lines
    .map((line) => (isAnswer ? line.replace(/^\s*(> ?)+/, '') : line))
    .map((line) => (isRule(line) ? '' : line))
    .join('\n');
}

/** A text of a file or pasted: rows where a sign parts its cells, else its words by their places, or why it is neither. */
export function openText(source: string, name = ''): { rows: string[][] } | ReportDocument | Refusal {
  const text = withoutMarks(source);
  const delimiter = delimiterOf(text);
  return delimiter || /\.(csv|tsv)$/i.test(name)
    ? { rows: Papa.parse<string[]>(text, { delimiter: delimiter ?? '' }).data }
    : (refuseWords(text) ?? documentOfWords(text));
}

/** A text as a document, its table whole. */
export function documentOfText(source: string, name = ''): ReportDocument | Refusal {
  const opened = openText(source, name);
  return 'rows' in opened ? { kind: 'table', pages: [pageOfRows('table', opened.rows)] } : opened;
}
