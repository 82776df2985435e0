import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Catch, Spreader } from '../records/spreader-schema';
import { gateFor, gateSays, rateOfCatch, withoutCatch } from './gate';

const caught = (opening: number, caughtLb: number, more: Partial<Catch> = {}): Catch => ({
  productId: 'urea-46',
  on: '2027-04-01',
  opening,
  caughtLb,
  swathFt: 5,
  distanceFt: 80,
  ...more,
});
const spreader = (...catches: Catch[]): Spreader => ({ id: 'small', name: 'Small rotary', dialStep: 0.25, catches });
const wanted = { productId: 'urea-46', targetLb: 1.3, today: '2027-04-05' };

describe('the gate of a spreader', () => {
  it('loses the one catch that is taken away, counted among those of its product', () => {
    const kept = spreader(caught(3, 0.4), caught(3, 1, { productId: 'other' }), caught(4, 0.6));
    expect(withoutCatch(kept, 'urea-46', 1).catches).toEqual([kept.catches![0], kept.catches![1]]);
    expect(withoutCatch(kept, 'other', 0).catches).toHaveLength(2);
    expect(withoutCatch(kept, 'urea-46', 7).catches).toEqual(kept.catches);
  });
  it('is unknown without a catch of this product', () => {
    expect(gateFor(spreader(caught(3, 1, { productId: 'other' })), wanted)).toMatchObject({
      standing: 'none',
      catches: [],
    });
  });
  it('is a guess in proportion after one catch (400 sq ft, 0.6 lb at 4: 1.5 lb per 1000, so 3.47 for 1.3)', () => {
    expect(rateOfCatch(caught(4, 0.6))).toBeCloseTo(1.5, 12);
    const gate = gateFor(spreader(caught(4, 0.6)), wanted);
    expect(gate.standing).toBe('guess');
    expect(gate.opening).toBeCloseTo((4 * 1.3) / 1.5, 12);
    expect(gate.set).toBe(3.5);
    expect(gateSays(gate, 1.3)).toMatch(/catch there before the lawn/);
  });
  it('is a line by two, a curve by three openings, set to the step of the dial, and says what the step costs', () => {
    const two = gateFor(spreader(caught(3, 0.4), caught(4, 0.6)), wanted);
    // 1.0 and 1.5 lb: 1.3 is six tenths of the way
    expect(two).toMatchObject({ standing: 'line', set: 3.5 });
    expect(two.opening).toBeCloseTo(3.6, 12);
    expect(two.setRateLb).toBeCloseTo(1.25, 12);
    expect(gateSays(two, 1.3)).toMatch(/3\.8 % under$/);
    expect(gateFor(spreader(caught(3, 0.4), caught(4, 0.6), caught(5, 0.8)), wanted).standing).toBe('curve');
  });
  it('past the catches it is a guess, and catches that contradict each other are said', () => {
    expect(gateFor(spreader(caught(3, 0.2), caught(4, 0.3)), wanted).standing).toBe('beyond');
    expect(gateFor(spreader(caught(3, 0.6), caught(4, 0.3)), wanted).refused).toMatch(/a wider gate gives more/);
  });
  it('doubts what is old, of another hand, or of another lot', () => {
    const old = caught(3, 0.4, { on: '2026-12-01', operator: 'R. Amadi', lot: 'A' });
    const { doubts } = gateFor(spreader(old), { ...wanted, operator: 'L. Ost', lot: 'B' });
    expect(doubts).toHaveLength(3);
    expect(
      gateFor(spreader(caught(3, 0.4, { operator: 'L. Ost', lot: 'B' })), { ...wanted, operator: 'L. Ost', lot: 'B' })
        .doubts,
    ).toEqual([]);
  });
  it('any rising spreader: what the curve is asked inside its catches it gives back, to the step of the dial', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 2, maxLength: 6 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (rises, share) => {
          let lb = 0.1;
          const of = spreader(...rises.map((rise, i) => caught(2 + i, (lb += rise))));
          const rates = (of.catches ?? []).map(rateOfCatch);
          const [low, high] = [rates[0] ?? 0, rates.at(-1) ?? 0];
          const gate = gateFor(of, { ...wanted, targetLb: low + share * (high - low) });
          expect(['line', 'curve']).toContain(gate.standing);
          expect(gate.opening).toBeGreaterThanOrEqual(2 - 1e-9);
          expect(gate.opening).toBeLessThanOrEqual(1 + rises.length + 1e-9);
          expect(Math.abs((gate.set ?? 0) - (gate.opening ?? 0))).toBeLessThanOrEqual(0.125 + 1e-9);
        },
      ),
    );
  });
});
