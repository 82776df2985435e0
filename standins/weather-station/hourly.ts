import * as yup from 'yup';
import { addDays, daysBetween } from '../../core/days/day';
import { type HourlyWeather, isIsoHour } from '../../core/climate/hourly-weather';
import { checkShape, num, text, word } from '../../core/records/strict-schema';
import { isRefusal, type Refusal, refuse } from '../../core/reckoning/refusal';
import { chanceOf } from '../chance';
import { type Station, STATIONS } from './stations';
import { dailyWeather } from './weather-station';

/**
 * Hours of a simulated station. The true hour hangs on the station and the hour alone, so every range agrees, and the hours of a day make
 * its high, its low and its rain to the last digit. A forecast is the truth with an error that grows with its lead. All of it is invented.
 */

const hour = (label: string) =>
  text(label, 13).test(
    'hour',
    `${label} must be an hour written like 2027-09-06T05.`,
    (v) => v === undefined || isIsoHour(v),
  );
const MOST_HOURS = 240;
export const hoursAskedSchema = yup.object({
  station: word(
    'Station',
    STATIONS.map((s) => s.id),
  ).required('Say which station.'),
  /** The hour in which the forecast is made, and its first one. */
  forecast: hour('Hour of the forecast').optional(),
  /** First hour of what was observed. */
  observed: hour('First hour').optional(),
  hours: num('Hours', { min: 1, max: MOST_HOURS, integer: true, unit: 'h' }).required('Say how many hours.'),
});
type HoursAsked = yup.InferType<typeof hoursAskedSchema>;

const TOP_HOUR = 15;
const LOW_HOUR = 3;
/** Share of the way from one turning point of the day to the next, along a cosine. */
const along = (from: number, to: number, at: number) => (1 - Math.cos((Math.PI * (at - from)) / (to - from))) / 2;
const tenth = (value: number): number => Math.round(value * 10) / 10;

const EPOCH = '1990-01-01';
const seedOf = (station: Station, day: number, kind: number): number =>
  [...station.id].reduce((seed, letter) => Math.imul(seed, 31) + letter.charCodeAt(0), 17 + kind) ^
  Math.imul(day, 0x9e3779b1);

/** A stretch of rain: first hour counted from the first day, and hundredths of an inch in each hour. */
interface Spell {
  from: number;
  hundredths: number[];
}

/** A day's rain in one to three spells that add to it in whole hundredths. */
function spellsOf(station: Station, day: number, rainIn: number, start: number): Spell[] {
  const total = Math.round(rainIn * 100);
  if (total === 0) return [];
  const chance = chanceOf(seedOf(station, day, 3));
  const count = Math.min(total, 1 + Math.floor(chance.between(0, 3)));
  // each in its own part of the day, so that none runs into another
  const part = Math.floor(24 / count);
  const shares = Array.from({ length: count }, () => chance.between(0.3, 1));
  const sum = shares.reduce((a, b) => a + b, 0);
  let left = total;
  return shares.flatMap((share, i): Spell[] => {
    const amount = i === count - 1 ? left : Math.min(left, Math.round((total * share) / sum));
    left -= amount;
    if (amount === 0) return [];
    const hours = Math.min(amount, part, 1 + Math.floor(chance.between(0, Math.min(part, 6))));
    const from = start + i * part + Math.floor(chance.between(0, part - hours + 1));
    return [
      {
        from,
        hundredths: Array.from(
          { length: hours },
          (_, h) => Math.floor((amount * (h + 1)) / hours) - Math.floor((amount * h) / hours),
        ),
      },
    ];
  });
}

/** Relative humidity from temperature and dew point, both deg F, by Magnus' formula (Alduchov & Eskridge 1996; values from memory). */
function humidity(airF: number, dewF: number): number {
  const pressure = (f: number) => {
    const c = ((f - 32) * 5) / 9;
    return Math.exp((17.625 * c) / (243.04 + c));
  };
  return Math.min(100, Math.max(5, (100 * pressure(Math.min(dewF, airF))) / pressure(airF)));
}

