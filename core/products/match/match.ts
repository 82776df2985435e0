import { limeKindOf } from '../../lime/lime-label';
import { asTaken } from '../as-weighed';
import type { Product } from '../../records/case';
import { nitrogenCeilings, phosphateDoseCeiling, potashDoseCeiling } from '../../season/rules/dose-ceilings';
import { evaluate } from '../../reckoning/define';
import { isRefusal } from '../../reckoning/refusal';
import { purchases } from '../purchases';
import { acidifyingSources, saltCarriers } from '../carriers';
import { granulesAt, SPECKLES_BELOW, THIN_BELOW } from '../granules';
import { limeUndone } from '../lime-undone';
import { slowShare } from '../../nitrogen/forms';
import { packageLb } from '../package-lb';
import { productSalt } from '../salt';
import { blendOfThree, blendOfTwo } from './blend';
import { asked, limeGivenLb, type MatchContext, type Need, type NeedFor, needInWords, percentToward } from './need';
import { microbePercent } from '../../nitrogen/forms';
import { leastProductLb } from '../least-rate';
import { MOST_SALT_ON_SALTY_LB } from '../salt';
import { matchRefusal } from './refusal-of';
import { two } from '../../words/numbers';

/** A need counts as met within this, lb/1000 ft2. Common practice: a spreader is not set closer. */
export const MET_WITHIN_LB = 0.1;
/** A dose that undoes more of the lime than this share works against it. Decision. */
const UNDOES_SHARE = 0.25;
/** Microbe-driven sources hardly feed below this mean air temperature, deg F. Common practice. */
const MICROBES_FROM_F = 50;
/** Soluble nitrogen feeds about this long, weeks. Common practice. */
const SOLUBLE_WEEKS = 4;
/** Slow nitrogen whose label gives no days, days. Decision: eight weeks. */
const UNSAID_RELEASE_DAYS = 56;
/** More products than this nobody spreads in one trip. Decision. */
const MOST_PARTS = 3;

/** One product of an answer, at its rate. */
export interface MatchPart {
  product: Product;
  /** lb product/1000 ft2; lb lime for a lime. */
  rateLb: number;
  /** lb product for the zone, as the scale shows it, to a tenth. */
  weighOutLb: number;
  /** lb product taken from stock on hand. */
  fromHandLb: number;
  packages: number;
  /** lb product left in packages and stock after this job. */
  leftLb: number;
  /** Cost of what goes down, $. */
  cost?: number;
  /** What must be paid now for whole packages, $. */
  cash?: number;
  /** Granules/in2; undefined where the label has no size. */
  granules?: number;
}

/** A way to meet a need from the shelf, with everything that speaks for and against it. */
export interface MatchAnswer {
  parts: MatchPart[];
  /** What was solved for, in order; the rest comes along. */
  solved: NeedFor[];
  /** lb of each nutrient/1000 ft2, all products together. */
  brings: Record<string, number>;
  /** lb each need lacks (below 0) or has too much of (above 0). */
  off: Partial<Record<NeedFor, number>>;
  met: boolean;
  slowShare: number;
  feedsWeeks: number;
  chlorideLb: number;
  saltLb: number;
  /** lb CaCO3/1000 ft2. */
  limeUndoneLb: number;
  against: string[];
  cost?: number;
  cash?: number;
  /** $ a lb of the first need. */
  costPerLb?: number;
  /** $ if the whole year's amount of the first need came this way. */
  seasonCost?: number;
  needsBuying: boolean;
}

export interface Refused {
  product: Product;
  says: string;
}

export interface Match {
  answers: MatchAnswer[];
  refused: Refused[];
  /** Refused only because they carry nothing that is asked. */
  beside: Product[];
}

interface Mix {
  products: Product[];
  rates: number[];
  solved: NeedFor[];
}

const numbers = (value: unknown): number[] | undefined =>
  typeof value === 'object' && value !== null && !isRefusal(value) ? (Object.values(value) as number[]) : undefined;

