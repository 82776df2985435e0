import * as yup from 'yup';
import { changedAt, id, isoDay, list, num, text, word } from './strict-schema';
import { PLANNED_FOR } from './plan-schema';
import { MOST } from './most';

/** Steps of carrying out a job, in the order they can come. */
export const RUN_EVENTS = [
  'started',
  'run-done',
  'marked',
  'paused',
  'resumed',
  'note',
  'photo',
  'finished',
  'weighed-back',
  'signed',
  'given-up',
  'watered',
] as const;
export const LAYING_SCHOOLS = ['two-directions', 'four-light', 'one-direction'] as const;
const HOW_WATERED = ['sprinklers', 'rain', 'hose'] as const;
const HOW_WEIGHED = ['typed', 'empty', 'not-possible'] as const;

/** A moment as a clock wrote it. */
const moment = () =>
  text('Moment', 30).matches(
    /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:\d\d)$/,
    'A moment is written like 2027-09-06T10:52:00Z.',
  );
const pounds = (label: string) => num(label, { min: 0, max: 1e6, unit: 'lb product' });

/** One step as it was made: what stands in it depends on its kind. */
export const runEventSchema = yup.object({
  at: moment().required('A step needs its moment.'),
  kind: word('Step', RUN_EVENTS).required('Say what was done.'),
  operator: text('Operator', 80).optional(),
  /** Verdict of the hour, and the lines that stood against it. */
  verdict: word('Verdict', ['go', 'wait', 'ask', 'never']).optional(),
  reasons: text('Reasons', 200).optional(),
  /** Why it was started all the same. */
  override: text('Reason', 400).optional(),
  windMph: num('Wind', { min: 0, max: 150, unit: 'mph' }).optional(),
  airF: num('Air', { min: -60, max: 140, unit: 'deg F' }).optional(),
  weighedLb: pounds('Weighed out').optional(),
  school: word('Way of laying down', LAYING_SCHOOLS).optional(),
  swathFt: num('Swath', { above: 0, max: 200, unit: 'ft' }).optional(),
  /** What it went out of, and where its gate stood. */
  spreader: text('Spreader', 60).optional(),
  opening: num('Opening', { min: 0, max: 1000, unit: 'on the dial' }).optional(),
  bearingDeg: num('Bearing', { min: 0, max: 360, unit: 'degrees' }).optional(),
  /** Feet of each stretch that is walked with the gate open, laps first. */
  runsFt: list('Runs', num('Run', { min: 0, max: 1e6, unit: 'ft' }).required(), MOST.runsOfARun).optional(),
  /** How many stretches are done. */
  runsDone: num('Runs done', { min: 0, max: 100_000, integer: true }).optional(),
  /** How far along the next stretch, where a run is broken off. */
  partFt: num('Feet of the stretch', { min: 0, max: 1e6, unit: 'ft' }).optional(),
  reason: text('Reason', 400).optional(),
  note: text('Note', MOST.letters).optional(),
  /** A picture, by the SHA-256 of its bytes; the picture itself lies apart. */
  photo: text('Photo', 64)
    .matches(/^[0-9a-f]{64}$/, 'A photo is named by 64 hexadecimal digits.')
    .optional(),
  coveredSqFt: num('Ground covered', { above: 0, max: 5e7, unit: 'ft2' }).optional(),
  backLb: pounds('Weighed back').optional(),
  /** Swept up off the turf where far too much lay. */
  recoveredLb: pounds('Swept up').optional(),
  how: word('How', HOW_WEIGHED).optional(),
  /** Of watering in, once it was signed. */
  wateredBy: word('Watered by', HOW_WATERED).optional(),
});
export type RunEvent = yup.InferType<typeof runEventSchema>;

/**
 * One carrying-out of a job: what was to be done, as the plan and the label had it then, and every step as it was made. What it has
 * come to is the fold of its steps.
 */
export const runSchema = yup.object({
  id: id('Run'),
  changedAt: changedAt(),
  zoneId: id('Zone'),
  productId: id('Product'),
  /** Day of the dose in the plan. */
  plannedOn: isoDay('Planned day').required('A run needs the day of its dose.'),
  for: word('Purpose', PLANNED_FOR).required(),
  /** lb product/1000 ft2 of the plan. */
  rateLb: num('Rate', { min: 0, max: 1000, unit: 'lb product/1000 ft2' }).required(),
  plannedLb: pounds('Weigh-out').required(),
  areaSqFt: num('Area', { above: 0, max: 5e7, unit: 'ft2' }).required(),
  areaErrorSqFt: num('Likely error of the area', { min: 0, max: 5e7, unit: 'ft2' }).optional(),
  /** The label as it stood: a later edit of the shelf changes no past figure. */
  label: yup
    .object({
      name: text('Product name', 120).required(),
      face: text('Grade', 40).optional(),
      /** Percent of what the dose is for. */
      percent: num('Percent', { min: 0, max: 180, unit: '%' }).required(),
      lot: text('Lot', 80).optional(),
      /** Of a liquid: it is poured and poured back by the jug. */
      lbPerGal: num('Density', { min: 6, max: 16, unit: 'lb/gal' }).optional(),
    })
    .required('A run needs the label of its product.'),
  events: list('Steps', runEventSchema, MOST.events).required().min(1, 'A run begins with its start.'),
});
export type Run = yup.InferType<typeof runSchema>;
