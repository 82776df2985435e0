import type { PlannedFor, Product } from '../records/case';
import type { Grass } from '../packs/grasses';
import { gypsumPercent } from '../gypsum/gypsum-label';
import { ecceOf, limeKindOf } from '../lime/lime-label';
import { slowShare } from '../nitrogen/forms';
import { isSurfaceUrea } from '../nitrogen/surface-urea';
import { isStrongAcidifier } from './strong-acidifier';
import { FOLIAR_FEEDS, foliarPurposeOf, isFoliarPurpose } from '../foliar/foliar-feeds';
import { isFeed, unfitForCloseCut } from './close-cut-feeds';
import { packageLb } from './package-lb';

/** Chloride above this share makes a potash a muriate, percent. Sulfate of potash holds about 2. Common practice. */
export const HIGH_CHLORIDE_PERCENT = 10;

/** What a product carries of what it is chosen for, percent. */
export function percentFor(product: Product, purpose: PlannedFor): number {
  if (purpose === 'lime') return limeKindOf(product) === undefined ? 0 : 100;
  if (purpose === 'gypsum') return gypsumPercent(product) > 0 ? 100 : 0;
  if (purpose === 'sulfur') return product.guaranteed['S-free'] ?? 0;
  if (isFoliarPurpose(purpose))
    return foliarPurposeOf(product) === purpose ? (product.guaranteed[FOLIAR_FEEDS[purpose].element] ?? 0) : 0;
  return product.guaranteed[purpose] ?? 0;
}

export interface ShelfContext {
  grass: Grass;
  phosphorusWanted: boolean;
  potassiumWanted: boolean;
  /** Salty ground for this grass: no chloride on top (A3). */
  saline?: boolean;
  /** Soil too acid, or lime outstanding: strong acidifiers come last (B5). */
  acidSoil?: boolean;
  /** Above pH 7.3 or with free carbonate: ammonium and slow forms come before surface urea (C5). */
  limySoil?: boolean;
  /** Turf cut close is spoon-fed: fine granules and sprays, no lawn grade (C10). */
  closeCut?: boolean;
}

/** Why a product may not be used for a purpose on a zone, or undefined where it may. */
export function excluded(
  product: Product,
  purpose: PlannedFor,
  { grass, phosphorusWanted, saline, closeCut }: ShelfContext,
): string | undefined {
  const { guaranteed } = product;
  if (product.pesticide)
    return 'holds a pesticide: it has a label rate of its own and never enters a feeding plan by itself';
  if (product.unfinished) return 'its label is not finished';
  if (percentFor(product, purpose) === 0) return `carries no ${purpose === 'sulfur' ? 'free sulfur' : purpose}`;
  if (isFoliarPurpose(purpose))
    return product.form === 'liquid' && product.lbPerGal === undefined
      ? 'its weight a gallon is not on the label, so it cannot be measured out'
      : undefined;
  if (product.form === 'liquid' && !(closeCut && isFeed(purpose))) return 'liquids are a supplement, not planned here';
  const lime = limeKindOf(product);
  if (purpose === 'lime')
    return lime === 'burnt' || lime === 'hydrated'
      ? `${lime} lime is caustic and not planned on a lawn`
      : lime === 'asked'
        ? 'its CCE is above any carbonate: say whether it is hydrated or burnt'
        : undefined;
  if (purpose === 'gypsum') return undefined;
  if (purpose !== 'P2O5' && (guaranteed.P2O5 ?? 0) > 0 && !phosphorusWanted)
    return `carries P2O5, and the test asks for none`;
  if (purpose === 'K2O' && (guaranteed.N ?? 0) > 0) return 'carries nitrogen; plan it as a nitrogen product';
  if (purpose === 'sulfur') return (guaranteed.N ?? 0) > 0 ? 'carries nitrogen' : undefined;
  if (purpose === 'N' && (guaranteed['S-free'] ?? 0) > 0) return 'carries free sulfur, which would lower pH';
  if (saline && (guaranteed.Cl ?? 0) >= HIGH_CHLORIDE_PERCENT)
    return `chloride ${guaranteed.Cl} %: the ground is salty enough`;
  if (grass.lowChloride && (guaranteed.Cl ?? 0) >= HIGH_CHLORIDE_PERCENT)
    return `chloride ${guaranteed.Cl} %: ${grass.name} wants the sulfate`;
  if (lime !== undefined) return 'a lime';
  return closeCut && isFeed(purpose) ? unfitForCloseCut(product) : undefined;
}

/** Price of a pound of what the product is chosen for; lime counts by its neutralising value. Infinity without a price. */
export function pricePerLb(product: Product, purpose: PlannedFor): number {
  const lb = packageLb(product);
  const price = product.package?.price;
  if (lb === undefined || price === undefined) return Infinity;
  const share = purpose === 'lime' ? ecceOf(product) : percentFor(product, purpose);
  return price / (lb * (share / 100));
}

/** Products that may serve a purpose on a zone, the plainest choice first: on hand, then slow enough for N, then price. */
export function choicesFor(products: readonly Product[], purpose: PlannedFor, context: ShelfContext): Product[] {
  const usable = products.filter((p) => excluded(p, purpose, context) === undefined);
  const rank = (p: Product) =>
    [
      (purpose === 'N' && context.acidSoil && isStrongAcidifier(p) ? 2 : 0) +
        // potash nobody asked for is no bar, and the last choice (D1)
        (purpose === 'N' && !context.potassiumWanted && (p.guaranteed.K2O ?? 0) > 0 ? 1 : 0) +
        (purpose === 'N' && context.limySoil && isSurfaceUrea(p) ? 1 : 0) +
        // a spray without nitrogen goes out on any day
        (isFoliarPurpose(purpose) && (p.guaranteed.N ?? 0) > 0 ? 1 : 0),
      (p.onHandLb ?? 0) > 0 ? 0 : 1,
      purpose === 'N' && slowShare(p) < 0.3 ? 1 : 0,
      pricePerLb(p, purpose),
    ] as const;
  return usable.sort((a, b) => {
    const [x, y] = [rank(a), rank(b)];
    return x[0] - y[0] || x[1] - y[1] || x[2] - y[2] || (x[3] === y[3] ? a.name.localeCompare(b.name) : x[3] - y[3]);
  });
}
