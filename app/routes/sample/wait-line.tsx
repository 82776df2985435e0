import { Button } from 'antd';
import { nextTest } from '@core/sampling/retest';
import { WAIT_DAYS } from '@core/sampling/wait';
import { latestTest } from '@core/soil/report';
import { sayDate, sayDay } from '@core/words/days';
import { StandingGlyph } from '../../ui/glyphs';
import { usePropertyWork } from '../../work/use-property-work';
import type { Column } from './use-columns';
import { Said } from '../../ui/substance';

/** When the zone wants its next test, and why then. */
export function NextTest({ column }: { column: Column }) {
  const { file, season } = usePropertyWork();
  const latest = latestTest(file.soilTests ?? [], column.zone.id);
  if (!latest)
    return (
      <>
        <b>Now</b>
        <br />
        <span className="small">no report of this zone yet</span>
      </>
    );
  const ph = season.zones.find((z) => z.zone.id === column.zone.id)?.prescription.ph;
  const next = nextTest(latest.sampledOn, ph?.action === 'lime' || ph?.action === 'sulfur');
  return (
    <>
      <b>{sayDate(next.on)}</b>
      <br />
      <span className="small">
        <Said text={next.why} />
      </span>
    </>
  );
}

/** How long the zone still waits after lime or feeding. */
export function WaitLine({ column, onPlan }: { column: Column; onPlan: (day: string) => void }) {
  const { zone, wait, sample } = column;
  const standing = wait.standing === 'wait' ? 'warn' : 'pass';
  const { last, from, restarts } = wait;
  return (
    <li className={wait.standing === 'wait' || restarts ? 'warn' : 'pass'}>
      <StandingGlyph standing={restarts ? 'warn' : standing} />
      <div>
        <p>
          <b className="word">{wait.standing === 'wait' || restarts ? 'Warn' : 'Pass'}</b> <b>{zone.name}</b>
          {wait.standing === 'wait' && ', too soon'}
        </p>
        <p className="small">
          {last
            ? `${last.productName}, ${sayDay(last.date)}, ${last.daysAgo} days before; the soil needs ${WAIT_DAYS}.`
            : 'Nothing on the log: nothing to wait for.'}{' '}
          {restarts &&
            `The ${restarts.productName.toLowerCase()} planned for ${sayDay(restarts.date)} would start the wait again.`}
        </p>
        {wait.standing === 'wait' && from && !sample?.takenOn && (
          <Button size="small" type="primary" onClick={() => onPlan(from)}>
            Plan the cores for {sayDay(from)}
          </Button>
        )}
      </div>
    </li>
  );
}
