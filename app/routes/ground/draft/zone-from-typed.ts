import { type Site, type Zone, zoneSchema } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { faultsByField } from '@core/records/strict-schema';
import type { QuantityId, Units } from '../../../ui/format';
import { FieldNumbers, FieldTexts, type FirstTexts } from '../../../work/typed-fields';
import type { HandTest } from '@core/ground/hand-test';
import { textureClass } from '@core/ground/texture-class';
import { groundOf } from '@core/ground/zone-ground';
import { evaluate } from '@core/reckoning/define';
import { isRefusal } from '@core/reckoning/refusal';
import { groundFromZone, measuredFrom, shapeFaults, type TypedGround } from './typed-ground';

/** What grows on a zone, on what soil, under what care: numbers are still text. */
export interface TypedFacts {
  id?: string;
  /** Version of the zone that the form was filled from. */
  changedAt?: string;
  name: string;
  measuredBy?: Zone['measuredBy'];
  grass?: Zone['grass'];
  texture?: Zone['texture'];
  sand: string;
  silt: string;
  clay: string;
  handTest?: HandTest & { on?: string };
  care: NonNullable<Zone['care']>;
  clippings: NonNullable<Zone['clippings']>;
  irrigated: 'yes' | 'no';
  light: NonNullable<Zone['light']>;
  wear: NonNullable<Zone['wear']>;
  turf: NonNullable<Zone['turf']>;
  state: NonNullable<Zone['state']>;
  /** Day of the seeding, renovation or sodding; empty is the usual day. */
  seededOn: string;
  /** The winter grass over warm-season turf, `no` where there is none, and its days as typed, month-day. */
  overseed: 'no' | NonNullable<Zone['overseed']>['grass'];
  overseedFrom: string;
  overseedTo: string;
  carbonates: NonNullable<Zone['carbonates']>;
  drainage: NonNullable<Zone['drainage']>;
  age: string;
  slope: string;
  waterDistance: string;
  lastYear: string;
  /** What the fields held when the form was filled. */
  held?: FirstTexts;
}
/** A zone as typed: facts and ground. */
export type TypedZone = TypedFacts & TypedGround;

export function factsFromZone(zone: Zone | undefined, units: Units): TypedFacts {
  const fields = new FieldTexts(units, zone?.typed);
  return {
    id: zone?.id,
    changedAt: zone?.changedAt,
    name: zone?.name ?? '',
    measuredBy: zone?.measuredBy ?? 'tape',
    grass: zone?.grass,
    texture: zone?.texture,
    sand: fields.text('sand', zone?.fractions?.sandPercent),
    silt: fields.text('silt', zone?.fractions?.siltPercent),
    clay: fields.text('clay', zone?.fractions?.clayPercent),
    handTest: zone?.handTest,
    care: zone?.care ?? 'standard',
    clippings: zone?.clippings ?? 'returned',
    irrigated: zone?.irrigated === false ? 'no' : 'yes',
    light: zone?.light ?? 'full-sun',
    wear: zone?.wear ?? 'light',
    turf: zone?.turf ?? 'established',
    state: zone?.state ?? 'established',
    seededOn: zone?.seededOn ?? '',
    overseed: zone?.overseed?.grass ?? 'no',
    overseedFrom: zone?.overseed?.from ?? '',
    overseedTo: zone?.overseed?.to ?? '',
    carbonates: zone?.carbonates ?? 'unknown',
    drainage: zone?.drainage ?? 'good',
    age: fields.text('age', zone?.ageYears),
    slope: fields.text('slope', zone?.slopePercent),
    waterDistance: fields.text('waterDistance', zone?.waterDistanceFt, 'length'),
    lastYear: fields.text('lastYear', zone?.lastYearNitrogenLb, 'nutrient-rate'),
    held: fields.first,
  };
}

export const typedFromZone = (zone: Zone | undefined, units: Units): TypedZone => ({
  ...factsFromZone(zone, units),
  ...groundFromZone(zone, units),
});

const FIELD: Record<string, string> = {
  'rectangle.lengthFt': 'length',
  'rectangle.widthFt': 'width',
  'ellipse.lengthFt': 'length',
  'ellipse.widthFt': 'width',
  'triangle.aFt': 'a',
  'triangle.bFt': 'b',
  'triangle.cFt': 'c',
  'offsets.spacingFt': 'spacing',
  'offsets.offsetsFt': 'offsets',
  cornersFt: 'corners',
  ring: 'corners',
  turnDeg: 'turn',
  'overseed.from': 'overseedFrom',
  'overseed.to': 'overseedTo',
  ageYears: 'age',
  slopePercent: 'slope',
  waterDistanceFt: 'waterDistance',
  lastYearNitrogenLb: 'lastYear',
};
const GROUND_FIELDS = ['length', 'width', 'a', 'b', 'c', 'spacing', 'offsets', 'corners', 'area', 'turn', 'cutOuts'];

