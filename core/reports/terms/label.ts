import { distance } from 'fastest-levenshtein';
import { METHOD_HEADERS, METHOD_TABLE, methodNamed } from '../../records/methods';
import type { Method } from '../../records/vocabularies';
import { CM_PER_INCH } from '../../units/conversions';
import { type Advice, adviceIn } from './advice';
import {
  NAMES_OF,
  FACT_NAMES,
  FILLERS,
  isMass,
  KEPT_NAMES,
  type NamedAnalyte,
  onlyUnit,
  OXIDES,
  type ReportAnalyte,
  type ReportFact,
  SATURATION,
} from './names';
import { plain, wordsOf } from '../../words/plain';
import { type ReportUnit, unitIn } from './units';

/** What a label of a report is taken for. */
export type Meaning =
  | {
      kind: 'analyte';
      analyte: ReportAnalyte;
      unit?: ReportUnit;
      /** What a printed number is multiplied by: an oxide, milligrams a hundred grams, an index. */
      factor?: number;
      method?: Method;
      /** Printed as an oxide: a result only in a unit that advice never has. */
      oxide?: true;
      /** An extract that no range here is for; the file's extractant does not hold for it. */
      otherExtract?: string;
    }
  | { kind: 'fact'; fact: ReportFact; factor?: number }
  | ({ kind: 'advice' } & Advice)
  | { kind: 'kept'; why: string }
  | { kind: 'other'; why?: string };

/** What a report is of. Water and leaves share names with soil, and mean other things by them. */
export type ReportKind = 'soil' | 'water' | 'tissue';

/** How sure a reading is: certain, sure by what decides it, or a guess. */
export type Sure = 'certain' | 'sure' | 'guess';

export interface Label {
  meaning: Meaning;
  sure: Sure;
  /** What decides it, or what was guessed. */
  because?: string;
  /** Sign of a footnote behind the label. */
  mark?: string;
}

/** Why an oxide is not read: with lb an acre, or without a unit, it is as often what to spread as what was found. */
export const OXIDE_UNSURE = 'an oxide, not the element: say whether it is a result or advice';

const MARK = /\s*(?<mark>[*†‡§¶]+|[¹²³⁴⁵⁶⁷⁸⁹]+|\((?:[1-9]|[a-z])\)|\[(?:[1-9]|[a-z])\]|\^[0-9a-z])$/u;
/** Extracts that laboratories use and no range here is for. */
const OTHER_EXTRACTS: readonly [RegExp, string][] = [
  [/\bcal\b|calcium acetat lactat|acetat-lactat/, 'CAL'],
  [/\bdl\b|doppellactat|doppellaktat/, 'DL'],
  [/\bkelowna\b/, 'Kelowna'],
  [/\blancaster\b/, 'Lancaster'],
  [/\btruog\b/, 'Truog'],
  [/\bresin\b/, 'resin'],
  [/\begner\b|\bal-?lact|ammonium lactate/, 'ammonium lactate'],
  [/\bjoret\b|\bhebert\b/, 'Joret-Hebert'],
  [/\bdyer\b/, 'Dyer'],
  [/\bhaney\b|\bh3a\b/, 'H3A'],
  [/water[- ]soluble|water extract/, 'water'],
];
const STRONG_BRAY = /bray[\s-]*p?[\s-]*(2|ii)\b|\bp-?2\b|strong bray/;
/** Words of a label that may be short for a nutrient's name, at least so long. */
const SHORTEST_PREFIX = 4;
const LONG_NAMES = [...NAMES_OF.soil].filter(([name]) => name.length >= 5 && !name.includes(' '));

const analyteMeaning = (named: NamedAnalyte, rest: Partial<Extract<Meaning, { kind: 'analyte' }>>): Meaning => {
  const factor = (named.factor ?? 1) * (rest.factor ?? 1);
  return {
    kind: 'analyte',
    analyte: named.analyte,
    ...(rest.unit ? { unit: rest.unit } : {}),
    ...(factor === 1 ? {} : { factor }),
    ...((named.method ?? rest.method) ? { method: (named.method ?? rest.method) as Method } : {}),
    ...(rest.otherExtract ? { otherExtract: rest.otherExtract } : {}),
    ...(rest.oxide ? { oxide: true as const } : {}),
  };
};

