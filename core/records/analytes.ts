import type { SoilResult } from './soil-test-schema';
import { type Analyte, ANALYTES } from './vocabularies';

/**
 * What every door knows of an analyte: its name, the names laboratories print over it, and its unit. One row each; headers
 * of tables, forms, findings and prints are all made from it.
 */
export interface AnalyteRow {
  /** As a sentence names it. */
  name: string;
  /** Names in headers, small letters; the id itself is always one. */
  headers: readonly string[];
  /** A mass in soil, which means nothing without a unit. */
  mass?: true;
  /** The one unit it comes in. */
  unit?: SoilResult['unit'];
}

export const ANALYTE_TABLE: Readonly<Record<Analyte, AnalyteRow>> = {
  pH: { name: 'Soil pH', headers: ['soil ph', 'water ph', 'ph water'] },
  'buffer-pH': { name: 'Buffer pH', headers: ['buffer ph', 'ph buffer', 'bph', 'buffer', 'ph buf'] },
  P: { name: 'Phosphorus', headers: ['phosphorus', 'p1', 'available p'], mass: true },
  K: { name: 'Potassium', headers: ['potassium', 'available k'], mass: true },
  Ca: { name: 'Calcium', headers: ['calcium'], mass: true },
  Mg: { name: 'Magnesium', headers: ['magnesium'], mass: true },
  S: { name: 'Sulfur', headers: ['sulfur', 'sulphur', 'so4-s', 'sulfate-s'], mass: true },
  Na: { name: 'Sodium', headers: ['sodium'], mass: true },
  Fe: { name: 'Iron', headers: ['iron'], mass: true },
  Mn: { name: 'Manganese', headers: ['manganese'], mass: true },
  Zn: { name: 'Zinc', headers: ['zinc'], mass: true },
  Cu: { name: 'Copper', headers: ['copper'], mass: true },
  B: { name: 'Boron', headers: ['boron'], mass: true },
  'NO3-N': { name: 'Nitrate-N', headers: ['nitrate', 'nitrate-n'], mass: true },
  OM: { name: 'Organic matter', headers: ['organic matter', 'o.m.', 'humus'], unit: '%' },
  CEC: { name: 'CEC', headers: ['total exchange capacity'], unit: 'cmolc/kg' },
  EC: { name: 'Salinity', headers: ['soluble salts', 'salinity'], unit: 'dS/m' },
  SAR: { name: 'Sodium adsorption ratio', headers: ['sodium adsorption ratio'] },
  ESP: { name: 'Exchangeable sodium', headers: ['exchangeable sodium', 'exchangeable sodium percentage'], unit: '%' },
  CaCO3: { name: 'Carbonate', headers: ['carbonate', 'carbonates', 'free lime'], unit: '%' },
  Al: { name: 'Aluminum', headers: ['aluminum', 'aluminium'], mass: true },
  acidity: { name: 'Exchangeable acidity', headers: ['exchangeable acidity'] },
};

export const analyteName = (analyte: Analyte): string => ANALYTE_TABLE[analyte].name;

/** Whether the number is a mass in soil: without a unit it means nothing. */
export const isMassAnalyte = (analyte: Analyte): boolean =>
  Object.hasOwn(ANALYTE_TABLE, analyte) && ANALYTE_TABLE[analyte].mass === true;

/** The only unit an analyte comes in, such as percent for organic matter; undefined for pH and for masses. */
export const onlyUnitOf = (analyte: Analyte): SoilResult['unit'] => ANALYTE_TABLE[analyte].unit;

const byHeader = new Map<string, Analyte>(
  ANALYTES.flatMap((analyte) =>
    [analyte.toLowerCase(), ...ANALYTE_TABLE[analyte].headers].map((header) => [header, analyte] as const),
  ),
);

/** An analyte by the name a laboratory gives it, in any case; undefined where none is known. `Soil pH` is pH. */
export const analyteNamed = (text: string): Analyte | undefined => byHeader.get(text.trim().toLowerCase());
