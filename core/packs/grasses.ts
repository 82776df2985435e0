import pack from './grasses.json';
import type { Care, GrassId } from '../records/vocabularies';

/** A row of the grass table: what the grass asks of the soil and of the year. */
export interface Grass {
  id: GrassId;
  name: string;
  season: 'cool' | 'warm';
  /** pH window, both ends inside it, and where to aim. */
  phLow: number;
  phHigh: number;
  phAim: number;
  /** lb N/1000 ft2 a year by care. */
  nitrogenLb: Record<Care, number>;
  /** Most lb N/1000 ft2 a year. */
  ceilingLb: number;
  mowIn: [number, number];
  lowChloride?: boolean;
  /** The window's top is only where it does best: above it the grass is left alone up to pH 7.5 (B6). */
  phTopIsOptimum?: boolean;
  /** Salt the grass begins to suffer from, ECe dS/m (A3). */
  salineFromDsPerM?: number;
  note: string;
}

const table = new Map(pack.grasses.map((row) => [row.id, row as Grass]));

/** The grass table's row. */
export const grassOf = (id: GrassId): Grass => table.get(id) as Grass;

/** Every row, cool-season first. */
export const ALL_GRASSES: readonly Grass[] = pack.grasses as Grass[];
