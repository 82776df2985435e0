import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Product, SoilTest, Zone } from '../../records/case';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import { checkBag, checkSpread, shareInWords } from './bag-check';
import { ACID_LAWN, ACID_REPORT, contextOn } from '../match/acid-lawn.fixture';

const lawn = ACID_LAWN;
const contextFor = (zone: Zone, report: SoilTest | undefined) => contextOn(zone, report, { phosphorusSays: '71 ppm' });
const test = ACID_REPORT;
const context = contextFor(lawn, test);
const blend: Product = {
  id: 'b',
  name: 'Parkland blend',
  form: 'granular',
  guaranteed: { N: 24, K2O: 11 },
  nitrogen: { 'polymer-coated-urea': 8, urea: 10, ammoniacal: 6 },
  package: { lb: 50, price: 30 },
  coverageSqFt: 12_000,
};

describe('a bag on a lawn', () => {
  it('says what the label rate means and what the prescription makes of it (24-0-11, 50 lb over 12,000 sq ft; hand reckoning)', () => {
    const check = checkBag(blend, { N: 0.75, K2O: 0.65 }, context);
    expect(check.label?.rate.value).toBeCloseTo(4.1667, 4);
    expect(check.lines[0]?.label?.value).toBeCloseTo(1, 9);
    expect(check.prescribed?.rate.value).toBeCloseTo(3.125, 9);
    expect(check.prescribed?.weighOut.value).toBeCloseTo(20.25, 9);
    expect(check.prescribed?.leftLb).toBeCloseTo(29.7, 9);
    expect(check.prescribed?.ofBagPercent).toBeCloseTo(40.6, 9);
    expect(check.prescribed?.cost?.value).toBeCloseTo(12.18, 9);
    expect(check.says).toBe(
      'Spread it at 3.13 lb product per 1000 sq ft, three quarters of the label rate. The nitrogen is then right; the potash stays 0.31 lb K2O short.',
    );
    expect(check.lines[1]).toMatchObject({ limitLb: 0, limitSays: 'none allowed: phosphorus tests high, 71 ppm' });
  });
  it('refuses a bag with the words of the shelf', () => {
    const phosphate = { ...blend, guaranteed: { N: 24, P2O5: 6, K2O: 11 } };
    expect(checkBag(phosphate, { N: 0.75 }, context)).toMatchObject({ standing: 'fail', prescribed: undefined });
    expect(checkBag(phosphate, { N: 0.75 }, context).says).toContain('Leave it in the bag. Brings 0.19 lb P2O5');
    expect(checkBag({ ...blend, pesticide: true }, {}, context).says).toContain('pesticide');
  });
  it('has no rate for a bag that brings nothing asked for, and none to compare without a coverage', () => {
    const lime: Product = { id: 'l', name: 'Lime', guaranteed: {}, limeKind: 'calcitic', ccePercent: 95 };
    expect(checkBag(lime, { N: 0.75 }, context)).toMatchObject({
      standing: 'warn',
      setBy: undefined,
      prescribed: undefined,
    });
    const bare = { ...blend, coverageSqFt: undefined };
    expect(checkBag(bare, { N: 0.75 }, context).label).toBeUndefined();
    expect(checkBag(bare, { N: 0.75 }, context).says).toContain('states no coverage');
    expect(checkBag(bare, { N: 0.75 }, context, 4).label?.rate.value).toBe(4);
  });
  it('names what it brings too much of, and a label that is right as it stands', () => {
    const rich = { ...blend, guaranteed: { N: 24, K2O: 24 } };
    expect(checkBag(rich, { N: 0.75, K2O: 0.2 }, context).says).toContain('it brings 0.55 lb K2O more than asked');
    expect(checkBag(blend, { N: 1 }, context).says).toContain('as the label says');
  });
  it('needs several bags on a large lawn', () => {
    const large = contextFor({ ...lawn, areaSqFt: 64_800 }, test);
    const check = checkBag(blend, { N: 0.75 }, large);
    expect(check.prescribed?.packages).toBe(5);
    expect(check.prescribed?.leftLb).toBeCloseTo(250 - 202.5, 9);
  });
  it('the weigh-out, the bag and the year agree for any bag and lawn', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 46, noNaN: true }),
        fc.double({ min: 100, max: 200_000, noNaN: true }),
        fc.double({ min: 0.05, max: 0.5, noNaN: true }),
        (N, areaSqFt, lb) => {
          const product: Product = { ...blend, guaranteed: { N }, nitrogen: undefined };
          const check = checkBag(product, { N: lb }, contextFor({ ...lawn, areaSqFt }, undefined));
          const rate = check.prescribed?.rate.value ?? 0;
          expect((rate * N) / 100).toBeCloseTo(lb, 9);
          expect(check.prescribed?.weighOut.value).toBeCloseTo((rate * areaSqFt) / 1000, 6);
          const whole = (check.prescribed?.packages ?? 0) * 50;
          expect(whole - (check.prescribed?.leftLb ?? 0)).toBeCloseTo(check.prescribed?.weighOut.value ?? 0, 0);
        },
      ),
    );
  });
});

