import * as yup from 'yup';
import { CARE_LEVELS, GRASS_IDS } from '../ground/grasses';
import { TEXTURE_CLASSES } from '../ground/texture-groups';
import { checkShape, isoDay, list, monthDay, num, text, word, yes } from './shape';
import { type Refusal, isRefusal, refuse } from '../reckoning/refusal';

/** The records of a property, as the database keeps them and the case file carries them. Keys carry their unit. */

export const TURF = ['established', 'close-cut', 'tilled'] as const;
export const ZONE_STATES = ['established', 'new-seeding', 'renovation', 'sod'] as const;
export const LIGHT = ['full-sun', 'part-shade', 'shade', 'deep-shade'] as const;
export const WEAR = ['light', 'moderate', 'heavy'] as const;
export const CARBONATES = ['unknown', 'none', 'slight', 'strong'] as const;
export const DRAINAGE = ['good', 'moderate', 'poor'] as const;
export const MEASURED_BY = ['tape', 'wheel', 'pacing', 'plan'] as const;
export const ANALYTES = [
  'pH',
  'buffer-pH',
  'P',
  'K',
  'Ca',
  'Mg',
  'S',
  'Na',
  'Fe',
  'Mn',
  'Zn',
  'Cu',
  'B',
  'NO3-N',
  'OM',
  'CEC',
  'EC',
  'CaCO3',
  'Al',
  'acidity',
] as const;
export type Analyte = (typeof ANALYTES)[number];
export const UNITS = ['ppm', 'mg/dm3', 'lb/acre', 'kg/ha', 'index', 'cmolc/kg', '%', 'dS/m'] as const;
export const METHODS = [
  'water-1:1',
  'water-1:2',
  'saturated-paste',
  'cacl2',
  'mehlich',
  'smp',
  'adams-evans',
  'sikora',
  'moore-sikora',
  'modified-mehlich',
  'mehlich-3',
  'mehlich-1',
  'bray-p1',
  'olsen',
  'morgan',
  'modified-morgan',
  'ammonium-acetate',
  'dtpa',
  'hot-water',
  'sum',
  'combustion',
  'loss-on-ignition',
] as const;
export type Method = (typeof METHODS)[number];
export const NITROGEN_FORMS = [
  'ammoniacal',
  'nitrate',
  'urea',
  'other-soluble',
  'polymer-coated-urea',
  'sulfur-coated-urea',
  'methylene-urea',
  'ibdu',
  'ureaform',
  'natural-organic',
] as const;
export type NitrogenForm = (typeof NITROGEN_FORMS)[number];

const id = (label: string) =>
  text(`${label} id`, 80).required(`${label} id is missing.`).min(1, `${label} id is empty.`);
const twelve = (label: string, min: number, max: number, unit: string) =>
  list(label, num(`Each of ${label}`, { min, max, unit }).required(), 12).test(
    'twelve',
    `${label} needs twelve numbers, January to December.`,
    (v) => v === undefined || v.length === 12,
  );

export const climateSchema = yup.object({
  meanHighF: twelve('monthly mean highs', -60, 140, 'deg F').required('Monthly mean highs are missing.'),
  meanLowF: twelve('monthly mean lows', -80, 120, 'deg F').required('Monthly mean lows are missing.'),
  rainIn: twelve('monthly rain', 0, 60, 'in').optional(),
  lastFrost: monthDay('Last frost').optional(),
  firstFrost: monthDay('First frost').optional(),
});
export type Climate = yup.InferType<typeof climateSchema>;

export const propertySchema = yup.object({
  id: id('Property'),
  name: text('Property name', 120).required('Give the property a name.').min(1, 'Give the property a name.'),
  latitudeDeg: num('Latitude', { min: -90, max: 90, unit: 'degrees' }).optional(),
  climate: climateSchema.optional().default(undefined),
});
export type Property = yup.InferType<typeof propertySchema>;

const corner = yup
  .tuple([num('East, ft', { min: -1e6, max: 1e6 }).required(), num('South, ft', { min: -1e6, max: 1e6 }).required()])
  .required();

