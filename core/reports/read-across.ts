import { methodNamed } from '../records/methods';
import { type Cell, columnAt, type ReportPage } from './document';
import { readAdvice } from './read-advice';
import { type Facts, MOST_EXAMPLES, NAME_FACTS, type Reader, withoutNames } from './reader';
import { cellAt, guessNames } from './table-cells';
import { type AcrossTable } from './tables';
import { extractFor, readLabel } from './terms/label';
import type { ReportAnalyte, ReportFact } from './terms/names';
import { isBar, isRating } from './terms/ratings';
import { valueFrom } from './terms/values';

/** A table of one sample a line. */
export function readAcross(reader: Reader, page: ReportPage, table: AcrossTable): void {
  const { columns } = table;
  const names = columns.findIndex(
    ({ label }) =>
      label.meaning.kind === 'fact' &&
      (NAME_FACTS as readonly string[]).includes(label.meaning.fact) &&
      label.meaning.fact !== 'property',
  );
  const guessed = names === -1 ? guessNames(page, table) : undefined;
  const ratings = new Map<number, number>();
  const terms = columns.map((column, i) => {
    const label = reader.resolved(column.text, column.label);
    if (label.meaning.kind === 'analyte' || label.meaning.kind === 'advice')
      return reader.term(column.text, column.label, {
        page: table.page,
        line: column.at?.line ?? 1,
        from: column.at?.from ?? column.from,
      });
    if (label.meaning.kind === 'other' && i !== guessed) {
      const texts = table.rows
        .slice(0, 60)
        .map((row) => cellAt(page.lines[row]!, columns, i)?.text ?? '')
        .filter(Boolean);
      if (texts.length > 0 && texts.filter((text) => isRating(text)).length > texts.length / 2) ratings.set(i, -1);
    }
    return -1;
  });
  // `P rating` is of P, a rating without a name of what stands left of it
  for (const i of ratings.keys()) {
    const of = readLabel(columns[i]!.text.replace(/\b(ratings?|rate|level|class|interp\w*)\b\.?/i, ' ')).meaning;
    const at =
      of.kind === 'analyte' ? terms.findIndex((term) => term !== -1 && sameAnalyte(reader, term, of.analyte)) : -1;
    if (at !== -1) ratings.set(i, at);
  }
  for (const i of ratings.keys())
    for (let left = i - 1; left >= 0 && ratings.get(i) === -1; left--) if (terms[left] !== -1) ratings.set(i, left);
  for (const [i, column] of columns.entries()) {
    const { meaning } = reader.resolved(column.text, column.label);
    if (i === guessed || ratings.has(i) || (meaning.kind !== 'other' && meaning.kind !== 'kept')) continue;
    const texts = table.rows
      .slice(0, MOST_EXAMPLES)
      .map((row) => cellAt(page.lines[row]!, columns, i)?.text ?? '')
      .filter(Boolean);
    if (texts.length > 0 || column.text !== '')
      reader.unknown(column.text || `column ${i + 1}`, column.label, texts, {
        page: table.page,
        line: column.at?.line ?? table.heading[0] + 1,
        from: column.from,
      });
  }
  const valueRows =
    names === -1 && guessed === undefined && table.rows.length < 9
      ? table.rows.filter((row) => {
          const cells = columns.map((_, i) => cellAt(page.lines[row]!, columns, i));
          return !isWordsOfValues(reader, cells, terms);
        }).length
      : table.rows.length;
  const meanings = columns.map((column) => reader.resolved(column.text, column.label).meaning);
  for (const row of table.rows) {
    const line = page.lines[row]!;
    const facts: Facts = {};
    const cells: (Cell | undefined)[] = columns.map(() => undefined);
    for (const cell of line.cells) {
      const at = columnAt(cell, columns);
      if (at === -1) continue;
      const before = cells[at];
      cells[at] = before ? { text: `${before.text} ${cell.text}`, from: before.from, to: cell.to } : cell;
    }
    cells.forEach((cell, i) => {
      if (!cell) return;
      const meaning = meanings[i]!;
      const place = { page: table.page, line: line.no, from: cell.from };
      if (meaning.kind === 'fact')
        facts[meaning.fact] = { text: cell.text, place, ...(meaning.factor ? { factor: meaning.factor } : {}) };
      else if (i === guessed) facts.sample = { text: cell.text, place };
    });
    // a row named Result is of the page's sample, one named Rating rates the row above
    const word = guessed === undefined ? undefined : wordOfRow(cells[guessed]?.text);
    const unnamed = names === -1 && guessed === undefined;
    if (word === 'rating' || (unnamed && row !== table.rows[0] && isWordsOfValues(reader, cells, terms))) {
      const above = reader.samples.at(-1);
      cells.forEach((cell, i) => {
        const value = cell && above?.values.find((v) => v.term === terms[i]);
        if (!value) return;
        const { method } = extractFor(value.analyte, cell.text);
        if (method) value.method ??= method;
        else value.rating ??= cell.text;
      });
      continue;
    }
    const name = (['sample', 'bag', 'field'] as const)
      .flatMap((fact) => facts[fact]?.text ?? [])
      .find((text) => REDUCED.test(text));
    if (name) {
      reader.unknown(
        name,
        { meaning: { kind: 'kept', why: 'reckoned from the samples: no sample of its own' }, sure: 'certain' },
        line.cells.map((cell) => cell.text),
        { page: table.page, line: line.no, from: line.cells[0]!.from },
      );
      continue;
    }
    if (word === 'range') continue;
    if (word) delete facts.sample;
    const anonymous = names === -1 && (guessed === undefined || word !== undefined);
    const over = reader.factsOver(table.page, line.no);
    const { facts: named, year } = reader.ofTime(facts, over);
    const sample =
      anonymous && (word !== undefined || (valueRows === 1 && reader.document.kind !== 'table'))
        ? reader.pageSample(table.page, line, table)
        : reader.sampleOf(
            { ...withoutNames(over), ...named },
            table.page,
            line,
            table,
            anonymous ? `line ${line.no}` : undefined,
          );
    reader.onlyOfYear(sample, year);
    const beside = {
      ...(facts.unit ? { unit: facts.unit.text } : {}),
      ...(facts.method ? { method: facts.method.text } : {}),
    };
    const before =
      sample.values.length + sample.notGiven.length + sample.recommendations.length + (sample.faults?.length ?? 0);
    cells.forEach((cell, i) => {
      const term = terms[i]!;
      if (!cell || term === -1) return;
      const { meaning } = reader.terms[term]!.label;
      if (meaning.kind === 'advice') return readAdvice(reader, sample, term, cell, line, table.page);
      if (meaning.kind !== 'analyte') return;
      const own =
        meaning.analyte === 'buffer-pH' && facts['buffer-method']
          ? facts['buffer-method'].text
          : meaning.analyte === 'P' && facts['P-method']
            ? facts['P-method'].text
            : beside.method;
      reader.put(sample, term, cell, line, table.page, { ...beside, ...(own ? { method: own } : {}) });
    });
    for (const [i, of] of ratings) {
      const value = cells[i] && sample.values.find((v) => v.term === terms[of] && v.line === line.no);
      if (value) value.rating ??= cells[i]!.text;
    }
    if (
      before ===
      sample.values.length + sample.notGiven.length + sample.recommendations.length + (sample.faults?.length ?? 0)
    )
      reader.fault(
        sample,
        'results',
        line,
        line.cells
          .map((c) => c.text)
          .join(' ')
          .slice(0, 80),
        table.page,
        'The row holds no result.',
      );
  }
}

