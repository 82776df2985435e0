import type { CutOut, Zone } from '@core/records/case';
import { typedNumber } from '@core/typed/typed-number';
import { type Measured, refuseShape } from '@core/ground/shape';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal } from '@core/reckoning/refusal';
import { trimmed } from '@core/words/numbers';

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
}

/** A length of four digits after the point is finer than any tape. */
const shown = (feet: number | undefined): string => (feet === undefined ? '' : trimmed(feet, 4));

const measureOf = (zone: Zone | undefined): Measure => {
  if (!zone || zone.rectangle) return 'rectangle';
  if (zone.cornersFt) return 'outline';
  if (zone.triangle) return 'triangle';
  if (zone.ellipse) return zone.ellipse.lengthFt === zone.ellipse.widthFt ? 'circle' : 'ellipse';
  return zone.offsets ? 'offsets' : 'known';
};

export function groundFromZone(zone: Zone | undefined): TypedGround {
  const measure = measureOf(zone);
  return {
    measure,
    length: shown(zone?.rectangle?.lengthFt ?? zone?.ellipse?.lengthFt),
    width: shown(zone?.rectangle?.widthFt ?? zone?.ellipse?.widthFt),
    a: shown(zone?.triangle?.aFt),
    b: shown(zone?.triangle?.bFt),
    c: shown(zone?.triangle?.cFt),
    spacing: shown(zone?.offsets?.spacingFt),
    offsets: zone?.offsets?.offsetsFt.map(shown).join(' ') ?? '',
    area: measure === 'known' ? shown(zone?.areaSqFt) : '',
    turn: zone?.turnDeg ? shown(zone.turnDeg) : '',
    corners: (zone?.cornersFt ?? []) as unknown as Pair[],
    closed: zone?.cornersFt !== undefined,
    ring: zone?.ring as TypedGround['ring'],
    at: zone?.atFt,
    cutOuts: zone?.cutOuts ?? [],
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
export function measuredFrom(typed: TypedGround, faults: Record<string, string>): Measured & { areaSqFt?: number } {
  const read = (field: 'length' | 'width' | 'a' | 'b' | 'c' | 'spacing'): number | undefined => {
    const label = LABELS[field] as string;
    const value = typedNumber(typed[field], label, field);
    if (isRefusal(value)) faults[field] = value.refused;
    else if (value === undefined) faults[field] = `${label} is empty: measure it and type it in feet.`;
    else if (value <= 0) faults[field] = `${label} must be above 0 ft; ${value} is not.`;
    return isRefusal(value) || faults[field] ? undefined : value;
  };
  const turn = typedNumber(typed.turn, 'Turned by', 'turn');
  if (isRefusal(turn)) faults.turn = turn.refused;
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
      const offsets = readOffsets(typed.offsets, faults);
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
      const areaSqFt = typedNumber(typed.area, 'Area', 'area');
      if (isRefusal(areaSqFt)) faults.area = areaSqFt.refused;
      else if (areaSqFt === undefined) faults.area = 'Area is empty: type it in square feet.';
      return isRefusal(areaSqFt) || areaSqFt === undefined ? {} : { areaSqFt };
    }
  }
}

/** Offsets as a person writes them down: numbers with spaces, commas or new lines between. */
function readOffsets(text: string, faults: Record<string, string>): number[] | undefined {
  const words = text.split(/[\s;,]+/).filter(Boolean);
  if (words.length < 2) {
    faults.offsets = 'Type at least two distances across, with spaces between; 0 where the lawn ends in a point.';
    return undefined;
  }
  const values: number[] = [];
  for (const [i, word] of words.entries()) {
    const value = typedNumber(word, `Offset ${i + 1}`, 'offsets');
    if (isRefusal(value)) faults.offsets = value.refused;
    else if (value === undefined || value < 0) faults.offsets = `Offset ${i + 1} must be 0 ft or more.`;
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