export const zoneSchema = yup.object({
  id: id('Zone'),
  name: text('Zone name', 80).required('Give the zone a name.').min(1, 'Give the zone a name.'),
  areaSqFt: num('Area', { above: 0, max: 50_000_000, unit: 'ft2' }).required(
    'The zone has no area yet: measure it first.',
  ),
  /** How the area was measured: sides of a rectangle or corners of an outline, in feet. */
  rectangle: yup
    .object({
      lengthFt: num('Length', { above: 0, max: 100_000, unit: 'ft' }).required(),
      widthFt: num('Width', { above: 0, max: 100_000, unit: 'ft' }).required(),
    })
    .optional()
    .default(undefined),
  cornersFt: list('Corners', corner, 500).optional(),
  measuredBy: word('Measured by', MEASURED_BY).optional(),
  grass: word('Grass', GRASS_IDS).required('Choose the grass.'),
  texture: word('Soil texture', TEXTURE_CLASSES).required('Choose the soil texture.'),
  bulkDensity: num('Bulk density', { min: 0.2, max: 2, unit: 'g/cm3' }).optional(),
  turf: word('Turf', TURF).optional(),
  state: word('State', ZONE_STATES).optional(),
  care: word('Care', CARE_LEVELS).optional(),
  clippings: word('Clippings', ['returned', 'bagged', 'mulched']).optional(),
  irrigated: yes('Irrigated').optional(),
  light: word('Light', LIGHT).optional(),
  wear: word('Wear', WEAR).optional(),
  ageYears: num('Age of the stand', { min: 0, max: 200, unit: 'years' }).optional(),
  carbonates: word('Carbonates', CARBONATES).optional(),
  calciumCarbonatePercent: num('Calcium carbonate', { min: 0, max: 100, unit: '%' }).optional(),
  drainage: word('Drainage', DRAINAGE).optional(),
  slopePercent: num('Slope', { min: 0, max: 100, unit: '%' }).optional(),
  waterDistanceFt: num('Distance to water', { min: 0, max: 100_000, unit: 'ft' }).optional(),
  /** Lines of the nitrogen walk that the agronomist switched off. */
  nitrogenOff: list('Nitrogen lines switched off', text('line', 20).required(), 12).optional(),
  applied: list(
    'Applied',
    yup.object({
      date: isoDay('Date').required('An application needs its date.'),
      productId: id('Product'),
      zoneLb: num('Weight spread', { min: 0, max: 1e6, unit: 'lb product' }).required(
        'An application needs its weight.',
      ),
    }),
    5000,
  ).optional(),
});
export type Zone = yup.InferType<typeof zoneSchema>;

/** Analytes that are a mass in soil: without a unit the number means nothing. */
export const NEEDS_UNIT: ReadonlySet<string> = new Set([
  'P',
  'K',
  'Ca',
  'Mg',
  'S',
  'Na',
  'Fe',
  'Mn',
  'Zn',
  'Cu',
  'B',
  'NO3-N',
  'Al',
]);

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
    if (NEEDS_UNIT.has(analyte) && !unit)
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

const share = (label: string) => num(label, { min: 0, max: 100, unit: '%' }).optional();
export const guaranteedSchema = yup.object({
  N: share('N'),
  P2O5: share('P2O5'),
  K2O: share('K2O'),
  Ca: share('Ca'),
  Mg: share('Mg'),
  'S-free': share('Free S'),
  'S-combined': share('Combined S'),
  Fe: share('Fe'),
  Mn: share('Mn'),
  Zn: share('Zn'),
  Cu: share('Cu'),
  B: share('B'),
  Cl: share('Cl'),
});
export type Guaranteed = yup.InferType<typeof guaranteedSchema>;
const formFields = Object.fromEntries(NITROGEN_FORMS.map((f) => [f, share(`N as ${f}`)])) as Record<
  NitrogenForm,
  ReturnType<typeof share>
>;

