import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';
import { areAlike, inUnit, type UnitId } from '../units/table';
import { type NumberStyle, readNumber } from './number-style';

/** A quantity as it was typed: the number in the core's unit, and the person's own words for it. */
export interface TypedQuantity {
  value: number;
  text: string;
  unit: UnitId;
}

const FRACTIONS: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** How people write units behind a number, to their names in the table. */
const SUFFIXES: Readonly<Record<string, UnitId>> = {
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  '′': 'ft',
  yd: 'yd',
  mile: 'mile',
  miles: 'mile',
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  km: 'km',
  ft2: 'ft2',
  sqft: 'ft2',
  'sq ft': 'ft2',
  'ft²': 'ft2',
  acre: 'acre',
  acres: 'acre',
  m2: 'm2',
  'm²': 'm2',
  'sq m': 'm2',
  ha: 'ha',
  oz: 'oz',
  lb: 'lb',
  lbs: 'lb',
  ton: 'ton',
  tons: 'ton',
  g: 'g',
  kg: 'kg',
  t: 't',
  'fl oz': 'fl oz',
  qt: 'qt',
  gal: 'gal',
  ml: 'mL',
  l: 'L',
  'lb/1000 ft2': 'lb/1000 ft2',
  'lb/1000': 'lb/1000 ft2',
  'lb/acre': 'lb/acre',
  'g/m2': 'g/m2',
  'g/m²': 'g/m2',
  'kg/ha': 'kg/ha',
  'kg/100 m2': 'kg/100 m2',
  'gal/1000 ft2': 'gal/1000 ft2',
  'gal/1000': 'gal/1000 ft2',
  'fl oz/1000 ft2': 'fl oz/1000 ft2',
  'fl oz/1000': 'fl oz/1000 ft2',
  'l/100 m2': 'L/100 m2',
  'ml/100 m2': 'mL/100 m2',
  'in/h': 'in/h',
  'mm/h': 'mm/h',
  mph: 'mph',
  'km/h': 'km/h',
  'm/s': 'm/s',
  f: 'deg F',
  'deg f': 'deg F',
  '°f': 'deg F',
  c: 'deg C',
  'deg c': 'deg C',
  '°c': 'deg C',
  'lb/gal': 'lb/gal',
  'kg/l': 'kg/L',
  psi: 'psi',
  kpa: 'kPa',
  bar: 'bar',
};

/** A number that may be whole, decimal or a fraction, as rules and tapes have it: 1 1/2, 1/2. */
function amount(text: string, style: NumberStyle, label: string, field: string): number | undefined | Refusal {
  const spelled = text.replace(/[½⅓⅔¼¾⅛⅜⅝⅞]/g, (sign) => ` ${FRACTIONS[sign] ?? ''}`).trim();
  const mixed = /^(-?)(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(spelled);
  if (!mixed) return readNumber(text, style, label, field);
  const [, sign, whole = '0', above = '0', below = '1'] = mixed;
  if (Number(below) === 0) return refuse(field, `${label}: nothing can be parted into ${below}.`);
  return (sign === '-' ? -1 : 1) * (Number(whole) + Number(above) / Number(below));
}

/**
 * A quantity as a person types it: a number in the unit that is shown, or with a unit of its own behind it, which may be any that
 * measures the same. Feet and inches together are a length. Empty text is undefined.
 *
 * @param shown the unit a bare number is meant in
 * @param core the unit the core reckons in
 * @example typedQuantity('12 kg', { shown: 'lb', core: 'lb', … })?.value // 26.455…
 * @example typedQuantity("3' 6\"", { shown: 'ft', core: 'ft', … })?.value // 3.5
 */
export function typedQuantity(
  text: string,
  {
    shown,
    core,
    style,
    label,
    field,
  }: { shown: UnitId; core: UnitId; style: NumberStyle; label: string; field: string },
): TypedQuantity | undefined | Refusal {
  const bare = text.trim();
  if (bare === '') return undefined;
  const feetAndInches = /^(\d+)\s*(?:'|′|ft)\s*(\d+(?:[.,]\d+)?(?:\s*\d+\/\d+|[½⅓⅔¼¾⅛⅜⅝⅞])?)\s*(?:"|″|in)?$/.exec(bare);
  if (feetAndInches && areAlike('ft', core)) {
    const inches = amount(feetAndInches[2] as string, style, label, field);
    if (isRefusal(inches)) return inches;
    const feet = Number(feetAndInches[1]) + (inches ?? 0) / 12;
    return { value: inUnit(feet, 'ft', core), text: bare, unit: 'ft' };
  }
  const [, figures = '', suffix = ''] = /^([-−]?[\d.,\s\u00a0\u202f½⅓⅔¼¾⅛⅜⅝⅞]*(?:\/\s*\d+)?)\s*(.*)$/.exec(bare) ?? [];
  const named = suffix.replace(/\.$/, '').trim().toLowerCase();
  const unit = named === '' ? shown : SUFFIXES[named];
  if (unit === undefined)
    return refuse(
      field,
      `${label} must be a number, alone or with a unit behind it such as ${shown}; "${bare.slice(0, 30)}" is not.`,
    );
  if (!areAlike(unit, core))
    return refuse(
      field,
      `${label} is not measured in ${unit}: write it in ${shown}, or in any other unit of its kind.`,
    );
  const value = amount(figures, style, label, field);
  if (value === undefined) return refuse(field, `${label}: the number is missing before ${suffix}.`);
  return isRefusal(value) ? value : { value: inUnit(value, unit, core), text: bare, unit };
}
