import './reports.css';
import { Button, Progress } from 'antd';
import { Link, useNavigate } from 'react-router';
import { showArea } from '@core/words/numbers';
import { intakeTargets } from '../../storage/report-intake';
import { Loading } from '../../ui/loading';
import { todayIso } from '../../ui/today';
import { Wordmark } from '../../ui/wordmark';
import { StageFault } from '../../work/stage-fault';
import type { Route } from './+types/reports';
import { ChooseFile } from './choose-file';
import { Found } from './found';
import { MapColumns } from './map-columns';
import { type Stage, useImportReports } from './use-import-reports';
import { placeHash, placeNow, useLoadedBy, usePlace } from '../../ui/place';
import { idOfFile } from '../../storage/property-repository';

export async function clientLoader() {
  const wanted = placeNow().get('property');
  const propertyId = wanted === null ? undefined : await idOfFile(wanted);
  return { targets: await intakeTargets(), propertyId, today: todayIso() };
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return <Loading />;
}

const HEADINGS: Partial<Record<Stage['at'], string>> = { map: 'What each column means', read: 'What was found' };

/** Reads a laboratory's table of any layout: choose, map, look, and only then store. */
export default function Reports({ loaderData }: Route.ComponentProps) {
  const { targets, propertyId, today } = loaderData;
  const [place] = usePlace();
  const navigate = useNavigate();
  useLoadedBy(place.get('property') ?? '');
  const zoneId = place.get('zone');
  const { stage, interrupted, open, choose, remap, read, assign, store, cancel, saveRejected } = useImportReports(
    targets,
    today,
    propertyId,
  );
  const home = targets.zones.find((z) => z.propertyId === propertyId)?.propertyName;
  const back = propertyId
    ? { pathname: `/property/${propertyId}/read`, hash: placeHash(zoneId ? { zone: zoneId } : {}) }
    : '/';
  return (
    <>
      <header className="top">
        <Wordmark />
        <div className="where">
          <strong>Reading reports in</strong>
          {home && <span className="small">for {home}</span>}
        </div>
        <div className="right">
          <Button onClick={() => void navigate(back)}>
            {propertyId ? `Back to ${home ?? 'the property'}` : 'All properties'}
          </Button>
        </div>
      </header>
      <main id="main" className="reports">
        <h1>{HEADINGS[stage.at] ?? 'Reports of a laboratory'}</h1>
        {stage.at === 'choose' && (
          <ChooseFile interrupted={interrupted} fault={stage.fault} onFile={(file) => void open(file)} />
        )}
        {stage.at === 'opening' && <p role="status">Opening {stage.name}</p>}
        {stage.at === 'map' && (
          <MapColumns
            mapped={stage}
            onChange={(part) => remap(stage, part)}
            onRead={() => void read(stage)}
            onCancel={cancel}
          />
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
            onAssign={(sample, to) => assign(stage.from, sample, to)}
            onBack={() => remap(stage.from)}
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
              {stage.zones.slice(0, 1).map((to) => (
                <Link
                  key={to.zoneId}
                  to={{ pathname: `/property/${to.propertyId}/read`, hash: placeHash({ zone: to.zoneId }) }}
                >
                  Read {targets.zones.find((z) => z.propertyId === to.propertyId && z.zoneId === to.zoneId)?.zoneName}
                </Link>
              ))}
              <Button onClick={() => choose()}>Another file</Button>
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
