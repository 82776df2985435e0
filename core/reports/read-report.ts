import { columnAt, type Line, overlap, type ReportDocument, type ReportPage, SAME_EDGE_PT } from './document';
import { doubtsOf, markImpossible } from './doubts';
import { factsIn, notesInto } from './file-facts';
import { kindOfReport } from './kind-of-report';
import { readAcross } from './read-across';
import { readLooseLine, readSentence } from './read-advice';
import { readDown } from './read-down';
import { readLong } from './read-long';
import { Reader } from './reader';
import type { ReaderAnswers, ReportReading } from './reading';
import { saidLabels } from './said-labels';
import { collectTexts, layoutOf } from './table-cells';
import { findTables } from './find-tables';
import type { ReportTable } from './tables';
import { readingWith } from './terms/label';
import { type ReportFact } from './terms/names';
import { decimalOf, valueFrom } from './terms/values';
import { guessUnit, onlyExtract, orderOfDays, wholeFile } from './whole-file';

/** Facts of a page that the reading goes by, beside the names of samples. */
const SAID: ReadonlySet<ReportFact> = new Set([
  'sample',
  'bag',
  'field',
  'labNumber',
  'property',
  'sampledOn',
  'depthIn',
  'basisDepthIn',
  'scoopGPerCm3',
  'lab',
  'unit',
  'method',
  'buffer-method',
]);
/**
 * Reads a laboratory's report whatever its dress: finds its tables, takes each label for what it means, and brings every value to an analyte with
 * unit, method and the place it stood in. Nothing is dropped: what is not read is listed with its reason.
 * `answers` are what a person said of this laboratory's files; they stand before every guess. `on` is the day of reading, if it is to count:
 * no sample was taken after it.
 */
export function readReport(document: ReportDocument, answers: ReaderAnswers = {}, on?: string): ReportReading {
  const kind = answers.kind ?? kindOfReport(document.pages).value;
  return readingWith(saidLabels(answers), kind, () => readAll(new Reader(document, answers, on)));
}

