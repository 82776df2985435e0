import { newId } from '@core/records/new-id';
import type { Spreader } from '@core/records/spreader-schema';
import type { TableChange } from '../storage/record-table';
import { useDone } from './use-done';

/** What a page's action answers to a change of the spreaders: how it is taken back. */
export interface SpreadersAnswer {
  undoSpreaders?: TableChange<Spreader>;
}

/** Saves and deletes spreaders by a page's action, with the way back of a deletion. */
export function useSpreaders(
  spreaders: readonly Spreader[],
  change: (change: TableChange<Spreader>) => Promise<SpreadersAnswer | undefined>,
): {
  /** Saves one, a new one under an id of its own; the id once it is saved. */
  save: (spreader: Spreader | Omit<Spreader, 'id'>, says?: string) => Promise<string | undefined>;
  remove: (spreader: Spreader) => Promise<boolean>;
} {
  const done = useDone();
  return {
    save: async (given, says) => {
      const taken = spreaders.map(({ id }) => id);
      const full: Spreader = 'id' in given ? given : { ...given, id: newId(given.name, taken) };
      const undo = (answer: SpreadersAnswer | undefined) => change(answer?.undoSpreaders ?? { put: [], remove: [] });
      const saved = await (says === undefined
        ? done(() => change({ put: [full], remove: [] }))
        : done(() => change({ put: [full], remove: [] }), says, undo));
      return saved ? full.id : undefined;
    },
    remove: ({ id, name, changedAt }) =>
      done(
        () => change({ put: [], remove: [id], over: { [id]: changedAt ?? null } }),
        `${name} and its catches were deleted.`,
        (answer) => change(answer?.undoSpreaders ?? { put: [], remove: [] }),
      ),
  };
}
