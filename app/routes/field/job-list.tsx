import type { Job, JobState } from '@core/field/jobs';
import { runState } from '@core/field/run-state';
import type { Run, Zone } from '@core/records/case';
import { addDays } from '@core/days/day';
import { faceOf } from '@core/products/label/face';
import { asWeighed } from '@core/products/as-weighed';
import { sayDay, sayWeekday } from '@core/words/days';
import { useUnits } from '../../ui/format';
import { Mark } from '../../ui/marks';

const HEADS: Record<JobState, string> = {
  running: 'Under way',
  'weigh-back': 'Weigh back is missing',
  late: 'Late',
  due: 'Due',
  upcoming: 'Upcoming',
  later: 'Later',
  missed: 'Missed',
  done: 'Done',
};

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
  const units = useUnits();
  const states = [...new Set(jobs.map(({ state }) => state))];
  const when = (job: Job): string => {
    switch (job.state) {
      case 'late':
        return `${job.daysLate} ${job.daysLate === 1 ? 'day' : 'days'} late, to ${sayDay(job.lastDay)}`;
      case 'due':
        return `to ${sayDay(addDays(job.dose.date, 6))}`;
      case 'missed':
        return `was to ${sayDay(job.lastDay)}`;
      case 'running':
        return `since ${job.runState?.startedAt.slice(11, 16) ?? ''}`;
      default:
        return sayWeekday(job.dose.date);
    }
  };
  const rows = (state: JobState) => (
    <ul>
      {jobs
        .filter((job) => job.state === state)
        .map((job) => (
          <li key={job.key} className={`is-${state}`}>
            <button type="button" aria-current={job.key === chosen} onClick={() => onChoose(job.key)}>
              <svg width="26" height="26" viewBox="0 0 26 26" aria-hidden="true">
                <Mark
                  purpose={job.dose.for}
                  x={13}
                  y={13}
                  d={17}
                  state={state === 'due' || state === 'running' ? 'due' : 'planned'}
                />
                {state === 'missed' && <path d="M3 23L23 3" stroke="var(--clay)" strokeWidth="1.8" />}
              </svg>
              <span>
                <b>{job.zone.name}</b>
                <span className="small">
                  {units.weight(asWeighed(job.dose.zoneLb))} {units.unit('weight')} {job.product.name.toLowerCase()}{' '}
                  {faceOf(job.product)}
                </span>
                <span className="small">{when(job)}</span>
              </span>
            </button>
          </li>
        ))}
    </ul>
  );
  return (
    <nav className="joblist" aria-label="Jobs">
      {states.map((state) =>
        state === 'later' || state === 'done' ? (
          <details key={state}>
            <summary>
              {HEADS[state]} <i>{jobs.filter((job) => job.state === state).length}</i>
            </summary>
            {rows(state)}
          </details>
        ) : (
          <section key={state} aria-label={HEADS[state]}>
            <h2 className={`is-${state}`}>{HEADS[state]}</h2>
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
              {units.say('weight', state.spreadLb ?? 0)} {run.label.name.toLowerCase()},{' '}
              {units.plain(((state.spreadLb ?? 0) / run.plannedLb) * 100, 0)} % of the plan
              {state.how === 'not-possible' && ', not weighed back'}
              {state.start.override &&
                `; started against ${state.start.reasons ?? 'a warning'}: ${state.start.override}`}
              {state.operator && `; ${state.operator}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
