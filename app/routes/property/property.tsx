import './property.css';
import { App, Button, Modal, Select } from 'antd';
import { useMemo, useState } from 'react';
import { keysByPlace, useKey } from '../../ui/keys';
import { data, isRouteErrorResponse, Link, Outlet, redirect, useLocation, useNavigate } from 'react-router';
import { claimedTwice } from '@core/ground/claimed-twice';
import { chainOf } from '@core/sampling/chain';
import { newId } from '@core/records/new-id';
import { checkZonePlan } from '@core/season/checks/check-plan';
import type { Product } from '@core/records/case';
import type { Dose } from '@core/season/plan/dose';
import { codeWindows, feedingWindows } from '@core/season/plan/season-windows';
import { exportProperty } from '../../storage/case-files';
import { packsHere } from '../../storage/own-packs';
import { idOfFile, loadProperty } from '../../storage/property-repository';
import { saveTextFile } from '../../ui/save-text-file';
import { sayDay } from '@core/words/days';
import { todayIso } from '../../ui/today';
import { Loading } from '../../ui/loading';
import { type Units, useUnits } from '../../ui/format';
import { Mark } from '../../ui/marks';
import { Ribbon } from '../../ui/ribbon';
import { type Stage, Stages } from '../../ui/stages';
import { Substances } from '../../ui/substance';
import { useWorkingsTrail } from '../../ui/use-workings-trail';
import { Wordmark } from '../../ui/wordmark';
import { WorkingsSlip } from '../../ui/workings';
import { WorkingsContext } from '../../ui/workings-context';
import { type PropertyWork, focusOn, wholeWork } from '../../work/property-work';
import { useFollow } from '../../work/use-follow';
import { amountOf } from '../../work/amount-out';
import { amountFor, fullUnitFor, showAmount, unitFor } from '../../work/dose-words';
import { grassOf } from '@core/packs/grasses';
import { yearCurves } from '../../work/year-curves';
import type { Route } from './+types/property';
import { CurveChoice, GROWTH_ALONE } from './curve-choice';
import { StageFault } from '../../work/stage-fault';
import { usePlace } from '../../ui/place';
import { unslug } from '@core/words/unslug';
import { type JobState, jobsOf } from '@core/field/jobs';
import { recordsOf } from '@core/log/versions';
import { dosesAhead } from '@core/season/plan/doses-given';

export async function clientLoader({ params, request }: Route.ClientLoaderArgs) {
  const file = await loadProperty(params.propertyId);
  const id = file ? undefined : await idOfFile(params.propertyId);
  if (id !== undefined) {
    // an address of an older Ubertas, or one that a file tells
    const { pathname } = new URL(request.url);
    throw redirect(
      `${pathname.replace(`/property/${encodeURIComponent(params.propertyId)}`, `/property/${id}`)}${window.location.hash}`,
    );
  }
  if (!file)
    throw data(
      'This property is not in this browser. It may have been deleted, or it lives in another browser: open its file from the first page.',
      { status: 404 },
    );
  return { file, today: todayIso(), packs: await packsHere(params.propertyId) };
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return <Loading />;
}

