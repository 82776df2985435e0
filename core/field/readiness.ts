import { LEAST_GROWTH } from '../climate/climate-year';
import { dayAt, dayOfYear, daysBetween, type IsoDay } from '../days/day';
import { isFoliarPurpose } from '../foliar/foliar-feeds';
import { lastDayOn } from '../log/applied';
import { recordsOf } from '../log/versions';
import { microbeDriven } from '../nitrogen/forms';
import type { Case, SeenWord } from '../records/case';
import { SECOND_AFTER_DAYS } from '../season/rules/establishment';
import { MICROBES_WORK_FROM_F } from '../season/rules/limits';
import { sayDay } from '../words/days';
import { trimmed } from '../words/numbers';
import type { GoFacts } from './go';
import type { Job } from './jobs';
import { carriedBy } from './material';

/** Whether turf and soil are ready for a job, by the records, the thermometer and the season; what is seen on the spot beats it. */

/** A thermometer says so long what the soil is, days. */
const PROBE_HOLDS_DAYS = 2;
/** After so long a stand is no longer told to be young, days. */
const YOUNG_DAYS = 90;
/** A starter may come so many days after the sowing and is a starter still. */
const STARTER_DAYS = 7;
/** Soil at which somebody tries whether the ground is open, deg F at 3 in. Common practice. */
const TRY_GROUND_UNDER_F = 38;

/** Soil of a day where a job is, deg F: a thermometer of these two days, else the curve of the season. */
export function soilOn({ zone, soilF }: Pick<Job, 'zone' | 'soilF'>, day: IsoDay): number | undefined {
  const probes = (zone.readings ?? [])
    .filter(({ on, instrument, simulated }) => {
      const ago = daysBetween(on, day);
      return instrument === 'soil-thermometer' && !simulated && ago >= 0 && ago <= PROBE_HOLDS_DAYS;
    })
    .sort((a, b) => b.on.localeCompare(a.on));
  return probes[0]?.value ?? soilF[dayOfYear(day)];
}

/** A disease that somebody saw is asked about so long, days. Common practice. */
const SICK_DAYS = 14;
/** What feeds the leaf goes on a day after the mowing at the earliest, days. Common practice. */
const AFTER_MOWING_DAYS = 1;

/** What the log says of the stand: mown lately, diseased lately. */
function loggedFacts({ zone, dose }: Job, file: Pick<Case, 'records'>, today: IsoDay): Partial<GoFacts> {
  const records = recordsOf(file.records ?? []).filter(({ body }) => body.date <= today);
  const mown = lastDayOn(records, zone.id, ({ body }) => body.kind === 'mowing');
  const seen = (word: SeenWord) =>
    lastDayOn(records, zone.id, ({ body }) => body.facts?.words?.includes(word) === true);
  const [sick, well] = [seen('disease active'), seen('disease over')];
  const isSick = sick !== undefined && daysBetween(sick, today) < SICK_DAYS && (well === undefined || well < sick);
  return {
    ...(isFoliarPurpose(dose.for) && mown !== undefined
      ? { daysSinceMown: Math.min(400, daysBetween(mown, today)), leastDaysSinceMown: AFTER_MOWING_DAYS }
      : {}),
    ...(isSick ? { disease: 'not-known' as const } : {}),
  };
}

/** Soil and stand as the verdict asks for them; nothing where neither bears on the job. */
export function readyFacts(job: Job, file: Pick<Case, 'records'>, today: IsoDay): Partial<GoFacts> {
  const { product, zone, dose } = job;
  const feeds = (product.guaranteed.N ?? 0) > 0;
  const microbes = carriedBy(product) === 'sulfur' || (feeds && microbeDriven(product));
  const soilF = microbes ? soilOn(job, today) : undefined;
  const sown = zone.state === undefined || zone.state === 'established' ? undefined : zone.seededOn;
  const since = sown === undefined ? undefined : daysBetween(sown, today);
  const isStarter = sown !== undefined && Math.abs(daysBetween(sown, dose.date)) <= STARTER_DAYS;
  return {
    ...loggedFacts(job, file, today),
    ...(soilF === undefined ? {} : { soilF, leastSoilF: MICROBES_WORK_FROM_F }),
    ...(feeds && !isStarter && since !== undefined && since >= 0 && since <= YOUNG_DAYS
      ? { daysSinceSown: since, leastDaysSown: SECOND_AFTER_DAYS.least }
      : {}),
  };
}

/** What the season of a usual year says of the questions that somebody on the spot answers: it only says whether to look twice. */
export interface ReadyHints {
  turf?: string;
  ground?: string;
}

/**
 * Hints beside the questions, by the climate's normals.
 *
 * @example readyHints(job, '2027-03-10').turf // 'By the climate’s normals it still wakes: two mowings of grass by 12 Apr.'
 */
export function readyHints({ zone, zoneSeason, soilF }: Job, today: IsoDay): ReadyHints {
  const { season, grass } = zoneSeason;
  if (!season) return {};
  const place = dayOfYear(today);
  const year = Number(today.slice(0, 4));
  const soil = soilF[place];
  const { twoMowings, fullGreen, growth } = season;
  const by = (day: number) => sayDay(dayAt(year, day));
  const rests = (growth[place] ?? 0) < LEAST_GROWTH;
  const turf =
    grass.season === 'cool' && twoMowings !== undefined && place < twoMowings
      ? `By the climate’s normals it still wakes: two mowings of grass by ${by(twoMowings)}.`
      : grass.season === 'warm' && fullGreen !== undefined && place < fullGreen
        ? `By the climate’s normals it is not fully green before ${by(fullGreen)}.`
        : rests
          ? 'By the climate’s normals it rests now.'
          : zone.irrigated
            ? undefined
            : 'Not watered: look for a blue-gray cast and footprints that stay.';
  const ground = season.frozen[place]
    ? 'In a usual year the ground is frozen now: a screwdriver goes in 4 in, or nothing goes down.'
    : soil !== undefined && soil < TRY_GROUND_UNDER_F
      ? `The soil is near ${trimmed(soil, 0)} deg F in a usual year: does a screwdriver go in 4 in?`
      : undefined;
  return { ...(turf ? { turf } : {}), ...(ground ? { ground } : {}) };
}
