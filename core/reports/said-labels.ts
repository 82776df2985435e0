import type { Analyte } from '../records/vocabularies';
import { unitOf } from './label-context';
import type { ReaderAnswers, TermAnswer } from './reading';

import { adviceUnitIn } from './terms/advice';
import { type Label, type Meaning, readLabel } from './terms/label';
import type { ReportAnalyte, ReportFact } from './terms/names';
import type { ReportUnit } from './terms/units';

/** What decides a label that a person gave its meaning. */
export const AS_SAID = 'as you said';

/** What a person said of labels, as labels. */
export function saidLabels({ terms = {} }: ReaderAnswers): ReadonlyMap<string, Label> {
  return new Map(
    Object.entries(terms).map(([text, answer]) => [
      text,
      { meaning: meaningOf(text, answer), sure: 'sure', because: AS_SAID },
    ]),
  );
}

function meaningOf(text: string, { as, unit, method }: TermAnswer): Meaning {
  const [kind, name] = as.split(':') as [string, string];
  if (kind === 'fact') return { kind: 'fact', fact: name as ReportFact };
  if (kind === 'advice') return { kind: 'advice', of: name as 'limeLb', ...adviceScale(text) };
  if (kind !== 'analyte') return { kind: 'kept', why: 'left out by you' };
  const { meaning } = readLabel(text);
  const analyte = name as Analyte;
  // what the label itself says of unit and method stands where nothing else was said
  const own =
    meaning.kind === 'analyte' && meaning.analyte === analyte
      ? meaning
      : { kind: 'analyte' as const, analyte, ...saidUnit(analyte, text) };
  return {
    ...own,
    ...(unit ? { unit, ...(unit === own.unit ? {} : { factor: 1 }) } : {}),
    ...(method ? { method } : {}),
  };
}

const saidUnit = (analyte: ReportAnalyte, text: string): { unit?: ReportUnit; factor?: number } =>
  unitOf(analyte, text) ?? {};
const adviceScale = (text: string): { perThousand?: number } => {
  const perThousand = adviceUnitIn(text);
  return perThousand === undefined ? {} : { perThousand };
};
