import { checkShape } from '@core/records/strict-schema';
import { type HourlyWeather, hourlyWeatherSchema } from '@core/climate/hourly-weather';
import { type Forecast, forecastOfFile } from '@core/field/forecast-now';
import { isRefusal } from '@core/reckoning/refusal';
import { addDays } from '@core/days/day';

/** A station of the simulated weather service. */
export interface StationEntry {
  id: string;
  name: string;
  latitudeDeg: number;
}

export const UNREACHED =
  'The simulated weather service does not answer: the server of Ubertas is not running. Nothing was changed.';

export const askWeather = async (query: string, signal?: AbortSignal): Promise<unknown> =>
  (await fetch(`/simulated-weather${query}`, { signal })).json();

/** The stations there are, or a sentence on why none can be told. */
export async function listStations(): Promise<StationEntry[] | string> {
  try {
    return ((await askWeather('')) as { stations: StationEntry[] }).stations;
  } catch {
    return UNREACHED;
  }
}

/** Hours seen before a forecast: what has rained on the leaf and on the ground. */
const OBSERVED_HOURS = 48;
const FORECAST_HOURS = 240;

/** Where the forecast of a property is kept in this browser. */
export const forecastNote = (propertyId: string): string => `forecast/${propertyId}`;

const hourly = (answer: unknown): HourlyWeather | string => {
  if (isRefusal(answer)) return answer.refused;
  const read = checkShape<HourlyWeather>(hourlyWeatherSchema as never, answer);
  return isRefusal(read) ? `The weather service answered what cannot be read: ${read.refused}` : read;
};

/**
 * Ten days by the hour from this one on, and the two days before it; a sentence where there are none. What is sent is the station and
 * the hours, nothing of the property.
 *
 * @param hour this hour: '2027-09-06T05'
 */
export async function forecastOf(station: string, hour: string): Promise<Forecast | string> {
  const since = `${addDays(hour.slice(0, 10), -OBSERVED_HOURS / 24)}${hour.slice(10)}`;
  const query = (of: Record<string, string>) => `?${new URLSearchParams({ station, ...of })}`;
  try {
    const [observed, forecast] = (
      await Promise.all([
        askWeather(query({ observed: since, hours: String(OBSERVED_HOURS) })),
        askWeather(query({ forecast: hour, hours: String(FORECAST_HOURS) })),
      ])
    ).map(hourly) as [HourlyWeather | string, HourlyWeather | string];
    if (typeof observed === 'string') return observed;
    return typeof forecast === 'string' ? forecast : { observed, forecast };
  } catch {
    return UNREACHED;
  }
}

/** A forecast as this browser kept it; nothing where it is none. */
export function forecastFrom(note: string | undefined): Forecast | undefined {
  if (note === undefined) return undefined;
  try {
    const kept = forecastOfFile(JSON.parse(note));
    return isRefusal(kept) ? undefined : kept;
  } catch {
    return undefined;
  }
}
