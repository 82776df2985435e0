import '../../ui/ruled-table.css';
import './climate.css';
import { Button, Checkbox } from 'antd';
import { useMemo, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { printClimateCsv } from '@core/files/climate-csv';
import { correctionSays } from '@core/climate/soil-readings';
import { seasonLength } from '@core/climate/day-curves';
import { seasonTurns, seasonWindows } from '@core/season/plan/season-windows';
import { addDays, dayOfYear } from '@core/days/day';
import { Fault } from '../../ui/field';
import { saveTextFile } from '../../ui/save-text-file';
import { sayDay } from '@core/words/days';
import { Said } from '../../ui/substance';
import { useDone } from '../../work/use-done';
import { workOf } from '../../work/property-work';
import { WarnGlyph } from '../../ui/glyphs';
import { usePropertyWork } from '../../work/use-property-work';
import { yearCurves } from '../../work/year-curves';
import { newId } from '@core/records/new-id';
import type { Route } from './+types/climate';
import { climateAction, type ClimateSent } from './climate-action';
import { type ClimateDraft, ClimateSource } from './climate-source';
import { NormalsTable } from './normals-table';
import { YearCurves } from './year-curves';
import { StageFault } from '../../work/stage-fault';
import { type Shapes, useSend } from '../../work/send';
import { propertyAction, type Undoable, type UndoSent, undoOf } from '../../work/property-action';
import { useUnits } from '../../ui/format';

const SHAPES: Shapes<ClimateSent> = {
  use: { climate: 'record', latitudeDeg: 'number?', moveDoses: 'yes' },
};

export const clientAction = propertyAction<ClimateSent, Undoable>(SHAPES, climateAction);

/** The property's climate: its curves and windows with their reasons, and where it comes from. */
export default function ClimatePage() {
  const units = useUnits();
  const work = usePropertyWork();
  const { hash } = useLocation();
  const { fetcher, send } = useSend<ClimateSent | UndoSent, Undoable & { faults?: { storage: string } }>();
  const done = useDone();
  const [draft, setDraft] = useState<ClimateDraft | undefined>();
  const [moveDoses, setMoveDoses] = useState(true);
  const { file, plan, today, year } = work;
  const { climate, latitudeDeg } = file.property;
  const now = climate && { climate, latitudeDeg };
  const shown = useMemo(
    () =>
      draft
        ? workOf({ ...file, property: { ...file.property, ...draft } }, today, work.zone?.id ?? null, work.packs)
        : work,
    [draft, file, today, work],
  );
  const curves = useMemo(() => yearCurves(shown, units), [shown, units]);
  const { zone, zoneSeason, season } = shown;
  const windows = useMemo(() => (zoneSeason ? seasonWindows(zoneSeason, season) : []), [zoneSeason, season]);
  const turns = zoneSeason ? seasonTurns(zoneSeason) : [];
  const length = zoneSeason?.season && seasonLength(zoneSeason.season);
  const days = season.weather?.meanF.length ?? 365;
  const hasDoses = (plan?.doses ?? []).length > 0 && climate !== undefined;
  const use = async () => {
    if (!draft) return;
    const { climate: chosen, latitudeDeg: at } = draft;
    const used = await done(
      () => send({ intent: 'use', climate: chosen, latitudeDeg: at, moveDoses: moveDoses && hasDoses }),
      hasDoses && moveDoses ? 'The climate is changed and the doses moved with it.' : 'The climate is changed.',
      (answer) => send(undoOf(answer)),
    );
    if (used) setDraft(undefined);
  };
  const dayOf = (at: number) => sayDay(addDays(`${year}-01-01`, at));
  return (
    <div className="cl">
      <div className="body">
        <div>
          <div className="pagehead">
            <h1>Climate{zone ? ` and windows of ${zone.name}` : ''}</h1>
            <span className="small">
              {(draft ?? now)?.climate.source ?? (now ? 'source not noted' : 'no climate yet')}
              {shown.file.property.latitudeDeg === undefined ? '' : `, ${shown.file.property.latitudeDeg}° N`}
            </span>
            <span className="sp" />
            <Link className="link" to={{ pathname: '..', hash }} relative="path">
              Back to the board
            </Link>
          </div>
          {draft && (
            <div className="looking" role="status">
              <b>Looked at, not stored.</b> The curves and windows below are those of{' '}
              {draft.climate.source ?? 'the new climate'}.
              {hasDoses && (
                <Checkbox checked={moveDoses} onChange={(event) => setMoveDoses(event.target.checked)}>
                  Move the doses of {year} with it, each to the day with the same high
                </Checkbox>
              )}
              <span className="acts">
                <Button type="primary" onClick={use}>
                  Save climate
                </Button>
                <Button onClick={() => setDraft(undefined)}>Cancel</Button>
              </span>
            </div>
          )}
          <Fault>{fetcher.data?.faults?.storage}</Fault>
          {curves.length === 0 ? (
            <div className="empty">
              <p>
                No climate yet, so nothing can be dated. Take a station’s, paste a table, type the normals or choose a
                region, here at the side.
              </p>
            </div>
          ) : (
            <>
              {length && (
                <p className="lead">
                  <b>{length.frostFreeDays}</b> days without frost; <b>{length.growingDays}</b> days of growth, worth{' '}
                  <b>{Math.round(length.bestGrowthDays)}</b> of its best.
                  {shown.file.property.latitudeDeg === undefined && ' Type the latitude for daylight and evaporation.'}
                </p>
              )}
              <YearCurves
                year={year}
                curves={curves}
                windows={windows}
                turns={turns}
                days={days}
                start={today.startsWith(String(year)) ? dayOfYear(today) : 120}
              />
              {(season.soilCorrections ?? []).map((correction) => (
                <p key={correction.on} className={correction.doubted ? 'caution' : 'small'}>
                  {correction.doubted && <WarnGlyph />}
                  <span>
                    Thermometer, <Said text={correctionSays(correction)} />
                  </span>
                </p>
              ))}
              <table className="dosetable reasons">
                <caption>Why each window is closed</caption>
                <thead>
                  <tr>
                    <th scope="col">From, to</th>
                    <th scope="col">Window</th>
                    <th scope="col">Held back</th>
                    <th scope="col">Because</th>
                  </tr>
                </thead>
                <tbody>
                  {windows.map((w) => (
                    <tr key={`${w.kind}${w.from}${w.title}`}>
                      <td>
                        {dayOf(w.from)} to {dayOf(w.to)}
                      </td>
                      <th scope="row">{w.title}</th>
                      <td>
                        <Said text={w.forbids} />
                      </td>
                      <td>
                        <Said text={w.because} />
                      </td>
                    </tr>
                  ))}
                  {turns.map((turn) => (
                    <tr key={turn.title}>
                      <td>{dayOf(turn.day)}</td>
                      <th scope="row">{turn.title}</th>
                      <td />
                      <td>
                        <Said text={turn.because} />
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </>
          )}
        </div>
        <aside className="margin">
          <ClimateSource
            key={climate?.source ?? ''}
            now={now}
            origin={file.property.site?.origin}
            today={today}
            onDraft={setDraft}
          />
          {(draft ?? now) && (
            <section aria-labelledby="normals-h">
              <div className="pagehead" style={{ padding: 0 }}>
                <h2 id="normals-h">Normals</h2>
                <span className="sp" />
                {now && !draft && (
                  <Button
                    size="small"
                    onClick={() =>
                      saveTextFile(
                        `${newId(file.property.name, [])}-normals.csv`,
                        printClimateCsv(now.climate),
                        'text/csv',
                      )
                    }
                  >
                    Save as CSV
                  </Button>
                )}
              </div>
              <NormalsTable shown={(draft ?? now) as ClimateDraft} before={draft ? now : undefined} />
            </section>
          )}
        </aside>
      </div>
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Climate" />;
}
