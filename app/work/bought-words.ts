import type { Purchase } from '@core/products/purchases';
import type { Units } from '../ui/format';

/** How much is bought: whole bags, pounds where no bag is known, nothing where the store holds it. '3 bags', 'from stock'. */
export const boughtWords = ({ packages, lb }: Pick<Purchase, 'packages' | 'lb'>, units: Units): string =>
  packages > 0
    ? `${packages} ${packages === 1 ? 'bag' : 'bags'}`
    : lb > 0
      ? units.say('weight', lb, 'product')
      : 'from stock';

/** That so much lime comes cheaper in bulk, where it does; empty otherwise. */
export const bulkWords = ({ bulkTons }: Pick<Purchase, 'bulkTons'>, units: Units): string =>
  bulkTons === undefined ? '' : `, or ${units.say('bulk', bulkTons)} of lime in bulk`;
