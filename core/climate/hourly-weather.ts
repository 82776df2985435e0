import * as yup from 'yup';
import { isIsoDay } from '../days/day';
import { list, num, text } from '../records/strict-schema';

/** Hours of weather as a service gives them: one list for each thing, all of one length, local standard hours. */

/** Ten days, the most that is asked for or read. */
export const MOST_FORECAST_HOURS = 240;

/** '2027-09-06T05': a day and one of its hours. */
export const isIsoHour = (text: string): boolean =>
  /^\d{4}-\d\d-\d\dT([01]\d|2[0-3])$/.test(text) && isIsoDay(text.slice(0, 10));

const hourStamp = () =>
  text('Hour', 13).test('hour', 'An hour is written like 2027-09-06T05.', (v) => v === undefined || isIsoHour(v));
const each = (label: string, min: number, max: number, unit: string) =>
  list(label, num(label, { min, max, unit }).required(), MOST_FORECAST_HOURS).required();

export const hourlyWeatherSchema = yup
  .object({
    station: yup
      .object({
        id: text('Station', 60).required(),
        name: text('Station', 120).required(),
        latitudeDeg: num('Latitude', { min: -90, max: 90, unit: 'degrees' }).required(),
      })
      .required(),
    /** The hour a forecast was made in; absent where the hours were observed. */
    issued: hourStamp().optional(),
    units: yup.object().required(),
    hourly: yup
      .object({
        at: list('Hours', hourStamp().required(), MOST_FORECAST_HOURS).required(),
        tempF: each('Temperature', -80, 140, 'deg F'),
        rainIn: each('Rain', 0, 20, 'in'),
        rainChancePercent: each('Chance of rain', 0, 100, '%'),
        windMph: each('Wind', 0, 150, 'mph'),
        gustMph: each('Gusts', 0, 200, 'mph'),
        windFromDeg: each('Direction of the wind', 0, 360, 'degrees'),
        humidityPercent: each('Humidity', 0, 100, '%'),
        cloudPercent: each('Cloud', 0, 100, '%'),
      })
      .required()
      .test('one-length', 'The lists of the hours are not of one length.', (hourly) =>
        Object.values(hourly).every((values) => values.length === hourly.at.length),
      ),
  })
  .required();
export type HourlyWeather = Omit<yup.InferType<typeof hourlyWeatherSchema>, 'units'> & {
  units: Record<string, string>;
};

/** One hour. */
export interface WeatherHour {
  /** Local standard hour: '2027-09-06T05'. */
  at: string;
  tempF: number;
  rainIn: number;
  rainChancePercent: number;
  windMph: number;
  gustMph: number;
  humidityPercent: number;
}

/** The hours one by one. */
export const hoursOf = ({ hourly }: HourlyWeather): WeatherHour[] =>
  hourly.at.map((at, i) => ({
    at,
    tempF: hourly.tempF[i] as number,
    rainIn: hourly.rainIn[i] as number,
    rainChancePercent: hourly.rainChancePercent[i] as number,
    windMph: hourly.windMph[i] as number,
    gustMph: hourly.gustMph[i] as number,
    humidityPercent: hourly.humidityPercent[i] as number,
  }));
