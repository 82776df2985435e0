import { Button } from 'antd';
import { ExportPlan } from '../export/export-plan';
import { provenance } from '../search/solve-bar';
import type { SeasonBoardState } from '../use-season-board';

/** What is done to the whole plan: find, undo, add, export, save. */
export function BoardBar({ at }: { at: SeasonBoardState }) {
  const { file, plan, board, shown, judged, care, today, all, doses } = at;
  return (
    <div className="boardbar">
      <Button type="primary" disabled={at.searching || !shown.weather} onClick={at.ask}>
        {doses.some((d) => d.locked)
          ? 'Plan the rest'
          : plan?.doses
            ? 'Find the best plan again'
            : 'Find the best plan'}
      </Button>
      <Button disabled={!board.canUndo} onClick={board.undo} title="Ctrl Z">
        Undo
      </Button>
      <Button disabled={!board.canRedo} onClick={board.redo} title="Ctrl Shift Z">
        Redo
      </Button>
      <Button onClick={() => at.setAdding(true)}>
        Add dose <span className="kbd">A</span>
      </Button>
      {plan?.doses && <Button onClick={at.clear}>Back to the plain draft</Button>}
      <span className="sp" />
      <ExportPlan
        file={file}
        season={shown}
        judged={judged}
        care={care}
        today={today}
        provenance={provenance(plan, at.edited)}
        onFault={at.setRefusal}
      />
      <Button disabled={all.length === 0 || plan?.keptOn !== undefined} onClick={at.save}>
        Save plan
      </Button>
    </div>
  );
}
