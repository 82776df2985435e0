/**
 * Exact conversions. Rates of the trade are per 1000 ft2; laboratories and handbooks speak per acre.
 */

/** Square feet in an acre. Source: NIST Handbook 44, appendix C. Published. */
export const SQ_FT_PER_ACRE = 43_560;

/** Thousands of square feet in an acre: lb/acre divided by this is lb/1000 ft2. Derived. */
export const THOUSANDS_PER_ACRE = SQ_FT_PER_ACRE / 1000;

/** Pounds in a US short ton. Source: NIST Handbook 44, appendix C. Published. */
export const LB_PER_TON = 2000;

/** Grams in an avoirdupois pound, exact by definition. Source: NIST Handbook 44, appendix C. Published. */
export const G_PER_LB = 453.59237;

/** Centimetres and metres in a foot, metres in a mile, exact by definition. */
export const CM_PER_FT = 30.48;
export const M_PER_FT = 0.3048;
export const M_PER_MILE = 1609.344;

/** Centimetres and millimetres in an inch, exact by definition. */
export const CM_PER_INCH = 2.54;
export const MM_PER_INCH = 25.4;

/** deg C from deg F, and back. 212 deg F is 100 deg C. */
export const celsiusFromFahrenheit = (f: number): number => ((f - 32) * 5) / 9;
export const fahrenheitFromCelsius = (c: number): number => (c * 9) / 5 + 32;

/** Square metres in 1000 ft2. Derived: (0.3048 m)^2 × 1000. */
export const SQ_M_PER_1000_SQ_FT = 0.3048 ** 2 * 1000;

/** Hectares in an acre. Derived from the two above. */
export const HA_PER_ACRE = (SQ_M_PER_1000_SQ_FT * THOUSANDS_PER_ACRE) / 10_000;

/** Kilograms in a pound. */
export const KG_PER_LB = G_PER_LB / 1000;

/** Ounces in a pound. */
export const OZ_PER_LB = 16;

/** Fluid ounces in a US gallon. */
export const FL_OZ_PER_GAL = 128;

/**
 * Soil in a slice one inch deep over 1000 ft2 at bulk density 1 g/cm3, lb. Derived: 1000 ft2 × 1 in in cm3, × 1 g/cm3.
 * 5202.33 to two decimals.
 */
export const SOIL_LB_PER_1000_PER_INCH = (1000 * CM_PER_FT ** 2 * CM_PER_INCH) / G_PER_LB;

/** Soil the laboratories assume in an acre furrow slice (6 2/3 in), lb. Customary: ppm × 2 = lb/acre. */
export const ACRE_FURROW_SLICE_LB = 2_000_000;

/** Depth of the acre furrow slice, in. Customary. */
export const FURROW_SLICE_IN = 20 / 3;

/** lb/1000 ft2 from tons/acre. 1 ton/acre is 45.91 lb/1000 ft2. */
export const lbPer1000FromTonsPerAcre = (tonsPerAcre: number): number =>
  (tonsPerAcre * LB_PER_TON) / THOUSANDS_PER_ACRE;
