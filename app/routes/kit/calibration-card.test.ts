import { describe, expect, it } from 'vitest';
import { okonedo } from '@core/season/front-lawn.fixture';
import { usUnits } from '../../ui/format';
import { textsOf } from '../../ui/pdf-texts.fixture';
import { calibrationCards } from './calibration-card';

describe('calibration cards', () => {
  const at = (opening: number, rateLb: number, productId = 'coated-urea-42') => ({
    productId,
    on: '2027-04-01',
    operator: 'R. Amadi',
    opening,
    caughtLb: (rateLb * 6 * 50) / 1000,
    swathFt: 6,
    distanceFt: 50,
  });
  const spreader = { id: 'w', name: 'Wheel', dialStep: 0.25, catches: [at(3, 1.1), at(4, 1.75), at(5, 2.6)] };
  it('give a product a card with its openings from the least to the most that was caught', () => {
    const texts = textsOf(calibrationCards(spreader, okonedo.products!, '2027-05-03', usUnits)!.content);
    expect(texts).toContain('Coated urea');
    expect(texts).toContain('1.10');
    expect(texts).toContain('2.60');
    const openings = texts.filter((text) => /^\d(\.\d+)?$/.test(text) && Number(text) % 0.25 === 0).map(Number);
    expect(openings[0]).toBe(3);
    expect(openings.at(-1)).toBe(5);
    expect(texts.join(' ')).toContain('by R. Amadi');
  });
  it('are none without a catch, and say so where one catch is a guess', () => {
    expect(calibrationCards({ ...spreader, catches: [] }, okonedo.products!, '2027-05-03', usUnits)).toBeUndefined();
    const one = calibrationCards({ ...spreader, catches: [at(3, 1.1)] }, okonedo.products!, '2027-05-03', usUnits)!;
    expect(textsOf(one.content).join(' ')).toContain('Not yet a curve');
  });
});
