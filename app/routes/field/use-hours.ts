import { useMemo } from 'react';
import { goByHour, goUntil, hoursNeeded, type GoWindow, type HourVerdict, windowsOf } from '@core/field/hours';
import type { Job } from '@core/field/jobs';
import { materialOf } from '@core/field/material';
import type { ZoneGround } from '@core/ground/zone-ground';
import { addDays, type IsoDay } from '@core/days/day';
import type { Case } from '@core/records/case';
import type { Operator } from '@core/records/operator-schema';
import { goFactsOf, type TypedDay } from './day-facts';
import type { ForecastNow } from './field-forecast';

interface HoursAsked {
  forecast: ForecastNow | undefined;
  job: Job | undefined;
  file: Case;
  ground: ZoneGround | undefined;
  day: TypedDay;
  operator: Operator | undefined;
  today: IsoDay;
  latitudeDeg: number;
  /** How long the job takes. */
  minutes: number;
}

/**
 * The job by the hours of the forecast. Ground and turf are seen and not forecast: what was answered counts for today, for later days and
 * unanswered they are taken as firm and growing, and the page says so.
 */
export function useHours({ forecast, job, file, ground, day, operator, today, latitudeDeg, minutes }: HoursAsked): {
  verdicts: readonly HourVerdict[];
  windows: readonly GoWindow[];
  until: number | undefined;
  assumed: boolean;
  weekEnds: IsoDay;
} {
  const { ground: seenGround, turf: seenTurf } = day;
  const verdicts = useMemo(() => {
    if (!forecast || forecast.now === undefined || !job) return [];
    const from = forecast.hours[forecast.now]?.at ?? '';
    return goByHour(forecast.hours, from, latitudeDeg, (date) =>
      goFactsOf(
        job,
        file,
        ground,
        {
          ground: (date === today ? seenGround : undefined) ?? 'firm',
          turf: (date === today ? seenTurf : undefined) ?? 'growing',
          numbers: {},
        },
        {},
        operator,
        date,
      ),
    );
  }, [forecast, job, file, ground, seenGround, seenTurf, operator, today, latitudeDeg]);
  const weekEnds = job ? addDays(job.dose.date, 6) : today;
  return {
    verdicts,
    windows: job
      ? windowsOf(verdicts, hoursNeeded(minutes, materialOf(job.product, job.dose.for) === 'spray'), {
          weekFrom: job.dose.date,
          weekEnds,
          lastDay: job.lastDay,
        })
      : [],
    until: goUntil(verdicts),
    assumed: seenGround === undefined || seenTurf === undefined,
    weekEnds,
  };
}
