import * as yup from 'yup';
import { changedAt, clockTime, id, isoDay, list, monthDay, num, text, word, yes } from './strict-schema';

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
export type Weekday = (typeof WEEKDAYS)[number];
export const CODE_SOURCES = ['law', 'ordinance', 'label', 'guidance'] as const;

const weekdays = (label: string) => list(label, word('Weekday', WEEKDAYS).required(), 7).optional();

/** When a place lets lawns be watered: days by house number, hours, season, stage of drought. */
const wateringSchema = yup.object({
  weekdays: yup
    .object({
      odd: weekdays('Days of odd numbers'),
      even: weekdays('Days of even numbers'),
      all: weekdays('Days of all'),
    })
    .optional()
    .default(undefined),
  mostDaysPerWeek: num('Most days a week', { min: 0, max: 7, integer: true }).optional(),
  closedHours: list(
    'Closed hours',
    yup.object({ from: clockTime('From').required(), to: clockTime('To').required() }),
    6,
  ).optional(),
  season: yup
    .object({ from: monthDay('Season from').required(), to: monthDay('Season to').required() })
    .optional()
    .default(undefined),
  stage: text('Drought stage', 60).optional(),
});

export const codeSchema = yup.object({
  id: id('Local code'),
  name: text('Local code name', 120).optional(),
  closed: list(
    'Closed dates',
    yup.object({
      from: monthDay('From').required(),
      to: monthDay('To').required(),
      nutrients: list('Nutrients', word('Nutrient', ['N', 'P2O5', 'K2O']).required(), 3).required(),
    }),
    24,
  ).optional(),
  who: word('Who', ['homeowner', 'licensed', 'anyone']).optional(),
  maxTotalNPerDose: num('Most N a dose', { min: 0, max: 10, unit: 'lb N' }).optional(),
  maxSolubleNPerDose: num('Most soluble N a dose', { min: 0, max: 10, unit: 'lb N' }).optional(),
  maxNPerYear: num('Most N a year', { min: 0, max: 20, unit: 'lb N' }).optional(),
  leastSlowPercent: num('Least slow share', { min: 0, max: 100, unit: '%' }).optional(),
  /** Slow share that a dose must have between two dates, where it is asked only for a part of the year. */
  slow: list(
    'Slow share by date',
    yup.object({
      from: monthDay('From').required(),
      to: monthDay('To').required(),
      leastSlowPercent: num('Least slow share', { min: 0, max: 100, unit: '%' }).required(),
    }),
    24,
  ).optional(),
  maxP2O5PerDose: num('Most P2O5 a dose', { min: 0, max: 10, unit: 'lb P2O5' }).optional(),
  maxP2O5PerYear: num('Most P2O5 a year', { min: 0, max: 20, unit: 'lb P2O5' }).optional(),
  /** P2O5 only on a test no older than so many years. */
  testWithinYears: num('Age of the test', { above: 0, max: 20, unit: 'years' }).optional(),
  /** Closed dates that some may pass, with a little: licensed work in winter. */
  allowances: list(
    'Allowances',
    yup.object({
      from: monthDay('From').required(),
      to: monthDay('To').required(),
      who: word('Who', ['homeowner', 'licensed', 'anyone']).required(),
      maxTotalNPerDose: num('Most N a dose', { min: 0, max: 10, unit: 'lb N' }).required(),
    }),
    24,
  ).optional(),
  setbackFt: num('Setback', { min: 0, max: 1000, unit: 'ft' }).optional(),
  phosphorusNeedsTest: yes('Phosphorus needs a test').optional(),
  /** No feeding where so much rain is expected within so many hours. */
  heavyRain: yup
    .object({
      inches: num('Heavy rain', { above: 0, max: 10, unit: 'in' }).required('Heavy rain needs its inches.'),
      hours: num('Heavy rain within', { above: 0, max: 168, unit: 'h' }).required('Heavy rain needs its hours.'),
    })
    .optional()
    .default(undefined),
  licenseNeeded: yes('License needed').optional(),
  sweepRequired: yes('Paving swept').optional(),
  posting: yup
    .object({
      hoursBefore: num('Posted before', { min: 0, max: 336, unit: 'h' }).optional(),
      hoursAfter: num('Posted after', { min: 0, max: 336, unit: 'h' }).optional(),
    })
    .optional()
    .default(undefined),
  recordKeptYears: num('Records kept', { above: 0, max: 50, unit: 'years' }).optional(),
  /** What the code says of summer, in words, where it closes no dates. */
  summerNote: text('Summer note', 300).optional(),
  localWatering: wateringSchema.optional().default(undefined),
  /** Where it holds, in words: a township, a watershed. */
  area: text('Area', 120).optional(),
  /** Where it is written down. */
  source: yup
    .object({
      cite: text('Source', 300).required('A source needs its words.').min(1, 'A source needs its words.'),
      url: text('Address', 300).optional(),
      kind: word('Kind of source', CODE_SOURCES).optional(),
    })
    .optional()
    .default(undefined),
  /** The day on which a person held it against the authority's own words, and who. */
  checkedOn: isoDay('Checked').optional(),
  checkedBy: text('Checked by', 80).optional(),
  expiresOn: isoDay('Runs out').optional(),
  reviewEveryMonths: num('Checked again every', { min: 1, max: 120, integer: true, unit: 'months' }).optional(),
  /** Id of the shipped code of which this is a copy. */
  copyOf: text('Copy of', 80).optional(),
  changedAt: changedAt(),
});
export type LocalCode = yup.InferType<typeof codeSchema>;
export type LocalWatering = NonNullable<LocalCode['localWatering']>;