/** A name inside a label whose other words change nothing in it. */
function amongWords(words: readonly string[]): NamedAnalyte | undefined {
  for (let length = Math.min(words.length, 5); length >= 1; length--)
    for (let at = 0; at + length <= words.length; at++) {
      const named = NAMES_OF[of].get(words.slice(at, at + length).join(' '));
      if (!named) continue;
      const others = [...words.slice(0, at), ...words.slice(at + length)];
      const agrees =
        NAMES_OF[of].get(others.join(' '))?.analyte === named.analyte ||
        others.every(
          (word) =>
            FILLERS.has(word) ||
            SATURATION.has(word) ||
            (named.analyte === 'pH' && WATER.has(word)) ||
            (named.analyte === 'NO3-N' && word === 'n') ||
            NAMES_OF[of].get(word)?.analyte === named.analyte,
        );
      if (agrees) {
        // Phosphorus P2O5 is the oxide, whichever of the two was found first
        const special = others.map((word) => NAMES_OF[of].get(word)).find((other) => other?.factor ?? other?.method);
        return special ?? named;
      }
    }
  return undefined;
}

/** The nearest name of an analyte by spelling: one letter off, two in long words, or its first letters. */
function nearly(words: readonly string[]): { named: NamedAnalyte; name: string } | undefined {
  const telling = words.filter((word) => !FILLERS.has(word) && word.length >= SHORTEST_PREFIX);
  if (telling.length !== 1 || words.some((word) => /\d/.test(word))) return undefined;
  const [word] = telling as [string];
  const found = LONG_NAMES.filter(
    ([name]) => name.startsWith(word) || (word.length >= 5 && distance(name, word) <= (name.length >= 8 ? 2 : 1)),
  );
  const analytes = new Set(found.map(([, { analyte }]) => analyte));
  return analytes.size === 1 ? { named: found[0]![1], name: found[0]![0] } : undefined;
}

const WATER: ReadonlySet<string> = new Set(['water', 'h2o', 'wasser', 'eau', 'agua']);

const WHOSE = /^(grower|client|customer|your|owner|farmer|submitter|sender|kunden|turf|soil) /;

const fact = (words: readonly string[]): ReportFact | undefined => {
  const whole = words.join(' ');
  const exact = FACT_NAMES.get(whole);
  // the number of a client is not the client
  if (exact || KEPT_NAMES.has(whole)) return exact;
  const bare = whole.replace(/ (no|nr|id|number|code|name|ref|reference)$/, '');
  // the grower's sample is the sample
  return FACT_NAMES.get(bare) ?? FACT_NAMES.get(bare.replace(WHOSE, '')) ?? FACT_NAMES.get(whole.replace(WHOSE, ''));
};

const CACHE_MOST = 20_000;
const cache = new Map<string, Label>();
/** Labels that a person gave a meaning, while their file is read. */
let said: ReadonlyMap<string, Label> = new Map();
/** What the report is of that is being read. */
let of: ReportKind = 'soil';

/** Reads with labels whose meaning a person has said, by their text as `plain` writes it; they stand before every guess. */
export function readingWith<T>(labels: ReadonlyMap<string, Label>, kind: ReportKind, read: () => T): T {
  const [before, ofBefore] = [said, of];
  said = labels;
  of = kind;
  try {
    return read();
  } finally {
    said = before;
    of = ofBefore;
  }
}

/**
 * Reads a label of a report: `K (ppm, Mehlich-3)`, `P_lb/acre`, `WPH`, `Kalium mg/100 g`, `Depth cm`. What it does not know has the
 * kind `other`; what it knows and nothing here judges has the kind `kept`. `advised` says that it stands under a heading of advice.
 */
export function readLabel(text: string, advised = false): Label {
  const answered = said.size > 0 ? said.get(plain(text)) : undefined;
  if (answered) return answered;
  const key = `${advised ? '!' : ''}${of === 'soil' ? '' : `${of}:`}${text}`;
  let label = cache.get(key);
  if (!label) {
    label = readAnew(text, advised);
    if (cache.size > CACHE_MOST) cache.clear();
    cache.set(key, label);
  }
  return label;
}

