import * as yup from 'yup';
import { checkShape, isoDay, word } from '../../core/records/strict-schema';
import { isRefusal, type Refusal, refuse } from '../../core/reckoning/refusal';
import { climateYear, type ClimateYear } from '../../core/climate/climate-year';
import { addDays, dayOfYear, daysBetween } from '../../core/days/day';
import { chanceOf } from '../chance';
import { type Station, STATIONS } from './stations';

/** Days of one station, asked for as of an ordinary service. */
export const weatherAskedSchema = yup.object({
  station: word(
    'Station',
    STATIONS.map((s) => s.id),
  ).required('Say which station.'),
  from: isoDay('First day').required('Say the first day.'),
  to: isoDay('Last day').required('Say the last day.'),
});
type WeatherAsked = yup.InferType<typeof weatherAskedSchema>;

/** One list for each thing measured, all of the same length: a day stands at the same place in each. */
export interface DailyWeather {
  station: { id: string; name: string; latitudeDeg: number };
  units: { highF: 'deg F'; lowF: 'deg F'; rainIn: 'in' };
  daily: { date: string[]; highF: number[]; lowF: number[]; rainIn: number[] };
}

/** Most days of one answer: forty years. */
const MOST_DAYS = 14_700;
/** A day keeps this much of the day before's departure. Richardson 1981, Water Resources Research 17; value from memory. */
const PERSISTENCE = 0.65;
/** Days after which a departure is forgotten: 0.65 to the twelfth is under a hundredth. */
const MEMORY_DAYS = 12;
/** A whole year runs warm or cool by this, deg F. */
const YEAR_SCATTER_F = 1.3;
/** Rain of a usual wet day, in. Richardson 1981 scatters it by the exponential law; value from memory. */
const WET_DAY_IN = 0.33;
/** A wet day is cooler by day and milder by night, deg F. */
const WET_DAY_HIGH_F = -4;
const WET_DAY_LOW_F = 1.5;
/** High and low never come closer, deg F. */
const LEAST_SPAN_F = 3;
const EPOCH = '1990-01-01';

export const listStations = (): { id: string; name: string; latitudeDeg: number }[] =>
  STATIONS.map(({ id, name, latitudeDeg }) => ({ id, name, latitudeDeg }));

const seedOf = (station: Station): number =>
  [...station.id].reduce((seed, letter) => Math.imul(seed, 31) + letter.charCodeAt(0), 17);

function courseOf(station: Station, year: number): ClimateYear {
  return climateYear({ meanHighF: [...station.highF], meanLowF: [...station.lowF] } as never, year);
}

const tenth = (value: number): number => Math.round(value * 10) / 10;

/**
 * Daily weather of a simulated station. The same days are the same whatever range is asked for: each day's chance hangs on
 * the station and the day alone, and a day remembers the twelve before it.
 */
export function dailyWeather(given: unknown): DailyWeather | Refusal {
  const asked = checkShape<WeatherAsked>(weatherAskedSchema as yup.Schema<WeatherAsked>, given);
  if (isRefusal(asked)) return asked;
  const station = STATIONS.find((s) => s.id === asked.station) as Station;
  const count = daysBetween(asked.from, asked.to) + 1;
  if (count < 1) return refuse('to', 'The last day lies before the first.');
  if (count > MOST_DAYS) return refuse('to', `${count} days were asked for; ${MOST_DAYS} at most are given.`);
  const seed = seedOf(station);
  const first = daysBetween(EPOCH, asked.from);
  const shocks = Array.from({ length: count + MEMORY_DAYS }, (_, i) =>
    chanceOf(seed ^ Math.imul(first - MEMORY_DAYS + i, 0x9e3779b1)).scatter(),
  );
  const keep = Math.sqrt(1 - PERSISTENCE ** 2);
  const courses = new Map<number, ClimateYear & { departsF: number }>();
  const answer: DailyWeather = {
    station: { id: station.id, name: station.name, latitudeDeg: station.latitudeDeg },
    units: { highF: 'deg F', lowF: 'deg F', rainIn: 'in' },
    daily: { date: [], highF: [], lowF: [], rainIn: [] },
  };
  for (let i = 0; i < count; i++) {
    const date = addDays(asked.from, i);
    const year = Number(date.slice(0, 4));
    let course = courses.get(year);
    if (!course) {
      course = { ...courseOf(station, year), departsF: YEAR_SCATTER_F * chanceOf(seed + year * 7907).scatter() };
      courses.set(year, course);
    }
    const day = dayOfYear(date);
    let departs = 0;
    for (let back = 0; back <= MEMORY_DAYS; back++)
      departs += PERSISTENCE ** back * (shocks[i + MEMORY_DAYS - back] as number);
    const chance = chanceOf(seed ^ Math.imul(first + i, 0x85ebca6b));
    const month = Number(date.slice(5, 7)) - 1;
    const ofDay = (station.rainIn[month] as number) / 30.4;
    const wet = chance.between(0, 1) < Math.min(0.9, ofDay / WET_DAY_IN);
    const rain = wet ? -WET_DAY_IN * Math.log(1 - chance.between(0, 0.999)) : 0;
    const shared = station.scatterF * keep * departs + course.departsF;
    // what wet days take from the mean, dry days give back, so that the normals stay the station's
    const wetShare = Math.min(0.9, ofDay / WET_DAY_IN);
    const high = (course.highF[day] as number) + shared + ((wet ? 1 : 0) - wetShare) * WET_DAY_HIGH_F;
    const low = (course.lowF[day] as number) + shared * 0.8 + ((wet ? 1 : 0) - wetShare) * WET_DAY_LOW_F;
    answer.daily.date.push(date);
    answer.daily.highF.push(tenth(Math.max(high, low + LEAST_SPAN_F)));
    answer.daily.lowF.push(tenth(low));
    answer.daily.rainIn.push(Math.round(rain * 100) / 100);
  }
  return answer;
}