/** Rates at which a set of products meets as many needs exactly, by the same reckonings that Workings show. */
export function solveMix(products: readonly Product[], needs: readonly NeedFor[], need: Need): number[] | undefined {
  const p = (at: number, which: number) => percentToward(products[at] as Product, needs[which] as NeedFor);
  const lb = (which: number) => need[needs[which] as NeedFor] ?? 0;
  if (products.length === 1) return p(0, 0) > 0 ? [(lb(0) / p(0, 0)) * 100] : undefined;
  if (products.length === 2)
    return numbers(
      evaluate(blendOfTwo, {
        need1Lb: lb(0),
        need2Lb: lb(1),
        a1Percent: p(0, 0),
        a2Percent: p(0, 1),
        b1Percent: p(1, 0),
        b2Percent: p(1, 1),
      }),
    );
  return numbers(
    evaluate(blendOfThree, {
      need1Lb: lb(0),
      need2Lb: lb(1),
      need3Lb: lb(2),
      a1Percent: p(0, 0),
      a2Percent: p(0, 1),
      a3Percent: p(0, 2),
      b1Percent: p(1, 0),
      b2Percent: p(1, 1),
      b3Percent: p(1, 2),
      c1Percent: p(2, 0),
      c2Percent: p(2, 1),
      c3Percent: p(2, 2),
    }),
  );
}

/** Every set of `size` things, in their order. */
function* setsOf<T>(things: readonly T[], size: number, from = 0): Generator<T[]> {
  if (size === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= things.length - size; i++)
    for (const rest of setsOf(things, size - 1, i + 1)) yield [things[i] as T, ...rest];
}

/** Less of a product than this is no part of a blend, lb product/1000 ft2. Decision. */
const LEAST_PART_LB = 0.05;

function* mixes(usable: readonly Product[], need: Need): Generator<Mix> {
  const needs = asked(need);
  const [first] = needs;
  if (!first) return;
  for (const product of usable) {
    const rates = solveMix([product], [first], need);
    if (rates) yield { products: [product], rates, solved: [first] };
  }
  for (let size = 2; size <= Math.min(MOST_PARTS, needs.length); size++)
    for (const products of setsOf(usable, size))
      for (const others of setsOf(needs.slice(1), size - 1)) {
        const solved = [first, ...others];
        // each product must carry something that is solved for, or it could be left out
        if (!products.every((product) => solved.some((each) => percentToward(product, each) > 0))) continue;
        const rates = solveMix(products, solved, need);
        if (rates?.every((rate) => rate >= LEAST_PART_LB)) yield { products, rates, solved };
      }
}

function withinCeilings({ zone, codes }: MatchContext, brings: Record<string, number>, solubleN: number): boolean {
  const { soluble, total } = nitrogenCeilings(zone, codes);
  const N = brings.N ?? 0;
  const slow = N > 0 ? 1 - solubleN / N : 0;
  return (
    solubleN <= soluble + 1e-9 &&
    N <= total(slow) + 1e-9 &&
    (brings.K2O ?? 0) <= potashDoseCeiling(zone) + 1e-9 &&
    (brings.P2O5 ?? 0) <= phosphateDoseCeiling(codes) + 1e-9
  );
}

function partOf(product: Product, rateLb: number, areaSqFt: number): MatchPart {
  const weighOutLb = asTaken((rateLb * areaSqFt) / 1000, product);
  const [bought] = purchases([{ productId: product.id, zoneLb: weighOutLb }], [product]);
  const price = product.package?.price;
  const lb = packageLb(product);
  return {
    product,
    rateLb,
    weighOutLb,
    fromHandLb: Math.min(product.onHandLb ?? 0, weighOutLb),
    packages: bought?.packages ?? 0,
    leftLb: bought?.leftLb ?? 0,
    cost: lb !== undefined && price !== undefined ? (weighOutLb / lb) * price : undefined,
    cash: bought?.cost,
    granules: granulesAt(product, rateLb),
  };
}

const summed = (values: readonly (number | undefined)[]): number | undefined =>
  values.some((value) => value === undefined) ? undefined : (values as number[]).reduce((a, b) => a + b, 0);

