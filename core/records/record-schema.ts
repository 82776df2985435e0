import * as yup from 'yup';
import { guaranteedSchema } from './product-schema';
import { PLANNED_FOR } from './plan-schema';
import { MOST } from './most';
import { id, isoDay, list, num, text, word, yes } from './strict-schema';
import { CLIPPINGS, NITROGEN_FORMS, type NitrogenForm } from './vocabularies';

/** What the log holds: a record is a set of versions, and a version is never changed. Keys carry their unit. */

export const RECORD_KINDS = [
  'feeding',
  'lime',
  'sulfur',
  'iron',
  'liquid',
  'mowing',
  'watering',
  'rain',
  'aeration',
  'dethatching',
  'topdressing',
  'seed',
  'regulator',
  'pesticide',
  'observation',
  'instrument-reading',
  'soil-sample',
  'maintenance',
  'skip',
  'note',
] as const;
export type RecordKind = (typeof RECORD_KINDS)[number];
/** Kinds that put a product down which is counted. */
export const PRODUCT_KINDS = ['feeding', 'lime', 'sulfur', 'iron', 'liquid'] as const satisfies readonly RecordKind[];
export const SPREAD_BY = ['rotary', 'drop', 'boom', 'backpack', 'hand-gun', 'hose-end', 'hand'] as const;
/** Words of an observation that the readiness of turf goes by. */
export const SEEN_WORDS = ['full green', 'dormant', 'drought', 'disease active', 'disease over'] as const;
export type SeenWord = (typeof SEEN_WORDS)[number];
export const LOG_INSTRUMENTS = ['ph-pen', 'soil-thermometer', 'catch-cups', 'rain-gauge', 'footprint'] as const;

/** A moment as a clock wrote it, with its offset. */
export const moment = (label: string) =>
  text(label, 32).matches(
    /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:\d\d)$/,
    `${label} is a moment, written like 2027-09-06T10:52:00-05:00.`,
  );
const productLb = (label: string) => num(label, { min: 0, max: 1e6, unit: 'lb product' });

const percent = (label: string) => num(label, { min: 0, max: 100, unit: '%' }).optional();

/** The label as it stood when it went down: a later edit of the shelf changes no past figure. */
const labelSchema = yup.object({
  id: id('Product'),
  name: text('Product name', 120).required('Give the product a name.').min(1, 'Give the product a name.'),
  form: word('Form', ['granular', 'liquid']).optional(),
  guaranteed: guaranteedSchema.required('A product needs its guaranteed analysis.'),
  nitrogen: yup
    .object(
      Object.fromEntries(NITROGEN_FORMS.map((form) => [form, percent(`N as ${form}`)])) as Record<
        NitrogenForm,
        yup.NumberSchema<number | undefined>
      >,
    )
    .optional()
    .default(undefined),
  releaseDays: num('Release', { min: 0, max: 400, unit: 'days' }).optional(),
  ccePercent: num('CCE', { above: 0, max: 180, unit: '%' }).optional(),
  eccePercent: num('ECCE', { above: 0, max: 180, unit: '%' }).optional(),
  limeKind: word('Lime kind', ['calcitic', 'dolomitic', 'hydrated', 'burnt']).optional(),
  over8MeshPercent: percent('Over 8 mesh'),
  mesh8to20Percent: percent('8-20 mesh'),
  mesh20to60Percent: percent('20-60 mesh'),
  under60MeshPercent: percent('Under 60 mesh'),
  lbPerGal: num('Density', { min: 6, max: 16, unit: 'lb/gal' }).optional(),
  registrationNumber: text('Registration number', 60).optional(),
});
export type RecordLabel = yup.InferType<typeof labelSchema>;

