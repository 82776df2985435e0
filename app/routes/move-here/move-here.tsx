import '../../ui/ruled-table.css';
import './move-here.css';
import { Button } from 'antd';
import { useMemo } from 'react';
import { doseKey } from '@core/season/plan/dose-key';
import { Link, useLocation, useNavigate } from 'react-router';
import { moveProgramme } from '@core/season/edit/move-programme';
import { plannedDosesOf } from '@core/season/plan/planned-doses';
import { grassOf } from '@core/packs/grasses';
import { packsHere } from '../../storage/own-packs';
import { idOfFile, listProperties, loadProperty } from '../../storage/property-repository';
import { Fault, ChoiceField } from '../../ui/field';
import { sayDay } from '@core/words/days';
import { todayIso } from '../../ui/today';
import { useDone } from '../../work/use-done';
import { workOf } from '../../work/property-work';
import { usePropertyWork } from '../../work/use-property-work';
import type { Route } from './+types/move-here';
import { moveHereAction, type MoveSent } from './move-here-action';
import { StageFault } from '../../work/stage-fault';
import { type Shapes, useSend } from '../../work/send';
import { propertyAction, type Undoable, type UndoSent, undoOf } from '../../work/property-action';
import { placeHash, placeNow, useLoadedBy, usePlace } from '../../ui/place';
import { useUnits } from '../../ui/format';

/** The properties of this browser, and the one a programme is taken from. */
export async function clientLoader() {
  const from = placeNow().get('from');
  const [entries, file] = await Promise.all([
    listProperties(),
    from ? loadProperty((await idOfFile(from)) ?? from) : undefined,
  ]);
  return {
    entries: entries.filter((entry) => entry.zones.length > 0),
    file,
    packs: await packsHere(file?.property.id),
  };
}

const SHAPES: Shapes<MoveSent> = {
  lay: { zoneId: 'text', standing: 'list', doses: 'list' },
};

export const clientAction = propertyAction<MoveSent, Undoable>(SHAPES, moveHereAction);

/** A programme of another place, carried here: each dose to the day that has the same high on the same side of the year. */
export default function MoveHere({ loaderData }: Route.ComponentProps) {
  const units = useUnits();
  const { entries, file: theirs, packs } = loaderData;
  const work = usePropertyWork();
  const { zone, season, plan, file, year } = work;
  const [place, setPlace] = usePlace();
  useLoadedBy(place.get('from') ?? '');
  const location = useLocation();
  const navigate = useNavigate();
  const { fetcher, send } = useSend<MoveSent | UndoSent, Undoable & { faults?: { storage: string } }>();
  const done = useDone();
  const choose = (key: string, value: string) =>
    setPlace((before) => {
      before.set(key, value);
      if (key === 'from') before.delete('theirZone');
      return before;
    });
  const there = useMemo(
    () => (theirs ? workOf(theirs, todayIso(), place.get('theirZone'), packs) : undefined),
    [theirs, place, packs],
  );
  const doses = useMemo(
    () => (there ? plannedDosesOf(there.season, new Set()).filter((d) => d.zoneId === there.zone?.id) : []),
    [there],
  );
  const [climateThere, climateHere] = [theirs?.property.climate, file.property.climate];
  const moved = useMemo(
    () =>
      climateThere && climateHere && zone
        ? moveProgramme(doses, climateThere, climateHere, { zoneId: zone.id, year })
        : [],
    [climateThere, climateHere, zone, doses, year],
  );
  const name = (id: string) =>
    file.products?.find((p) => p.id === id)?.name ?? theirs?.products?.find((p) => p.id === id)?.name ?? id;
  const lay = async () => {
    if (!zone) return;
    const locked = new Set((plan?.doses ?? []).filter((d) => d.locked).map(doseKey));
    const laid = moved.map((m) => m.dose);
    const lies = await done(
      () => send({ intent: 'lay', zoneId: zone.id, standing: plannedDosesOf(season, locked), doses: laid }),
      `${laid.length} doses lie on ${zone.name}. The checks say how they suit it.`,
      (answer) => send(undoOf(answer)),
    );
    if (lies) void navigate({ pathname: '..', hash: placeHash({ zone: zone.id }) }, { relative: 'path' });
  };
  const sameGrass = there?.zone && zone && there.zone.grass === zone.grass;
  return (
    <div className="mh">
      <div className="pagehead">
        <h1>Move a programme{zone ? ` to ${zone.name}` : ' here'}</h1>
        <span className="sp" />
        <Link className="link" to={{ pathname: '..', hash: location.hash }} relative="path">
          Back to the board
        </Link>
      </div>
      <p className="say">
        A date taken from another climate is the wrong date. Each dose goes to the day here that has the same normal
        high on the same side of the year; in a colder place that means later in spring and earlier in fall. Rates stay,
        and the checks then judge them by this zone’s own soil test.
      </p>
      <div className="from">
        <ChoiceField
          label="From the property"
          placeholder="Choose one"
          value={theirs?.property.id}
          options={entries.map((entry) => ({ value: entry.id, label: entry.name }))}
          onChange={(id) => choose('from', id)}
        />
        {there && (
          <ChoiceField
            label="Its zone"
            value={there.zone?.id}
            options={there.file.zones.map((z) => ({ value: z.id, label: `${z.name}, ${grassOf(z.grass).name}` }))}
            onChange={(id) => choose('theirZone', id)}
          />
        )}
      </div>
      <Fault>{fetcher.data?.faults?.storage}</Fault>
      {theirs && !climateThere && (
        <p className="note">{theirs.property.name} has no climate, so its dates say nothing about the weather.</p>
      )}
      {!climateHere && <p className="note">This property has no climate yet. Give it one on the Climate page first.</p>}
      {there?.zone && zone && !sameGrass && (
        <p className="warn" role="status">
          There it is {grassOf(there.zone.grass).name}, here {grassOf(zone.grass).name}: another grass grows by another
          curve. Look at every date.
        </p>
      )}
      {there && climateThere && climateHere && doses.length === 0 && (
        <p className="note">Nothing is planned on that zone.</p>
      )}
      {moved.length > 0 && zone && (
        <>
          <table className="dosetable">
            <caption>
              {moved.length} {moved.length === 1 ? 'dose' : 'doses'} of {there?.year}, laid into {year}
            </caption>
            <thead>
              <tr>
                <th scope="col">There</th>
                <th scope="col">Here</th>
                <th scope="col">Normal high</th>
                <th scope="col">Product</th>
                <th scope="col" className="num">
                  {units.unit('product-rate', 'product')}
                </th>
                <th scope="col">How it was matched</th>
              </tr>
            </thead>
            <tbody>
              {moved.map(({ was, dose, moved: day }) => (
                <tr key={`${was.date}${was.productId}`}>
                  <td>{sayDay(was.date)}</td>
                  <td>
                    <b>{sayDay(dose.date)}</b>
                  </td>
                  <td>{units.say('temperature', day.thereF)}</td>
                  <td>{name(was.productId)}</td>
                  <td className="num">{units.productRate(was.rateLb)}</td>
                  <td>
                    {day.matched
                      ? `the Monday nearest to ${sayDay(day.date)}`
                      : `no such high here: kept in proportion, at ${units.say('temperature', day.hereF)}`}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="acts">
            <Button type="primary" onClick={lay}>
              Move to {zone.name}
            </Button>{' '}
            <span className="small">in place of what is planned there now; the other zones keep theirs</span>
          </p>
        </>
      )}
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Moving a programme" />;
}
