import './home.css';
import { Button, Input, type InputRef } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, redirect, useFetcher } from 'react-router';
import { type Case, propertySchema } from '@core/formats/case';
import { newId } from '@core/formats/new-id';
import { faultsByField } from '@core/formats/shape';
import { typedNumber } from '@core/formats/typed-number';
import { grassOf } from '@core/ground/grasses';
import { CLIMATE_PRESETS } from '@core/packs/starter-shelf';
import { isRefusal } from '@core/reckoning/refusal';
import { checkZonePlan } from '@core/season/check-plan';
import { addDays } from '@core/season/day';
import type { SeasonPlan } from '@core/season/plan';
import { exportBackup, exportProperty, readImport, storeCases } from '../../storage/case-files';
import { readNote, writeNote } from '../../storage/notes';
import { deleteProperty, loadAllProperties, saveProperty } from '../../storage/property-repository';
import { Fault } from '../../ui/field';
import { showArea, showDate, showDay, showRate, showWeight, todayIso } from '../../ui/format';
import { StandingGlyph, StageGlyph } from '../../ui/glyphs';
import { Loading } from '../../ui/loading';
import { Mark } from '../../ui/marks';
import { saveTextFile } from '../../ui/save-text-file';
import { Substances } from '../../ui/substance';
import { useOfferUndo } from '../../ui/use-offer-undo';
import { Wordmark } from '../../ui/wordmark';
import { climateFromText } from '../../work/climate-text';
import { amountFor } from '../../work/dose-words';
import { workOf } from '../../work/property-work';
import { readFileText } from '../../work/read-file-text';
import type { Route } from './+types/home';
import { MiniSeason, MonthHeads } from './mini-season';
import { PropertyForm, type TypedProperty } from './property-form';

interface DemoAnswer {
  show: boolean;
  backup: unknown;
}

async function loadDemo(onlyWhenServed: boolean): Promise<void> {
  const answer = (await (await fetch('/demo-cases')).json()) as DemoAnswer;
  if (onlyWhenServed && !answer.show) return;
  const cases = readImport(JSON.stringify(answer.backup));
  if (!isRefusal(cases)) await storeCases(cases, { replace: true });
}

export async function clientLoader() {
  let files = await loadAllProperties();
  if (files.length === 0 && (await readNote('demo-offered')) === undefined) {
    // a server started with the demo fills an untouched browser once; an emptied one stays empty
    await writeNote('demo-offered', 'yes');
    await loadDemo(true);
    files = await loadAllProperties();
  }
  return { files, today: todayIso() };
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return <Loading />;
}

async function createProperty(typed: TypedProperty) {
  const faults: Record<string, string> = {};
  const preset = CLIMATE_PRESETS.find((p) => p.id === typed.climate);
  const own = typed.climate === 'own' ? climateFromText(typed) : undefined;
  if (own && isRefusal(own)) faults[own.field] = own.refused;
  if (!preset && !own) faults.climate = 'Choose the region whose year is nearest, or type your own normals.';
  const latitude = typed.climate === 'own' ? typedNumber(typed.latitude, 'Latitude', 'latitude') : preset?.latitudeDeg;
  if (isRefusal(latitude)) faults.latitude = latitude.refused;
  const existing = await loadAllProperties();
  const property = {
    id: newId(
      typed.name,
      existing.map((f) => f.property.id),
    ),
    name: typed.name.trim(),
    latitudeDeg: isRefusal(latitude) ? undefined : latitude,
    climate: own && !isRefusal(own) ? own : preset?.climate,
  };
  const shapeFaults = faultsByField(propertySchema, property);
  for (const [path, sentence] of Object.entries(shapeFaults))
    faults[path === 'latitudeDeg' ? 'latitude' : path.startsWith('climate') ? 'climate' : path] ??= sentence;
  if (Object.keys(faults).length > 0) return { faults };
  await saveProperty(property);
  return redirect(`/property/${property.id}/ground`);
}

type Sent =
  | ({ intent: 'create' } & TypedProperty)
  | { intent: 'remove'; id: string }
  | { intent: 'import'; source: string }
  | { intent: 'restore'; source: string }
  | { intent: 'demo' };

export async function clientAction({ request }: Route.ClientActionArgs) {
  const sent = (await request.json()) as Sent;
  switch (sent.intent) {
    case 'create':
      return createProperty(sent);
    case 'remove': {
      const source = await exportProperty(sent.id);
      await deleteProperty(sent.id);
      return { removed: source };
    }
    case 'import':
    case 'restore': {
      const cases = readImport(sent.source);
      if (isRefusal(cases))
        return { importFault: `${cases.refused}${cases.field ? ` (at ${cases.field})` : ''} Nothing was changed.` };
      return {
        imported: (await storeCases(cases, { replace: sent.intent === 'restore' })).properties.map((p) => p.name),
      };
    }
    case 'demo':
      await loadDemo(false);
      return {};
  }
}