/** What speaks against an answer, in the order in which a colleague would say it. */
function drawbacks(
  answer: Omit<MatchAnswer, 'against'>,
  need: Need,
  context: MatchContext,
  products: readonly Product[],
): string[] {
  const { parts, brings, off, limeUndoneLb } = answer;
  const says: string[] = [];
  for (const [key, lb] of Object.entries(off) as [NeedFor, number][]) {
    if (lb < -MET_WITHIN_LB)
      says.push(`${needInWords(key)} short by ${Math.round((-lb / (need[key] as number)) * 100)} %`);
    if (lb > MET_WITHIN_LB) says.push(`${two(lb)} lb ${needInWords(key)} too much`);
  }
  const { potassium, phosphorus } = context.prescription;
  if (!need.K2O && (brings.K2O ?? 0) > MET_WITHIN_LB && potassium.yearLb === 0)
    says.push(`${two(brings.K2O ?? 0)} lb K2O nobody asked for`);
  if (!need.P2O5 && (brings.P2O5 ?? 0) > MET_WITHIN_LB && phosphorus.yearLb > 0)
    says.push(`${two(brings.P2O5 ?? 0)} lb P2O5 of the year’s`);
  const feeders = parts.filter((part) => (part.product.guaranteed.N ?? 0) > 0);
  const thinnest = Math.min(Infinity, ...feeders.map((part) => part.granules ?? Infinity));
  if (thinnest < SPECKLES_BELOW) says.push('speckles');
  const lime = limeGivenLb(context.prescription, products);
  if (lime > 0 && limeUndoneLb > UNDOES_SHARE * lime)
    says.push(`undoes ${Math.round((limeUndoneLb / lime) * 100)} % of the lime`);
  if (context.salty && answer.saltLb > MOST_SALT_ON_SALTY_LB) says.push('salt, on a salty soil');
  if (
    context.meanF !== undefined &&
    context.meanF < MICROBES_FROM_F &&
    feeders.some((part) => microbePercent(part.product) > 0)
  )
    says.push('too cold for its microbes');
  if (
    parts.some((part) => limeKindOf(part.product) === 'dolomitic') &&
    !['low', 'very-low'].includes(context.prescription.magnesium.level)
  )
    says.push('Mg nobody asked for');
  if (parts.some((part) => limeKindOf(part.product) === 'hydrated'))
    says.push('caustic: gloves, eyes, water in at once');
  if (parts.some((part) => part.rateLb < leastProductLb(context.zone) && part.product.form !== 'liquid'))
    says.push('too little to spread evenly');
  if (answer.needsBuying) says.push('must be bought');
  return says;
}

/** Years' worth of the first need, lb/1000 ft2. */
const yearOf = (first: NeedFor, { prescription }: MatchContext): number | undefined =>
  ({
    N: prescription.nitrogen.year.value,
    P2O5: prescription.phosphorus.yearLb,
    K2O: prescription.potassium.yearLb,
    lime: undefined,
    sulfur: undefined,
  })[first];

