import { type ModelParts, rateTerms } from './model-parts';
import type { RuleKind } from './milp';
import type { Band, Brings, Carrier, ZoneProblem } from './problem-shape';
import { fixed } from '../../words/numbers';

/** How dear it is to let one pound of a need go, when rules conflict. Nitrogen is the grass's food: last of all. */
const WEIGHT = { N: 10, P2O5: 6, K2O: 6 } as const;
/** A pound of magnesium or sulfur that is not brought, lb/1000 ft2, in the currency of the prices: dearer than any bag of it. Decision. */
const SHORT_COST = 200;

/** Least and most of every nutrient for the year, the code's cap, and the count of feedings that the ceilings force. */
export function addNeedRows(parts: ModelParts, z: number): void {
  const { builder, problem, doses, ignoring } = parts;
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
  const need = (nutrient: 'N' | 'P2O5' | 'K2O', kind: RuleKind, { least, most }: Band) => {
    if (ignoring.has(kind)) return;
    const words = `${fixed(Math.max(0, least), 2)} lb ${nutrient} for the year on ${zone.zone.name}`;
    if (least > 0)
      builder.row(
        `${nutrient}_least_${z}`,
        terms(nutrient),
        { lower: least },
        {
          kind,
          zoneId: zone.zone.id,
          says: words,
          yields: { unit: `lb ${nutrient} per 1000 sq ft`, weight: WEIGHT[nutrient] },
        },
      );
    const over =
      nutrient === 'K2O' && terms(nutrient).length > 0
        ? [[builder.column(`over_${nutrient}_${z}`, { cost: zone.potashOverCost }), -1] as const]
        : [];
    if (most < Infinity)
      builder.row(
        `${nutrient}_most_${z}`,
        [...terms(nutrient), ...over],
        { upper: Math.max(0, most) },
        {
          kind,
          zoneId: zone.zone.id,
          says: `no more than ${fixed(Math.max(0, most), 2)} lb ${nutrient} for the year on ${zone.zone.name}`,
        },
      );
  };
  need('N', 'nitrogen-year', zone.nitrogen);
  need('P2O5', 'phosphorus-year', zone.phosphate);
  need('K2O', 'potassium-year', zone.potash);
  // magnesium and sulfur come along with other things: short of them a plan is still a plan, and a check says so
  for (const [nutrient, leastLb] of [
    ['Mg', zone.magnesiumLb],
    ['S', zone.sulfurLb],
  ] as const) {
    if (leastLb <= 0) continue;
    const short = builder.column(`short_${nutrient}_${z}`, { cost: SHORT_COST, upper: leastLb });
    builder.row(`${nutrient}_least_${z}`, [...terms(nutrient), [short, 1]], { lower: leastLb });
  }
  if (zone.codeYearLb !== undefined && zone.codeYearLb < zone.nitrogen.most)
    builder.row(
      `N_code_${z}`,
      terms('N'),
      { upper: Math.max(0, zone.codeYearLb) },
      {
        kind: 'code-year',
        zoneId: zone.zone.id,
        says: `the code's most N for the year on ${zone.zone.name}`,
      },
    );
  addFeedingCount(parts, z);
}

/**
 * So many feedings at least, because no dose may pass its ceiling and a school's steps have ceilings of their own: true of
 * every plan, and tightens the relaxation.
 */
function addFeedingCount({ builder, problem, ignoring, fed }: ModelParts, z: number): void {
  const zone = problem.zones[z] as ZoneProblem;
  const feedings = [...(fed.get(zone)?.values() ?? [])];
  const mostOf = (carriers: readonly Carrier[]) => Math.max(0, ...carriers.map((c) => c.mostRateLb * c.brings.N));
  const largest = mostOf(zone.carriers);
  if (feedings.length === 0 || largest <= 0 || zone.nitrogen.least <= 0 || ignoring.has('nitrogen-year')) return;
  // steps that wait for each other lie in weeks of their own
  const steps = ignoring.has('late-season') ? [] : zone.schools.steps;
  const apart = steps.filter((_, s) => s === 0 || (steps[s - 1]?.beforeNext?.least ?? 0) > 0);
  const inSteps = apart.reduce((sum, step) => sum + mostOf(zone.carriers.filter((c) => step.serves(c.product))), 0);
  const others = Math.max(0, Math.ceil((zone.nitrogen.least - inSteps) / largest - 1e-9));
  builder.implied(
    `feedings_${z}`,
    feedings.map((column) => [column, 1] as const),
    { lower: Math.max(Math.ceil(zone.nitrogen.least / largest - 1e-9), apart.length + others) },
  );
}
