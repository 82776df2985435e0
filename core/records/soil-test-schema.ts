import * as yup from 'yup';
import { id, isoDay, list, num, text, word } from './strict-schema';
import { isMassAnalyte } from './analytes';
import { ANALYTES, METHODS, UNITS } from './vocabularies';

export const resultSchema = yup
  .object({
    analyte: word('Analyte', ANALYTES).required('A result needs its analyte.'),
    value: num('Value', { min: 0, max: 1_000_000 }).required('A result needs its value.'),
    unit: word('Unit', UNITS).optional(),
    method: word('Method', METHODS).optional(),
    qualifier: word('Qualifier', ['<', '>']).optional(),
  })
  .test('unit', function (result) {
    const { analyte, unit, value } = result;
    if (isMassAnalyte(analyte) && !unit)
      return this.createError({
        path: `${this.path}.unit`,
        message: `${analyte} has no unit: look on the report whether it is ppm, lb/acre or another, and say so.`,
      });
    if (analyte === 'pH' && (value < 3 || value > 11))
      return this.createError({
        path: `${this.path}.value`,
        message: `pH ${value} is not a soil: it must be between 3 and 11. Check the report.`,
      });
    if (analyte === 'buffer-pH' && (value < 3 || value > 8.5))
      return this.createError({
        path: `${this.path}.value`,
        message: `Buffer pH ${value} is not possible: buffers start between 6.6 and 8. Check the report.`,
      });
    return true;
  });
export type SoilResult = yup.InferType<typeof resultSchema>;

export const soilTestSchema = yup.object({
  id: id('Soil report'),
  zoneId: id('Zone'),
  sampledOn: isoDay('Sampling date').required('Give the day the sample was taken.'),
  depthIn: num('Sampling depth', { above: 0, max: 12, unit: 'in' }).optional(),
  lab: text('Laboratory', 120).optional(),
  results: list('Results', resultSchema, 60).required('A report needs results.').min(1, 'Type at least one result.'),
});
export type SoilTest = yup.InferType<typeof soilTestSchema>;