const sameAnalyte = (reader: Reader, term: number, analyte: ReportAnalyte): boolean => {
  const { meaning } = reader.terms[term]!.label;
  return meaning.kind === 'analyte' && meaning.analyte === analyte && meaning.unit !== '%';
};

/** Rows that sum up the samples above them; a range is where balls are driven, and a sample. */
const REDUCED =
  /^(average|avg|mean|median|min(imum)?|max(imum)?|std|st\.? ?dev\.?|standard deviation|mittelwert|durchschnitt|moyenne|promedio)\b\.?$/i;

/** Whether a row holds, under its analytes, only words on the values above: ratings, a buffer's name. */
function isWordsOfValues(reader: Reader, cells: readonly (Cell | undefined)[], terms: readonly number[]): boolean {
  const under = cells.filter((cell, i) => cell && terms[i] !== -1) as Cell[];
  return (
    under.length > 0 &&
    under.every(
      ({ text }) =>
        valueFrom(text, reader.decimal) === undefined &&
        (isRating(text) || methodNamed(text) !== undefined || isBar(text)),
    )
  );
}

/** A row that is named after what it holds, and not after a sample. */
function wordOfRow(text: string | undefined): ReportFact | undefined {
  const { meaning } = readLabel(text ?? '');
  return meaning.kind === 'fact' && ['value', 'rating', 'range'].includes(meaning.fact) ? meaning.fact : undefined;
}
