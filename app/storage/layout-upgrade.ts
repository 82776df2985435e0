import type { ReaderAnswers, TermAnswer } from '@core/reports/reading';
import { readLabel } from '@core/reports/terms/label';
import { plain } from '@core/words/plain';

/** How a layout was remembered until version 3 of the database: column by column, under the header as printed. */
interface OldLayout {
  fingerprint: string;
  reading?: {
    columns?: { kind: string; analyte?: string; fact?: string; unit?: string; method?: string }[];
    decimal?: string;
    dayOrder?: string;
    unit?: string;
    method?: string;
    bufferMethod?: string;
    phMethod?: string;
    lab?: string;
  };
}
const ADVICE = new Set(['limeLb', 'NLb', 'P2O5Lb', 'K2OLb']);

/** What a person had said of a laboratory's columns, as answers by label; what the reader says by itself is left to it. */
export function answersOfOldLayout({ fingerprint, reading = {} }: OldLayout): ReaderAnswers {
  const headers = fingerprint.split('|');
  const terms: Record<string, TermAnswer> = {};
  for (const [i, column] of (reading.columns ?? []).entries()) {
    const header = headers[i] ?? '';
    const { meaning } = readLabel(header);
    const name = column.analyte ?? column.fact;
    if (header === '' || name === undefined) continue;
    const same =
      meaning.kind === 'analyte'
        ? meaning.analyte === name &&
          (meaning.unit ?? '') === (column.unit ?? '') &&
          (meaning.method ?? '') === (column.method ?? '')
        : (meaning.kind === 'fact' && meaning.fact === name) || (meaning.kind === 'advice' && meaning.of === name);
    if (same) continue;
    terms[plain(header)] = {
      as: (column.analyte
        ? `analyte:${name}`
        : ADVICE.has(name)
          ? `advice:${name}`
          : `fact:${name}`) as TermAnswer['as'],
      ...(column.unit ? { unit: column.unit as NonNullable<TermAnswer['unit']> } : {}),
      ...(column.method ? { method: column.method as NonNullable<TermAnswer['method']> } : {}),
    };
  }
  const { unit, method, bufferMethod, phMethod } = reading;
  return {
    ...(Object.keys(terms).length > 0 ? { terms } : {}),
    ...(unit ? { unit: unit as NonNullable<ReaderAnswers['unit']> } : {}),
    ...(method ? { method: method as NonNullable<ReaderAnswers['method']> } : {}),
    ...(bufferMethod ? { bufferMethod: bufferMethod as NonNullable<ReaderAnswers['bufferMethod']> } : {}),
    ...(phMethod ? { phMethod: phMethod as NonNullable<ReaderAnswers['phMethod']> } : {}),
  };
}