interface Truth {
  tempF: number[];
  windMph: number[];
  gustShare: number[];
  windFromDeg: number[];
  dewF: number[];
  cloudPercent: number[];
  spells: Spell[];
}

/** The true hours of whole days. */
function truthOf(station: Station, first: string, days: number): Truth {
  const daily = dailyWeather({ station: station.id, from: addDays(first, -1), to: addDays(first, days) });
  if (isRefusal(daily)) throw new Error(daily.refused);
  const { highF, lowF, rainIn } = daily.daily;
  const truth: Truth = {
    tempF: [],
    windMph: [],
    gustShare: [],
    windFromDeg: [],
    dewF: [],
    cloudPercent: [],
    spells: [],
  };
  for (let d = 0; d < days; d++) {
    const day = daysBetween(EPOCH, first) + d;
    const at = (list: readonly number[], by = 0) => list[d + 1 + by] as number;
    const [high, low] = [at(highF), at(lowF)];
    const chance = chanceOf(seedOf(station, day, 1));
    const strength = station.windMph * Math.exp(0.4 * chance.scatter());
    const [from, cloud] = [chance.between(0, 360), at(rainIn) > 0 ? 80 : chance.between(0, 70)];
    truth.spells.push(...spellsOf(station, day, at(rainIn), d * 24));
    for (let h = 0; h < 24; h++) {
      const of = chanceOf(seedOf(station, day * 24 + h, 2));
      const before = at(highF, -1) + (low - at(highF, -1)) * along(TOP_HOUR - 24, LOW_HOUR, h);
      const rising = low + (high - low) * along(LOW_HOUR, TOP_HOUR, h);
      const after = high + (at(lowF, 1) - high) * along(TOP_HOUR, LOW_HOUR + 24, h);
      const air = h < LOW_HOUR ? before : h <= TOP_HOUR ? rising : after;
      truth.tempF.push(tenth(Math.min(high, Math.max(low, air))));
      const bump = Math.max(0, Math.cos((Math.PI * (h - TOP_HOUR)) / 12));
      truth.windMph.push(tenth(strength * (0.5 + 0.5 * bump) * of.between(0.9, 1.1)));
      truth.gustShare.push(of.between(1.3, 1.8));
      truth.windFromDeg.push(Math.round(from + of.between(-20, 20) + 360) % 360);
      truth.dewF.push(low - station.dewBelowLowF);
      truth.cloudPercent.push(Math.round(cloud));
    }
  }
  return truth;
}

/** Hundredths of an inch of rain in each hour. */
function rainByHour(spells: readonly Spell[], hours: number): number[] {
  const rain = Array.from({ length: hours }, () => 0);
  for (const { from, hundredths } of spells)
    hundredths.forEach((amount, i) => {
      if (from + i >= 0 && from + i < hours) rain[from + i] = (rain[from + i] as number) + amount;
    });
  return rain;
}

/** Spells of a forecast are moved by up to so many hours, and dropped or invented with this chance, by days of lead. */
const shiftHours = (leadDays: number) => Math.round(1 + leadDays);
const missChance = (leadDays: number) => Math.min(0.5, 0.03 * leadDays);

