import { type Cell, type Span } from './document';
import { type Label } from './terms/label';
import { type ReportFact } from './terms/names';
/**
 * Finds the tables of a page. A table goes *across* where a line names an analyte over each column and samples stand below, and *down* where each
 * line names one and the samples are columns, or one column beside it.
 */

/** What a column of a table is taken for. */
export interface Column extends Span {
  /** As printed, all lines of the heading joined. */
  text: string;
  label: Label;
  /** Line and left edge of the heading, for whoever looks it up. */
  at?: { line: number; from: number };
}

/** One sample a line. */
export interface AcrossTable {
  kind: 'across';
  page: number;
  columns: Column[];
  /** Lines of the heading, first and last, from 0. */
  heading: [number, number];
  /** Lines that hold samples, from 0. */
  rows: number[];
}

/** A column of samples' values beside the names of analytes. */
export interface SampleColumn extends Span {
  /** Heading cells over it, top to bottom. */
  names: string[];
  facts: Partial<Record<ReportFact, string>>;
}
/** One analyte a line. */
export interface DownTable {
  kind: 'down';
  page: number;
  label: Span;
  /** Where a unit, a method, a rating, a range stand, if anywhere. */
  parts: { kind: 'unit' | 'method' | 'rating' | 'range' | 'qualifier' | 'fact'; fact?: ReportFact; span: Span }[];
  samples: SampleColumn[];
  heading: number[];
  rows: { line: number; label: Label; cell: Cell; cells: Cell[]; advised: boolean }[];
}
/** One result a line, what it is of, its sample, unit and method in columns of their own. */
export interface LongTable extends Omit<AcrossTable, 'kind'> {
  kind: 'long';
}
export type ReportTable = AcrossTable | LongTable | DownTable;
