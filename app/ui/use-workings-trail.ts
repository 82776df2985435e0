import { useMemo, useState } from 'react';
import type { Figure } from '@core/reckoning/figure';
import type { Workings } from './workings-context';

/** Which figure's Workings a page shows, and how they were drilled into. */
export function useWorkingsTrail(): Workings {
  const [trail, setTrail] = useState<readonly Figure[]>([]);
  return useMemo(
    () => ({
      trail,
      open: (figure: Figure) => setTrail([figure]),
      drill: (figure: Figure) => setTrail((before) => [...before, figure]),
      back: () => setTrail((before) => before.slice(0, -1)),
      close: () => setTrail([]),
    }),
    [trail],
  );
}
