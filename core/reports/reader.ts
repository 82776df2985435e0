import type { Method } from '../records/vocabularies';
import { dayFrom } from '../typed/typed-day';
import { depthFrom } from '../typed/typed-depth';
import { significant } from '../words/numbers';
import { plain } from '../words/plain';
import { type Cell, type Line, overlap, type ReportDocument } from './document';
import { type PageFact } from './file-facts';
import { unitOf, withContext } from './label-context';
import type {
  FileFacts,
  NotUnderstood,
  Place,
  ReaderAnswers,
  ReportReading,
  ReportSample,
  ReportValue,
  Term,
} from './reading';
import { placeKey } from './reading';
import { AS_SAID } from './said-labels';
import { type LongTable, type ReportTable } from './tables';
import { extractFor, type Label, type Meaning, OXIDE_UNSURE, readLabel, unitFits } from './terms/label';
import { isMass, onlyUnit, type ReportAnalyte, type ReportFact } from './terms/names';
import { isRating } from './terms/ratings';
import { type ReportUnit } from './terms/units';
import { type DecimalMark, valueFrom } from './terms/values';
import { leafUnit } from './water-and-leaves';

type AnalyteMeaning = Extract<Meaning, { kind: 'analyte' }>;
type Names = ReportSample['names'];
export type Facts = Partial<Record<ReportFact, { text: string; place: Place; factor?: number }>>;

/** Values of a label that is not understood, as examples. */
export const MOST_EXAMPLES = 6;
/** Salts in ppm (mg/L) are taken for 640 to a dS/m. Common practice. */
const PPM_PER_DS = 640;
export const NAME_FACTS = ['sample', 'bag', 'field', 'labNumber', 'property'] as const;

/** A report being read: its labels, its samples and their values, and what could not be read, as they are found. */
export class Reader {
  readonly terms: Term[] = [];
  readonly termAt = new Map<string, number>();
  readonly notUnderstood = new Map<string, NotUnderstood>();
  readonly kept = new Map<string, NotUnderstood>();
  readonly rejected: ReportReading['rejected'] = [];
  readonly doubts = new Set<string>();
  readonly samples: ReportSample[] = [];
  readonly byName = new Map<string, ReportSample>();
  /** A laboratory's number is of one sample, whatever else names it in another table. */
  readonly byLabNumber = new Map<string, ReportSample>();
  readonly footnotes = new Map<string, string>();
  readonly pageFacts: PageFact[][] = [];
  usedFileUnit = false;
  readonly days = new Map<string, string | undefined>();
  readonly unitless = new Set<ReportAnalyte>();
  facts!: FileFacts;
  decimal: DecimalMark = '.';
  readonly ofTable = new WeakMap<ReportSample, ReportTable>();

  constructor(
    readonly document: ReportDocument,
    readonly answers: ReaderAnswers,
    readonly on: string | undefined,
  ) {}

  footnoteIn(line: Line): void {
    const text = line.cells.map((cell) => cell.text).join(' ');
    const note =
      /^(?<mark>[*†‡§¶]+|[¹²³⁴⁵⁶⁷⁸⁹]|\(?[1-9a-z]\)|\^?[1-9a-z](?=[.:=]\s))\s*[:=.-]?\s*(?<text>.{3,200})$/u.exec(
        text,
      )?.groups;
    if (note) this.footnotes.set(note.mark!.replace(/[()[\]^.:=]/g, ''), note.text!);
  }

  // --- labels -------------------------------------------------------------------------------------------------------------

  /** The term of a label: what a person said of it, else what it is read as with its footnote. */
  term(text: string, label: Label, at: Place): number {
    const key = `${plain(text)}|${JSON.stringify(label.meaning)}`;
    const known = this.termAt.get(key);
    if (known !== undefined) return known;
    this.terms.push({ text, label: this.resolved(text, label), at });
    this.termAt.set(key, this.terms.length - 1);
    return this.terms.length - 1;
  }