function stagesOf(work: PropertyWork, units: Units): Stage[] {
  const { zone, zoneSeason, file } = work;
  const read = zoneSeason?.read;
  const checks = zoneSeason?.season ? checkZonePlan(zoneSeason, file, work.season) : [];
  const fails = checks.filter((c) => c.standing === 'fail').length;
  const zones = file.zones.length;
  const tested = file.zones.filter((z) => (file.soilTests ?? []).some((t) => t.zoneId === z.id)).length;
  const open = (file.samples ?? []).filter((s) => !s.reportedOn);
  const late = open.some((s) => chainOf(s, work.today).some((step) => step.state === 'late'));
  const claims = claimedTwice(file.zones).length;
  return [
    {
      key: 1,
      to: 'ground',
      name: 'Ground',
      state: zones === 0 ? 'empty' : claims > 0 ? 'under-way' : 'done',
      fact:
        zones === 0
          ? 'nothing measured'
          : `${zones} ${zones === 1 ? 'zone' : 'zones'}${claims > 0 ? `, ${claims} ${claims === 1 ? 'overlap' : 'overlaps'}` : ' measured'}`,
    },
    {
      key: 2,
      to: 'sample',
      name: 'Sample',
      state: late ? 'attention' : open.length > 0 ? 'under-way' : tested > 0 ? 'done' : 'empty',
      fact:
        zones === 0
          ? 'needs a zone'
          : late
            ? 'a bag is late'
            : open.length > 0
              ? `${open.length} ${open.length === 1 ? 'bag' : 'bags'} under way`
              : `${tested} of ${zones} zones tested`,
    },
    {
      key: 3,
      to: 'read',
      name: 'Read',
      state: read ? (read.doubts.length > 0 ? 'under-way' : 'done') : 'empty',
      fact: read
        ? read.doubts.length > 0
          ? `${read.doubts.length} ${read.doubts.length === 1 ? 'doubt' : 'doubts'}`
          : 'report read'
        : zone
          ? 'no report yet'
          : 'needs a zone',
    },
    {
      key: 4,
      to: 'prescribe',
      name: 'Prescribe',
      state: zoneSeason
        ? zoneSeason.prescription.refusals.length > 0
          ? 'attention'
          : read
            ? 'done'
            : 'under-way'
        : 'empty',
      fact: zoneSeason
        ? read
          ? `${units.rate(zoneSeason.prescription.nitrogen.year.value)} ${units.short('nutrient-rate', 'N')} a year`
          : 'stopgap: no test'
        : 'needs a zone',
    },
    {
      key: 5,
      to: 'season',
      name: 'Season',
      state: fails > 0 ? 'attention' : zoneSeason?.season ? (work.plan?.keptOn ? 'done' : 'under-way') : 'empty',
      fact:
        fails > 0
          ? `${fails} ${fails === 1 ? 'check fails' : 'checks fail'}`
          : zoneSeason?.season
            ? `${zoneSeason.doses.length} ${zoneSeason.doses.length === 1 ? 'dose' : 'doses'} in ${work.year}`
            : zone
              ? 'needs a climate'
              : 'needs a zone',
    },
    fieldStage(work),
    logStage(work),
  ];
}

/** What is to be done on the day. */
function fieldStage({ file, season, plan, today }: PropertyWork): Stage {
  const jobs = jobsOf(file, season, plan?.keptOn !== undefined, today);
  const count = (...states: JobState[]) => jobs.filter(({ state }) => states.includes(state)).length;
  const [open, late, due] = [count('running', 'weigh-back'), count('late'), count('due')];
  const jobsOfDay = (n: number, word: string) => `${n} ${n === 1 ? 'job' : 'jobs'} ${word}`;
  return {
    key: 6,
    to: 'field',
    name: 'Field',
    state: plan?.keptOn === undefined ? 'empty' : late > 0 ? 'attention' : open > 0 || due > 0 ? 'under-way' : 'done',
    fact:
      plan?.keptOn === undefined
        ? 'needs a saved plan'
        : open > 0
          ? jobsOfDay(open, 'under way')
          : late > 0
            ? jobsOfDay(late, 'late')
            : due > 0
              ? jobsOfDay(due, 'due')
              : 'nothing due',
  };
}

/** What the log holds, and what of it asks for somebody. */
function logStage({ file, season, plan, today }: PropertyWork): Stage {
  const records = recordsOf(file.records ?? []);
  const forks = records.filter(({ fork }) => fork.length > 0).length;
  const missed = jobsOf(file, season, plan?.keptOn !== undefined, today).filter(
    ({ state }) => state === 'missed',
  ).length;
  const count = records.filter(({ withdrawn }) => !withdrawn).length;
  return {
    key: 7,
    to: 'log',
    name: 'Log',
    state: forks > 0 || missed > 0 ? 'attention' : count > 0 ? 'done' : 'empty',
    fact:
      forks > 0
        ? `${forks} to choose`
        : `${count === 0 ? 'no records' : `${count} ${count === 1 ? 'record' : 'records'}`}${missed > 0 ? `, ${missed} missed` : ''}`,
  };
}

