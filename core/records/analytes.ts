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

const words = (list: string): string[] => list.split(', ');

export const ANALYTE_TABLE: Readonly<Record<Analyte, AnalyteRow>> = {
  pH: {
    name: 'Soil pH',
    headers: words(
      'soil ph, water ph, ph water, wph, ph w, ph h2o, active ph, soil reaction, bodenreaktion, ph wert, ph eau, ph agua',
    ),
  },
  'buffer-pH': {
    name: 'Buffer pH',
    headers: words(
      'buffer ph, ph buffer, bph, ph b, buffer, ph buf, buf ph, lime buffer ph, pufferwert, puffer ph, ph tampon, ph buffer lime, ph tampon smp',
    ),
  },
  P: {
    name: 'Phosphorus',
    headers: words('phosphorus, phosphorous, phos, available p, phosphor, phosphore, fosforo, available phosphorus'),
    mass: true,
  },
  K: { name: 'Potassium', headers: words('potassium, potas, pot, available k, kalium, potasio'), mass: true },
  Ca: { name: 'Calcium', headers: words('calcium, kalzium, calcio'), mass: true },
  Mg: { name: 'Magnesium', headers: words('magnesium, magnes, magnesio'), mass: true },
  S: {
    name: 'Sulfur',
    headers: words(
      'sulfur, sulphur, so4-s, so4 s, sulfate-s, sulfate s, sulphate s, sulfate, sulphate, schwefel, soufre, azufre',
    ),
    mass: true,
  },
  Na: { name: 'Sodium', headers: words('sodium, natrium, sodio'), mass: true },
  Fe: { name: 'Iron', headers: words('iron, eisen, fer, hierro'), mass: true },
  Mn: { name: 'Manganese', headers: words('manganese, mangan, manganeso'), mass: true },
  Zn: { name: 'Zinc', headers: words('zinc, zink, cinc'), mass: true },
  Cu: { name: 'Copper', headers: words('copper, kupfer, cuivre, cobre'), mass: true },
  B: { name: 'Boron', headers: words('boron, bor, bore, boro'), mass: true },
  'NO3-N': {
    name: 'Nitrate-N',
    headers: words(
      'nitrate, nitrate-n, nitrate n, nitrate nitrogen, no3, no3 n, nitrat n, nitrat, nitrates, nitrato, nitrique',
    ),
    mass: true,
  },
  OM: {
    name: 'Organic matter',
    headers: words(
      'organic matter, o.m., o m, om, som, soil organic matter, organic, humus, humusgehalt, organische substanz, matiere organique, matieres organiques, m o, mo %, materia organica, m o s',
    ),
    unit: '%',
  },
  CEC: {
    name: 'CEC',
    headers: words(
      'total exchange capacity, tec, t e c, c e c, ecec, exchange capacity, cation exchange capacity, cation exchange, kak, kationenaustauschkapazitat, cic, capacidad de intercambio cationico, capacidad de intercambio, capacite d echange cationique, capacite d echange, sum of cations',
    ),
    unit: 'cmolc/kg',
  },
  EC: {
    name: 'Salinity',
    headers: words(
      'soluble salts, soluble salt, sol salts, salts, salt, salinity, conductivity, electrical conductivity, leitfahigkeit, elektrische leitfahigkeit, conductivite, conductivite electrique, conductividad, conductividad electrica, c e, ce, salinite, salinidad',
    ),
    unit: 'dS/m',
  },
  SAR: {
    name: 'Sodium adsorption ratio',
    headers: words('sodium adsorption ratio, relacion de adsorcion de sodio, ras'),
  },
  ESP: {
    name: 'Exchangeable sodium',
    headers: words('exchangeable sodium percentage, exchangeable sodium percent, psi'),
    unit: '%',
  },
  CaCO3: {
    name: 'Carbonate',
    headers: words(
      'carbonate, carbonates, free lime, excess lime, calcium carbonate, calcium carbonate equivalent, carbonatgehalt, freier kalk, kalk, calcaire, calcaire total, carbonatos, caliza, caliza total',
    ),
    unit: '%',
  },
  Al: { name: 'Aluminum', headers: words('aluminum, aluminium, aluminio'), mass: true },
  acidity: {
    name: 'Exchangeable acidity',
    headers: words('exchangeable acidity, exchange acidity, exchangeable hydrogen, acidez, acidite d echange'),
  },
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