function assess(
  { products, rates, solved }: Mix,
  need: Need,
  context: MatchContext,
  shelf: readonly Product[],
): MatchAnswer | undefined {
  const parts = products.map((product, i) => partOf(product, rates[i] as number, context.zone.areaSqFt));
  const brings: Record<string, number> = {};
  let solubleN = 0;
  let slowN = 0;
  let saltLb = 0;
  let limeUndoneLb = 0;
  for (const { product, rateLb } of parts) {
    for (const [nutrient, percent] of Object.entries(product.guaranteed) as [string, number | undefined][])
      if (percent) brings[nutrient] = (brings[nutrient] ?? 0) + (rateLb * percent) / 100;
    const N = (rateLb * (product.guaranteed.N ?? 0)) / 100;
    solubleN += N * (1 - slowShare(product));
    slowN += N * slowShare(product);
    const salt = evaluate(productSalt, { rateLb, carrierPercents: saltCarriers(product) as Record<string, number> });
    if (!isRefusal(salt)) saltLb += salt.saltLb;
    const undone = evaluate(limeUndone, {
      rateLb,
      nitrogenPercents: acidifyingSources(product) as Record<string, number>,
    });
    if (!isRefusal(undone)) limeUndoneLb += undone;
  }
  if (!withinCeilings(context, brings, solubleN)) return undefined;
  const toward = (each: NeedFor) =>
    parts.reduce((sum, part) => sum + (part.rateLb * percentToward(part.product, each)) / 100, 0);
  const off: MatchAnswer['off'] = {};
  for (const each of asked(need)) off[each] = toward(each) - (need[each] as number);
  const N = solubleN + slowN;
  const cost = summed(parts.map((part) => part.cost));
  const first = solved[0] as NeedFor;
  const firstLb = ((need[first] ?? 0) * context.zone.areaSqFt) / 1000;
  const year = yearOf(first, context);
  const slowest = Math.max(
    0,
    ...parts
      .filter((part) => slowShare(part.product) > 0)
      .map((part) => (part.product.releaseDays ?? UNSAID_RELEASE_DAYS) / 7),
  );
  const answer = {
    parts,
    solved,
    brings,
    off,
    met: Object.values(off).every((lb) => Math.abs(lb) <= MET_WITHIN_LB),
    slowShare: N > 0 ? slowN / N : 0,
    feedsWeeks: N > 0 ? Math.max(SOLUBLE_WEEKS, slowest) : 0,
    chlorideLb: brings.Cl ?? 0,
    saltLb,
    limeUndoneLb,
    cost,
    cash: summed(parts.map((part) => (part.packages === 0 ? 0 : part.cash))),
    costPerLb: cost !== undefined && firstLb > 0 ? cost / firstLb : undefined,
    seasonCost:
      cost !== undefined && year !== undefined && (need[first] ?? 0) > 0
        ? (cost * year) / (need[first] as number)
        : undefined,
    needsBuying: parts.some((part) => part.fromHandLb < part.weighOutLb - 1e-9),
  };
  return { ...answer, against: drawbacks(answer, need, context, shelf) };
}

/** How even the granules of a rate lie. */
export const evennessOf = (granules: number): 'speckles' | 'thin' | 'even' =>
  granules < SPECKLES_BELOW ? 'speckles' : granules < THIN_BELOW ? 'thin' : 'even';

/** Better first: needs met, then fewer things against, then cost of the job. */
const better = (a: MatchAnswer, b: MatchAnswer): number =>
  Number(b.met) - Number(a.met) ||
  a.against.length - b.against.length ||
  (a.cost ?? Infinity) - (b.cost ?? Infinity) ||
  a.parts.length - b.parts.length ||
  a.parts
    .map((p) => p.product.name)
    .join()
    .localeCompare(b.parts.map((p) => p.product.name).join());

/** Answers kept: more than anybody reads through. */
const MOST_ANSWERS = 60;

/**
 * Ranks the shelf by what each product, or blend of two or three, would really do on this zone for this need. Everything
 * else on the shelf is refused with the number that decides. 0.75 lb N and 0.65 lb K2O: a grade with as much K2O as N alone, or urea with
 * sulfate of potash.
 */
export function matchShelf(products: readonly Product[], need: Need, context: MatchContext): Match {
  const refused: Refused[] = [];
  const beside: Product[] = [];
  const usable: Product[] = [];
  const wanted = asked(need);
  for (const product of products) {
    const says = wanted.length === 0 ? undefined : matchRefusal(product, need, context);
    if (says === undefined) usable.push(product);
    else if (!product.pesticide && !product.unfinished && wanted.every((each) => percentToward(product, each) === 0))
      beside.push(product);
    else refused.push({ product, says });
  }
  const answers: MatchAnswer[] = [];
  for (const mix of mixes(usable, need)) {
    const answer = assess(mix, need, context, products);
    if (answer) answers.push(answer);
  }
  return { answers: answers.sort(better).slice(0, MOST_ANSWERS), refused, beside };
}
