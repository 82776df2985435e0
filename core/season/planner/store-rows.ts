import { groupBy } from '../../tables/group-by';
import type { Product } from '../../records/case';
import { packageLb } from '../../products/package-lb';
import { type DoseVariable, type ModelParts, rateTerms } from './model-parts';
import { PRICES } from './prices';
import type { Carrier, ZoneProblem } from './problem-shape';
import { addCoverRows, mostOfYear } from './cover-rows';

const HALF_A_TENTH_LB = 0.05;
/** Halves of a tenth on every dose come to less than this, packages. */
const SPARE_PACKAGES = 1;
/** Price of a pound of product where none is known, so that it is not taken for free. */
const UNKNOWN_PRICE_PER_LB = 1;

/**
 * A product that feeds anywhere is one more on the property, and where none is in store its first package is bought whole before its
 * first pound is spread. The store row says that too, but weakly: without this a tenth of a bag would do in the relaxation, and the
 * proof would take ten times as long.
 */
function addUseRows(
  { builder, doses, uses }: ModelParts,
  product: Product,
  bought: number,
  perPackage: number | undefined,
  standsPackages: number,
): void {
  const zones = new Map<ZoneProblem, DoseVariable[]>();
  for (const dose of doses)
    if (dose.product.id === product.id && dose.carrier) zones.set(dose.zone, [...(zones.get(dose.zone) ?? []), dose]);
  if (zones.size === 0) return;
  const used = builder.binary(`used_${product.id}`, PRICES.product);
  uses.set(product.id, used);
  if ((product.onHandLb ?? 0) <= 0)
    builder.row(
      `first_${product.id}`,
      [
        [bought, 1],
        [used, -1],
      ],
      { lower: 0 },
    );
  let usableLb = 0;
  for (const [zone, here] of zones) {
    const most = mostOfYear(zone, here[0]?.carrier as Carrier);
    usableLb += (most * zone.zone.areaSqFt) / 1000;
    builder.row(`uses_${product.id}_${zone.zone.id}`, [...here.flatMap((d) => rateTerms(d, 1)), [used, -most]], {
      upper: 0,
    });
    // feedings stand apart, so of the weeks of one wait one feeds at most
    const together = product.guaranteed.N ? zone.gapWeeks : 1;
    for (const [first, its] of groupBy(here, (d) => Math.floor(d.week / together)))
      builder.row(
        `use_${product.id}_${zone.zone.id}_${first}`,
        [[used, 1], ...its.map((d) => [d.chosen, -1] as const)],
        {
          lower: 0,
        },
      );
  }
  // nobody buys what feeds nothing, nor more than all zones can take
  if (perPackage !== undefined)
    builder.implied(
      `buys_${product.id}`,
      [
        [bought, 1],
        [used, -Math.ceil(usableLb / perPackage + SPARE_PACKAGES)],
      ],
      { upper: standsPackages },
    );
}

/** Whole packages for the property, stock first; what is left in the store weighs a little. */
export function addStoreRows(parts: ModelParts): void {
  const { builder, doses, problem, totals, packages } = parts;
  const stores: { productId: string; bought: number; availableLb: number }[] = [];
  const products = new Map(doses.map((d) => [d.product.id, d.product]));
  for (const zone of problem.zones) for (const d of zone.standing) if (!d.given) products.set(d.product.id, d.product);
  for (const product of products.values()) {
    const perPackage = packageLb(product);
    const pricePerLb =
      perPackage !== undefined && product.package?.price !== undefined
        ? product.package.price / perPackage
        : UNKNOWN_PRICE_PER_LB;
    const onHand = product.onHandLb ?? 0;
    // lime and sulfur are fixed amounts: so many packages are bought in every plan that leaves no dose of them out
    const fixedLb = problem.zones.reduce(
      (sum, zone) =>
        sum +
        zone.corrections
          .filter((c) => c.product.id === product.id)
          .reduce((lb, c) => lb + (c.doses * c.rateLb * zone.zone.areaSqFt) / 1000, 0),
      0,
    );
    const stands = problem.zones
      .flatMap((zone) => zone.standing.map((d) => ({ d, perThousand: zone.zone.areaSqFt / 1000 })))
      .filter(({ d }) => !d.given && d.product.id === product.id)
      .reduce((sum, { d, perThousand }) => sum + d.rateLb * perThousand, 0);
    const standsPackages = perPackage === undefined ? 0 : Math.max(0, Math.ceil((stands - onHand) / perPackage - 1e-9));
    const bought = builder.column(`buy_${product.id}`, {
      cost: pricePerLb * (perPackage ?? 1),
      integer: perPackage !== undefined,
      // what stands already is bought in every plan
      lower: standsPackages,
      upper: perPackage === undefined ? Infinity : 10_000,
    });
    const left = builder.column(`left_${product.id}`, { cost: problem.wishes.leftOver * pricePerLb });
    const used = doses
      .filter((d) => d.product.id === product.id)
      .flatMap((d): [number, number][] => {
        const perThousand = d.zone.zone.areaSqFt / 1000;
        // the scale shows tenths: half of one may come on top of every dose
        return [...rateTerms(d, -perThousand), [d.chosen, -HALF_A_TENTH_LB]];
      });
    // left = on hand + bought - used - standing
    stores.push({ productId: product.id, bought, availableLb: onHand - stands });
    addUseRows(parts, product, bought, perPackage, standsPackages);
    const few = perPackage === undefined ? 0 : Math.ceil((fixedLb - onHand) / perPackage - 1e-9);
    if (few > 0)
      builder.implied(
        `fixed_${product.id}`,
        [
          [bought, 1],
          ...problem.zones.flatMap((zone, z) =>
            zone.corrections
              .filter((c) => c.product.id === product.id)
              .map((c) => [parts.shorts.get(`${c.purpose}_${z}`) as number, few] as const),
          ),
        ],
        { lower: few },
      );
    builder.row(`store_${product.id}`, [[bought, perPackage ?? 1], ...used, [left, -1]], {
      lower: stands - onHand,
      upper: stands - onHand,
    });
  }
  const carried = new Set(problem.zones.flatMap((zone) => zone.carriers.map((c) => c.product.id)));
  for (const { productId, bought } of stores)
    if (carried.has(productId) && builder.columns[bought]?.integer) packages.push(bought);
  if (packages.length > 0) totals.push(builder.counted('packages', packages));
  addCoverRows(parts, stores);
}
