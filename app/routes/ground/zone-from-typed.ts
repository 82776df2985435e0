import { type Zone, zoneSchema } from '@core/formats/case';
import { newId } from '@core/formats/new-id';
import { faultsByField } from '@core/formats/shape';
import { typedNumber } from '@core/formats/typed-number';
import { polygonArea } from '@core/ground/area-polygon';
import { rectangleArea } from '@core/ground/area-rectangle';
import { evaluate } from '@core/reckoning/define';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';

export type Measure = 'rectangle' | 'outline' | 'known';

/** A zone as typed: numbers are still text, so that nothing typed is lost when something is wrong. */
export interface TypedZone {
  id?: string;
  name: string;
  measure: Measure;
  length: string;
  width: string;
  area: string;
  corners: readonly Pair[];
  closed: boolean;
  measuredBy?: Zone['measuredBy'];
  grass?: Zone['grass'];
  texture?: Zone['texture'];
  care: NonNullable<Zone['care']>;
  clippings: NonNullable<Zone['clippings']>;
  irrigated: 'yes' | 'no';
  light: NonNullable<Zone['light']>;
  wear: NonNullable<Zone['wear']>;
  turf: NonNullable<Zone['turf']>;
  carbonates: NonNullable<Zone['carbonates']>;
  drainage: NonNullable<Zone['drainage']>;
  age: string;
  waterDistance: string;
}

export const typedFromZone = (zone: Zone | undefined): TypedZone => ({
  id: zone?.id,
  name: zone?.name ?? '',
  measure: zone?.cornersFt ? 'outline' : zone && !zone.rectangle ? 'known' : 'rectangle',
  length: zone?.rectangle ? String(zone.rectangle.lengthFt) : '',
  width: zone?.rectangle ? String(zone.rectangle.widthFt) : '',
  area: zone && !zone.rectangle && !zone.cornersFt ? String(zone.areaSqFt) : '',
  corners: (zone?.cornersFt ?? []) as unknown as Pair[],
  closed: zone?.cornersFt !== undefined,
  measuredBy: zone?.measuredBy ?? 'tape',
  grass: zone?.grass,
  texture: zone?.texture,
  care: zone?.care ?? 'standard',
  clippings: zone?.clippings ?? 'returned',
  irrigated: zone?.irrigated === false ? 'no' : 'yes',
  light: zone?.light ?? 'full-sun',
  wear: zone?.wear ?? 'light',
  turf: zone?.turf ?? 'established',
  carbonates: zone?.carbonates ?? 'unknown',
  drainage: zone?.drainage ?? 'good',
  age: zone?.ageYears === undefined ? '' : String(zone.ageYears),
  waterDistance: zone?.waterDistanceFt === undefined ? '' : String(zone.waterDistanceFt),
});

interface Measured {
  areaSqFt?: number;
  rectangle?: { lengthFt: number; widthFt: number };
  cornersFt?: Pair[];
}

/** Area from whichever way it was measured; faults by field. */
export function measure(typed: TypedZone, faults: Record<string, string>): Measured {
  const read = (text: string, label: string, field: string): number | undefined => {
    const value = typedNumber(text, label, field);
    if (isRefusal(value)) faults[field] = value.refused;
    else if (value === undefined) faults[field] = `${label} is empty: measure it and type it in feet.`;
    else if (value <= 0) faults[field] = `${label} must be above 0 ft; ${value} is not.`;
    return isRefusal(value) || faults[field] ? undefined : value;
  };
  const keep = (area: number | Refusal): number | undefined => {
    if (!isRefusal(area)) return area;
    const field = { lengthFt: 'length', widthFt: 'width', points: 'corners' }[area.field] ?? area.field;
    faults[field] = area.refused;
    return undefined;
  };
  if (typed.measure === 'rectangle') {
    const lengthFt = read(typed.length, 'Length', 'length');
    const widthFt = read(typed.width, 'Width', 'width');
    if (lengthFt === undefined || widthFt === undefined) return {};
    return { rectangle: { lengthFt, widthFt }, areaSqFt: keep(evaluate(rectangleArea, { lengthFt, widthFt })) };
  }
  if (typed.measure === 'outline') {
    if (!typed.closed) {
      faults.corners =
        typed.corners.length < 3
          ? 'Draw at least three corners, then close the outline at its start.'
          : 'The outline is open: close it at its start, or press C.';
      return {};
    }
    return {
      cornersFt: typed.corners.map((c) => [c[0], c[1]]),
      areaSqFt: keep(evaluate(polygonArea, { points: typed.corners })),
    };
  }
  const areaSqFt = typedNumber(typed.area, 'Area', 'area');
  if (isRefusal(areaSqFt)) faults.area = areaSqFt.refused;
  else if (areaSqFt === undefined) faults.area = 'Area is empty: type it in square feet.';
  return { areaSqFt: isRefusal(areaSqFt) ? undefined : areaSqFt };
}

/** Reads a typed zone. Facts that the form does not show are kept from the zone before. */
export function zoneFromTyped(
  typed: TypedZone,
  before: Zone | undefined,
  taken: readonly string[],
): { zone: Zone } | { faults: Record<string, string> } {
  const faults: Record<string, string> = {};
  const measured = measure(typed, faults);
  const number = (text: string, label: string, field: string) => {
    const value = typedNumber(text, label, field);
    if (!isRefusal(value)) return value;
    faults[field] = value.refused;
    return undefined;
  };
  const { rectangle: _rectangle, cornersFt: _corners, ...others } = before ?? ({} as Partial<Zone>);
  const candidate = {
    ...others,
    ...measured,
    id: before?.id ?? newId(typed.name, taken),
    name: typed.name.trim(),
    measuredBy: typed.measuredBy,
    grass: typed.grass,
    texture: typed.texture,
    care: typed.care,
    clippings: typed.clippings,
    irrigated: typed.irrigated === 'yes',
    light: typed.light,
    wear: typed.wear,
    turf: typed.turf,
    carbonates: typed.carbonates,
    drainage: typed.drainage,
    ageYears: number(typed.age, 'Age', 'age'),
    waterDistanceFt: number(typed.waterDistance, 'Distance to water', 'waterDistance'),
  };
  const FIELD: Record<string, string> = {
    areaSqFt: typed.measure === 'outline' ? 'corners' : typed.measure === 'rectangle' ? 'length' : 'area',
    'rectangle.lengthFt': 'length',
    'rectangle.widthFt': 'width',
    ageYears: 'age',
    waterDistanceFt: 'waterDistance',
  };
  const measuring = ['length', 'width', 'corners', 'area'].some((field) => faults[field]);
  for (const [path, sentence] of Object.entries(faultsByField(zoneSchema, candidate))) {
    if (path === 'areaSqFt' && measuring) continue;
    faults[FIELD[path] ?? path] ??= sentence;
  }
  return Object.keys(faults).length > 0 ? { faults } : { zone: candidate as Zone };
}
