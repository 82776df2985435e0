import type { Purchase } from '@core/products/purchases';
import { showTons, showWeight } from '@core/words/numbers';

/** How much is bought: whole bags, pounds where no bag is known, nothing where the store holds it. '3 bags', 'from stock'. */
export const boughtWords = ({ packages, lb }: Pick<Purchase, 'packages' | 'lb'>): string =>
  packages > 0
    ? `${packages} ${packages === 1 ? 'bag' : 'bags'}`
    : lb > 0
      ? `${showWeight(lb)} lb product`
      : 'from stock';

/** That so much lime comes cheaper in bulk, where it does; empty otherwise. */
export const bulkWords = ({ bulkTons }: Pick<Purchase, 'bulkTons'>): string =>
  bulkTons === undefined ? '' : `, or ${showTons(bulkTons)} tons of lime in bulk`;
