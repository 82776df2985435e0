import Qty from 'js-quantities';
import { describe, expect, it } from 'vitest';
import { ATOMIC_MASS, CACO3, CACO3_PER_S, ELEMENT_IN_OXIDE } from './atomic-masses';
import * as c from './conversions';

// js-quantities is a general unit library that knows nothing of this project
const to = (from: string, unit: string) => Qty(from).to(unit).scalar;

describe('exact conversions agree with a general unit library (js-quantities)', () => {
  it.each([
    ['square feet in an acre', c.SQ_FT_PER_ACRE, to('1 acre', 'ft^2')],
    ['pounds in a short ton', c.LB_PER_TON, to('1 short-ton', 'lb')],
    ['grams in a pound', c.G_PER_LB, to('1 lb', 'g')],
    ['kilograms in a pound', c.KG_PER_LB, to('1 lb', 'kg')],
    ['centimetres in a foot', c.CM_PER_FT, to('1 ft', 'cm')],
    ['metres in a foot', c.M_PER_FT, to('1 ft', 'm')],
    ['metres in a mile', c.M_PER_MILE, to('1 mile', 'm')],
    ['hectares in an acre', c.HA_PER_ACRE, to('1 acre', 'hectare')],
    ['square metres in 1000 ft2', c.SQ_M_PER_1000_SQ_FT, to('1000 ft^2', 'm^2')],
    ['fluid ounces in a gallon', c.FL_OZ_PER_GAL, to('1 gal', 'floz')],
    ['lb/acre of 1 lb/1000 ft2', c.THOUSANDS_PER_ACRE, to('1 acre', 'ft^2') / 1000],
    ['kg/ha of 1 lb/1000 ft2', (c.KG_PER_LB / c.SQ_M_PER_1000_SQ_FT) * 10_000, 48.8243],
    [
      'lb soil of 1 in at 1 g/cm3',
      c.SOIL_LB_PER_1000_PER_INCH,
      to('1000 ft^2', 'cm^2') * to('1 in', 'cm') * to('1 g', 'lb'),
    ],
  ])('%s', (_name, ours, theirs) => {
    expect(ours / theirs).toBeCloseTo(1, 5);
  });
});

describe('stoichiometry', () => {
  it('from atomic masses: CaCO3 100.09, 3.1218 lb CaCO3 for 1 lb S, oxide fractions (IUPAC; published)', () => {
    expect(CACO3).toBeCloseTo(100.086, 3);
    expect(CACO3_PER_S).toBeCloseTo(3.1218, 4);
    expect(ELEMENT_IN_OXIDE.P).toBeCloseTo(0.43643, 4);
    expect(ELEMENT_IN_OXIDE.K).toBeCloseTo(0.83015, 4);
    expect(ELEMENT_IN_OXIDE.Ca).toBeCloseTo(0.7147, 4);
    expect(ELEMENT_IN_OXIDE.Mg).toBeCloseTo(0.60304, 4);
    expect(ATOMIC_MASS.S / (ATOMIC_MASS.S + 4 * ATOMIC_MASS.O)).toBeCloseTo(0.33376, 4);
  });
});