function readAnew(text: string, advised: boolean): Label {
  const trimmed = text
    .trim()
    .replace(/[:=]+$/, '')
    .trim();
  if (trimmed === '' || trimmed.length > 90) return { meaning: { kind: 'other' }, sure: 'guess' };
  const marked = MARK.exec(trimmed);
  const bareText = marked ? trimmed.slice(0, marked.index) : trimmed;
  const label = readBare(bareText === '' ? trimmed : bareText, advised);
  return marked?.groups?.mark ? { ...label, mark: marked.groups.mark.replace(/[()[\]^]/g, '') } : label;
}

const METHODS_OF_PH = new Set<Method>(['water-1:1', 'water-1:2', 'saturated-paste', 'cacl2']);

/** The method, or the extract that no range is for, that a text names for an analyte. */
export const extractFor = (analyte: ReportAnalyte, text: string): { method?: Method; otherExtract?: string } => {
  const words = plain(text);
  const otherExtract = isMass(analyte) ? OTHER_EXTRACTS.find(([pattern]) => pattern.test(words))?.[1] : undefined;
  return otherExtract ? { otherExtract } : methodFor(analyte, methodNamed(words));
};

/** A method that is one for this analyte; for a nutrient a method of pH or salts is an extract that no range is for. */
function methodFor(analyte: ReportAnalyte, method: Method | undefined): { method?: Method; otherExtract?: string } {
  if (!method) return {};
  const { of, name } = METHOD_TABLE[method];
  if (analyte === 'pH') return METHODS_OF_PH.has(method) ? { method } : {};
  if (analyte === 'buffer-pH') return of === 'buffer' ? { method } : {};
  if (isMass(analyte) || analyte === 'acidity')
    return of === 'nutrients' ? { method } : of === 'pH' || of === 'salts' ? { otherExtract: name } : {};
  return of === 'buffer' ? {} : { method };
}

/** In water a litre is a litre, and a part per million a milligram of it. */
const inWater = (printed: ReturnType<typeof unitIn>): ReturnType<typeof unitIn> =>
  of === 'water' && printed && (printed.unit === 'mg/dm3' || printed.unit === 'ppm')
    ? { ...printed, unit: 'mg/L' }
    : printed;

/** A name of a database's column, whose words begin with capitals: `CustSampID`, `DateRecd`. */
const IN_CAPITALS = /^(?=.*[a-z])[A-Za-z]+[a-z](?:[A-Z][a-z]+|[A-Z]{2,3})+$/;

function readBare(text: string, advised: boolean): Label {
  const label = readWords(text, advised);
  if (label.meaning.kind !== 'other' || !IN_CAPITALS.test(text)) return label;
  const parted = readWords(text.replace(/(?<=[a-z])(?=[A-Z])/g, ' '), advised);
  return parted.sure === 'guess' ? label : parted;
}

