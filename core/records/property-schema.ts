import * as yup from 'yup';
import { changedAt, id, isoDay, list, monthDay, num, text } from './strict-schema';
import { cornersFt, lonLat } from './ground-shape-schema';
import { MOST } from './most';

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
  /** Where the numbers come from, in words. */
  source: text('Source of the climate', 200).optional(),
});
export type Climate = yup.InferType<typeof climateSchema>;

/** What the sheet shows beside the zones: water and its strip, buildings, a plan picture behind. */
export const siteSchema = yup.object({
  /** Water on or beside the lawn; ground nearer than `keptClearFt` to it is never fed. */
  water: list(
    'Water',
    yup.object({
      id: id('Water'),
      name: text('Name of the water', 80).optional(),
      cornersFt: cornersFt('Corners of the water').required('Water needs its outline.'),
      keptClearFt: num('Kept clear', { min: 0, max: 1000, unit: 'ft' }).required('Type the width that is kept clear.'),
    }),
    MOST.waters,
  ).optional(),
  /** Buildings, drives: drawn for finding one's way, never reckoned. */
  context: list(
    'Context',
    yup.object({
      id: id('Context'),
      name: text('Name', 80).optional(),
      cornersFt: cornersFt('Corners').required('It needs its outline.'),
    }),
    MOST.buildings,
  ).optional(),
  /** Longitude and latitude of the sheet's upper left corner (north is up), once a walked perimeter or a zones file has set it. */
  origin: lonLat.optional().default(undefined) as unknown as yup.Schema<[number, number] | undefined>,
  /** A plan or photograph behind the sheet, scaled by two points a known distance apart. */
  picture: yup
    .object({
      dataUrl: text('Plan picture', 6_000_000)
        .required()
        .matches(
          /^data:image\/(png|jpeg|webp);base64,[A-Za-z0-9+/=]+$/,
          'The plan picture must be a PNG, JPEG or WebP image.',
        ),
      widthPx: num('Width', { above: 0, max: 20_000 }).required(),
      heightPx: num('Height', { above: 0, max: 20_000 }).required(),
      ftPerPx: num('Scale', { above: 0, max: 1000, unit: 'ft per pixel' }).required(),
      atFt: yup.tuple([num('East, ft').required(), num('South, ft').required()]).required(),
    })
    .optional()
    .default(undefined),
});
export type Site = yup.InferType<typeof siteSchema>;

/** An analysis of the water a property is irrigated with. */
export const irrigationWaterSchema = yup.object({
  sampledOn: isoDay('Day of the water sample').optional(),
  ecw: num('Salinity of the water', { min: 0, max: 60, unit: 'dS/m' }).optional(),
  sar: num('SAR of the water', { min: 0, max: 100 }).optional(),
  hco3MeqPerL: num('Bicarbonate', { min: 0, max: 50, unit: 'meq/L' }).optional(),
  co3MeqPerL: num('Carbonate', { min: 0, max: 50, unit: 'meq/L' }).optional(),
  no3nMgPerL: num('Nitrate-N', { min: 0, max: 500, unit: 'mg/L' }).optional(),
  clMgPerL: num('Chloride', { min: 0, max: 20_000, unit: 'mg/L' }).optional(),
  bMgPerL: num('Boron', { min: 0, max: 100, unit: 'mg/L' }).optional(),
  /** Water given in a year, in. */
  inPerYear: num('Irrigation a year', { min: 0, max: 120, unit: 'in' }).optional(),
});

export type IrrigationWater = yup.InferType<typeof irrigationWaterSchema>;

export const propertySchema = yup.object({
  id: id('Property'),
  changedAt: changedAt(),
  name: text('Property name', 120).required('Give the property a name.').min(1, 'Give the property a name.'),
  latitudeDeg: num('Latitude', { min: -90, max: 90, unit: 'degrees' }).optional(),
  climate: climateSchema.optional().default(undefined),
  site: siteSchema.optional().default(undefined),
  irrigationWater: irrigationWaterSchema.optional().default(undefined),
});
export type Property = yup.InferType<typeof propertySchema>;
