import { type Cell, columnAt, type ReportPage } from './document';
import { readAdvice } from './read-advice';
import { type Facts, MOST_EXAMPLES, NAME_FACTS, type Reader, withoutNames } from './reader';
import { cellAt, guessNames } from './table-cells';
import { type AcrossTable } from './tables';
import { readLabel } from './terms/label';
import { type ReportFact } from './terms/names';
import { isRating } from './terms/ratings';

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
    if (word === 'rating') {
      const above = reader.samples.at(-1);
      cells.forEach((cell, i) => {
        const value = cell && above?.values.find((v) => v.term === terms[i]);
        if (value) value.rating ??= cell.text;
      });
      continue;
    }
    if (word === 'range') continue;
    if (word) delete facts.sample;
    const anonymous = names === -1 && (guessed === undefined || word !== undefined);
    const over = reader.factsOver(table.page, line.no);
    const { facts: named, year } = reader.ofTime(facts, over);
    const sample =
      anonymous && (word !== undefined || (table.rows.length === 1 && reader.document.kind !== 'table'))
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

/** A row that is named after what it holds, and not after a sample. */
function wordOfRow(text: string | undefined): ReportFact | undefined {
  const { meaning } = readLabel(text ?? '');
  return meaning.kind === 'fact' && ['value', 'rating', 'range'].includes(meaning.fact) ? meaning.fact : undefined;
}
