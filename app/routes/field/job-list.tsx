import type { Job, JobState } from '@core/field/jobs';
import { photosOf, runState } from '@core/runs/run-state';
import type { Run, Zone } from '@core/records/case';
import { sayDay } from '@core/words/days';
import { useUnits } from '../../ui/format';
import { amountOut } from '../../work/amount-out';
import { JOB_HEADS, JobRow } from '../../work/job-rows';
import { PhotoStrip } from '../../work/photo-strip';

/** The jobs by what is to be done about them. What is far off stays folded. */
export function JobList({
  jobs,
  chosen,
  onChoose,
}: {
  jobs: readonly Job[];
  chosen: string | undefined;
  onChoose: (key: string) => void;
}) {
  const states = [...new Set(jobs.map(({ state }) => state))];
  const rows = (state: JobState) => (
    <ul>
      {jobs
        .filter((job) => job.state === state)
        .map((job) => (
          <li key={job.key} className={`is-${state}`}>
            <button type="button" aria-current={job.key === chosen} onClick={() => onChoose(job.key)}>
              <JobRow job={job} />
            </button>
          </li>
        ))}
    </ul>
  );
  return (
    <nav className="joblist" aria-label="Jobs">
      {states.map((state) =>
        ['later', 'done', 'missed', 'skipped'].includes(state) ? (
          <details key={state}>
            <summary>
              {JOB_HEADS[state]} <i>{jobs.filter((job) => job.state === state).length}</i>
            </summary>
            {rows(state)}
          </details>
        ) : (
          <section key={state} aria-label={JOB_HEADS[state]}>
            <h2 className={`is-${state}`}>{JOB_HEADS[state]}</h2>
            {rows(state)}
          </section>
        ),
      )}
    </nav>
  );
}

/** What was signed, newest first: what really went down, and how far from the plan. */
export function SignedRuns({ runs, zones }: { runs: readonly Run[]; zones: readonly Zone[] }) {
  const units = useUnits();
  const signed = runs
    .map((run) => ({ run, state: runState(run) }))
    .filter(({ state }) => state.standing === 'signed')
    .sort((a, b) => b.state.startedAt.localeCompare(a.state.startedAt));
  if (signed.length === 0) return null;
  return (
    <section className="signed" aria-labelledby="signed">
      <h2 id="signed">Signed</h2>
      <ul>
        {signed.map(({ run, state }) => (
          <li key={run.id}>
            <b>{sayDay(state.startedAt.slice(0, 10))}</b>
            <span>
              {zones.find(({ id }) => id === run.zoneId)?.name ?? run.zoneId}:{' '}
              {amountOut(units, run.label.lbPerGal, '').say(state.spreadLb ?? 0)} {run.label.name.toLowerCase()},{' '}
              {units.plain(((state.spreadLb ?? 0) / run.plannedLb) * 100, 0)} % of the plan
              {state.how === 'not-possible' && ', not weighed back'}
              {state.start.override &&
                `; started against ${state.start.reasons ?? 'a warning'}: ${state.start.override}`}
              {state.operator && `; ${state.operator}`}
              {run.events.some(({ note }) => note) &&
                `; ${run.events.flatMap(({ note }) => (note ? [note] : [])).join('; ')}`}
            </span>
            <PhotoStrip hashes={photosOf(run)} of={run.label.name} />
          </li>
        ))}
      </ul>
    </section>
  );
}
