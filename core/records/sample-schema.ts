import * as yup from 'yup';
import { changedAt, id, isoDay, num, text, word } from './strict-schema';

/** Laboratory of a sample: the simulated one that ships with Ubertas, or one outside. */
export const LABORATORIES = ['simulated', 'outside'] as const;

/** One bag of soil on its way from the cores to the report. */
export const sampleSchema = yup.object({
  id: id('Sample'),
  changedAt: changedAt(),
  zoneId: id('Zone'),
  /** What stands on the label and comes back on the report. */
  code: text('Sample code', 24)
    .required('A sample needs its code.')
    .matches(/^[A-Z0-9][A-Z0-9-]*$/, 'A sample code holds capital letters, figures and hyphens only.'),
  plannedOn: isoDay('Planned day').optional(),
  printedOn: isoDay('Label printed').optional(),
  takenOn: isoDay('Cores taken').optional(),
  cores: num('Cores', { min: 1, max: 200, integer: true }).optional(),
  takenBy: text('Taken by', 80).optional(),
  depthIn: num('Sampling depth', { above: 0, max: 12, unit: 'in' }).optional(),
  baggedOn: isoDay('Bagged').optional(),
  laboratory: word('Laboratory', LABORATORIES).optional(),
  sentOn: isoDay('Sent').optional(),
  expectedOn: isoDay('Report expected').optional(),
  /** What the laboratory needs to find the bag again. */
  receipt: text('Receipt', 400).optional(),
  reportedOn: isoDay('Report back').optional(),
  /** Report that came of it. */
  soilTestId: text('Soil report id', 80).optional(),
});
export type Sample = yup.InferType<typeof sampleSchema>;
