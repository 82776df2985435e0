import { useMemo } from 'react';
import type { ForecastNow } from '@core/field/forecast-now';
import { jobHours, type JobHours, type JobHoursAsked } from '@core/field/job-hours';
import type { Job } from '@core/field/jobs';

interface HoursAsked extends Omit<JobHoursAsked, 'seen'> {
  forecast: ForecastNow | undefined;
  job: Job | undefined;
  day: JobHoursAsked['seen'];
}

/** The hours of the job in hand; `assumed` where nobody has looked at ground and turf yet. */
export function useHours({
  forecast,
  job,
  file,
  ground,
  day: { ground: seenGround, turf: seenTurf },
  operator,
  today,
  latitudeDeg,
  minutes,
}: HoursAsked): JobHours & { assumed: boolean } {
  const hours = useMemo(
    (): JobHours =>
      job
        ? jobHours(job, forecast, {
            file,
            ground,
            seen: {
              ...(seenGround === undefined ? {} : { ground: seenGround }),
              ...(seenTurf === undefined ? {} : { turf: seenTurf }),
            },
            operator,
            today,
            latitudeDeg,
            minutes,
          })
        : { verdicts: [], windows: [], until: undefined, weekEnds: today },
    [forecast, job, file, ground, seenGround, seenTurf, operator, today, latitudeDeg, minutes],
  );
  return { ...hours, assumed: seenGround === undefined || seenTurf === undefined };
}
