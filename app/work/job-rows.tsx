import './job-rows.css';
import type { ReactNode } from 'react';
import type { Job, JobState } from '@core/field/jobs';
import { addDays } from '@core/days/day';
import { faceOf } from '@core/products/label/face';
import { asTaken, densityOf } from '@core/products/as-weighed';
import { sayDay, sayWeekday } from '@core/words/days';
import { amountOut } from './amount-out';
import { useUnits } from '../ui/format';
import { Mark } from '../ui/marks';

/** What each state of a job is called, over its rows. */
export const JOB_HEADS: Record<JobState, string> = {
  running: 'Under way',
  'weigh-back': 'Weigh back is missing',
  late: 'Late',
  due: 'Due',
  upcoming: 'Upcoming',
  later: 'Later',
  missed: 'Missed',
  skipped: 'Not done, by decision',
  done: 'Done',
};

/** When a job is to be done, or since when it is: '3 days late, to 18 Apr'. */
export function jobWhen(job: Job): string {
  switch (job.state) {
    case 'late':
      return `${job.daysLate} ${job.daysLate === 1 ? 'day' : 'days'} late, to ${sayDay(job.lastDay)}`;
    case 'due':
      return `to ${sayDay(addDays(job.dose.date, 6))}`;
    case 'skipped':
      return job.skippedFor ?? '';
    case 'missed':
      return `was to ${sayDay(job.lastDay)}`;
    case 'running':
      return `since ${job.runState?.startedAt.slice(11, 16) ?? ''}`;
    default:
      return sayWeekday(job.dose.date);
  }
}

/** One job: its mark, zone, amount and day. */
export function JobRow({ job, children }: { job: Job; children?: ReactNode }) {
  const units = useUnits();
  const density = densityOf(job.product);
  return (
    <>
      <svg width="26" height="26" viewBox="0 0 26 26" aria-hidden="true">
        <Mark
          purpose={job.dose.for}
          x={13}
          y={13}
          d={17}
          state={job.state === 'due' || job.state === 'running' ? 'due' : 'planned'}
        />
        {(job.state === 'missed' || job.state === 'skipped') && (
          <path d="M3 23L23 3" stroke={job.state === 'missed' ? 'var(--clay)' : 'var(--loam)'} strokeWidth="1.8" />
        )}
      </svg>
      <span>
        <b>{job.zone.name}</b>
        <span className="small">
          {amountOut(units, density, '').say(asTaken(job.dose.zoneLb, job.product))} {job.product.name.toLowerCase()}{' '}
          {faceOf(job.product)}
        </span>
        <span className="small">{jobWhen(job)}</span>
        {children}
      </span>
    </>
  );
}
