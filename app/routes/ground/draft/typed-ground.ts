import type { CutOut, Zone } from '@core/records/case';
import type { Units } from '../../../ui/format';
import { FieldNumbers, FieldTexts, type FirstTexts } from '../../../work/typed-fields';
import { type Measured, refuseShape } from '@core/ground/shape';
import type { Pair } from '@core/reckoning/inputs';

/** Ways to measure a zone, in the order of the tools. */
export const MEASURES = ['outline', 'rectangle', 'triangle', 'circle', 'ellipse', 'offsets', 'known'] as const;
export type Measure = (typeof MEASURES)[number];

/** A zone's ground as typed and drawn: lengths are still text, so that nothing typed is lost when something is wrong. */
export interface TypedGround {
  measure: Measure;
  length: string;
  width: string;
  a: string;
  b: string;
  c: string;
  spacing: string;
  offsets: string;
  area: string;
  turn: string;
  corners: readonly Pair[];
  closed: boolean;
  /** Longitude and latitude of a walked perimeter, as long as no corner was moved. */
  ring?: readonly (readonly [number, number])[];
  at?: Pair;
  cutOuts: readonly CutOut[];
  /** What the fields held when the form was filled. */
  shown?: FirstTexts;
  /** What of the zone was typed in other units. */
  typed?: Zone['typed'];
}

const measureOf = (zone: Zone | undefined): Measure => {
  if (!zone || zone.rectangle) return 'rectangle';
  if (zone.cornersFt) return 'outline';
  if (zone.triangle) return 'triangle';
  if (zone.ellipse) return zone.ellipse.lengthFt === zone.ellipse.widthFt ? 'circle' : 'ellipse';
  return zone.offsets ? 'offsets' : 'known';
};

export function groundFromZone(zone: Zone | undefined, units: Units): TypedGround {
  const measure = measureOf(zone);
  const fields = new FieldTexts(units, zone?.typed);
  const shown = (name: string, feet: number | undefined) => fields.text(name, feet, 'length');
  return {
    measure,
    length: shown('length', zone?.rectangle?.lengthFt ?? zone?.ellipse?.lengthFt),
    width: shown('width', zone?.rectangle?.widthFt ?? zone?.ellipse?.widthFt),
    a: shown('a', zone?.triangle?.aFt),
    b: shown('b', zone?.triangle?.bFt),
    c: shown('c', zone?.triangle?.cFt),
    spacing: shown('spacing', zone?.offsets?.spacingFt),
    offsets: zone?.offsets?.offsetsFt.map((feet, i) => shown(`offset ${i}`, feet)).join(' ') ?? '',
    area: measure === 'known' ? fields.text('area', zone?.areaSqFt, 'area') : '',
    turn: zone?.turnDeg ? fields.text('turn', zone.turnDeg) : '',
    corners: (zone?.cornersFt ?? []) as unknown as Pair[],
    closed: zone?.cornersFt !== undefined,
    ring: zone?.ring as TypedGround['ring'],
    at: zone?.atFt,
    cutOuts: zone?.cutOuts ?? [],
    shown: fields.first,
    ...(zone?.typed ? { typed: zone.typed } : {}),
  };
}

const LABELS: Record<string, string> = {
  length: 'Length',
  width: 'Width',
  a: 'Side a',
  b: 'Side b',
  c: 'Side c',
  spacing: 'Spacing',
};

/** The measured shape, as far as it can be read; what is wrong stands in `faults` by field. */
export function measuredFrom(
  typed: TypedGround,
  faults: Record<string, string>,
  units: Units,
): Measured & { areaSqFt?: number; typed?: Zone['typed'] } {
  const fields = new FieldNumbers(units, typed.shown, typed.typed);
  const shape = shapeFrom(typed, faults, fields, units);
  return { ...shape, ...(Object.keys(fields.typed).length > 0 ? { typed: fields.typed } : {}) };
}

/** One number of the ground; a fault of it goes to the faults of the form. */
function numberOf(
  fields: FieldNumbers,
  faults: Record<string, string>,
  text: string,
  about: Parameters<FieldNumbers['read']>[1],
): number | undefined {
  const value = fields.read(text, about);
  const fault = fields.faults[about.field];
  if (fault) faults[about.field] = fault;
  return value;
}

