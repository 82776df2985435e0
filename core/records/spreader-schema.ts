import * as yup from 'yup';
import { changedAt, id, isoDay, list, num, text, word } from './strict-schema';

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

export const SPREADER_KINDS = ['rotary', 'drop', 'boom', 'hand'] as const;
export const TRAVELS = ['back-and-forth', 'one-way'] as const;

/** What a row of trays caught, left to right, as it lay across the walk. */
const patternSchema = yup.object({
  on: isoDay('Day of the pattern test').required('A pattern test needs its day.'),
  traySpacingFt: num('Tray spacing', { above: 0, max: 50, unit: 'ft' }).required(),
  travel: word('Travel', TRAVELS).required(),
  catches: list('Trays', num('Tray', { min: 0, max: 10_000, unit: 'g product' }).required(), 41).required(),
});

/** A spreader of one's own, by its own name, and what it gave. */
export const spreaderSchema = yup.object({
  id: id('Spreader'),
  name: text('Name', 60).required('A spreader needs a name.').min(1, 'A spreader needs a name.'),
  /** Smallest step of its dial. */
  dialStep: num('Step of the dial', { above: 0, max: 100, unit: 'on the dial' }).required(),
  kind: word('Kind', SPREADER_KINDS).optional(),
  hopperLb: num('Hopper', { above: 0, max: 10_000, unit: 'lb product' }).optional(),
  /** Apart from pass to pass. */
  swathFt: num('Swath', { above: 0, max: 200, unit: 'ft' }).optional(),
  pattern: patternSchema.optional().default(undefined),
  catches: list('Catches', catchSchema.required(), MOST_CATCHES).optional(),
  changedAt: changedAt(),
});
export type Spreader = yup.InferType<typeof spreaderSchema>;
