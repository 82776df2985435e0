import { Button } from 'antd';
import { useSyncExternalStore } from 'react';
import type { Plan } from '@core/records/case';
import { showMoney, fixed } from '@core/words/numbers';
import { sayDate } from '@core/words/days';
import { StandingGlyph } from '../../../ui/glyphs';
import type { SearchProgress } from './use-solver';

const percent = (gap: number): string =>
  gap < 0.05 ? 'the best there is' : `within ${fixed(gap, gap < 1 ? 2 : 1)} % of the best`;

/** How the plan came to be, in a line. */
export function provenance(plan: Plan | undefined, edited: boolean): string {
  if (!plan?.doses) return 'a first draft by the plain rule';
  const { solved } = plan;
  if (!solved || edited) return plan.keptOn ? `saved ${sayDate(plan.keptOn)}` : 'changed by hand, not saved yet';
  const how = solved.gapPercent === undefined ? 'found by the planner' : `proven ${percent(solved.gapPercent)}`;
  return plan.keptOn ? `${how}; saved ${sayDate(plan.keptOn)}` : `${how}; not saved yet`;
}

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
          ? `Best so far: ${doses.length} doses${best === undefined ? '' : `, ${showMoney(best)} with all wishes weighed`}, ${gapPercent === undefined ? 'not proven yet' : `proven ${percent(gapPercent)}`}`
          : 'Looking for a first plan'}
        , {fixed(seconds, 0)} s
      </span>
      <Button onClick={onStop}>{doses ? 'Stop and take the best so far' : 'Stop'}</Button>
    </div>
  );
}

/** That a search found nothing, and what stands instead. */
export function NothingFound({ onClose }: { onClose: () => void }) {
  return (
    <div className="noplan" role="alert">
      <p>
        <StandingGlyph standing="warn" /> <b>Nothing found yet</b>
      </p>
      <p>The search used up its work before it had a plan. The plan on the board stands as it was.</p>
      <div className="acts">
        <Button onClick={onClose}>Close</Button>
      </div>
    </div>
  );
}
