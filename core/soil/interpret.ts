import type { Analyte, Method, SoilTest, Zone } from '../formats/case';
import { grassOf } from '../ground/grasses';
import { groupOfTexture } from '../ground/texture-groups';
import { carbonateStanding, findReading, readResult, type Reading, waterPh } from './report';
import { type Level, levelOf, type Range, SUFFICIENCY_PACK, sufficiencyRange } from './sufficiency';

/** One judged analyte. Values are ppm for nutrients. */
export interface Finding {
  analyte: Analyte;
  value: number;
  unit: string;
  level: Level;
  says: string;
  source: string;
  method?: Method;
  range?: Range;
  reading: Reading;
}

/** The pH judged against the grass's window, on the water scale. */
export interface PhFinding {
  ph: number;
  reported: number;
  converted: boolean;
  low: number;
  high: number;
  aim: number;
  place: 'too-acid' | 'inside' | 'too-alkaline';
  says: string;
}

export interface Interpretation {
  zoneId: string;
  school: 'sufficiency';
  ph?: PhFinding;
  findings: Finding[];
  /** What is reported but not judged. */
  described: Reading[];
  doubts: string[];
  readings: Reading[];
}

const NUTRIENTS: readonly Analyte[] = ['P', 'K', 'Ca', 'Mg', 'S', 'Fe', 'Mn', 'Zn', 'Cu', 'B'];
export const ANALYTE_NAMES: Partial<Record<Analyte, string>> = {
  P: 'Phosphorus',
  K: 'Potassium',
  Ca: 'Calcium',
  Mg: 'Magnesium',
  S: 'Sulfur',
  Fe: 'Iron',
  Mn: 'Manganese',
  Zn: 'Zinc',
  Cu: 'Copper',
  B: 'Boron',
  Na: 'Sodium',
  OM: 'Organic matter',
  CEC: 'CEC',
  EC: 'Salinity',
  'buffer-pH': 'Buffer pH',
  'NO3-N': 'Nitrate-N',
  CaCO3: 'Carbonate',
  pH: 'Soil pH',
  Al: 'Aluminium',
  acidity: 'Exchangeable acidity',
};

/** P extractants that read low in carbonate or above pH 7.3: the level is unreadable, never "very low". */
const FAILS_IN_CARBONATE: readonly Method[] = ['bray-p1', 'mehlich-1', 'morgan', 'modified-morgan'];
const MG_K_FROM = 51;
const MG_K_TO = 75;
/** A K reading in ppm that a sand can hardly hold. */
const IMPLAUSIBLE_K_ON_SAND_PPM = 250;
const OLD_REPORT_YEARS = 3;
/** Where each buffer solution starts; a reading close to it says: no acidity. */
const BUFFER_START: Partial<Record<Method, number>> = {
  mehlich: 6.6,
  'modified-mehlich': 6.6,
  smp: 7.5,
  sikora: 7.5,
  'adams-evans': 8,
  'moore-sikora': 8,
};
/** CEC that a texture group can plausibly hold, cmolc/kg. Common practice: sands 3-5, clay loams near 29. */
const PLAUSIBLE_CEC = { sand: [1, 12], loam: [4, 30], clay: [8, 60] } as const;

const LEVEL_WORDS: Record<Level, string> = {
  'very-low': 'very low',
  low: 'low',
  enough: 'enough',
  high: 'high',
  unreadable: 'not readable',
};
export const levelInWords = (level: Level): string => LEVEL_WORDS[level];

const round = (x: number): string => String(Number(x.toPrecision(3)));

function judge(reading: Reading, ph: number | undefined, carbonate: boolean): Finding | undefined {
  const { analyte, method, value } = reading;
  const name = ANALYTE_NAMES[analyte] ?? analyte;
  const base = { analyte, unit: 'ppm', source: SUFFICIENCY_PACK.name, method, reading };
  if (value === undefined)
    return {
      ...base,
      value: reading.reported,
      unit: reading.reportedUnit,
      level: 'unreadable',
      says: `${name} is a laboratory index: without its key it cannot be judged. Ask the laboratory for ppm.`,
    };
  if (!method)
    return {
      ...base,
      value,
      level: 'unreadable',
      says: `${name}: the report names no extractant, so ${round(value)} ppm cannot be judged. Look for Mehlich-3, Olsen or the like.`,
    };
  const range = sufficiencyRange(analyte, method, ph);
  if (!range)
    return {
      ...base,
      value,
      level: 'unreadable',
      says: `${name} by ${method} has no range in ${SUFFICIENCY_PACK.name}.`,
    };
  if (FAILS_IN_CARBONATE.includes(method) && (carbonate || (ph ?? 0) > 7.3))
    return {
      ...base,
      value,
      range,
      level: 'unreadable',
      says: `${name} by ${method} reads too low in alkaline or limy soil: ask for Olsen or Mehlich-3.`,
    };
  const level = levelOf(value, range);
  const bound =
    level === 'high' ? value - range.high : level === 'enough' ? value - range.enough : range.enough - value;
  const where = level === 'high' ? 'over the start of high' : level === 'enough' ? 'inside enough' : 'under enough';
  const toxic =
    range.toxic !== undefined && value >= range.toxic ? ` At ${range.toxic} ppm and above it can harm the grass.` : '';
  return {
    ...base,
    value,
    range,
    level,
    says: `${name}, ${round(value)} ppm, is ${LEVEL_WORDS[level]}: ${round(bound)} ppm ${where}.${toxic}`,
  };
}

