import { type Refusal, refuse } from '../reckoning/refusal';

/** How a locale writes numbers: the sign before the decimals, and those between thousands. */
export interface NumberStyle {
  decimal: '.' | ',';
  /** Signs that may stand between thousands: a point, a comma, any space, an apostrophe. */
  group: string;
}

/**
 * How a locale writes numbers, as the platform knows it.
 *
 * @example numberStyle('de-DE') // { decimal: ',', group: '.' }
 */
export function numberStyle(locale: string): NumberStyle {
  const parts = new Intl.NumberFormat(locale, { numberingSystem: 'latn' }).formatToParts(12_345.6);
  return {
    decimal: parts.find((part) => part.type === 'decimal')?.value === ',' ? ',' : '.',
    group: parts.find((part) => part.type === 'group')?.value ?? ',',
  };
}

const SPACES = /[\s\u00a0\u202f]/g;

/**
 * A number as a person of a locale types it. A lone comma or point that could stand before decimals or between thousands is asked about,
 * never guessed; whoever types the other sign so that only one reading is left is understood. Empty text is undefined.
 *
 * @example readNumber('1,5', numberStyle('de-DE'), 'Rate', 'rate') // 1.5
 * @example readNumber('1,250', numberStyle('de-DE'), 'Area', 'area') // asked: one and a quarter or one thousand two hundred fifty?
 */
export function readNumber(
  text: string,
  style: NumberStyle,
  label: string,
  field: string,
): number | undefined | Refusal {
  const bare = text.trim().replaceAll('−', '-').replace(SPACES, '').replaceAll('’', '').replaceAll("'", '');
  if (bare === '') return undefined;
  const none = refuse(
    field,
    `${label} must be a number; "${text.trim().slice(0, 30)}" is not. Use digits and a ${style.decimal === ',' ? 'comma, such as 5,6' : 'point, such as 5.6'}.`,
  );
  if (!/^-?[\d.,]+$/.test(bare) || !/\d/.test(bare)) return none;
  const plain = plainOf(bare, style);
  if (plain === 'asked')
    return refuse(
      field,
      `${label}: is "${bare}" meant as "${bare.replace(/[.,]/, '.')}" or as "${bare.replace(/[.,]/, '')}"? Write it without the sign between thousands, or with all its decimals.`,
    );
  if (plain === undefined) return none;
  const value = Number(plain);
  return Number.isFinite(value) ? value : refuse(field, `${label} is too large to reckon with.`);
}

/** A text read with one sign before decimals and the other between thousands, as digits and a point; undefined where it is no number so. */
function readWith(bare: string, decimal: '.' | ','): string | undefined {
  const group = decimal === ',' ? '\\.' : ',';
  const [, sign = '', whole = '', fraction = ''] =
    new RegExp(`^(-?)(\\d{1,3}(?:${group}\\d{3})+|\\d*)(?:\\${decimal}(\\d*))?$`).exec(bare) ?? [];
  const digits = whole.replace(/[.,]/g, '');
  return digits === '' && fraction === '' ? undefined : `${sign}${digits || '0'}.${fraction || '0'}`;
}

/** Digits and a point; 'asked' where two readings are left, undefined where there is none. */
function plainOf(bare: string, { decimal }: NumberStyle): string | 'asked' | undefined {
  const own = readWith(bare, decimal);
  const others = readWith(bare, decimal === ',' ? '.' : ',');
  if (own === undefined || others === undefined || Number(own) === Number(others)) return own ?? others;
  // where points stand before decimals a comma has always parted thousands; where commas do, both are in use
  return decimal === '.' ? own : 'asked';
}