export const productSchema = yup
  .object({
    id: id('Product'),
    name: text('Product name', 120).required('Give the product a name.').min(1, 'Give the product a name.'),
    form: word('Form', ['granular', 'liquid']).optional(),
    guaranteed: guaranteedSchema.required('A product needs its guaranteed analysis.'),
    nitrogen: yup.object(formFields).optional().default(undefined),
    releaseDays: num('Release', { min: 0, max: 400, unit: 'days' }).optional(),
    package: yup
      .object({
        lb: num('Package weight', { above: 0, max: 5000, unit: 'lb product' }).optional(),
        gal: num('Package volume', { above: 0, max: 1000, unit: 'gal' }).optional(),
        price: num('Price', { min: 0, max: 100_000 }).optional(),
      })
      .optional()
      .default(undefined),
    onHandLb: num('On hand', { min: 0, max: 1e6, unit: 'lb product' }).optional(),
    lbPerGal: num('Density', { min: 6, max: 16, unit: 'lb/gal' }).optional(),
    ccePercent: num('CCE', { above: 0, max: 180, unit: '%' }).optional(),
    eccePercent: num('ECCE', { above: 0, max: 180, unit: '%' }).optional(),
    limeKind: word('Lime kind', ['calcitic', 'dolomitic', 'hydrated', 'burnt']).optional(),
    over8MeshPercent: share('Over 8 mesh'),
    mesh8to20Percent: share('8-20 mesh'),
    mesh20to60Percent: share('20-60 mesh'),
    under60MeshPercent: share('Under 60 mesh'),
    sizeGuideNumber: num('Size guide number', { min: 30, max: 500 }).optional(),
    coverageSqFt: num('Coverage', { above: 0, max: 1e7, unit: 'ft2' }).optional(),
    pesticide: yes('Holds a pesticide').optional(),
    lot: text('Lot', 80).optional(),
  })
  .test('forms', function (product) {
    const grade = (product.guaranteed?.N ?? 0) + (product.guaranteed?.P2O5 ?? 0) + (product.guaranteed?.K2O ?? 0);
    if (grade > 100)
      return this.createError({
        path: `${this.path ? `${this.path}.` : ''}guaranteed`,
        message: `N, P2O5 and K2O of ${product.name} add up to ${grade} %, which no bag can hold.`,
      });
    if (!product.nitrogen) return true;
    const sum = Object.values(product.nitrogen).reduce<number>((a, b) => a + (b ?? 0), 0);
    const total = product.guaranteed?.N ?? 0;
    if (Math.abs(sum - total) > 0.05)
      return this.createError({
        path: `${this.path ? `${this.path}.` : ''}nitrogen`,
        message: `The nitrogen forms of ${product.name} add up to ${Number(sum.toFixed(2))} %, the label says ${total} % N. They must agree.`,
      });
    return true;
  });
export type Product = yup.InferType<typeof productSchema>;

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
  maxTrips: num('Most trips', { min: 1, max: 100, integer: true }).optional(),
  tripCost: num('Cost of a trip', { min: 0, max: 100_000 }).optional(),
});
export type Choices = yup.InferType<typeof choicesSchema>;

export const PLANNED_FOR = ['N', 'P2O5', 'K2O', 'lime', 'sulfur'] as const;
export type PlannedFor = (typeof PLANNED_FOR)[number];

export const plannedDoseSchema = yup.object({
  zoneId: id('Zone'),
  date: isoDay('Date').required(),
  productId: id('Product'),
  for: word('Purpose', PLANNED_FOR).required(),
  rateLb: num('Rate', { min: 0, max: 1000, unit: 'lb product/1000 ft2' }).required(),
});
export type PlannedDose = yup.InferType<typeof plannedDoseSchema>;