function judgePh(zone: Zone, readings: readonly Reading[]): PhFinding | undefined {
  const water = waterPh(readings);
  const reported = findReading(readings, 'pH')?.value;
  if (!water || reported === undefined) return undefined;
  const { phLow: low, phHigh: high, phAim: aim, name } = grassOf(zone.grass);
  // readings carry two decimals; binary noise must not push 7.000000000000001 out of the window
  const place = water.ph < low - 1e-9 ? 'too-acid' : water.ph > high + 1e-9 ? 'too-alkaline' : 'inside';
  const shown = Number(water.ph.toFixed(2));
  const says =
    place === 'inside'
      ? `pH ${shown} is inside the ${name} window, ${low.toFixed(1)} to ${high.toFixed(1)}.`
      : `pH ${shown} is ${round(place === 'too-acid' ? low - water.ph : water.ph - high)} ${place === 'too-acid' ? 'below' : 'above'} the ${name} window, ${low.toFixed(1)} to ${high.toFixed(1)}.`;
  return { ph: water.ph, reported, converted: water.converted, low, high, aim, place, says };
}

function findDoubts(zone: Zone, test: SoilTest, readings: readonly Reading[], asOf?: string): string[] {
  const doubts: string[] = [];
  const group = groupOfTexture(zone.texture);
  const water = waterPh(readings);
  const carbonate = carbonateStanding(zone, readings);
  if (test.depthIn === undefined)
    doubts.push('The report states no sampling depth: 6 2/3 in is assumed for lb/acre, and trends cannot be trusted.');
  if (asOf) {
    const years = (Date.parse(asOf) - Date.parse(test.sampledOn)) / (365.25 * 86_400_000);
    if (years > OLD_REPORT_YEARS)
      doubts.push(`The sample is ${Math.floor(years)} years old: retest before spending on it.`);
  }
  if (water?.converted)
    doubts.push('pH was measured in CaCl2; 0.6 is added to compare it with windows in water. That is a rule of thumb.');
  const k = findReading(readings, 'K');
  if (k?.value !== undefined && k.reportedUnit === 'ppm' && group === 'sand' && k.value > IMPLAUSIBLE_K_ON_SAND_PPM)
    doubts.push(
      `K of ${round(k.value)} ppm on a sand is hardly possible: the report probably means lb/acre. Check the unit.`,
    );
  if (
    k?.value !== undefined &&
    k.value >= MG_K_FROM &&
    k.value < MG_K_TO + 1 &&
    (k.method === 'mehlich-3' || k.method === 'ammonium-acetate')
  )
    doubts.push(
      `K of ${round(k.value)} ppm is enough by Mehlich-3 and low by ammonium acetate: the extractant decides, not the soil.`,
    );
  const buffer = findReading(readings, 'buffer-pH');
  const start = buffer?.method ? BUFFER_START[buffer.method] : undefined;
  if (water && buffer?.value !== undefined && start !== undefined && water.ph < 5.2 && buffer.value > start - 0.2)
    doubts.push(
      `Soil pH ${water.ph.toFixed(1)} with a buffer pH of ${buffer.value} contradict each other: ask the laboratory to read both again.`,
    );
  const cec = findReading(readings, 'CEC');
  const [least, most] = PLAUSIBLE_CEC[group];
  if (cec?.value !== undefined && (cec.value < least || cec.value > most))
    doubts.push(
      `A CEC of ${round(cec.value)} is far from what a ${zone.texture.replaceAll('-', ' ')} holds: check the texture or the report.`,
    );
  if (
    water &&
    water.ph > 7.3 &&
    carbonate !== 'absent' &&
    readings.some((r) => ['Ca', 'CEC', 'Mg'].includes(r.analyte))
  )
    doubts.push('Above pH 7.3 the extractant may dissolve free lime: calcium, CEC and base percentages are inflated.');
  if (water && water.ph >= 7.6 && carbonate === 'unknown')
    doubts.push('pH 7.6 or more and no fizz test: put a drop of acid on the soil before thinking of sulfur.');
  return doubts;
}

/**
 * Reads a report for the grass that grows there, by the sufficiency school. `asOf` is today, for the age of the report.
 */
export function interpretZone(zone: Zone, test: SoilTest, asOf?: string): Interpretation {
  const readings = test.results.map((r) => readResult(r, test, zone));
  const water = waterPh(readings);
  const carbonate = carbonateStanding(zone, readings) === 'present';
  const findings = readings
    .filter((r) => NUTRIENTS.includes(r.analyte))
    .map((r) => judge(r, water?.ph, carbonate))
    .filter((f) => f !== undefined);
  const described = readings.filter((r) => !NUTRIENTS.includes(r.analyte) && r.analyte !== 'pH');
  return {
    zoneId: zone.id,
    school: 'sufficiency',
    ph: judgePh(zone, readings),
    findings,
    described,
    doubts: findDoubts(zone, test, readings, asOf),
    readings,
  };
}