type Answer = { faults?: Record<string, string>; importFault?: string; imported?: string[]; removed?: string };

interface Row {
  file: Case;
  season: SeasonPlan;
}

function flagOf({ file, season }: Row): { standing: 'fail' | 'warn' | 'pass' | 'empty'; word: string; says: string } {
  if (file.zones.length === 0) return { standing: 'empty', word: 'New', says: 'measure the ground' };
  const untested = season.zones.filter((z) => !z.read).length;
  const checks = season.zones.flatMap((z) => (z.season ? checkZonePlan(z, file.products ?? [], file.codes ?? []) : []));
  const fail = checks.find((c) => c.standing === 'fail');
  if (fail) return { standing: 'fail', word: 'Check fails', says: fail.title };
  if (untested > 0)
    return {
      standing: 'empty',
      word: 'No report',
      says:
        untested === season.zones.length
          ? 'nitrogen only until a sample is read'
          : `${untested} of ${season.zones.length} zones untested`,
    };
  const doubts = season.zones.reduce((n, z) => n + (z.read?.doubts.length ?? 0), 0);
  if (doubts > 0)
    return { standing: 'warn', word: `${doubts} ${doubts === 1 ? 'doubt' : 'doubts'}`, says: 'about the report' };
  const warn = checks.find((c) => c.standing === 'warn');
  if (warn) return { standing: 'warn', word: 'Look', says: warn.title };
  return { standing: 'pass', word: 'In order', says: 'all checks pass' };
}

function PropertyRow({ row, today, onRemove }: { row: Row; today: string; onRemove: () => void }) {
  const { file, season } = row;
  const { property, zones } = file;
  const grasses = [...new Set(zones.map((z) => grassOf(z.grass).name))].join(', ');
  const doses = season.zones.flatMap((z) => z.doses).sort((a, b) => a.date.localeCompare(b.date));
  const next = doses.find((d) => d.date >= today) ?? doses[0];
  const flag = flagOf(row);
  const product = file.products?.find((p) => p.id === next?.productId)?.name.toLowerCase();
  return (
    <li className="prop">
      <div className="names">
        <h2>
          <Link to={`/property/${property.id}/${zones.length === 0 ? 'ground' : 'season'}`}>{property.name}</Link>
        </h2>
        <p className="small">{grasses || 'no grass yet'}</p>
        <p className="small">
          {zones.length} {zones.length === 1 ? 'zone' : 'zones'},{' '}
          {showArea(zones.reduce((sum, z) => sum + z.areaSqFt, 0))} sq ft
        </p>
        <button type="button" className="link small removing" onClick={onRemove} aria-label={`Remove ${property.name}`}>
          Remove
        </button>
      </div>
      <MiniSeason
        season={season}
        today={today}
        emptySays={zones.length === 0 ? 'no zone yet: measure the ground' : 'no climate yet'}
      />
      <div className="due">
        {next && (
          <>
            <b>{showDate(next.date)}</b>
            <p className="small">
              {zones.find((z) => z.id === next.zoneId)?.name},{' '}
              <b className="inline">
                {showRate(amountFor(next))} lb <Substances text={next.for === 'sulfur' ? 'S' : next.for} />
              </b>
            </p>
            <p className="small">
              {showWeight(next.zoneLb)} lb {product}
            </p>
          </>
        )}
      </div>
      <div className="flag">
        {flag.standing === 'empty' ? <StageGlyph state="empty" /> : <StandingGlyph standing={flag.standing} />}
        <p className="small">
          <b>{flag.word}</b>
          <br />
          <Substances text={flag.says} />
        </p>
      </div>
    </li>
  );
}

