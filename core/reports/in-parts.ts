import { lineOfRow, type Line } from './document';
import { readReport } from './read-report';
import { saidLabels } from './said-labels';
import { readingWith } from './terms/label';
import type { FileFacts, NotRead, ReaderAnswers, ReportReading, ReportSample } from './reading';
import { findTables } from './find-tables';

/** Rows from the top of a file by which its layout is told. */
export const TOP_ROWS = 240;
/** Rows read at a time. */
const PART_ROWS = 2_000;

export interface PartRead {
  samples: ReportSample[];
  rejected: NotRead[];
}

/**
 * Reads a table of any length row by row: the heading is found in its top and stands over every part that is read. Where a row is a
 * sample, no more is kept than a part; where a row is a result, samples end with the file.
 */
export class PartsReader {
  private top: Line[] | undefined = [];
  private heading: Line[] = [];
  private part: Line[] = [];
  private whole = false;
  private isNone = false;
  private found: PartRead = { samples: [], rejected: [] };
  private first: ReportReading | undefined;

  constructor(
    private answers: ReaderAnswers = {},
    private readonly on?: string,
  ) {}

  /** What holds for the whole file; undefined until its top is read, or where nothing in it names soil analytes. */
  get reading(): ReportReading | undefined {
    return this.first;
  }

  take(row: readonly string[], no: number): void {
    this.takeLine(lineOfRow(row, no));
  }

  takeLine(line: Line): void {
    if (this.isNone) return;
    if (this.top) {
      this.top.push(line);
      if (this.top.length === TOP_ROWS) this.begin();
      return;
    }
    this.part.push(line);
    if (this.part.length >= PART_ROWS && !this.whole) this.readPart();
  }

  /** Hands over what was read so far and forgets it. */
  drain(): PartRead {
    const { found } = this;
    this.found = { samples: [], rejected: [] };
    return found;
  }

  finish(): void {
    if (this.top) this.begin();
    if (this.part.length > 0) this.readPart();
  }

  private begin(): void {
    const lines = this.top ?? [];
    this.top = undefined;
    const { tables } = readingWith(saidLabels(this.answers), this.answers.kind ?? 'soil', () =>
      findTables({ name: 'table', kind: 'cells', lines }, 0),
    );
    // no report begins so late: the rest of such a file is not read for it
    if (tables.length === 0 && lines.length === TOP_ROWS) {
      this.isNone = true;
      return;
    }
    const last = tables.filter((table) => table.kind !== 'down').at(-1);
    // lists and samples in columns are short, and are read as a whole; so are results a row, whose samples may lie apart
    this.whole = last?.kind !== 'across' || tables.length > 1;
    const reading = this.read(lines);
    this.first = reading;
    if (this.whole) {
      this.part = lines;
      return;
    }
    const end = last!.heading[1];
    this.heading = lines.slice(0, end + 1);
    const { facts } = reading;
    this.answers = { ...settled(facts), ...this.answers };
    this.part = lines.slice(end + 1);
    this.readPart();
  }

  private read(lines: readonly Line[]): ReportReading {
    return readReport({ kind: 'table', pages: [{ name: 'table', kind: 'cells', lines }] }, this.answers, this.on);
  }

  private readPart(): void {
    const lines = this.part;
    this.part = [];
    const { samples, rejected } = this.read(this.whole ? lines : [...this.heading, ...lines]);
    for (const sample of samples) this.found.samples.push(sample);
    for (const each of rejected) this.found.rejected.push(each);
  }
}

/** What the top of a file settles for all of it. */
const settled = ({ kind, decimal, dayOrder, unit }: FileFacts): ReaderAnswers => ({
  kind: kind.value,
  decimal: decimal.value,
  dayOrder: dayOrder.value,
  ...(unit ? { unit: unit.value } : {}),
});
