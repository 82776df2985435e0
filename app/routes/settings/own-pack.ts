import { type PackDifferences, packDifferences } from '@core/packs/pack-diff';
import { PACK_KINDS, type PackFile, type PackKind, shippedPack } from '@core/packs/rule-packs';
import { isRefusal } from '@core/reckoning/refusal';
import { plain } from '@core/words/plain';

export const KIND_WORDS: Record<PackKind, string> = {
  grasses: 'Grasses',
  sufficiency: 'Sufficiency ranges',
  'minimum-levels': 'Minimum levels',
  'base-saturation': 'Base saturation',
  'local-codes': 'Local codes',
  'lime-fineness': 'Lime fineness',
};
export const KINDS = PACK_KINDS;

/** Against what ships, with the rows that an overlay leaves as they are left out. */
export function againstShipped(pack: PackFile): PackDifferences {
  const found = packDifferences(shippedPack(pack.kind as PackKind), pack);
  // both are of one kind
  if (isRefusal(found)) throw new Error(found.refused);
  return { ...found, rows: found.rows.filter((row) => row.change !== 'removed') };
}

/** A value of a pack in a few words; a text as it stands, nothing as 'none'. */
export function valueWords(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'none';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.map(valueWords).join(', ');
  if (typeof value === 'object') return Object.values(value).map(valueWords).join(', ');
  return plain(String(value));
}

/** Fields of packs in the words and units of the trade; what is not listed is shown by its key, opened. */
const FIELD_WORDS: Record<string, string> = {
  phLow: 'pH window from',
  phHigh: 'pH window to',
  phAim: 'pH aim',
  'nitrogenLb.low': 'low care, lb N a year',
  'nitrogenLb.standard': 'standard care, lb N a year',
  'nitrogenLb.high': 'high care, lb N a year',
  ceilingLb: 'ceiling, lb N a year',
  'mowIn.0': 'mown from, in',
  'mowIn.1': 'mown to, in',
  salineFromDsPerM: 'saline from, dS/m',
  low: 'low from, ppm',
  enough: 'enough from, ppm',
  high: 'high from, ppm',
  flagged: 'flagged from, ppm',
  toxic: 'harmful from, ppm',
  K: 'K, ppm',
  P: 'P, ppm',
  Ca: 'Ca, ppm',
  Mg: 'Mg, ppm',
  S: 'S, ppm',
  over8Mesh: 'over 8 mesh counts, %',
  mesh8to20: '8 to 20 mesh counts, %',
  mesh20to60: '20 to 60 mesh counts, %',
  under60Mesh: 'under 60 mesh counts, %',
};
export const fieldWords = (field: string): string =>
  FIELD_WORDS[field] ??
  field
    .replace(/([a-z])([A-Z0-9])/g, '$1 $2')
    .replaceAll(/[.-]/g, ' ')
    .toLowerCase();
