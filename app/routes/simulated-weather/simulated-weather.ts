import { isRefusal } from '@core/reckoning/refusal';
import { hourlyWeather } from '../../../standins/weather-station/hourly';
import { dailyWeather, listStations } from '../../../standins/weather-station/weather-station';
import type { Route } from './+types/simulated-weather';

/** The simulated weather service: without a question its stations, with one the days of a station, or its hours. */
export function loader({ request }: Route.LoaderArgs) {
  const query = new URL(request.url).searchParams;
  if (!query.has('station')) return Response.json({ stations: listStations() });
  const { hours, ...asked } = Object.fromEntries(query);
  const answer = hours === undefined ? dailyWeather(asked) : hourlyWeather({ ...asked, hours: Number(hours) });
  return Response.json(answer, { status: isRefusal(answer) ? 400 : 200 });
}
