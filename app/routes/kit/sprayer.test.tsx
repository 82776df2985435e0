import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { mixCautions, mixNitrogenSays, mixOrder } from '@core/field/mix-order';
import type { Product } from '@core/records/case';
import { usUnits } from '../../ui/format';
import { SPRAY_TESTS } from './spray-tests';
import { Sprayer } from './sprayer';
import { TankOfSeveral } from './tank-of-several';

const type = (label: RegExp | string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });

describe('tests of a sprayer', () => {
  it('finds the nozzle that is worn, the one that is blocked, and says the mean flow', () => {
    render(<Sprayer />);
    // worked by hand: five nozzles that give, mean 34.9 oz a minute; the third is 10.6 % off
    type(/^Caught/, '34.1 33.5 38.6 34.4 0 33.9');
    type(/^Time/, '60');
    type(/^New nozzle/, '0.26');
    const says = screen.getByRole('status').textContent;
    expect(says).toContain('0.273 gal/min on average, the farthest off by 10.6 %');
    expect(says).toContain('Off: nozzle 3');
    expect(says).toContain('Blocked: nozzle 5');
  });
  it('says at its field what cannot be, and nothing while something is missing', () => {
    render(<Sprayer />);
    type(/^Caught/, '0 0');
    expect(screen.getByRole('status').textContent).toBe('');
    type(/^Time/, '60');
    expect(screen.getByRole('alert').textContent).toContain('Every nozzle is blocked');
    type(/^Caught/, '34 much');
    expect(screen.getByRole('alert').textContent).toContain('much');
  });
  it.each([
    // 176 ft in 41 and 39.5 s: 2.98 mph; 42.5 oz on 340 ft2: 42.5 gal/acre; 5940 × 0.44 ÷ 3 ÷ 20 and back (derived)
    ['speed', { distanceFt: 176, seconds: [41, 39.5] }, /^3\.0 mph\.$/],
    ['course', { courseSqFt: 340, caughtOz: 42.5 }, /^42\.5 gal per acre, that is 0\.98 gal per 1000 sq ft\.$/],
    ['flow', { galPerAcre: 43.56, speedMph: 3, nozzleSpacingIn: 20 }, /^0\.440 gal\/min from each nozzle\.$/],
    ['volume', { nozzleGpm: 0.44, speedMph: 3, nozzleSpacingIn: 20 }, /^43\.6 gal per acre\.$/],
    ['pressure', { pressurePsi: 30, flowGpm: 0.24, wantedGpm: 0.27 }, /^38\.0 psi\.$/],
    [
      'hose-end',
      { bottleOz: 32, ozPer1000: 10, emptyMinutes: 4, hoseGpm: 5 },
      /^A bottle does 3,200 sq ft; walk 250 sq ft in 19 s\. 6\.25 gal/,
    ],
  ])('%s', (id, inputs, says) => {
    const test = SPRAY_TESTS.find((each) => each.id === id)!;
    const found = test.reckon(inputs) as { value: number | Record<string, number> };
    const value = typeof found.value === 'object' ? found.value : { value: found.value };
    expect(test.says(value, usUnits).join(' ')).toMatch(says);
  });
});

const product = (name: string, over: Partial<Product>): Product =>
  ({ id: name.toLowerCase(), name, form: 'liquid', lbPerGal: 10, guaranteed: {}, ...over }) as Product;
const IRON = product('Iron', { guaranteed: { Fe: 6 } });
const POTASH = product('Potash', { form: 'granular', lbPerGal: undefined, guaranteed: { K2O: 50 } });

describe('a tank of several products', () => {
  it('goes in dry ones first, and says what should not meet', () => {
    expect(mixOrder([IRON, POTASH]).map(({ name }) => name)).toEqual(['Potash', 'Iron']);
    expect(mixCautions([IRON, POTASH])).toEqual([]);
    expect(mixCautions([IRON, product('Starter', { guaranteed: { P2O5: 10 } })])[0]).toMatch(/^Iron and Starter: /);
    // a product that carries both meets itself in its bottle and not in the tank
    expect(mixCautions([product('Both', { guaranteed: { Fe: 1, P2O5: 1 } })])).toEqual([]);
  });
  it('brings no more nitrogen than a spray may, all its products together', () => {
    const urea = product('Urea', { guaranteed: { N: 20 }, nitrogen: { urea: 20 } });
    // 0.6 and 0.65 lb of 20 %: 0.12 and 0.13 lb N, 0.25 lb in all (worked by hand)
    const at = (one: number, other: number) =>
      mixNitrogenSays([one, other].map((rateLb) => ({ product: urea, rateLb })));
    expect(at(0.6, 0.65)).toBeUndefined();
    expect(at(0.6, 0.7)).toMatch(/^0\.26 lb N per 1000, 0\.26 lb N of it soluble/);
  });
  it('parts water and product over full tanks and the last one', () => {
    render(<TankOfSeveral products={[IRON, POTASH]} />);
    type(/^Ground/, '11500');
    type(/^Finished spray/, '3');
    type(/^One tank holds/, '15');
    fireEvent.mouseDown(screen.getByLabelText('Product 1'));
    fireEvent.click(screen.getByTitle('Iron'));
    type(/^Rate 1/, '6');
    // 6 fl oz on 11.5 thousand: 69; of 34.5 gal two tanks of 15 gal hold 30 fl oz each, the last of 4.5 gal 9 (worked by hand)
    const row = screen.getByRole('row', { name: /^Iron/ }).textContent;
    expect(row).toContain('69.0 fl oz');
    expect(row).toContain('30.0 fl oz');
    expect(row).toContain('9.0 fl oz');
    // a quart jar takes a twelfth of what goes on 1000 ft2 in 3 gal
    expect(row).toContain('0.5 fl oz');
    // over its ceiling of iron it is refused
    type(/^Rate 1/, '60');
    expect(screen.getByRole('alert').textContent).toMatch(/oz Fe/);
    type(/^Rate 1/, '6');
    type(/^One tank holds/, '0');
    expect(screen.getAllByRole('alert').length).toBeGreaterThan(0);
  });
});
