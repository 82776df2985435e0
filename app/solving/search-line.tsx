import './search-line.css';
import { Button } from 'antd';
import { useSyncExternalStore } from 'react';
import { fixed, showMoney } from '@core/words/numbers';
import type { SearchProgress } from './use-solver';

/** How near to the best a plan was proven to be. */
export const provenWithin = (gap: number): string =>
  gap < 0.05 ? 'the best there is' : `within ${fixed(gap, gap < 1 ? 2 : 1)} % of the best`;

/** The search under way: seconds, the best so far, how much better any other plan could still be, and the stop. */
export function SearchLine({ progress, onStop }: { progress: SearchProgress; onStop: () => void }) {
  const search = useSyncExternalStore(progress.hear, progress.now, progress.now);
  if (!search) return null;
  const { seconds, best, gapPercent, doses } = search;
  const gap = gapPercent === undefined ? 100 : Math.min(100, gapPercent);
  return (
    <div className="searching" role="status" aria-live="polite">
      <progress max={100} value={100 - gap} aria-label="Proven share of the search" />
      <span>
        {doses
          ? `Best so far: ${doses.length} doses${best === undefined ? '' : `, ${showMoney(best)} with all wishes weighed`}, ${gapPercent === undefined ? 'not proven yet' : `proven ${provenWithin(gapPercent)}`}`
          : 'Looking for a first plan'}
        , {fixed(seconds, 0)} s
      </span>
      <Button onClick={onStop}>{doses ? 'Stop and take the best so far' : 'Stop'}</Button>
    </div>
  );
}
