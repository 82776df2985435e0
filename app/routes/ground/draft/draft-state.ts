import type { CutOut } from '@core/records/case';
import { refuseOutline } from '@core/ground/area-polygon';
import type { Pair } from '@core/reckoning/inputs';
import { type History, historyOf, stepBack, stepForward, stepTo } from '../../../work/history';
import { settled } from './snap';
import type { TypedGround } from './typed-ground';

/** The ground being drawn, the keyboard's cross, and what undo and redo go back to. */
export interface DraftState extends History<TypedGround> {
  /** Ft east and south. */
  cross: Pair;
}

export type DraftAction =
  | { do: 'add'; at: Pair }
  | { do: 'move'; corner: number; to: Pair }
  | { do: 'split'; side: number; at: Pair }
  | { do: 'remove'; corner: number }
  | { do: 'lift' }
  | { do: 'close' }
  | { do: 'clear' }
  | { do: 'shift'; by: Pair }
  | { do: 'cut-out'; cutOut: CutOut }
  | { do: 'drop-cut-out'; id: string }
  | { do: 'change'; part: Partial<TypedGround> }
  | { do: 'load'; ground: TypedGround }
  | { do: 'cross'; to: Pair }
  | { do: 'undo' }
  | { do: 'redo' };

export const newDraft = (now: TypedGround): DraftState => ({
  ...historyOf(now),
  cross: now.corners.at(-1) ?? now.at ?? [20, 20],
});

const changed = (state: DraftState, part: Partial<TypedGround>): DraftState => stepTo(state, { ...state.now, ...part });

/** New corners: a walked ring no longer says where they are. */
const redrawn = (state: DraftState, corners: readonly Pair[], closed = state.now.closed): DraftState =>
  changed(state, { corners, closed, ring: undefined });

const same = (a: Pair | undefined, b: Pair): boolean => a !== undefined && a[0] === b[0] && a[1] === b[1];
const plus = ([x, y]: Pair, [dx, dy]: Pair): Pair => [x + dx, y + dy];

/** Moves a cut-out with its zone. */
const shifted = (cutOut: CutOut, by: Pair): CutOut => ({
  ...cutOut,
  ...(cutOut.cornersFt ? { cornersFt: cutOut.cornersFt.map((c) => plus(c as Pair, by)) as [number, number][] } : {}),
  ...(cutOut.atFt ? { atFt: plus(cutOut.atFt, by) as [number, number] } : {}),
});

/** One step of drawing. A corner on the start closes the outline; nothing is added to a closed one. */
export function draw(state: DraftState, action: DraftAction): DraftState {
  const { now } = state;
  const { corners } = now;
  switch (action.do) {
    case 'add':
      if (now.closed || same(corners.at(-1), action.at)) return { ...state, cross: action.at };
      if (corners.length >= 3 && same(corners[0], action.at))
        return { ...redrawn(state, corners, true), cross: action.at };
      return { ...redrawn(state, [...corners, action.at]), cross: action.at };
    case 'move':
      if (same(corners[action.corner], action.to)) return state;
      return redrawn(
        state,
        corners.map((c, i) => (i === action.corner ? action.to : c)),
      );
    case 'split':
      return redrawn(state, [...corners.slice(0, action.side + 1), action.at, ...corners.slice(action.side + 1)]);
    case 'remove':
      return redrawn(
        state,
        corners.filter((_, i) => i !== action.corner),
        now.closed && corners.length > 3,
      );
    case 'lift':
      if (now.closed) return redrawn(state, corners, false);
      return corners.length === 0 ? state : redrawn(state, corners.slice(0, -1));
    case 'close':
      return corners.length >= 3 && !now.closed ? redrawn(state, corners, true) : state;
    case 'clear':
      return corners.length === 0 ? state : redrawn(state, [], false);
    case 'shift': {
      const at = now.at && plus(now.at, action.by);
      return changed(state, {
        at,
        corners: corners.map((c) => plus(c, action.by)),
        cutOuts: now.cutOuts.map((c) => shifted(c, action.by)),
        ring: undefined,
      });
    }
    case 'cut-out':
      return changed(state, {
        cutOuts: [...now.cutOuts.filter((c) => c.id !== action.cutOut.id), action.cutOut],
      });
    case 'drop-cut-out':
      return changed(state, { cutOuts: now.cutOuts.filter((c) => c.id !== action.id) });
    case 'change':
      return changed(state, action.part);
    case 'load':
      return newDraft(action.ground);
    case 'cross':
      return { ...state, cross: action.to };
    case 'undo':
      return stepBack(state);
    case 'redo':
      return stepForward(state);
  }
}

/** Why the outline as drawn is not yet a shape, in a sentence; undefined when it is one. */
export const outlineFault = ({ corners }: Pick<TypedGround, 'corners'>): string | undefined =>
  corners.length < 3 ? undefined : refuseOutline(corners)?.refused;

/** Corners after one side was given an exact length: the fixed end stays, the other moves along the side's line. */
export function withSideLength(
  corners: readonly Pair[],
  side: number,
  lengthFt: number,
  fixed: 'near' | 'far',
): Pair[] {
  const [i, j] = [side, (side + 1) % corners.length];
  const [keep, move] = fixed === 'near' ? [i, j] : [j, i];
  const [from, to] = [corners[keep] as Pair, corners[move] as Pair];
  const drawn = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const scale = drawn === 0 ? 0 : lengthFt / drawn;
  return corners.map((c, at) =>
    at === move ? settled([from[0] + (to[0] - from[0]) * scale, from[1] + (to[1] - from[1]) * scale]) : c,
  );
}
