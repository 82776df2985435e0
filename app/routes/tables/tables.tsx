import './tables.css';
import { Button, Input, Radio, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { rowsOf } from '@core/packs/pack-diff';
import { checkPack, shippedPack } from '@core/packs/rule-packs';
import { isRefusal } from '@core/reckoning/refusal';
import { loadPacks } from '../../storage/own-packs';
import { changeOwn } from '../../storage/own-records';
import type { TableChange } from '../../storage/record-table';
import type { PackRecord } from '../../storage/schema';
import { Fault, TextField } from '../../ui/field';
import { useKey } from '../../ui/keys';
import { Loading } from '../../ui/loading';
import { placeHash, usePlace } from '../../ui/place';
import { Substances } from '../../ui/substance';
import { todayIso } from '../../ui/today';
import { Unsaved } from '../../ui/unsaved';
import { RoomTop } from '../../ui/room-top';
import { answering, type Shapes, useSend } from '../../work/send';
import { StageFault } from '../../work/stage-fault';
import { useDone } from '../../work/use-done';
import { useDraft } from '../../work/use-draft';
import { useFollow } from '../../work/use-follow';
import { useFollowed } from '../../work/use-followed';
import type { Route } from './+types/tables';
import { TABLE_KINDS, type TableKind, unitOf } from './table-kinds';
import { cellKey, numberAt, ownPackId, packFromTyped, tableFrom, type TypedTable } from './typed-table';
import { unitsHere } from '../../work/units-here';
import { useUnits } from '../../ui/format';

interface Answer {
  faults?: Record<string, string>;
  undo?: TableChange<PackRecord>;
}
type Sent =
  | { intent: 'save'; kind: string; typed: TypedTable; was: string }
  | { intent: 'undo'; change: TableChange<PackRecord> };

export async function clientLoader() {
  return { packs: await loadPacks(), today: todayIso() };
}
clientLoader.hydrate = true as const;

async function act(sent: Sent): Promise<Answer> {
  if (sent.intent === 'undo') return { undo: await changeOwn('packs', sent.change) };
  const kind = TABLE_KINDS.find((each) => each.kind === sent.kind);
  if (!kind) return { faults: { kind: 'There is no such table.' } };
  const { pack, faults } = packFromTyped(kind, sent.typed, todayIso(), await unitsHere());
  if (Object.keys(faults).length > 0) return { faults };
  const packs = await loadPacks();
  const id = ownPackId(kind.kind);
  const before = packs.find((each) => each.id === id);
  const over = { [id]: sent.was === '' ? null : sent.was };
  if (!pack)
    return { undo: await changeOwn('packs', { put: [], remove: before ? [id] : [], over: before ? over : {} }) };
  const record: PackRecord = {
    ...(before ?? { id, order: packs.reduce((most, { order }) => Math.max(most, order), 0) + 1 }),
    file: pack,
  };
  return { undo: await changeOwn('packs', { put: [record], remove: [], over }) };
}

const SHAPES: Shapes<Sent> = {
  save: { kind: 'text', typed: 'record', was: 'text' },
  undo: { change: 'record' },
};
export const clientAction = answering(SHAPES, (sent: Sent) => act(sent));

export function HydrateFallback() {
  return <Loading />;
}

const STANDINGS = ['published', 'from memory', 'common practice'] as const;

/** The table of one kind: every shipped number, and one's own in its place where one is typed. */
function EditTable({
  kind,
  record,
  others,
  send,
}: {
  kind: TableKind;
  record: PackRecord | undefined;
  others: readonly PackRecord[];
  send: (sent: Sent) => Promise<Answer | undefined>;
}) {
  const units = useUnits();
  const [typed, setTyped] = useState(() => tableFrom(kind, record?.file, units));
  const [saved, setSaved] = useState<Answer>();
  const done = useDone();
  const text = (of: TypedTable) => JSON.stringify(of);
  const { dirty, overtaken } = useFollowed({
    record,
    typed: text(typed),
    shown: (of) => text(tableFrom(kind, of.file, units)),
    own: record && (saved?.undo?.over?.[record.id] ?? undefined),
    load: (of) => setTyped(tableFrom(kind, of.file, units)),
    adopt: () => undefined,
  });
  const { offered, forget } = useDraft({ place: `table/${kind.kind}`, typed, dirty, savedBy: saved, load: setTyped });
  const shipped = shippedPack(kind.kind);
  const { pack, faults } = packFromTyped(kind, typed, '2000-01-01', units);
  const wrong = Object.keys(faults).length > 0;
  const set = (key: string, to: string | undefined) =>
    setTyped((before) => {
      const { [key]: _gone, ...cells } = before.cells;
      return { ...before, cells: to === undefined ? cells : { ...cells, [key]: to } };
    });
  const save = async () => {
    if (wrong) return;
    let answer: Answer | undefined;
    const kept = await done(
      async () => (answer = await send({ intent: 'save', kind: kind.kind, typed, was: record?.changedAt ?? '' })),
      pack ? 'Your numbers are saved, and hold.' : 'The table is again as it ships.',
      (of) => (of?.undo ? send({ intent: 'undo', change: of.undo }) : Promise.resolve(undefined)),
    );
    if (!kept) return;
    setSaved(answer);
    // the first own number makes the pack, and the last one taken back removes it: the form begins anew
    if (!record || !pack) forget();
  };
  useKey('save', () => void save(), [typed, record], dirty);
  const rows = [...rowsOf(shipped)];
  const own = Object.keys(typed.cells).length;
  return (
    <>
      <div className="pagehead">
        <h1>{kind.title}</h1>
        <span className="small">
          {own === 0 ? 'as it ships' : `${own} own ${own === 1 ? 'number' : 'numbers'}`}
          {dirty ? '; not saved' : ''}
        </span>
        <span className="sp" />
        <Button
          disabled={!dirty}
          onClick={() => {
            forget();
            setTyped(tableFrom(kind, record?.file, units));
          }}
        >
          Cancel
        </Button>
        <Button type="primary" disabled={!dirty || wrong} onClick={() => void save()}>
          Save
        </Button>
      </div>
      <Unsaved offered={offered} overtaken={overtaken} />
      <p className="note">{kind.note}</p>
      <p className="small">
        Ships as {shipped.pack} {shipped.version}, {shipped.source.standing}: {shipped.source.cite}.
        {others.length > 0 &&
          ` Over it ${others.length === 1 ? 'lies' : 'lie'} ${others.map(({ file }) => file.pack).join(', ')}.`}
      </p>
      <div className="source">
        <TextField
          label="Where your numbers come from"
          value={typed.cite}
          fault={own > 0 || dirty ? faults.cite : undefined}
          onChange={(cite) => setTyped((before) => ({ ...before, cite }))}
        />
        <Select
          aria-label="How far they may be trusted"
          value={typed.standing}
          options={STANDINGS.map((value) => ({ value, label: value }))}
          onChange={(standing) => setTyped((before) => ({ ...before, standing }))}
          virtual={false}
        />
      </div>
      <div
        className="tablebox"
        tabIndex={0}
        role="group"
        aria-label={`${kind.title}, pans sideways where it is narrow`}
      >
        <table>
          <thead>
            <tr>
              <th scope="col">{kind.kind === 'lime-fineness' ? 'Rule that holds' : ''}</th>
              {kind.columns.map((column, i) => (
                <th key={i} scope="col" className="num">
                  <Substances text={column.label} />
                  <span className="small">{unitOf(column, units)}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([id, { name, row }]) => (
              <tr key={id}>
                <th scope="row">
                  {kind.kind === 'lime-fineness' ? (
                    <Radio
                      checked={typed.chosen === id}
                      onChange={() => setTyped((before) => ({ ...before, chosen: id }))}
                    >
                      {name}
                    </Radio>
                  ) : (
                    <Substances text={name} />
                  )}
                  <Fault>{faults[id]}</Fault>
                </th>
                {kind.columns.map((column, i) => {
                  const key = cellKey(id, i);
                  const number = numberAt(row, column);
                  const ships = number === undefined ? undefined : units.field(column.quantity, number);
                  const mine = typed.cells[key];
                  return (
                    <td key={key} className={mine === undefined ? 'num' : 'num own'}>
                      <Input
                        size="small"
                        inputMode="decimal"
                        aria-label={`${name}, ${column.label}, ${unitOf(column, units)}`}
                        value={mine ?? ships ?? ''}
                        status={faults[key] ? 'error' : undefined}
                        onChange={({ target }) => set(key, target.value === (ships ?? '') ? undefined : target.value)}
                      />
                      {mine !== undefined && (
                        <button
                          type="button"
                          className="putback"
                          aria-label={`${name}, ${column.label}: put back ${ships ?? 'nothing'}`}
                          onClick={() => set(key, undefined)}
                        >
                          <s>{ships ?? 'none'}</s>
                        </button>
                      )}
                      <Fault>{faults[key]}</Fault>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

export default function Tables({ loaderData: { packs } }: Route.ComponentProps) {
  const [place] = usePlace();
  const { send } = useSend<Sent, Answer>();
  useFollow(undefined);
  const kind = TABLE_KINDS.find((each) => each.kind === place.get('kind')) ?? (TABLE_KINDS[0] as TableKind);
  const id = ownPackId(kind.kind);
  const record = packs.find((pack) => pack.id === id && !isRefusal(checkPack(pack.file)));
  return (
    <>
      <RoomTop />
      <main id="main" className="tables">
        <nav aria-label="Tables">
          <ul>
            {TABLE_KINDS.map(({ kind: each, title }) => (
              <li key={each}>
                <Link to={{ hash: placeHash({ kind: each }) }} aria-current={each === kind.kind ? 'page' : undefined}>
                  {title}
                </Link>
              </li>
            ))}
            <li>
              <Link to="/settings/codes">Local codes</Link>
            </li>
            <li>
              <Link to="/settings">All settings</Link>
            </li>
          </ul>
        </nav>
        <div className="edittable">
          <EditTable
            key={`${kind.kind}/${record ? 'own' : ''}`}
            kind={kind}
            record={record}
            others={packs.filter((pack) => pack.file.kind === kind.kind && pack.id !== id && !pack.off)}
            send={send}
          />
        </div>
      </main>
    </>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Tables" />;
}
