import * as yup from 'yup';
import { changedAt, id, isoDay, list, num, text, word, yes } from './strict-schema';
import { MOST } from './most';

export const choicesSchema = yup.object({
  year: num('Year', { min: 1990, max: 2200, integer: true }).optional(),
  school: word('School', ['sufficiency', 'minimum', 'saturation']).optional(),
  lateSeason: word('Late season', [
    'two-steps',
    'late-soluble',
    'slow-first-frost',
    'weekly-light',
    'potassium-led',
  ]).optional(),
  potassium: word('Potassium', ['on-test', 'fall', 'winter', 'spring-summer']).optional(),
  highPh: word('High pH', ['correct-slowly', 'leave-and-manage', 'acidifying-nitrogen']).optional(),
  /** Which part of the year cool-season grass is mainly fed in. */
  coolSeason: word('Cool-season year', ['fall-led', 'even', 'spring-help']).optional(),
  maxTrips: num('Most trips', { min: 1, max: 100, integer: true }).optional(),
  tripCost: num('Cost of a trip', { min: 0, max: 100_000 }).optional(),
  /** How much care shares the calendar with feeding. */
  effort: word('Effort', ['essential', 'better', 'best']).optional(),
});
export type Choices = yup.InferType<typeof choicesSchema>;

/** What the best plan is best in. */
export const PLAN_AIMS = ['balanced', 'cheapest', 'fewest-trips'] as const;
export type PlanAim = (typeof PLAN_AIMS)[number];

export const PLANNED_FOR = ['N', 'P2O5', 'K2O', 'lime', 'sulfur', 'gypsum', 'iron', 'manganese'] as const;
export type PlannedFor = (typeof PLANNED_FOR)[number];

export const plannedDoseSchema = yup.object({
  zoneId: id('Zone'),
  date: isoDay('Date').required(),
  productId: id('Product'),
  for: word('Purpose', PLANNED_FOR).required(),
  rateLb: num('Rate', { min: 0, max: 1000, unit: 'lb product/1000 ft2' }).required(),
  /** Stays as it is when the rest is planned again. */
  locked: yes('Locked').optional(),
});
export type PlannedDose = yup.InferType<typeof plannedDoseSchema>;

export const planSchema = yup.object({
  id: id('Plan'),
  changedAt: changedAt(),
  year: num('Year', { min: 1990, max: 2200, integer: true }).required(),
  keptOn: isoDay('Kept on').optional(),
  /** A kept plan that was changed since and not kept again: the day it was kept before. */
  keptBefore: isoDay('Kept before').optional(),
  /** The plan of the same year that it took the place of, and the records for which it did. */
  replaces: text('Plan id', 80).optional(),
  because: list('Because of records', text('Record', 260).required(), MOST.because).optional(),
  /** The day another plan took its place; it is set aside from then on. */
  replacedOn: isoDay('Replaced on').optional(),
  /** Set aside to compare with: never the plan that is worked with. */
  aside: yes('Set aside').optional(),
  /** Shown beside others, never to be taken: a school that is not planned by. */
  comparisonOnly: yes('For comparison only').optional(),
  name: text('Plan name', 80).optional(),
  /** How the doses were found, and how far from the best they were proven to be at most. */
  solved: yup
    .object({
      on: isoDay('Solved on').required(),
      status: word('Status', ['optimal', 'feasible']).required(),
      gapPercent: num('Gap', { min: 0, max: 1e6, unit: '%' }).optional(),
      aim: word('Aim', PLAN_AIMS).optional(),
    })
    .optional()
    .default(undefined),
  /** Product chosen for a purpose: key `zoneId/purpose`, value product id. */
  products: yup.lazy((value: unknown) =>
    yup
      .object(
        Object.fromEntries(Object.keys((value as object) ?? {}).map((k) => [k, text('Product id', 80).required()])),
      )
      .optional()
      .default(undefined),
  ) as unknown as yup.Schema<Record<string, string> | undefined>,
  doses: list('Doses', plannedDoseSchema, MOST.doses).optional(),
});
export type Plan = yup.InferType<typeof planSchema>;
