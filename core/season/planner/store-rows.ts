import type { Product } from '../../records/case';
import { packageLb } from '../../products/package-lb';
import { type DoseVariable, type ModelParts, rateTerms } from './model-parts';
import type { MilpBuilder } from './milp';
import { addCoverRows, mostOfYear } from './cover-rows';

const HALF_A_TENTH_LB = 0.05;
/** Price of a pound of product where none is known, so that it is not taken for free. */
const UNKNOWN_PRICE_PER_LB = 1;

/**
 * A product that is not in store must be bought whole before its first pound is spread. The store row says so too, but
 * weakly: without this a tenth of a bag would do in the relaxation, and the proof would take ten times as long.
 */
function addFirstPackageRows(
  builder: MilpBuilder,
  product: Product,
  bought: number,
  doses: readonly DoseVariable[],
): void {
  if ((product.onHandLb ?? 0) > 0) return;
  const zones = new Set(doses.filter((d) => d.product.id === product.id).map((d) => d.zone));
  for (const zone of zones) {
    const here = doses.filter((d) => d.zone === zone && d.product.id === product.id);
    const carrier = here[0]?.carrier;
    if (!carrier) continue;
    const used = builder.binary(`used_${product.id}_${zone.zone.id}`);
    const most = mostOfYear(zone, carrier);
    builder.row(`uses_${product.id}_${zone.zone.id}`, [...here.flatMap((d) => rateTerms(d, 1)), [used, -most]], {
      upper: 0,
    });
    builder.row(
      `first_${product.id}_${zone.zone.id}`,
      [
        [bought, 1],
        [used, -1],
      ],
      { lower: 0 },
    );
    for (const d of here)
      builder.row(
        `use_${d.chosen}`,
        [
          [used, 1],
          [d.chosen, -1],
        ],
        { lower: 0 },
      );
  }
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
    // lime and sulfur are fixed amounts: so many packages are bought in every plan
    const fixedLb = problem.zones.reduce(
      (sum, zone) =>
        sum +
        zone.corrections
          .filter((c) => c.product.id === product.id)
          .reduce((lb, c) => lb + (c.doses * c.rateLb * zone.zone.areaSqFt) / 1000, 0),
      0,
    );
    const bought = builder.column(`buy_${product.id}`, {
      cost: pricePerLb * (perPackage ?? 1),
      integer: perPackage !== undefined,
      lower: perPackage === undefined ? 0 : Math.max(0, Math.ceil((fixedLb - onHand) / perPackage - 1e-9)),
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
    const stands = problem.zones
      .flatMap((zone) => zone.standing.map((d) => ({ d, perThousand: zone.zone.areaSqFt / 1000 })))
      .filter(({ d }) => !d.given && d.product.id === product.id)
      .reduce((sum, { d, perThousand }) => sum + d.rateLb * perThousand, 0);
    // left = on hand + bought - used - standing
    stores.push({ productId: product.id, bought, availableLb: onHand - stands });
    addFirstPackageRows(builder, product, bought, doses);
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