/** What only some kinds have; which, says the table of kinds. */
const factsSchema = yup.object({
  heightIn: num('Mown to', { above: 0, max: 10, unit: 'in' }).optional(),
  grassHeightIn: num('Grass before', { above: 0, max: 40, unit: 'in' }).optional(),
  removedIn: num('Taken off', { min: 0, max: 40, unit: 'in' }).optional(),
  clippings: word('Clippings', CLIPPINGS).optional(),
  depthIn: num('Depth', { min: 0, max: 40, unit: 'in' }).optional(),
  minutes: num('Minutes', { min: 0, max: 1440, unit: 'min' }).optional(),
  gallons: num('Water', { min: 0, max: 1e7, unit: 'gal' }).optional(),
  forRecordId: text('Record', 120).optional(),
  gauge: text('Measured by', 80).optional(),
  tool: text('Tool', 120).optional(),
  holesPerSqFt: num('Holes', { min: 0, max: 1000, unit: 'per ft2' }).optional(),
  cubicYards: num('Material', { above: 0, max: 1e5, unit: 'yd3' }).optional(),
  material: text('Material', 120).optional(),
  species: text('Species or blend', 120).optional(),
  lbPer1000: num('Seed', { above: 0, max: 100, unit: 'lb seed/1000 ft2' }).optional(),
  daysToEmergence: num('Days to emergence', { min: 0, max: 120, unit: 'days' }).optional(),
  productName: text('Product name', 120).optional(),
  registrationNumber: text('Registration number', 60).optional(),
  target: text('Target', 120).optional(),
  /** As somebody wrote it: it is never parsed, divided or compared. */
  amountAsTyped: text('Amount as typed', 200).optional(),
  labelRead: yes('Label read').optional(),
  reentryHours: num('Re-entry of the label', { min: 0, max: 2000, unit: 'h' }).optional(),
  posted: yes('Signs posted').optional(),
  words: list('Seen', word('Seen', SEEN_WORDS).required(), SEEN_WORDS.length).optional(),
  symptom: text('Symptom', 200).optional(),
  severity: num('Severity', { min: 0, max: 9, integer: true }).optional(),
  sharePercent: num('Share of the zone', { min: 0, max: 100, unit: '%' }).optional(),
  instrument: word('Instrument', LOG_INSTRUMENTS).optional(),
  value: num('Reading', { min: -40, max: 1000 }).optional(),
  sampleCode: text('Sample code', 80).optional(),
  equipment: text('Equipment', 120).optional(),
  jobKey: text('Job', 260).optional(),
  reason: text('Reason', 400).optional(),
});
export type RecordFacts = yup.InferType<typeof factsSchema>;

const weatherSchema = yup.object({
  airF: num('Air', { min: -60, max: 140, unit: 'deg F' }).optional(),
  windMph: num('Wind', { min: 0, max: 150, unit: 'mph' }).optional(),
  windFromDeg: num('Wind from', { min: 0, max: 360, unit: 'degrees' }).optional(),
  gustMph: num('Gusts', { min: 0, max: 200, unit: 'mph' }).optional(),
  humidityPercent: num('Humidity', { min: 0, max: 100, unit: '%' }).optional(),
  rainLast24In: num('Rain of the last 24 h', { min: 0, max: 40, unit: 'in' }).optional(),
  rainNext24In: num('Rain of the next 24 h', { min: 0, max: 40, unit: 'in' }).optional(),
  cloudPercent: num('Cloud', { min: 0, max: 100, unit: '%' }).optional(),
  origin: word('Origin', ['forecast', 'station', 'typed']).required('Say where the weather is from.'),
});

