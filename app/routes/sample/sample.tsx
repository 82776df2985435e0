import './sample.css';
import { App, Button } from 'antd';
import { useEffect, useState } from 'react';
import { useKey } from '../../ui/keys';
import { useNavigate, useSearchParams } from 'react-router';
import type { Sample as SampleRecord } from '@core/records/case';
import type { Pair } from '@core/reckoning/inputs';
import { DRYING_DAYS } from '@core/sampling/chain';
import { nextTest } from '@core/sampling/retest';
import { WAIT_DAYS } from '@core/sampling/wait';
import { latestTest } from '@core/soil/report';
import { Fig } from '../../ui/fig';
import { showArea } from '@core/words/numbers';
import { sayDate, sayDay, sayWeekday } from '@core/words/days';
import { StandingGlyph } from '../../ui/glyphs';
import { saveFile } from '../../ui/save-text-file';
import { useOfferUndo } from '../../ui/use-offer-undo';
import { handOver } from '../../work/handed-file';
import { usePropertyWork } from '../../work/property-work';
import type { Route } from './+types/sample';
import { BagLabel } from './bag-label';
import { CorePlan, sizeOf } from './core-plan';
import { HandReadings } from './hand-readings';
import { HowToCore } from './how-to-core';
import { type Answer, sampleAction, type Sent } from './sample-action';
import { Step, STEPS, stepsOf } from './sample-chain';
import { fetchReport, handInBag } from './simulated';
import { type Column, useColumns } from './use-columns';
import { StageFault } from '../../work/stage-fault';
import { received, type Shapes, useSend } from '../../work/send';

/** One depth for established turf, in. Common practice: 3 to 4. */
const DEPTH_IN = 4;
/** Room of a zone's drawing, px. */
const PLAN_ROOM: Pair = [230, 170];

const SHAPES: Shapes<Sent> = {
  start: { zoneId: 'text', plannedOn: 'text', depthIn: 'number' },
  change: { sample: 'record' },
  printed: { ids: 'list', on: 'text' },
  remove: { sampleId: 'text' },
  reading: { zoneId: 'text', reading: 'record' },
  'forget-reading': { zoneId: 'text', index: 'number' },
};

export async function clientAction({ request, params }: Route.ClientActionArgs) {
  return sampleAction(await received(request, SHAPES), params.propertyId);
}

function NextTest({ column }: { column: Column }) {
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
      <span className="small">{next.why}</span>
    </>
  );
}

