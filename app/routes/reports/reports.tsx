import './reports.css';
import { Button, Progress } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { TableReader, type TableReading } from '@core/files/report-table';
import { isRefusal } from '@core/reckoning/refusal';
import { intakeTargets, rememberedLayout } from '../../storage/report-intake';
import { Fault } from '../../ui/field';
import { showArea, trimmed, significant } from '@core/words/numbers';
import { sayDate } from '@core/words/days';
import { todayIso } from '../../ui/today';
import { Loading } from '../../ui/loading';
import { saveTextFile } from '../../ui/save-text-file';
import { Wordmark } from '../../ui/wordmark';
import { takeHanded } from '../../work/handed-file';
import type { Intake, Opened, ReadSummary } from '../../workers/table-intake';
import type { Route } from './+types/reports';
import { ColumnTable } from './column-table';
import { Found } from './found';
import { ReadingForm } from './reading-form';
import { telling, useIntake } from './use-intake';
import { StageFault } from '../../work/stage-fault';

/** A hundred thousand samples are under 30 MB; a file larger than this is something else. */
const LARGEST_TABLE_BYTES = 80_000_000;
/** Kept while a file is being read, so that a reload in the middle can be told apart from a fresh visit. */
const UNDER_WAY = 'ubertas-import-under-way';

export async function clientLoader() {
  return { targets: await intakeTargets(), today: todayIso() };
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return <Loading />;
}

type Stage =
  | { at: 'choose'; fault?: string }
  | { at: 'opening'; name: string }
  | { at: 'map'; file: string; opened: Opened; reading: TableReading; remembered: boolean }
  | { at: 'reading' | 'storing'; share: number; from: Mapped }
  | { at: 'read'; from: Mapped; summary: ReadSummary; fault?: string }
  | { at: 'done'; stored: number; zones: { propertyId: string; zoneId: string }[] };
type Mapped = Extract<Stage, { at: 'map' }>;
type Assigned = Intake['assigned'];

/** What reading the first rows gives: the sentence that says what will happen before it does. */
function useTrial(stage: Stage) {
  const mapped = stage.at === 'map' ? stage : undefined;
  return useMemo(() => {
    if (!mapped) return undefined;
    const reader = new TableReader(mapped.reading);
    mapped.opened.rows
      .slice(mapped.reading.headerRow + 1)
      .forEach((row, i) => reader.take(row, mapped.reading.headerRow + 2 + i));
    reader.finish();
    return { samples: reader.samples, rejected: reader.rejected };
  }, [mapped]);
}

