import type { GrassId, Method, TextureClass } from '../records/vocabularies';
import { TEXTURE_CLASSES } from '../records/vocabularies';
import { groupOfTexture, type TextureGroup } from '../ground/texture-groups';
import type { RulePacks } from '../packs/rule-packs';
import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';
import { SALINITY_METHODS } from '../records/methods';

export type SalinityMethod = (typeof SALINITY_METHODS)[number];

/** A third either way: how far an extract may be from the paste it stands for (A3). */
const UNSURE_BY = 1 / 3;

/** ECe over EC of 1:1 and 1:2, by texture group (A3). Dahnke & Whitney 1988 and extension tables; from memory, 1:2 unsure by a third. */
const BY_GROUP: Record<'water-1:1' | 'water-1:2', Record<TextureGroup, number>> = {
  'water-1:1': { sand: 1.8, loam: 1.6, clay: 1.4 },
  'water-1:2': { sand: 3.2, loam: 2.6, clay: 2.2 },
};
/** ECe over EC of 1:5, by texture class (A3). State tables after Slavich & Petterson 1993; from memory. */
const ONE_TO_FIVE: Record<TextureClass, number> = {
  sand: 17,
  'loamy-sand': 17,
  'sandy-loam': 14,
  'sandy-clay-loam': 10,
  loam: 10,
  'silt-loam': 10,
  silt: 10,
  'clay-loam': 9,
  'silty-clay-loam': 9,
  'sandy-clay': 7,
  'silty-clay': 7,
  clay: 7,
};

const toEce = (method: SalinityMethod, texture: TextureClass): number =>
  method === 'saturated-paste'
    ? 1
    : method === 'water-1:5'
      ? ONE_TO_FIVE[texture]
      : BY_GROUP[method][groupOfTexture(texture)];

/** Salinity of an extract brought to the saturated paste, dS/m. 3.0 in 1:2 on sandy loam: 7.8, between 5.2 and 10.4. */
export const soilEce = defineReckoning({
  id: 'soil.ece',
  title: 'Salinity as the saturated paste',
  about:
    'What tables of tolerance mean is the paste. A thinner extract reads less of the same salt, and how much less depends on how much water the soil holds.',
  inputs: {
    ec: quantity('dS/m')('salinity as reported', { min: 0, max: 200 }),
    method: choice('extract', SALINITY_METHODS),
    texture: choice('soil texture', TEXTURE_CLASSES),
  },
  unit: 'ece, least, most: dS/m',
  formula: ['ECe = EC × factor of extract and texture', 'a third either way, but for the paste itself'],
  sources: [
    {
      cite: 'Dahnke & Whitney 1988, Measurement of soil salinity, North Central Region Bulletin 499',
      standing: 'from memory',
    },
    { cite: 'Factors for 1:5 by texture, state tables after Slavich & Petterson 1993', standing: 'from memory' },
    { cite: 'Factors for 1:2, extension tables', standing: 'from memory' },
  ],
  limits: ['The factors are unsure by a third: on the edge ask for a paste extract.'],
  example: {
    inputs: { ec: 3, method: 'water-1:2', texture: 'sandy-loam' },
    value: { ece: 7.8, least: 5.2, most: 10.4 },
  },
  reckon({ ec, method, texture }, work) {
    const factor = toEce(method, texture);
    const ece = work.step('ECe', 'ec × factor', { ec, factor }, ec * factor, 'dS/m');
    if (method === 'saturated-paste') return { ece, least: ece, most: ece };
    const off = UNSURE_BY;
    return {
      ece,
      least: work.step('least', 'ece × (1 − off)', { ece, off }, ece * (1 - off), 'dS/m'),
      most: work.step('most', 'ece × (1 + off)', { ece, off }, ece * (1 + off), 'dS/m'),
    };
  },
});

/** Salt that a grass begins to suffer from, ECe dS/m (A3): a row of the grass table, else the usual of its id. */
export const salineFromDsPerM = (packs: RulePacks, grass: GrassId): number =>
  packs.grasses.get(grass)?.salineFromDsPerM ?? 4;

/** EC of no named extract is taken as the commonest of turf laboratories, with a doubt (A3). */
export const salinityMethodOf = (method: Method | undefined): SalinityMethod =>
  SALINITY_METHODS.find((each) => each === method) ?? 'water-1:2';
