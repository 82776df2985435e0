import '../../ui/ruled-table.css';
import './log.css';
import { Button, Checkbox, Input, Select, type InputRef } from 'antd';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { printLogCsv } from '@core/files/log-csv';
import { type TableReading, versionsOfTable } from '@core/files/log-table';
import { ledgerOf } from '@core/ledger/ledger';
import { KINDS } from '@core/log/kinds';
import { foundLines, hasFlag, LOG_FLAGS, type LogFlag, logLines } from '@core/log/log-lines';
import { offeredDoses } from '@core/ledger/match-dose';
import type { Product, RecordBody, RecordKind } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { sayDay } from '@core/words/days';
import { useLocation, useNavigate } from 'react-router';
import { loadOwn } from '../../storage/own-records';
import { isRefusal } from '@core/reckoning/refusal';
import { Fault } from '../../ui/field';
import { FilePicker } from '../../ui/file-picker';
import { useUnits } from '../../ui/format';
import { useKey } from '../../ui/keys';
import { Loading } from '../../ui/loading';
import { usePlace } from '../../ui/place';
import { saveTextFile } from '../../ui/save-text-file';
import { momentHere } from '../../ui/today';
import { amountOut } from '../../work/amount-out';
import { propertyAction, undoOf, type UndoSent } from '../../work/property-action';
import { type Shapes, useSend } from '../../work/send';
import { StageFault } from '../../work/stage-fault';
import { useDone } from '../../work/use-done';
import { usePropertyWork } from '../../work/use-property-work';
import type { Route } from './+types/log';
import { type Answer, logAction, type Sent } from './log-action';
import { exportLog, type GivenTable, keepPhotos, readLog, rememberLayout } from './log-files';
import { TableImport } from './table-import';
import { LogLanes } from './log-lanes';
import { RecordFocus } from './record-focus';
import { RecordForm } from './record-form';
import { whatSays } from './record-words';
import { newRecord, typedFrom } from './typed-record';
import { ZoneTally } from './zone-tally';

const SHAPES: Shapes<Sent> = {
  bring: { versions: 'list' },
  add: { body: 'record', at: 'text', by: 'text' },
  correct: { recordId: 'text', body: 'record', reason: 'text', at: 'text', by: 'text' },
  withdraw: { recordId: 'text', reason: 'text', at: 'text', by: 'text' },
};

export async function clientLoader() {
  const operators = await loadOwn('operators');
  return { operators: operators.map(({ name }) => name).sort() };
}
clientLoader.hydrate = true as const;

export const clientAction = propertyAction<Sent, Answer>(SHAPES, logAction);

export function HydrateFallback() {
  return <Loading />;
}

const FLAG_WORDS: Record<LogFlag, string> = {
  'off-plan': 'off the plan',
  photos: 'with photos',
  fork: 'two corrections',
  withdrawn: 'withdrawn',
};
/** So many lines are drawn at first, and so many more at each asking. */
const LINES_AT_ONCE = 200;

/** What an import came to. */
function broughtSays(answer: Answer | undefined, one: string, more: string): string {
  const count = answer?.brought ?? 0;
  return count === 0
    ? 'All of it is here already.'
    : `${count} ${count === 1 ? `${one} was` : `${more} were`} taken in.`;
}

