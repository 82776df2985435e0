import { expose } from 'comlink';
import { decodeText } from '@core/files/decode-text';
import { type CodeTarget, type Match, SampleMatcher, type ZoneTarget } from '@core/files/match-sample';
import { printCsv } from '@core/files/print-csv';
import { shortCells } from '@core/files/short-cells';
import { isRefusal, refuse, type Refusal } from '@core/reckoning/refusal';
import type { DoorKind, ReportDocument } from '@core/reports/document';
import { placeOf } from '@core/reports/document';
import { kindOfBytes } from '@core/reports/doors/kind-of-bytes';
import { documentOfPdf, type PdfReader } from '@core/reports/doors/pdf-door';
import { openText } from '@core/reports/doors/text-door';
import { documentOfWorkbook } from '@core/reports/doors/workbook-door';
import { pageOfRows } from '@core/reports/document';
import { PartsReader, TOP_ROWS } from '@core/reports/in-parts';
import { noAnalytes } from '@core/reports/no-analytes';
import { type Slip, slipsOf, unitDoubt } from '@core/reports/plausible';
import { readReport } from '@core/reports/read-report';
import type {
  FileFacts,
  NotUnderstood,
  Place,
  ReaderAnswers,
  ReportReading,
  ReportSample,
  ReportValue,
  Term,
} from '@core/reports/reading';
import { findTables } from '@core/reports/find-tables';
import { plain } from '@core/words/plain';
import type { Method } from '@core/records/vocabularies';
import type { IrrigationWater } from '@core/records/case';
import { irrigationWaterOf, type LeafFinding, leafFindings } from '@core/reports/water-and-leaves';
import type { LabLayoutRecord } from '../storage/schema';
import { type MatchedSample, reportsOf, storeReports } from '../storage/report-intake';
import { storageFault } from '../storage/storage-fault';

/** Lines of a file that the page is shown at a time. */
const SHOWN_LINES = 120;
/** Samples whose columns the page is shown at a time. */
const SHOWN_SAMPLES = 6;
/** Lists that a person reads; all of them stay here. */
const SHOWN_ENTRIES = 200;
const SHOWN_SLIPS = 40;

export interface Opened {
  kind: DoorKind;
  pages: { name: string; lines: number; width?: number; height?: number }[];
  /** What remembered readings of this laboratory are found by. */
  fingerprints: string[];
}
export type MarkKind = 'read' | 'asked' | 'words' | 'unknown';
/** A cell of the file as it came, with what became of it. */
export interface ShownCell {
  text: string;
  from: number;
  to: number;
  mark?: MarkKind;
  /** Sample and value that it was read as. */
  value?: [sample: number, value: number];
  /** Its words stand in a cell that follows: only its mark is drawn. */
  within?: true;
}
export interface ShownLine {
  no: number;
  top?: number;
  height?: number;
  cells: ShownCell[];
}
/** One analyte of the reading over the samples that are shown. */
export interface ShownRow {
  term: number;
  unit?: string;
  method?: Method;
  values: ({ at: [number, number]; text: string; rating?: string; asked: boolean } | { instead: string } | undefined)[];
}
export interface ShownSample {
  label: string;
  second?: string;
  sampledOn?: string;
  depthIn?: number;
  zone?: { propertyId: string; zoneId: string };
  /** Why it has no zone, or is not stored. */
  why?: string;
}
export interface ReadSummary {
  facts: FileFacts;
  terms: { term: Term; plain: string; count: number }[];
  samples: number;
  values: number;
  notGiven: number;
  rows: ShownRow[];
  shown: ShownSample[];
  from: number;
  notUnderstood: NotUnderstood[];
  kept: NotUnderstood[];
  ratings: number;
  ratingWords: string[];
  recommendations: { text: string; sample: string; of: string; lbPer1000?: number }[];
  rejected: { place: string; text: string; because: string }[];
  rejectedCount: number;
  doubts: string[];
  slips: (Slip & { label: string; text: string; unit: string; place: Place })[];
  slipCount: number;
  unitDoubt?: { unit: string; says: string };
  /** Names of samples of water, and leaves against their ranges; of a report of soil none. */
  waters: string[];
  leaves: { label: string; findings: LeafFinding[] }[];
  fresh: number;
  known: number;
  unmatched: { sample: string; count: number; why: string }[];
}
export interface Intake {
  codes: CodeTarget[];
  zones: ZoneTarget[];
  propertyId?: string;
  today: string;
  assigned: Record<string, { propertyId: string; zoneId: string } | 'leave-out'>;
}

