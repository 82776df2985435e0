import { type IsoDay, inMonthDaySpan } from '../../days/day';
import { slowShare } from '../../nitrogen/forms';
import type { LocalCode, Product } from '../../records/case';

/** What local codes ask, read once: every stage that keeps to a code asks here. The strictest of several codes holds. */

export const CODE_NUTRIENTS = ['N', 'P2O5', 'K2O'] as const;
export type CodeNutrient = (typeof CODE_NUTRIENTS)[number];

/** Nothing is spread nearer than this to water where no code says more, ft. Common practice. */
export const USUAL_SETBACK_FT = 10;

/**
 * Whether a code closes a day for a nutrient. Spans may wrap the new year; both ends are closed.
 *
 * @example closesDay({ id: 'c', closed: [{ from: '12-01', to: '02-28', nutrients: ['N'] }] }, 'N', '2027-01-15') // true
 */
export const closesDay = (code: LocalCode, nutrient: CodeNutrient, day: IsoDay): boolean =>
  (code.closed ?? []).some(
    (span) => span.nutrients.includes(nutrient) && inMonthDaySpan(day.slice(5), span.from, span.to),
  );

/** The first code that closes a day for one of the nutrients, and which; undefined where the day is open to all of them. */
export function closingCode(
  codes: readonly LocalCode[],
  nutrients: readonly CodeNutrient[],
  day: IsoDay,
): { code: LocalCode; nutrient: CodeNutrient } | undefined {
  for (const code of codes) {
    const nutrient = nutrients.find((each) => closesDay(code, each, day));
    if (nutrient) return { code, nutrient };
  }
  return undefined;
}

/** Nutrients of something that a code may close days for: 24-0-11 is held by N and K2O. */
export const codeNutrientsOf = (brings: Partial<Record<CodeNutrient, number | undefined>>): CodeNutrient[] =>
  CODE_NUTRIENTS.filter((each) => (brings[each] ?? 0) > 0);

/** The strictest yearly cap of the codes that hold here, lb N/1000 ft2; undefined where none sets one. */
export const codeYearCap = (codes: readonly LocalCode[]): number | undefined =>
  codes.reduce<number | undefined>(
    (least, c) => (c.maxNPerYear === undefined ? least : Math.min(least ?? Infinity, c.maxNPerYear)),
    undefined,
  );

/** The strictest cap of one dose, lb N/1000 ft2; Infinity where none sets one. */
export const codeDoseCap = (codes: readonly LocalCode[], key: 'maxTotalNPerDose' | 'maxSolubleNPerDose'): number =>
  Math.min(Infinity, ...codes.map((c) => c[key] ?? Infinity));

/** Share of each dose's nitrogen that the codes want slow, percent; 0 where none asks. */
export const codeLeastSlowPercent = (codes: readonly LocalCode[]): number =>
  Math.max(0, ...codes.map((c) => c.leastSlowPercent ?? 0));

/** Least slow share that the codes ask of a dose on a day, percent: the general share, or one that holds by date (D4). */
export const codeSlowPercentOn = (codes: readonly LocalCode[], day: IsoDay): number =>
  Math.max(
    codeLeastSlowPercent(codes),
    ...codes.flatMap((c) =>
      (c.slow ?? [])
        .filter((span) => inMonthDaySpan(day.slice(5), span.from, span.to))
        .map((span) => span.leastSlowPercent),
    ),
  );

/** Whether a product's nitrogen is too fast for the codes on a day (D4). */
export const tooFastForCode = (codes: readonly LocalCode[], product: Product, day: IsoDay): boolean =>
  (product.guaranteed.N ?? 0) > 0 && slowShare(product) * 100 < codeSlowPercentOn(codes, day) - 1e-9;

/** An allowance of a code that opens a closed day to somebody with a little nitrogen (D4); undefined where none does. */
export const allowanceOn = (code: LocalCode, day: IsoDay): { mostLbN: number } | undefined => {
  const found = (code.allowances ?? []).find(
    (each) =>
      inMonthDaySpan(day.slice(5), each.from, each.to) &&
      (each.who === 'anyone' || code.who === undefined || each.who === code.who),
  );
  return found && { mostLbN: found.maxTotalNPerDose };
};

/**
 * What closes a day to something that brings nutrients: the first code and nutrient for which no allowance opens it; undefined where it may go
 * down. A code may open a closed day to licensed work with a little nitrogen (D4).
 *
 * @param brings lb nutrient/1000 ft2
 */
export function closedTo(
  codes: readonly LocalCode[],
  brings: Partial<Record<CodeNutrient, number | undefined>>,
  day: IsoDay,
): { code: LocalCode; nutrient: CodeNutrient } | undefined {
  for (const code of codes)
    for (const nutrient of codeNutrientsOf(brings)) {
      if (!closesDay(code, nutrient, day)) continue;
      const allowed = nutrient === 'N' ? allowanceOn(code, day) : undefined;
      if (!allowed || (brings.N ?? 0) > allowed.mostLbN + 1e-9) return { code, nutrient };
    }
  return undefined;
}

/** Whether the codes ask for a soil test before phosphorus (D4). */
export const phosphorusNeedsTest = (codes: readonly LocalCode[]): boolean => codes.some((c) => c.phosphorusNeedsTest);

/** Distance to water within which nothing is spread, ft: the widest of the codes, and never under common practice. */
export const setbackFt = (codes: readonly LocalCode[]): number =>
  Math.max(USUAL_SETBACK_FT, ...codes.map((c) => c.setbackFt ?? 0));