/** Log: what really went down, every record with its versions, and how it stands to the plan. */
export default function Log({ loaderData: { operators } }: Route.ComponentProps) {
  const units = useUnits();
  const work = usePropertyWork();
  const { file, year, today, zone, season } = work;
  const [place, setPlace] = usePlace();
  const { send, fetcher } = useSend<Sent | UndoSent, Answer>();
  const done = useDone();
  const [text, setText] = useState('');
  const [kind, setKind] = useState<RecordKind>();
  const [flags, setFlags] = useState<readonly LogFlag[]>([]);
  const [most, setMost] = useState(LINES_AT_ONCE);
  const [fault, setFault] = useState<string>();
  const [table, setTable] = useState<GivenTable>();
  const search = useRef<InputRef>(null);
  const navigate = useNavigate();
  const location = useLocation();
  const lines = useMemo(() => logLines(file), [file]);
  const asked = useDeferredValue(text);
  const found = useMemo(
    () => foundLines(lines, { text: asked, flags, ...(kind ? { kind } : {}) }),
    [lines, asked, kind, flags],
  );
  const ledger = useMemo(() => ledgerOf(file, year, today), [file, year, today]);
  const zoneLedger = ledger.zones.find((each) => each.zone.id === zone?.id);
  const form = place.get('form');
  const focus = lines.find(({ record }) => record.recordId === place.get('record')) ?? found[0];
  const go = (change: Record<string, string | undefined>) =>
    setPlace((before) => {
      for (const [key, value] of Object.entries(change))
        if (value === undefined) before.delete(key);
        else before.set(key, value);
      return before;
    });
  useKey('add-record', () => go({ form: 'add' }), [setPlace]);
  useKey('edit-record', () => focus && !focus.record.withdrawn && go({ form: 'edit', record: focus.record.recordId }), [
    focus,
    setPlace,
  ]);
  const toReplan = () => void navigate({ pathname: 'replan', hash: location.hash });
  useKey('replan', toReplan);
  useKey('find-record', () => search.current?.focus());
  if (file.zones.length === 0)
    return (
      <div className="empty">
        <p>A record belongs to a zone, and there is none yet. Measure the ground first.</p>
      </div>
    );
  const pen = (by: string | undefined) => ({ at: momentHere(), by: by ?? operators[0] ?? '' });
  const takeBack = (answer: Answer | undefined) => send(undoOf(answer));
  const save = async (body: RecordBody, reason: string) => {
    const isEdit = form === 'edit' && focus !== undefined;
    const isDone = await done(
      () =>
        send(
          isEdit
            ? { intent: 'correct', recordId: focus.record.recordId, body, reason, ...pen(body.operator) }
            : { intent: 'add', body, ...pen(body.operator) },
        ),
      isEdit ? 'The correction counts from now on.' : 'The record is saved.',
      takeBack,
    );
    if (isDone) go({ form: undefined });
  };
  const offered = (of: { zoneId: string; date: string; product: Product }) => offeredDoses(file, season, of);
  const kinds = [...new Set(lines.map(({ body }) => body.kind))];
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  const takeIn = async (given: File) => {
    const read = await readLog(given, file.fileId ?? file.property.id);
    if (isRefusal(read)) return setFault(read.refused);
    setFault(undefined);
    if ('table' in read) return setTable(read);
    return done(
      async () => {
        const kept = await keepPhotos(read.photos);
        return kept ?? send({ intent: 'bring', versions: read.versions });
      },
      (sent) => broughtSays(sent as Answer | undefined, 'version', 'versions'),
      takeBack,
    );
  };
  const takeTable = async ({ table: given, answers }: GivenTable, reading: TableReading) => {
    const versions = versionsOfTable(reading, answers);
    const isDone = await done(
      () => send({ intent: 'bring', versions }),
      (sent) => broughtSays(sent, 'record', 'records'),
      takeBack,
    );
    if (!isDone) return;
    setTable(undefined);
    await rememberLayout(given, answers);
  };
  const exportCsv = () => saveTextFile(`${newId(file.property.name, [])}-log.csv`, printLogCsv(found), 'text/csv');
  return (
    <div className="log">
      <div className="pagehead">
        <h1>Log</h1>
        <span className="small">
          {lines.length === 0 ? 'no records yet' : `${lines.length} ${lines.length === 1 ? 'record' : 'records'}`}
        </span>
        <span className="sp" />
        <FilePicker
          label="Log file or table"
          accept=".json,.csv,.tsv,.txt,application/json,text/csv"
          onFile={(given) => void takeIn(given)}
        >
          Import
        </FilePicker>
        <Button disabled={lines.length === 0} onClick={() => void exportLog(file, momentHere())}>
          Export log
        </Button>
        <Button disabled={found.length === 0} onClick={exportCsv}>
          Export CSV
        </Button>
        <Button onClick={() => void navigate({ pathname: 'ledger', hash: location.hash })}>Ledger</Button>
        <Button onClick={toReplan}>
          Plan the rest again <span className="kbd">R</span>
        </Button>
        <Button type="primary" onClick={() => go({ form: 'add' })}>
          Add record <span className="kbd">A</span>
        </Button>
      </div>
      <Fault>{fault}</Fault>
      <LogLanes work={work} />
      <div className="logbody">
        <nav className="logfilters" aria-label="Which records">
          <Input
            ref={search}
            aria-label="Any word"
            placeholder="any word"
            allowClear
            value={text}
            onChange={({ target }) => setText(target.value)}
          />
          <Select
            aria-label="Kind of record"
            allowClear
            placeholder="every kind"
            value={kind}
            options={kinds.map((value) => ({
              value,
              label: `${KINDS[value].title} ${lines.filter(({ body }) => body.kind === value).length}`,
            }))}
            onChange={setKind}
            popupMatchSelectWidth={false}
            virtual={false}
          />
          <fieldset>
            <legend>Only</legend>
            {LOG_FLAGS.map((flag) => (
              <Checkbox
                key={flag}
                checked={flags.includes(flag)}
                onChange={({ target }) =>
                  setFlags((all) => (target.checked ? [...all, flag] : all.filter((each) => each !== flag)))
                }
              >
                {FLAG_WORDS[flag]} <i>{lines.filter((line) => hasFlag(line, flag)).length}</i>
              </Checkbox>
            ))}
          </fieldset>
        </nav>
        <div className="loglist">
          {table && (
            <TableImport
              {...table}
              file={file}
              onAnswer={(answers) => setTable({ ...table, answers })}
              onImport={(reading) => void takeTable(table, reading)}
              onCancel={() => setTable(undefined)}
            />
          )}
          {form === 'add' && (
            <RecordForm
              start={newRecord(today, zone?.id, operators[0] ?? '')}
              products={file.products ?? []}
              zones={file.zones}
              offered={offered}
              faults={answer?.faults ?? {}}
              onSave={save}
              onCancel={() => go({ form: undefined })}
            />
          )}
          {form === 'edit' && focus && (
            <RecordForm
              key={focus.record.head.versionId}
              start={typedFrom(focus.body, units)}
              before={focus.body}
              products={file.products ?? []}
              zones={file.zones}
              offered={offered}
              faults={answer?.faults ?? {}}
              onSave={save}
              onCancel={() => go({ form: undefined })}
            />
          )}
          {lines.length === 0 ? (
            <p className="lead nothing">
              Nothing is in the log yet. A job that is signed in Field writes itself; anything else is added here.
            </p>
          ) : found.length === 0 ? (
            <p className="lead nothing">No record has all of that.</p>
          ) : (
            <table className="dosetable">
              <caption className="vh">Records, the newest first</caption>
              <thead>
                <tr>
                  <th scope="col">Day</th>
                  <th scope="col">Zone</th>
                  <th scope="col">What</th>
                  <th scope="col" className="num">
                    Spread
                  </th>
                  <th scope="col" className="num">
                    of the plan
                  </th>
                  <th scope="col">by</th>
                </tr>
              </thead>
              <tbody>
                {found.slice(0, most).map(({ record, body, zoneNames, rateLb, ofPlan }) => (
                  <tr
                    key={record.recordId}
                    aria-current={focus?.record.recordId === record.recordId || undefined}
                    className={record.withdrawn ? 'withdrawn' : undefined}
                  >
                    <th scope="row">
                      <button type="button" className="link" onClick={() => go({ record: record.recordId })}>
                        {sayDay(body.date)}
                        {body.date.slice(0, 4) !== String(year) && ` ${body.date.slice(0, 4)}`}
                      </button>
                    </th>
                    <td>{zoneNames}</td>
                    <td>
                      {whatSays(body, units)}
                      {record.versions.length > 1 && !record.withdrawn && <span className="small"> corrected</span>}
                      {record.withdrawn && <span className="small"> withdrawn</span>}
                      {record.fork.length > 0 && <b> two corrections: choose</b>}
                    </td>
                    <td className="num">
                      {body.spreadLb !== undefined && amountOut(units, body.product?.lbPerGal).say(body.spreadLb)}
                      {rateLb !== undefined && (
                        <span className="small"> {amountOut(units, body.product?.lbPerGal).rate(rateLb)}</span>
                      )}
                    </td>
                    <td className="num">
                      {ofPlan !== undefined && units.number(ofPlan, 2)}
                      {ofPlan !== undefined && hasFlag({ record, body, zoneNames, ofPlan, words: '' }, 'off-plan') && (
                        <b> {ofPlan < 1 ? 'short' : 'over'}</b>
                      )}
                    </td>
                    <td>{body.operator ?? ''}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {found.length > most && (
            <p className="more">
              <Button onClick={() => setMost((before) => before + LINES_AT_ONCE)}>
                Show {Math.min(LINES_AT_ONCE, found.length - most)} more of {found.length}
              </Button>
            </p>
          )}
        </div>
        <aside className="margin">
          {zoneLedger && (
            <>
              <h2>
                {zoneLedger.zone.name}, {year}
              </h2>
              <ZoneTally
                ledger={zoneLedger}
                season={season.zones.find((each) => each.zone.id === zoneLedger.zone.id)}
                codeN={ledger.codeN}
              />
            </>
          )}
          {focus && (
            <RecordFocus
              key={focus.record.recordId}
              line={focus}
              onEdit={() => go({ form: 'edit', record: focus.record.recordId })}
              onCount={(version, reason) =>
                void done(
                  () =>
                    send({
                      intent: 'correct',
                      recordId: focus.record.recordId,
                      body: version.body,
                      reason,
                      ...pen(undefined),
                    }),
                  'That version counts again.',
                  takeBack,
                )
              }
              onWithdraw={(reason) =>
                void done(
                  () => send({ intent: 'withdraw', recordId: focus.record.recordId, reason, ...pen(undefined) }),
                  'The record was withdrawn. It counts nowhere any more, and stays in the log.',
                  takeBack,
                )
              }
            />
          )}
        </aside>
      </div>
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Log" />;
}