export const planSchema = yup.object({
  id: id('Plan'),
  year: num('Year', { min: 1990, max: 2200, integer: true }).required(),
  keptOn: isoDay('Kept on').optional(),
  /** Product chosen for a purpose: key `zoneId/purpose`, value product id. */
  products: yup.lazy((value: unknown) =>
    yup
      .object(
        Object.fromEntries(Object.keys((value as object) ?? {}).map((k) => [k, text('Product id', 80).required()])),
      )
      .optional()
      .default(undefined),
  ) as unknown as yup.Schema<Record<string, string> | undefined>,
  doses: list('Doses', plannedDoseSchema, 2000).optional(),
});
export type Plan = yup.InferType<typeof planSchema>;

export const CASE_FORMAT = 'ubertas-case';
export const CASE_VERSION = 1;

export const caseSchema = yup.object({
  format: word('Format', [CASE_FORMAT]).required('This file does not say that it is a ubertas-case file.'),
  version: num('Version', { min: 1, max: 1, integer: true }).required('The file does not say its version.'),
  property: propertySchema.required('The file holds no property.'),
  zones: list('Zones', zoneSchema, 500).required('The file holds no list of zones.'),
  soilTests: list('Soil reports', soilTestSchema, 5000).optional(),
  products: list('Products', productSchema, 2000).optional(),
  codes: list('Local codes', codeSchema, 50).optional(),
  choices: choicesSchema.optional().default(undefined),
  plans: list('Plans', planSchema, 200).optional(),
});
export type Case = yup.InferType<typeof caseSchema>;

/** Largest file that is read at all, bytes. A property with thirty years of reports is under 1 MB. */
export const LARGEST_FILE_BYTES = 20_000_000;

/** JSON text to a value, or the sentence that says what is wrong with the file. */
export function parseJson(source: string, name = 'The file'): { json: unknown } | Refusal {
  if (source.length > LARGEST_FILE_BYTES)
    return refuse('', `${name} is larger than 20 MB, which no property fills. It was not read.`);
  try {
    return { json: JSON.parse(source) };
  } catch {
    return refuse(
      '',
      `${name} is not readable as JSON: it is broken or of another kind. Choose a file that Ubertas saved.`,
    );
  }
}

function firstDuplicate(ids: readonly string[]): string | undefined {
  const seen = new Set<string>();
  return ids.find((each) => seen.size === seen.add(each).size);
}

/** Checks that a value is a whole, consistent case: shape, ids unique, every reference found. */
export function checkCase(value: unknown): Case | Refusal {
  if (typeof value !== 'object' || value === null || (value as { format?: unknown }).format !== CASE_FORMAT)
    return refuse(
      'format',
      'This is not a ubertas-case file. Choose a file that Ubertas saved, or type the report in Read.',
    );
  if (
    typeof (value as { version?: unknown }).version === 'number' &&
    (value as { version: number }).version > CASE_VERSION
  )
    return refuse(
      'version',
      `The file was saved by a newer Ubertas (version ${(value as { version: number }).version}). Update this one, then open it again.`,
    );
  const checked = checkShape(caseSchema as yup.Schema<Case>, value);
  if (isRefusal(checked)) return checked;
  for (const [what, records] of [
    ['zones', checked.zones],
    ['soilTests', checked.soilTests],
    ['products', checked.products],
  ] as const) {
    const twin = firstDuplicate((records ?? []).map((r) => r.id));
    if (twin !== undefined) return refuse(what, `Two entries of ${what} share the id "${twin}". Each needs its own.`);
  }
  const zoneIds = new Set(checked.zones.map((z) => z.id));
  for (const [i, test] of (checked.soilTests ?? []).entries())
    if (!zoneIds.has(test.zoneId))
      return refuse(
        `soilTests[${i}].zoneId`,
        `Soil report "${test.id}" names zone "${test.zoneId}", which the file does not hold.`,
      );
  return checked;
}

/** Reads the text of a case file. */
export function readCase(source: string): Case | Refusal {
  const parsed = parseJson(source);
  return isRefusal(parsed) ? parsed : checkCase(parsed.json);
}

/** The text of a case file, indented so that a person can read it. */
export const printCase = (given: Omit<Case, 'format' | 'version'>): string =>
  `${JSON.stringify({ format: CASE_FORMAT, version: CASE_VERSION, ...given }, null, 2)}\n`;
