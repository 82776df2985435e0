import './home.css';
import { climateNamed } from '@core/climate/places';
import { Button, Input, type InputRef } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { useKey } from '../../ui/keys';
import { Link, redirect } from 'react-router';
import { type Case, propertySchema } from '@core/records/case';
import { faultsByField } from '@core/records/strict-schema';
import { isRefusal } from '@core/reckoning/refusal';
import { refuseSize } from '@core/files/largest-file';
import { exportBackup, readImport } from '../../storage/case-files';
import { applyChange, type Change } from '../../storage/changes';
import { randomId } from '../../storage/record-id';
import { restoreCases } from '../../storage/restore';
import { lastBackup, noteBackup } from '../../storage/keeping';
import { readNote, writeNote } from '../../storage/notes';
import {
  deleteProperty,
  listProperties,
  loadProperties,
  type PropertyEntry,
  saveProperty,
} from '../../storage/property-repository';
import { Fault } from '../../ui/field';
import { showArea } from '@core/words/numbers';
import { daysBetween } from '@core/days/day';
import { sayDate } from '@core/words/days';
import { todayIso } from '../../ui/today';
import { Loading } from '../../ui/loading';
import { saveTextFile } from '../../ui/save-text-file';
import { TopNav } from '../../ui/top-nav';
import { useFollow } from '../../work/use-follow';
import { useDone } from '../../work/use-done';
import { Wordmark } from '../../ui/wordmark';
import { climateFromText } from '../../work/climate-text';
import { AreaDialog } from './area-dialog';
import { withFile } from './case-import';
import { type ImportAnswer, type ImportSent, useCaseImport } from './use-case-import';
import { ImportDialog } from './import-dialog';
import type { Route } from './+types/home';
import { NextTwoWeeks } from './next-two-weeks';
import { loadSetting } from '../../storage/own-records';
import { packsHere } from '../../storage/own-packs';
import { MonthHeads } from './mini-season';
import { Survives } from '../../work/stage-fault';
import { BrokenRow, PropertyRow, reckonedRow } from './property-row';
import { PropertyForm, type TypedProperty } from './property-form';
import { answering, type Shapes, useSend } from '../../work/send';
import { placeNow, useLoadedBy, usePlace } from '../../ui/place';
import { FilePicker } from '../../ui/file-picker';
import { unitsHere } from '../../work/units-here';

interface DemoAnswer {
  show: boolean;
  backup: unknown;
}

async function loadDemo(onlyWhenServed: boolean): Promise<void> {
  const answer = (await (await fetch('/demo-cases')).json()) as DemoAnswer;
  if (onlyWhenServed && !answer.show) return;
  const read = readImport(JSON.stringify(answer.backup));
  if (!isRefusal(read)) await restoreCases(read.cases, { backup: true });
}

/** Properties shown at a time: each row reckons its whole season. */
const ROWS = 25;

const isCalled = ({ name, zones }: PropertyEntry, wanted: string): boolean =>
  [name, ...zones.flatMap((z) => [z.name, z.grass.replaceAll('-', ' ')])].some((word) =>
    word.toLowerCase().includes(wanted),
  );

export async function clientLoader() {
  let entries = await listProperties();
  if (entries.length === 0 && (await readNote('demo-offered')) === undefined) {
    // a server started with the demo fills an untouched browser once; an emptied one stays empty
    await writeNote('demo-offered', 'yes');
    await loadDemo(true);
    entries = await listProperties();
  }
  const place = placeNow();
  const wanted = (place.get('find') ?? '').trim().toLowerCase();
  const found = wanted === '' ? entries : entries.filter((entry) => isCalled(entry, wanted));
  const last = Math.max(0, Math.ceil(found.length / ROWS) - 1);
  const page = Math.min(last, Math.max(0, Number(place.get('page') ?? 0) || 0));
  const shown = found.slice(page * ROWS, (page + 1) * ROWS).map((entry) => entry.id);
  return {
    all: entries.length,
    found: found.length,
    page,
    last,
    files: await loadProperties(shown),
    packs: await Promise.all(shown.map((id) => packsHere(id))),
    backupOn: await lastBackup(),
    today: todayIso(),
  };
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return <Loading />;
}

