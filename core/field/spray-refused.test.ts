import { describe, expect, it } from 'vitest';
import type { Product } from '../records/case';
import { sprayRefused } from './spray-refused';

const iron: Product = { id: 'iron-6', name: 'Liquid iron', form: 'liquid', lbPerGal: 11, guaranteed: { Fe: 6 } };

describe('a spray that does not start', () => {
  it('is iron in too little water, and at the least it passes', () => {
    expect(sprayRefused(iron, 0.4, 2.9)).toContain('3 gal or more');
    expect(sprayRefused(iron, 0.4, 3)).toBeUndefined();
    expect(sprayRefused(iron, 0.4, undefined)).toBeUndefined();
  });
  it('is iron over its ceiling, with the rate that would pass', () => {
    // 0.75 oz Fe is 0.046875 lb, of 6 %: 0.78125 lb product
    expect(sprayRefused(iron, 0.78125, 4)).toBeUndefined();
    expect(sprayRefused(iron, 0.8, 4)).toContain('at most 9 fl oz product per 1000');
  });
  it('is a liquid that nobody can measure out', () => {
    expect(sprayRefused({ ...iron, lbPerGal: undefined }, 0.4, 3)).toContain('lb per gallon');
  });
  it('is no feed of the soil: its water is its label’s', () => {
    expect(sprayRefused({ ...iron, guaranteed: { N: 20 } }, 0.5, 1)).toBeUndefined();
  });
});
