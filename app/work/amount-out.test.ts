import { describe, expect, it } from 'vitest';
import { isRefusal } from '@core/reckoning/refusal';
import { Units, US_UNITS } from '../ui/format';
import { densityOf } from '@core/products/as-weighed';
import { amountOut } from './amount-out';

const us = new Units();
const si = new Units({ ...US_UNITS, system: 'si' });

describe('what is measured out', () => {
  it('of a granule is weighed', () => {
    expect(amountOut(us, undefined).say(11.57)).toBe('11.6 lb product');
    expect(densityOf({ form: 'granular', lbPerGal: 9 })).toBeUndefined();
  });
  it('of a liquid is poured, by its density', () => {
    // 3 fl oz per 1000 on 480 ft2 at 10.2 lb/gal: 1.44 fl oz, 0.11475 lb (field-log worked figure of spray.small-volume)
    expect(amountOut(us, 10.2).say(0.11475)).toBe('1.4 fl oz product');
    expect(amountOut(si, 10.2).say(0.11475)).toBe('43 mL product');
    expect(amountOut(us, 10.2).rate(0.239)).toBe('3.00 fl oz product per 1000 sq ft');
    expect(densityOf({ form: 'liquid', lbPerGal: 9 })).toBe(9);
  });
  it('comes back from what was typed as it went out', () => {
    for (const [units, density] of [
      [us, 9.4],
      [si, 9.4],
      [us, undefined],
    ] as const) {
      const out = amountOut(units, density);
      const back = out.read(out.field(7.3), 'Measured out', 'out');
      expect(typeof back).toBe('number');
      expect(Math.abs((back as number) - 7.3)).toBeLessThan(0.06);
    }
    expect(isRefusal(amountOut(us, 9).read('a jug', 'Measured out', 'out') as never)).toBe(true);
    expect(amountOut(us, 9).read(' ', 'Measured out', 'out')).toBeUndefined();
  });
});
