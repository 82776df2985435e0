import { addDays, type IsoDay } from '../days/day';
import type { ZoneGround } from '../ground/zone-ground';
import type { Case } from '../records/case';
import type { Operator } from '../records/operator-schema';
import { goFactsOf, type SeenDay } from './day-facts';
import type { ForecastNow } from './forecast-now';
import type { GoFacts } from './go';
import { goByHour, goUntil, type GoWindow, hoursNeeded, type HourVerdict, windowsOf } from './hours';
import type { Job } from './jobs';
import { materialOf, wateringIn } from './material';
import { hoursToWater } from './water-task';

export interface JobHoursAsked {
  file: Case;
  ground: ZoneGround | undefined;
  seen: Pick<SeenDay, 'ground' | 'turf' | 'disease'>;
  operator: Operator | undefined;
  today: IsoDay;
  latitudeDeg: number;
  /** How long the job takes. */
  minutes: number;
}

export interface JobHours {
  verdicts: readonly HourVerdict[];
  windows: readonly GoWindow[];
  /** The hour of today until which it is go; undefined where it is not now. */
  until: number | undefined;
  weekEnds: IsoDay;
}

/** When what is spread at an hour of the forecast would be watered in, as the verdict asks for it. */
export function waterFactsAt(job: Job, { codes = [] }: Case, { hours }: ForecastNow, place: number): Partial<GoFacts> {
  const water = wateringIn(job.product);
  const until = water && hoursToWater(job.zone, water.depthIn, codes, hours, place);
  return until === undefined ? {} : { hoursToWater: until };
}

/**
 * A job by the hours of a forecast. Ground and turf are seen and not forecast: what was answered counts for today, for later days and
 * unanswered they are taken as firm and growing; whoever shows it says so.
 */
export function jobHours(
  job: Job,
  forecast: ForecastNow | undefined,
  { file, ground, seen, operator, today, latitudeDeg, minutes }: JobHoursAsked,
): JobHours {
  const from = forecast?.now === undefined ? undefined : forecast.hours[forecast.now]?.at;
  const verdicts =
    !forecast || from === undefined
      ? []
      : goByHour(
          forecast.hours,
          from,
          latitudeDeg,
          (date) => {
            const answered = date === today ? seen : {};
            const taken = {
              ground: answered.ground ?? 'firm',
              turf: answered.turf ?? 'growing',
              label: 'with-me',
              disease: answered.disease ?? 'over',
            } as const;
            return goFactsOf(job, file, ground, taken, {}, operator, date);
          },
          (place) => waterFactsAt(job, file, forecast, place),
          job.product.rainfastHours,
        );
  const weekEnds = addDays(job.dose.date, 6);
  const needed = hoursNeeded(minutes, materialOf(job.product, job.dose.for) === 'spray', job.product.rainfastHours);
  return {
    verdicts,
    windows: windowsOf(verdicts, needed, { weekFrom: job.dose.date, weekEnds, lastDay: job.lastDay }),
    until: goUntil(verdicts),
    weekEnds,
  };
}
