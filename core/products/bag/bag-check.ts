import { asTaken } from '../as-weighed';
import type { Product } from '../../records/case';
import { type Figure, figureOf, sureFigure, traced } from '../../reckoning/figure';
import { isRefusal } from '../../reckoning/refusal';
import { nitrogenCeilings, phosphateDoseCeiling, potashDoseCeiling } from '../../season/rules/dose-ceilings';
import { productAsSpread } from '../as-spread';
import { productCoverage } from '../coverage';
import { costFigure, deliversFigure, weighOutFigure } from '../match/match-figures';
import { asked, type MatchContext, type Need, percentToward } from '../match/need';
import { matchRefusal } from '../match/refusal-of';
import { packageLb } from '../package-lb';
import { productRate } from '../rate';
import { slowShare } from '../../nitrogen/forms';
import { fixed, trimmed, two } from '../../words/numbers';

export const GRADE_NUTRIENTS = ['N', 'P2O5', 'K2O'] as const;
export type GradeNutrient = (typeof GRADE_NUTRIENTS)[number];

/** One nutrient of a bag on a lawn: what the label rate brings, what the prescribed rate brings, what was asked. */
export interface BagLine {
  nutrient: GradeNutrient;
  label?: Figure;
  prescribed?: Figure;
  askedLb: number;
  /** Most in one dose, lb/1000 ft2; 0 where none is allowed. */
  limitLb: number;
  limitSays: string;
}

/** A rate of the bag carried through: the lawn, the bag, the money. */
export interface BagRate {
  rate: Figure;
  weighOut: Figure;
  /** Share of one package, percent; over 100 where one is not enough. */
  ofBagPercent?: number;
  packages?: number;
  /** lb product left in the last package, after the weigh-out as the scale shows it. */
  leftLb?: number;
  cost?: Figure;
}

export interface BagCheck {
  lines: BagLine[];
  label?: BagRate;
  prescribed?: BagRate;
  /** The need that sets the prescribed rate. */
  setBy?: GradeNutrient;
  standing: 'pass' | 'warn' | 'fail';
  /** The verdict, first. */
  says: string;
  /** Why this bag should not be used here at all. */
  refused?: string;
}

const NAMES = { N: 'nitrogen', P2O5: 'phosphate', K2O: 'potash' } as const;
/** Off by less than this is right, lb/1000 ft2: a gate is not set closer. Common practice. */
const RIGHT_WITHIN_LB = 0.05;

/** A share in the words people use: 0.75 is "three quarters of". */
export function shareInWords(share: number): string {
  for (const [value, words] of [
    [1 / 4, 'a quarter of'],
    [1 / 3, 'a third of'],
    [1 / 2, 'half'],
    [2 / 3, 'two thirds of'],
    [3 / 4, 'three quarters of'],
  ] as const)
    if (Math.abs(share - value) < 0.015) return words;
  return share > 2 ? `${trimmed(share, 1)} times` : `${Math.round(share * 100)} % of`;
}

function carried(product: Product, rate: Figure, context: MatchContext): BagRate {
  const weighOut = weighOutFigure(product, rate, context.zone);
  const shown = asTaken(weighOut.value, product);
  const lb = packageLb(product);
  const packages = lb === undefined ? undefined : Math.max(1, Math.ceil(shown / lb - 1e-9));
  return {
    rate,
    weighOut,
    ofBagPercent: lb === undefined ? undefined : (shown / lb) * 100,
    packages,
    leftLb: lb === undefined || packages === undefined ? undefined : packages * lb - shown,
    cost: costFigure(product, shown),
  };
}

/** lb product/1000 ft2 by the label: from its coverage, or typed from the back of the bag. */
function labelRate(product: Product, typedRateLb: number | undefined): Figure | undefined {
  const usedIn = 'Bag check: the label’s rate.';
  const { coverageSqFt } = product;
  const ofPackage = packageLb(product);
  if (typedRateLb !== undefined)
    // a typed rate is a coverage of 1000 ft2
    return sureFigure(
      productCoverage,
      { packageLb: traced(typedRateLb, 'typed from the label'), coverageSqFt: traced(1000, 'a rate per 1000 sq ft') },
      { title: `${product.name}, label rate`, unit: 'lb product per 1000 ft2', usedIn },
    );
  if (coverageSqFt === undefined || ofPackage === undefined) return undefined;
  const figure = figureOf(
    productCoverage,
    {
      packageLb: traced(ofPackage, `label, ${product.name}`),
      coverageSqFt: traced(coverageSqFt, 'label, stated coverage'),
    },
    { title: `${product.name}, label rate`, unit: 'lb product per 1000 ft2', usedIn },
  );
  return isRefusal(figure) ? undefined : figure;
}

