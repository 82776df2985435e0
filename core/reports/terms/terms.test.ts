import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayFrom } from '../../typed/typed-day';
import { depthFrom } from '../../typed/typed-depth';
import { readLabel } from './label';
import { decimalOf, numberFrom, valueFrom } from './values';

/** Labels as laboratories print them: common practice, and words of four languages. */
describe('a label', () => {
  it.each<[string, object]>([
    ['K (ppm, Mehlich-3)', { analyte: 'K', unit: 'ppm', method: 'mehlich-3' }],
    ['P µg/g Mehlich III', { analyte: 'P', unit: 'ppm', method: 'mehlich-3' }],
    ['P_lb/acre', { analyte: 'P', unit: 'lb/acre' }],
    ['Mg meq/100g NH4OAc', { analyte: 'Mg', unit: 'cmolc/kg', method: 'ammonium-acetate' }],
    ['P Bray (ppm)', { analyte: 'P', method: 'bray-p1' }],
    ['P1', { analyte: 'P', method: 'bray-p1' }],
    ['P-M3', { analyte: 'P', method: 'mehlich-3' }],
    ['pH CaCl2', { analyte: 'pH', method: 'cacl2' }],
    ['pH, 1:1 in water', { analyte: 'pH', method: 'water-1:1' }],
    ['WPH', { analyte: 'pH' }],
    ['BpH', { analyte: 'buffer-pH' }],
    ['SMP index', { analyte: 'buffer-pH', method: 'smp', factor: 0.1 }],
    ['SALTS', { analyte: 'EC' }],
    ['EC 1:2 (µS/cm)', { analyte: 'EC', unit: 'dS/m', factor: 0.001, method: 'water-1:2' }],
    ['Free lime %', { analyte: 'CaCO3', unit: '%' }],
    ['Phosphorus, P *', { analyte: 'P' }],
    ['Potassium, K', { analyte: 'K' }],
    ['C.E.C.', { analyte: 'CEC' }],
    ['% K', { analyte: 'K', unit: '%' }],
    ['Base Saturation % Ca', { analyte: 'Ca', unit: '%' }],
    ['OM LOI %', { analyte: 'OM', unit: '%' }],
    // 1.724 x 0.1: g/kg of carbon to percent of organic matter
    ['Organic Carbon g/kg', { analyte: 'OM', unit: '%', factor: 0.1724 }],
    // an oxide is read where its unit is none of advice: 0.8301 of K2O is K (atomic weights)
    ['K2O mg/kg', { analyte: 'K', unit: 'ppm', factor: 0.8301 }],
    ['Kalium (CAL) mg/100 g', { analyte: 'K', unit: 'ppm', factor: 10, otherExtract: 'CAL' }],
    ['Magnesium CaCl2 mg/100 g', { analyte: 'Mg', otherExtract: 'CaCl2' }],
    ['Elektrische Leitfähigkeit (mS/cm)', { analyte: 'EC', unit: 'dS/m' }],
    ['Matière organique (g/kg)', { analyte: 'OM', unit: '%' }],
    ['MO (g/kg)', { analyte: 'OM' }],
    ['Capacité d’échange cationique meq/100 g', { analyte: 'CEC', unit: 'cmolc/kg' }],
    ['Potasio intercambiable (cmol(+)/kg)', { analyte: 'K', unit: 'cmolc/kg' }],
    ['Azufre mg kg-1', { analyte: 'S', unit: 'ppm' }],
    ['Depth cm', { fact: 'depthIn', factor: 1 / 2.54 }],
    ['W/V (g/cm3)', { fact: 'scoopGPerCm3' }],
    ['Lab #', { fact: 'labNumber' }],
    ['Datum der Probenahme', { fact: 'sampledOn' }],
    ['Fecha de muestreo', { fact: 'sampledOn' }],
    ['Bag', { fact: 'bag' }],
    ['Client', { fact: 'property' }],
    ['Client no.', { kind: 'kept' }],
    ['P2', { kind: 'kept', why: expect.stringContaining('strong Bray') }],
    ['Ammonium ppm', { kind: 'kept' }],
    ['H %', { kind: 'kept' }],
    ['K2O lb/A', { kind: 'other', why: expect.stringContaining('oxide') }],
    ['T.E.C. adj.', { kind: 'other' }],
    ['F. I.', { kind: 'other' }],
    ['constructor', { kind: 'other' }],
    ['Buffer pH 6.6', { kind: 'other' }],
    // 2000 lb on 43.56 thousand square feet
    ['Lime recommendation (tons/acre)', { of: 'limeLb', perThousand: 2000 / 43.56 }],
    ['Lime lb/1000', { of: 'limeLb', perThousand: 1 }],
    ['Recommended K2O (lbs/A)', { of: 'K2OLb', perThousand: 1 / 43.56 }],
    ['Lime requirement', { kind: 'advice', of: 'limeLb' }],
  ])('%s', (text, meaning) => expect(readLabel(text).meaning).toMatchObject(meaning));
  it('says so where it only guesses', () => {
    expect(readLabel('Potasium')).toMatchObject({ meaning: { analyte: 'K' }, sure: 'guess' });
    expect(readLabel('Potassium').sure).toBe('certain');
    expect(readLabel('Phosphorus, P *').mark).toBe('*');
  });
});