let document: ReportDocument | undefined;
/** Rows of a long table, which is read in parts. */
let rows: string[][] | undefined;
let pdfBytes: Uint8Array | undefined;
let reading:
  | Pick<ReportReading, 'facts' | 'terms' | 'samples' | 'rejected' | 'notUnderstood' | 'kept' | 'doubts' | 'said'>
  | undefined;
let matches: (Match | string)[] = [];
let fresh: Awaited<ReturnType<typeof reportsOf>>['fresh'] = [];
let whyNot = new Map<ReportSample, string>();
let slips: Slip[] = [];

/** pdf.js, run here and not in a worker of its own; what it would fetch for pictures it does without. */
async function pdfReader(): Promise<PdfReader & { getDocument: unknown }> {
  const [pdf, worker] = await Promise.all([
    import('pdfjs-dist/legacy/build/pdf.mjs'),
    import('pdfjs-dist/legacy/build/pdf.worker.mjs'),
  ]);
  (globalThis as { pdfjsWorker?: unknown }).pdfjsWorker = worker;
  return pdf as unknown as PdfReader;
}

const PAGES_OF_TABLE = 'table';

async function documentOf(
  name: string,
  bytes: Uint8Array,
  onProgress: (doing: string) => void,
): Promise<ReportDocument | Refusal> {
  const kind = kindOfBytes(bytes);
  if (kind === 'workbook') return documentOfWorkbook(bytes, onProgress);
  if (kind === 'pdf') {
    pdfBytes = bytes.slice();
    return documentOfPdf(await pdfReader(), bytes, { onProgress: (page, of) => onProgress(`page ${page} of ${of}`) });
  }
  return documentOfText(decodeText(bytes).text, name);
}

/** A text; of a long table only the top, its rows kept to be read in parts. */
function documentOfText(source: string, name: string): ReportDocument | Refusal {
  const opened = openText(source, name);
  if (!('rows' in opened)) return opened;
  const parsed = opened.rows.map(shortCells);
  const isLong = parsed.length > 4 * TOP_ROWS;
  if (isLong) rows = parsed;
  return { kind: 'table', pages: [pageOfRows(PAGES_OF_TABLE, isLong ? parsed.slice(0, TOP_ROWS) : parsed)] };
}

/** By what a laboratory is known again: its name, and the heading of its table. */
function fingerprintsOf(given: ReportDocument): string[] {
  const { facts } = readReport(given);
  const tables = given.pages.slice(0, 3).flatMap((page, i) => findTables(page, i).tables);
  const heading = tables.find((table) => table.kind !== 'down');
  const header = heading
    ? heading.columns
        .map(({ text }) => plain(text))
        .join('|')
        .slice(0, 2000)
    : undefined;
  return [...(facts.lab ? [`laboratory:${plain(facts.lab.value)}`] : []), ...(header ? [header] : [])];
}

/** Reads a whole file; a long table in parts. */
function readWhole(
  given: ReportDocument,
  answers: ReaderAnswers,
  today: string,
  onProgress: (share: number) => void,
): NonNullable<typeof reading> | Refusal {
  const [only] = given.pages;
  // a workbook of one long sheet is read in parts as well, so that it tells how far it is
  const long =
    rows ??
    (given.pages.length === 1 && only!.kind === 'cells' && only!.lines.length > 4 * TOP_ROWS ? only!.lines : undefined);
  if (!long) {
    const read = readReport(given, answers, today);
    return read.terms.length === 0 && read.samples.length === 0 ? noAnalytes : read;
  }
  const reader = new PartsReader(answers, today);
  const samples: ReportSample[] = [];
  const rejected: ReportReading['rejected'] = [];
  const drain = () => {
    const part = reader.drain();
    for (const sample of part.samples) samples.push(sample);
    for (const each of part.rejected) rejected.push(each);
  };
  for (const [i, row] of long.entries()) {
    if ('cells' in row) reader.takeLine(row);
    else reader.take(row, i + 1);
    if (i % 5000 === 0) {
      drain();
      onProgress(i / long.length);
    }
  }
  reader.finish();
  drain();
  return reader.reading && reader.reading.terms.length > 0 ? { ...reader.reading, samples, rejected } : noAnalytes;
}

