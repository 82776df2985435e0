import { Button } from 'antd';
import type { Plan } from '@core/records/case';
import { sayDate } from '@core/words/days';
import { StandingGlyph } from '../../../ui/glyphs';
import { provenWithin } from '../../../solving/search-line';

/** How the plan came to be, in a line. */
export function provenance(plan: Plan | undefined, edited: boolean): string {
  if (!plan?.doses) return 'a first draft by the plain rule';
  const { solved } = plan;
  if (!solved || edited) return plan.keptOn ? `saved ${sayDate(plan.keptOn)}` : 'changed by hand, not saved yet';
  const how = solved.gapPercent === undefined ? 'found by the planner' : `proven ${provenWithin(solved.gapPercent)}`;
  return plan.keptOn ? `${how}; saved ${sayDate(plan.keptOn)}` : `${how}; not saved yet`;
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
