import type { Product } from '../records/case';
import type properties from '../packs/product-properties.json';
import type { ACIDITY_PER_LB_N } from '../nitrogen/acidity';
import { percentOfForms } from '../nitrogen/forms';

export type SaltCarrier = keyof typeof properties.carriers.values;
export type NitrogenSource = keyof typeof ACIDITY_PER_LB_N;
/** Chloride beside the potash of potassium chloride, K2O per Cl: 63.18 over 47.55. Stoichiometry, IUPAC masses. */
const K2O_PER_CL = 1.3287;

const positive = <K extends string>(given: Record<K, number>): Partial<Record<K, number>> =>
  Object.fromEntries(Object.entries<number>(given).filter(([, value]) => value > 1e-9)) as Partial<Record<K, number>>;

/** Ammoniacal and nitrate N sorted into the salts they come from. */
function ammoniumAndNitrate(product: Product) {
  const { ammoniacal = 0, nitrate = 0 } = product.nitrogen ?? {};
  const { P2O5 = 0, 'S-combined': sulfate = 0 } = product.guaranteed;
  // equal parts of both forms are ammonium nitrate; what is left over has another partner
  const paired = Math.min(ammoniacal, nitrate);
  const left = ammoniacal - paired;
  const phosphate = P2O5 > 0 && sulfate === 0 ? left : 0;
  return { ammoniumNitrate: 2 * paired, map: phosphate, ammoniumSulfate: left - phosphate, nitrate: nitrate - paired };
}

/**
 * Percent of nutrient that each salt of a bag brings, as far as a label tells. Slow nitrogen counts nothing while it
 * holds. Muriate of potash 60 with 46 % chloride: all 60 % K2O from potassium chloride.
 */
export function saltCarriers(product: Product): Partial<Record<SaltCarrier, number>> {
  const { N = 0, K2O = 0, Cl = 0 } = product.guaranteed;
  const { urea = 0, 'other-soluble': other = 0 } = product.nitrogen ?? {};
  const salts = ammoniumAndNitrate(product);
  const muriate = Math.min(K2O, Cl * K2O_PER_CL);
  return positive({
    'urea N': product.nitrogen ? urea + other : N,
    'ammonium sulfate N': salts.ammoniumSulfate,
    'ammonium nitrate N': salts.ammoniumNitrate,
    'MAP N': salts.map,
    'nitrate N': salts.nitrate,
    'potassium chloride K2O': muriate,
    'potassium sulfate K2O': K2O - muriate,
  });
}

/** Percent N of a bag by the source whose acidity it has; slow urea turns sour like urea once it is free. */
export function acidifyingSources(product: Product): Partial<Record<NitrogenSource, number>> {
  const { N = 0, Ca = 0, K2O = 0, Cl = 0 } = product.guaranteed;
  if (!product.nitrogen) return positive({ urea: N } as Record<NitrogenSource, number>);
  const salts = ammoniumAndNitrate(product);
  const fromPotassium = Ca === 0 && K2O > 0 && Cl === 0 ? salts.nitrate : 0;
  return positive({
    'ammonium-sulfate': salts.ammoniumSulfate,
    urea: percentOfForms(product, (form) => form.sours === 'urea'),
    'ammonium-nitrate': salts.ammoniumNitrate,
    map: salts.map,
    'calcium-nitrate': salts.nitrate - fromPotassium,
    'potassium-nitrate': fromPotassium,
    organic: percentOfForms(product, (form) => form.sours === 'organic'),
  });
}
