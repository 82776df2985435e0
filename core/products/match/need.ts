import type { LocalCode, Product, Zone } from '../../records/case';
import type { Grass } from '../../packs/grasses';
import { ecceOf, limeKindOf } from '../../lime/lime-label';
import type { ZonePrescription } from '../../prescription/prescription';

/** What a trip must bring; lime counts as pure CaCO3, sulfur as free S. */
export const NEEDS = ['N', 'P2O5', 'K2O', 'lime', 'sulfur'] as const;
export type NeedFor = (typeof NEEDS)[number];
/** lb of each/1000 ft2 in one trip; absent or 0 where nothing is asked. */
export type Need = Partial<Record<NeedFor, number>>;

/** Everything the shelf is judged against. */
export interface MatchContext {
  /** The zone; `weak` where its report shows soil that holds little (C4). */
  zone: Zone & { weak?: boolean };
  grass: Grass;
  codes: readonly LocalCode[];
  prescription: ZonePrescription;
  /** Sentence of the phosphorus finding: "71 ppm, high". */
  phosphorusSays?: string;
  soilPh?: number;
  /** Electrical conductivity reads saline, or sodium sodic. */
  salty?: boolean;
  /** Mean air temperature of the day, deg F, where the trip has a date and the property a climate. */
  meanF?: number;
}

/** Percent of a product that counts for a need: guaranteed analysis, ECCE for lime, free S for sulfur. */
export function percentToward(product: Product, need: NeedFor): number {
  if (need === 'lime') return limeKindOf(product) === undefined ? 0 : ecceOf(product);
  if (need === 'sulfur') return product.guaranteed['S-free'] ?? 0;
  return product.guaranteed[need] ?? 0;
}

/** What the words call it: "lb CaCO3" for lime. */
export const needInWords = (need: NeedFor): string => (need === 'lime' ? 'CaCO3' : need === 'sulfur' ? 'free S' : need);

/** The needs that are asked, first the one that sets the rate. */
export const asked = (need: Need): NeedFor[] => NEEDS.filter((each) => (need[each] ?? 0) > 1e-9);

/** Lime that the prescription gives, as CaCO3; 0 where none. Acid nitrogen is counted against it. */
export const limeGivenLb = ({ ph }: ZonePrescription, products: readonly Product[]): number =>
  ph.action === 'lime' && ph.material
    ? (ph.material.value * ecceOf(products.find((p) => p.id === ph.productId))) / 100
    : 0;
