import { type Normals, normalsOf } from '@core/climate/normals';
import { isRefusal } from '@core/reckoning/refusal';
import { askWeather, type StationEntry, UNREACHED } from '../../work/weather-service';

/** Normals of a station's last whole years before a day. What is sent is the station and the days, nothing of the property. */
export async function stationNormals(
  station: string,
  years: number,
  today: string,
  signal?: AbortSignal,
): Promise<(Normals & { latitudeDeg: number; name: string }) | string> {
  const last = Number(today.slice(0, 4)) - 1;
  try {
    const query = new URLSearchParams({ station, from: `${last - years + 1}-01-01`, to: `${last}-12-31` });
    const answer = (await askWeather(`?${query}`, signal)) as
      | { station: StationEntry; daily: { date: string[]; highF: number[]; lowF: number[]; rainIn: number[] } }
      | { refused: string; field: string };
    if (isRefusal(answer)) return answer.refused;
    const { date, highF, lowF, rainIn } = answer.daily;
    const normals = normalsOf(
      date.map((day, i) => ({
        date: day,
        highF: highF[i] as number,
        lowF: lowF[i] as number,
        rainIn: rainIn[i] as number,
      })),
    );
    return isRefusal(normals)
      ? normals.refused
      : { ...normals, latitudeDeg: answer.station.latitudeDeg, name: answer.station.name };
  } catch {
    return UNREACHED;
  }
}
