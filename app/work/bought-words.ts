import type { Purchase } from '@core/products/purchases';
import { amountOut } from './amount-out';
import type { Units } from '../ui/format';

/** What a product comes in: a bag, or a bottle. */
export const packageWord = ({ lbPerGal }: Pick<Purchase, 'lbPerGal'>): string =>
  lbPerGal === undefined ? 'bag' : 'bottle';

/** What one of them holds: '50 lb product', '2.50 gal product'. */
export const packageSize = (
  { packageLb = 0, lbPerGal }: Pick<Purchase, 'packageLb' | 'lbPerGal'>,
  units: Units,
): string =>
  lbPerGal === undefined
    ? `${units.printed('weight', packageLb)} product`
    : amountOut(units, lbPerGal).store(packageLb);

/** How much is bought: whole bags, pounds where no bag is known, nothing where the store holds it. '3 bags', 'from stock'. */
export const boughtWords = (
  { packages, lb, lbPerGal }: Pick<Purchase, 'packages' | 'lb' | 'lbPerGal'>,
  units: Units,
): string =>
  packages > 0
    ? `${packages} ${packageWord({ lbPerGal })}${packages === 1 ? '' : 's'}`
    : lb > 0
      ? amountOut(units, lbPerGal).store(lb)
      : 'from stock';

/** That so much lime comes cheaper in bulk, where it does; empty otherwise. */
export const bulkWords = ({ bulkTons }: Pick<Purchase, 'bulkTons'>, units: Units): string =>
  bulkTons === undefined ? '' : `, or ${units.say('bulk', bulkTons)} of lime in bulk`;
