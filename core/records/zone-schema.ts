import * as yup from 'yup';
import { CARE_LEVELS, GRASS_IDS } from './vocabularies';
import { TEXTURE_CLASSES } from './vocabularies';
import { BALL_ANSWERS, RIBBON_ANSWERS, RUB_ANSWERS } from './vocabularies';
import { changedAt, id, isoDay, list, monthDay, num, text, word, yes } from './strict-schema';
import { shapeFields } from './ground-shape-schema';
import {
  CARBONATES,
  CLIPPINGS,
  CUT_OUTS,
  DRAINAGE,
  INSTRUMENTS,
  LIGHT,
  MEASURED_BY,
  OWN_LINES,
  TURF,
  WEAR,
  ZONE_STATES,
} from './vocabularies';
import { MOST } from './most';
import { typedTexts } from './typed-schema';

const fraction = (label: string) => num(label, { min: 0, max: 100, unit: '%' }).required();

/** Ground inside a zone that is not fed: a building, a bed, a path. */
export const cutOutSchema = yup.object({
  id: id('Cut-out'),
  name: text('Cut-out name', 80).optional(),
  kind: word('Cut-out', CUT_OUTS).required('Say what the cut-out is.'),
  ...shapeFields,
});
export type CutOut = yup.InferType<typeof cutOutSchema>;

/** Largest override of each kind: lb/1000 ft2, pH, in or sprays a year. */
const MOST_OWN: Record<(typeof OWN_LINES)[number], readonly [number, number]> = {
  lime: [0, 400],
  'free-sulfur': [0, 100],
  nitrogen: [0, 10],
  phosphorus: [0, 5],
  potassium: [0, 10],
  magnesium: [0, 5],
  sulfur: [0, 5],
  'aim-ph': [5, 7.5],
  'treated-depth': [1, 12],
  'root-zone': [2, 12],
  gypsum: [0, 400],
  'nitrogen-dose': [0.1, 2],
  'iron-sprays': [0, 12],
  'manganese-sprays': [0, 12],
};

/** A figure that the agronomist put in place of the rule's. Rates are lb/1000 ft2 in the form bags state. */
export const ownFigureSchema = yup
  .object({
    line: word('Override of', OWN_LINES).required('Say which figure is replaced.'),
    value: num('Override', { min: 0, max: 400 }).required('Type the figure.'),
    reason: text('Reason', 400).required('An override needs its reason.').min(3, 'An override needs its reason.'),
    by: text('By', 60).optional(),
    on: isoDay('Day of the override').optional(),
  })
  .test('bounds', function (own) {
    // what is no record at all has its own sentence
    if (typeof own !== 'object' || own === null) return true;
    const [least, most] = MOST_OWN[own.line] ?? [0, 400];
    return own.value >= least && own.value <= most
      ? true
      : this.createError({
          path: `${this.path ? `${this.path}.` : ''}value`,
          message: `The override must be between ${least} and ${most}; ${own.value} is not.`,
        });
  });
export type OwnFigure = yup.InferType<typeof ownFigureSchema>;