describe('so much weighed, so much spread', () => {
  it('20.3 lb less 0.6 over 6480 sq ft: 3.04 lb product and 0.73 lb N per 1000 (hand reckoning)', () => {
    const check = checkSpread(blend, { weighedLb: 20.3, backLb: 0.6, areaSqFt: 6480 }, { nutrient: 'N', lb: 0.75 }, 3);
    expect(check.rate.value).toBeCloseTo(3.0401, 4);
    expect(check.per1000.N?.value).toBeCloseTo(0.7296, 4);
    expect(check.inAll.N?.value).toBeCloseTo(4.728, 9);
    expect(check.inAll.K2O?.value).toBeCloseTo(2.167, 9);
    expect(check).toMatchObject({
      standing: 'pass',
      says: '0.02 lb N under, 2.7 %. The area is good to 3 %, so no top-up.',
    });
  });
  it('5.15 lb of 21-0-0 on 2500 sq ft is 0.43 lb N per 1000 and 1.08 lb N in all (common practice)', () => {
    const ammonium = STARTER_SHELF.find((p) => p.id === 'ammonium-sulfate-21') as Product;
    const check = checkSpread(ammonium, { weighedLb: 5.15, backLb: 0, areaSqFt: 2500 }, undefined, 1);
    expect(check.per1000.N?.value.toFixed(2)).toBe('0.43');
    expect(check.inAll.N?.value.toFixed(2)).toBe('1.08');
    expect(check.says).toContain('nothing to compare');
  });
  it('too little is made up later, too much cannot be taken back', () => {
    const asks = { nutrient: 'N', lb: 0.75 } as const;
    const spread = (weighedLb: number) => checkSpread(blend, { weighedLb, backLb: 0, areaSqFt: 6480 }, asks, 2);
    expect(spread(15)).toMatchObject({ standing: 'warn', says: expect.stringContaining('next dose') as string });
    expect(spread(22)).toMatchObject({
      standing: 'warn',
      says: expect.stringContaining('cannot be taken back') as string,
    });
    expect(spread(40)).toMatchObject({ standing: 'fail' });
    expect(checkSpread(blend, { weighedLb: 1, backLb: 2, areaSqFt: 100 }, asks, 2).spreadLb).toBe(0);
  });
});

it('shares are said as people say them', () => {
  expect([0.25, 0.333, 0.5, 0.667, 0.75, 0.6, 1.4, 2.5].map(shareInWords)).toEqual([
    'a quarter of',
    'a third of',
    'half',
    'two thirds of',
    'three quarters of',
    '60 % of',
    '140 % of',
    '2.5 times',
  ]);
});
