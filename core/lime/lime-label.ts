import type { Product } from '../records/case';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import type { FinenessRule } from '../packs/rule-packs';
import { FINENESS_RULES, limeEcce } from './ecce';

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

/** What an ECCE is reckoned from, where a label gives its sieves: its CCE, the shares of its classes and what each counts. */
export const sieveInputs = (
  { over8MeshPercent = 0, mesh8to20Percent = 0, mesh20to60Percent = 0 }: Product,
  ccePercent: number,
  under60MeshPercent: number,
  { over8Mesh, mesh8to20, mesh20to60, under60Mesh }: FinenessRule = FINENESS_RULES[0] as FinenessRule,
) => ({
  ccePercent,
  over8MeshPercent,
  mesh8to20Percent,
  mesh20to60Percent,
  under60MeshPercent,
  over8Counts: over8Mesh,
  mesh8to20Counts: mesh8to20,
  mesh20to60Counts: mesh20to60,
  under60Counts: under60Mesh,
});

/**
 * ECCE of a lime from its sieves by a state's fineness rule, percent; undefined where the label gives no sieves, or none that add up.
 * CCE 95 with 0/10/30/60 by the usual rule: 76.
 */
export function ecceBySieves(product: Product, rule?: FinenessRule): number | undefined {
  const { ccePercent, under60MeshPercent } = product;
  if (ccePercent === undefined || under60MeshPercent === undefined) return undefined;
  const sieved = evaluate(limeEcce, sieveInputs(product, ccePercent, under60MeshPercent, rule));
  return isRefusal(sieved) || sieved <= 0 ? undefined : sieved;
}

/**
 * Limes of a shelf as a fineness rule counts them: those whose label gives sieves and no ECCE get theirs by the rule. The shelf as
 * it is where the rule is the one that ships.
 */
export const byFineness = (products: readonly Product[], rule: FinenessRule): readonly Product[] =>
  rule === FINENESS_RULES[0]
    ? products
    : products.map((product) => {
        const eccePercent = product.eccePercent ?? ecceBySieves(product, rule);
        return eccePercent === undefined ? product : { ...product, eccePercent };
      });

/** ECCE of a lime, percent: as the label says, else from CCE and sieves, else its CCE, as if it were finely ground. CCE 95 alone: 95. */
export function ecceOf(product: Product | undefined): number {
  if (!product) return ASSUMED_ECCE_PERCENT;
  if (product.eccePercent !== undefined) return product.eccePercent;
  return product.ccePercent === undefined ? ASSUMED_ECCE_PERCENT : (ecceBySieves(product) ?? product.ccePercent);
}
