import * as yup from 'yup';
import { isoDay, num, text, word } from '../../core/records/strict-schema';
import { checkShape } from '../../core/records/strict-schema';
import { TEXTURE_CLASSES } from '../../core/records/vocabularies';
import { isRefusal, type Refusal, refuse } from '../../core/reckoning/refusal';
import { addDays } from '../../core/days/day';
import { chanceOf } from '../chance';
import { LAYOUT_IDS } from './layout-list';
import { LAYOUTS } from './layouts';
import { analysed, ordinarySoil, type Soil } from './soil';

/** A bag handed in: its label, what the soil in it feels like, and how the report is wanted. No name of anybody. */
export const bagSchema = yup.object({
  code: text('Sample code', 24)
    .required('A bag needs its label.')
    .matches(/^[A-Z0-9][A-Z0-9-]*$/, 'Not a sample code.'),
  soilKey: num('Soil key', { min: 0, max: 2 ** 32 }).required(),
  texture: word('Texture', TEXTURE_CLASSES).required(),
  sampledOn: isoDay('Sampled on').required('Say when the cores were taken.'),
  depthIn: num('Depth', { above: 0, max: 12, unit: 'in' }).required('Say how deep the cores went.'),
  sentOn: isoDay('Sent on').required('Say when the bag was sent.'),
  layout: word('Layout', LAYOUT_IDS).required('Choose a layout of the report.'),
});
export type Bag = yup.InferType<typeof bagSchema>;

/** Working days of the simulated laboratory: five to nine days, always the same for the same bag. */
const QUICKEST_DAYS = 5;
const SLOWEST_DAYS = 9;

const seedOf = (bag: Bag): number =>
  [...bag.code].reduce((seed, letter) => Math.imul(seed, 31) + letter.charCodeAt(0), bag.soilKey) >>> 0;

export const turnaroundDays = (bag: Bag): number =>
  Math.round(chanceOf(seedOf(bag) ^ 0x5eed).between(QUICKEST_DAYS, SLOWEST_DAYS));

/** Takes a bag in. The receipt holds all the laboratory knows, so that it needs no memory of its own. */
export function handIn(given: unknown): { receipt: string; expectedOn: string } | Refusal {
  const bag = checkShape<Bag>(bagSchema as yup.Schema<Bag>, given);
  if (isRefusal(bag)) return bag;
  return {
    receipt: Buffer.from(JSON.stringify(bag)).toString('base64url'),
    expectedOn: addDays(bag.sentOn, turnaroundDays(bag)),
  };
}

export interface ReportFile {
  fileName: string;
  bytes: Uint8Array;
}

/** The report of a receipt, once its days have passed by the calendar of whoever asks. */
export async function collect(
  receipt: string,
  today: string,
  soils: ReadonlyMap<number, Soil> = new Map(),
): Promise<ReportFile | { notBefore: string } | Refusal> {
  let given: unknown;
  try {
    given = JSON.parse(Buffer.from(receipt, 'base64url').toString('utf8'));
  } catch {
    return refuse('receipt', 'The simulated laboratory does not know this receipt.');
  }
  const bag = checkShape<Bag>(bagSchema as yup.Schema<Bag>, given);
  if (isRefusal(bag)) return refuse('receipt', 'The simulated laboratory does not know this receipt.');
  const ready = addDays(bag.sentOn, turnaroundDays(bag));
  if (today < ready) return { notBefore: ready };
  const soil = soils.get(bag.soilKey) ?? ordinarySoil(bag.soilKey, bag.texture);
  const layout = LAYOUTS[bag.layout];
  const { code, sampledOn, depthIn } = bag;
  return {
    fileName: `simulated-laboratory-${code}.${layout.ending}`,
    bytes: await layout.bytes([{ code, sampledOn, depthIn, found: analysed(soil, seedOf(bag)) }]),
  };
}
