import type { LabAdvice } from '../../records/soil-test-schema';
import { KG_PER_LB, LB_PER_TON, SQ_M_PER_1000_SQ_FT, THOUSANDS_PER_ACRE } from '../../units/conversions';
import { plain } from '../../words/plain';

/** What a laboratory would spread itself: which line of it, and what a number is multiplied by to be lb/1000 ft2. */
export interface Advice {
  of: keyof LabAdvice;
  perThousand?: number;
}

const PER_KG_PER_HA = 1 / KG_PER_LB / (10_000 / SQ_M_PER_1000_SQ_FT);
/** Units of advice, and what a number in each is in lb/1000 ft2. */
const ADVICE_UNITS: readonly [RegExp, number][] = [
  [/\btons?( (of )?[a-z ]{1,24}?)? ?(\/|per) ?a(c(re)?)?\b|\bt ?\/ ?a(c(re)?)?\b/, LB_PER_TON / THOUSANDS_PER_ACRE],
  [/\b(t|tonnes?|tons?) ?(\/|per|je|par|por) ?ha\b/, 1000 * PER_KG_PER_HA],
  [/(lbs?\.?|#|pounds?)( (of )?[a-z0-9 ]{1,24}?)? ?(\/|per) ?(1,?000|thousand|m\b|k\b|msf)/, 1],
  [/(lbs?\.?|#|pounds?)( (of )?[a-z0-9 ]{1,24}?)? ?(\/|per|an) ?a(c(re)?)?\b/, 1 / THOUSANDS_PER_ACRE],
  [/\b(dt|q|qx|quintaux|dz) ?(\/|per|je|par|por) ?ha\b/, 100 * PER_KG_PER_HA],
  [/\bkg ?(\/|per|je|par|por) ?ha\b/, PER_KG_PER_HA],
  [/\b(g|gramm?s?) ?(\/|per|je|par|por) ?(m2|m²|sq ?m|qm)\b/, SQ_M_PER_1000_SQ_FT / 1000 / KG_PER_LB],
  [/\bkg ?(\/|per|je|par|por) ?100 ?(m2|m²|sq ?m|qm)/, SQ_M_PER_1000_SQ_FT / 100 / KG_PER_LB],
];
/** What is advised; the word for it stands beside it in either order. */
const ADVISED =
  /\b(recommend(ed|ation)?s?|recom|rec|recs|advice|advised|required?|requirement|to apply|apply|application|empfehlung|kalkempfehlung|kalkbedarf|kalkgabe|bedarf|dungung|dungeempfehlung|recommandations?|conseil|apport|recomendaci(o|ó)n(es)?|aplicar|dosis|need|needed)\b/;
const SUBSTANCES: readonly [RegExp, keyof LabAdvice][] = [
  [
    /\b(ag(ricultural)? ?)?lime(stone)?\b|\b(kalk|kalkung|kalkempfehlung|kalkbedarf|kalkgabe|chaux|chaulage|cal|encalado)\b/,
    'limeLb',
  ],
  [/\bp2o5\b|\bphosphate\b|\bphosphorus\b/, 'P2O5Lb'],
  [/\bk2o\b|\bpotash\b|\bpotassium\b/, 'K2OLb'],
  [/\bnitrogen\b|\bn\b|\bstickstoff\b|\bazote\b|\bnitrogeno\b/, 'NLb'],
];

/** The unit of advice in a text, as what a number in it is in lb/1000 ft2; undefined where none is named. */
export const adviceUnitIn = (text: string): number | undefined =>
  ADVICE_UNITS.find(([unit]) => unit.test(plain(text)))?.[1];

/** A mass per thousand square feet, and lime by the ton, are nothing that a soil holds. */
const ONLY_ADVICE = /(lbs?\.?|#|pounds?) ?(\/|per) ?(1,?000|msf)|\blime(stone)?\b.*\btons?\b/;

/** Whether a line is a heading over advice: `Recommendations`, `Fertilizer recommendation`, `Düngeempfehlung`. */
export const isAdviceHeading = (text: string): boolean =>
  ADVISED.test(plain(text)) && !/\d/.test(text) && text.length < 80;

/**
 * Advice in a label: `Lime recommendation (tons/acre)` is lime at 45.9 lb/1000 ft2 a ton. Without a unit it names only what is
 * advised: lb an acre and lb per 1000 differ by forty-four times. `under` says that the label stands under a heading of advice.
 */
export function adviceIn(text: string, under = false): Advice | undefined {
  const words = plain(text);
  if (/\bindex\b/.test(words) || !(under || ADVISED.test(words) || ONLY_ADVICE.test(words))) return undefined;
  const of = SUBSTANCES.find(([word]) => word.test(words))?.[1];
  if (!of) return undefined;
  const perThousand = adviceUnitIn(words);
  return perThousand === undefined ? { of } : { of, perThousand };
}
