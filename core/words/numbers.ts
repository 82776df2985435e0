/**
 * Numbers to text, once. Everything that prints a number comes here, so that 0.825 + 0.825 + 0.825 shows as 2.475 would, and
 * nothing prints "-0.00". `toFixed`, `toPrecision` and `toLocaleString` are forbidden elsewhere.
 */

const MINUS = '−';

/** Half a unit in the last place of a sum. */
const NOISE = 1e-9;

const unsigned = (value: number, decimals: number): string => (Math.abs(value) + NOISE).toFixed(decimals);

/** So many decimals, for files, sentences and drawings, with the hyphen as minus. fixed(0.825 * 3, 2) is '2.48', fixed(-0.001, 2) is '0.00'. */
export const fixed = (value: number, decimals: number): string => {
  const text = unsigned(value, decimals);
  return value < 0 && Number(text) !== 0 ? `-${text}` : text;
};

/** The number that `fixed` shows. roundedTo(0.1 + 0.2, 2) is 0.3. */
export const roundedTo = (value: number, decimals: number): number => Number(fixed(value, decimals));

/** At most so many decimals, and no zeros at the end. trimmed(2.5, 2) is '2.5'. */
export const trimmed = (value: number, most: number): string => String(roundedTo(value, most));

/** Two decimals, as labels and scales have them. two(0.825 * 3) is '2.48'. */
export const two = (value: number): string => fixed(value, 2);

/** The number to so many significant digits. significant(0.0123456, 3) is 0.0123. */
export const significant = (value: number, digits: number): number => Number(value.toPrecision(digits));

/** Three significant digits, as a laboratory's figures bear. threeDigits(0.0123456) is '0.0123'. */
export const threeDigits = (value: number): string => String(significant(value, 3));

/** A count or an amount with commas at the thousands, as pages show it. grouped(7308, 0) is '7,308'. */
export const grouped = (value: number, decimals: number): string => {
  const text = (Math.abs(value) + NOISE).toLocaleString('en-US', {
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
  });
  return value < 0 && Number(text.replaceAll(',', '')) !== 0 ? MINUS + text : text;
};

/** A nutrient rate, 0.75. */
export const showRate = (value: number): string => grouped(value, 2);
/** Product or lime per 1000: 2 decimals under 10, 1 above. */
export const showProductRate = (value: number): string => grouped(value, Math.abs(value) < 10 ? 2 : 1);
/** Weigh-out, one decimal. */
export const showWeight = (value: number): string => grouped(value, 1);
/** Area with thousands commas. */
export const showArea = (value: number): string => grouped(value, 0);
export const showMoney = (value: number): string => `$${grouped(value, 2)}`;
export const showPh = (value: number): string => grouped(value, 1);
/** As many decimals as the number needs, at most `most`: printed sums must add. */
export const showExact = (value: number, most = 4): string => {
  const text = Number(unsigned(value, most)).toLocaleString('en-US', { maximumFractionDigits: most });
  return value < 0 && text !== '0' ? MINUS + text : text;
};
/** Four significant digits for Workings, never in exponent form. */
export const showStep = (value: number): string =>
  Math.abs(value) >= 1000 ? grouped(value, Math.abs(value) >= 10_000 ? 0 : 1) : showExact(significant(value, 4), 6);
