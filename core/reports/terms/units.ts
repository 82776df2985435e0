import type { SoilResult } from '../../records/soil-test-schema';
import { plain } from '../../words/plain';

export type ReportUnit = NonNullable<SoilResult['unit']> | 'meq/L' | 'mg/L';

/** A unit as a laboratory prints it: ours, and what a number in theirs is multiplied by to be in ours. */
export interface PrintedUnit {
  unit: ReportUnit;
  factor?: number;
}

/** `per` of units: a slash, the word, or an exponent behind. */
const PER = String.raw`\s*(?:\/|\bper\b|\bje\b|\bpar\b|\bpor\b)\s*`;
const over = (above: string, below: string): string =>
  `(?:${above}${PER}${below}\\b|${above}\\s*${below}\\s*\\^?-\\s?1\\b)`;
const LB = String.raw`(?:\blbs?\.?|#|\bpounds?)`;
const CHARGE = String.raw`\b(?:c?mol(?:\s?\(\+\)|c|\+)?|meq|me|mval|m\.?e\.?q\.?)`;

/**
 * Units by how they are written, tried in order: the longer before the shorter it holds. Factors are exact, mg/dm3 and mg/L of soil are
 * brought to ppm later by the scoop; mmol of charge is a tenth of cmol.
 */
const UNITS: readonly [RegExp, PrintedUnit][] = (
  [
    [over(LB, String.raw`1,?000\s*(?:sq\.?|ft)`), { unit: 'ppm', factor: Number.NaN }],
    [over(String.raw`\bmg`, String.raw`100\s?g(?:r)?`), { unit: 'ppm', factor: 10 }],
    [over(String.raw`\b(?:cmol(?:\s?\(\+\)|c|\+)?)`, 'kg'), { unit: 'cmolc/kg' }],
    [over(String.raw`\b(?:mmol(?:\s?\(\+\)|c|\+)?|meq)`, 'kg'), { unit: 'cmolc/kg', factor: 0.1 }],
    [over(CHARGE, String.raw`100\s?(?:gr?|cc|cm3|ml)`), { unit: 'cmolc/kg' }],
    [over(String.raw`\bg`, String.raw`100\s?g`), { unit: '%' }],
    [over(String.raw`\b(?:meq|mmolc?|me)`, String.raw`l(?:iter|itre)?`), { unit: 'meq/L' }],
    [over(String.raw`\bmg`, 'kg'), { unit: 'ppm' }],
    [over(String.raw`\bu[gc]`, 'g'), { unit: 'ppm' }],
    [over(String.raw`\bg`, 'kg'), { unit: 'ppm', factor: 1000 }],
    [over(String.raw`\bmg`, String.raw`(?:dm3|dm³|l|liter|litre|cm3)`), { unit: 'mg/dm3' }],
    [over(LB, String.raw`a(?:c(?:re)?)?`), { unit: 'lb/acre' }],
    [String.raw`\blbs?\s?ac?\s?-1|\bpp2m\b|\blba\b`, { unit: 'lb/acre' }],
    [over(String.raw`\bkg`, 'ha'), { unit: 'kg/ha' }],
    [over(String.raw`\bus`, 'cm'), { unit: 'dS/m', factor: 0.001 }],
    [over(String.raw`\bumhos?`, 'cm'), { unit: 'dS/m', factor: 0.001 }],
    [over(String.raw`\bms`, 'm'), { unit: 'dS/m', factor: 0.01 }],
    [over(String.raw`\bms`, 'cm'), { unit: 'dS/m' }],
    [over(String.raw`\bds`, 'm'), { unit: 'dS/m' }],
    [String.raw`\bmmhos?(?:\s*\/?\s*cm)?\b`, { unit: 'dS/m' }],
    [String.raw`\bppm\b|\bparts per million\b`, { unit: 'ppm' }],
    [String.raw`%|\bpercent\b|\bpct\b|\bprozent\b|\bpour cent\b|\bpor ciento\b`, { unit: '%' }],
    [String.raw`\bindex\b`, { unit: 'index' }],
  ] as [string, PrintedUnit][]
).map(([pattern, unit]) => [new RegExp(pattern), unit]);

/** A unit in a laboratory's own words, with the text it was found in taken out; undefined where none is named. */
export function unitIn(text: string): (PrintedUnit & { rest: string }) | undefined {
  const words = plain(text).replaceAll('³', '3');
  for (const [pattern, unit] of UNITS) {
    const found = pattern.exec(words);
    // a mass per thousand square feet is what one spreads, not what a soil holds
    if (found) return Number.isNaN(unit.factor) ? undefined : { ...unit, rest: words.replace(pattern, ' ').trim() };
  }
  return undefined;
}

/** Whether a cell holds a unit and nothing else: `ppm`, `(mg/kg)`, `lb/A`. */
export function isUnitOnly(text: string): boolean {
  const found = unitIn(text);
  return found !== undefined && found.rest.replace(/[()[\]{},.;: ]|\b(in|of|as|n|p|k)\b/g, '') === '';
}
