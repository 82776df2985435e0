import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Product } from '../../records/case';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import { isRefusal } from '../../reckoning/refusal';
import { checkLabel, formsShortBy, labelRateLb } from './check-label';
import { faceOf } from './face';
import { gradeInWords, readGrade } from './grade';

const readings = (text: string): string[] | string => {
  const read = readGrade(text);
  return isRefusal(read) ? read.refused : read.map(gradeInWords);
};
const bag = (over: Partial<Product>): Product => ({
  id: 'x',
  name: 'Some bag',
  form: 'granular',
  guaranteed: {},
  ...over,
});
const ids = (product: Product) => checkLabel(product).map((remark) => `${remark.standing} ${remark.id}`);

describe('the three numbers', () => {
  it.each([
    ['32-0-10', ['32-0-10']],
    ['24 0 11', ['24-0-11']],
    ['24–0–11', ['24-0-11']],
    ['16.5/0/8', ['16.5-0-8']],
    ['0-0-50', ['0-0-50']],
    ['46% 0 0', ['46-0-0']],
    ['000', ['0-0-0']],
    ['32010', ['32-0-10', '3-20-10']],
    ['15015', ['15-0-15', '1-50-15']],
    ['18246', ['18-24-6', '18-2-46']],
    ['555', ['5-5-5']],
    ['0050', ['0-0-50']],
    ['4600', ['46-0-0', '4-60-0']],
  ])('reads %s', (text, expected) => expect(readings(text)).toEqual(expected));

  it('offers every reading that uses each digit, without leading zeros, of at most 100 %', () => {
    expect(readings('6420')).toEqual(['64-2-0', '6-4-20', '6-42-0']);
    expect(readings('4002')).toEqual(['40-0-2']);
  });

  it.each([
    '',
    '  ',
    '46',
    '32-0',
    '1-2-3-4',
    'urea',
    '60-30-20',
    '-1-2-3x',
    '1e3-0-0',
    '12345678901234567890',
    '<b>1</b>',
    '٣٢-٠-١٠',
  ])('refuses “%s” with a sentence', (text) => {
    const read = readGrade(text);
    expect(isRefusal(read) && read.field === 'grade' && read.refused.length > 20, JSON.stringify(read)).toBe(true);
  });

  it('survives anything: a refusal, or readings that a bag could hold', () => {
    const noise = fc.oneof(
      fc.string(),
      fc.string({ unit: 'binary' }),
      fc.stringMatching(/^[\d .,/–-]{0,14}$/),
      fc.tuple(fc.integer(), fc.double(), fc.string()).map((parts) => parts.join('-')),
    );
    fc.assert(
      fc.property(noise, (text) => {
        const read = readGrade(text);
        if (isRefusal(read)) return read.refused !== '';
        return (
          read.length > 0 &&
          read.every(({ N, P2O5, K2O }) => [N, P2O5, K2O].every((x) => x >= 0 && x <= 100) && N + P2O5 + K2O <= 100)
        );
      }),
      { numRuns: 3000 },
    );
  });

  it('reads back every grade that it writes, with dashes as the only reading and run together as one of them', () => {
    const figure = fc.integer({ min: 0, max: 60 });
    fc.assert(
      fc.property(figure, figure, figure, (N, P2O5, K2O) => {
        fc.pre(N + P2O5 + K2O <= 100);
        const grade = gradeInWords({ N, P2O5, K2O });
        expect(readings(grade)).toEqual([grade]);
        expect(readings(grade.replaceAll('-', ' '))).toEqual([grade]);
        expect(readings(`${N}${P2O5}${K2O}`)).toContain(grade);
      }),
    );
  });
});

describe('what stands on the bag', () => {
  it.each([
    [{ guaranteed: { N: 24, K2O: 11 } }, '24-0-11'],
    [{ guaranteed: {}, limeKind: 'calcitic', ccePercent: 95 }, 'CCE 95'],
    [{ guaranteed: { 'S-free': 18, 'S-combined': 12 } }, '30 S'],
    [{ guaranteed: { Fe: 20, 'S-combined': 11 } }, '20 Fe'],
    [{ guaranteed: {} }, '0-0-0'],
  ] as const)('%j shows %s', (over, face) => expect(faceOf(bag(over as Partial<Product>))).toBe(face));
});