const ribbonDose = (dose: Dose, product: Product | undefined, units: Units) => ({
  date: dose.date,
  for: dose.for,
  lb: amountFor(dose),
  says: `${sayDay(dose.date)}: ${showAmount(dose, units)} ${fullUnitFor(dose, units)}, ${amountOf(units, product, product?.name ?? dose.productId).say(dose.zoneLb)}`,
});

function Next({ work }: { work: PropertyWork }) {
  const units = useUnits();
  const doses = work.zoneSeason?.doses ?? [];
  const ahead = dosesAhead(doses, work.file);
  const next = ahead.find((d) => d.date >= work.today) ?? ahead[0];
  const product = work.file.products?.find((p) => p.id === next?.productId);
  const totals = (['N', 'K2O', 'lime', 'sulfur'] as const)
    .map((purpose) => ({
      purpose,
      lb: doses.reduce(
        (sum, d) =>
          sum +
          (purpose === 'lime' || purpose === 'sulfur'
            ? d.for === purpose
              ? amountFor(d)
              : 0
            : (d.delivers[purpose] ?? 0)),
        0,
      ),
    }))
    .filter((t) => t.lb > 0);
  return (
    <div className="next">
      <p className="now">
        {next ? (
          <>
            <b>{sayDay(next.date)}</b>
            <span>
              {showAmount(next, units)} <Substances text={unitFor(next, units)} />, {product?.name.toLowerCase()}
            </span>
          </>
        ) : (
          <span className="note">Nothing dated yet.</span>
        )}
      </p>
      <ul className="tally">
        {totals.map(({ purpose, lb }) => (
          <li key={purpose}>
            <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
              <Mark purpose={purpose} x={10} y={10} d={13} />
            </svg>
            <span>
              <Substances text={purpose === 'sulfur' ? 'S' : purpose === 'lime' ? 'Lime' : purpose} />{' '}
              <b>{purpose === 'lime' ? units.show('material-rate', lb) : units.rate(lb)}</b>{' '}
              {units.short(purpose === 'lime' ? 'material-rate' : 'nutrient-rate')} in {work.year}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

export default function Property({ loaderData }: Route.ComponentProps) {
  const { file, today, packs } = loaderData;
  const [place, setPlace] = usePlace();
  const [keysShown, setKeysShown] = useState(false);
  const navigate = useNavigate();
  const location = useLocation();
  const { message } = App.useApp();
  useFollow([file.property.id]);
  const units = useUnits();
  const zoneId = place.get('zone');
  const whole = useMemo(() => wholeWork(file, today, packs), [file, today, packs]);
  const work = useMemo(() => focusOn(whole, zoneId), [whole, zoneId]);
  const { zone, zoneSeason, season } = work;
  const workings = useWorkingsTrail();
  const { trail } = workings;
  const focusZone = (id: string) => {
    workings.close();
    setPlace((before) => {
      before.set('zone', id);
      return before;
    });
  };
  const step = (by: number) => {
    const at = file.zones.findIndex((z) => z.id === zone?.id);
    const to = file.zones[(at + by + file.zones.length) % file.zones.length];
    if (to) focusZone(to.id);
  };
  const stages = useMemo(() => stagesOf(work, units), [work, units]);
  const [path, setPath] = useState(location.pathname);
  if (path !== location.pathname) {
    setPath(location.pathname);
    workings.close();
  }
  useKey('stage', (event) => void navigate({ pathname: stages[Number(event.key) - 1]?.to, hash: location.hash }), [
    stages,
    location.hash,
  ]);
  useKey('zone-before', () => step(-1), [zone, file]);
  useKey('zone-after', () => step(1), [zone, file]);
  useKey('close-workings', () => workings.close());
  useKey('all-properties', () => void navigate('/'));
  useKey('list', () => setKeysShown(true));

  const curves = useMemo(() => yearCurves(work, units).filter((each) => each.id !== 'growth'), [work, units]);
  const curve = curves.find((each) => each.id === place.get('curve'));
  const chooseCurve = (id: string) =>
    setPlace(
      (before) => {
        if (id === GROWTH_ALONE) before.delete('curve');
        else before.set('curve', id);
        return before;
      },
      { replace: true },
    );
  const area = file.zones.reduce((sum, z) => sum + z.areaSqFt, 0);
  const product = (id: string) => file.products?.find((p) => p.id === id);
  const windows = zoneSeason ? feedingWindows(zoneSeason, season) : codeWindows(season.codes, season.year);
  const empty = !zone
    ? 'no zone yet: measure the ground first'
    : !zoneSeason?.season
      ? 'no climate yet: choose one in Ground'
      : 'no dose dated yet';
  const save = async () => {
    const source = await exportProperty(file.property.id);
    if (source === undefined) return;
    saveTextFile(`${newId(file.property.name, [])}.ubertas-case.json`, source, 'application/json');
    void message.success('Saved as a case file.');
  };
  return (
    <WorkingsContext value={workings}>
      <header className="top">
        <Wordmark />
        <div className="where">
          <strong>{file.property.name}</strong>
          <span className="small nowrap">
            {file.zones.length} {file.zones.length === 1 ? 'zone' : 'zones'}, {units.say('area', area)}
          </span>
        </div>
        <div className="right">
          <Link className="link" to="/shelf">
            Shelf
          </Link>
          <Button onClick={() => void save()}>Export property</Button>
          <Button onClick={() => setKeysShown(true)}>
            Keys <span className="kbd">?</span>
          </Button>
        </div>
      </header>
      <section className="ribbon" aria-label="Season ribbon">
        <div className="who">
          {zone ? (
            <>
              <Select
                aria-label="Zone"
                variant="borderless"
                value={zone.id}
                onChange={focusZone}
                options={file.zones.map((z) => ({ value: z.id, label: z.name }))}
                popupMatchSelectWidth={false}
                virtual={false}
              />
              <span>{grassOf(zone.grass).name}</span>
              <span>
                {unslug(zone.texture)}, {units.say('area', zone.areaSqFt)}
              </span>
              <CurveChoice curves={curves} chosen={curve?.id} zoneSeason={zoneSeason} onChoose={chooseCurve} />
            </>
          ) : (
            <span className="note">No zone yet</span>
          )}
        </div>
        <Ribbon
          season={zoneSeason?.season}
          windows={windows}
          doses={(zoneSeason?.doses ?? []).map((d) => ribbonDose(d, product(d.productId), units))}
          year={season.year}
          today={today}
          label={`Year ${season.year}${zone ? ` of ${zone.name}` : ''}: growth, closed windows and ${zoneSeason?.doses.length ?? 0} doses`}
          emptySays={empty}
          curve={
            curve && {
              ...curve,
              name: [curve.name, curve.lines[0]?.name].filter(Boolean).join(', '),
              values: curve.lines[0]?.values ?? [],
            }
          }
        />
        <Next work={work} />
      </section>
      <Stages stages={stages} hash={location.hash} />
      <main id="main" className={trail.length > 0 ? 'work with-slip' : 'work'}>
        <Outlet context={work} />
        <WorkingsSlip />
      </main>
      <Modal title="Keys" open={keysShown} onCancel={() => setKeysShown(false)} footer={null}>
        {keysByPlace().map(([place, keys]) => (
          <section key={place}>
            <h3>{place}</h3>
            <ul className="shortcuts">
              {keys.map(({ shows, does }) => (
                <li key={does}>
                  <span className="kbd">{shows}</span> {does}
                </li>
              ))}
            </ul>
          </section>
        ))}
      </Modal>
    </WorkingsContext>
  );
}

/** The whole property failed: its records can still be taken out. */
export function ErrorBoundary({ error, params }: Route.ErrorBoundaryProps) {
  const save = async () => {
    const source = await exportProperty(params.propertyId ?? '');
    if (source !== undefined) saveTextFile(`${params.propertyId}.ubertas-case.json`, source, 'application/json');
  };
  return (
    <>
      <header className="top">
        <Wordmark />
        <div className="right">
          {!isRouteErrorResponse(error) && <Button onClick={() => void save()}>Export property</Button>}
        </div>
      </header>
      <main id="main" className="work">
        <StageFault error={error} stage="This property" />
      </main>
    </>
  );
}
