import { useCallback, useEffect, useState } from 'react';

/**
 * Holds something for this tab alone, so that two tabs do not work on it at once. Where another tab holds it, `isElsewhere` is true until
 * that one lets go or `takeOver` is called. Where the browser has no such locks, nobody is kept out.
 */
export function useHeldLock(name: string): { isElsewhere: boolean; takeOver: () => void } {
  const [isElsewhere, setElsewhere] = useState(false);
  const [takes, setTakes] = useState(0);
  useEffect(() => {
    const locks = navigator.locks as LockManager | undefined;
    if (!locks) return undefined;
    let letGo: (() => void) | undefined;
    let isOver = false;
    const kept = () => {
      if (isOver) return undefined;
      setElsewhere(false);
      return new Promise<void>((resolve) => (letGo = resolve));
    };
    const waiting = new AbortController();
    const ask = async () => {
      try {
        if (takes > 0) return await locks.request(name, { steal: true }, kept);
        const { held = [] } = await locks.query();
        if (!isOver && held.some((each) => each.name === name)) setElsewhere(true);
        return await locks.request(name, { signal: waiting.signal }, kept);
      } catch {
        // another tab took it over, or this one went away
        if (!isOver) setElsewhere(true);
        return undefined;
      }
    };
    void ask();
    return () => {
      isOver = true;
      waiting.abort();
      letGo?.();
    };
  }, [name, takes]);
  return { isElsewhere, takeOver: useCallback(() => setTakes((before) => before + 1), []) };
}
