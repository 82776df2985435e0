import type { Product } from '../records/case';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { limeEcce } from './ecce';

export type LimeKind = NonNullable<Product['limeKind']>;

/** Magnesium from which a lime is dolomitic, percent (B10). Common practice. */
const DOLOMITIC_FROM_MG_PERCENT = 6;
/** Above this no carbonate can be: it is hydrated or burnt, and the label must say which (B10). Dolomite pure is 108.5. */
const CAUSTIC_ABOVE_CCE_PERCENT = 115;
/** Neutralising value assumed where the shelf holds no lime, percent. Common practice for agricultural lime. */
export const ASSUMED_ECCE_PERCENT = 90;

/**
 * What lime a label is (B10): the kind it says, else by its CCE and magnesium; 'asked' where it must be hydrated or burnt and the
 * label does not say which; undefined where it is no lime. CCE 95 with 11 % Mg: dolomitic.
 */
export function limeKindOf({ limeKind, ccePercent, eccePercent, guaranteed }: Product): LimeKind | 'asked' | undefined {
  if (limeKind) return limeKind;
  const cce = ccePercent ?? eccePercent;
  if (cce === undefined || (guaranteed.N ?? 0) > 0) return undefined;
  if (cce > CAUSTIC_ABOVE_CCE_PERCENT) return 'asked';
  return (guaranteed.Mg ?? 0) >= DOLOMITIC_FROM_MG_PERCENT ? 'dolomitic' : 'calcitic';
}

/** ECCE of a lime, percent: as the label says, else from CCE and sieves, else its CCE, as if it were finely ground. CCE 95 alone: 95. */
export function ecceOf(product: Product | undefined): number {
  if (!product) return ASSUMED_ECCE_PERCENT;
  if (product.eccePercent !== undefined) return product.eccePercent;
  const { ccePercent, over8MeshPercent, mesh8to20Percent, mesh20to60Percent, under60MeshPercent } = product;
  if (ccePercent === undefined) return ASSUMED_ECCE_PERCENT;
  if (under60MeshPercent === undefined) return ccePercent;
  const sieved = evaluate(limeEcce, {
    ccePercent,
    over8MeshPercent: over8MeshPercent ?? 0,
    mesh8to20Percent: mesh8to20Percent ?? 0,
    mesh20to60Percent: mesh20to60Percent ?? 0,
    under60MeshPercent,
  });
  return isRefusal(sieved) || sieved <= 0 ? ccePercent : sieved;
}
