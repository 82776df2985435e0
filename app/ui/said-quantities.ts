import type { QuantityId } from './format';

/**
 * Quantities within the sentences of the core, which are written in US units: 'One day brings 1.10 lb soluble N per 1000'. The core writes
 * every amount with its unit behind it, and these are the ways it writes them; whoever reads other units gets the amount in those. Laboratory
 * units, lb/acre among them, are a report's own and stay as they are printed.
 */

/** An amount of a sentence: its numbers, what they measure, and of what. */
export interface SaidQuantity {
  quantity: QuantityId;
  /** What is measured: 'soluble N', 'of water'. */
  of: string;
  /** Whether the area stands with it, where it is one on an area. */
  withArea: boolean;
}

const NUMBER = String.raw`(?:\d{1,3}(?:,\d{3})+|\d+)(?:\.\d+)?(?: \d/\d)?`;
/** Between two numbers of one unit: '0 to 2 in', '0.75 of 1.00 lb N', '0-4 in'. */
const BETWEEN = String.raw`(?: to | of | or | and |–|-)`;
const PER_AREA = String.raw`(?: per 1000(?: sq ft| ft2)?|/1000 ft2)`;
const NUTRIENT = String.raw`(?:Ca|Mg|Fe|Mn|Zn|Cu|Na|Cl|N|P2O5|K2O|P|K|S|B)`;

/** Ways an amount is written, the more particular first. Each has the groups `of` and, on an area, `area`. */
const WAYS: readonly (readonly [RegExp, QuantityId | ((withArea: boolean) => QuantityId)])[] = [
  [
    new RegExp(` lb(?<of> (?:(?:free|soluble|slow|fast|ammonium|total) )?${NUTRIENT}\\b)(?<area>${PER_AREA})?`),
    'nutrient-rate',
  ],
  [
    new RegExp(
      ` lb(?<of> (?:of )?(?:(?:hydrated|free|elemental) )?(?:CaCO3|lime|gypsum|sulfur|salt|sodium nitrate)\\b)(?<area>${PER_AREA})?`,
    ),
    'material-rate',
  ],
  [
    new RegExp(` lb(?<of> (?:of )?product)?(?<area>${PER_AREA})?(?! of soil)(?!/| an acre|\\w)`),
    (withArea) => (withArea ? 'product-rate' : 'weight'),
  ],
  [
    new RegExp(` fl oz(?<of> (?:of )?[a-z]+)?(?<area>${PER_AREA})?`),
    (withArea) => (withArea ? 'liquid-rate' : 'bottle'),
  ],
  [
    new RegExp(` oz(?<of> (?:(?:of )?product|${NUTRIENT}\\b))?(?<area>${PER_AREA})?`),
    (withArea) => (withArea ? 'trace-rate' : 'small-weight'),
  ],
  [
    new RegExp(` gal(?<of> of (?:water|finished spray))?(?<area>${PER_AREA})?\\b`),
    (withArea) => (withArea ? 'carrier' : 'volume'),
  ],
  [/ (?:deg F|°F)(?= (?:under|over|warmer|cooler) the)/, 'temperature-difference'],
  [/ (?:deg F|°F)/, 'temperature'],
  [/ (?:sq ft|ft2)/, 'area'],
  [/ miles?\b/, 'distance'],
  [/ ft(?= (?:higher|lower))/, 'height'],
  [/ ft\b/, 'length'],
  [/ in\/h/, 'rain-rate'],
  [/ lb\/gal/, 'liquid-density'],
  [/ mph/, 'speed'],
  // ' in ' is more often a word than a unit
  [
    /(?<! acre in 6 2\/3) in(?=[.,;:)]|$| (?:of|deep|core|cores|sample|alone|within|a week|a month|an hour|with|to|or|is)\b)/,
    'depth',
  ],
];

/** A number as a sentence of the core has it. numberOf('1,250.5') is 1250.5, numberOf('6 2/3') is 6.666… */
export const numberOf = (text: string): number => {
  const [whole = '', above, below] = text.replaceAll(',', '').replace('−', '-').split(/[ /]/);
  return Number(whole) + (above ? Number(above) / Number(below) : 0);
};

/** What a group of the ways stands in the joined pattern as. */
const named = (pattern: RegExp, at: number) =>
  pattern.source.replaceAll('?<of>', `?<of${at}>`).replaceAll('?<area>', `?<area${at}>`);
const PATTERN = new RegExp(
  String.raw`(?<![\w.,/−-])(?:(?<amounts>[−-]?${NUMBER}(?:${BETWEEN}${NUMBER})*)(?:${WAYS.map(([way], at) => `(?<way${at}>${named(way, at)})`).join('|')})|(?<plain>${NUMBER})(?![\w/−-]|\.\d|,\d))`,
  'g',
);

/** Each number of an amount; a hyphen between two is no minus. */
const EACH = new RegExp(`(?:(?<!\\d)[−-])?${NUMBER}`, 'g');

/** How the parts of a sentence are put. */
interface Put {
  /** A number of an amount. */
  number: (text: string, of: SaidQuantity) => string;
  /** The unit of an amount; `as` is how the sentence has it. */
  unit: (of: SaidQuantity, as: string) => string;
  /** A number that is no amount. */
  plain: (text: string) => string;
}

/**
 * A sentence with its numbers and units put anew.
 *
 * @example rewritten('0 to 2 in', { number: (text) => `<${text}>`, unit: (_, as) => as, plain: (text) => text }) // '<0> to <2> in'
 */
export const rewritten = (sentence: string, put: Put): string =>
  // what stands in quotes is somebody's own text
  sentence
    .split(/("[^"]*")/)
    .map((part, i) => (i % 2 === 1 ? part : amountsOf(part, put)))
    .join('');

const amountsOf = (text: string, put: Put): string =>
  text.replace(PATTERN, (whole: string, ...found) => {
    const groups = found.at(-1) as Record<string, string | undefined>;
    const { amounts, plain } = groups;
    if (amounts === undefined) return put.plain(plain ?? '');
    const at = WAYS.findIndex((_, i) => groups[`way${i}`] !== undefined);
    const [, quantity] = WAYS[at] as (typeof WAYS)[number];
    const withArea = groups[`area${at}`] !== undefined;
    const said: SaidQuantity = {
      quantity: typeof quantity === 'string' ? quantity : quantity(withArea),
      of: (groups[`of${at}`] ?? '').trim(),
      withArea,
    };
    const numbers = amounts.replace(EACH, (number) => put.number(number, said));
    return `${numbers} ${put.unit(said, whole.slice(amounts.length + 1))}`;
  });
