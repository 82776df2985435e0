import * as yup from 'yup';
import { changedAt, id, isoDay, list, monthDay, num, text, word, yes } from './strict-schema';
import { MOST } from './most';

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
});
export type LocalCode = yup.InferType<typeof codeSchema>;

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
