import { ANALYTES } from '@core/records/vocabularies';
import type { TermAnswer } from '@core/reports/reading';
import type { Label, Meaning } from '@core/reports/terms/label';
import { OTHER_ANALYTES, reportAnalyteName } from '@core/reports/terms/names';

/** What a label may be read as, in words. */
const FACTS: Partial<Record<string, string>> = {
  sample: 'sample',
  bag: 'bag',
  field: 'zone or field',
  labNumber: 'number of the laboratory',
  property: 'property or client',
  sampledOn: 'day sampled',
  depthIn: 'depth',
  basisDepthIn: 'depth the lb/acre are for',
  scoopGPerCm3: 'weight of the scoop, g/cm³',
  lab: 'laboratory',
  unit: 'unit',
  method: 'method',
  rating: 'rating',
  range: 'range',
};
const ADVICE = { limeLb: 'lime advised', NLb: 'N advised', P2O5Lb: 'P2O5 advised', K2OLb: 'K2O advised' } as const;

export const MEANINGS: { value: TermAnswer['as']; label: string }[] = [
  { value: 'out', label: 'leave it' },
  ...[...ANALYTES, ...OTHER_ANALYTES].map((analyte) => ({
    value: `analyte:${analyte}` as const,
    label: `${reportAnalyteName(analyte)} (${analyte})`,
  })),
  ...Object.entries(FACTS).map(([fact, label]) => ({
    value: `fact:${fact}` as TermAnswer['as'],
    label: label as string,
  })),
  ...Object.entries(ADVICE).map(([of, label]) => ({ value: `advice:${of}` as TermAnswer['as'], label })),
];

export const asOf = (meaning: Meaning): TermAnswer['as'] =>
  meaning.kind === 'analyte'
    ? `analyte:${meaning.analyte}`
    : meaning.kind === 'fact'
      ? `fact:${meaning.fact}`
      : meaning.kind === 'advice'
        ? `advice:${meaning.of}`
        : 'out';

/** How sure a reading is, as a word, with what decides it. */
export function howSure({ sure, because }: Label): string {
  if (sure === 'certain') return 'certain';
  return `${sure}${because ? `: ${because}` : ''}`;
}
