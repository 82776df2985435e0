/**
 * Tabs of one browser tell each other what they wrote, and follow. Workers are told apart from pages by the browser, so a page
 * also hears what its own workers wrote.
 */

const CHANNEL = 'ubertas-changes';
/** What was written: a property by its id, or the shelf. */
export const SHELF = 'shelf';
/** Own codes, packs, people, units: every page may show them. */
export const SETTINGS = 'settings';

let channel: BroadcastChannel | undefined;
const open = (): BroadcastChannel | undefined => {
  if (typeof BroadcastChannel === 'undefined') return undefined;
  if (!channel) {
    channel = new BroadcastChannel(CHANNEL);
    // in Node an open channel would keep the process from ending
    (channel as BroadcastChannel & { unref?: () => void }).unref?.();
  }
  return channel;
};

/** Tells the other tabs that a property or the shelf was written. */
export function tellOthers(...written: readonly string[]): void {
  try {
    open()?.postMessage(written);
  } catch {
    // a tab that cannot be told finds out at its next save, which is refused with both versions
  }
}

/** Hears what other tabs write, until the returned function is called. */
export function hearOthers(hear: (written: readonly string[]) => void): () => void {
  const from = open();
  const listen = ({ data }: MessageEvent) => {
    if (Array.isArray(data)) hear(data.filter((each): each is string => typeof each === 'string'));
  };
  from?.addEventListener('message', listen);
  return () => from?.removeEventListener('message', listen);
}
