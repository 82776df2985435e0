/** A nutrient that a soil test prescribes. */
export type PrescribedNutrient = 'P' | 'K' | 'Mg' | 'S';
/** As bags state it. */
export const SOLD_AS = { P: 'P2O5', K: 'K2O', Mg: 'Mg', S: 'S' } as const;
export const NUTRIENT_NAMES = { P: 'Phosphorus', K: 'Potassium', Mg: 'Magnesium', S: 'Sulfur' } as const;
