import type { Analyte, Method, SoilResult, SoilTest, Zone } from '../records/case';
import { isMassAnalyte } from '../records/analytes';
import type { IsoDay } from '../days/day';
import { DEFAULT_BULK_DENSITY, groupOfTexture } from '../ground/texture-groups';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { type Cation, cationPpm } from './cation-ppm';
import { PPM_PER_CMOLC } from './cec';
import { MASS_UNITS, type MassUnit, methodConvert } from './method-convert';

/** pH in CaCl2 reads about this much below water. Common practice. */
export const CACL2_OFFSET = 0.6;

/** Which report a reading stands on: reports of a zone are merged analyte by analyte (A6). */
export interface ReadingSource {
  testId: string;
  sampledOn: IsoDay;
  depthIn?: number;
  lab?: string;
}

/** An analyte of a report, brought to ppm where it is a mass. */
export interface Reading {
  analyte: Analyte;
  method?: Method;
  /** As the laboratory printed it. */
  reported: number;
  reportedUnit: string;
  qualifier?: '<' | '>';
  /** ppm for nutrients, the plain value for pH, percent and the rest. Undefined where the unit cannot be converted. */
  value?: number;
  /** What was done to bring it there, where anything was. */
  conversion?: {
    value: number;
    from: MassUnit | 'cmolc/kg' | '%';
    to: 'ppm';
    depthIn?: number;
    bulkDensity?: number;
    cec?: number;
  };
  from: ReadingSource;
  /** Why it is shown and nothing is prescribed from it: too old, or lime went down since. */
  setAside?: string;
}

/** The reports of a zone, newest first; of two of one day the one that stands first. */
export const testsNewestFirst = (tests: readonly SoilTest[], zoneId: string): SoilTest[] =>
  tests.filter((t) => t.zoneId === zoneId).sort((a, b) => b.sampledOn.localeCompare(a.sampledOn));

/** Dry bulk density of a zone's soil: measured, or the default of its texture group. */
export const zoneBulkDensity = (zone: Pick<Zone, 'bulkDensity' | 'texture'>): number =>
  zone.bulkDensity ?? DEFAULT_BULK_DENSITY[groupOfTexture(zone.texture)];

const isMassUnit = (unit: string): unit is MassUnit => (MASS_UNITS as readonly string[]).includes(unit);

/** A scoop of soil is taken to weigh this where the report does not say, g/cm3 (A2). Common practice, with a doubt. */
export const USUAL_SCOOP_G_PER_CM3 = 1;

/**
 * Reads one result. Laboratories' lb/acre is ppm x 2 by custom, or by the depth they state, whatever the depth of the cores (A1);
 * mg/dm3 goes by the weight of their scoop, never by the field's bulk density (A2). K 80 lb/acre with 4 in cores is 40 ppm.
 */
export function readResult(result: SoilResult, test: SoilTest): Reading {
  const { analyte, method, value, unit } = result;
  const base: Reading = {
    analyte,
    method,
    reported: value,
    reportedUnit: unit ?? '',
    qualifier: result.qualifier,
    value: unit === 'index' ? undefined : value,
    from: { testId: test.id, sampledOn: test.sampledOn, depthIn: test.depthIn, lab: test.lab },
  };
  if (unit === 'cmolc/kg' && analyte in PPM_PER_CMOLC) {
    const ppm = evaluate(cationPpm, { cmolcPerKg: value, cation: analyte as Cation });
    return { ...base, value: isRefusal(ppm) ? undefined : ppm, conversion: { value, from: unit, to: 'ppm' } };
  }
  if (!unit || unit === 'ppm') return base;
  // a nutrient in a unit that is no mass of soil, such as percent, is kept but not judged
  if (!isMassUnit(unit)) return isMassAnalyte(analyte) ? { ...base, value: undefined } : base;
  const conversion = {
    value,
    from: unit,
    to: 'ppm' as const,
    ...(unit === 'mg/dm3'
      ? { bulkDensity: test.scoopGPerCm3 ?? USUAL_SCOOP_G_PER_CM3 }
      : { depthIn: test.basisDepthIn }),
  };
  const ppm = evaluate(methodConvert, conversion);
  return { ...base, value: isRefusal(ppm) ? undefined : ppm, conversion };
}

/** Cations printed as percent of CEC, to ppm by the CEC that the reports give (A4). K 2 % of CEC 10: 78.2 ppm. */
export function withPercents(readings: readonly Reading[]): Reading[] {
  const cec = readings.find((r) => r.analyte === 'CEC')?.value;
  return readings.map((reading) => {
    if (reading.reportedUnit !== '%' || !(reading.analyte in PPM_PER_CMOLC) || cec === undefined) return reading;
    const cmolcPerKg = (reading.reported * cec) / 100;
    const ppm = evaluate(cationPpm, { cmolcPerKg, cation: reading.analyte as Cation });
    const conversion = { value: reading.reported, from: '%' as const, to: 'ppm' as const, cec };
    return { ...reading, value: isRefusal(ppm) ? undefined : ppm, conversion };
  });
}

/** The first reading of an analyte, by preference of method where several stand in the report. */
export function findReading(
  readings: readonly Reading[],
  analyte: Analyte,
  methods?: readonly Method[],
): Reading | undefined {
  if (!methods) return readings.find((r) => r.analyte === analyte);
  return methods.map((m) => readings.find((r) => r.analyte === analyte && r.method === m)).find(Boolean);
}

/** A zone's latest report, or undefined where it has none. */
export const latestTest = (tests: readonly SoilTest[], zoneId: string): SoilTest | undefined =>
  testsNewestFirst(tests, zoneId)[0];

/** Soil pH on the water scale, which windows and buffers speak. */
export function waterPh(readings: readonly Reading[]): { ph: number; converted: boolean } | undefined {
  const reading = findReading(readings, 'pH');
  if (reading?.value === undefined) return undefined;
  const converted = reading.method === 'cacl2';
  return { ph: converted ? reading.value + CACL2_OFFSET : reading.value, converted };
}

/** Whether free carbonate is known to be there, known not to be, or not known. */
export function carbonateStanding(zone: Zone, readings: readonly Reading[]): 'present' | 'absent' | 'unknown' {
  const percent = zone.calciumCarbonatePercent ?? findReading(readings, 'CaCO3')?.value;
  if (percent !== undefined) return percent > 0 ? 'present' : 'absent';
  if (zone.carbonates === 'slight' || zone.carbonates === 'strong') return 'present';
  return zone.carbonates === 'none' ? 'absent' : 'unknown';
}