function limitsOf(
  product: Product,
  { zone, codes, prescription, phosphorusSays }: MatchContext,
): Record<GradeNutrient, { lb: number; says: string }> {
  const slow = slowShare(product);
  const { soluble, total, says } = nitrogenCeilings(zone, codes);
  const bySoluble = slow < 1 ? soluble / (1 - slow) : Infinity;
  const N = Math.min(bySoluble, total(slow));
  const noPhosphate = prescription.phosphorus.yearLb === 0;
  return {
    N: {
      lb: N,
      says: `${two(N)} lb N is the most of one dose of this bag${bySoluble < total(slow) && slow > 0 ? `, ${two(soluble)} lb N of it soluble` : ''} (${says})`,
    },
    P2O5: noPhosphate
      ? {
          lb: 0,
          says:
            prescription.phosphorus.level === 'not-tested'
              ? 'none allowed: no test asks for P2O5'
              : `none allowed: phosphorus tests ${prescription.phosphorus.level}${phosphorusSays ? `, ${phosphorusSays}` : ''}`,
        }
      : { lb: phosphateDoseCeiling(codes), says: `${phosphateDoseCeiling(codes)} lb P2O5 is the most of one dose` },
    K2O: { lb: potashDoseCeiling(zone), says: `${two(potashDoseCeiling(zone))} lb K2O is the most of one dose` },
  };
}

function verdict(
  check: Omit<BagCheck, 'says' | 'standing'>,
  need: Need,
  { prescription }: MatchContext,
): Pick<BagCheck, 'says' | 'standing'> {
  const { label, prescribed, setBy, lines, refused } = check;
  if (refused) return { standing: 'fail', says: `Leave it in the bag. ${refused}` };
  if (!prescribed || !setBy)
    return { standing: 'warn', says: 'Nothing in this bag is asked for here: there is no rate to give.' };
  const share = label && prescribed.rate.value / label.rate.value;
  const ofLabel =
    share === undefined
      ? 'the bag states no coverage to compare'
      : Math.abs(share - 1) < 0.02
        ? 'as the label says'
        : `${shareInWords(share)} the label rate`;
  const rest = lines.flatMap((line) => {
    if (line.nutrient === setBy) return [];
    const brought = line.prescribed?.value ?? 0;
    const off = brought - line.askedLb;
    if (off < -RIGHT_WITHIN_LB) return [`the ${NAMES[line.nutrient]} stays ${two(-off)} lb ${line.nutrient} short`];
    const yearLb = { N: 0, P2O5: prescription.phosphorus.yearLb, K2O: prescription.potassium.yearLb }[line.nutrient];
    if (off > RIGHT_WITHIN_LB && line.askedLb === 0 && yearLb >= brought)
      return [`it brings ${two(brought)} of the year’s ${two(yearLb)} lb ${line.nutrient}`];
    if (off > RIGHT_WITHIN_LB) return [`it brings ${two(off)} lb ${line.nutrient} more than asked`];
    return [];
  });
  const over = lines.find((line) => (line.label?.value ?? 0) > line.limitLb + 1e-9);
  const passed = over
    ? ` The label rate would pass the limit: ${two(over.label?.value ?? 0)} of ${two(over.limitLb)} lb ${over.nutrient}.`
    : '';
  const right = `The ${NAMES[setBy]} is then right`;
  return {
    standing: rest.length > 0 || (share !== undefined && share < 1 / 3) ? 'warn' : 'pass',
    says: `Spread it at ${two(prescribed.rate.value)} lb product per 1000 sq ft, ${ofLabel}. ${right}${rest.length > 0 ? `; ${rest.join(', ')}` : need.K2O || need.P2O5 ? ', and so is the rest' : ''}.${passed}`,
  };
}

/**
 * Any bag on any lawn: the label rate and the prescribed rate in N, P2O5 and K2O per 1000 ft2, how much of the bag it
 * takes and what stays in it. 24-0-11, 50 lb over 12,000 ft2: the label brings 1.00 lb N where 0.75 was asked.
 */
