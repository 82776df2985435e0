import './read.css';
import { App, Button, Select } from 'antd';
import { useEffect, useState } from 'react';
import { useKey } from '../../ui/keys';
import { useFetcher, useFormAction, useNavigate } from 'react-router';
import { grassOf } from '@core/packs/grasses';
import { prescribeZone } from '@core/prescription/prescribe';
import { interpretZone, type School } from '@core/soil/interpret';
import { ageDayOf } from '@core/season/rules/first-day';
import { sayDate } from '@core/words/days';
import { makePdf } from '../../ui/make-pdf';
import { saveFile } from '../../ui/save-text-file';
import { useDone } from '../../work/use-done';
import { usePropertyWork } from '../../work/use-property-work';
import { zoneFacts } from '../../work/zone-facts';
import type { Route } from './+types/read';
import { Cations } from './cations';
import { Findings } from './findings';
import { readingDocument } from './reading-pdf';
import { ReportForm } from './report/report-form';
import { type ReadAnswer, readAction } from './read-action';
import { nextSchool, SchoolChoice, schoolName } from '../../ui/school-choice';
import { IrrigationWater } from './water/irrigation-water';
import { SchoolTable } from './school-table';
import { Stopgap } from './stopgap';
import { Tracks } from './tracks';
import { TrendOfZone } from './trend';
import { StageFault } from '../../work/stage-fault';
import { sendBy } from '../../work/send';
import { undoOf } from '../../work/property-action';
import { placeHash, usePlace } from '../../ui/place';
import { useUnits } from '../../ui/format';

export const clientAction = readAction;

/** The choice of all reports together, each analyte by its newest value. */
const MERGED = 'all';

export default function Read() {
  const units = useUnits();
  const work = usePropertyWork();
  const { file, zone, zoneSeason, today, year, packs } = work;
  const [place, setPlace] = usePlace();
  const [editing, setEditing] = useState<'new' | string>();
  const fetcher = useFetcher<ReadAnswer>();
  const action = useFormAction();
  const navigate = useNavigate();
  const { message } = App.useApp();
  const done = useDone();
  // shown at once; the database hears of it behind
  const asked = (fetcher.json as unknown as { intent?: string; school?: School } | undefined)?.school;
  const school: School = asked ?? file.choices?.school ?? 'sufficiency';
  const choose = (to: School) => sendBy(fetcher, { intent: 'school', school: to }, action);
  useKey('next-school', () => void choose(nextSchool(school)), [school]);
  useKey('print', () => window.print());
  const wrong = fetcher.state === 'idle' ? fetcher.data?.faults?.storage : undefined;
  useEffect(() => {
    if (wrong) void message.error(wrong);
  }, [wrong, message]);
  if (!zone)
    return (
      <div className="empty">
        <p>A report belongs to a zone, and there is none yet. Measure the ground first.</p>
      </div>
    );
  const tests = (file.soilTests ?? [])
    .filter((t) => t.zoneId === zone.id)
    .sort((a, b) => b.sampledOn.localeCompare(a.sampledOn));
  // one report that was asked for, else all of them merged: the newest value of each analyte
  const chosen = tests.find((t) => t.id === place.get('report'));
  const shown = chosen ?? tests[0];
  const merged = chosen === undefined;
  const show = (id: string) =>
    setPlace((before) => {
      if (id === MERGED) before.delete('report');
      else before.set('report', id);
      return before;
    });
  const form = editing !== undefined || !shown;
  const formTest = tests.find((t) => t.id === editing);
  const reading = { asOf: ageDayOf(year, today), packs, products: file.products ?? [] };
  const reports = merged ? tests : shown ? [shown] : [];
  const read = shown && interpretZone(zone, reports, reading);
  // tracks always show sufficiency's ranges; only another school is another reading
  const judged = school === 'sufficiency' ? read : shown && interpretZone(zone, reports, { ...reading, school });
  const prescription =
    merged && asked === undefined
      ? zoneSeason?.prescription
      : prescribeZone({ ...zoneFacts(work, zone), tests: reports, choices: { ...file.choices, school } }).prescription;
  const remove = () => {
    if (!shown) return;
    void done(
      () => sendBy(fetcher, { intent: 'remove', testId: shown.id }, action),
      `The report of ${sayDate(shown.sampledOn)} was deleted.`,
      (answer) => sendBy(fetcher, undoOf(answer), action),
    );
  };
  const readIn = () =>
    navigate({ pathname: '/reports', hash: placeHash({ property: file.property.id, zone: zone.id }) });
  const savePdf = async () => {
    if (!shown || !judged || !prescription) return;
    const page = readingDocument({
      property: file.property,
      zone,
      test: shown,
      read: judged,
      prescription,
      today,
      units,
    });
    saveFile(await makePdf(page, `soil-reading-${zone.id}-${shown.sampledOn}.pdf`));
  };
  return (
    <div className="read">
      <div className="pagehead">
        <h1>{form && !shown ? 'Typing the report' : 'Reading the soil'}</h1>
        <span className="small">
          {zone.name}, {grassOf(zone.grass).name}
          {shown && !form && (
            <>
              , cores {shown.depthIn === undefined ? 'of unknown depth' : units.said(`to ${shown.depthIn} in`)},{' '}
              {sayDate(shown.sampledOn)}
              {shown.lab && `, ${shown.lab}`}
            </>
          )}
        </span>
        <span className="sp" />
        {!form && (
          <>
            {tests.length > 1 && (
              <Select
                aria-label="Report"
                value={merged ? MERGED : shown?.id}
                onChange={show}
                options={[
                  { value: MERGED, label: 'All reports, newest values' },
                  ...tests.map((t) => ({ value: t.id, label: sayDate(t.sampledOn) })),
                ]}
                virtual={false}
              />
            )}
            <Button onClick={() => window.print()}>
              Print <span className="kbd">P</span>
            </Button>
            <Button onClick={() => void savePdf()}>PDF</Button>
          </>
        )}
        <Button type="primary" onClick={() => void readIn()}>
          Import a report file
        </Button>
      </div>
      {form && !shown && zoneSeason && <Stopgap zone={zone} prescription={zoneSeason.prescription} />}
      {!form && (
        <div className="schoolrow" aria-busy={fetcher.state !== 'idle'}>
          <SchoolChoice school={school} onChoose={(to) => void choose(to)} />
          <span className="sp" />
          <Button onClick={() => setEditing(shown?.id)}>Edit</Button>
          <Button onClick={remove}>Delete</Button>
          <Button onClick={() => setEditing('new')}>Type a report</Button>
          <span className="print-only">Read by {schoolName(school).toLowerCase()}.</span>
        </div>
      )}
      {form ? (
        <ReportForm
          key={`${zone.id}-${editing ?? 'first'}`}
          zoneId={zone.id}
          test={formTest}
          today={today}
          onCancel={shown ? () => setEditing(undefined) : undefined}
          onKept={() => setEditing(undefined)}
        />
      ) : (
        read &&
        judged &&
        prescription && (
          <>
            <div className="rd">
              <Tracks read={read} judged={judged} />
              <Findings read={judged} prescription={prescription} packs={packs} />
            </div>
            <div className="rd more">
              <div>
                <TrendOfZone zone={zone} tests={tests} packs={packs} />
                <Cations zone={zone} read={read} prescription={prescription} packs={packs} />
                <IrrigationWater
                  water={file.property.irrigationWater}
                  prescribed={prescription.water}
                  irrigated={zone.irrigated !== false}
                />
              </div>
              <SchoolTable zone={zone} tests={reports} school={school} />
            </div>
          </>
        )
      )}
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Read" />;
}
