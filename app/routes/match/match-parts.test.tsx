import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Product } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { ACID_LAWN, ACID_REPORT, contextOn } from '@core/products/match/acid-lawn.fixture';
import { matchShelf } from '@core/products/match/match';
import type { Need } from '@core/products/match/need';
import { AnswerRow } from './answer-row';
import { Brings } from './brings';

const products = STARTER_SHELF.map((p) => (p.id === 'sulfate-grade-16-0-14' ? { ...p, onHandLb: 50 } : p)) as Product[];
const context = contextOn(ACID_LAWN, ACID_REPORT, { phosphorusSays: '71 ppm', soilPh: 5.6 });
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
        answer={answerWith('sulfate-grade-16-0-14')}
        need={need}
        context={context}
        products={products}
        onUse={use}
      />,
    );
    const row = screen.getByRole('listitem', { name: '1. Sulfate grade' });
    for (const words of ['4.69', '30.4', '19.6 left', 'on hand', '32 % slow', '$21.89', 'nothing against it'])
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
    expect(said(['sulfate-grade-16-0-14'])).toMatch(/^brings K₂O met; S 0\.52, wanted; lime 2\.2, unwanted$/);
    expect(said(['urea-46', 'sulfate-of-potash-50'])).toMatch(/^brings K₂O met; S 0\.22, wanted; lime 1\.4, unwanted$/);
    expect(said(['urea-46'])).toMatch(/0\.65 short, unwanted/);
  });
});
