import '../../ui/ruled-table.css';
import './season.css';
import './board/board.css';
import { Segmented } from 'antd';
import { useState } from 'react';
import { usePropertyWork } from '../../work/use-property-work';
import type { Route } from './+types/season';
import { type SeasonAnswer, type SeasonSent, seasonAction } from './season-action';
import { SeasonBoard } from './season-board';
import { useDone } from '../../work/use-done';
import { StageFault } from '../../work/stage-fault';
import { type Shapes, useSend } from '../../work/send';
import { propertyAction, type UndoSent } from '../../work/property-action';

const SHAPES: Shapes<SeasonSent> = {
  product: { key: 'text', productId: 'text?' },
  choices: { choices: 'record' },
  doses: { doses: 'list', solved: 'record?', over: 'text?' },
  keep: { doses: 'list', over: 'text?' },
  plain: {},
  buy: { productId: 'text' },
  'take-off': { productId: 'text' },
  aside: { plan: 'record' },
  'drop-aside': { planId: 'text' },
};

export const clientAction = propertyAction<SeasonSent, SeasonAnswer>(SHAPES, seasonAction);

export default function Season() {
  const work = usePropertyWork();
  const done = useDone();
  const { fetcher, send } = useSend<SeasonSent | UndoSent, SeasonAnswer>();
  // a new board where a whole other plan is laid on it
  const [laid, setLaid] = useState(0);
  const { zone, zoneSeason, today, year, file } = work;
  if (!zone || !zoneSeason)
    return (
      <div className="empty">
        <p>Nothing to date yet: measure a zone in Ground, type its report in Read, and the year is laid out here.</p>
      </div>
    );
  const thisYear = Number(today.slice(0, 4));
  const years = [...new Set([thisYear, thisYear + 1, year])].sort();
  return (
    <SeasonBoard
      key={`${file.property.id}/${year}/${laid}`}
      work={work}
      zone={zone}
      zoneSeason={zoneSeason}
      // a search must not start on wishes that are still being stored
      storing={fetcher.state !== 'idle'}
      send={send}
      onLaidAnew={() => setLaid((n) => n + 1)}
      years={
        <Segmented
          aria-label="Year"
          options={years.map((y) => ({ value: y, label: String(y) }))}
          value={year}
          onChange={(y) => void done(() => send({ intent: 'choices', choices: { year: y } }))}
        />
      }
    />
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Season" />;
}
