import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Product } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { checkBag } from '@core/products/bag/bag-check';
import { ACID_LAWN, ACID_REPORT, contextOn } from '@core/products/match/acid-lawn.fixture';
import { BagDrawing } from './bag-drawing';
import { NutrientRulers } from './nutrient-rulers';
import { Weighed } from './weighed';

describe('a bag check', () => {
  const blend = STARTER_SHELF.find((p) => p.id === 'lawn-24-0-11') as Product;
  const check = checkBag(
    blend,
    { N: 0.75, K2O: 0.65 },
    contextOn(ACID_LAWN, ACID_REPORT, { phosphorusSays: '71 ppm' }),
  );
  it('draws the bag to what is taken and left', () => {
    render(<BagDrawing product={blend} check={check} packageLb={50} />);
    expect(screen.queryAllByRole('img', { name: '20.3 lb product taken from the bag, 29.7 left' })).toHaveLength(1);
  });
  it('draws label against prescription, and none allowed where none is', () => {
    const { container } = render(<NutrientRulers lines={check.lines} />);
    expect(screen.queryAllByRole('img', { name: 'N: label 1.00, prescribed 0.75, asked 0.75' })).toHaveLength(1);
    expect(screen.queryAllByRole('img', { name: 'K2O: label 0.46, prescribed 0.34, asked 0.65' })).toHaveLength(1);
    expect(container.textContent).toContain('none allowed: phosphorus tests high, 71 ppm');
  });
  it('reckons what was weighed back, and says a sentence for nonsense', () => {
    render(<Weighed product={blend} zone={ACID_LAWN} asks={{ nutrient: 'N', lb: 0.75 }} />);
    const type = (label: RegExp, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    type(/^Weighed out/, '20.3');
    type(/^Left in the hopper/, '0.6');
    const region = screen.getByRole('region', { name: 'So much weighed, so much spread' });
    for (const words of ['19.7', '3.04', '0.73', '2.7 %']) expect(region.textContent).toContain(words);
    type(/^Left in the hopper/, '30');
    expect(screen.queryAllByText('More came back than was weighed out.')).toHaveLength(1);
    type(/^Ground covered/, '0');
    expect(screen.queryAllByText('Type how much ground was covered.')).toHaveLength(1);
    type(/^Weighed out/, 'much');
    expect(region.textContent).toContain('must be a number');
  });
});
