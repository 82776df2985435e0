import { Button } from 'antd';
import type { ReactNode } from 'react';
import type { Pair } from '@core/reckoning/inputs';
import { sayDay } from '@core/words/days';
import { Fig } from '../../ui/fig';
import { BagLabel } from './bag-label';
import { CorePlan, sizeOf } from './core-plan';
import { Step, STEPS, stepsOf } from './sample-chain';
import type { Column } from './use-columns';
import { DEPTH_IN, type SamplesState } from './use-samples';
import { NextTest } from './wait-line';
import { useUnits } from '../../ui/format';

/** Room of a zone's drawing, px. */
const PLAN_ROOM: Pair = [230, 170];

/** A column a zone, a row a step: where to core, the label, each bag from the bucket to the report. */
export function SampleTable({ samples }: { samples: SamplesState }) {
  const units = useUnits();
  const { file, today, columns } = samples;
  const largest = columns.reduce<Pair>(
    (most, { ground }) => {
      if (!ground || ground.corners.length === 0) return most;
      const [w, h] = sizeOf(ground);
      return [Math.max(most[0], w), Math.max(most[1], h)];
    },
    [1, 1],
  );
  const pxPerFt = Math.min((PLAN_ROOM[0] - 32) / largest[0], (PLAN_ROOM[1] - 32) / largest[1], 1.6);
  // the first round length that is drawn long enough to be read off
  const scaleFt = units.ticks('length', 0, 1500 / pxPerFt, 150).find(({ us }) => us * pxPerFt >= 60)?.us ?? 400;
  const row = (name: string, more: ReactNode, cell: (column: Column) => ReactNode, key = name) => (
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
    <table>
      <thead>
        <tr>
          <td />
          {columns.map(({ zone, count }) => (
            <th key={zone.id} scope="col">
              <span className="serif">{zone.name}</span> <Fig figure={count} show={String} /> cores, one per{' '}
              {units.say('area', zone.areaSqFt / count.value)}
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
                {units.plain(units.inShown('length', scaleFt), 0)} {units.unit('length')}
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
          <p className="small">
            {units.setting.system === 'us' ? '2⅜ × 1¼ in' : '60 × 32 mm'}, one ink. Put it on the bag before filling it.
          </p>,
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
                  {sample.printedOn ? `printed ${sayDay(sample.printedOn)}` : <b className="ready">ready to print</b>}{' '}
                  <button type="button" className="link small" onClick={() => samples.remove(sample)}>
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
                <Button type={sample ? 'default' : 'primary'} onClick={() => samples.start(column, today)}>
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
                    onChange={samples.change}
                    onHandIn={(layout) => void samples.handIn(column, layout)}
                    onFetch={(pass) => void samples.ask(column, pass)}
                    onReadIn={() => samples.readIn(sample.zoneId)}
                    says={samples.says[sample.id]}
                  />
                  {id === 'back' && step.state === 'done' && sample.laboratory === 'simulated' && (
                    <button type="button" className="link small" onClick={() => void samples.saveReport(column)}>
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
  );
}
