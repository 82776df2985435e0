import { refuseOutline } from '@core/ground/area-polygon';
import type { Pair } from '@core/reckoning/inputs';

/** The outline being drawn: corners in feet east and south, whether it is closed, and what undo and redo go back to. */
export interface OutlineState {
  corners: readonly Pair[];
  closed: boolean;
  /** The keyboard's cross, ft. */
  cross: Pair;
  past: readonly Drawn[];
  future: readonly Drawn[];
}
interface Drawn {
  corners: readonly Pair[];
  closed: boolean;
}

export type OutlineAction =
  | { do: 'add'; at: Pair }
  | { do: 'move'; corner: number; to: Pair }
  | { do: 'remove'; corner: number }
  | { do: 'lift' }
  | { do: 'close' }
  | { do: 'clear' }
  | { do: 'load'; corners: readonly Pair[] }
  | { do: 'cross'; to: Pair }
  | { do: 'undo' }
  | { do: 'redo' };

export const blankOutline = (corners: readonly Pair[] = []): OutlineState => ({
  corners,
  closed: corners.length > 2,
  cross: corners.at(-1) ?? [0, 0],
  past: [],
  future: [],
});

const MOST_STEPS_BACK = 200;

const changed = (state: OutlineState, next: Partial<Drawn>): OutlineState => ({
  ...state,
  ...next,
  past: [...state.past, { corners: state.corners, closed: state.closed }].slice(-MOST_STEPS_BACK),
  future: [],
});

const same = (a: Pair | undefined, b: Pair): boolean => a !== undefined && a[0] === b[0] && a[1] === b[1];

/** One step of drawing. A corner on the start closes the outline; nothing is added to a closed one. */
export function drawOutline(state: OutlineState, action: OutlineAction): OutlineState {
  const { corners } = state;
  switch (action.do) {
    case 'add':
      if (state.closed || same(corners.at(-1), action.at)) return { ...state, cross: action.at };
      if (corners.length >= 3 && same(corners[0], action.at))
        return { ...changed(state, { closed: true }), cross: action.at };
      return { ...changed(state, { corners: [...corners, action.at] }), cross: action.at };
    case 'move':
      if (same(corners[action.corner], action.to)) return state;
      return changed(state, { corners: corners.map((c, i) => (i === action.corner ? action.to : c)) });
    case 'remove':
      return changed(state, {
        corners: corners.filter((_, i) => i !== action.corner),
        closed: state.closed && corners.length > 3,
      });
    case 'lift':
      if (state.closed) return changed(state, { closed: false });
      return corners.length === 0 ? state : changed(state, { corners: corners.slice(0, -1) });
    case 'close':
      return corners.length >= 3 && !state.closed ? changed(state, { closed: true }) : state;
    case 'clear':
      return corners.length === 0 ? state : changed(state, { corners: [], closed: false });
    case 'load':
      return blankOutline(action.corners);
    case 'cross':
      return { ...state, cross: action.to };
    case 'undo': {
      const last = state.past.at(-1);
      return last
        ? {
            ...state,
            ...last,
            past: state.past.slice(0, -1),
            future: [{ corners, closed: state.closed }, ...state.future],
          }
        : state;
    }
    case 'redo': {
      const next = state.future[0];
      return next
        ? { ...state, ...next, past: [...state.past, { corners, closed: state.closed }], future: state.future.slice(1) }
        : state;
    }
  }
}

/** Why the outline as drawn is not yet a shape, in a sentence; undefined when it is one. */
export function outlineFault(state: OutlineState): string | undefined {
  if (state.corners.length === 0) return undefined;
  if (!state.closed) return state.corners.length < 3 ? undefined : refuseOutline(state.corners)?.refused;
  return refuseOutline(state.corners)?.refused;
}
