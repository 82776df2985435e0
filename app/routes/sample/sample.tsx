import './sample.css';
import { Button } from 'antd';
import { DRYING_DAYS } from '@core/sampling/chain';
import { WAIT_DAYS } from '@core/sampling/wait';
import { latestTest } from '@core/soil/report';
import type { Shapes } from '../../work/send';
import { propertyAction } from '../../work/property-action';
import { StageFault } from '../../work/stage-fault';
import type { Route } from './+types/sample';
import { HandReadings } from './hand-readings';
import { HowToCore } from './how-to-core';
import { type Answer, sampleAction, type Sent } from './sample-action';
import { SampleTable } from './sample-table';
import { DEPTH_IN, useSamples } from './use-samples';
import { WaitLine } from './wait-line';

const SHAPES: Shapes<Sent> = {
  start: { zoneId: 'text', plannedOn: 'text', depthIn: 'number' },
  change: { sample: 'record' },
  printed: { ids: 'list', on: 'text' },
  remove: { sampleId: 'text' },
  reading: { zoneId: 'text', reading: 'record' },
  'forget-reading': { zoneId: 'text', index: 'number' },
};

export const clientAction = propertyAction<Sent, Answer>(SHAPES, sampleAction);

/** Sample: where to core, the labels, each bag from the bucket to the report. */
export default function Sample() {
  const samples = useSamples();
  const { file, today, focus, columns, tell, print, start, change } = samples;
  if (columns.length === 0)
    return (
      <div className="empty">
        <p>
          A sample belongs to a zone, and there is none yet. Measure the ground first: the number of cores follows from
          it.
        </p>
      </div>
    );
  const waiting = columns.filter((c) => c.open && !c.sample?.takenOn);
  const back = columns.filter((c) => latestTest(file.soilTests ?? [], c.zone.id)).length;
  const atLab = columns.filter((c) => c.open && c.sample?.sentOn).length;
  return (
    <div className="sample">
      <div className="pagehead">
        <h1>Taking the samples</h1>
        <span className="small">
          {back} of {columns.length} zones have a report, {atLab} {atLab === 1 ? 'bag' : 'bags'} at the laboratory.
        </span>
        <span className="sp" />
        <Button type="primary" disabled={!columns.some((c) => c.open)} onClick={print}>
          Print {columns.filter((c) => c.open).length === 1 ? 'the label' : 'the labels'} <span className="kbd">P</span>
        </Button>
      </div>
      <div className="body">
        <div className="chains">
          <SampleTable samples={samples} />
        </div>
        <aside className="margin">
          <h2>How to take them</h2>
          <HowToCore
            counts={columns.map((c) => c.count.value).join(', ')}
            depthIn={DEPTH_IN}
            dryingDays={DRYING_DAYS}
          />
          <h2>Wait after lime or feeding: {WAIT_DAYS / 7} weeks</h2>
          <ul className="checks">
            {[...columns]
              .sort((a, b) => (b.wait.standing === 'wait' ? 1 : 0) - (a.wait.standing === 'wait' ? 1 : 0))
              .map((column) => (
                <WaitLine
                  key={column.zone.id}
                  column={column}
                  onPlan={(day) =>
                    column.open && column.sample ? change({ ...column.sample, plannedOn: day }) : start(column, day)
                  }
                />
              ))}
          </ul>
          {waiting.length > 0 && (
            <p className="small">Same laboratory, same method, same season each time, or the trend means nothing.</p>
          )}
          {focus && (
            <HandReadings
              fileId={file.fileId ?? file.property.id}
              key={focus.id}
              property={file.property}
              zone={focus}
              today={today}
              onTake={(reading) => tell({ intent: 'reading', zoneId: focus.id, reading })}
              onForget={(index) => tell({ intent: 'forget-reading', zoneId: focus.id, index })}
            />
          )}
          <p className="small">
            <Button onClick={() => samples.readIn(samples.focusInAddress)}>Read a report file in</Button>
          </p>
        </aside>
      </div>
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Sample" />;
}