export function checkBag(product: Product, need: Need, context: MatchContext, typedRateLb?: number): BagCheck {
  const rate = labelRate(product, typedRateLb);
  const grade = asked(need).filter((each): each is GradeNutrient =>
    (GRADE_NUTRIENTS as readonly string[]).includes(each),
  );
  const setBy = grade.find((each) => percentToward(product, each) > 0);
  const refused = setBy || product.pesticide || product.unfinished ? matchRefusal(product, need, context) : undefined;
  const prescribedRate =
    setBy && !refused
      ? sureFigure(
          productRate,
          {
            targetLb: traced(need[setBy] ?? 0, `${setBy} asked for in this trip`),
            percent: traced(percentToward(product, setBy), `label, ${product.name}: percent ${setBy}`),
          },
          { title: `${product.name}, prescribed rate`, unit: 'lb product per 1000 ft2', usedIn: 'Bag check.' },
        )
      : undefined;
  const limits = limitsOf(product, context);
  const lines = GRADE_NUTRIENTS.map((nutrient) => ({
    nutrient,
    label: rate && deliversFigure(product, rate, nutrient),
    prescribed: prescribedRate && deliversFigure(product, prescribedRate, nutrient),
    askedLb: need[nutrient] ?? 0,
    limitLb: limits[nutrient].lb,
    limitSays: limits[nutrient].says,
  }));
  const check = {
    lines,
    label: rate && carried(product, rate, context),
    prescribed: prescribedRate && carried(product, prescribedRate, context),
    setBy,
    refused,
  };
  return { ...check, ...verdict(check, need, context) };
}

/** What was really spread, a figure a nutrient. */
export interface SpreadCheck {
  spreadLb: number;
  rate: Figure;
  /** lb/1000 ft2. */
  per1000: Partial<Record<GradeNutrient, Figure>>;
  /** lb on all of the ground. */
  inAll: Partial<Record<GradeNutrient, Figure>>;
  says: string;
  standing: 'pass' | 'warn' | 'fail';
}

/**
 * The reverse: so much was weighed out, so much came back, so much ground was covered. Within the error of the measured
 * area it counts as asked. 20.3 lb less 0.6 over 6480 ft2: 3.04 lb product per 1000.
 */
export function checkSpread(
  product: Product,
  { weighedLb, backLb, areaSqFt }: { weighedLb: number; backLb: number; areaSqFt: number },
  asks: { nutrient: GradeNutrient; lb: number } | undefined,
  errorPercent: number,
): SpreadCheck {
  const spreadLb = Math.max(0, weighedLb - backLb);
  const figure = (nutrient: GradeNutrient, part: string, title: string, unit: string) =>
    sureFigure(
      productAsSpread,
      {
        weighedLb: traced(spreadLb, 'weighed out, less what came back'),
        areaSqFt: traced(areaSqFt, 'ground covered, as typed'),
        percent: traced(product.guaranteed[nutrient] ?? 0, `label, ${product.name}: percent ${nutrient}`),
      },
      { title, unit, part, usedIn: 'Bag check: what was spread.' },
    );
  const present = GRADE_NUTRIENTS.filter((nutrient) => (product.guaranteed[nutrient] ?? 0) > 0);
  const of = (part: string, unit: (nutrient: GradeNutrient) => string) =>
    Object.fromEntries(
      present.map((nutrient) => [nutrient, figure(nutrient, part, `${nutrient} spread`, unit(nutrient))]),
    );
  const per1000: SpreadCheck['per1000'] = of('nutrientLbPer1000', (nutrient) => `lb ${nutrient} per 1000 ft2`);
  const result = {
    spreadLb,
    rate: figure('N', 'rateLb', `${product.name}, rate as spread`, 'lb product per 1000 ft2'),
    per1000,
    inAll: of('nutrientLb', (nutrient) => `lb ${nutrient} in all`),
  };
  const got = asks && per1000[asks.nutrient]?.value;
  if (!asks || got === undefined || asks.lb === 0)
    return { ...result, standing: 'pass', says: 'Nothing was asked of this bag here, so there is nothing to compare.' };
  const off = got - asks.lb;
  const percent = (Math.abs(off) / asks.lb) * 100;
  const words = `${two(Math.abs(off))} lb ${asks.nutrient} ${off < 0 ? 'under' : 'over'}, ${fixed(percent, 1)} %.`;
  if (percent <= errorPercent)
    return {
      ...result,
      standing: 'pass',
      says: `${words} The area is good to ${trimmed(errorPercent, 1)} %, so no top-up.`,
    };
  return off < 0
    ? {
        ...result,
        standing: 'warn',
        says: `${words} More than the area’s error of ${trimmed(errorPercent, 1)} %: the next dose can make it up, not a second pass today.`,
      }
    : {
        ...result,
        standing: percent > 25 ? 'fail' : 'warn',
        says: `${words} It is down and cannot be taken back: water it in, and take it off the next dose.`,
      };
}
