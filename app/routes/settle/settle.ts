import { applyChange, type Change, type Kept } from '../../storage/changes';
import { settleKept } from '../../storage/own-records';
import { answering, type Shapes } from '../../work/send';

/** What a person chose to stand where two versions met: a change of a property, or a record that belongs to none. */
export type SettleSent =
  { intent: 'property'; propertyId: string; change: Change } | { intent: 'kept'; kind: Kept; record: object };

const SHAPES: Shapes<SettleSent> = {
  property: { propertyId: 'text', change: 'record' },
  kept: { kind: 'text', record: 'record' },
};

export const clientAction = answering(SHAPES, async (sent: SettleSent) => {
  if (sent.intent === 'kept') await settleKept(sent.kind, sent.record);
  else await applyChange(sent.propertyId, sent.change);
  return {};
});
