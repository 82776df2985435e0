import type { LabAdvice } from '../records/soil-test-schema';
import type { Method } from '../records/vocabularies';
import type { DayOrder } from '../typed/typed-day';
import type { DecimalMark } from './terms/values';
import type { ReportUnit } from './terms/units';
import type { Label, ReportKind } from './terms/label';
import type { ReportAnalyte, ReportFact } from './terms/names';

/** What a report holds as it was read: nothing of it is stored before somebody says so. */

/** Where something stood in the file: page from 0, line from 1, left edge as in its page. */
export interface Place {
  page: number;
  line: number;
  from: number;
}

/** A label of the file with its meaning; the same label means the same all over the file. */
export interface Term {
  /** As printed. */
  text: string;
  label: Label;
  at: Place;
}

export interface ReportValue {
  analyte: ReportAnalyte;
  value: number;
  unit?: ReportUnit;
  method?: Method;
  qualifier?: '<' | '>';
  /** The laboratory's own word for it. */
  rating?: string;
  /** As printed. */
  text: string;
  /** Which of the reading's terms names it. */
  term: number;
  line: number;
  from: number;
  page: number;
  /** Why it cannot be: a pH of 57. It waits for an answer and is never taken as it is. */
  impossible?: string;
  /** Number as printed, before an oxide or a unit was brought to ours. */
  printed: number;
}

/** What stands in place of a value: `ND`, `n/a`. */
export interface NotGiven {
  analyte: ReportAnalyte;
  text: string;
  term: number;
  at: Place;
}

export interface Recommendation {
  of: keyof LabAdvice | 'words';
  /** lb/1000 ft2, lime as spread; undefined where the laboratory named no unit. */
  lbPer1000?: number;
  printed?: number;
  text: string;
  at: Place;
}

export interface ReportSample {
  label: string;
  /** What identifies it, by kind. */
  names: Partial<Record<'sample' | 'bag' | 'field' | 'labNumber' | 'property', string>>;
  sampledOn?: string;
  depthIn?: number;
  basisDepthIn?: number;
  scoopGPerCm3?: number;
  lab?: string;
  ground: Partial<Record<'grass' | 'texture' | 'carbonates', string>>;
  values: ReportValue[];
  notGiven: NotGiven[];
  recommendations: Recommendation[];
  /** What of it could not be read. */
  faults?: { field: string; because: string }[];
  page: number;
  line: number;
}

export interface NotRead {
  page: number;
  line: number;
  from?: number;
  text: string;
  because: string;
  /** The analyte or fact at fault, by its key. */
  field?: string;
}

/** A label of which nothing is known, with what stands under or beside it. */
export interface NotUnderstood {
  text: string;
  values: string[];
  because: string;
  at: Place;
}

/** Something said for the whole file, with what decides it. */
export interface FileFact<T> {
  value: T;
  because: string;
}

export interface FileFacts {
  layout: string;
  /** Of soil, water or leaves; only a report of soil becomes a soil test. */
  kind: FileFact<ReportKind>;
  decimal: FileFact<DecimalMark>;
  dayOrder: FileFact<DayOrder>;
  lab?: FileFact<string>;
  sampledOn?: FileFact<string>;
  receivedOn?: FileFact<string>;
  depth?: FileFact<string>;
  basisDepth?: FileFact<string>;
  unit?: FileFact<ReportUnit>;
  /** Extractant of nutrients where a label names none. */
  method?: FileFact<Method>;
  bufferMethod?: FileFact<Method>;
  phMethod?: FileFact<Method>;
  /** Extractants of single analytes, from notes. */
  methods: Partial<Record<ReportAnalyte, FileFact<Method>>>;
}

export interface ReportReading {
  facts: FileFacts;
  terms: Term[];
  samples: ReportSample[];
  /** Lines that are not taken, each with its reason. */
  rejected: NotRead[];
  notUnderstood: NotUnderstood[];
  /** Known and not judged, or words: kept. */
  kept: NotUnderstood[];
  doubts: string[];
  /** Where facts of the file and its samples stand. */
  said: Place[];
}

/** What a person said of a label. */
export interface TermAnswer {
  as: `analyte:${ReportAnalyte}` | `fact:${ReportFact}` | `advice:${keyof LabAdvice}` | 'out';
  unit?: ReportUnit;
  method?: Method;
}

/** What a person said of how a laboratory's files are to be read; it stands before every guess. */
export interface ReaderAnswers {
  /** By label, as `plain` writes it. */
  terms?: Record<string, TermAnswer>;
  /** What the report is of, where it was taken for something else. */
  kind?: ReportKind;
  decimal?: DecimalMark;
  dayOrder?: DayOrder;
  unit?: ReportUnit;
  method?: Method;
  bufferMethod?: Method;
  phMethod?: Method;
  depth?: string;
  sampledOn?: string;
  lab?: string;
  /** Single values of this one file, by place; null leaves it out. */
  values?: Record<string, number | null>;
}

export const placeKey = ({ page, line, from }: Place): string => `${page}:${line}:${Math.round(from)}`;