  resolved(text: string, label: Label): Label {
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

  unknown(text: string, label: Label, values: readonly string[], at: Place): void {
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
  put(
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

  unitAndMethod(
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

  fault(sample: ReportSample, field: string, line: Line, text: string, page: number, because: string): void {
    const from = line.cells.find((cell) => cell.text === text)?.from;
    this.rejected.push({ page, line: line.no, ...(from === undefined ? {} : { from }), text, because, field });
    sample.faults ??= [];
    sample.faults.push({ field, because });
  }

  // --- samples ------------------------------------------------------------------------------------------------------------

  /** A sample of this name: the one of another table that has no such values yet, else a new one. */
  sampleOf(facts: Facts, page: number, line: Line, table: ReportTable, fallback?: string): ReportSample {
    const names: Names = {};
    for (const fact of NAME_FACTS) if (facts[fact]) names[fact] = facts[fact].text;
    const label = names.sample ?? names.bag ?? names.field ?? names.labNumber ?? fallback ?? '';
    const dayText = facts.sampledOn;
    const key = `${label.toLowerCase()}|${names.property?.toLowerCase() ?? ''}|${dayText?.text ?? ''}`;
    const byNumber = names.labNumber && this.byLabNumber.get(names.labNumber);
    const isOther = byNumber && names.sample && byNumber.names.sample && names.sample !== byNumber.names.sample;
    const there = (label === '' ? undefined : this.byName.get(key)) ?? (isOther ? undefined : byNumber || undefined);
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
    if (names.labNumber) this.byLabNumber.set(names.labNumber, sample);
    this.ofTable.set(sample, table);
    return sample;
  }

  describe(sample: ReportSample, facts: Facts, line: Line, page: number): void {
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
  dayOf(text: string): string | undefined {
    if (!this.days.has(text)) this.days.set(text, dayFrom(text, this.facts.dayOrder.value));
    return this.days.get(text);
  }

  /** Facts of a page for a table: of each kind the last above it, else the first of the page. */
  factsOver(page: number, line: number): Facts {
    const facts: Facts = {};
    for (const { fact, text, line: at, from } of this.pageFacts[page] ?? []) {
      if (facts[fact] && at > line) continue;
      facts[fact] = { text, place: { page, line: at, from } };
    }
    return facts;
  }

  /**
   * A name that says when, beside a page that says what: columns of 2024 and 2026, a line of the test before. Each is a sample of the
   * page's place with its time behind the name; only of the page's own year is its day the page's.
   */
  ofTime(facts: Facts, over: Facts): { facts: Facts; year?: string } {
    const time = facts.sample && timeIn(facts.sample.text);
    const whole = NAME_FACTS.find((fact) => fact !== 'property' && over[fact]);
    if (!time || !whole) return { facts };
    const place = over[whole]!;
    this.doubts.add(
      `${place.text} is printed with results of several times: each was taken for a sample of its own, with the time in its name. Keep those that are wanted.`,
    );
    return {
      facts: {
        ...facts,
        sample: { text: time === 'now' ? place.text : `${place.text}, ${time}`, place: facts.sample!.place },
        field: place,
      },
      ...(time === 'now' ? {} : { year: time }),
    };
  }

  /** Takes a day away that is another year's than the sample's name says. */
  onlyOfYear(sample: ReportSample, year: string | undefined): void {
    if (year !== undefined && sample.sampledOn?.slice(0, 4) !== year) delete sample.sampledOn;
  }

  /** The sample that a page is about, or the one that the page before began. */
  pageSample(page: number, line: Line, table: ReportTable): ReportSample {
    const facts = this.factsOver(page, line.no);
    const sheet = this.sheetName(page);
    if (sheet && this.samples.at(-1)?.page !== page && !this.namesSample(facts)) {
      const before = this.samples.at(-1);
      // a sheet of other analytes goes on with the sample of the one before
      if (!before || this.repeats(before, table))
        facts.sample = { text: sheet, place: { page, line: line.no, from: 0 } };
    }
    const named = this.namesSample(facts);
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

  private namesInList(table: LongTable): Label[] {
    const at = table.columns.find(({ label }) => label.meaning.kind === 'fact' && label.meaning.fact === 'analyte');
    const { lines } = this.document.pages[table.page]!;
    return table.rows.flatMap((row) => {
      const name = at && lines[row]!.cells.find((cell) => overlap(cell, at) > 0);
      return name ? [readLabel(name.text)] : [];
    });
  }

  private namesSample(facts: Facts): boolean {
    return NAME_FACTS.some((fact) => fact !== 'property' && facts[fact] !== undefined);
  }

  /** The name of a sheet among several, where it is not one that any sheet has: laboratories give a sample a sheet. */
  private sheetName(page: number): string | undefined {
    const { kind, pages } = this.document;
    const name = pages[page]!.name.trim();
    return kind === 'workbook' && pages.length > 1 && !ANY_SHEET.test(name) ? name : undefined;
  }

  /** Whether a table begins another sample: most of what it names was read for this one from another table. */
  repeats(sample: ReportSample, table: ReportTable): boolean {
    if (this.ofTable.get(sample) === table) return false;
    const labels =
      table.kind === 'down'
        ? table.rows.map((row) => row.label)
        : table.kind === 'long'
          ? this.namesInList(table)
          : table.columns.map((column) => column.label);
    const named = labels.flatMap(({ meaning }) =>
      meaning.kind === 'analyte' && meaning.unit !== '%' ? [meaning.analyte] : [],
    );
    const again = named.filter((analyte) => sample.values.some((v) => v.analyte === analyte));
    return again.length >= 2 && again.length > named.length / 2;
  }
}

export const withoutNames = (facts: Facts): Facts => {
  const rest = { ...facts };
  for (const fact of ['sample', 'bag', 'field', 'labNumber'] as const) delete rest[fact];
  return rest;
};
/** Multiplying by a factor may leave digits that nobody printed. */
const clean = (value: number): number => significant(value, 12);

const YEAR =
  /^(?:(?:results?|test|soil test|value|spring|summer|fall|autumn)\s+)?(?<year>(?:19|20)\d\d)(?:\s+(?:results?|test|value))?$/i;

/** When a name says that something was measured, in place of what: a year, `earlier`, or now. */
function timeIn(text: string): string | undefined {
  const year = YEAR.exec(text.trim())?.groups?.year;
  if (year) return year;
  if (/^(previous|prior|last|earlier)( (test|tests|result|results|year|sample|value))?$/i.test(text.trim()))
    return 'earlier';
  return /^(current|this)( (test|result|results|year|sample|value))?$/i.test(text.trim()) ? 'now' : undefined;
}

/** Names of sheets that say nothing of what is on them but its kind. */
const ANY_SHEET =
  /^(sheet|tabelle|feuil|hoja|page|seite|blatt)\s*\d*$|^(data|results?|report|soil|soils|main|micros?|macros?|majors?|minors?|about|info|summary|notes|legend|all|samples?|analysis|output|export)\b/i;
