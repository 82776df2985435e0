import fc from 'fast-check';
import Qty from 'js-quantities';
import { describe, expect, it } from 'vitest';
import { evaluate, explain } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { UNIT_IDS, UNIT_TABLE, unitConvert, type UnitId } from './table';

const convert = (value: number, from: UnitId, to: UnitId): number => {
  const answer = evaluate(unitConvert, { value, from, to });
  if (isRefusal(answer)) throw new Error(answer.refused);
  return answer;
};

describe('units', () => {
  it.each([
    // NIST SP 811 and Handbook 44, printed to the figures given there
    [1, 'lb/1000 ft2', 'kg/ha', 48.8242763638],
    [1, 'lb/1000 ft2', 'g/m2', 4.88242763638],
    [1, 'oz/1000 ft2', 'g/m2', 0.305151727274],
    [1, 'gal/1000 ft2', 'L/100 m2', 4.07458333333],
    [1, 'gal', 'L', 3.785411784],
    [1, 'yd3', 'm3', 0.764554857984],
    [1, 'lb/gal', 'kg/L', 0.119826427317],
    [1, 'acre', 'ha', 0.40468564224],
    [1, 'psi', 'kPa', 6.894757293168],
    [1, 'fl oz', 'mL', 29.5735295625],
    [212, 'deg F', 'deg C', 100],
    [-40, 'deg C', 'deg F', -40],
  ] as const)('%s %s in %s is %s', (value, from, to, printed) => {
    expect(convert(value, from, to) / printed).toBeCloseTo(1, 11);
  });
  it.each([
    ['mile', 'ft', 'mile', 'ft'],
    ['yd', 'cm', 'yd', 'cm'],
    ['qt', 'mL', 'qt', 'ml'],
    ['ft3', 'gal', 'ft^3', 'gal'],
    ['ton', 'kg', 'short-ton', 'kg'],
    ['oz', 'g', 'oz', 'g'],
    ['ha', 'acre', 'hectare', 'acre'],
    ['lb/acre', 'kg/ha', 'lb/acre', 'kg/hectare'],
    ['gal/acre', 'L/ha', 'gal/acre', 'l/hectare'],
    ['in/h', 'mm/day', 'in/h', 'mm/day'],
    ['mph', 'm/s', 'mi/h', 'm/s'],
    ['ft/min', 'km/h', 'ft/min', 'km/h'],
    ['gal/min', 'L/min', 'gal/min', 'l/min'],
    ['bar', 'psi', 'bar', 'psi'],
    ['lb/ft3', 'g/cm3', 'lb/ft^3', 'g/cm^3'],
  ] as const)('agrees with a general unit library (js-quantities) on %s in %s', (from, to, theirFrom, theirTo) => {
    expect(convert(1, from, to) / Qty(`1 ${theirFrom}`).to(theirTo).scalar).toBeCloseTo(1, 5);
  });
  const unit = fc.constantFrom(...UNIT_IDS);
  it('go there and back, and over a third, to a part in 10^12', () =>
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), unit, unit, unit, (value, a, b, c) => {
        const same = (x: UnitId) => UNIT_TABLE[x].dimension === UNIT_TABLE[a].dimension;
        fc.pre(same(b) && same(c));
        const size = Math.max(1, Math.abs(value), Math.abs(convert(value, a, c)));
        expect(Math.abs(convert(convert(value, a, b), b, a) - value) / size).toBeLessThan(1e-12);
        expect(Math.abs(convert(convert(value, a, b), b, c) - convert(value, a, c)) / size).toBeLessThan(1e-12);
      }),
      { numRuns: 400 },
    ));
  it('that measure two things are refused in a sentence, and so is one that is none', () => {
    expect(explain(unitConvert, { value: 2.5, from: 'lb/1000 ft2', to: 'gal/acre' })).toMatchObject({
      refused: 'lb/1000 ft2 is a mass on an area, gal/acre a volume on an area: one does not go into the other.',
      field: 'to',
    });
    expect(explain(unitConvert, { value: 1, from: 'furlong', to: 'm' })).toMatchObject({ field: 'from' });
  });
});