describe('a label looked over', () => {
  it('finds nothing to stop on the starter shelf', () => {
    for (const product of STARTER_SHELF)
      expect(
        ids(product).filter((id) => id.startsWith('stop')),
        product.name,
      ).toEqual([]);
  });
  it('says by how much the nitrogen forms are short or over', () => {
    const short = bag({ guaranteed: { N: 32, K2O: 10 }, nitrogen: { 'polymer-coated-urea': 14, urea: 16 } });
    expect(formsShortBy(short)).toBeCloseTo(2, 9);
    expect(checkLabel(short)[0]).toMatchObject({
      standing: 'stop',
      says: 'The nitrogen forms are short by 2 % N of 32 %.',
    });
    expect(ids(bag({ guaranteed: { N: 30 }, nitrogen: { urea: 31 } }))).toContain('stop forms');
    expect(ids(bag({ guaranteed: { N: 30 }, nitrogen: { urea: 30.04 } }))).not.toContain('stop forms');
  });
  it('knows potash-magnesia that calls itself sulfate of potash', () => {
    expect(ids(bag({ name: 'Sulfate of potash', guaranteed: { K2O: 22, Mg: 10.8, 'S-combined': 22 } }))).toContain(
      'ask potash-magnesia',
    );
    expect(ids(bag({ name: 'Sulphate of potash', guaranteed: { K2O: 22 } }))).toContain('ask potash-magnesia');
    expect(ids(bag({ name: 'Sulfate of potash', guaranteed: { K2O: 50, 'S-combined': 17 } }))).toEqual([]);
    expect(ids(bag({ name: 'Sulfate of potash-magnesia', guaranteed: { K2O: 22, Mg: 10.8 } }))).toEqual([]);
  });
  it('reckons the rate of a coverage and warns above a pound of soluble N (common practice: 50 lb over 23,000 sq ft is 2.17 lb, of 46 % N 1.0 lb N)', () => {
    const urea = bag({ guaranteed: { N: 46 }, nitrogen: { urea: 46 }, package: { lb: 50 }, coverageSqFt: 23_000 });
    expect(labelRateLb(urea)).toBeCloseTo(2.174, 3);
    expect(ids(urea)).toEqual([]);
    expect(ids({ ...urea, coverageSqFt: 22_900 })).toEqual(['ask coverage-soluble-n']);
  });
  it('lets a pound and a quarter pass where half of it is slow', () => {
    const half = bag({
      guaranteed: { N: 32, K2O: 10 },
      nitrogen: { 'polymer-coated-urea': 16, urea: 16 },
      package: { lb: 50 },
      coverageSqFt: 12_500,
    });
    expect(ids(half)).toEqual([]);
    expect(ids({ ...half, nitrogen: { 'polymer-coated-urea': 14, urea: 18 } })).toEqual(['ask coverage-n']);
    expect(checkLabel({ ...half, nitrogen: { 'polymer-coated-urea': 14, urea: 18 } })[0]?.says).toContain('44 %');
  });
  it('stops lime that cannot be and sieves that do not add up', () => {
    const lime = bag({ limeKind: 'calcitic', ccePercent: 95, eccePercent: 88 });
    expect(ids(lime)).toEqual([]);
    expect(ids({ ...lime, ccePercent: 110 })).toContain('stop cce-above-pure');
    expect(ids({ ...lime, eccePercent: 96 })).toContain('stop ecce-above-cce');
    expect(ids({ ...lime, over8MeshPercent: 10, under60MeshPercent: 80 })).toContain('stop sieves');
    expect(ids({ ...lime, ccePercent: undefined, eccePercent: undefined })).toContain('ask no-cce');
  });
  it('asks about chloride that does not fit, density that is missing, and every other dose a coverage passes', () => {
    expect(ids(bag({ name: 'Muriate of potash', guaranteed: { K2O: 60 } }))).toContain('ask muriate-without-chloride');
    expect(ids(bag({ name: 'Sulfate of potash', guaranteed: { K2O: 50, Cl: 20 } }))).toContain(
      'ask chloride-in-sulfate',
    );
    expect(ids(bag({ guaranteed: { N: 5, K2O: 5, Cl: 20 }, nitrogen: { urea: 5 } }))).toContain('ask chloride-high');
    expect(ids(bag({ form: 'liquid', guaranteed: { N: 10 }, nitrogen: { urea: 10 } }))).toContain('stop density');
    expect(ids(bag({ guaranteed: { N: 50 }, nitrogen: { urea: 50 } }))).toContain('stop n-high');
    expect(ids(bag({ guaranteed: { N: 20 } }))).toContain('ask no-forms');
    const sulfur = bag({ guaranteed: { 'S-free': 90 }, package: { lb: 50 }, coverageSqFt: 5000 });
    expect(ids(sulfur)).toContain('ask coverage-s');
    expect(ids(bag({ guaranteed: { K2O: 50 }, package: { lb: 50 }, coverageSqFt: 20_000 }))).toContain(
      'ask coverage-k',
    );
    expect(ids(bag({ guaranteed: { P2O5: 50 }, package: { lb: 50 }, coverageSqFt: 20_000 }))).toContain(
      'ask coverage-p',
    );
  });
});
