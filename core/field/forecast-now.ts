import { hoursBetween } from '../days/day';
import { hoursOf, type HourlyWeather, hourlyWeatherSchema, type WeatherHour } from '../climate/hourly-weather';
import { checkShape } from '../records/strict-schema';
import { isRefusal, type Refusal } from '../reckoning/refusal';

/** What was observed and what is to come, as it was told. */
export interface Forecast {
  observed?: HourlyWeather;
  forecast: HourlyWeather;
}

/** A forecast as a weather service answers it, or as it is kept together with what was observed before. */
export function forecastOfFile(json: unknown): Forecast | Refusal {
  const read = (of: unknown) => checkShape<HourlyWeather>(hourlyWeatherSchema as never, of);
  const both = json as { observed?: unknown; forecast?: unknown } | null;
  const forecast = read(both?.forecast ?? json);
  if (isRefusal(forecast)) return forecast;
  if (both?.observed === undefined) return { forecast };
  const observed = read(both.observed);
  return isRefusal(observed) ? observed : { observed, forecast };
}

/** Hours after which a forecast is named as old, and after which nothing of it counts. Common practice. */
const OLD_HOURS = 12;
const TOO_OLD_HOURS = 24;

/** A forecast seen from an hour. */
export interface ForecastNow {
  hours: WeatherHour[];
  /** Place of this hour among them; undefined where it does not reach it or is too old to count. */
  now: number | undefined;
  issued: string;
  station: Forecast['forecast']['station'];
  standing: 'fresh' | 'old' | 'too-old';
}

/** The kept forecast seen from this hour. One of 25 h ago is too old: nothing of it counts. */
export function forecastNow({ observed, forecast }: Forecast, hour: string): ForecastNow {
  const issued = forecast.issued ?? forecast.hourly.at[0] ?? hour;
  const age = hoursBetween(`${issued}:00`, `${hour}:00`);
  const hours = [...(observed ? hoursOf(observed) : []), ...hoursOf(forecast)];
  const place = hours.findIndex(({ at }) => at === hour);
  // a clock that was set back is before the forecast: what it says of this hour was observed then
  const standing = age > TOO_OLD_HOURS || age < 0 ? 'too-old' : age > OLD_HOURS ? 'old' : 'fresh';
  return {
    hours,
    now: place < 0 || standing === 'too-old' ? undefined : place,
    issued,
    station: forecast.station,
    standing,
  };
}