function WaitLine({ column, onPlan }: { column: Column; onPlan: (day: string) => void }) {
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

/** Sample: where to core, the labels, each bag from the bucket to the report. */
export default function Sample() {
  const work = usePropertyWork();
  const { file, today, zone: focus } = work;
  const columns = useColumns();
  const { fetcher, send } = useSend<Sent, Answer>();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const { message } = App.useApp();
  const offerUndo = useOfferUndo();
  const [says, setSays] = useState<Record<string, string>>({});
  const change = (sample: SampleRecord) => send({ intent: 'change', sample });
  const wrong = fetcher.state === 'idle' ? Object.values(fetcher.data?.faults ?? {})[0] : undefined;
  useEffect(() => {
    if (wrong) void message.error(wrong);
  }, [wrong, message]);

  const waiting = columns.filter((c) => c.open && !c.sample?.takenOn);
  const print = () => {
    document.documentElement.classList.add('print-labels');
    window.print();
    document.documentElement.classList.remove('print-labels');
    send({ intent: 'printed', ids: columns.flatMap((c) => (c.open && c.sample ? [c.sample.id] : [])), on: today });
  };
  useKey(
    'print-labels',
    print,
    [columns],
    columns.some((c) => c.open),
  );

  if (columns.length === 0)
    return (
      <div className="empty">
        <p>
          A sample belongs to a zone, and there is none yet. Measure the ground first: the number of cores follows from
          it.
        </p>
      </div>
    );
  const start = (column: Column, plannedOn: string) =>
    send({ intent: 'start', zoneId: column.zone.id, plannedOn, depthIn: DEPTH_IN });
  const handIn = async (column: Column, layout: Parameters<typeof handInBag>[3]) => {
    const sample = column.sample as SampleRecord;
    const answer = await handInBag(file.property, column.zone, sample, layout, today);
    if (typeof answer === 'string') return setSays((all) => ({ ...all, [sample.id]: answer }));
    change({ ...sample, laboratory: 'simulated', sentOn: today, ...answer });
  };
  const readIn = (sample: SampleRecord) =>
    navigate({ pathname: '/reports', search: `?property=${file.property.id}&zone=${sample.zoneId}` });
  const ask = async (column: Column, letDaysPass: boolean) => {
    const sample = column.sample as SampleRecord;
    const day = letDaysPass ? (sample.expectedOn ?? today) : today;
    const answer = await fetchReport(sample.receipt ?? '', day);
    if (typeof answer === 'string') return setSays((all) => ({ ...all, [sample.id]: answer }));
    if ('notBefore' in answer)
      return setSays((all) => ({ ...all, [sample.id]: `Not ready before ${sayWeekday(answer.notBefore)}.` }));
    handOver(answer);
    void readIn(sample);
  };
  const saveReport = async (column: Column) => {
    const sample = column.sample as SampleRecord;
    const answer = await fetchReport(sample.receipt ?? '', sample.reportedOn ?? sample.expectedOn ?? today);
    if (answer instanceof File) saveFile(answer);
  };
  const remove = (sample: SampleRecord) => {
    send({ intent: 'remove', sampleId: sample.id });
    offerUndo(`Sample ${sample.code} was deleted.`, () => change(sample));
  };

  const largest = columns.reduce<Pair>(
    (most, { ground }) => {
      if (!ground || ground.corners.length === 0) return most;
      const [w, h] = sizeOf(ground);
      return [Math.max(most[0], w), Math.max(most[1], h)];
    },
    [1, 1],
  );
  const pxPerFt = Math.min((PLAN_ROOM[0] - 32) / largest[0], (PLAN_ROOM[1] - 32) / largest[1], 1.6);
  const back = columns.filter((c) => latestTest(file.soilTests ?? [], c.zone.id)).length;
  const atLab = columns.filter((c) => c.open && c.sample?.sentOn).length;
  const scaleFt = [10, 20, 40, 60, 100, 200, 400].find((ft) => ft * pxPerFt >= 60) ?? 400;
  const row = (name: string, more: React.ReactNode, cell: (column: Column) => React.ReactNode, key = name) => (
    <tr key={key}>
      <th scope="row">
        {name}
        {more}
      </th>
      {columns.map((column) => (
        <td key={column.zone.id}>{cell(column)}</td>
      ))}
    </tr>
  );
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
          <table>
            <thead>
              <tr>
                <td />
                {columns.map(({ zone, count }) => (
                  <th key={zone.id} scope="col">
                    <span className="serif">{zone.name}</span> <Fig figure={count} show={String} /> cores, one per{' '}
                    {showArea(zone.areaSqFt / count.value)} sq ft
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {row(
                'Where to core',
                <>
                  <p className="small">Start at the ring. Walk the dotted line and take one core at each number.</p>
                  <svg width={scaleFt * pxPerFt + 40} height="30" aria-hidden="true">
                    <rect x="2" y="6" width={(scaleFt * pxPerFt) / 2} height="5" fill="var(--loam)" />
                    <rect x="2" y="6" width={scaleFt * pxPerFt} height="5" fill="none" stroke="var(--loam)" />
                    <text x={scaleFt * pxPerFt} y="25" textAnchor="middle">
                      {scaleFt} ft
                    </text>
                  </svg>
                </>,
                ({ zone, ground, cores, sample }) =>
                  ground && cores.length > 0 ? (
                    <CorePlan
                      name={zone.name}
                      ground={ground}
                      cores={cores}
                      pxPerFt={pxPerFt}
                      taken={sample?.takenOn !== undefined}
                    />
                  ) : (
                    <p className="note">Only the area is known. Draw the zone, and the zigzag is laid on it.</p>
                  ),
              )}
              {row(
                'Bag label',
                <p className="small">2⅜ × 1¼ in, one ink. Put it on the bag before filling it.</p>,
                (column) => {
                  const { zone, sample, count, day, open } = column;
                  return sample && open ? (
                    <>
                      <BagLabel
                        propertyName={file.property.name}
                        zone={zone}
                        sample={sample}
                        cores={sample.cores ?? count.value}
                        depthIn={sample.depthIn ?? DEPTH_IN}
                        day={day}
                      />
                      <p className="small">
                        {sample.printedOn ? (
                          `printed ${sayDay(sample.printedOn)}`
                        ) : (
                          <b className="ready">ready to print</b>
                        )}{' '}
                        <button type="button" className="link small" onClick={() => remove(sample)}>
                          Delete {sample.code}
                        </button>
                      </p>
                    </>
                  ) : (
                    <p>
                      {sample && (
                        <span className="small">
                          {sample.code} came back {sample.reportedOn && sayDay(sample.reportedOn)}.
                          <br />
                        </span>
                      )}
                      <Button type={sample ? 'default' : 'primary'} onClick={() => start(column, today)}>
                        Start a sample
                      </Button>
                    </p>
                  );
                },
              )}
              {STEPS.map(([id, name]) =>
                row(name, null, (column) => {
                  const { sample, wait, zone, count } = column;
                  if (!sample) return <span className="small">–</span>;
                  const step = stepsOf(sample, today, wait).find((s) => s.id === id);
                  return (
                    step && (
                      <>
                        <Step
                          key={`${sample.id}${id}${step.state}`}
                          step={step}
                          sample={sample}
                          zone={zone}
                          cores={count.value}
                          today={today}
                          onChange={change}
                          onHandIn={(layout) => void handIn(column, layout)}
                          onFetch={(pass) => void ask(column, pass)}
                          onReadIn={() => void readIn(sample)}
                          says={says[sample.id]}
                        />
                        {id === 'back' && step.state === 'done' && sample.laboratory === 'simulated' && (
                          <button type="button" className="link small" onClick={() => void saveReport(column)}>
                            Save the report file
                          </button>
                        )}
                      </>
                    )
                  );
                }),
              )}
              {row('Next test', null, (column) => (
                <NextTest column={column} />
              ))}
            </tbody>
          </table>
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
              key={focus.id}
              property={file.property}
              zone={focus}
              today={today}
              onTake={(reading) => send({ intent: 'reading', zoneId: focus.id, reading })}
              onForget={(index) => send({ intent: 'forget-reading', zoneId: focus.id, index })}
            />
          )}
          <p className="small">
            <Button
              onClick={() =>
                void navigate({
                  pathname: '/reports',
                  search: `?property=${file.property.id}&zone=${search.get('zone') ?? ''}`,
                })
              }
            >
              Read a report file in
            </Button>
          </p>
        </aside>
      </div>
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Sample" />;
}
