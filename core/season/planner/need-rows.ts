import { isFeedingLb } from '../plan/feeding';
import { type ModelParts, rateTerms } from './model-parts';
import { mostFeedings, PRICES, shortPrice } from './prices';
import { atLeastWhole, roundedFactor } from './rounding';
import type { Band, Brings, ZoneProblem } from './problem-shape';

type Need = 'N' | 'P2O5' | 'K2O';
const BAND = { N: 'nitrogen', P2O5: 'phosphate', K2O: 'potash' } as const;

/** A bag that can bring no more than this in a dose is bought for something else, lb N/1000 ft2: half a light feeding. Decision. */
const LEAST_USUAL_FEEDING_LB = 0.25;

/**
 * Least and most of every nutrient for the year, the code's cap, and the count of feedings that the ceilings force. A least is wanted at a
 * price: what is not brought is short, and the plan is still a plan (E1).
 */
export function addNeedRows(parts: ModelParts, z: number): void {
  const { builder, problem, doses, shorts } = parts;
  const zone = problem.zones[z] as ZoneProblem;
  const here = doses.filter((d) => d.zone === zone && d.carrier);
  const correcting = doses.filter((d) => d.zone === zone && d.correction);
  const terms = (nutrient: keyof Brings): [number, number][] => [
    ...here.flatMap((d) => rateTerms(d, d.carrier?.brings[nutrient] ?? 0)),
    // magnesium comes with dolomitic lime
    ...(nutrient === 'Mg'
      ? correcting.map((d): [number, number] => [d.chosen, ((d.product.guaranteed.Mg ?? 0) / 100) * d.leastRateLb])
      : []),
  ];
  const wanted = (nutrient: 'N' | 'P2O5' | 'K2O' | 'Mg' | 'S', leastLb: number) => {
    if (leastLb <= 0) return;
    const short = builder.column(`short_${nutrient}_${z}`, {
      cost: shortPrice(nutrient, zone.zone.areaSqFt),
      upper: leastLb,
    });
    shorts.set(`${nutrient}_${z}`, short);
    builder.row(`${nutrient}_least_${z}`, [...terms(nutrient), [short, 1]], { lower: leastLb });
  };
  const band = (nutrient: Need, { least, most }: Band) => {
    wanted(nutrient, least);
    // potash nobody asked for is priced, not barred (D1)
    const over =
      nutrient === 'K2O' && terms(nutrient).length > 0
        ? [
            builder.column(`over_K2O_${z}`, { cost: zone.potashOver.cost, upper: zone.potashOver.lb }),
            builder.column(`more_K2O_${z}`, { cost: PRICES.potashOverHigh }),
          ].map((column) => [column, -1] as const)
        : [];
    if (most < Infinity)
      builder.row(`${nutrient}_most_${z}`, [...terms(nutrient), ...over], { upper: Math.max(0, most) });
  };
  band('N', zone.nitrogen);
  band('P2O5', zone.phosphate);
  band('K2O', zone.potash);
  wanted('Mg', zone.magnesiumLb);
  wanted('S', zone.sulfurLb);
  if (zone.codeYearLb !== undefined && zone.codeYearLb < zone.nitrogen.most)
    builder.row(`N_code_${z}`, terms('N'), { upper: Math.max(0, zone.codeYearLb) });
  for (const nutrient of ['N', 'P2O5', 'K2O'] as const) addDoseCount(parts, z, zone, nutrient);
  addFeedingCount(parts, z);
}

/**
 * So many doses of a nutrient at least, because none may pass its ceiling: true of every plan, and tightens the relaxation (by rounding,
 * each bag's most against the largest).
 */
function addDoseCount({ builder, doses, shorts }: ModelParts, z: number, zone: ZoneProblem, nutrient: Need): void {
  const here = doses.flatMap((d) => {
    const mostLb = d.zone === zone && d.carrier ? d.carrier.mostRateLb * d.carrier.brings[nutrient] : 0;
    return mostLb > 0 ? [{ chosen: d.chosen, mostLb }] : [];
  });
  const short = shorts.get(`${nutrient}_${z}`);
  if (here.length === 0 || short === undefined) return;
  const { least } = zone[BAND[nutrient]];
  const largest = Math.max(...here.map((d) => d.mostLb));
  const { lower, shortFactor, fraction } = atLeastWhole(least / largest);
  builder.implied(
    `doses_${nutrient}_${z}`,
    [
      ...here.map((d) => [d.chosen, roundedFactor(d.mostLb / largest, fraction)] as const),
      [short, shortFactor / largest],
    ],
    { lower },
  );
}

/** More days of feeding than so few pounds usually make are wanted less (E2); a phosphate or potash that brings a little nitrogen is no feeding. */
function addFeedingCount({ builder, problem, doses }: ModelParts, z: number): void {
  const zone = problem.zones[z] as ZoneProblem;
  const feedings = doses.flatMap((d) => {
    const mostLb = d.zone === zone && d.carrier ? d.carrier.mostRateLb * d.carrier.brings.N : 0;
    return mostLb >= LEAST_USUAL_FEEDING_LB ? [[d.chosen, 1] as const] : [];
  });
  const most =
    mostFeedings(zone) - new Set(zone.nitrogenDown.flatMap(({ day, lb }) => (isFeedingLb(lb) ? [day] : []))).size;
  if (most >= feedings.length) return;
  const over = builder.column(`feedings_over_${z}`, { cost: PRICES.feedingOver });
  builder.row(`feedings_most_${z}`, [...feedings, [over, -1]], { upper: Math.max(0, most) });
}
