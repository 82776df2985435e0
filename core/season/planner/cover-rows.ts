import { packageLb } from '../../products/package-lb';
import type { ModelParts } from './model-parts';
import { atLeastWhole, roundedFactor } from './rounding';
import type { Carrier, ZoneProblem } from './problem-shape';
import { fixed } from '../../words/numbers';

/** Something the whole property needs so many pounds of, and what a zone may bring of it with a product. */
interface Demand {
  name: string;
  needLb: number;
  /** Columns of what may be short of it, and pounds of the property's need in one of each. */
  shorts: readonly (readonly [column: number, lb: number])[];
  /** Share of a pound of product that counts, and most lb product/1000 ft2 of the zone that can. */
  use: (zone: ZoneProblem, carrier: Carrier) => { share: number; mostLb: number };
}

/** Most K2O of any year, lb K2O/1000 ft2. Decision, as in prescribing. */
const MOST_POTASH_LB = 4;

/** Most of a carrier in a whole year, lb product/1000 ft2: what the year's most of any nutrient leaves room for. */
export const mostOfYear = (zone: ZoneProblem, { brings }: Carrier): number =>
  Math.max(
    0,
    Math.min(
      brings.N > 0 ? zone.nitrogen.most / brings.N : Infinity,
      brings.P2O5 > 0 ? zone.phosphate.most / brings.P2O5 : Infinity,
      // over its band potash is priced, not barred; past a year's cap nobody takes it
      brings.K2O > 0 ? Math.max(zone.potash.most, MOST_POTASH_LB) / brings.K2O : Infinity,
    ),
  );

const zoneLb = (zone: ZoneProblem, lbPerThousand: number): number => (lbPerThousand * zone.zone.areaSqFt) / 1000;

/** What the property needs: each nutrient's year, and the nitrogen that the late-season steps ask for. */
function demandsOf({ problem: { zones }, shorts }: ModelParts): Demand[] {
  const shortOf = (key: string, zone: ZoneProblem, lb: number) => {
    const column = shorts.get(key);
    return column === undefined ? [] : [[column, zoneLb(zone, lb)] as const];
  };
  const sum = (lbOf: (zone: ZoneProblem) => number) => zones.reduce((all, zone) => all + zoneLb(zone, lbOf(zone)), 0);
  const ofYear = (nutrient: 'N' | 'P2O5' | 'K2O', band: 'nitrogen' | 'phosphate' | 'potash'): Demand => ({
    name: nutrient,
    needLb: sum((zone) => Math.max(0, zone[band].least)),
    shorts: zones.flatMap((zone, z) => shortOf(`${nutrient}_${z}`, zone, 1)),
    use: (zone, carrier) => ({ share: carrier.brings[nutrient], mostLb: mostOfYear(zone, carrier) }),
  });
  const stepsOf = (zone: ZoneProblem, carrier: Carrier) =>
    zone.schools.steps.filter((step) => step.serves(carrier.product));
  return [
    ofYear('N', 'nitrogen'),
    ofYear('P2O5', 'phosphate'),
    ofYear('K2O', 'potash'),
    {
      name: 'steps',
      needLb: sum((zone) => zone.schools.steps.reduce((lb, step) => lb + step.leastLb, 0)),
      shorts: zones.flatMap((zone, z) =>
        zone.schools.steps.flatMap((step, s) => shortOf(`step_${z}_${s}`, zone, step.leastLb)),
      ),
      use: (zone, carrier) => {
        const steps = stepsOf(zone, carrier);
        return {
          share: Math.max(0, ...steps.map((step) => carrier.brings[step.measured])),
          mostLb: Math.min(mostOfYear(zone, carrier), steps.length * carrier.mostRateLb),
        };
      },
    },
  ];
}

/**
 * Whole packages that every plan must buy: what the property needs, less what the store can bring and what is short, in packages
 * rounded up. True of every plan already, and said aloud because a solver's relaxation buys tenths of bags: without it the proof takes
 * many times as long.
 */
export function addCoverRows(
  parts: ModelParts,
  stores: readonly { productId: string; bought: number; availableLb: number }[],
): void {
  const { builder, problem } = parts;
  for (const { name, needLb, shorts, use } of demandsOf(parts)) {
    if (needLb <= 0) continue;
    let fromStore = 0;
    let byThePound = false;
    const helpers: { bought: number; holdsLb: number }[] = [];
    for (const { productId, bought, availableLb } of stores) {
      const uses = problem.zones.flatMap((zone) => {
        const carrier = zone.carriers.find((c) => c.product.id === productId);
        const its = carrier && use(zone, carrier);
        return carrier && its && its.share > 0 && its.mostLb > 0 ? [{ zone, carrier, ...its }] : [];
      });
      const first = uses[0];
      if (!first) continue;
      const share = Math.max(...uses.map((each) => each.share));
      const usableLb = uses.reduce((sum, { zone, mostLb }) => sum + zoneLb(zone, mostLb), 0);
      fromStore += Math.max(0, Math.min(availableLb, usableLb)) * share;
      const perPackage = packageLb(first.carrier.product);
      if (perPackage === undefined) byThePound = true;
      else helpers.push({ bought, holdsLb: Math.min(perPackage, usableLb) * share });
    }
    const missing = needLb - fromStore;
    if (missing <= 1e-6 || byThePound) continue;
    const held = helpers.map((h) => ({ ...h, holdsLb: Math.min(h.holdsLb, missing) }));
    for (const step of new Set(held.map((h) => h.holdsLb))) {
      const { lower, shortFactor, fraction } = atLeastWhole(missing / step);
      builder.implied(
        `cover_${name}_${fixed(step, 3)}`,
        [
          ...held.map((h) => [h.bought, roundedFactor(h.holdsLb / step, fraction)] as const),
          ...shorts.map(([column, lb]) => [column, (lb / step) * shortFactor] as const),
        ],
        { lower },
      );
    }
  }
}
