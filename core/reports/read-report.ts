import { METHOD_TABLE, methodNamed } from '../records/methods';
import type { Method } from '../records/vocabularies';
import { dayFrom } from '../typed/typed-day';
import { depthFrom } from '../typed/typed-depth';
import { type Cell, columnAt, type Line, overlap, type ReportDocument, type ReportPage } from './document';
import { doubtsOf, markImpossible } from './doubts';
import { AS_SAID, saidLabels } from './said-labels';
import { cellAt, collectTexts, guessNames, layoutOf, MOST_TEXTS } from './table-cells';
import { kindOfReport } from './kind-of-report';
import { dayOrderOf, factsIn, notesInto, type PageFact } from './file-facts';
import type {
  FileFacts,
  NotUnderstood,
  Place,
  ReaderAnswers,
  Recommendation,
  ReportReading,
  ReportSample,
  ReportValue,
  Term,
} from './reading';
import { placeKey } from './reading';
import {
  type AcrossTable,
  type DownTable,
  findTables,
  type LongTable,
  type ReportTable,
  type SampleColumn,
  unitOf,
  withContext,
} from './tables';
import { adviceUnitIn, isAdviceHeading } from './terms/advice';
import { extractFor, type Label, type Meaning, OXIDE_UNSURE, readingWith, readLabel, unitFits } from './terms/label';
import { isMass, onlyUnit, type ReportAnalyte, type ReportFact } from './terms/names';
import { plain } from './terms/plain';
import { isBar, isRating } from './terms/ratings';
import { isUnitOnly, type ReportUnit, unitIn } from './terms/units';
import { type DecimalMark, decimalOf, numberFrom, valueFrom } from './terms/values';
import { significant } from '../words/numbers';
import { leafUnit } from './water-and-leaves';
import { unitByCapacity } from './unit-by-capacity';

type AnalyteMeaning = Extract<Meaning, { kind: 'analyte' }>;
type Names = ReportSample['names'];
type Facts = Partial<Record<ReportFact, { text: string; place: Place; factor?: number }>>;

/** Values of a label that is not understood, as examples. */
const MOST_EXAMPLES = 6;
/** Salts in ppm (mg/L) are taken for 640 to a dS/m. Common practice. */
const PPM_PER_DS = 640;
/** Extracts that laboratories run for most nutrients at once; Bray, Olsen and DTPA are for one or a few. */
const WHOLE_EXTRACTS: ReadonlySet<Method> = new Set([
  'mehlich-3',
  'mehlich-1',
  'morgan',
  'modified-morgan',
  'ammonium-acetate',
]);
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
const NAME_FACTS = ['sample', 'bag', 'field', 'labNumber', 'property'] as const;

/**
 * Reads a laboratory's report whatever its dress: finds its tables, takes each label for what it means, and brings every value to an analyte with
 * unit, method and the place it stood in. Nothing is dropped: what is not read is listed with its reason.
 * `answers` are what a person said of this laboratory's files; they stand before every guess. `on` is the day of reading, if it is to count:
 * no sample was taken after it.
 */
export function readReport(document: ReportDocument, answers: ReaderAnswers = {}, on?: string): ReportReading {
  const kind = answers.kind ?? kindOfReport(document.pages).value;
  return readingWith(saidLabels(answers), kind, () => new Reader(document, answers, on).read());
}

class Reader {
  readonly terms: Term[] = [];
  private readonly termAt = new Map<string, number>();
  private readonly notUnderstood = new Map<string, NotUnderstood>();
  private readonly kept = new Map<string, NotUnderstood>();
  private readonly rejected: ReportReading['rejected'] = [];
  private readonly doubts = new Set<string>();
  readonly samples: ReportSample[] = [];
  private readonly byName = new Map<string, ReportSample>();
  private readonly footnotes = new Map<string, string>();
  private readonly pageFacts: PageFact[][] = [];
  usedFileUnit = false;
  private readonly days = new Map<string, string | undefined>();
  readonly unitless = new Set<ReportAnalyte>();
  facts!: FileFacts;
  private decimal: DecimalMark = '.';
  private readonly ofTable = new WeakMap<ReportSample, ReportTable>();

  constructor(
    private readonly document: ReportDocument,
    readonly answers: ReaderAnswers,
    readonly on: string | undefined,
  ) {}

