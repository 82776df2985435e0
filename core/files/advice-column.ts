import { THOUSANDS_PER_ACRE } from '../units/conversions';
import type { Fact } from './report-header';

/** Columns in which a laboratory says what it would spread itself, brought to lb/1000 ft2. */

const LB_PER_TON = 2000;
/** Units of advice, and what a number in each is in lb/1000 ft2; one that names none is not read. */
const ADVICE_UNITS: readonly [RegExp, number][] = [
  [/\btons? ?(\/|per) ?a(c(re)?)?\b|\bt ?\/ ?a(c(re)?)?\b/, LB_PER_TON / THOUSANDS_PER_ACRE],
  [/(lbs?|#|pounds) ?(\/|per) ?a(c(re)?)?\b/, 1 / THOUSANDS_PER_ACRE],
  [/(lbs?|#|pounds) ?(\/|per) ?(1,?000|m\b|k\b)/, 1],
];
/** What is advised; the word for it stands beside it in either order. */
const ADVISED = /\b(recommend(ed|ation)?s?|rec|recs|advice|advised|required?|requirement|to apply|apply)\b/;
const SUBSTANCES: readonly [RegExp, Extract<Fact, 'limeLb' | 'NLb' | 'P2O5Lb' | 'K2OLb'>][] = [
  [/\b(ag(ricultural)? ?)?lime(stone)?\b/, 'limeLb'],
  [/\bp2o5\b|\bphosphate\b/, 'P2O5Lb'],
  [/\bk2o\b|\bpotash\b/, 'K2OLb'],
  [/\bnitrogen\b|\bn\b/, 'NLb'],
];

/**
 * A header of advice, or undefined: `Lime recommendation (tons/acre)` is lime at 45.9 lb/1000 ft2 a ton. Advice without a unit is
 * left aside with its reason: lb an acre and lb per 1000 differ by forty-four times.
 */
export function adviceColumn(
  text: string,
): { kind: 'fact'; fact: Fact; scale: number } | { kind: 'other'; why: string } | undefined {
  if (!ADVISED.test(text) || /\bindex\b/.test(text)) return undefined;
  const substance = SUBSTANCES.find(([word]) => word.test(text))?.[1];
  if (!substance) return undefined;
  const scale = ADVICE_UNITS.find(([unit]) => unit.test(text))?.[1];
  return scale === undefined
    ? { kind: 'other', why: 'advice without a unit: say lb per 1000 ft2, lb per acre or tons per acre in the header' }
    : { kind: 'fact', fact: substance, scale };
}