const shownValue = (value: ReportValue): string =>
  `${value.qualifier ?? ''}${value.text.replace(/^[<>≤≥]\s*/, '').match(/[\d.,]+/)?.[0] ?? String(value.value)}`;

/** Rows of the reading, in the order of the file, for some of its samples. */
function rowsOf({ samples, terms }: NonNullable<typeof reading>, from: number): ShownRow[] {
  const here = samples.slice(from, from + SHOWN_SAMPLES);
  const asked = new Set(slips.map((slip) => `${slip.sample}/${slip.value}`));
  return terms.flatMap(({ label }, term): ShownRow[] => {
    if (label.meaning.kind !== 'analyte') return [];
    const values = here.map((sample, i) => {
      const at = sample.values.findIndex((value) => value.term === term);
      if (at !== -1) {
        const value = sample.values[at]!;
        return {
          at: [from + i, at] as [number, number],
          text: shownValue(value),
          ...(value.rating ? { rating: value.rating } : {}),
          asked: asked.has(`${from + i}/${at}`),
        };
      }
      const none = sample.notGiven.find((each) => each.term === term);
      return none && { instead: none.text };
    });
    const first = here.flatMap((sample) => sample.values.find((value) => value.term === term) ?? []).at(0);
    return values.some((value) => value !== undefined)
      ? [
          {
            term,
            values,
            ...(first?.unit ? { unit: first.unit } : {}),
            ...(first?.method ? { method: first.method } : {}),
          },
        ]
      : [];
  });
}

