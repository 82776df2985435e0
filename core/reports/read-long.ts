import { type ReportPage } from './document';
import { readAdvice } from './read-advice';
import { type Facts, MOST_EXAMPLES, NAME_FACTS, type Reader, withoutNames } from './reader';
import type { Place, ReportSample } from './reading';
import { cellAt } from './table-cells';
import { type LongTable } from './tables';
import { readLabel } from './terms/label';
import { type ReportFact } from './terms/names';
import { plain } from '../words/plain';
import { isBar, isRating } from './terms/ratings';
import { isUnitOnly } from './terms/units';
import { signOfFlag, valueFrom } from './terms/values';

/** A table of one result a line. */
export function readLong(reader: Reader, page: ReportPage, table: LongTable): void {
  const { columns } = table;
  const facts = columns.map((column) => {
    const { meaning } = reader.resolved(column.text, column.label);
    return meaning.kind === 'fact' ? meaning : undefined;
  });
  const column = (fact: ReportFact) => facts.findIndex((each) => each?.fact === fact);
  const [names, values, units, methods, signs, ratings] = (
    ['analyte', 'value', 'unit', 'method', 'qualifier', 'rating'] as const
  ).map(column) as [number, number, number, number, number, number];
  const identified = facts.some(
    (fact) => fact && (NAME_FACTS as readonly string[]).includes(fact.fact) && fact.fact !== 'property',
  );
  const open = new Map<string, ReportSample>();
  columns.forEach((each, i) => {
    if (facts[i] || each.text === '') return;
    const texts = table.rows
      .slice(0, MOST_EXAMPLES)
      .map((row) => cellAt(page.lines[row]!, columns, i)?.text ?? '')
      .filter(Boolean);
    if (!texts.every((text) => isRating(text) || isBar(text) || /^[\d.,\s<>–-]+$/.test(text)))
      reader.unknown(each.text, each.label, texts, { page: table.page, line: each.at?.line ?? 1, from: each.from });
  });
  for (const row of table.rows) {
    const line = page.lines[row]!;
    const cells = columns.map((_, i) => cellAt(line, columns, i));
    const name = cells[names];
    if (!name) continue;
    const rowFacts: Facts = {};
    facts.forEach((meaning, i) => {
      const cell = cells[i];
      if (meaning && cell)
        rowFacts[meaning.fact] = {
          text: cell.text,
          place: { page: table.page, line: line.no, from: cell.from },
          ...(meaning.factor ? { factor: meaning.factor } : {}),
        };
    });
    // what ran over into the next column is told by what it is
    const loose = line.cells.filter(
      (cell) => cell !== name && valueFrom(cell.text, reader.decimal)?.value !== undefined,
    );
    const value =
      cells[values] && valueFrom(cells[values].text, reader.decimal)
        ? cells[values]
        : loose.length === 1
          ? loose[0]
          : cells[values];
    const unitCell =
      cells[units] && cells[units] !== value && valueFrom(cells[units].text, reader.decimal) === undefined
        ? cells[units]
        : line.cells.find((cell) => isUnitOnly(cell.text));
    const label = readLabel(name.text);
    const place: Place = { page: table.page, line: line.no, from: name.from };
    const { meaning } = reader.resolved(name.text, label);
    if (meaning.kind === 'other' || meaning.kind === 'kept' || meaning.kind === 'fact') {
      if (meaning.kind === 'fact' && value) continue;
      reader.unknown(name.text, label, value ? [value.text] : [], place);
      if (meaning.kind === 'other')
        reader.rejected.push({
          page: table.page,
          line: line.no,
          text: line.cells
            .map((c) => c.text)
            .join(' ')
            .slice(0, 120),
          because: `“${name.text.slice(0, 30)}” is not an analyte that is known here.`,
          field: 'analyte',
        });
      continue;
    }
    if (!value) continue;
    let sample: ReportSample;
    if (identified) {
      const key = [...NAME_FACTS, 'sampledOn' as const].map((fact) => rowFacts[fact]?.text ?? '').join('|');
      const before = open.get(key);
      // the same analyte again is another sample's, whatever tells the two apart
      const again =
        before !== undefined &&
        meaning.kind === 'analyte' &&
        before.values.some(
          (v) => v.analyte === meaning.analyte && plain(reader.terms[v.term]!.text) === plain(name.text),
        );
      if (again)
        reader.doubts.add(
          `${name.text} stands twice under ${before.label}: the second was taken for another sample. Which column names the samples?`,
        );
      sample =
        (again ? undefined : before) ??
        reader.sampleOf(
          { ...withoutNames(reader.factsOver(table.page, line.no)), ...rowFacts },
          table.page,
          line,
          table,
        );
      open.set(key, sample);
    } else sample = reader.pageSample(table.page, page.lines[table.rows[0]!]!, table);
    const term = reader.term(name.text, label, place);
    if (meaning.kind === 'advice') {
      readAdvice(reader, sample, term, value, line, table.page, unitCell?.text);
      continue;
    }
    const sign = cells[signs] && signOfFlag(cells[signs].text);
    reader.put(sample, term, value, line, table.page, {
      ...(unitCell ? { unit: unitCell.text } : {}),
      ...(cells[methods] ? { method: cells[methods].text } : {}),
      ...(sign && !/^[<>]/.test(value.text) ? { qualifier: sign } : {}),
      ...(cells[ratings] && isRating(cells[ratings].text) ? { rating: cells[ratings].text } : {}),
    });
  }
}
