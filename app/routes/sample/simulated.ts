import type { Property, Sample, Zone } from '@core/records/case';
import type { Instrument } from '@core/records/vocabularies';
import { isRefusal } from '@core/reckoning/refusal';
import { dayOfYear } from '@core/days/day';
import type { LayoutId } from '../../../standins/laboratory/layout-list';
import { soilKey } from '../../../standins/soil-key';

const post = async (path: string, body: unknown): Promise<unknown> => {
  const response = await fetch(path, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  });
  return response.json();
};
const UNREACHED =
  'The simulated laboratory does not answer: the server of Ubertas is not running. Nothing was changed.';

/** Hands a bag in. What leaves the browser is the label, the texture and a number for the ground; no name. */
export async function handInBag(
  fileId: string,
  zone: Zone,
  sample: Sample,
  layout: LayoutId,
  today: string,
): Promise<{ receipt: string; expectedOn: string } | string> {
  try {
    const answer = (await post('/simulated-laboratory', {
      code: sample.code,
      soilKey: soilKey(fileId, zone.id),
      texture: zone.texture,
      sampledOn: sample.takenOn ?? today,
      depthIn: sample.depthIn ?? 4,
      sentOn: today,
      layout,
    })) as { receipt: string; expectedOn: string } | { refused: string; field: string };
    return isRefusal(answer) ? answer.refused : answer;
  } catch {
    return UNREACHED;
  }
}

/** Fetches the report of a receipt as it stands on a day, or says when it will be there. */
export async function fetchReport(receipt: string, today: string): Promise<File | { notBefore: string } | string> {
  try {
    const query = new URLSearchParams({ receipt, today });
    const answer = (await (await fetch(`/simulated-laboratory?${query}`)).json()) as
      { fileName: string; base64: string } | { notBefore: string } | { refused: string; field: string };
    if (isRefusal(answer)) return answer.refused;
    if ('notBefore' in answer) return answer;
    const bytes = Uint8Array.from(atob(answer.base64), (letter) => letter.charCodeAt(0));
    return new File([bytes], answer.fileName);
  } catch {
    return UNREACHED;
  }
}

/** Air of the day, from the monthly course of the property's climate; undefined without one. */
function airOn(property: Property, day: string): number | undefined {
  const { climate } = property;
  if (!climate) return undefined;
  const month = Math.min(11, Math.floor((dayOfYear(day) / 365) * 12));
  return ((climate.meanHighF[month] ?? 60) + (climate.meanLowF[month] ?? 60)) / 2;
}

/** Puts a simulated instrument into the ground. */
export async function dipInstrument(
  { property, fileId }: { property: Property; fileId: string },
  zone: Zone,
  instrument: Instrument,
  on: string,
  dip: number,
): Promise<number | string> {
  try {
    const airF = airOn(property, on);
    const answer = (await post('/simulated-instruments', {
      instrument,
      soilKey: soilKey(fileId, zone.id),
      texture: zone.texture,
      on,
      dip,
      ...(airF === undefined ? {} : { airF }),
    })) as { value: number } | { refused: string; field: string };
    return isRefusal(answer) ? answer.refused : answer.value;
  } catch {
    return 'The simulated instrument does not answer: the server of Ubertas is not running.';
  }
}
