import { type KeyId, useKey } from '../../ui/keys';
import type { GroundKind } from '@core/files/ground-files';
import type { DraftAction } from './draft/draft-state';
import type { Target, Tool } from './draft/pointing';
import { TOOL_KEYS } from './tool-column';

export interface SheetActs {
  pick: (tool: Tool) => void;
  aim: (target: Target) => void;
  ask: (what: 'hand' | 'picture' | GroundKind) => void;
  draw: (action: DraftAction) => void;
  zoom: (by: 1 | -1) => void;
  wholeSheet: () => void;
  flipSnaps: () => void;
  /** An outline is being drawn that C would close. */
  canClose: boolean;
}

/** Binds each tool's key; the tools are a fixed table, so the hooks are called in one order. */
function useToolKeys({ pick, draw, canClose }: SheetActs, now: unknown[]): void {
  for (const { tool } of TOOL_KEYS)
    // eslint-disable-next-line react-hooks/rules-of-hooks
    useKey(tool satisfies KeyId, () => (tool === 'circle' && canClose ? draw({ do: 'close' }) : pick(tool)), now);
}

/** The sheet by keys: tools, targets, what can be imported, undo and redo, the view. */
export function useSheetKeys(acts: SheetActs): void {
  const now = [acts];
  useToolKeys(acts, now);
  useKey('cut-out', () => acts.aim('cut-out'), now);
  useKey('water', () => acts.aim('water'), now);
  useKey('building', () => acts.aim('building'), now);
  useKey('track', () => acts.ask('track'), now);
  useKey('zones-file', () => acts.ask('zones'), now);
  useKey('picture', () => acts.ask('picture'), now);
  useKey('hand-test', () => acts.ask('hand'), now);
  useKey('snap', acts.flipSnaps, now);
  useKey('undo', () => acts.draw({ do: 'undo' }), now);
  useKey('redo', () => acts.draw({ do: 'redo' }), now);
  useKey('zoom-in', () => acts.zoom(-1), now);
  useKey('zoom-out', () => acts.zoom(1), now);
  useKey('fit', acts.wholeSheet, now);
}
