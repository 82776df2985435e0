import { zoneAmount } from '../zone-amount';
import type { Product, Zone } from '../../records/case';
import { type Figure, figureOf, sureFigure, traced } from '../../reckoning/figure';
import { isRefusal } from '../../reckoning/refusal';
import { limeMaterial } from '../../lime/material';
import { acidifyingSources, saltCarriers } from '../carriers';
import { productDelivers } from '../delivers';
import { granuleSpacing, USUAL_GRANULE_DENSITY } from '../granules';
import { limeUndone } from '../lime-undone';
import { weighOutCost } from '../price';
import { packageLb } from '../package-lb';
import { productRate } from '../rate';
import { productSalt } from '../salt';
import { blendOfThree, blendOfTwo } from './blend';
import type { MatchAnswer, MatchPart } from './match';
import { type Need, type NeedFor, needInWords, percentToward } from './need';

/** Figures of one product in an answer, each with Workings. */
export interface PartFigures {
  rate: Figure;
  weighOut: Figure;
  cost?: Figure;
  granules?: Figure;
  salt: Figure;
  undone: Figure;
  /** lb/1000 ft2 of each guaranteed nutrient. */
  delivers: (nutrient: string) => Figure | undefined;
}

const usedIn = 'Match: this answer.';
const PART_NAMES = ['aLb', 'bLb', 'cLb'] as const;

/** The rate of one product of an answer: alone by its own percent, in a blend by the equations of the blend. */
function rateFigure(answer: MatchAnswer, at: number, need: Need): Figure {
  const { parts, solved } = answer;
  const { product } = parts[at] as MatchPart;
  const unit = solved[0] === 'lime' ? 'lb lime per 1000 ft2' : 'lb product per 1000 ft2';
  const options = { title: `${product.name}, rate`, unit, usedIn };
  const lb = (which: number) => {
    const key = solved[which] as NeedFor;
    return traced(need[key] ?? 0, `${needInWords(key)} asked for`);
  };
  const percent = (part: number, which: number) => {
    const { product: of } = parts[part] as MatchPart;
    const key = solved[which] as NeedFor;
    return traced(percentToward(of, key), `label, ${of.name}: percent ${needInWords(key)}`);
  };
  if (parts.length === 1)
    return solved[0] === 'lime'
      ? sureFigure(
          limeMaterial,
          { requirementLb: lb(0), eccePercent: percent(0, 0), basisEccePercent: undefined },
          options,
        )
      : sureFigure(productRate, { targetLb: lb(0), percent: percent(0, 0) }, options);
  const part = PART_NAMES[at];
  if (parts.length === 2)
    return sureFigure(
      blendOfTwo,
      {
        need1Lb: lb(0),
        need2Lb: lb(1),
        a1Percent: percent(0, 0),
        a2Percent: percent(0, 1),
        b1Percent: percent(1, 0),
        b2Percent: percent(1, 1),
      },
      { ...options, part },
    );
  return sureFigure(
    blendOfThree,
    {
      need1Lb: lb(0),
      need2Lb: lb(1),
      need3Lb: lb(2),
      a1Percent: percent(0, 0),
      a2Percent: percent(0, 1),
      a3Percent: percent(0, 2),
      b1Percent: percent(1, 0),
      b2Percent: percent(1, 1),
      b3Percent: percent(1, 2),
      c1Percent: percent(2, 0),
      c2Percent: percent(2, 1),
      c3Percent: percent(2, 2),
    },
    { ...options, part },
  );
}

/** What a rate of a product brings, one nutrient of it. */
export function deliversFigure(product: Product, rate: Figure, nutrient: string): Figure | undefined {
  const guaranteed = Object.fromEntries(
    Object.entries(product.guaranteed).filter(([, percent]) => percent !== undefined),
  ) as Record<string, number>;
  if (guaranteed[nutrient] === undefined) return undefined;
  const figure = figureOf(
    productDelivers,
    {
      rateLb: traced(rate.value, 'rate of the product', rate),
      guaranteed: traced(guaranteed, `label, ${product.name}`),
    },
    { title: `${nutrient} from ${product.name}`, unit: `lb ${nutrient} per 1000 ft2`, part: nutrient, usedIn },
  );
  return isRefusal(figure) ? undefined : figure;
}

/** What a weigh-out costs at the price of its package. */
export function costFigure(product: Product, weighedLb: number): Figure | undefined {
  const price = product.package?.price;
  const lb = packageLb(product);
  if (lb === undefined || price === undefined) return undefined;
  return sureFigure(
    weighOutCost,
    {
      weighedLb: traced(weighedLb, 'weigh-out, as the scale shows it'),
      packageLb: traced(lb, `label, ${product.name}`),
      packagePrice: traced(price, 'shelf'),
    },
    { title: `${product.name}, cost of this job`, unit: '$', usedIn },
  );
}

/** A rate over a zone. */
export const weighOutFigure = (product: Product, rate: Figure, zone: Zone): Figure =>
  sureFigure(
    zoneAmount,
    {
      ratePer1000Lb: traced(rate.value, 'rate of this product', rate),
      areaSqFt: traced(
        zone.areaSqFt,
        `${zone.name}, ${zone.measuredBy ? `measured by ${zone.measuredBy}` : 'as entered'}`,
      ),
    },
    { title: `${product.name}, weigh out`, unit: 'lb product for the zone', usedIn: 'Match: the scale on the day.' },
  );

/** The figures of one product of an answer. Made when somebody looks, not while ranking. */
export function partFigures(answer: MatchAnswer, at: number, need: Need, zone: Zone): PartFigures {
  const part = answer.parts[at] as MatchPart;
  const { product } = part;
  const rate = rateFigure(answer, at, need);
  const rateLb = traced(rate.value, 'rate of this product', rate);
  const size = product.sizeGuideNumber;
  return {
    rate,
    weighOut: weighOutFigure(product, rate, zone),
    cost: costFigure(product, part.weighOutLb),
    granules:
      size === undefined || product.form === 'liquid'
        ? undefined
        : sureFigure(
            granuleSpacing,
            {
              rateLb,
              sizeGuideNumber: traced(size, `label, ${product.name}`),
              granuleDensity: traced(
                product.granuleDensity ?? USUAL_GRANULE_DENSITY,
                product.granuleDensity === undefined ? 'usual density, common practice' : `label, ${product.name}`,
              ),
            },
            { title: `${product.name}, granules`, unit: 'granules per square inch', usedIn },
          ),
    salt: sureFigure(
      productSalt,
      {
        rateLb,
        carrierPercents: traced(
          saltCarriers(product) as Record<string, number>,
          `label, ${product.name}, by its salts`,
        ),
      },
      { title: `${product.name}, salt`, unit: 'lb sodium nitrate per 1000 ft2', part: 'saltLb', usedIn },
    ),
    undone: sureFigure(
      limeUndone,
      {
        rateLb,
        nitrogenPercents: traced(
          acidifyingSources(product) as Record<string, number>,
          `label, ${product.name}, by its forms`,
        ),
      },
      { title: `${product.name}, lime undone`, unit: 'lb CaCO3 per 1000 ft2', usedIn },
    ),
    delivers: (nutrient) => deliversFigure(product, rate, nutrient),
  };
}
