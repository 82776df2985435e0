import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Product, SoilTest, Zone } from '@core/formats/case';
import { grassOf } from '@core/ground/grasses';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { prescribeZone } from '@core/prescription/prescribe';
import { checkBag } from '@core/products/bag-check';
import { matchShelf } from '@core/products/match/match';
import type { MatchContext, Need } from '@core/products/match/need';
import { BagDrawing } from '../bag/bag-drawing';
import { NutrientRulers } from '../bag/nutrient-rulers';
import { Weighed } from '../bag/weighed';
import { AnswerRow } from './answer-row';
import { Brings } from './brings';

const zone: Zone = {
  id: 'z',
  name: 'South lawn',
  areaSqFt: 6480,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  measuredBy: 'wheel',
};
const test: SoilTest = {
  id: 's',
  zoneId: 'z',
  sampledOn: '2027-02-17',
  depthIn: 4,
  results: [
    { analyte: 'pH', value: 5.6, method: 'water-1:1' },
    { analyte: 'buffer-pH', value: 6.32, method: 'mehlich' },
    { analyte: 'P', value: 71, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'K', value: 44, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'S', value: 9, unit: 'ppm', method: 'mehlich-3' },
  ],
};
const products = STARTER_SHELF.map((p) => (p.id === 'sulfate-grade-15-0-15' ? { ...p, onHandLb: 50 } : p)) as Product[];
const context: MatchContext = {
  zone,
  grass: grassOf(zone.grass),
  codes: [],
  prescription: prescribeZone({ zone, test, products, codes: [] }).prescription,
  phosphorusSays: '71 ppm',
  soilPh: 5.6,
};
const need: Need = { N: 0.75, K2O: 0.65 };
const answerWith = (...ids: string[]) => {
  const found = matchShelf(products, need, context).answers.find(
    (answer) => answer.parts.map((part) => part.product.id).join() === ids.join(),
  );
  if (!found) throw new Error(`no answer of ${ids.join()}`);
  return found;
};

describe('an answer of Match', () => {
  it('prints rate, weigh-out, what is left, cost, evenness and what is against it', () => {
    const use = vi.fn();
    render(
      <AnswerRow
        rank={1}
        answer={answerWith('sulfate-grade-15-0-15')}
        need={need}
        context={context}
        products={products}
        onUse={use}
      />,
    );
    const row = screen.getByRole('listitem', { name: '1. Sulfate grade' });
    for (const words of ['5.00', '32.4', '17.6 left', 'on hand', '37 % slow', '$23.33', 'nothing against it'])
      expect(row.textContent).toContain(words);
    fireEvent.click(screen.getByRole('button', { name: 'Use it' }));
    expect(use).toHaveBeenCalledOnce();
  });
  it('says what comes along and whether it is wanted, in words as well', () => {
    const said = (ids: string[]) => {
      const { container } = render(
        <Brings answer={answerWith(...ids)} need={need} context={context} products={products} />,
      );
      return container.querySelector('svg')?.getAttribute('aria-label');
    };
    expect(said(['sulfate-grade-15-0-15'])).toMatch(
      /^brings K2O 0\.10 over, unwanted; S 0\.70, wanted; lime 2\.0, unwanted$/,
    );
    expect(said(['urea-46', 'sulfate-of-potash-50'])).toMatch(/^brings K₂O met; S 0\.22, wanted; lime 1\.4, unwanted$/);
    expect(said(['urea-46'])).toMatch(/0\.65 short, unwanted/);
  });
});

describe('a bag check', () => {
  const blend = { ...(products.find((p) => p.id === 'lawn-24-0-11') as Product) };
  const check = checkBag(blend, need, context);
  it('draws the bag to what is taken and left', () => {
    render(<BagDrawing product={blend} check={check} packageLb={50} />);
    expect(screen.getByRole('img', { name: '20.3 lb product taken from the bag, 29.7 left' })).toBeTruthy();
  });
  it('draws label against prescription, and none allowed where none is', () => {
    const { container } = render(<NutrientRulers lines={check.lines} />);
    expect(screen.getByRole('img', { name: 'N: label 1.00, prescribed 0.75, asked 0.75' })).toBeTruthy();
    expect(screen.getByRole('img', { name: 'K2O: label 0.46, prescribed 0.34, asked 0.65' })).toBeTruthy();
    expect(container.textContent).toContain('none allowed: phosphorus tests high, 71 ppm');
  });
  it('reckons what was weighed back, and says a sentence for nonsense', () => {
    render(<Weighed product={blend} zone={zone} asks={{ nutrient: 'N', lb: 0.75 }} />);
    const type = (label: RegExp, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    type(/^Weighed out/, '20.3');
    type(/^Left in the hopper/, '0.6');
    const region = screen.getByRole('region', { name: 'So much weighed, so much spread' });
    for (const words of ['19.7', '3.04', '0.73', '2.7 %']) expect(region.textContent).toContain(words);
    type(/^Left in the hopper/, '30');
    expect(screen.getByText('More came back than was weighed out.')).toBeTruthy();
    type(/^Ground covered/, '0');
    expect(screen.getByText('Type how much ground was covered.')).toBeTruthy();
    type(/^Weighed out/, 'much');
    expect(region.textContent).toContain('must be a number');
  });
});
