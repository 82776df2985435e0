import type { TextureClass } from '../records/vocabularies';

/** The three groups that the tables of the trade know. */
export type TextureGroup = 'sand' | 'loam' | 'clay';

const GROUP: Record<TextureClass, TextureGroup> = {
  sand: 'sand',
  'loamy-sand': 'sand',
  'sandy-loam': 'loam',
  'sandy-clay-loam': 'loam',
  loam: 'loam',
  'silt-loam': 'loam',
  silt: 'loam',
  'clay-loam': 'clay',
  'silty-clay-loam': 'clay',
  'sandy-clay': 'clay',
  'silty-clay': 'clay',
  clay: 'clay',
};

/** Table group of a texture class. `silt-loam` is `loam`. */
export const groupOfTexture = (texture: TextureClass): TextureGroup => GROUP[texture];

/** Default dry bulk density by group, g/cm3. Common practice; a zone's override overrides. */
export const DEFAULT_BULK_DENSITY: Record<TextureGroup, number> = { sand: 1.5, loam: 1.35, clay: 1.25 };