async function createProperty(typed: TypedProperty) {
  const faults: Record<string, string> = {};
  const units = await unitsHere();
  const preset = climateNamed(typed.climate);
  const own = typed.climate === 'own' ? climateFromText(typed, units) : undefined;
  if (own && isRefusal(own)) faults[own.field] = own.refused;
  if (!preset && !own) faults.climate = 'Type where the lawn is and choose a place, or type your own normals.';
  const latitude =
    typed.climate === 'own' ? units.readPlain(typed.latitude, 'Latitude', 'latitude') : preset?.latitudeDeg;
  if (isRefusal(latitude)) faults.latitude = latitude.refused;
  const property = {
    id: randomId(),
    name: typed.name.trim(),
    latitudeDeg: isRefusal(latitude) ? undefined : latitude,
    climate: own && !isRefusal(own) ? own : preset?.climate,
  };
  const defaults = (await loadSetting('defaults'))?.choices;
  const shapeFaults = faultsByField(propertySchema, property);
  for (const [path, sentence] of Object.entries(shapeFaults))
    faults[path === 'latitudeDeg' ? 'latitude' : path.startsWith('climate') ? 'climate' : path] ??= sentence;
  if (Object.keys(faults).length > 0) return { faults };
  await saveProperty({ ...property, ...(defaults && Object.keys(defaults).length > 0 ? { choices: defaults } : {}) });
  return redirect(`/property/${property.id}/ground`);
}

type Sent =
  | ({ intent: 'create' } & TypedProperty)
  | { intent: 'remove'; id: string }
  | { intent: 'put-back'; id: string; change: Change }
  | ImportSent
  | { intent: 'backed-up' }
  | { intent: 'demo' };

const SHAPES: Shapes<Sent> = {
  create: {
    name: 'text',
    climate: 'text',
    latitude: 'text',
    highs: 'text',
    lows: 'text',
    lastFrost: 'text',
    firstFrost: 'text',
  },
  remove: { id: 'text' },
  'put-back': { id: 'text', change: 'record' },
  import: { decisions: 'record' },
  'undo-import': {},
  'backed-up': {},
  demo: {},
};

export const clientAction = answering(SHAPES, (sent: Sent) => act(sent));

async function act(sent: Sent) {
  switch (sent.intent) {
    case 'create':
      return createProperty(sent);
    case 'remove':
      return { undo: await deleteProperty(sent.id) };
    case 'put-back':
      await applyChange(sent.id, sent.change);
      return {};
    case 'import': {
      const answer = await withFile((intake) => intake.store(sent.decisions));
      return 'fault' in answer ? { faults: { storage: answer.fault } } : { imported: answer };
    }
    case 'undo-import': {
      const answer = await withFile((intake) => intake.undo());
      return 'fault' in answer ? { faults: { storage: answer.fault } } : {};
    }
    case 'backed-up':
      await noteBackup(todayIso());
      return {};
    case 'demo':
      await loadDemo(false);
      return {};
  }
}

type Answer = ImportAnswer & { faults?: Record<string, string>; undo?: Change };

/** How old the last backup is, quietly. */
function backupSays(on: string | undefined, today: string): string {
  if (on === undefined) return 'No backup was saved yet.';
  const days = daysBetween(on, today);
  return days <= 0 ? 'The last backup is of today.' : `The last backup is ${days} ${days === 1 ? 'day' : 'days'} old.`;
}