  read(): ReportReading {
    const pages = this.document.pages.map((page, i) => ({ page, ...findTables(page, i) }));
    this.carryOn(pages);
    const texts: string[] = [];
    for (const { page, tables } of pages) for (const table of tables) collectTexts(page, table, texts);
    const decimal = this.answers.decimal
      ? { value: this.answers.decimal, because: 'said by you' }
      : (({ mark, because }) => ({ value: mark, because }))(decimalOf(texts));
    this.decimal = decimal.value;
    this.facts = {
      layout: '',
      kind: this.answers.kind
        ? { value: this.answers.kind, because: 'said by you' }
        : kindOfReport(this.document.pages),
      decimal,
      dayOrder: { value: 'month-first', because: '' },
      methods: {},
    };
    const loose: { page: number; line: Line }[] = [];
    for (const [i, { page, claimed }] of pages.entries()) {
      const free = page.lines.filter((_, at) => !claimed.has(at));
      const { facts, used } = factsIn(free);
      this.pageFacts.push(facts);
      const noted = notesInto(this.facts, free, facts);
      for (const line of free) {
        this.footnoteIn(line);
        if (!used.has(line.no) && !noted.has(line.no)) loose.push({ page: i, line });
      }
    }
    this.onlyExtract(pages);
    this.orderOfDays(pages);
    this.wholeFile();
    const unit = this.answers.unit ?? this.facts.unit?.value;
    if (!unit) this.guessUnit(pages);
    for (const { page, tables } of pages)
      for (const table of tables)
        if (table.kind === 'across') this.across(page, table);
        else if (table.kind === 'long') this.long(page, table);
        else this.down(page, table);
    for (const { page, line } of loose) this.looseLine(page, line);
    this.facts.layout = layoutOf(
      pages.flatMap(({ tables }) => tables),
      this.samples.length,
    );
    markImpossible(this.facts, this.samples);
    for (const doubt of doubtsOf(this)) this.doubts.add(doubt);
    return {
      facts: this.facts,
      terms: this.terms,
      samples: this.samples.filter(
        ({ values, notGiven, recommendations }) => values.length + notGiven.length + recommendations.length > 0,
      ),
      rejected: this.rejected.sort((a, b) => a.page - b.page || a.line - b.line),
      notUnderstood: [...this.notUnderstood.values()],
      kept: [...this.kept.values()],
      doubts: [...this.doubts],
      said: this.pageFacts.flatMap((facts, page) =>
        facts.filter(({ fact }) => SAID.has(fact)).map(({ line, from }) => ({ page, line, from })),
      ),
    };
  }