export const zoneSchema = yup.object({
  id: id('Zone'),
  changedAt: changedAt(),
  name: text('Zone name', 80).required('Give the zone a name.').min(1, 'Give the zone a name.'),
  areaSqFt: num('Area', { above: 0, max: 50_000_000, unit: 'ft2' }).required(
    'The zone has no area yet: measure it first.',
  ),
  ...shapeFields,
  cutOuts: list('Cut-outs', cutOutSchema, MOST.cutOuts).optional(),
  measuredBy: word('Measured by', MEASURED_BY).optional(),
  grass: word('Grass', GRASS_IDS).required('Choose the grass.'),
  texture: word('Soil texture', TEXTURE_CLASSES).required('Choose the soil texture.'),
  /** Sand, silt and clay from a laboratory; the class follows from them. */
  fractions: yup
    .object({
      sandPercent: fraction('Sand'),
      siltPercent: fraction('Silt'),
      clayPercent: fraction('Clay'),
      on: isoDay('Day of the laboratory’s texture').optional(),
    })
    .optional()
    .default(undefined),
  /** Answers of the hand test; the class follows from them unless a laboratory measured it. */
  handTest: yup
    .object({
      on: isoDay('Day of the hand test').optional(),
      ball: word('Ball', BALL_ANSWERS).required('The hand test needs its first answer.'),
      ribbon: word('Ribbon', RIBBON_ANSWERS).optional(),
      rub: word('Rub', RUB_ANSWERS).optional(),
    })
    .optional()
    .default(undefined),
  bulkDensity: num('Bulk density', { min: 0.2, max: 2, unit: 'g/cm3' }).optional(),
  turf: word('Turf', TURF).optional(),
  state: word('State', ZONE_STATES).optional(),
  /** Day of the seeding, renovation or sodding; the usual day of the grass and climate where none is given. */
  seededOn: isoDay('Day of the seeding').optional(),
  /** A cool-season grass sown over warm-season turf for the winter: from overseeding to spring transition, month-day. */
  overseed: yup
    .object({
      grass: word('Overseeded grass', GRASS_IDS).required('Say which grass is overseeded.'),
      from: monthDay('Overseeded from').required('Give the day of overseeding, month-day.'),
      to: monthDay('Transition').required('Give the day of spring transition, month-day.'),
    })
    .optional()
    .default(undefined),
  care: word('Care', CARE_LEVELS).optional(),
  clippings: word('Clippings', CLIPPINGS).optional(),
  irrigated: yes('Irrigated').optional(),
  /** What the sprinklers give, by cups on the lawn. */
  sprinklerInPerHour: num('Sprinkler rate', { above: 0, max: 20, unit: 'in/h' }).optional(),
  light: word('Light', LIGHT).optional(),
  wear: word('Wear', WEAR).optional(),
  ageYears: num('Age of the stand', { min: 0, max: 200, unit: 'years' }).optional(),
  carbonates: word('Carbonates', CARBONATES).optional(),
  calciumCarbonatePercent: num('Calcium carbonate', { min: 0, max: 100, unit: '%' }).optional(),
  drainage: word('Drainage', DRAINAGE).optional(),
  slopePercent: num('Slope', { min: 0, max: 100, unit: '%' }).optional(),
  waterDistanceFt: num('Distance to water', { min: 0, max: 100_000, unit: 'ft' }).optional(),
  /** N of the whole of last year, where somebody knows it. */
  typed: typedTexts().optional(),
  lastYearNitrogenLb: num('Last year’s N', { min: 0, max: 30, unit: 'lb N/1000 ft2' }).optional(),
  /** Readings of hand instruments; never taken for a laboratory's. */
  readings: list(
    'Hand readings',
    yup.object({
      on: isoDay('Day of the reading').required('A reading needs its day.'),
      instrument: word('Instrument', INSTRUMENTS).required('A reading needs its instrument.'),
      value: num('Reading', { min: -40, max: 150 }).required('A reading needs its value.'),
      /** How deep a thermometer stood. */
      depthIn: num('Depth of the reading', { above: 0, max: 24, unit: 'in' }).optional(),
      simulated: yes('Simulated').optional(),
    }),
    MOST.readings,
  ).optional(),
  /** Lines of the nitrogen walk that the agronomist switched off. */
  nitrogenOff: list('Nitrogen lines switched off', text('line', 20).required(), 12).optional(),
  /** Figures of the prescription that the agronomist replaced, each with its reason. */
  own: list('Overrides', ownFigureSchema, OWN_LINES.length).optional(),
  applied: list(
    'Applied',
    yup.object({
      date: isoDay('Date').required('An application needs its date.'),
      productId: id('Product'),
      /** The record it is reckoned from; such entries are never stored. */
      recordId: text('Record', 260).optional(),
      zoneLb: num('Weight spread', { min: 0, max: 1e6, unit: 'lb product' }).required(
        'An application needs its weight.',
      ),
    }),
    MOST.applied,
  ).optional(),
});
export type Zone = yup.InferType<typeof zoneSchema>;
