import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isRefusal } from '../reckoning/refusal';
import { inUnit, UNIT_IDS, UNIT_TABLE, type UnitId } from '../units/table';
import { numberStyle, readNumber } from './number-style';
import { typedQuantity } from './typed-quantity';

const US = numberStyle('en-US');
const DE = numberStyle('de-DE');
const read = (text: string, style = US) => {
  const value = readNumber(text, style, 'Rate', 'rate');
  return isRefusal(value) ? `refused: ${value.refused}` : value;
};

describe('a number of a locale', () => {
  it.each([
    ['1.5', US, 1.5],
    ['1,250', US, 1250],
    ['1,250.5', US, 1250.5],
    ['−3.2', US, -3.2],
    ['.5', US, 0.5],
    ['1,25', US, 1.25],
    ['12,345,678', US, 12_345_678],
    ['1.234,5', US, 1234.5],
    ['1,5', DE, 1.5],
    ['1.250,5', DE, 1250.5],
    ['1.5', DE, 1.5],
    ['12 345,6', DE, 12_345.6],
    ['1.234.567', DE, 1_234_567],
    ['0,075', numberStyle('pt-BR'), 'asked'],
    ['1,250', DE, 'asked'],
    ['1.250', DE, 'asked'],
    ['1,250', numberStyle('fr-CA'), 'asked'],
    ['1,250', numberStyle('es-MX'), 1250],
    ['', US, undefined],
  ] as const)('%s', (text, style, value) => {
    const found = read(text, style);
    if (value === 'asked') expect(found).toMatch(/^refused: Rate: .* or .*\?/);
    else expect(found).toBe(value);
  });
  it.each(['five', '1,2,3.4.5', '--2', '1e5', '.', '1.2.3,4,5', 'NaN', 'Infinity'])('%s is none', (text) => {
    expect(read(text)).toMatch(/^refused/);
    expect(read(text, DE)).toMatch(/^refused/);
  });
  it('comes back as it was shown by the platform, in every locale that is offered', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('en-US', 'en-CA', 'en-GB', 'fr-CA', 'es-US', 'es-MX', 'de-DE', 'pt-BR'),
        fc.integer({ min: -9_999_999, max: 9_999_999 }),
        (locale, hundredths) => {
          const value = hundredths / 100;
          const text = new Intl.NumberFormat(locale, { minimumFractionDigits: 2, numberingSystem: 'latn' }).format(
            value,
          );
          expect(readNumber(text, numberStyle(locale), 'n', 'n')).toBe(value);
        },
      ),
    );
  });
});

const length = { shown: 'ft', core: 'ft', style: US, label: 'Side', field: 'side' } as const;
const valueOf = (text: string, of: Parameters<typeof typedQuantity>[1]) => {
  const found = typedQuantity(text, of);
  return isRefusal(found) ? `refused: ${found.refused}` : found?.value;
};

describe('a quantity typed', () => {
  it('takes the shown unit, or any that measures the same', () => {
    const weight = { ...length, shown: 'lb', core: 'lb', label: 'Weight', field: 'weight' } as const;
    // 12 kg / 0.45359237
    expect(valueOf('12 kg', weight)).toBeCloseTo(26.455471462, 8);
    expect(valueOf('12', weight)).toBe(12);
    expect(valueOf('12', { ...weight, shown: 'kg' })).toBeCloseTo(26.455471462, 8);
    expect(valueOf('4 oz', weight)).toBeCloseTo(0.25, 12);
    expect(valueOf('1/2 in', { ...length, shown: 'in', core: 'in' })).toBe(0.5);
    expect(valueOf('1 1/2 in', { ...length, shown: 'in', core: 'in' })).toBe(1.5);
    expect(valueOf('2½"', { ...length, shown: 'in', core: 'in' })).toBe(2.5);
    expect(valueOf('3\' 6"', length)).toBe(3.5);
    expect(valueOf('3 ft 6 1/2 in', length)).toBeCloseTo(3 + 6.5 / 12, 12);
    expect(valueOf('1,250 m²', { ...length, shown: 'ft2', core: 'ft2' })).toBeCloseTo(13_454.888, 2);
    expect(valueOf('4,9 g/m2', { ...length, shown: 'lb/1000 ft2', core: 'lb/1000 ft2', style: DE })).toBeCloseTo(
      1.0036,
      4,
    );
    expect(valueOf('20 °C', { ...length, shown: 'deg F', core: 'deg F' })).toBeCloseTo(68, 12);
    expect(valueOf('', length)).toBeUndefined();
  });
  it('keeps what was typed and in which unit, so that it shows the same again', () => {
    expect(typedQuantity(' 12 kg ', { ...length, shown: 'lb', core: 'lb' })).toMatchObject({
      text: '12 kg',
      unit: 'kg',
    });
  });
  it.each([
    ['12 stone', 'with a unit behind it'],
    ['12 kg', 'is not measured in kg'],
    ['kg', 'is not measured in kg'],
    ['ft', 'the number is missing'],
    ['1/0 ft', 'parted into 0'],
    ['x ft', 'with a unit behind it'],
  ])('%s is refused: %s', (text, says) => expect(valueOf(text, length)).toContain(says));
  it('goes there and back in every unit within 1e-12, and never throws whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNIT_IDS),
        fc.constantFrom(...UNIT_IDS),
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        (a, b, value) => {
          if (UNIT_TABLE[a].dimension !== UNIT_TABLE[b].dimension) {
            expect(() => inUnit(value, a, b)).toThrow(RangeError);
            return;
          }
          const back = inUnit(inUnit(value, a, b), b, a);
          expect(Math.abs(back - value)).toBeLessThanOrEqual(1e-12 * Math.max(1e3, Math.abs(value)));
        },
      ),
    );
    fc.assert(
      fc.property(fc.string(), fc.constantFrom<UnitId>('ft', 'lb', 'deg F', 'ft2'), (text, unit) => {
        const found = typedQuantity(text, { ...length, shown: unit, core: unit });
        if (found !== undefined && !isRefusal(found)) expect(Number.isFinite(found.value)).toBe(true);
      }),
    );
  });
});
