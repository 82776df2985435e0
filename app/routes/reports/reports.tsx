import './reports.css';
import { Button, Progress } from 'antd';
import { Link, useNavigate } from 'react-router';
import { showArea } from '@core/words/numbers';
import { idOfFile } from '../../storage/property-repository';
import { intakeTargets } from '../../storage/report-intake';
import { Loading } from '../../ui/loading';
import { placeHash, placeNow, useLoadedBy, usePlace } from '../../ui/place';
import { todayIso } from '../../ui/today';
import { Wordmark } from '../../ui/wordmark';
import { handOverWater } from '../../work/handed-water';
import { StageFault } from '../../work/stage-fault';
import type { Route } from './+types/reports';
import { ChooseReport } from './choose-report';
import { ReadReportPage } from './read-report-page';
import { Remembered } from './remembered';
import { useReport } from './use-report';
import { WithoutText } from './without-text';

export async function clientLoader() {
  const wanted = placeNow().get('property');
  const propertyId = wanted === null ? undefined : await idOfFile(wanted);
  return { targets: await intakeTargets(), propertyId, today: todayIso() };
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return <Loading />;
}

/** Reads a laboratory's report whatever its dress: choose, look, answer, and only then store. */
export default function Reports({ loaderData }: Route.ComponentProps) {
  const { targets, propertyId, today } = loaderData;
  const [place] = usePlace();
  const navigate = useNavigate();
  useLoadedBy(place.get('property') ?? '');
  const zoneId = place.get('zone');
  const reader = useReport(targets, today, propertyId);
  const { stage } = reader;
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
        {stage.at !== 'read' && <h1>Reports of a laboratory</h1>}
        {stage.at === 'choose' && (
          <>
            <ChooseReport
              interrupted={reader.interrupted}
              fault={stage.fault}
              onFiles={reader.openAll}
              onText={reader.openText}
            />
            <Remembered count={0} />
          </>
        )}
        {stage.at === 'opening' && (
          <section>
            <p role="status">
              Opening {stage.name}
              {stage.doing && `: ${stage.doing}`}
            </p>
            <Button onClick={reader.cancel}>Cancel</Button>
          </section>
        )}
        {stage.at === 'no-text' && (
          <WithoutText
            name={stage.name}
            says={stage.says}
            picture={reader.picture}
            onText={reader.openText}
            onCancel={reader.cancel}
          />
        )}
        {stage.at === 'read' && (
          <ReadReportPage
            stage={stage}
            reader={reader}
            zones={targets.zones}
            home={home}
            onWater={(water) => {
              if (!propertyId) return;
              handOverWater(propertyId, water);
              reader.leave();
              void navigate(back);
            }}
          />
        )}
        {(stage.at === 'reading' || stage.at === 'storing') && (
          <section aria-live="polite">
            <p>{stage.at === 'reading' ? `Reading ${stage.open.name}` : 'Storing the reports'}</p>
            <Progress percent={Math.round(stage.share * 100)} status="active" aria-label="Progress" />
            <Button onClick={reader.cancel}>Cancel</Button>
          </section>
        )}
        {stage.at === 'done' && (
          <section>
            <p className="lead">
              {showArea(stage.stored)} {stage.stored === 1 ? 'report is' : 'reports are'} stored.
            </p>
            <p className="links">
              {stage.first && (
                <Link
                  to={{
                    pathname: `/property/${stage.first.propertyId}/read`,
                    hash: placeHash({ zone: stage.first.zoneId }),
                  }}
                >
                  Read{' '}
                  {
                    targets.zones.find(
                      (z) => z.propertyId === stage.first?.propertyId && z.zoneId === stage.first.zoneId,
                    )?.zoneName
                  }
                </Link>
              )}
              {reader.queue.length > 0 && (
                <Button type="primary" onClick={reader.next}>
                  Next: {reader.queue[0]?.name} ({reader.queue.length} left)
                </Button>
              )}
              <Button onClick={reader.choose}>Another file</Button>
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