/** What was done, as it stood in one version. */
export const recordBodySchema = yup.object({
  kind: word('Kind', RECORD_KINDS).required('Say what kind of record it is.'),
  date: isoDay('Date').required('A record needs its day.'),
  startedAt: moment('Started').optional(),
  finishedAt: moment('Finished').optional(),
  minutes: num('Minutes', { min: 0, max: 1440, unit: 'min' }).optional(),
  zoneIds: list('Zones', id('Zone'), MOST.zonesOfARecord)
    .required('A record needs its zones.')
    .min(1, 'Choose the zone it was on.'),
  /** Of all its zones, as they were measured then. */
  zoneAreaSqFt: num('Area', { above: 0, max: 5e7, unit: 'ft2' }).optional(),
  areaErrorSqFt: num('Likely error of the area', { min: 0, max: 5e7, unit: 'ft2' }).optional(),
  coveredSqFt: num('Ground covered', { above: 0, max: 5e7, unit: 'ft2' }).optional(),
  /** The dose of the plan that it carries out. */
  planned: yup
    .object({
      year: num('Year', { min: 1900, max: 2200, integer: true }).required(),
      date: isoDay('Planned day').required(),
      productId: id('Planned product'),
      rateLb: num('Planned rate', { min: 0, max: 1000, unit: 'lb product/1000 ft2' }).required(),
      for: word('Purpose', PLANNED_FOR).optional(),
    })
    .optional()
    .default(undefined),
  product: labelSchema.optional().default(undefined),
  lot: text('Lot', 80).optional(),
  plannedLb: productLb('Planned').optional(),
  weighedLb: productLb('Weighed out').optional(),
  backLb: productLb('Weighed back').optional(),
  recoveredLb: productLb('Recovered').optional(),
  /** Weighed out, less what came back and what was swept up. */
  spreadLb: productLb('Spread').optional(),
  howWeighed: word('Weighed', ['typed', 'empty', 'not-possible']).optional(),
  ozPer1000: num('Liquid', { min: 0, max: 1e4, unit: 'fl oz/1000 ft2' }).optional(),
  carrierGalPer1000: num('Finished spray', { above: 0, max: 100, unit: 'gal/1000 ft2' }).optional(),
  method: word('Method', SPREAD_BY).optional(),
  equipmentId: text('Equipment', 80).optional(),
  calibrationId: text('Calibration', 80).optional(),
  opening: num('Opening', { min: 0, max: 1000, unit: 'on the dial' }).optional(),
  passes: num('Passes', { min: 0, max: 5000, integer: true }).optional(),
  weather: weatherSchema.optional().default(undefined),
  /** The verdict of the hour, and why it was gone against. */
  go: yup
    .object({
      verdict: word('Verdict', ['go', 'wait', 'ask', 'never']).required(),
      reasons: text('Reasons', 200).optional(),
      override: text('Reason', 400).optional(),
      lines: list(
        'Lines of the verdict',
        yup.object({
          id: text('Line', 40).required(),
          value: text('Value', 80).optional(),
          limit: num('Limit').optional(),
          standing: word('Standing', ['go', 'wait', 'ask', 'never']).required(),
        }),
        40,
      ).optional(),
    })
    .optional()
    .default(undefined),
  operator: text('Operator', 80).optional(),
  licenseNumber: text('License number', 60).optional(),
  cautions: list('Cautions', text('Caution', 400).required(), 40).optional(),
  notes: text('Notes', MOST.letters).optional(),
  photos: list(
    'Photos',
    text('Photo', 64)
      .matches(/^[0-9a-f]{64}$/, 'A photo is named by 64 hexadecimal digits.')
      .required(),
    MOST.photosOfARun,
  ).optional(),
  openAgainAt: moment('Open again').optional(),
  facts: factsSchema.optional().default(undefined),
  extra: yup
    .object({ matchedBy: text('Matched by', 80).optional() })
    .optional()
    .default(undefined),
});
export type RecordBody = yup.InferType<typeof recordBodySchema>;

/** A record as it stood at one time. Its name is made of its content, so the same content has the same name everywhere. */
export const recordVersionSchema = yup.object({
  versionId: text('Version', 28)
    .required('A version needs its name.')
    .matches(/^v_[a-z2-7]{26}$/, 'A version is named v_ and 26 letters and digits.'),
  recordId: text('Record', 260).required('A version needs its record.').min(1, 'A version needs its record.'),
  parents: list('Versions before it', text('Version', 28).required(), MOST.parents).required(
    'A version says which versions it follows, or an empty list.',
  ),
  at: moment('Written').required('A version needs its moment.'),
  by: text('By', 80).required('A version needs who wrote it.'),
  reason: text('Reason', 400).optional(),
  withdrawn: yes('Withdrawn').optional(),
  body: recordBodySchema.required('A version needs its record.'),
});
export type RecordVersion = yup.InferType<typeof recordVersionSchema>;
