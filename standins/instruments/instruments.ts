import * as yup from 'yup';
import { checkShape, isoDay, num, word } from '../../core/records/strict-schema';
import { INSTRUMENTS } from '../../core/records/vocabularies';
import { TEXTURE_CLASSES } from '../../core/records/vocabularies';
import { isRefusal, type Refusal } from '../../core/reckoning/refusal';
import { chanceOf } from '../chance';
import { ordinarySoil, type Soil } from '../laboratory/soil';
import { roundedTo } from '../../core/words/numbers';

/** A hand instrument put into the ground of a zone, for the nth time on a day. */
export const dipSchema = yup.object({
  instrument: word('Instrument', INSTRUMENTS).required(),
  soilKey: num('Soil key', { min: 0, max: 2 ** 32 }).required(),
  texture: word('Texture', TEXTURE_CLASSES).required(),
  on: isoDay('Day').required(),
  dip: num('Dip', { min: 0, max: 10_000, integer: true }).required(),
  /** Mean air temperature of the season there, deg F; a thermometer needs it. */
  airF: num('Air temperature', { min: -60, max: 130, unit: 'deg F' }).optional(),
});
type Dip = yup.InferType<typeof dipSchema>;

/** Scatter of a hand pen, pH, and of a probe thermometer, deg F: coarser than any laboratory. */
const PEN_SCATTER = 0.15;
const PROBE_SCATTER_F = 1.2;
const NO_CLIMATE_F = 60;

/** What the simulated instrument shows: to a tenth of a pH, to half a degree. */
export function readInstrument(
  given: unknown,
  soils: ReadonlyMap<number, Soil> = new Map(),
): { value: number } | Refusal {
  const dip = checkShape<Dip>(dipSchema as yup.Schema<Dip>, given);
  if (isRefusal(dip)) return dip;
  const day = [...dip.on].reduce((seed, letter) => Math.imul(seed, 31) + letter.charCodeAt(0), dip.soilKey);
  const scatter = chanceOf(day + dip.dip * 7919).scatter();
  if (dip.instrument === 'soil-thermometer')
    return { value: Math.round(2 * ((dip.airF ?? NO_CLIMATE_F) + PROBE_SCATTER_F * scatter)) / 2 };
  const soil = soils.get(dip.soilKey) ?? ordinarySoil(dip.soilKey, dip.texture);
  return { value: roundedTo(Math.min(9, Math.max(3.5, soil.ph + PEN_SCATTER * scatter)), 1) };
}
