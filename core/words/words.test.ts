import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sayDate, sayDay, sayWeekday } from './days';
import { fixed, grouped, roundedTo, showExact, showProductRate, showStep, significant, trimmed, two } from './numbers';

describe('numbers to text', () => {
  it('shows a sum of thirds as the sum would be written', () => {
    expect(0.825 + 0.825 + 0.825).not.toBe(2.475);
    expect(two(0.825 + 0.825 + 0.825)).toBe('2.48');
    expect(two(1.005)).toBe('1.01');
    expect(showExact(0.1 + 0.2)).toBe('0.3');
  });
  it('never shows a negative nothing', () => {
    expect(fixed(-0.001, 2)).toBe('0.00');
    expect(grouped(-0.2, 0)).toBe('0');
    expect(fixed(-1.5, 1)).toBe('-1.5');
    expect(grouped(-7308, 0)).toBe('−7,308');
  });
  it('keeps as many decimals as a number needs', () => {
    expect(trimmed(2.5, 2)).toBe('2.5');
    expect(trimmed(40, 2)).toBe('40');
    expect(showProductRate(9.996)).toBe('10.00');
    expect(showProductRate(12.34)).toBe('12.3');
    expect(significant(0.0123456, 3)).toBe(0.0123);
    expect(showStep(123456.7)).toBe('123,457');
  });
  it('is within half a unit of the last place, whatever the number, and reads back as what was shown', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        fc.integer({ min: 0, max: 4 }),
        (value, decimals) => {
          const shown = roundedTo(value, decimals);
          expect(Math.abs(shown - value)).toBeLessThanOrEqual(0.5 * 10 ** -decimals + 2e-9);
          expect(Number(fixed(value, decimals))).toBe(shown);
          expect(fixed(value, decimals)).not.toMatch(/^-0(\.0*)?$/);
        },
      ),
    );
  });
});

describe('days to text', () => {
  it('writes the day before the month and the month in letters', () => {
    expect(sayDay('2027-09-08')).toBe('8 Sep');
    expect(sayWeekday('2027-09-08')).toBe('Wed 8 Sep');
    expect(sayDate('2028-02-29')).toBe('29 Feb 2028');
  });
});