function readWords(text: string, advised: boolean): Label {
  const words = plain(text);
  const advice = adviceIn(words, advised);
  if (advice) return { meaning: { kind: 'advice', ...advice }, sure: 'certain' };
  if (STRONG_BRAY.test(words))
    return { meaning: { kind: 'kept', why: KEPT_NAMES.get('p2') as string }, sure: 'certain' };
  const whole = wordsOf(words.replace(/#(?![ ]?\/)/, ' no '));
  const exact = NAMES_OF[of].get(whole.join(' '));
  const known = fact(whole);
  if (known && !exact) return { meaning: { kind: 'fact', fact: known }, sure: 'certain' };
  const kept = KEPT_NAMES.get(whole.join(' '));
  if (kept && !exact) return { meaning: { kind: 'kept', why: kept }, sure: 'certain' };

  const method = methodNamed(words);
  const printed = inWater(unitIn(words));
  let rest = printed?.rest ?? words;
  for (const pattern of METHOD_HEADERS) rest = rest.replace(pattern, ' ');
  for (const [pattern] of OTHER_EXTRACTS) rest = rest.replace(pattern, ' ');
  if (method === 'ammonium-acetate') rest = rest.replace(/\b(d ?)?(ammonium|amonio|ammonique)\b/, ' ');
  // M.O. in percent or g/kg is organic matter; molybdenum is measured in neither
  if (printed && (printed.unit === '%' || printed.factor === 1000))
    rest = wordsOf(rest).join(' ').replace(/^mo$/, 'organic matter');
  const length = /\b(cm|in|inch|inches)\b/.exec(rest)?.[1];
  const bare = wordsOf(rest.replace(/\b(cm|in|inch|inches)\b/, ' ').replace(/\bg ?\/ ?cm[3³]/, ' '));
  const bareFact = fact(bare);
  if (bareFact === 'depthIn' || bareFact === 'basisDepthIn')
    return {
      meaning: { kind: 'fact', fact: bareFact, ...(length === 'cm' ? { factor: 1 / CM_PER_INCH } : {}) },
      sure: 'certain',
    };

  // a number with decimals belongs to no label; 0.01 M calcium chloride does
  if (/\d[.,]\d/.test(rest.replace(/0?[.,]01 ?m\b/, ' '))) return { meaning: { kind: 'other' }, sure: 'guess' };
  const tokens = wordsOf(rest).filter(
    (word) => !(method && /^([1-3]|i{1,3})$/.test(word)) && !(word === '%' && printed?.unit === '%'),
  );
  const name = tokens.join(' ');
  const byName = exact ?? NAMES_OF[of].get(name) ?? amongWords(tokens);
  const near = byName ? undefined : nearly(tokens);
  const named = byName ?? near?.named;
  if (!named) {
    const other = bareFact ?? fact(tokens);
    if (!other && isDateOfSampling(tokens))
      return { meaning: { kind: 'fact', fact: 'sampledOn' }, sure: 'guess', because: 'a date that is no other' };
    if (other) return { meaning: { kind: 'fact', fact: other }, sure: 'certain' };
    const why = KEPT_NAMES.get(name) ?? KEPT_NAMES.get(tokens.filter((t) => !FILLERS.has(t)).join(' '));
    return why ? { meaning: { kind: 'kept', why }, sure: 'certain' } : { meaning: { kind: 'other' }, sure: 'guess' };
  }
  const { analyte } = named;
  const oxide = tokens.some((token) => OXIDES.has(token));
  if (oxide && (printed?.unit === 'lb/acre' || printed?.unit === 'kg/ha'))
    return { meaning: { kind: 'other', why: OXIDE_UNSURE }, sure: 'guess' };
  const saturation =
    whole.some((word) => word === 'saturation' || word === 'sat' || word === 'bs') || /\bbase\b/.test(words);
  const unit: ReportUnit | undefined = printed?.unit ?? (saturation && isMass(analyte) ? '%' : undefined);
  const fits = unit === undefined || unitFits(analyte, unit);
  if (!fits) return { meaning: { kind: 'other', why: `${analyte} is never in ${unit}` }, sure: 'guess' };
  const because = near ? `spelled nearly like ${near.name}` : named.says;
  // g/kg of organic matter is a tenth of a percent, not a thousand ppm
  const percent = unit === 'ppm' && onlyUnit(analyte) === '%';
  return {
    meaning: analyteMeaning(named, {
      ...(oxide ? { oxide: true as const } : {}),
      ...(unit ? { unit: percent ? '%' : unit } : {}),
      ...(printed?.factor === undefined && !percent ? {} : { factor: (printed?.factor ?? 1) * (percent ? 1e-4 : 1) }),
      ...extractFor(analyte, words),
    }),
    sure: near ? 'guess' : named.says ? 'sure' : 'certain',
    ...(because ? { because } : {}),
  };
}

/** `Date in field`, `Date pulled`: a date, and none of the laboratory's own or of the order. */
const isDateOfSampling = (words: readonly string[]): boolean =>
  words.length <= 4 && words.includes('date') && words.every((word) => word === 'date' || OF_SAMPLING.has(word));
const OF_SAMPLING: ReadonlySet<string> = new Set(
  'field,in,of,the,on,pulled,pull,cored,coring,core,soil,sample,samples,cut,dug,drawn,visit,site,lawn'.split(','),
);

/** Whether a unit can be one of this analyte: a mass in soil has many, organic matter one. */
export function unitFits(analyte: ReportAnalyte, unit: ReportUnit): boolean {
  if (isMass(analyte)) return unit !== 'dS/m';
  const only = onlyUnit(analyte);
  if (analyte === 'pH' || analyte === 'buffer-pH' || analyte === 'SAR')
    return unit === 'index' || unit === 'ppm' || unit === '%' ? unit === 'index' : false;
  return (
    only === undefined ||
    only === unit ||
    (only === '%' && unit === 'ppm') ||
    (only === 'dS/m' && (unit === 'ppm' || unit === 'mg/L'))
  );
}