/** Reads a laboratory's table of any layout: choose, map, look, and only then store. */
export default function Reports({ loaderData }: Route.ComponentProps) {
  const { targets, today } = loaderData;
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const propertyId = search.get('property') ?? undefined;
  const [stage, setStage] = useState<Stage>({ at: 'choose' });
  const [assigned, setAssigned] = useState<Assigned>({});
  const [interrupted, setInterrupted] = useState(false);
  const intake = useIntake();
  const picker = useRef<HTMLInputElement>(null);
  const trial = useTrial(stage);
  const busy = stage.at !== 'choose' && stage.at !== 'done';
  const home = targets.zones.find((z) => z.propertyId === propertyId)?.propertyName;

  const open = async (file: File) => {
    setAssigned({});
    if (file.size > LARGEST_TABLE_BYTES)
      return setStage({
        at: 'choose',
        fault: `${file.name} is ${Math.round(file.size / 1e6)} MB. A table of a hundred thousand samples is under 30; it was not read.`,
      });
    if (file.size === 0) return setStage({ at: 'choose', fault: `${file.name} is empty.` });
    setStage({ at: 'opening', name: file.name });
    let opened: Opened;
    try {
      opened = await intake.start().open(file);
    } catch {
      return setStage({ at: 'choose', fault: `${file.name} could not be read. Choose it again.` });
    }
    if (isRefusal(opened.guess)) return setStage({ at: 'choose', fault: `${file.name}: ${opened.guess.refused}` });
    const before = await rememberedLayout(opened.print);
    // the day and the place in the file belong to one report, not to the laboratory
    const { headerRow, sampledOn, depth } = opened.guess;
    const reading = before
      ? { ...before.reading, headerRow, sampledOn, depth: depth || before.reading.depth }
      : opened.guess;
    setStage({ at: 'map', file: file.name, opened, reading, remembered: before !== undefined });
  };
  const opening = useRef(open);
  useEffect(() => {
    opening.current = open;
  });
  useEffect(() => {
    const handed = takeHanded();
    // a file from the simulated laboratory, or the news that a reload cut an import short
    const timer = setTimeout(() => {
      setInterrupted(sessionStorage.getItem(UNDER_WAY) !== null);
      sessionStorage.removeItem(UNDER_WAY);
      if (handed) void opening.current(handed);
    }, 0);
    return () => clearTimeout(timer);
  }, []);
  useEffect(() => {
    if (!busy) return;
    sessionStorage.setItem(UNDER_WAY, 'yes');
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('beforeunload', warn);
      sessionStorage.removeItem(UNDER_WAY);
    };
  }, [busy]);

  const read = async (from: Mapped, by: Assigned = assigned) => {
    setStage({ at: 'reading', share: 0, from });
    try {
      const summary = await intake.current()?.read(
        from.reading,
        { ...targets, propertyId, assigned: by },
        telling((share) => setStage((now) => (now.at === 'reading' ? { ...now, share } : now))),
      );
      if (summary) setStage((now) => (now.at === 'reading' ? { at: 'read', from, summary } : now));
    } catch {
      setStage({ at: 'choose', fault: 'Reading the file failed. Nothing was stored; choose it again.' });
    }
  };
  const store = async (from: Mapped, summary: ReadSummary) => {
    setStage({ at: 'storing', share: 0, from });
    const answer = await intake.current()?.store(
      { fingerprint: from.opened.print, reading: from.reading },
      today,
      telling((share) => setStage((now) => (now.at === 'storing' ? { ...now, share } : now))),
    );
    if (!answer) return;
    if ('fault' in answer) return setStage({ at: 'read', from, summary, fault: answer.fault });
    setStage({ at: 'done', stored: answer.stored, zones: summary.shown });
    intake.end();
  };
  const cancel = () => {
    intake.end();
    setStage({ at: 'choose', fault: 'Cancelled. Nothing was stored.' });
  };
  const saveRejected = async () =>
    saveTextFile('lines-not-read.csv', (await intake.current()?.rejectedCsv()) ?? '', 'text/csv');

  return (
    <>
      <header className="top">
        <Wordmark />
        <div className="where">
          <strong>Reading reports in</strong>
          {home && <span className="small">for {home}</span>}
        </div>
        <div className="right">
          <Button
            onClick={() =>
              void navigate(
                propertyId
                  ? {
                      pathname: `/property/${propertyId}/read`,
                      search: search.get('zone') ? `?zone=${search.get('zone')}` : '',
                    }
                  : '/',
              )
            }
          >
            {propertyId ? `Back to ${home ?? 'the property'}` : 'All properties'}
          </Button>
        </div>
      </header>
      <main id="main" className="reports">
        <h1>
          {stage.at === 'map'
            ? 'What each column means'
            : stage.at === 'read'
              ? 'What was found'
              : 'Reports of a laboratory'}
        </h1>
        {stage.at === 'choose' && (
          <section
            className="drop"
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => {
              event.preventDefault();
              const file = event.dataTransfer.files[0];
              if (file) void open(file);
            }}
          >
            {interrupted && (
              <p className="note">
                The page was loaded again while a file was being read. Nothing of it was stored: choose it once more.
              </p>
            )}
            <p>
              One sample or a hundred thousand, as CSV or text: any laboratory’s columns, units and marks. A bag’s code
              finds its zone by itself; a zone’s name does as well. Nothing is stored before you have seen what was
              found.
            </p>
            <input
              ref={picker}
              type="file"
              className="vh"
              tabIndex={-1}
              accept=".csv,.txt,.tsv,text/csv,text/plain"
              aria-label="Report file"
              onChange={(event) => {
                const file = event.target.files?.[0];
                if (file) void open(file);
                event.target.value = '';
              }}
            />
            <Button type="primary" onClick={() => picker.current?.click()}>
              Choose a report file
            </Button>{' '}
            <span className="small">or drop it here</span>
            <Fault>{stage.fault}</Fault>
          </section>
        )}
        {stage.at === 'opening' && <p role="status">Opening {stage.name}</p>}
        {stage.at === 'map' && trial && (
          <div className="mapping">
            <div>
              <p className="small">
                {stage.file}, {stage.opened.encoding},{' '}
                {stage.reading.layout === 'long' ? 'one result a row' : 'one sample a row'}, header in line{' '}
                {stage.reading.headerRow + 1}.
                {stage.remembered && <b> Read as this laboratory’s file was read the last time.</b>}
              </p>
              <ColumnTable
                rows={stage.opened.rows}
                reading={stage.reading}
                onChange={(columns) => setStage({ ...stage, reading: { ...stage.reading, columns } })}
              />
            </div>
            <aside>
              <ReadingForm
                reading={stage.reading}
                onChange={(part) => setStage({ ...stage, reading: { ...stage.reading, ...part } })}
              />
              <h2>What will happen</h2>
              <p>
                Of the first lines, <b>{trial.samples.length}</b> {trial.samples.length === 1 ? 'sample' : 'samples'}{' '}
                can be read
                {trial.rejected.length > 0 ? (
                  <>
                    {' '}
                    and <b>{trial.rejected.length}</b> {trial.rejected.length === 1 ? 'line' : 'lines'} cannot.
                  </>
                ) : (
                  ', all of them.'
                )}
              </p>
              {trial.samples[0] && (
                <p className="small">
                  {trial.samples[0].sample || 'The first'}:{' '}
                  {trial.samples[0].results
                    .map(
                      (r) => `${r.analyte} ${r.qualifier ?? ''}${significant(r.value, 4)}${r.unit ? ` ${r.unit}` : ''}`,
                    )
                    .join(', ')}
                  {trial.samples[0].depthIn && `; ${trimmed(trial.samples[0].depthIn, 2)} in deep`}
                  {trial.samples[0].sampledOn && `; ${sayDate(trial.samples[0].sampledOn)}`}
                </p>
              )}
              {trial.rejected.slice(0, 3).map((r) => (
                <p className="small" key={r.line}>
                  Line {r.line}: {r.why}
                </p>
              ))}
              <p className="actions">
                <Button type="primary" disabled={trial.samples.length === 0} onClick={() => void read(stage)}>
                  Read the whole file
                </Button>
                <Button onClick={cancel}>Cancel</Button>
              </p>
              <p className="small">Nothing is stored yet.</p>
            </aside>
          </div>
        )}
        {(stage.at === 'reading' || stage.at === 'storing') && (
          <section aria-live="polite">
            <p>{stage.at === 'reading' ? `Reading ${stage.from.file}` : 'Storing the reports'}</p>
            <Progress percent={Math.round(stage.share * 100)} status="active" aria-label="Progress" />
            <Button onClick={cancel}>Cancel</Button>
          </section>
        )}
        {stage.at === 'read' && (
          <Found
            summary={stage.summary}
            targets={targets}
            fault={stage.fault}
            onAssign={(sample, to) => {
              const next = { ...assigned, [sample]: to };
              setAssigned(next);
              void read(stage.from, next);
            }}
            onBack={() => setStage(stage.from)}
            onCancel={cancel}
            onStore={() => void store(stage.from, stage.summary)}
            onSaveRejected={() => void saveRejected()}
          />
        )}
        {stage.at === 'done' && (
          <section>
            <p className="lead">
              {showArea(stage.stored)} {stage.stored === 1 ? 'report is' : 'reports are'} stored.
            </p>
            <p className="links">
              {stage.zones[0] && (
                <Link to={`/property/${stage.zones[0].propertyId}/read?zone=${stage.zones[0].zoneId}`}>
                  Read{' '}
                  {
                    targets.zones.find(
                      (z) => z.propertyId === stage.zones[0]?.propertyId && z.zoneId === stage.zones[0]?.zoneId,
                    )?.zoneName
                  }
                </Link>
              )}
              <Button onClick={() => setStage({ at: 'choose' })}>Another file</Button>
            </p>
          </section>
        )}
      </main>
    </>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Reports" />;
}