const ALL_IN_BRACKETS = /^\((all|values|results|everything|alle|tous|todos)\b/i;

/** The whole file: its tables, what holds for all of it, then table by table, then the words outside them. */
function readAll(reader: Reader): ReportReading {
  const pages = reader.document.pages.map((page, i) => ({ page, ...findTables(page, i) }));
  carryOn(pages);
  const texts: string[] = [];
  for (const { page, tables } of pages) for (const table of tables) collectTexts(page, table, texts);
  const decimal = reader.answers.decimal
    ? { value: reader.answers.decimal, because: 'said by you' }
    : (({ mark, because }) => ({ value: mark, because }))(decimalOf(texts));
  reader.decimal = decimal.value;
  reader.facts = {
    layout: '',
    kind: reader.answers.kind
      ? { value: reader.answers.kind, because: 'said by you' }
      : kindOfReport(reader.document.pages),
    decimal,
    dayOrder: { value: 'month-first', because: '' },
    methods: {},
  };
  const loose: { page: number; line: Line }[] = [];
  for (const [i, { page, claimed }] of pages.entries()) {
    const free = page.lines.filter((_, at) => !claimed.has(at));
    const { facts, used } = factsIn(free);
    reader.pageFacts.push(facts);
    // brackets within a table's lines are notes too: `K 80, Ca 900 (all ppm, Mehlich-3)`
    const bracketed = page.lines.flatMap((line, at) => {
      const cells = claimed.has(at) ? line.cells.filter(({ text }) => ALL_IN_BRACKETS.test(text)) : [];
      return cells.length > 0 ? [{ ...line, cells }] : claimed.has(at) && line.sentence ? [line] : [];
    });
    const noted = notesInto(reader.facts, [...free, ...bracketed], facts);
    for (const line of free) {
      reader.footnoteIn(line);
      if (!used.has(line.no) && !noted.has(line.no)) loose.push({ page: i, line });
    }
  }
  onlyExtract(reader, pages);
  orderOfDays(reader, pages);
  wholeFile(reader);
  const unit = reader.answers.unit ?? reader.facts.unit?.value;
  if (!unit) guessUnit(reader, pages);
  for (const { page, tables } of pages)
    for (const table of tables)
      if (table.kind === 'across') readAcross(reader, page, table);
      else if (table.kind === 'long') readLong(reader, page, table);
      else readDown(reader, page, table);
  for (const { page, line } of paragraphs(loose.filter(({ line }) => line.cells.length > 0)))
    readLooseLine(reader, page, line);
  for (const [i, { page }] of pages.entries())
    for (const line of page.lines)
      if (line.sentence) {
        readSentence(reader, i, line, line.sentence.text);
        reader.kept.set(`${i}:${line.no}`, {
          text: line.sentence.text.slice(0, 300),
          values: [],
          because: 'words',
          at: { page: i, line: line.no, from: line.cells[0]?.from ?? 0 },
        });
      }
  reader.facts.layout = layoutOf(
    pages.flatMap(({ tables }) => tables),
    reader.samples.length,
  );
  markImpossible(reader.facts, reader.samples);
  for (const doubt of doubtsOf(reader)) reader.doubts.add(doubt);
  return {
    facts: reader.facts,
    terms: reader.terms,
    samples: reader.samples.filter(
      ({ values, notGiven, recommendations }) => values.length + notGiven.length + recommendations.length > 0,
    ),
    rejected: reader.rejected.sort((a, b) => a.page - b.page || a.line - b.line),
    notUnderstood: [...reader.notUnderstood.values()],
    kept: [...reader.kept.values()],
    doubts: [...reader.doubts],
    said: reader.pageFacts.flatMap((facts, page) =>
      facts.filter(({ fact }) => SAID.has(fact)).map(({ line, from }) => ({ page, line, from })),
    ),
  };
}

/** Loose lines of text that follow one another are one paragraph: advice begins in one and ends in the next. */
function paragraphs(loose: readonly { page: number; line: Line }[]): { page: number; line: Line }[] {
  const joined: { page: number; line: Line; last: number }[] = [];
  for (const { page, line } of [...loose].sort((a, b) => a.page - b.page || a.line.no - b.line.no)) {
    const [cell, second] = line.cells;
    // beside a list the lines of a text and of the list take turns
    const before = joined
      .slice(-2 * MOST_BETWEEN)
      .findLast(
        (each) =>
          each.page === page &&
          line.no - each.last <= MOST_BETWEEN &&
          each.line.cells.length === 1 &&
          Math.abs(cell!.from - each.line.cells[0]!.from) < SAME_EDGE_PT,
      );
    const text = before?.line.cells[0]!.text ?? '';
    const goesOn = !second && /\p{L}{2,}\s+\p{L}{2,}\s+\p{L}{2,}/u.test(text) && !/[.:!?]$/.test(text);
    if (before && goesOn) {
      before.line = { ...before.line, cells: [{ ...before.line.cells[0]!, text: `${text} ${cell!.text}` }] };
      before.last = line.no;
    } else joined.push({ page, line, last: line.no });
  }
  return joined;
}
/** Lines between two of one paragraph, itself counted. */
const MOST_BETWEEN = 3;

/** A table that goes on overleaf without its heading keeps its columns. */
function carryOn(pages: { page: ReportPage; tables: ReportTable[]; claimed: Set<number> }[]): void {
  for (let i = 1; i < pages.length; i++) {
    const here = pages[i]!;
    const before = pages[i - 1]!.tables.at(-1);
    if (here.tables.some(({ kind }) => kind !== 'down') || here.page.kind !== 'paper' || before?.kind !== 'across')
      continue;
    const rows = here.page.lines.flatMap((line, at) => {
      const values = line.cells.filter((cell) => {
        const column = before.columns[columnAt(cell, before.columns, 30)];
        return (
          column &&
          overlap(cell, column) > 0 &&
          column.label.meaning.kind === 'analyte' &&
          // how numbers are written is not told yet
          (valueFrom(cell.text) ?? valueFrom(cell.text, ',')) !== undefined
        );
      });
      return values.length >= 2 && !here.claimed.has(at) ? [at] : [];
    });
    if (rows.length === 0) continue;
    here.tables.push({ ...before, page: i, heading: [-1, -1], rows });
    for (const at of rows) here.claimed.add(at);
  }
}