describe('a value', () => {
  it.each<[string, object | undefined]>([
    ['62 L', { value: 62, rating: 'L' }],
    ['VH 180', { value: 180, rating: 'VH' }],
    ['62 (L)', { value: 62, rating: 'L' }],
    ['<0.5', { value: 0.5, qualifier: '<' }],
    ['> 200', { value: 200, qualifier: '>' }],
    ['1,250', { value: 1250 }],
    ['6.1*', { value: 6.1, mark: '*' }],
    ['44 ppm', { value: 44, unit: { unit: 'ppm' } }],
    ['6.6 (SMP)', { value: 6.6, method: 'SMP' }],
    ['-3', { value: -3 }],
    ['ND', { instead: 'ND' }],
    ['n/a', { instead: 'n/a' }],
    ['trace', { instead: 'trace' }],
    ['n.b.', { instead: 'n.b.' }],
    ['0-4', undefined],
    ['10/12/2026', undefined],
    ['S 12', undefined],
    ['M3 ppm', undefined],
    ['4o', undefined],
    ['QL-1', undefined],
  ])('%s', (text, value) =>
    value === undefined ? expect(valueFrom(text)).toBeUndefined() : expect(valueFrom(text)).toMatchObject(value),
  );
  it.each<[string, '.' | ',', number]>([
    ['5.6', '.', 5.6],
    ['1,250.5', '.', 1250.5],
    ['5,6', ',', 5.6],
    ['1.250,5', ',', 1250.5],
    ['1 250', ',', 1250],
    ['5.6', ',', NaN],
    ['5,6', '.', NaN],
  ])('%s with a decimal "%s" is %d', (text, mark, value) => expect(numberFrom(text, mark)).toEqual(value));
  it('is written with the mark that most numbers show', () => {
    expect(decimalOf(['5,6', '44', '1.250'])).toMatchObject({ mark: ',', because: '5,6 has a decimal comma' });
    expect(decimalOf(['5.6', '1,250'])).toMatchObject({ mark: '.' });
    expect(decimalOf(['44'])).toMatchObject({ mark: '.', because: 'no number shows another' });
  });
  it('is read as it was written, by either mark', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9_999_999 }), (n) => {
        const value = n / 100;
        const grouped = value.toLocaleString('en-US', { minimumFractionDigits: 2 });
        const european = grouped.replaceAll(',', ' ').replace('.', ',');
        return numberFrom(grouped, '.') === value && numberFrom(european, ',') === value;
      }),
    );
  });
  it('never throws, and neither does a label, a day, a depth', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        readLabel(text);
        const value = valueFrom(text);
        const day = dayFrom(text, 'day-first');
        const depth = depthFrom(text);
        return (
          (value?.value === undefined || Number.isFinite(value.value)) &&
          (day === undefined || /^\d{4}-\d\d-\d\d$/.test(day)) &&
          (depth === undefined || Number.isFinite(depth))
        );
      }),
    );
  });
});

describe('days and depths', () => {
  it.each<[string, 'month-first' | 'day-first', string | undefined]>([
    ['10/12/2026', 'month-first', '2026-10-12'],
    ['10/12/2026', 'day-first', '2026-12-10'],
    ['12.10.26', 'day-first', '2026-10-12'],
    ['2 Mar 2027', 'month-first', '2027-03-02'],
    ['12. Oktober 2026', 'day-first', '2026-10-12'],
    ['12 octobre 2026', 'day-first', '2026-10-12'],
    ['12 de octubre de 2026', 'day-first', '2026-10-12'],
    ['31/02/2027', 'day-first', undefined],
  ])('%s, %s', (text, order, day) => expect(dayFrom(text, order)).toBe(day));
  it.each<[string, number | undefined]>([
    ['0-4 in', 4],
    ['0 to 4 inches', 4],
    ['0 à 10 cm', 10 / 2.54],
    ['6 2/3', 20 / 3],
    ['6⅔ in', 20 / 3],
    ['4"', 4],
    ['deep', undefined],
  ])('depth %s', (text, inches) =>
    inches === undefined ? expect(depthFrom(text)).toBeUndefined() : expect(depthFrom(text)).toBeCloseTo(inches, 9),
  );
});
