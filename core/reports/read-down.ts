import { type Cell, type Line, overlap, type ReportPage } from './document';
import { readAdvice } from './read-advice';
import { type Facts, NAME_FACTS, type Reader, withoutNames } from './reader';
import type { Place, ReportSample } from './reading';
import { type DownTable, type SampleColumn } from './tables';
import { type Meaning } from './terms/label';
import { type ReportFact } from './terms/names';
import { isRating } from './terms/ratings';
import { isUnitOnly } from './terms/units';
import { valueFrom } from './terms/values';

/** A list of results, or samples in columns. */
export function readDown(reader: Reader, page: ReportPage, table: DownTable): void {
  const first = page.lines[table.rows[0]!.line]!;
  const byColumn = table.samples.map((column) => sampleOfColumn(reader, column, table, first));
  for (const row of table.rows) {
    const line = page.lines[row.line]!;
    const at: Place = { page: table.page, line: line.no, from: row.cell.from };
    const term = reader.term(row.cell.text, row.label, at);
    const { meaning } = reader.terms[term]!.label;
    const part = (kind: string) =>
      row.cells.find((cell) => table.parts.some((p) => p.kind === kind && overlap(cell, p.span) > 0))?.text;
    const unit = row.cells.find((cell) => isUnitOnly(cell.text))?.text ?? part('unit');
    const method = part('method');
    // of one list the value is told by what it is, of several columns by where it stands
    const [only] = table.samples.length > 1 ? [] : row.cells.filter((cell) => isValueOf(reader, cell, meaning));
    const inColumn = (cell: Cell) =>
      table.samples.length > 1 ? table.samples.findIndex((span) => overlap(cell, span) > 0) : cell === only ? 0 : -1;
    for (const cell of row.cells) {
      const column = inColumn(cell);
      if (column === -1) continue;
      const sample = byColumn[column]!;
      if (meaning.kind === 'advice') readAdvice(reader, sample, term, cell, line, table.page, unit);
      else if (meaning.kind === 'analyte') {
        const rating = row.cells.find(
          (other) =>
            other.from >= cell.to &&
            isRating(other.text) &&
            !row.cells.some(
              (c) => c.from > cell.from && c.from < other.from && table.samples.some((s) => overlap(c, s) > 0),
            ),
        )?.text;
        reader.put(sample, term, cell, line, table.page, {
          ...(unit ? { unit } : {}),
          ...(method ? { method } : {}),
          ...(rating && !isRating(cell.text) ? { rating } : {}),
        });
      }
    }
    if (meaning.kind === 'kept' || meaning.kind === 'other')
      reader.unknown(
        row.cell.text,
        row.label,
        row.cells.map((c) => c.text),
        at,
      );
  }
}

/** Whether a cell beside a name is its value; advice is a number with words behind it. */
function isValueOf(reader: Reader, { text }: Cell, meaning: Meaning): boolean {
  return valueFrom(text, reader.decimal) !== undefined || (meaning.kind === 'advice' && /^\d/.test(text));
}

function sampleOfColumn(reader: Reader, column: SampleColumn, table: DownTable, line: Line): ReportSample {
  const over = reader.factsOver(table.page, line.no);
  const place = { page: table.page, line: line.no, from: column.from };
  const own: Facts = {};
  for (const [fact, text] of Object.entries(column.facts)) own[fact as ReportFact] = { text, place };
  const [name, second] = column.names.filter((text) => text.trim() !== '');
  if (
    !own.sample &&
    !own.bag &&
    !own.labNumber &&
    !own.field &&
    name &&
    (table.samples.length > 1 || (!over.sample && !over.bag && !over.labNumber && !over.field))
  ) {
    own.sample = { text: name, place };
    if (second) own.field = { text: second, place };
  }
  const named = NAME_FACTS.some((fact) => own[fact]);
  if (!named && table.samples.length === 1) return reader.pageSample(table.page, line, table);
  const { facts, year } = reader.ofTime(own, over);
  const sample = reader.sampleOf(
    { ...withoutNames(over), ...facts },
    table.page,
    line,
    table,
    named ? undefined : `column ${table.samples.indexOf(column) + 1}`,
  );
  reader.onlyOfYear(sample, year);
  return sample;
}
