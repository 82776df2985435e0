import './field-home.css';
import { Button } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Job, JOB_STATES, type JobState, jobsOf } from '@core/field/jobs';
import type { RulePacks } from '@core/packs/rule-packs';
import { waterTasks } from '@core/field/water-task';
import { asTaken, densityOf } from '@core/products/as-weighed';
import { sayWeekday } from '@core/words/days';
import { NetworkWord } from '../../offline/network-word';
import { packsHere } from '../../storage/own-packs';
import { listProperties, loadProperties, type PropertyFile } from '../../storage/property-repository';
import { useUnits } from '../../ui/format';
import { StopGlyph } from '../../ui/glyphs';
import { Loading } from '../../ui/loading';
import { RoomTop } from '../../ui/room-top';
import { momentHere, todayIso } from '../../ui/today';
import { WaterList } from '../../work/water-list';
import { amountOut } from '../../work/amount-out';
import { JOB_HEADS, JobRow } from '../../work/job-rows';
import { wholeWork } from '../../work/property-work';
import { faultSays, StageFault } from '../../work/stage-fault';
import { useFollow } from '../../work/use-follow';
import type { Route } from './+types/field-home';

/** What is to be done now or soon; what is far off, over or done stands with its property. */
const LISTED: ReadonlySet<JobState> = new Set(['running', 'weigh-back', 'late', 'due', 'upcoming']);

export async function clientLoader() {
  const files = await loadProperties((await listProperties()).map(({ id }) => id));
  // only a plan that was saved gives jobs
  const planned = files.filter(({ plans = [] }) => plans.some(({ keptOn }) => keptOn !== undefined));
  return {
    properties: files.length,
    files: planned,
    packs: await Promise.all(planned.map(({ property }) => packsHere(property.id))),
    today: todayIso(),
  };
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return <Loading />;
}

interface PropertyJobs {
  file: PropertyFile;
  jobs: Job[];
  /** Why this property's jobs could not be reckoned. */
  fault?: string;
}

function jobsHere(file: PropertyFile, today: string, packs: RulePacks | undefined): PropertyJobs {
  try {
    const { season, plan } = wholeWork(file, today, packs);
    return { file, jobs: jobsOf(file, season, plan?.keptOn !== undefined, today) };
  } catch (error) {
    return { file, jobs: [], fault: faultSays(error, file.property.name) };
  }
}

/** One property after the other, so that the first is seen while the last is reckoned. */
function useJobsHere(files: readonly PropertyFile[], packs: readonly RulePacks[], today: string): PropertyJobs[] {
  const [found, setFound] = useState<{ of: unknown; jobs: PropertyJobs[] }>({ of: files, jobs: [] });
  useEffect(() => {
    let left = false;
    const next = (i: number, before: PropertyJobs[]) => {
      const file = files[i];
      if (left || !file) return;
      const jobs = [...before, jobsHere(file, today, packs[i])];
      setFound({ of: files, jobs });
      setTimeout(() => next(i + 1, jobs));
    };
    next(0, []);
    return () => {
      left = true;
    };
  }, [files, packs, today]);
  return found.of === files ? found.jobs : [];
}

const first = ({ jobs }: PropertyJobs): number =>
  Math.min(...jobs.filter(({ state }) => LISTED.has(state)).map(({ state }) => JOB_STATES.indexOf(state)));

/** What is loaded for one property today: each product, weighed out by zone and then added. */
function Trip({ jobs }: { jobs: readonly Job[] }) {
  const units = useUnits();
  const now = jobs.filter(({ state }) => state === 'late' || state === 'due');
  const products = [...new Map(now.map(({ product }) => [product.id, product])).values()];
  if (products.length === 0) return null;
  const loads = products.map((product) => {
    const density = densityOf(product);
    const lb = now
      .filter((job) => job.product.id === product.id)
      .reduce((sum, { dose }) => sum + asTaken(dose.zoneLb, product), 0);
    return `${amountOut(units, density, '').say(lb)} ${product.name.toLowerCase()}`;
  });
  return <span className="small">trip: {loads.join(', ')}</span>;
}

/** Every job of this browser that is to be done now or soon, by property: where a day in the field begins. */
export default function FieldHome({ loaderData: { properties, files, packs, today } }: Route.ComponentProps) {
  useFollow(undefined);
  const found = useJobsHere(files, packs, today);
  const shown = useMemo(
    () =>
      found
        .filter(
          ({ file, jobs, fault }) =>
            fault !== undefined ||
            jobs.some(({ state }) => LISTED.has(state)) ||
            waterTasks(file, momentHere().slice(0, 16)).length > 0,
        )
        .sort((a, b) => first(a) - first(b) || a.file.property.name.localeCompare(b.file.property.name)),
    [found],
  );
  const next = useMemo(
    () =>
      found
        .flatMap(({ file, jobs }) => jobs.map((job) => ({ file, job })))
        .filter(({ job }) => job.state === 'later')
        .sort((a, b) => a.job.dose.date.localeCompare(b.job.dose.date))[0],
    [found],
  );
  return (
    <>
      <RoomTop />
      <main id="main" className="fieldhome">
        <div className="pagehead">
          <h1>{sayWeekday(today)}</h1>
          <span className="sp" />
          <Link className="link" to="/kit">
            Kit
          </Link>
          <NetworkWord />
        </div>
        {found.length < files.length && (
          <p className="small" role="status">
            Reckoned {found.length} of {files.length} properties.
          </p>
        )}
        {files.length === 0 && (
          <div className="empty">
            <p>
              {properties === 0
                ? 'There is no property in this browser yet.'
                : 'There are no jobs yet: a job comes of a plan that was saved.'}
            </p>
            <Link to="/">
              <Button type="primary" tabIndex={-1}>
                Go to Properties
              </Button>
            </Link>
          </div>
        )}
        {files.length > 0 && found.length === files.length && shown.length === 0 && (
          <p className="lead">
            {next
              ? `Nothing is due before ${sayWeekday(next.job.dose.date)}: ${next.file.property.name}, ${next.job.zone.name}, ${next.job.product.name.toLowerCase()}.`
              : 'Every dose of every saved plan is done or over.'}
          </p>
        )}
        <div className="trips">
          {shown.map(({ file, jobs, fault }) => (
            <section key={file.property.id} className="joblist" aria-label={file.property.name}>
              <h2>
                {file.property.name} <Trip jobs={jobs} />
              </h2>
              {fault !== undefined && (
                <p className="fault">
                  <StopGlyph /> {fault}
                </p>
              )}
              <WaterList tasks={waterTasks(file, momentHere().slice(0, 16))} />
              <ul>
                {jobs
                  .filter(({ state }) => LISTED.has(state))
                  .map((job) => (
                    <li key={job.key} className={`is-${job.state}`}>
                      <Link
                        to={{
                          pathname: `/property/${file.property.id}/field`,
                          hash: `#${new URLSearchParams({ job: job.key }).toString()}`,
                        }}
                      >
                        <JobRow job={job}>
                          <span className={`state is-${job.state}`}>{JOB_HEADS[job.state]}</span>
                        </JobRow>
                      </Link>
                    </li>
                  ))}
              </ul>
            </section>
          ))}
        </div>
      </main>
    </>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Field" />;
}
