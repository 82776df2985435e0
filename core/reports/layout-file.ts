import * as yup from 'yup';
import { checkShape, text, word } from '../records/strict-schema';
import { METHODS, UNITS } from '../records/vocabularies';
import type { Refusal } from '../reckoning/refusal';
import type { ReaderAnswers, TermAnswer } from './reading';

/** What is remembered of a laboratory's files, as a file of its own. */
export interface LayoutFile extends Omit<ReaderAnswers, 'terms' | 'values' | 'sampledOn' | 'kind'> {
  format: 'ubertas-report-layout';
  version: 1;
  terms?: { label: string; as: TermAnswer['as']; unit?: TermAnswer['unit']; method?: TermAnswer['method'] }[];
}

const MOST_TERMS = 400;
const units = [...UNITS, 'meq/L', 'mg/L'] as const;
/** The shape of a layout file. */
export const layoutSchema = yup.object({
  format: yup
    .string()
    .oneOf(['ubertas-report-layout'], 'This is not a layout of reports: its format must be "ubertas-report-layout".')
    .required('A layout of reports names its format.'),
  version: yup.number().oneOf([1], 'Only version 1 is known here.').required('A layout of reports names its version.'),
  lab: text('Laboratory', 120).optional(),
  decimal: word('Decimal mark', ['.', ',']).optional(),
  dayOrder: word('Order of days', ['month-first', 'day-first']).optional(),
  unit: word('Unit', units).optional(),
  method: word('Extractant', METHODS).optional(),
  bufferMethod: word('Buffer', METHODS).optional(),
  phMethod: word('pH method', METHODS).optional(),
  depth: text('Depth', 30).optional(),
  terms: yup
    .array(
      yup.object({
        label: text('Label', 120).required('A term needs its label.'),
        as: yup
          .string()
          .matches(
            /^(out|(analyte|fact|advice):[A-Za-z0-9-]{1,20})$/,
            'A term is read as "analyte:K", "fact:depthIn", "advice:limeLb" or "out".',
          )
          .required('A term needs what it is read as.'),
        unit: word('Unit', units).optional(),
        method: word('Method', METHODS).optional(),
      }),
    )
    .max(MOST_TERMS, `A layout holds at most ${MOST_TERMS} terms.`)
    .optional(),
});

/** The answers that a layout file holds, or why it is none. */
export function answersFrom(json: unknown): ReaderAnswers | Refusal {
  const file = checkShape<LayoutFile>(layoutSchema as unknown as yup.Schema<LayoutFile>, json);
  if ('refused' in file) return file as unknown as Refusal;
  const { format: _, version: __, terms, ...rest } = file as LayoutFile;
  return {
    ...rest,
    ...(terms ? { terms: Object.fromEntries(terms.map(({ label, ...answer }) => [label, answer])) } : {}),
  };
}

/** Answers as a file, without what belongs to one report only: single values and the day. */
export const layoutFileOf = ({ terms, values: _, sampledOn: __, kind: ___, ...rest }: ReaderAnswers): LayoutFile => ({
  format: 'ubertas-report-layout',
  version: 1,
  ...rest,
  ...(terms ? { terms: Object.entries(terms).map(([label, answer]) => ({ label, ...answer })) } : {}),
});
