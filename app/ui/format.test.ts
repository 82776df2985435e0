import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { numberStyle, readNumber } from '@core/typed/number-style';
import { LOCALES } from '@core/records/settings-schema';
import { showArea, showProductRate, showRate, showWeight } from '@core/words/numbers';
import { QUANTITIES, type QuantityId, Units, US_UNITS } from './format';

const us = new Units();
const si = new Units({ ...US_UNITS, system: 'si' });
const hectares = new Units({ ...US_UNITS, system: 'si', nutrientRate: 'kg/ha' });
const german = new Units({ ...US_UNITS, system: 'si', locale: 'de-DE' });
const IDS = Object.keys(QUANTITIES) as QuantityId[];

describe('numbers and units', () => {
  it('in US are what they always were', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1e6, noNaN: true }), (value) => {
        expect(us.show('nutrient-rate', value)).toBe(showRate(value));
        expect(us.show('product-rate', value)).toBe(showProductRate(value));
        if (value >= 0.05) expect(us.show('weight', value)).toBe(showWeight(value));
        if (value >= 0.5) expect(us.show('area', value)).toBe(showArea(value));
      }),
    );
    expect(us.say('weight', 23.62, 'product')).toBe('23.6 lb product');
    expect(us.unit('nutrient-rate', 'N')).toBe('lb N per 1000 sq ft');
    expect(us.heading('nutrient-rate', 'K2O')).toBe('lb K2O per 1000');
    expect(us.short('nutrient-rate', 'N')).toBe('lb N');
    expect(si.short('nutrient-rate', 'N')).toBe('g N/m²');
    expect(si.heading('product-rate', 'lime')).toBe('g lime per m²');
  });
  it.each([
    // 1 lb/1000 ft2 is 4.88242763638 g/m2 or 48.8242763638 kg/ha (NIST SP 811)
    [si, 'nutrient-rate', 1, 'N', '4.9 g N per m²'],
    [hectares, 'nutrient-rate', 1, 'N', '49 kg N per ha'],
    [si, 'product-rate', 10.5, 'lime', '51 g lime per m²'],
    [si, 'weight', 23.62, 'product', '10.71 kg product'],
    [si, 'area', 4200, '', '390 m²'],
    [si, 'temperature', 68, '', '20.0 °C'],
    [si, 'temperature', 14, '', '−10.0 °C'],
    [si, 'depth', 3, '', '76 mm'],
    [si, 'carrier', 1, 'water', '4.1 L water per 100 m²'],
    [german, 'area', 100_000, '', '9.290 m²'],
    [german, 'weight', 1.5, 'product', '0,68 kg product'],
  ] as const)('%#: %s', (units, id, value, of, says) => expect(units.say(id, value, of)).toBe(says));
  it('show exact numbers with as many decimals as they need', () => {
    expect([3, 3.5, 3.125, 0.1 + 0.2, 2.123456].map((value) => us.exact('nutrient-rate', value))).toEqual([
      '3',
      '3.5',
      '3.125',
      '0.3',
      '2.123',
    ]);
    expect(si.exact('nutrient-rate', 3.5)).toBe(si.show('nutrient-rate', 3.5));
  });
  it('show nothing as nothing, and a little as more than nothing', () => {
    expect(si.show('nutrient-rate', 0)).toBe('0.0');
    expect(us.show('nutrient-rate', 0.004)).toBe('under 0.01');
    expect(us.show('nutrient-rate', -0.001)).toBe('0.00');
  });
  it('in SI differ from the US number by less than half a last place', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...IDS),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.constantFrom(...LOCALES),
        (id, value, locale) => {
          const units = new Units({ ...US_UNITS, system: 'si', locale });
          const { si: b } = QUANTITIES[id];
          const said = units.show(id, value);
          const back = readNumber(said.replace('under ', ''), numberStyle(locale), 'n', 'n');
          // with three decimals and a comma even a reader would ask
          if (typeof back !== 'number') return;
          const exact = units.inShown(id, value);
          if (!said.startsWith('under '))
            expect(Math.abs(back - exact)).toBeLessThanOrEqual(0.5 * 10 ** -b.decimals(exact) + 1e-6);
        },
      ),
    );
  });
});
