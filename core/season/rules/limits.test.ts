import { describe, expect, it } from 'vitest';
import { leastProductLb, leastRateLb } from '../../products/least-rate';
import { MOST_SALT_ON_SALTY_LB } from '../../products/salt';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import type { Product, Zone } from '../../records/case';
import {
  fallFromDay,
  LIME_NITROGEN_GAP_DAYS,
  MICROBES_WORK_FROM_F,
  MOST_FREE_IN_HEAT_LB,
  MOST_PRODUCTS_A_DAY,
  mostDaysBetweenN,
  potashOverLb,
  RATE_STEP_LB,
  yearToleranceLb,
} from './limits';

// Limits of common practice and decisions of ours: a change of one must be meant.

const zone = (change: Partial<Zone> = {}): Zone => ({
  id: 'z',
  name: 'Z',
  areaSqFt: 1000,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  ...change,
});
const product = (id: string) => STARTER_SHELF.find((p) => p.id === id) as Product;

describe('limits of a season', () => {
  it('lets a year be a twenty-fifth off, and a small need a tenth of a pound', () => {
    expect([2.5, 1, 0.5, 0.49, 0.3, 0].map(yearToleranceLb)).toEqual([0.1, 0.04, 0.02, 0.1, 0.1, 0]);
  });
  it('lets potash run over by a quarter of a pound, or by 15 % where that is more', () => {
    expect([0, 1, 2, 3].map((lb) => Number(potashOverLb(lb).toFixed(9)))).toEqual([0.25, 0.25, 0.3, 0.45]);
  });
  it('waits at most 84 days for nitrogen in season, 56 on sand, 21 close-cut (C10)', () => {
    expect(
      [{}, { texture: 'sand' as const }, { turf: 'close-cut' as const }].map((z) => mostDaysBetweenN(zone(z))),
    ).toEqual([84, 56, 21]);
  });
  it('spreads no less than a pound of product or a quarter pound of nutrient, on close-cut turf half and a tenth', () => {
    const close = zone({ turf: 'close-cut' });
    expect([leastProductLb(zone()), leastProductLb(close)]).toEqual([1, 0.5]);
    // 42-0-0 is held by its pound of product, 21-0-0 by its quarter pound of N
    expect(leastRateLb(product('coated-urea-42'), zone())).toBe(1);
    expect(leastRateLb(product('ammonium-sulfate-21'), zone())).toBeCloseTo(0.25 / 0.21, 12);
    expect(leastRateLb(product('ammonium-sulfate-21'), close)).toBe(0.5);
    expect(leastRateLb({ ...product('ammonium-sulfate-21'), guaranteed: { N: 8 } }, close)).toBeCloseTo(0.1 / 0.08, 12);
  });
  it('keeps its other figures', () => {
    expect({
      MOST_FREE_IN_HEAT_LB,
      MOST_PRODUCTS_A_DAY,
      MOST_SALT_ON_SALTY_LB,
      MICROBES_WORK_FROM_F,
      LIME_NITROGEN_GAP_DAYS,
      RATE_STEP_LB,
    }).toEqual({
      MOST_FREE_IN_HEAT_LB: 0.5,
      MOST_PRODUCTS_A_DAY: 2,
      MOST_SALT_ON_SALTY_LB: 1.5,
      MICROBES_WORK_FROM_F: 55,
      LIME_NITROGEN_GAP_DAYS: 14,
      RATE_STEP_LB: 0.01,
    });
    // 1 September, leap year or not
    expect([fallFromDay(2027), fallFromDay(2028)]).toEqual([243, 244]);
  });
});
