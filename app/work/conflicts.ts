import { useSyncExternalStore } from 'react';
import type { Conflict } from '../storage/changes';

/**
 * A write that was refused because somebody else wrote the record since, waiting for a person's choice; and how often a choice was
 * made, by which pages know that what they show was laid anew.
 */
let waiting: Conflict | undefined;
let settled = 0;
const listeners = new Set<() => void>();
const listen = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const tell = () => listeners.forEach((listener) => listener());

/** Asks a person which of two versions is to stand. */
export function askWhichStands(conflict: Conflict): void {
  waiting = conflict;
  tell();
}

/** The choice was made, or put off: then the page keeps what was typed. */
export function closeConflict({ chosen }: { chosen: boolean }): void {
  waiting = undefined;
  if (chosen) settled++;
  tell();
}

const nothing = () => undefined;
const never = () => 0;

/** The conflict that waits. */
export const useConflict = (): Conflict | undefined => useSyncExternalStore(listen, () => waiting, nothing);

/** Counts the choices made: what is keyed by it begins anew after each. */
export const useSettled = (): number => useSyncExternalStore(listen, () => settled, never);