/** The import of a report, off the page's thread: the file stays here until it is stored or the worker is ended. */
const intake = {
  here: (): true => true,

  /** Takes a file or a pasted text in; nothing of it is read yet. */
  async open(
    given: File | { text: string; name: string },
    onProgress: (doing: string) => void,
  ): Promise<Opened | Refusal> {
    rows = undefined;
    reading = undefined;
    try {
      const opened =
        given instanceof File
          ? await documentOf(given.name, new Uint8Array(await given.arrayBuffer()), onProgress)
          : documentOfText(given.text, given.name);
      if (isRefusal(opened)) return opened;
      document = opened;
      return {
        kind: opened.kind,
        pages: opened.pages.map(({ name, lines, width, height }) => ({
          name,
          lines: rows ? rows.length : lines.length,
          ...(width ? { width } : {}),
          ...(height ? { height } : {}),
        })),
        fingerprints: fingerprintsOf(opened),
      };
    } catch {
      return refuse('', `${given.name} could not be read: it is broken or of another kind. Nothing was changed.`);
    }
  },

  /** Reads the whole file and finds the zone of each sample; nothing is stored. */
  async read(
    answers: ReaderAnswers,
    where: Intake,
    onProgress: (share: number) => void,
  ): Promise<ReadSummary | Refusal> {
    if (!document) return noAnalytes;
    const read = readWhole(document, answers, where.today, onProgress);
    if (isRefusal(read)) return read;
    reading = read;
    slips = slipsOf(read);
    await match(where);
    return summary(0);
  },

  /** Finds zones anew for what is read. */
  async match(where: Intake, from: number): Promise<ReadSummary> {
    await match(where);
    return summary(from);
  },

  show: (from: number): ReadSummary => summary(from),

  /** What a sample of water says, as the property keeps it. */
  water: (at: number): IrrigationWater | undefined =>
    reading?.samples[at] ? irrigationWaterOf(reading.samples[at]) : undefined,

  /** Lines of a page as they came, with what became of each cell. */
  lines(page: number, from: number): ShownLine[] {
    if (!document || !reading) return [];
    const asked = new Set(slips.map((slip) => `${slip.sample}/${slip.value}`));
    const marks = new Map<string, Pick<ShownCell, 'mark' | 'value'>>();
    const put = (at: Place, mark: MarkKind, value?: [number, number]) => {
      if (at.page === page && at.line > from && at.line <= from + SHOWN_LINES)
        marks.set(`${at.line}/${Math.round(at.from)}`, { mark, ...(value ? { value } : {}) });
    };
    reading.samples.forEach((sample, i) => {
      sample.values.forEach((value, k) => put(value, asked.has(`${i}/${k}`) ? 'asked' : 'read', [i, k]));
      for (const { at } of sample.notGiven) put(at, 'words');
      for (const { at } of sample.recommendations) put(at, 'words');
    });
    for (const at of reading.said) put(at, 'read');
    for (const { at } of reading.notUnderstood) put(at, 'unknown');
    for (const { at } of reading.kept) put(at, 'words');
    const lines =
      rows && page === 0
        ? pageOfRows('', rows.slice(from, from + SHOWN_LINES)).lines.map((line) => ({ ...line, no: line.no + from }))
        : (document.pages[page]?.lines.slice(from, from + SHOWN_LINES) ?? []);
    return lines.map(({ no, top, height, cells, sentence }) => ({
      no,
      ...(top === undefined ? {} : { top }),
      ...(height === undefined ? {} : { height }),
      cells: [
        ...cells.map((cell) => ({
          ...cell,
          ...marks.get(`${no}/${Math.round(cell.from)}`),
          ...(sentence ? { within: true as const } : {}),
        })),
        ...(sentence ? [{ ...sentence }] : []),
      ],
    }));
  },

  /** Every line that was not taken, with its reason, as a table that can be mended and read again. */
  rejectedCsv: (): string =>
    printCsv([['place', 'reason', 'text'], ...rejectedNow().map(({ place, because, text }) => [place, because, text])]),

  /** A page of a PDF as a picture, for typing from where it has no text. */
  async picture(page: number, width: number): Promise<Blob | undefined> {
    if (!pdfBytes || typeof OffscreenCanvas === 'undefined') return undefined;
    const pdf = await pdfReader();
    const task = pdf.getDocument({
      data: pdfBytes.slice(),
      isEvalSupported: false,
      disableFontFace: true,
      useSystemFonts: false,
      verbosity: 0,
      enableXfa: false,
      stopAtErrors: false,
    });
    try {
      const file = await task.promise;
      const found = (await file.getPage(Math.min(page + 1, file.numPages))) as unknown as {
        getViewport(options: { scale: number }): { width: number; height: number };
        render(options: object): { promise: Promise<void> };
      };
      const scale = width / found.getViewport({ scale: 1 }).width;
      const viewport = found.getViewport({ scale });
      const canvas = new OffscreenCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
      await found.render({ canvas: null, canvasContext: canvas.getContext('2d'), viewport }).promise;
      return await canvas.convertToBlob({ type: 'image/png' });
    } catch {
      return undefined;
    } finally {
      await task.destroy();
    }
  },

  /** Stores what was read; a fault of the database comes back as a sentence. */
  async store(
    remembered: Omit<LabLayoutRecord, 'usedAt'>,
    today: string,
    onProgress: (share: number) => void,
  ): Promise<{ stored: number; first?: { propertyId: string; zoneId: string } } | { fault: string }> {
    try {
      const { stored } = await storeReports(fresh, remembered, today, onProgress);
      const [one] = fresh;
      return { stored, ...(one ? { first: { propertyId: one.match.propertyId, zoneId: one.match.zoneId } } : {}) };
    } catch (fault) {
      return { fault: storageFault(fault) ?? 'The reports could not be stored. Nothing was changed; try again.' };
    }
  },
};

async function match(where: Intake): Promise<void> {
  if (!reading) return;
  const matcher = new SampleMatcher(where.codes, where.zones, where.propertyId, where.assigned);
  whyNot = new Map();
  const matched: MatchedSample[] = [];
  // a report of water or leaves is never kept as one of soil, and has no zone
  if (reading.facts.kind.value !== 'soil') {
    matches = [];
    fresh = [];
    return;
  }
  matches = reading.samples.map((sample) => {
    const found = matcher.match(sample);
    if (typeof found === 'string') whyNot.set(sample, found);
    else {
      const sampledOn = sample.sampledOn ?? found.takenOn;
      if (!sampledOn) whyNot.set(sample, 'no sampling day: type the day that holds for all');
      else if (sample.values.some(({ impossible }) => impossible === undefined))
        matched.push({ sample, match: found, sampledOn });
      else whyNot.set(sample, 'nothing of it could be read');
    }
    return found;
  });
  const sorted = await reportsOf(matched);
  fresh = sorted.fresh;
  for (const { sample, why } of sorted.refused) whyNot.set(sample, why);
  for (const { sample } of sorted.known) whyNot.set(sample, KNOWN);
}
const KNOWN = 'the same report is here already';

