import { useEffect, useState } from 'react';

/** Keeps the screen on while something runs. Gives false where the browser cannot, so that it can be said. */
export function useWakeLock(on: boolean): boolean {
  const [held, setHeld] = useState(true);
  useEffect(() => {
    if (!on) return undefined;
    let lock: WakeLockSentinel | undefined;
    let isOver = false;
    const hold = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        const taken = await navigator.wakeLock.request('screen');
        if (isOver) void taken.release();
        else {
          lock = taken;
          setHeld(true);
        }
      } catch {
        // no such lock here, or the battery is low
        if (!isOver) setHeld(false);
      }
    };
    // a browser lets go whenever the page is hidden
    const again = () => void hold();
    document.addEventListener('visibilitychange', again);
    void hold();
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [on]);
  return held;
}
