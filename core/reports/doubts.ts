import { resultFault } from '../records/soil-test-schema';
import type { FileFacts, ReaderAnswers, ReportSample, Term } from './reading';
import { isMass, isSoilAnalyte, type ReportAnalyte } from './terms/names';

/** What was read, as far as it can be doubted. */
interface Doubtful {
  facts: FileFacts;
  samples: readonly ReportSample[];
  terms: readonly Term[];
  answers: ReaderAnswers;
  /** Day of reading: no sample was taken after it. */
  on: string | undefined;
  /** Analytes that were left out for want of a unit. */
  unitless: ReadonlySet<ReportAnalyte>;
  /** Whether the unit of the file was taken where none was printed. */
  usedFileUnit: boolean;
}

/** Marks values that cannot be, each with its sentence: they wait for an answer and are never taken as they are. */
export function markImpossible(facts: FileFacts, samples: readonly ReportSample[]): void {
  for (const sample of samples)
    for (const each of facts.kind.value === 'soil' ? sample.values : []) {
      const { analyte, unit, value } = each;
      if (!isSoilAnalyte(analyte)) continue;
      const fault = resultFault({ analyte, value, ...(unit ? { unit } : {}) });
      if (fault) each.impossible = fault.refused;
    }
}

/** What is to be said of a reading as a whole: what was guessed, what is missing, what contradicts. */
export function doubtsOf({ facts, samples, terms, answers, on, unitless, usedFileUnit }: Doubtful): string[] {
  const doubts = new Set<string>();
  if (facts.kind.value !== 'soil')
    doubts.add(
      `This is a report of ${facts.kind.value === 'water' ? 'water' : 'leaves'} (${facts.kind.because}): its values are no soil test.`,
    );
  if (unitless.size > 0)
    doubts.add(
      `No unit is said for ${[...unitless].join(', ')}: ppm and lb/acre differ by two. Say which it is; nothing of it was read.`,
    );
  if (usedFileUnit && facts.unit?.because.includes('fits'))
    doubts.add(`No unit is said: ${facts.unit.value} was taken, because ${facts.unit.because}.`);
  if (facts.dayOrder.because.startsWith('a guess') && samples.some((s) => s.sampledOn) && !answers.sampledOn)
    doubts.add(
      `The order of days is ${facts.dayOrder.because}; ${facts.dayOrder.value === 'month-first' ? 'the month was read first' : 'the day was read first'}.`,
    );
  const late = on === undefined ? undefined : samples.find((s) => s.sampledOn !== undefined && s.sampledOn > on!);
  if (late)
    doubts.add(
      `${late.label} would have been sampled on ${late.sampledOn}, which is still to come: look at the order of days.`,
    );
  if (samples.length > 0 && samples.every((s) => !s.sampledOn))
    doubts.add(
      `No day of sampling is said${facts.receivedOn ? `; the laboratory received it on ${facts.receivedOn.value}` : ''}.`,
    );
  const bare = samples.some((s) => s.values.some((v) => v.analyte === 'buffer-pH' && !v.method));
  if (bare && facts.kind.value === 'soil')
    doubts.add(
      'Buffer pH: the report does not say of which buffer. It is not used for lime until that is said (buffer method).',
    );
  const noMethod = new Set(
    samples.flatMap((s) =>
      s.values
        .filter((v) => isMass(v.analyte) && v.unit !== '%' && !v.method && v.analyte !== 'NO3-N')
        .map((v) => v.analyte),
    ),
  );
  if (noMethod.size > 0 && facts.kind.value === 'soil')
    doubts.add(`No extractant is said for ${[...noMethod].join(', ')}: ranges differ between extractants.`);
  const lbAcre = samples.some((s) => s.values.some((v) => v.unit === 'lb/acre' || v.unit === 'kg/ha'));
  if (lbAcre && samples.some((s) => s.basisDepthIn === undefined))
    doubts.add('lb/acre and kg/ha are counted for 6 2/3 in of soil, by custom: the report says no other.');
  if (samples.some((s) => s.scoopGPerCm3 === undefined && s.values.some((v) => v.unit === 'mg/dm3')))
    doubts.add('mg/dm3 is taken with a scoop of 1.0 g/cm3: the report does not say its weight.');
  for (const { text, label } of terms)
    if (label.sure === 'guess' && label.meaning.kind === 'analyte')
      doubts.add(`“${text}” is taken for ${label.meaning.analyte}: ${label.because ?? 'a guess'}.`);
  return [...doubts];
}