function Fortnight({ rows, today }: { rows: readonly Row[]; today: string }) {
  const until = addDays(today, 14);
  const due = rows
    .flatMap(({ file, season }) =>
      season.zones.flatMap((z) =>
        z.doses.filter((d) => d.date >= today && d.date <= until).map((dose) => ({ dose, file, zone: z.zone })),
      ),
    )
    .sort((a, b) => a.dose.date.localeCompare(b.dose.date));
  const later = rows
    .flatMap(({ season }) => season.zones.flatMap((z) => z.doses))
    .filter((d) => d.date > until)
    .sort((a, b) => a.date.localeCompare(b.date))[0];
  return (
    <section aria-labelledby="fortnight">
      <div className="pagehead" style={{ padding: 0 }}>
        <h2 id="fortnight">Fortnight</h2>
        <span className="sp" />
        <span className="small">
          {showDay(today)} to {showDay(until)}
        </span>
      </div>
      {due.length === 0 && (
        <p className="note">Nothing goes down in these two weeks{later ? `; next is ${showDate(later.date)}` : ''}.</p>
      )}
      <ul className="fortnight">
        {due.map(({ dose, file, zone }, i) => (
          <li key={i}>
            <span className="small">{showDay(dose.date)}</span>
            <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
              <Mark purpose={dose.for} x={10} y={10} d={14} state={dose.date === today ? 'due' : 'planned'} />
            </svg>
            <span>
              <b>{zone.name}</b>
              <span className="small">{file.property.name}</span>
            </span>
            <span className="num">
              <b>{showWeight(dose.zoneLb)} lb</b>
              <span className="small">{file.products?.find((p) => p.id === dose.productId)?.name.toLowerCase()}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

export default function Home({ loaderData }: Route.ComponentProps) {
  const { files, today } = loaderData;
  const [creating, setCreating] = useState(false);
  const [search, setSearch] = useState('');
  const searchBox = useRef<InputRef>(null);
  const picker = useRef<HTMLInputElement>(null);
  const [fileFault, setFileFault] = useState<string>();
  const fetcher = useFetcher<Answer>();
  const offerUndo = useOfferUndo();
  const rows = useMemo(() => files.map((file) => ({ file, season: workOf(file, today, null).season })), [files, today]);
  const wanted = search.trim().toLowerCase();
  const shown = rows.filter(({ file }) =>
    [file.property.name, ...file.zones.flatMap((z) => [z.name, z.grass.replaceAll('-', ' ')])].some((word) =>
      word.toLowerCase().includes(wanted),
    ),
  );
  const send = (sent: object) => fetcher.submit(sent as never, { method: 'post', encType: 'application/json' });

  useHotkeys(
    '/',
    (event) => {
      event.preventDefault();
      searchBox.current?.focus();
    },
    { useKey: true },
  );
  useHotkeys('n', (event) => {
    event.preventDefault();
    setCreating(true);
  });

  const choose = async (file: File | undefined) => {
    setFileFault(undefined);
    if (!file) return;
    const source = await readFileText(file);
    if (isRefusal(source)) setFileFault(source.refused);
    else void send({ intent: 'import', source });
  };
  const remove = async (file: Case) => {
    const kept = await exportProperty(file.property.id);
    void send({ intent: 'remove', id: file.property.id });
    offerUndo(`${file.property.name} was removed.`, () => kept && void send({ intent: 'restore', source: kept }));
  };
  const saveBackup = async () =>
    saveTextFile(`ubertas-backup-${today}.json`, await exportBackup(today), 'application/json');
  const importFault = fileFault ?? fetcher.data?.importFault;
  return (
    <>
      <header className="top">
        <Wordmark />
        <div className="where">
          <strong>Properties</strong>
        </div>
        <div className="right">
          <Input
            ref={searchBox}
            aria-label="Find a property, zone or grass"
            placeholder="Property, zone or grass"
            suffix={<span className="kbd">/</span>}
            value={search}
            onChange={(event) => setSearch(event.target.value)}
            allowClear
          />
        </div>
      </header>
      <main id="main" className="home">
        <div>
          <div className="pagehead">
            <h1>{showDate(today)}</h1>
            <span>
              <b>{rows.length}</b> {rows.length === 1 ? 'property' : 'properties'}
              {wanted && `, ${shown.length} shown`}
            </span>
          </div>
          {rows.length === 0 ? (
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
                <MonthHeads />
                <span>Goes down next</span>
                <span>Standing</span>
              </div>
              <ul>
                {shown.map((row) => (
                  <PropertyRow
                    key={row.file.property.id}
                    row={row}
                    today={today}
                    onRemove={() => void remove(row.file)}
                  />
                ))}
              </ul>
              {shown.length === 0 && <p className="empty">No property, zone or grass is called “{search}”.</p>}
            </>
          )}
        </div>
        <aside className="margin">
          <Fortnight rows={rows} today={today} />
          <div className="files">
            <Button type={rows.length > 0 ? 'primary' : 'default'} onClick={() => setCreating(true)}>
              New property <span className="kbd">N</span>
            </Button>
            <input
              ref={picker}
              type="file"
              className="vh"
              accept=".json,application/json"
              tabIndex={-1}
              aria-label="Case file or backup"
              onChange={(event) => {
                void choose(event.target.files?.[0]);
                event.target.value = '';
              }}
            />
            <Button onClick={() => picker.current?.click()}>Open a case file or backup</Button>
            <Fault>{importFault}</Fault>
            {fetcher.data?.imported && <p className="small">Opened: {fetcher.data.imported.join(', ')}.</p>}
            <Button disabled={rows.length === 0} onClick={saveBackup}>
              Save a backup of everything
            </Button>
            <p className="small">What you keep stays in this browser and leaves it only in files you save.</p>
          </div>
        </aside>
      </main>
      <PropertyForm open={creating} onClose={() => setCreating(false)} />
    </>
  );
}
