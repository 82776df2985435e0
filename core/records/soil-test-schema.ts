import * as yup from 'yup';
import { changedAt, id, isoDay, list, num, text, word } from './strict-schema';
import { isIsoDay } from '../days/day';
import { type Refusal, refuse } from '../reckoning/refusal';
import { isMassAnalyte } from './analytes';
import { type Analyte, ANALYTES, METHODS, UNITS } from './vocabularies';

const VALUE = { min: 0, max: 1_000_000 } as const;
const DEPTH_IN = { above: 0, max: 12, unit: 'in' } as const;
/** Depth that a laboratory's lb/acre or kg/ha counts; the custom is 6 2/3 in. */
const BASIS_DEPTH_IN = { above: 0, max: 12, unit: 'in' } as const;
/** Weight of the laboratory's scoop. */
const SCOOP = { min: 0.5, max: 2, unit: 'g/cm3' } as const;
const MOST_RESULTS = 60;
const MOST_LAB = 120;
/** pH of any soil, and of any buffer, both ends inside. Common practice. */
const PH_OF_SOIL = [3, 11] as const;
const PH_OF_BUFFER = [3, 8.5] as const;

/** What one number by itself does not tell: a mass without a unit, a pH that is none. Undefined where the result can stand. */
export function resultFault({
  analyte,
  unit,
  value,
}: {
  analyte: Analyte;
  unit?: string | undefined;
  value: number;
}): Refusal | undefined {
  if (isMassAnalyte(analyte) && !unit)
    return refuse(
      'unit',
      `${analyte} has no unit: look on the report whether it is ppm, lb/acre or another, and say so.`,
    );
  if (analyte === 'pH' && (value < PH_OF_SOIL[0] || value > PH_OF_SOIL[1]))
    return refuse('value', `pH ${value} is not a soil: it must be between 3 and 11. Check the report.`);
  if (analyte === 'buffer-pH' && (value < PH_OF_BUFFER[0] || value > PH_OF_BUFFER[1]))
    return refuse('value', `Buffer pH ${value} is not possible: buffers start between 6.6 and 8. Check the report.`);
  return undefined;
}

export const resultSchema = yup
  .object({
    analyte: word('Analyte', ANALYTES).required('A result needs its analyte.'),
    value: num('Value', VALUE).required('A result needs its value.'),
    unit: word('Unit', UNITS).optional(),
    method: word('Method', METHODS).optional(),
    qualifier: word('Qualifier', ['<', '>']).optional(),
  })
  .test('unit', function (result) {
    // a number that is none has its own sentence
    const fault = typeof result?.value === 'number' ? resultFault(result) : undefined;
    return fault ? this.createError({ path: `${this.path}.${fault.field}`, message: fault.refused }) : true;
  });
export type SoilResult = yup.InferType<typeof resultSchema>;

/** What the laboratory itself advises, lb/1000 ft2: lime as spread, the rest as bags state it. */
export const labAdviceSchema = yup.object({
  limeLb: num('Lime advised by the laboratory', { min: 0, max: 400, unit: 'lb lime/1000 ft2' }).optional(),
  P2O5Lb: num('P2O5 advised by the laboratory', { min: 0, max: 10, unit: 'lb P2O5/1000 ft2' }).optional(),
  K2OLb: num('K2O advised by the laboratory', { min: 0, max: 10, unit: 'lb K2O/1000 ft2' }).optional(),
  NLb: num('N advised by the laboratory', { min: 0, max: 10, unit: 'lb N/1000 ft2' }).optional(),
});
export type LabAdvice = yup.InferType<typeof labAdviceSchema>;

export const soilTestSchema = yup.object({
  id: id('Soil report'),
  changedAt: changedAt(),
  zoneId: id('Zone'),
  sampledOn: isoDay('Sampling date').required('Give the day the sample was taken.'),
  depthIn: num('Sampling depth', DEPTH_IN).optional(),
  /** Depth that lb/acre or kg/ha of this report count, in; 6 2/3 by custom, whatever the cores. */
  basisDepthIn: num('Depth the lb/acre are for', BASIS_DEPTH_IN).optional(),
  /** What a cm3 of scooped soil weighs (W/V on the report): mg/dm3 is divided by it. */
  scoopGPerCm3: num('Weight of the scoop', SCOOP).optional(),
  lab: text('Laboratory', MOST_LAB).optional(),
  labAdvice: labAdviceSchema.optional().default(undefined),
  results: list('Results', resultSchema, MOST_RESULTS)
    .required('A report needs results.')
    .min(1, 'Type at least one result.'),
});
export type SoilTest = yup.InferType<typeof soilTestSchema>;

/**
 * The same answer as the schema's for a report that is already of the right types, some thirty times as fast: what a table of
 * a hundred thousand samples is held against, row by row. A test holds the two to each other.
 */
export function soilTestFault({
  sampledOn,
  depthIn,
  basisDepthIn,
  scoopGPerCm3,
  lab,
  labAdvice,
  results,
}: Omit<SoilTest, 'id' | 'zoneId'>): Refusal | undefined {
  if (!isIsoDay(sampledOn)) return refuse('sampledOn', 'Sampling date must be a day written like 2027-03-02.');
  if (depthIn !== undefined && !(depthIn > DEPTH_IN.above && depthIn <= DEPTH_IN.max))
    return refuse('depthIn', `Sampling depth must be above 0 and at most 12 in; ${depthIn} in is not.`);
  if (basisDepthIn !== undefined && !(basisDepthIn > BASIS_DEPTH_IN.above && basisDepthIn <= BASIS_DEPTH_IN.max))
    return refuse(
      'basisDepthIn',
      `Depth the lb/acre are for must be above 0 and at most 12 in; ${basisDepthIn} in is not.`,
    );
  if (scoopGPerCm3 !== undefined && !(scoopGPerCm3 >= SCOOP.min && scoopGPerCm3 <= SCOOP.max))
    return refuse('scoopGPerCm3', `Weight of the scoop must be between 0.5 and 2 g/cm3; ${scoopGPerCm3} is not.`);
  for (const [key, value] of Object.entries(labAdvice ?? {}) as [keyof LabAdvice, number][])
    if (!(value >= 0 && value <= (key === 'limeLb' ? 400 : 10)))
      return refuse(
        `labAdvice.${key}`,
        `The laboratory’s ${key} of ${value} is not plausible: check the unit; lb/1000 ft2 is meant.`,
      );
  if ((lab?.length ?? 0) > MOST_LAB) return refuse('lab', `Laboratory is longer than ${MOST_LAB} characters.`);
  if (results.length === 0) return refuse('results', 'Type at least one result.');
  if (results.length > MOST_RESULTS) return refuse('results', `Results holds more than ${MOST_RESULTS} entries.`);
  for (const result of results) {
    if (!(result.value >= VALUE.min && result.value <= VALUE.max))
      return refuse(
        result.analyte,
        `${result.analyte} is ${result.value}: it must be between 0 and 1,000,000. Check the report.`,
      );
    const fault = resultFault(result);
    if (fault) return refuse(result.analyte, fault.refused);
  }
  return undefined;
}
