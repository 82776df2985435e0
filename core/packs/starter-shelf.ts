import type { Climate, Product } from '../records/case';
import climates from './climates.json';
import shelf from './shelf.json';

/** Generic materials that a new shelf starts with: typical analyses, invented names and prices. */
export const STARTER_SHELF: readonly Product[] = shelf.products as Product[];

/** A climate to start from where the property's own normals are not at hand. Invented, and said so in its name. */
export interface ClimatePreset {
  id: string;
  name: string;
  latitudeDeg: number;
  climate: Climate;
}
export const CLIMATE_PRESETS: readonly ClimatePreset[] = climates.climates;