export default function Home({ loaderData }: Route.ComponentProps) {
  const { files, packs, today, all, found, page, last, backupOn } = loaderData;
  const [place, setPlace] = usePlace();
  useLoadedBy(`${place.get('find') ?? ''}/${place.get('page') ?? ''}`);
  const [creating, setCreating] = useState(false);
  const [search, setSearch] = useState(place.get('find') ?? '');
  const finding = useRef<ReturnType<typeof setTimeout>>(undefined);
  const searchBox = useRef<InputRef>(null);
  const { send } = useSend<Sent, Answer>();
  const done = useDone();
  const { fileFault, setFileFault, survey, opened, choose, settleAreas, store, cancel } = useCaseImport(send);
  useFollow(undefined);
  const reckoned = useMemo(() => files.map((file, i) => reckonedRow(file, today, packs[i])), [files, packs, today]);
  const rows = reckoned.flatMap((row) => ('season' in row ? [row] : []));
  const wanted = (place.get('find') ?? '').trim();
  const find = (text: string) => {
    setSearch(text);
    clearTimeout(finding.current);
    // the list follows the last letter typed, not each one
    finding.current = setTimeout(
      () => setPlace(() => new URLSearchParams(text.trim() ? { find: text.trim() } : {}), { replace: true }),
      120,
    );
  };
  const turn = (by: number) =>
    setPlace((before) => {
      before.set('page', String(page + by));
      return before;
    });

  useKey('find', () => searchBox.current?.focus());
  useKey('new-property', () => setCreating(true));

  const remove = async (file: Case) => {
    const { id, name } = file.property;
    await done(
      () => send({ intent: 'remove', id }),
      `${name} was deleted.`,
      (answer) => send({ intent: 'put-back', id, change: answer?.undo ?? {} }),
    );
  };
  const saveBackup = async () => {
    const name = `ubertas-backup-${today}.json`;
    // a text beyond what a browser can hold is none; what could not be opened again is no backup
    const text = await exportBackup(today).catch(() => undefined);
    if (text === undefined || refuseSize(name, text.length, 'case'))
      return setFileFault(
        'All properties together are more than one backup can hold and open again. Export them one by one, each on its own page.',
      );
    saveTextFile(name, text, 'application/json');
    await send({ intent: 'backed-up' });
  };
  return (
    <>
      <header className="top">
        <Wordmark />
        <TopNav />
        <div className="right">
          <Input
            ref={searchBox}
            aria-label="Find a property, zone or grass"
            placeholder="Property, zone or grass"
            suffix={<span className="kbd">/</span>}
            value={search}
            onChange={(event) => find(event.target.value)}
            allowClear
          />
        </div>
      </header>
      <main id="main" className="home">
        <div>
          <div className="pagehead">
            <h1>{sayDate(today)}</h1>
            <span>
              <b>{showArea(all)}</b> {all === 1 ? 'property' : 'properties'}
              {wanted && `, ${showArea(found)} found`}
            </span>
          </div>
          {all === 0 ? (
            <div className="empty">
              <p>
                Nothing here yet. The work begins with one lawn: measure it, read its report, prescribe, date the doses.
              </p>
              <p className="links">
                <Button type="primary" onClick={() => setCreating(true)}>
                  New property
                </Button>
                <Button onClick={() => send({ intent: 'demo' })}>Load the invented demo properties</Button>
              </p>
            </div>
          ) : (
            <>
              <div className="sheethead">
                <span>Property</span>
                <MonthHeads year={Number(today.slice(0, 4))} />
                <span>Goes down next</span>
                <span>Standing</span>
              </div>
              <ul>
                {reckoned.map((row) => (
                  <Survives key={row.file.property.id} what={row.file.property.name}>
                    {'season' in row ? (
                      <PropertyRow row={row} today={today} onRemove={() => void remove(row.file)} />
                    ) : (
                      <BrokenRow file={row.file} error={row.error} />
                    )}
                  </Survives>
                ))}
              </ul>
              {last > 0 && (
                <nav className="pages" aria-label="Pages of properties">
                  <Button disabled={page === 0} onClick={() => turn(-1)}>
                    Previous
                  </Button>
                  <span>
                    {showArea(page * ROWS + 1)} to {showArea(Math.min(found, (page + 1) * ROWS))} of {showArea(found)}
                  </span>
                  <Button disabled={page === last} onClick={() => turn(1)}>
                    Next
                  </Button>
                </nav>
              )}
              {reckoned.length === 0 && <p className="empty">No property, zone or grass is called “{wanted}”.</p>}
            </>
          )}
        </div>
        <aside className="margin">
          <NextTwoWeeks rows={rows} today={today} partial={found < all || last > 0} />
          <div className="files">
            <Button type={all > 0 ? 'primary' : 'default'} onClick={() => setCreating(true)}>
              New property <span className="kbd">N</span>
            </Button>
            <FilePicker
              label="Case file or backup"
              accept=".json,application/json"
              onFile={(file) => void choose(file)}
            >
              Import a case file or backup
            </FilePicker>
            <Fault>{fileFault}</Fault>
            {opened && (
              <p className="small">
                {opened.written === 0
                  ? 'All of this file is here already. Nothing was changed.'
                  : `Opened: ${opened.names.join(', ')}.`}
              </p>
            )}
            {all > 0 && (
              <Link className="reportslink" to="/reports">
                Import laboratory reports
              </Link>
            )}
            <Button disabled={all === 0} onClick={() => void saveBackup()}>
              Export a backup
            </Button>
            <p className="small">
              What you save stays in this browser and leaves it only in files you save.
              {all > 0 && ` ${backupSays(backupOn, today)}`}
            </p>
          </div>
        </aside>
      </main>
      {survey && survey.areas.length > 0 && (
        <AreaDialog areas={survey.areas} onSettle={(by) => void settleAreas(by)} onCancel={cancel} />
      )}
      {survey && survey.areas.length === 0 && (
        <ImportDialog survey={survey} onStore={(decisions) => void store(decisions)} onCancel={cancel} />
      )}
      <PropertyForm open={creating} onClose={() => setCreating(false)} />
    </>
  );
}
