import { applyChange, type Change } from '../storage/changes';
import { answering, type Intent, type Shapes } from './send';

/** What takes a change of a property back; every page of a property understands it. */
export type UndoSent = { intent: 'undo'; change: Change };
/** What an action of a property answers: what takes back that which was done. */
export interface Undoable {
  undo?: Change;
}

const UNDO: Shapes<UndoSent> = { undo: { change: 'record' } };

/**
 * The client action of a page of a property: its own intents, and the undo of whatever it wrote. An undo puts back the records
 * it changed and nothing else, and is refused where one of them was written since.
 *
 * @example export const clientAction = propertyAction<Sent, Answer>(SHAPES, act);
 */
export const propertyAction = <Sent extends Intent, Answer extends Undoable>(
  shapes: Shapes<Sent>,
  act: (sent: Sent, propertyId: string) => Promise<Answer>,
) =>
  answering<Sent | UndoSent, Answer | Undoable, { propertyId: string }>(
    { ...shapes, ...UNDO } as Shapes<Sent | UndoSent>,
    async (sent, { propertyId }) =>
      sent.intent === 'undo'
        ? { undo: await applyChange(propertyId, (sent as UndoSent).change) }
        : act(sent as Sent, propertyId),
  );

/** The undo that belongs to an answer. */
export const undoOf = (answer: unknown): UndoSent => ({
  intent: 'undo',
  change: (answer as Undoable | undefined)?.undo ?? {},
});
