import type { Product } from '@core/records/case';
import { applyChange, type Change } from '../../storage/changes';
import { saveProducts } from '../../storage/shelf-repository';
import { answering, type Shapes } from '../../work/send';

/** What a person chose to stand where two versions met: a change of a property, or a product. */
export type SettleSent =
  { intent: 'property'; propertyId: string; change: Change } | { intent: 'product'; product: Product };

const SHAPES: Shapes<SettleSent> = {
  property: { propertyId: 'text', change: 'record' },
  product: { product: 'record' },
};

export const clientAction = answering(SHAPES, async (sent: SettleSent) => {
  if (sent.intent === 'product') await saveProducts([sent.product]);
  else await applyChange(sent.propertyId, sent.change);
  return {};
});
