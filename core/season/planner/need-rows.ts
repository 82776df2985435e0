import { isFeedingLb } from '../plan/feeding';
import { type ModelParts, rateTerms } from './model-parts';
import { mostFeedings, PRICES, shortPrice } from './prices';
import { atLeastWhole } from './rounding';
import type { Band, Brings, Carrier, ZoneProblem } from './problem-shape';

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
  const band = (nutrient: 'N' | 'P2O5' | 'K2O', { least, most }: Band) => {
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
  addFeedingCount(parts, z);
}

/**
 * So many feedings at least, because no dose may pass its ceiling: true of every plan, and tightens the relaxation. More than so few
 * pounds usually make are wanted less (E2).
 */
function addFeedingCount({ builder, problem, fed, shorts }: ModelParts, z: number): void {
  const zone = problem.zones[z] as ZoneProblem;
  const feedings = [...(fed.get(zone)?.values() ?? [])].map((column) => [column, 1] as const);
  if (feedings.length === 0) return;
  const mostOf = (carriers: readonly Carrier[]) => Math.max(0, ...carriers.map((c) => c.mostRateLb * c.brings.N));
  const largest = mostOf(zone.carriers);
  const short = shorts.get(`N_${z}`);
  if (largest > 0 && short !== undefined) {
    const { lower, shortFactor } = atLeastWhole(zone.nitrogen.least / largest);
    builder.implied(`feedings_${z}`, [...feedings, [short, shortFactor / largest]], { lower });
  }
  const most =
    mostFeedings(zone) - new Set(zone.nitrogenDown.flatMap(({ day, lb }) => (isFeedingLb(lb) ? [day] : []))).size;
  if (most >= feedings.length) return;
  const over = builder.column(`feedings_over_${z}`, { cost: PRICES.feedingOver });
  builder.row(`feedings_most_${z}`, [...feedings, [over, -1]], { upper: Math.max(0, most) });
}
