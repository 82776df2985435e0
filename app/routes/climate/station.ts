import { type Normals, normalsOf } from '@core/climate/normals';
import { isRefusal } from '@core/reckoning/refusal';

/** A station of the simulated weather service. */
export interface StationEntry {
  id: string;
  name: string;
  latitudeDeg: number;
}

const UNREACHED =
  'The simulated weather service does not answer: the server of Ubertas is not running. Nothing was changed.';

const ask = async (query: string, signal?: AbortSignal): Promise<unknown> =>
  (await fetch(`/simulated-weather${query}`, { signal })).json();

/** The stations there are, or a sentence on why none can be told. */
export async function listStations(): Promise<StationEntry[] | string> {
  try {
    return ((await ask('')) as { stations: StationEntry[] }).stations;
  } catch {
    return UNREACHED;
  }
}

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
    const answer = (await ask(`?${query}`, signal)) as
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
