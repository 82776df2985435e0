import * as yup from 'yup';
import { changedAt, id, isoDay, list, num, text } from './strict-schema';

/** Most catches that are kept of one spreader: ten a week for years. Decision. */
const MOST_CATCHES = 2_000;

/** What a spreader gave at one opening, caught or weighed over a measured strip. */
export const catchSchema = yup.object({
  productId: id('Product'),
  on: isoDay('Day of the catch').required('A catch needs its day.'),
  operator: text('Operator', 80).optional(),
  lot: text('Lot', 60).optional(),
  /** As the dial has it. */
  opening: num('Opening', { min: 0, max: 1000, unit: 'on the dial' }).required(),
  caughtLb: num('Caught', { above: 0, max: 1000, unit: 'lb product' }).required(),
  swathFt: num('Swath', { above: 0, max: 200, unit: 'ft' }).required(),
  distanceFt: num('Strip', { above: 0, max: 10_000, unit: 'ft' }).required(),
});
export type Catch = yup.InferType<typeof catchSchema>;

/** A spreader of one's own, by its own name, and what it gave. */
export const spreaderSchema = yup.object({
  id: id('Spreader'),
  name: text('Name', 60).required('A spreader needs a name.').min(1, 'A spreader needs a name.'),
  /** Smallest step of its dial. */
  dialStep: num('Step of the dial', { above: 0, max: 100, unit: 'on the dial' }).required(),
  catches: list('Catches', catchSchema.required(), MOST_CATCHES).optional(),
  changedAt: changedAt(),
});
export type Spreader = yup.InferType<typeof spreaderSchema>;
