import { useHotkeys } from 'react-hotkeys-hook';
import type { BroughtIn } from './bring-in';
import type { DraftAction } from './draft-state';
import type { Target, Tool } from './pointing';
import { TOOL_KEYS } from './tool-column';

export interface SheetActs {
  pick: (tool: Tool) => void;
  aim: (target: Target) => void;
  ask: (what: 'hand' | 'picture' | BroughtIn) => void;
  draw: (action: DraftAction) => void;
  zoom: (by: 1 | -1) => void;
  wholeSheet: () => void;
  flipSnaps: () => void;
  /** An outline is being drawn that C would close. */
  canClose: boolean;
}

/** The sheet by keys: tools, targets, what can be brought in, undo and redo, the view. */
export function useSheetKeys(acts: SheetActs): void {
  const now = [acts];
  useHotkeys(
    's,o,r,t,c,e,b',
    (event) => {
      if (event.key === 'c' && acts.canClose) return acts.draw({ do: 'close' });
      const found = TOOL_KEYS.find((each) => each.key.toLowerCase() === event.key);
      if (found) acts.pick(found.tool);
    },
    now,
  );
  useHotkeys('x', () => acts.aim('cut-out'), now);
  useHotkeys('k', () => acts.aim('water'), now);
  useHotkeys('d', () => acts.aim('building'), now);
  useHotkeys('g', () => acts.ask('track'), now);
  useHotkeys('j', () => acts.ask('zones'), now);
  useHotkeys('i', () => acts.ask('picture'), now);
  useHotkeys('h', () => acts.ask('hand'), now);
  useHotkeys('n', acts.flipSnaps, now);
  useHotkeys('mod+z', () => acts.draw({ do: 'undo' }), { preventDefault: true }, now);
  useHotkeys('mod+y, mod+shift+z', () => acts.draw({ do: 'redo' }), { preventDefault: true }, now);
  useHotkeys('+', () => acts.zoom(-1), { useKey: true }, now);
  useHotkeys('-', () => acts.zoom(1), { useKey: true }, now);
  useHotkeys('0', acts.wholeSheet, now);
}
