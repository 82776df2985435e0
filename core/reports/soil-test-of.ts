import type { LabAdvice, SoilResult, SoilTest } from '../records/soil-test-schema';
import { UNITS } from '../records/vocabularies';
import type { ReportSample, ReportValue } from './reading';
import { isSoilAnalyte } from './terms/names';

const SOIL_UNITS = new Set<string>(UNITS);

/** A value as a result of a soil test; a mass stands before the same cation as percent. */
function resultOf({ analyte, value, unit, method, qualifier }: ReportValue): SoilResult[] {
  if (!isSoilAnalyte(analyte)) return [];
  const result: SoilResult = {
    analyte,
    value,
    ...(unit && SOIL_UNITS.has(unit) ? { unit: unit as NonNullable<SoilResult['unit']> } : {}),
    ...(method ? { method } : {}),
    ...(qualifier ? { qualifier } : {}),
  };
  return [result];
}

/** What the laboratory advises, by line; where it advises one twice, together. */
export function labAdviceOf({ recommendations }: Pick<ReportSample, 'recommendations'>): LabAdvice | undefined {
  const advice: LabAdvice = {};
  for (const { of, lbPer1000 } of recommendations)
    if (of !== 'words' && lbPer1000 !== undefined) advice[of] = (advice[of] ?? 0) + lbPer1000;
  return Object.keys(advice).length > 0 ? advice : undefined;
}

/**
 * A read sample as a report of a zone; what cannot be (a pH of 57) is never taken.
 *
 * @example soilTestOf(sample, 'south-2026-10-12', 'south', '2026-10-12').results[0] is { analyte: 'pH', value: 5.6, method: 'water-1:1' }
 */
export function soilTestOf(sample: ReportSample, id: string, zoneId: string, sampledOn: string): SoilTest {
  const labAdvice = labAdviceOf(sample);
  return {
    id,
    zoneId,
    sampledOn,
    ...(sample.depthIn === undefined ? {} : { depthIn: sample.depthIn }),
    ...(sample.lab ? { lab: sample.lab } : {}),
    ...(sample.basisDepthIn === undefined ? {} : { basisDepthIn: sample.basisDepthIn }),
    ...(sample.scoopGPerCm3 === undefined ? {} : { scoopGPerCm3: sample.scoopGPerCm3 }),
    ...(labAdvice ? { labAdvice } : {}),
    results: sample.values
      .filter(({ impossible }) => impossible === undefined)
      .sort((a, b) => Number(a.unit === '%' && a.analyte !== 'OM') - Number(b.unit === '%' && b.analyte !== 'OM'))
      .flatMap(resultOf),
  };
}
