import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Product } from '../records/case';
import { zoneAmount } from './zone-amount';
import { grassOf } from '../packs/grasses';
import { STARTER_SHELF } from '../packs/starter-shelf';
import { evaluate, explain } from '../reckoning/define';
import { productDelivers } from './delivers';
import { losesAmmonia, slowShare } from '../nitrogen/forms';
import { productRate } from './rate';
import { choicesFor, excluded } from './shelf';
import { productSchema } from '../records/case';
import { faultsByField } from '../records/strict-schema';

describe('product.rate', () => {
  it('finds the pound of nitrogen in common bags: 32, 24, 6, 46, 22 percent (common practice: 100 over the first number)', () => {
    for (const [percent, lb] of [
      [32, 3.125],
      [24, 4.1667],
      [6, 16.667],
      [46, 2.1739],
      [22, 4.5455],
    ] as const)
      expect(evaluate(productRate, { targetLb: 1, percent })).toBeCloseTo(lb, 3);
  });
  it('and the product brings back what was asked', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0.1, max: 60, noNaN: true }),
        (targetLb, N) => {
          const rateLb = evaluate(productRate, { targetLb, percent: N }) as number;
          expect((evaluate(productDelivers, { rateLb, guaranteed: { N } }) as { N: number }).N).toBeCloseTo(
            targetLb,
            9,
          );
        },
      ),
    );
  });
});

describe('product.delivers', () => {
  it('brings what comes along: 16 lb of 6-4-0 is 0.96 lb N and 0.64 lb P2O5 (common practice)', () => {
    expect(evaluate(productDelivers, { rateLb: 16, guaranteed: { N: 6, P2O5: 4 } })).toEqual({ N: 0.96, P2O5: 0.64 });
  });
  it('refuses more than a bag can hold and leaves an empty label empty', () => {
    expect(explain(productDelivers, { rateLb: 1, guaranteed: { N: 46, P2O5: 52, K2O: 10 } })).toMatchObject({
      field: 'guaranteed',
    });
    expect(evaluate(productDelivers, { rateLb: 1, guaranteed: {} })).toEqual({});
  });
});

describe('zone.amount', () => {
  it('weighs 2.06 lb per 1000 over 2500 sq ft as 5.15 lb (common practice)', () => {
    expect(evaluate(zoneAmount, { ratePer1000Lb: 2.06, areaSqFt: 2500 })).toBeCloseTo(5.15, 9);
  });
});

describe('the starter shelf', () => {
  it('holds labels that add up', () => {
    for (const product of STARTER_SHELF) expect(faultsByField(productSchema, product), product.name).toEqual({});
  });
  it('knows slow from fast and what loses ammonia beside lime', () => {
    const of = (id: string) => STARTER_SHELF.find((p) => p.id === id) as Product;
    expect(slowShare(of('coated-urea-42'))).toBe(1);
    expect(slowShare(of('urea-46'))).toBe(0);
    expect(slowShare(of('lawn-24-0-11'))).toBe(0.5);
    expect(
      [of('urea-46'), of('ammonium-sulfate-21'), of('coated-urea-42'), of('sulfate-of-potash-50')].map(losesAmmonia),
    ).toEqual([true, true, false, false]);
  });
});

describe('what the shelf offers', () => {
  const grass = grassOf('centipedegrass');
  const ids = (purpose: 'N' | 'K2O' | 'P2O5' | 'sulfur', phosphorusWanted = false) =>
    choicesFor(STARTER_SHELF, purpose, { grass, phosphorusWanted, potassiumWanted: true }).map((p) => p.id);
  it('never a carrier of P2O5 where the test asks for none', () => {
    expect(ids('N')).not.toContain('starter-18-24-6');
    expect(ids('N', true)).toContain('starter-18-24-6');
  });
  it('never muriate on centipedegrass', () => {
    expect(ids('K2O')).toEqual(['sulfate-of-potash-50', 'potash-magnesia-22']);
    expect(ids('K2O')).not.toContain('muriate-of-potash-60');
  });
  it('never sulfate where free sulfur is asked for', () => {
    expect(ids('sulfur')).toEqual(['sulfur-prills-90', 'acidifier-30']);
    expect(ids('sulfur')).not.toContain('ammonium-sulfate-21');
  });
  it('never a product with a pesticide, and says why', () => {
    const both: Product = { ...(STARTER_SHELF[0] as Product), id: 'x', pesticide: true };
    expect(excluded(both, 'N', { grass, phosphorusWanted: false, potassiumWanted: false })).toContain('pesticide');
  });
});
