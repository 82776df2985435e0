import { METHOD_TABLE, methodNamed } from '../records/methods';
import type { Method } from '../records/vocabularies';
import { dayFrom } from '../typed/typed-day';
import { depthFrom } from '../typed/typed-depth';
import { type ReportPage } from './document';
import { dayOrderOf } from './file-facts';
import type { Reader } from './reader';
import { cellAt, MOST_TEXTS } from './table-cells';
import { type ReportTable } from './tables';
import { type ReportFact } from './terms/names';
import { unitIn } from './terms/units';
import { unitByCapacity } from './unit-by-capacity';

/** Extracts that laboratories run for most nutrients at once; Bray, Olsen and DTPA are for one or a few. */
const WHOLE_EXTRACTS: ReadonlySet<Method> = new Set([
  'mehlich-3',
  'mehlich-1',
  'morgan',
  'modified-morgan',
  'ammonium-acetate',
]);
export function orderOfDays(
  reader: Reader,
  pages: readonly { page: ReportPage; tables: readonly ReportTable[] }[],
): void {
  const texts = reader.pageFacts
    .flat()
    .filter(({ fact }) => fact.endsWith('On'))
    .map(({ text }) => text);
  for (const { page, tables } of pages)
    for (const table of tables) {
      if (table.kind === 'down') {
        for (const { facts } of table.samples) if (facts.sampledOn) texts.push(facts.sampledOn);
        continue;
      }
      const at = table.columns.findIndex(
        ({ label }) => label.meaning.kind === 'fact' && label.meaning.fact === 'sampledOn',
      );
      if (at !== -1)
        for (const row of table.rows.slice(0, MOST_TEXTS))
          texts.push(cellAt(page.lines[row]!, table.columns, at)?.text ?? '');
    }
  reader.facts.dayOrder = reader.answers.dayOrder
    ? { value: reader.answers.dayOrder, because: 'said by you' }
    : dayOrderOf(texts, reader.decimal === ',', reader.on);
}

/** The extract that the report names in its words, where it names no other and no label does. */
export function onlyExtract(
  reader: Reader,
  pages: readonly { page: ReportPage; claimed: ReadonlySet<number> }[],
): void {
  if (reader.facts.method) return;
  const named = new Set<Method>();
  for (const { page, claimed } of pages)
    for (const [at, line] of page.lines.entries())
      for (const { text } of claimed.has(at) && reader.document.kind !== 'text' ? [] : line.cells) {
        const method = text.length < 300 ? methodNamed(text) : undefined;
        if (method && WHOLE_EXTRACTS.has(method)) named.add(method);
      }
  const [only] = named;
  if (only && named.size === 1)
    reader.facts.method = { value: only, because: 'the only extract that the report names' };
}

/** What holds for the whole file: said by a person, else by its first page, else by notes. */
export function wholeFile(reader: Reader): void {
  const { answers, facts } = reader;
  const first = (fact: ReportFact) => reader.pageFacts.flat().find((each) => each.fact === fact);
  const saidBy = { because: 'said by you' };
  const day = first('sampledOn');
  if (answers.sampledOn) facts.sampledOn = { value: answers.sampledOn, ...saidBy };
  else if (day) {
    const value = dayFrom(day.text, facts.dayOrder.value);
    if (value) facts.sampledOn = { value, because: `“${day.text}”: ${facts.dayOrder.because}` };
  }
  const received = first('receivedOn');
  const receivedOn = received && dayFrom(received.text, facts.dayOrder.value);
  if (received && receivedOn) facts.receivedOn = { value: receivedOn, because: `“${received.text}”` };
  const depth = first('depthIn');
  if (answers.depth) facts.depth = { value: answers.depth, ...saidBy };
  else if (depth && depthFrom(depth.text) !== undefined)
    facts.depth = { value: depth.text, because: `“${depth.text}”` };
  const lab = first('lab');
  if (answers.lab) facts.lab = { value: answers.lab, ...saidBy };
  else if (lab) facts.lab = { value: lab.text.slice(0, 120), because: 'named in the file' };
  if (answers.unit) facts.unit = { value: answers.unit, ...saidBy };
  if (answers.method) facts.method = { value: answers.method, ...saidBy };
  if (answers.bufferMethod) facts.bufferMethod = { value: answers.bufferMethod, ...saidBy };
  if (answers.phMethod) facts.phMethod = { value: answers.phMethod, ...saidBy };
  for (const fact of ['method', 'buffer-method', 'unit'] as const) {
    const said = first(fact);
    if (!said) continue;
    const method = methodNamed(said.text);
    if (fact === 'unit') {
      const unit = unitIn(said.text)?.unit;
      if (unit) facts.unit ??= { value: unit, because: `“${said.text}”` };
    } else if (method && METHOD_TABLE[method].of === 'buffer')
      facts.bufferMethod ??= { value: method, because: `“${said.text}”` };
    else if (method && METHOD_TABLE[method].of === 'nutrients')
      facts.method ??= { value: method, because: `“${said.text}”` };
  }
}

/** Units that nothing names, from the exchange capacity, where bases and capacity stand in the file. */
export function guessUnit(
  reader: Reader,
  pages: readonly { page: ReportPage; tables: readonly ReportTable[] }[],
): void {
  const guess = unitByCapacity(pages, reader.decimal);
  if (guess) reader.facts.unit = { value: guess.unit, because: guess.because };
}