function shapeFrom(
  typed: TypedGround,
  faults: Record<string, string>,
  fields: FieldNumbers,
  units: Units,
): Measured & { areaSqFt?: number } {
  const read = (field: 'length' | 'width' | 'a' | 'b' | 'c' | 'spacing'): number | undefined => {
    const label = LABELS[field] as string;
    const value = numberOf(fields, faults, typed[field], { name: field, label, field, quantity: 'length' });
    if (faults[field]) return undefined;
    if (value === undefined) faults[field] = `${label} is empty: measure it and type it in ${units.lengthInWords()}.`;
    else if (value <= 0)
      faults[field] = `${label} must be above 0 ${units.unit('length')}; ${units.field('length', value)} is not.`;
    return faults[field] ? undefined : value;
  };
  const turn = numberOf(fields, faults, typed.turn, { name: 'turn', label: 'Turned by', field: 'turn' });
  const place = {
    ...(typed.at ? { atFt: typed.at } : {}),
    ...(typeof turn === 'number' && turn !== 0 ? { turnDeg: turn } : {}),
  };
  const [length, width] = ['rectangle', 'ellipse'].includes(typed.measure)
    ? [read('length'), read('width')]
    : typed.measure === 'circle'
      ? [read('length'), undefined]
      : [];
  switch (typed.measure) {
    case 'rectangle':
      return length === undefined || width === undefined
        ? {}
        : { rectangle: { lengthFt: length, widthFt: width }, ...place };
    case 'circle':
      return length === undefined ? {} : { ellipse: { lengthFt: length, widthFt: length }, ...place };
    case 'ellipse':
      return length === undefined || width === undefined
        ? {}
        : { ellipse: { lengthFt: length, widthFt: width }, ...place };
    case 'triangle': {
      const [a, b, c] = [read('a'), read('b'), read('c')];
      return a === undefined || b === undefined || c === undefined
        ? {}
        : { triangle: { aFt: a, bFt: b, cFt: c }, ...place };
    }
    case 'offsets': {
      const spacing = read('spacing');
      const offsets = readOffsets(typed.offsets, faults, fields, units);
      return spacing === undefined || offsets === undefined
        ? {}
        : { offsets: { spacingFt: spacing, offsetsFt: offsets }, ...place };
    }
    case 'outline':
      if (typed.closed)
        return {
          cornersFt: typed.corners.map((c): Pair => [c[0], c[1]]),
          ...(typed.ring ? { ring: typed.ring } : {}),
        };
      faults.corners =
        typed.corners.length < 3
          ? 'Draw at least three corners, then close the outline at its start.'
          : 'The outline is open: close it at its start, or press C.';
      return {};
    case 'known': {
      const areaSqFt = numberOf(fields, faults, typed.area, {
        name: 'area',
        label: 'Area',
        field: 'area',
        quantity: 'area',
      });
      if (areaSqFt === undefined && !faults.area)
        faults.area = `Area is empty: type it in square ${units.lengthInWords()}.`;
      return areaSqFt === undefined ? {} : { areaSqFt };
    }
  }
}

/** Offsets as a person writes them down: numbers with spaces, commas or new lines between. */
function readOffsets(
  text: string,
  faults: Record<string, string>,
  fields: FieldNumbers,
  units: Units,
): number[] | undefined {
  const words = units
    .withPoints(text)
    .split(/[\s;,]+/)
    .filter(Boolean);
  if (words.length < 2) {
    faults.offsets = 'Type at least two distances across, with spaces between; 0 where the lawn ends in a point.';
    return undefined;
  }
  const values: number[] = [];
  for (const [i, word] of words.entries()) {
    const value = numberOf(fields, faults, word, {
      name: `offset ${i}`,
      label: `Offset ${i + 1}`,
      field: 'offsets',
      quantity: 'length',
    });
    if (faults.offsets) return undefined;
    if (value === undefined || value < 0) faults.offsets = `Offset ${i + 1} must be 0 or more.`;
    else values.push(value);
  }
  return faults.offsets ? undefined : values;
}

const FIELD_OF: Record<string, string> = {
  lengthFt: 'length',
  widthFt: 'width',
  aFt: 'a',
  bFt: 'b',
  cFt: 'c',
  offsetsFt: 'offsets',
  spacingFt: 'spacing',
  points: 'corners',
  ring: 'corners',
};

/** Puts what the area formula refuses beside the field it is about. */
export function shapeFaults(measured: Measured, faults: Record<string, string>): void {
  const wrong = refuseShape(measured);
  if (wrong) faults[FIELD_OF[wrong.field] ?? wrong.field] ??= wrong.refused;
}