  /** A table that goes on overleaf without its heading keeps its columns. */
  private carryOn(pages: { page: ReportPage; tables: ReportTable[]; claimed: Set<number> }[]): void {
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

  private orderOfDays(pages: readonly { page: ReportPage; tables: readonly ReportTable[] }[]): void {
    const texts = this.pageFacts
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
    this.facts.dayOrder = this.answers.dayOrder
      ? { value: this.answers.dayOrder, because: 'said by you' }
      : dayOrderOf(texts, this.decimal === ',', this.on);
  }

  /** The extract that the report names in its words, where it names no other and no label does. */
  private onlyExtract(pages: readonly { page: ReportPage; claimed: ReadonlySet<number> }[]): void {
    if (this.facts.method) return;
    const named = new Set<Method>();
    for (const { page, claimed } of pages)
      for (const [at, line] of page.lines.entries())
        for (const { text } of claimed.has(at) && this.document.kind !== 'text' ? [] : line.cells) {
          const method = text.length < 300 ? methodNamed(text) : undefined;
          if (method && WHOLE_EXTRACTS.has(method)) named.add(method);
        }
    const [only] = named;
    if (only && named.size === 1)
      this.facts.method = { value: only, because: 'the only extract that the report names' };
  }

  /** What holds for the whole file: said by a person, else by its first page, else by notes. */
  private wholeFile(): void {
    const { answers, facts } = this;
    const first = (fact: ReportFact) => this.pageFacts.flat().find((each) => each.fact === fact);
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
  private guessUnit(pages: readonly { page: ReportPage; tables: readonly ReportTable[] }[]): void {
    const guess = unitByCapacity(pages, this.decimal);
    if (guess) this.facts.unit = { value: guess.unit, because: guess.because };
  }

  private footnoteIn(line: Line): void {
    const text = line.cells.map((cell) => cell.text).join(' ');
    const note =
      /^(?<mark>[*†‡§¶]+|[¹²³⁴⁵⁶⁷⁸⁹]|\(?[1-9a-z]\)|\^?[1-9a-z](?=[.:=]\s))\s*[:=.-]?\s*(?<text>.{3,200})$/u.exec(
        text,
      )?.groups;
    if (note) this.footnotes.set(note.mark!.replace(/[()[\]^.:=]/g, ''), note.text!);
  }

  // --- labels -------------------------------------------------------------------------------------------------------------

  /** The term of a label: what a person said of it, else what it is read as with its footnote. */
  private term(text: string, label: Label, at: Place): number {
    const key = `${plain(text)}|${JSON.stringify(label.meaning)}`;
    const known = this.termAt.get(key);
    if (known !== undefined) return known;
    this.terms.push({ text, label: this.resolved(text, label), at });
    this.termAt.set(key, this.terms.length - 1);
    return this.terms.length - 1;
  }

  private resolved(text: string, label: Label): Label {
    if (label.because === AS_SAID) return label;
    const note = label.mark ? this.footnotes.get(label.mark) : undefined;
    if (!note || label.meaning.kind !== 'analyte') return label;
    if (/\b(if|when|where|wenn|si|cuando)\b/i.test(note)) {
      this.doubts.add(`“${text}” has a footnote that depends: “${note}”. Which method holds is not told by value.`);
      return label;
    }
    const noted = withContext(label, [note]);
    return noted === label
      ? label
      : { ...noted, because: `footnote “${note.slice(0, 26)}${note.length > 26 ? '…' : ''}”` };
  }

  private unknown(text: string, label: Label, values: readonly string[], at: Place): void {
    const resolved = this.resolved(text, label);
    const { meaning } = resolved;
    const store = meaning.kind === 'kept' ? this.kept : this.notUnderstood;
    const because =
      meaning.kind === 'kept' ? meaning.why : (meaning.kind === 'other' && meaning.why) || 'no name that is known here';
    const key = plain(text);
    const there = store.get(key);
    if (there) {
      for (const value of values) if (there.values.length < MOST_EXAMPLES) there.values.push(value);
    } else store.set(key, { text, values: values.slice(0, MOST_EXAMPLES), because, at });
  }

  // --- values -------------------------------------------------------------------------------------------------------------

  /** One printed cell as a value of a sample, or listed with why it is none. */
  private put(
    sample: ReportSample,
    term: number,
    cell: Cell,
    line: Line,
    page: number,
    beside: { unit?: string; method?: string; rating?: string; qualifier?: string } = {},
  ): void {
    const { meaning } = this.terms[term]!.label;
    if (meaning.kind !== 'analyte') return;
    const { analyte } = meaning;
    const place: Place = { page, line: line.no, from: cell.from };
    const typed = this.answers.values?.[placeKey(place)];
    if (typed === null) return;
    const read =
      typed === undefined ? valueFrom(`${beside.qualifier ?? ''}${cell.text}`, this.decimal) : { value: typed };
    if (!read) {
      if (isRating(cell.text)) {
        const value = sample.values.find((each) => each.term === term);
        if (value) value.rating ??= cell.text;
        else
          this.kept.set(plain(`${this.terms[term]!.text} ${sample.label}`), {
            text: this.terms[term]!.text,
            values: [cell.text],
            because: 'a rating without a number',
            at: place,
          });
        return;
      }
      this.fault(
        sample,
        analyte,
        line,
        cell.text,
        page,
        `${analyte} is “${cell.text.slice(0, 30)}”, which is not a number${this.decimal === ',' ? ' with a decimal comma' : ''}.`,
      );
      return;
    }
    if (read.instead !== undefined || read.value === undefined) {
      sample.notGiven.push({ analyte, text: read.instead ?? cell.text, term, at: place });
      return;
    }
    if (read.value < 0) {
      this.fault(sample, analyte, line, cell.text, page, `${analyte} is ${read.value}: a soil test is never negative.`);
      return;
    }
    const found = this.unitAndMethod(meaning, read, {
      ...beside,
      ...('method' in read && read.method ? { method: read.method } : {}),
    });
    if ('oxide' in found) {
      this.unknown(
        this.terms[term]!.text,
        { meaning: { kind: 'other', why: OXIDE_UNSURE }, sure: 'guess' },
        [cell.text],
        place,
      );
      return;
    }
    if ('because' in found) {
      this.fault(sample, analyte, line, cell.text, page, found.because);
      return;
    }
    const { unit, method } = found;
    // a buffer index is ten times its pH; where it is printed as a pH it is one
    const factor = analyte === 'buffer-pH' && read.value < 10 ? 1 : found.factor;
    const value: ReportValue = {
      analyte,
      value: factor === 1 ? read.value : clean(read.value * factor),
      ...(unit ? { unit } : {}),
      ...(method ? { method } : {}),
      ...(read.qualifier ? { qualifier: read.qualifier } : {}),
      ...((read.rating ?? beside.rating) ? { rating: (read.rating ?? beside.rating) as string } : {}),
      text: cell.text,
      term,
      line: line.no,
      from: cell.from,
      page,
      printed: read.value,
    };
    // a page may print a value in two places: the first stands, another number is said
    const same = sample.values.find(
      (v) => v.analyte === analyte && v.method === value.method && (v.unit === '%') === (value.unit === '%'),
    );
    if (same) {
      if (same.value !== value.value)
        this.doubts.add(
          `${analyte} of ${sample.label} is printed as ${same.text} and as ${cell.text}: the first was taken.`,
        );
      return;
    }
    sample.values.push(value);
  }

  private unitAndMethod(
    meaning: AnalyteMeaning,
    read: { unit?: { unit: ReportUnit; factor?: number } },
    beside: { unit?: string; method?: string },
  ): { unit?: ReportUnit; method?: Method; factor: number } | { because: string } | { oxide: true } {
    const { analyte } = meaning;
    const weighs = isMass(analyte);
    let factor = meaning.factor ?? 1;
    let unit = meaning.unit;
    const besideUnit = beside.unit ? unitOf(analyte, beside.unit) : undefined;
    const printed = read.unit && unitFits(analyte, read.unit.unit) ? read.unit : undefined;
    if (!unit && besideUnit) {
      unit = besideUnit.unit;
      factor *= besideUnit.factor ?? 1;
    } else if (!unit && printed) {
      unit = printed.unit;
      factor *= printed.factor ?? 1;
    }
    if (!unit && beside.unit && weighs)
      return { because: `${analyte} has the unit “${beside.unit.slice(0, 20)}”, which is not one of soil tests here.` };
    if (meaning.oxide && (!unit || unit === 'lb/acre' || unit === 'kg/ha')) return { oxide: true };
    if (!unit && this.facts.kind.value === 'tissue') unit = leafUnit(analyte);
    if (!unit && weighs && this.facts.unit) this.usedFileUnit = true;
    unit ??= weighs ? this.facts.unit?.value : onlyUnit(analyte);
    if (weighs && !unit) {
      this.unitless.add(analyte);
      return { because: `${analyte} has no unit: say whether it is ppm, lb/acre or another.` };
    }
    if (analyte === 'EC' && (unit === 'ppm' || unit === 'mg/L')) {
      this.doubts.add('Salts in ppm are taken for 640 ppm a dS/m, by common practice.');
      unit = 'dS/m';
      factor /= PPM_PER_DS;
    }
    if (unit === 'index' && (analyte === 'pH' || analyte === 'buffer-pH')) unit = undefined;
    if (meaning.otherExtract) {
      this.doubts.add(`${analyte} is by ${meaning.otherExtract}: kept, but no range here is for that extract.`);
      return { ...(unit ? { unit } : {}), factor };
    }
    const besideMethod = beside.method ? extractFor(analyte, beside.method) : undefined;
    if (besideMethod?.otherExtract) {
      this.doubts.add(`${analyte} is by ${besideMethod.otherExtract}: kept, but no range here is for that extract.`);
      return { ...(unit ? { unit } : {}), factor };
    }
    const method =
      meaning.method ??
      besideMethod?.method ??
      this.facts.methods[analyte]?.value ??
      (analyte === 'buffer-pH'
        ? this.facts.bufferMethod?.value
        : analyte === 'pH'
          ? (this.facts.phMethod?.value ?? 'water-1:1')
          : weighs && unit !== '%'
            ? this.facts.method?.value
            : undefined);
    return { ...(unit ? { unit } : {}), ...(method ? { method } : {}), factor };
  }

  private fault(sample: ReportSample, field: string, line: Line, text: string, page: number, because: string): void {
    this.rejected.push({ page, line: line.no, text, because, field });
    sample.faults ??= [];
    sample.faults.push({ field, because });
  }

  // --- samples ------------------------------------------------------------------------------------------------------------

  /** A sample of this name: the one of another table that has no such values yet, else a new one. */
  private sampleOf(facts: Facts, page: number, line: Line, table: ReportTable, fallback?: string): ReportSample {
    const names: Names = {};
    for (const fact of NAME_FACTS) if (facts[fact]) names[fact] = facts[fact].text;
    const label = names.sample ?? names.bag ?? names.field ?? names.labNumber ?? fallback ?? '';
    const dayText = facts.sampledOn;
    const key = `${label.toLowerCase()}|${names.property?.toLowerCase() ?? ''}|${dayText?.text ?? ''}`;
    const there = label === '' ? undefined : this.byName.get(key);
    if (there && this.ofTable.get(there) !== table) {
      Object.assign(there.names, { ...names, ...there.names });
      this.ofTable.set(there, table);
      return there;
    }
    const sample: ReportSample = {
      label,
      names,
      ground: {},
      values: [],
      notGiven: [],
      recommendations: [],
      page,
      line: line.no,
    };
    this.describe(sample, facts, line, page);
    this.samples.push(sample);
    this.byName.set(key, sample);
    this.ofTable.set(sample, table);
    return sample;
  }

  private describe(sample: ReportSample, facts: Facts, line: Line, page: number): void {
    const { facts: file } = this;
    const day = facts.sampledOn;
    const sampledOn = this.answers.sampledOn ?? (day ? this.dayOf(day.text) : file.sampledOn?.value);
    if (sampledOn) sample.sampledOn = sampledOn;
    else if (day)
      this.fault(
        sample,
        'sampledOn',
        line,
        day.text,
        page,
        `“${day.text.slice(0, 30)}” is not a day that can be read.`,
      );
    const depthText = facts.depthIn?.text ?? file.depth?.value;
    const depth = depthText === undefined ? undefined : depthFrom(depthText, facts.depthIn?.factor ?? 1);
    if (depth !== undefined && depth > 0 && depth <= 12) sample.depthIn = depth;
    else if (depthText !== undefined && facts.depthIn)
      this.fault(
        sample,
        'depthIn',
        line,
        depthText,
        page,
        `Depth “${depthText.slice(0, 30)}” must be above 0 and at most 12 in (30 cm).`,
      );
    const basis = facts.basisDepthIn?.text ?? file.basisDepth?.value;
    const basisIn = basis === undefined ? undefined : depthFrom(basis, facts.basisDepthIn?.factor ?? 1);
    if (basisIn !== undefined && basisIn > 0 && basisIn <= 12) sample.basisDepthIn = basisIn;
    const scoop = facts.scoopGPerCm3 ? valueFrom(facts.scoopGPerCm3.text, this.decimal) : undefined;
    if (facts.scoopGPerCm3 && scoop?.value === undefined && scoop?.instead === undefined)
      this.fault(
        sample,
        'scoopGPerCm3',
        line,
        facts.scoopGPerCm3.text,
        page,
        `scoopGPerCm3 is “${facts.scoopGPerCm3.text.slice(0, 30)}”, which is not a number.`,
      );
    else if (scoop?.value !== undefined) sample.scoopGPerCm3 = scoop.value;
    const lab = facts.lab?.text ?? file.lab?.value;
    if (lab) sample.lab = lab.slice(0, 120);
    for (const fact of ['grass', 'texture', 'carbonates'] as const)
      if (facts[fact]) sample.ground[fact] = facts[fact].text;
  }

  /** A day by the order of this file; a table repeats its days. */
  private dayOf(text: string): string | undefined {
    if (!this.days.has(text)) this.days.set(text, dayFrom(text, this.facts.dayOrder.value));
    return this.days.get(text);
  }

  /** Facts of a page for a table: of each kind the last above it, else the first of the page. */
  private factsOver(page: number, line: number): Facts {
    const facts: Facts = {};
    for (const { fact, text, line: at, from } of this.pageFacts[page] ?? []) {
      if (facts[fact] && at > line) continue;
      facts[fact] = { text, place: { page, line: at, from } };
    }
    return facts;
  }

  /** The sample that a page is about, or the one that the page before began. */
  private pageSample(page: number, line: Line, table: ReportTable): ReportSample {
    const facts = this.factsOver(page, line.no);
    const named = NAME_FACTS.some((fact) => fact !== 'property' && facts[fact] !== undefined);
    if (!named) {
      const before = this.samples.at(-1);
      const repeats = before ? this.repeats(before, table) : false;
      if (before && page - before.page <= 1 && !repeats) return before;
      if (repeats) {
        this.doubts.add(
          `The results after ${before!.label} name no sample and repeat its analytes: they were taken for another sample.`,
        );
        return this.sampleOf(facts, page, line, table, `sample ${this.samples.length + 1}`);
      }
    }
    const names = NAME_FACTS.map((fact) => facts[fact]?.text ?? '').join('|');
    const before = this.samples.findLast((s) => NAME_FACTS.map((fact) => s.names[fact] ?? '').join('|') === names);
    if (before) return before;
    return this.sampleOf(facts, page, line, table, named ? undefined : `sample ${this.samples.length + 1}`);
  }

  /** Whether a table begins another sample: most of what it names was read for this one from another table. */
  private repeats(sample: ReportSample, table: ReportTable): boolean {
    if (this.ofTable.get(sample) === table) return false;
    const labels =
      table.kind === 'down' ? table.rows.map((row) => row.label) : table.columns.map((column) => column.label);
    const named = labels.flatMap(({ meaning }) =>
      meaning.kind === 'analyte' && meaning.unit !== '%' ? [meaning.analyte] : [],
    );
    const again = named.filter((analyte) => sample.values.some((v) => v.analyte === analyte));
    return again.length >= 2 && again.length > named.length / 2;
  }

  private across(page: ReportPage, table: AcrossTable): void {
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
      const label = this.resolved(column.text, column.label);
      if (label.meaning.kind === 'analyte' || label.meaning.kind === 'advice')
        return this.term(column.text, column.label, {
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
      const { meaning } = this.resolved(column.text, column.label);
      if (i === guessed || ratings.has(i) || (meaning.kind !== 'other' && meaning.kind !== 'kept')) continue;
      const texts = table.rows
        .slice(0, MOST_EXAMPLES)
        .map((row) => cellAt(page.lines[row]!, columns, i)?.text ?? '')
        .filter(Boolean);
      if (texts.length > 0 || column.text !== '')
        this.unknown(column.text || `column ${i + 1}`, column.label, texts, {
          page: table.page,
          line: column.at?.line ?? table.heading[0] + 1,
          from: column.from,
        });
    }
    const meanings = columns.map((column) => this.resolved(column.text, column.label).meaning);
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
        const above = this.samples.at(-1);
        cells.forEach((cell, i) => {
          const value = cell && above?.values.find((v) => v.term === terms[i]);
          if (value) value.rating ??= cell.text;
        });
        continue;
      }
      if (word === 'range') continue;
      if (word) delete facts.sample;
      const anonymous = names === -1 && (guessed === undefined || word !== undefined);
      const page0 = this.factsOver(table.page, line.no);
      const sample =
        anonymous && (word !== undefined || (table.rows.length === 1 && this.document.kind !== 'table'))
          ? this.pageSample(table.page, line, table)
          : this.sampleOf(
              { ...withoutNames(page0), ...facts },
              table.page,
              line,
              table,
              anonymous ? `line ${line.no}` : undefined,
            );
      const beside = {
        ...(facts.unit ? { unit: facts.unit.text } : {}),
        ...(facts.method ? { method: facts.method.text } : {}),
      };
      const before =
        sample.values.length + sample.notGiven.length + sample.recommendations.length + (sample.faults?.length ?? 0);
      cells.forEach((cell, i) => {
        const term = terms[i]!;
        if (!cell || term === -1) return;
        const { meaning } = this.terms[term]!.label;
        if (meaning.kind === 'advice') return this.advice(sample, term, cell, line, table.page);
        if (meaning.kind !== 'analyte') return;
        const own =
          meaning.analyte === 'buffer-pH' && facts['buffer-method']
            ? facts['buffer-method'].text
            : meaning.analyte === 'P' && facts['P-method']
              ? facts['P-method'].text
              : beside.method;
        this.put(sample, term, cell, line, table.page, { ...beside, ...(own ? { method: own } : {}) });
      });
      for (const [i, of] of ratings) {
        const value = cells[i] && sample.values.find((v) => v.term === terms[of] && v.line === line.no);
        if (value) value.rating ??= cells[i]!.text;
      }
      if (
        before ===
        sample.values.length + sample.notGiven.length + sample.recommendations.length + (sample.faults?.length ?? 0)
      )
        this.fault(
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

  private long(page: ReportPage, table: LongTable): void {
    const { columns } = table;
    const facts = columns.map((column) => {
      const { meaning } = this.resolved(column.text, column.label);
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
        this.unknown(each.text, each.label, texts, { page: table.page, line: each.at?.line ?? 1, from: each.from });
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
        (cell) => cell !== name && valueFrom(cell.text, this.decimal)?.value !== undefined,
      );
      const value =
        cells[values] && valueFrom(cells[values].text, this.decimal)
          ? cells[values]
          : loose.length === 1
            ? loose[0]
            : cells[values];
      const unitCell =
        cells[units] && cells[units] !== value && valueFrom(cells[units].text, this.decimal) === undefined
          ? cells[units]
          : line.cells.find((cell) => isUnitOnly(cell.text));
      const label = readLabel(name.text);
      const place: Place = { page: table.page, line: line.no, from: name.from };
      const { meaning } = this.resolved(name.text, label);
      if (meaning.kind === 'other' || meaning.kind === 'kept' || meaning.kind === 'fact') {
        if (meaning.kind === 'fact' && value) continue;
        this.unknown(name.text, label, value ? [value.text] : [], place);
        if (meaning.kind === 'other')
          this.rejected.push({
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
            (v) => v.analyte === meaning.analyte && plain(this.terms[v.term]!.text) === plain(name.text),
          );
        if (again)
          this.doubts.add(
            `${name.text} stands twice under ${before.label}: the second was taken for another sample. Which column names the samples?`,
          );
        sample =
          (again ? undefined : before) ??
          this.sampleOf({ ...withoutNames(this.factsOver(table.page, line.no)), ...rowFacts }, table.page, line, table);
        open.set(key, sample);
      } else sample = this.pageSample(table.page, page.lines[table.rows[0]!]!, table);
      const term = this.term(name.text, label, place);
      if (meaning.kind === 'advice') {
        this.advice(sample, term, value, line, table.page, unitCell?.text);
        continue;
      }
      this.put(sample, term, value, line, table.page, {
        ...(unitCell ? { unit: unitCell.text } : {}),
        ...(cells[methods] ? { method: cells[methods].text } : {}),
        ...(cells[signs] && /^[<>]/.test(cells[signs].text) ? { qualifier: cells[signs].text } : {}),
        ...(cells[ratings] && isRating(cells[ratings].text) ? { rating: cells[ratings].text } : {}),
      });
    }
  }

  private down(page: ReportPage, table: DownTable): void {
    const first = page.lines[table.rows[0]!.line]!;
    const byColumn = table.samples.map((column) => this.sampleOfColumn(column, table, first));
    for (const row of table.rows) {
      const line = page.lines[row.line]!;
      const at: Place = { page: table.page, line: line.no, from: row.cell.from };
      const term = this.term(row.cell.text, row.label, at);
      const { meaning } = this.terms[term]!.label;
      const part = (kind: string) =>
        row.cells.find((cell) => table.parts.some((p) => p.kind === kind && overlap(cell, p.span) > 0))?.text;
      const unit = row.cells.find((cell) => isUnitOnly(cell.text))?.text ?? part('unit');
      const method = part('method');
      // of one list the value is told by what it is, of several columns by where it stands
      const [only] = table.samples.length > 1 ? [] : row.cells.filter((cell) => this.isValueOf(cell, meaning));
      const inColumn = (cell: Cell) =>
        table.samples.length > 1 ? table.samples.findIndex((span) => overlap(cell, span) > 0) : cell === only ? 0 : -1;
      for (const cell of row.cells) {
        const column = inColumn(cell);
        if (column === -1) continue;
        const sample = byColumn[column]!;
        if (meaning.kind === 'advice') this.advice(sample, term, cell, line, table.page, unit);
        else if (meaning.kind === 'analyte') {
          const rating = row.cells.find(
            (other) =>
              other.from >= cell.to &&
              isRating(other.text) &&
              !row.cells.some(
                (c) => c.from > cell.from && c.from < other.from && table.samples.some((s) => overlap(c, s) > 0),
              ),
          )?.text;
          this.put(sample, term, cell, line, table.page, {
            ...(unit ? { unit } : {}),
            ...(method ? { method } : {}),
            ...(rating && !isRating(cell.text) ? { rating } : {}),
          });
        }
      }
      if (meaning.kind === 'kept' || meaning.kind === 'other')
        this.unknown(
          row.cell.text,
          row.label,
          row.cells.map((c) => c.text),
          at,
        );
    }
  }

  /** Whether a cell beside a name is its value; advice is a number with words behind it. */
  private isValueOf({ text }: Cell, meaning: Meaning): boolean {
    return valueFrom(text, this.decimal) !== undefined || (meaning.kind === 'advice' && /^\d/.test(text));
  }

  private sampleOfColumn(column: SampleColumn, table: DownTable, line: Line): ReportSample {
    const over = this.factsOver(table.page, line.no);
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
    if (!named && table.samples.length === 1) return this.pageSample(table.page, line, table);
    return this.sampleOf(
      { ...withoutNames(over), ...own },
      table.page,
      line,
      table,
      named ? undefined : `column ${table.samples.indexOf(column) + 1}`,
    );
  }

  // --- advice and words ---------------------------------------------------------------------------------------------------

  private advice(sample: ReportSample, term: number, cell: Cell, line: Line, page: number, unit?: string): void {
    const { meaning } = this.terms[term]!.label;
    if (meaning.kind !== 'advice') return;
    const text = `${this.terms[term]!.text} ${cell.text}`.trim();
    const at: Place = { page, line: line.no, from: cell.from };
    const perThousand = meaning.perThousand ?? (unit ? adviceUnitIn(unit) : undefined) ?? adviceUnitIn(cell.text);
    const number = /^[^\d]*([\d.,]+)/.exec(cell.text)?.[1];
    const printed = number === undefined ? NaN : numberFrom(number.replace(/[.,]$/, ''), this.decimal);
    if (!Number.isFinite(printed)) {
      if (valueFrom(cell.text, this.decimal)?.instead === undefined)
        sample.recommendations.push({ of: 'words', text, at });
      return;
    }
    if (perThousand === undefined)
      this.doubts.add(
        `The laboratory’s advice “${text.slice(0, 60)}” names no unit: pounds an acre and pounds per 1000 ft2 differ by forty-four times. It is kept as words.`,
      );
    sample.recommendations.push({
      of: perThousand === undefined ? 'words' : meaning.of,
      ...(perThousand === undefined ? {} : { lbPer1000: printed * perThousand }),
      printed,
      text,
      at,
    } satisfies Recommendation);
  }

  /** A line outside every table: advice in a sentence, a pair of name and number, or words. */
  private looseLine(page: number, line: Line): void {
    const text = line.cells
      .map((cell) => cell.text)
      .join('  ')
      .trim();
    if (text === '') return;
    const at: Place = { page, line: line.no, from: line.cells[0]!.from };
    const advised = /\b(apply|recommend\w*|spread|use|aplicar|ausbringen|apporter|needs?|required?)\b/i.test(text);
    const scale = adviceUnitIn(text);
    const amount = /(\d[\d.,]*)\s*(?:lbs?\b|pounds?|tons?|kg|t\b|g\b)/i.exec(text)?.[1];
    const substance = readLabel(text.replace(/[\d.,]+/g, ' ').slice(0, 88), true).meaning;
    if (advised && scale !== undefined && amount && substance.kind === 'advice') {
      const sample = this.samples.findLast((s) => s.page <= page);
      const printed = numberFrom(amount.replace(/[.,]$/, ''), this.decimal);
      if (sample && Number.isFinite(printed)) {
        sample.recommendations.push({ of: substance.of, lbPer1000: printed * scale, printed, text, at });
        return;
      }
    }
    if (advised && this.samples.length > 0 && !isAdviceHeading(text)) {
      this.samples.findLast((s) => s.page <= page)?.recommendations.push({ of: 'words', text, at });
      return;
    }
    const [lead] = line.cells;
    const rest = line.cells.slice(1).map((cell) => cell.text);
    const pair = /^(?<name>[^:]{1,60})\s*:\s*(?<rest>\S.*)$/.exec(lead!.text)?.groups;
    const numbers = pair ? [pair.rest!, ...rest] : rest;
    if (
      numbers.length > 0 &&
      numbers.some((each) => valueFrom(each, this.decimal)?.value !== undefined) &&
      numbers.length === (pair ? line.cells.length : line.cells.length - 1) &&
      line.cells.length < 9
    ) {
      const name = pair ? pair.name! : lead!.text;
      if (!/^\d+([.,]\d+)?$/.test(name)) this.unknown(name, readLabel(name), numbers, at);
      else this.kept.set(`${page}:${line.no}`, { text, values: [], because: 'words', at });
      return;
    }
    this.kept.set(`${page}:${line.no}`, { text: text.slice(0, 300), values: [], because: 'words', at });
  }
}

const withoutNames = (facts: Facts): Facts => {
  const rest = { ...facts };
  for (const fact of ['sample', 'bag', 'field', 'labNumber'] as const) delete rest[fact];
  return rest;
};

/** A row that is named after what it holds, and not after a sample. */
function wordOfRow(text: string | undefined): ReportFact | undefined {
  const { meaning } = readLabel(text ?? '');
  return meaning.kind === 'fact' && ['value', 'rating', 'range'].includes(meaning.fact) ? meaning.fact : undefined;
}

/** Multiplying by a factor may leave digits that nobody printed. */
const clean = (value: number): number => significant(value, 12);