const rejectedNow = (): { place: string; because: string; text: string }[] => {
  if (!reading || !document) return [];
  const { kind, pages } = document;
  const place = (at: Place) => placeOf(kind, pages[at.page]?.name ?? '', at.line, Math.round(at.from));
  return [
    ...reading.rejected.map(({ page, line, text, because }) => ({
      place: place({ page, line, from: 0 }),
      text,
      because,
    })),
    ...[...whyNot].map(([sample, because]) => ({
      place: place({ page: sample.page, line: sample.line, from: 0 }),
      text: sample.label,
      because,
    })),
  ];
};

function summary(from: number): ReadSummary {
  const now = reading!;
  const counts = new Map<number, number>();
  let [values, notGiven, ratings] = [0, 0, 0];
  const words = new Set<string>();
  for (const sample of now.samples) {
    values += sample.values.length;
    notGiven += sample.notGiven.length;
    for (const { term, rating } of sample.values) {
      counts.set(term, (counts.get(term) ?? 0) + 1);
      if (rating) {
        ratings++;
        if (words.size < 12) words.add(rating);
      }
    }
  }
  const unmatched = new Map<string, { sample: string; count: number; why: string }>();
  now.samples.forEach((sample, i) => {
    const found = matches[i];
    if (typeof found !== 'string') return;
    const there = unmatched.get(sample.label);
    if (there) there.count++;
    else unmatched.set(sample.label, { sample: sample.label, count: 1, why: found });
  });
  const rejected = rejectedNow();
  const doubt = unitDoubt(now);
  return {
    facts: now.facts,
    terms: now.terms.map((term, i) => ({ term, plain: plain(term.text), count: counts.get(i) ?? 0 })),
    samples: now.samples.length,
    values,
    notGiven,
    rows: rowsOf(now, from),
    from,
    shown: now.samples.slice(from, from + SHOWN_SAMPLES).map((sample, i): ShownSample => {
      const found = matches[from + i];
      const why = whyNot.get(sample);
      const second = [sample.names.field, sample.names.sample].find((name) => name && name !== sample.label);
      return {
        label: sample.label,
        ...(second ? { second } : {}),
        ...(sample.sampledOn ? { sampledOn: sample.sampledOn } : {}),
        ...(sample.depthIn === undefined ? {} : { depthIn: sample.depthIn }),
        ...(found && typeof found !== 'string' ? { zone: { propertyId: found.propertyId, zoneId: found.zoneId } } : {}),
        ...(why ? { why } : {}),
      };
    }),
    notUnderstood: now.notUnderstood.slice(0, SHOWN_ENTRIES),
    kept: now.kept.slice(0, SHOWN_ENTRIES),
    ratings,
    ratingWords: [...words],
    recommendations: now.samples
      .slice(0, SHOWN_ENTRIES)
      .flatMap((sample) =>
        sample.recommendations.map(({ text, of, lbPer1000 }) => ({
          text,
          of,
          sample: sample.label,
          ...(lbPer1000 === undefined ? {} : { lbPer1000 }),
        })),
      )
      .slice(0, SHOWN_ENTRIES),
    rejected: rejected.slice(0, SHOWN_ENTRIES),
    rejectedCount: rejected.length,
    doubts: now.doubts,
    slips: slips.slice(0, SHOWN_SLIPS).map((slip) => {
      const sample = now.samples[slip.sample]!;
      const { text, unit, page, line, from: left } = sample.values[slip.value]!;
      return { ...slip, label: sample.label, text, unit: unit ?? '', place: { page, line, from: left } };
    }),
    slipCount: slips.length,
    ...(doubt ? { unitDoubt: doubt } : {}),
    waters:
      now.facts.kind.value === 'water' ? now.samples.slice(0, SHOWN_SAMPLES).map(({ label }) => label || 'it') : [],
    leaves:
      now.facts.kind.value === 'tissue'
        ? now.samples.slice(0, SHOWN_SAMPLES).map((sample) => ({ label: sample.label, findings: leafFindings(sample) }))
        : [],
    fresh: fresh.length,
    known: [...whyNot.values()].filter((why) => why === KNOWN).length,
    unmatched: [...unmatched.values()].slice(0, SHOWN_ENTRIES),
  };
}

export type ReportIntake = typeof intake;
expose(intake);
