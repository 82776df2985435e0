import dayjs from 'dayjs';
import utc from 'dayjs/plugin/utc';

dayjs.extend(utc);

/** How figures are shown. Rounding happens here and nowhere else. */

const MINUS = '−';

/** Half a unit in the last place of a sum, so that 0.825 + 0.825 + 0.825 shows as 2.475 would. */
const NOISE = 1e-9;

const fixed = (value: number, decimals: number): string => {
  const text = (Math.abs(value) + NOISE).toLocaleString('en-US', {
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
  });
  return value < 0 && Number(text.replaceAll(',', '')) !== 0 ? MINUS + text : text;
};

/** A nutrient rate, 0.75. */
export const showRate = (value: number): string => fixed(value, 2);
/** Product or lime per 1000: 2 decimals under 10, 1 above. */
export const showProductRate = (value: number): string => fixed(value, Math.abs(value) < 10 ? 2 : 1);
/** Weigh-out, one decimal. */
export const showWeight = (value: number): string => fixed(value, 1);
/** Area with thousands commas. */
export const showArea = (value: number): string => fixed(value, 0);
export const showMoney = (value: number): string => `$${fixed(value, 2)}`;
export const showPh = (value: number): string => fixed(value, 1);
/** As many decimals as the number needs, at most `most`: printed sums must add. */
export const showExact = (value: number, most = 4): string => {
  const text = Number(Math.abs(value).toFixed(most)).toLocaleString('en-US', { maximumFractionDigits: most });
  return value < 0 && text !== '0' ? MINUS + text : text;
};
/** Four significant digits for Workings, never in exponent form. */
export const showStep = (value: number): string =>
  Math.abs(value) >= 1000
    ? fixed(value, Math.abs(value) >= 10_000 ? 0 : 1)
    : showExact(Number(value.toPrecision(4)), 6);
/** "8 Sep". */
export const showDay = (iso: string): string => dayjs.utc(iso).format('D MMM');
/** "Tue 8 Sep". */
export const showWeekday = (iso: string): string => dayjs.utc(iso).format('ddd D MMM');
/** "8 Sep 2027". */
export const showDate = (iso: string): string => dayjs.utc(iso).format('D MMM YYYY');
/** Today on this machine, as ISO text. */
export const todayIso = (): string => dayjs().format('YYYY-MM-DD');