/** Hours as an ordinary service gives them: a forecast from the hour it is made in, or what was observed. */
export function hourlyWeather(given: unknown): HourlyWeather | Refusal {
  const asked = checkShape<HoursAsked>(hoursAskedSchema as yup.Schema<HoursAsked>, given);
  if (isRefusal(asked)) return asked;
  if ((asked.forecast === undefined) === (asked.observed === undefined))
    return refuse('forecast', 'Say the hour of a forecast or the first hour observed, one of them.');
  const station = STATIONS.find((s) => s.id === asked.station) as Station;
  const first = (asked.forecast ?? asked.observed) as string;
  const [day, start] = [first.slice(0, 10), Number(first.slice(11, 13))];
  const days = Math.ceil((start + asked.hours) / 24) + 1;
  const truth = truthOf(station, day, days);
  const isForecast = asked.forecast !== undefined;
  const issue = daysBetween(EPOCH, day) * 24 + start;
  const leadOf = (hourOfRange: number) => Math.max(0, (hourOfRange - start) / 24);
  const told: (Spell & { chance: number; shift: number })[] = truth.spells.flatMap((spell, i) => {
    if (!isForecast) return [{ ...spell, chance: 1, shift: 0 }];
    const lead = leadOf(spell.from);
    const chance = chanceOf(seedOf(station, issue, 11) ^ Math.imul(i + 1, 0x27d4eb2f));
    if (chance.between(0, 1) < missChance(lead)) return [];
    const shift = shiftHours(lead);
    const by = Math.round(chance.between(-shift - 0.49, shift + 0.49));
    return [{ ...spell, from: spell.from + by, chance: 1 - missChance(lead), shift }];
  });
  if (isForecast)
    for (let d = 0; d < days; d++) {
      const chance = chanceOf(seedOf(station, issue, 12) ^ Math.imul(d + 1, 0x165667b1));
      const lead = leadOf(d * 24 + 12);
      // about as many are invented as are dropped
      if (chance.between(0, 1) < missChance(lead) * 0.4)
        told.push({
          from: d * 24 + Math.floor(chance.between(0, 22)),
          hundredths: [5, 10, 5],
          chance: 1 - missChance(lead),
          shift: shiftHours(lead),
        });
    }
  const rain = rainByHour(told, days * 24);
  /** How likely it rains in an hour, by the rule above: the share of the shifts that bring a spell over it. */
  const chanceAt = (hourOfRange: number): number =>
    Math.max(
      isForecast ? missChance(leadOf(hourOfRange)) * 0.1 : 0,
      ...told.map(({ from, hundredths, chance, shift }) => {
        const shifts = Array.from({ length: 2 * shift + 1 }, (_, k) => k - shift);
        const over = shifts.filter((by) => hourOfRange >= from + by && hourOfRange < from + by + hundredths.length);
        return chance * (over.length / shifts.length);
      }),
    );
  const answer: HourlyWeather = {
    station: { id: station.id, name: station.name, latitudeDeg: station.latitudeDeg },
    ...(isForecast ? { issued: first } : {}),
    units: {
      tempF: 'deg F',
      rainIn: 'in',
      rainChancePercent: '%',
      windMph: 'mph',
      gustMph: 'mph',
      windFromDeg: 'degrees',
      humidityPercent: '%',
      cloudPercent: '%',
    },
    hourly: {
      at: [],
      tempF: [],
      rainIn: [],
      rainChancePercent: [],
      windMph: [],
      gustMph: [],
      windFromDeg: [],
      humidityPercent: [],
      cloudPercent: [],
    },
  };
  const { hourly } = answer;
  for (let i = 0; i < asked.hours; i++) {
    const at = start + i;
    const lead = leadOf(at);
    const dayOf = Math.floor(at / 24);
    const off = chanceOf(seedOf(station, issue, 13) ^ Math.imul(dayOf + 1, 0x85ebca6b));
    const [warmer, windier] = isForecast
      ? [off.scatter() * (1 + 0.5 * lead), off.scatter() * (0.1 + 0.04 * lead)]
      : [0, 0];
    const of = (list: readonly number[]) => list[at] as number;
    const tempF = tenth(of(truth.tempF) + warmer);
    const wet = (rain[at] as number) > 0;
    const windMph = tenth(Math.max(0, of(truth.windMph) * Math.max(0.5, 1 + windier)));
    hourly.at.push(`${addDays(day, dayOf)}T${String(at % 24).padStart(2, '0')}`);
    hourly.tempF.push(tempF);
    hourly.rainIn.push((rain[at] as number) / 100);
    hourly.rainChancePercent.push(Math.round(100 * chanceAt(at)));
    hourly.windMph.push(windMph);
    hourly.gustMph.push(tenth(windMph * of(truth.gustShare)));
    hourly.windFromDeg.push(of(truth.windFromDeg));
    hourly.humidityPercent.push(
      Math.round(wet ? Math.max(92, humidity(tempF, of(truth.dewF))) : humidity(tempF, of(truth.dewF))),
    );
    hourly.cloudPercent.push(wet ? 100 : of(truth.cloudPercent));
  }
  return answer;
}