/** Sand, silt and clay as typed, with the class they give; undefined where none is typed. */
export function fractionsFrom(
  typed: Pick<TypedFacts, 'sand' | 'silt' | 'clay' | 'held'>,
  faults: Record<string, string>,
  units: Units,
): { fractions: NonNullable<Zone['fractions']>; texture: Zone['texture'] } | undefined {
  if (!typed.sand.trim() && !typed.silt.trim() && !typed.clay.trim()) return undefined;
  const fields = new FieldNumbers(units, typed.held);
  const read = (field: 'sand' | 'silt' | 'clay') => {
    const value = fields.read(typed[field], { name: field, label: field[0]?.toUpperCase() + field.slice(1), field });
    if (fields.faults[field]) faults[field] = fields.faults[field];
    else if (value === undefined) faults[field] = `The laboratory’s ${field} is missing: the three add up to 100 %.`;
    return value ?? NaN;
  };
  const [sandPercent, siltPercent, clayPercent] = [read('sand'), read('silt'), read('clay')];
  if ([sandPercent, siltPercent, clayPercent].some(Number.isNaN)) return undefined;
  const texture = evaluate(textureClass, { sandPercent, siltPercent, clayPercent });
  if (isRefusal(texture)) {
    faults[{ sandPercent: 'sand', siltPercent: 'silt' }[texture.field] ?? 'clay'] = texture.refused;
    return undefined;
  }
  return { fractions: { sandPercent, siltPercent, clayPercent }, texture: texture as Zone['texture'] };
}

/** Reads a typed zone. Facts that the form does not show are kept from the zone before. */
export function zoneFromTyped(
  typed: TypedZone,
  before: Zone | undefined,
  taken: readonly string[],
  site: Site | undefined,
  units: Units,
): { zone: Zone } | { faults: Record<string, string> } {
  const faults: Record<string, string> = {};
  const { typed: typedLengths, ...measured } = measuredFrom(typed, faults, units);
  const fields = new FieldNumbers(units, typed.held, typed.typed);
  const number = (text: string, label: string, field: string, quantity?: QuantityId) => {
    const value = fields.read(text, { name: field, label, field, quantity });
    if (fields.faults[field]) faults[field] = fields.faults[field];
    return value;
  };
  const {
    rectangle: _rectangle,
    triangle: _triangle,
    ellipse: _ellipse,
    offsets: _offsets,
    cornersFt: _corners,
    ring: _ring,
    atFt: _at,
    turnDeg: _turn,
    fractions: _fractions,
    typed: _typed,
    ...others
  } = before ?? ({} as Partial<Zone>);
  const soil = fractionsFrom(typed, faults, units);
  const { handTest } = typed;
  const candidate = {
    ...others,
    ...measured,
    // one that was deleted meanwhile is not quietly stored anew: the write finds out and asks
    id: typed.id ?? newId(typed.name, taken),
    changedAt: typed.changedAt,
    name: typed.name.trim(),
    measuredBy: typed.measuredBy,
    grass: typed.grass,
    texture: soil?.texture ?? typed.texture,
    ...(soil ? { fractions: soil.fractions } : {}),
    ...(handTest?.ball ? { handTest: handTest as Zone['handTest'] } : {}),
    care: typed.care,
    clippings: typed.clippings,
    irrigated: typed.irrigated === 'yes',
    light: typed.light,
    wear: typed.wear,
    turf: typed.turf,
    state: typed.state,
    seededOn: typed.state === 'established' || typed.seededOn.trim() === '' ? undefined : typed.seededOn.trim(),
    overseed:
      typed.overseed === 'no'
        ? undefined
        : {
            grass: typed.overseed,
            from: typed.overseedFrom.trim() || undefined,
            to: typed.overseedTo.trim() || undefined,
          },
    carbonates: typed.carbonates,
    drainage: typed.drainage,
    cutOuts: typed.cutOuts.length > 0 ? [...typed.cutOuts] : undefined,
    ageYears: number(typed.age, 'Age', 'age'),
    slopePercent: number(typed.slope, 'Slope', 'slope'),
    waterDistanceFt: number(typed.waterDistance, 'Distance to water', 'waterDistance', 'length'),
    lastYearNitrogenLb: number(typed.lastYear, 'N last year', 'lastYear', 'nutrient-rate'),
  };
  const texts = { ...typedLengths, ...fields.typed };
  if (Object.keys(texts).length > 0) Object.assign(candidate, { typed: texts });
  if (GROUND_FIELDS.every((field) => !faults[field])) {
    shapeFaults(measured, faults);
    const ground = groundOf({ areaSqFt: 1, ...candidate } as Zone, site);
    if (!isRefusal(ground)) candidate.areaSqFt = measured.areaSqFt ?? ground.areaSqFt;
    else if (GROUND_FIELDS.every((field) => !faults[field])) faults.cutOuts = ground.refused;
  }
  const measuring = GROUND_FIELDS.some((field) => faults[field]);
  for (const [path, sentence] of Object.entries(faultsByField(zoneSchema, candidate))) {
    if (path === 'areaSqFt' && measuring) continue;
    const field = path === 'areaSqFt' ? (typed.measure === 'known' ? 'area' : 'corners') : path;
    faults[FIELD[field] ?? field] ??= sentence;
  }
  return Object.keys(faults).length > 0 ? { faults } : { zone: JSON.parse(JSON.stringify(candidate)) as Zone };
}
