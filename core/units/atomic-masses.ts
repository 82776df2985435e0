/**
 * Conventional atomic masses, g/mol. Source: IUPAC Commission on Isotopic Abundances and Atomic Weights, conventional
 * and abridged values. Published.
 */
export const ATOMIC_MASS = {
  H: 1.008,
  C: 12.011,
  N: 14.007,
  O: 15.999,
  Na: 22.99,
  Mg: 24.305,
  Al: 26.982,
  P: 30.974,
  S: 32.06,
  K: 39.098,
  Ca: 40.078,
} as const;

const m = ATOMIC_MASS;
/** Molar mass of calcium carbonate, the coin in which acidity is paid. */
export const CACO3 = m.Ca + m.C + 3 * m.O;

/** lb CaCO3 that neutralize as much as 1 lb CaO. Stoichiometry: 1.7848. */
export const CACO3_PER_CAO = CACO3 / (m.Ca + m.O);

/** lb CaCO3 dissolved by the acid of 1 lb elemental sulfur (S -> H2SO4 + CaCO3). Stoichiometry: 3.1218. */
export const CACO3_PER_S = CACO3 / m.S;

/** Mass fraction of the element in its oxide as bags and handbooks state it. Stoichiometry. */
export const ELEMENT_IN_OXIDE = {
  P: (2 * m.P) / (2 * m.P + 5 * m.O),
  K: (2 * m.K) / (2 * m.K + m.O),
  Ca: m.Ca / (m.Ca + m.O),
  Mg: m.Mg / (m.Mg + m.O),
} as const;

/** The oxide each element is sold as. */
export const OXIDE_OF = { P: 'P2O5', K: 'K2O', Ca: 'CaO', Mg: 'MgO' } as const;
