import type { Analyte, SoilTest } from '../records/case';
import { yearsBetween } from '../days/day';
import { CACL2_OFFSET, findReading, readResult } from './report';
import { trimmed } from '../words/numbers';

/** One report's value of an analyte, brought to ppm or the water scale. */
export interface TrendPoint {
  testId: string;
  on: string;
  value: number;
  method?: string;
  depthIn?: number;
  lab?: string;
  /** Same method and depth as the latest: only such points make a trend. */
  comparable: boolean;
}

/** An analyte through the reports of a zone, oldest first, with what makes them hard to compare. */
export interface Trend {
  analyte: Analyte;
  unit: string;
  points: TrendPoint[];
  warnings: string[];
  /** Change a year between the first and the last comparable point; undefined with fewer than two. */
  perYear?: number;
}

/** Depths that differ by less than this are the same depth, in. */
const SAME_DEPTH_IN = 0.5;
const shownDepth = (depthIn: number | undefined): string =>
  depthIn === undefined ? 'an unknown depth' : `${trimmed(depthIn, 1)} in`;

const sameDepth = (a: number | undefined, b: number | undefined): boolean =>
  a !== undefined && b !== undefined && Math.abs(a - b) < SAME_DEPTH_IN;

/** The course of an analyte over a zone's reports. Two reports of the same method and depth, 5.6 then 6.0 two years on: 0.2 a year. */
export function trendOf(tests: readonly SoilTest[], analyte: Analyte): Trend {
  const points: Omit<TrendPoint, 'comparable'>[] = [];
  let unit = '';
  for (const test of [...tests].sort((a, b) => a.sampledOn.localeCompare(b.sampledOn))) {
    const readings = test.results.map((r) => readResult(r, test));
    const reading = findReading(readings, analyte);
    if (reading?.value === undefined) continue;
    const inWater = analyte === 'pH' && reading.method === 'cacl2';
    unit = reading.conversion || reading.reportedUnit === 'ppm' ? 'ppm' : reading.reportedUnit;
    points.push({
      testId: test.id,
      on: test.sampledOn,
      value: inWater ? reading.value + CACL2_OFFSET : reading.value,
      method: reading.method,
      depthIn: test.depthIn,
      lab: test.lab,
    });
  }
  const last = points.at(-1);
  const judged = points.map((p) => ({
    ...p,
    comparable: last !== undefined && p.method === last.method && (p === last || sameDepth(p.depthIn, last.depthIn)),
  }));
  const warnings: string[] = [];
  for (const [i, point] of judged.entries()) {
    const before = judged[i - 1];
    if (!before) continue;
    if (before.method !== point.method)
      warnings.push(
        `${before.on.slice(0, 4)} was measured by ${before.method ?? 'an unnamed method'}, ${point.on.slice(0, 4)} by ${point.method ?? 'an unnamed method'}: the step between them is the method’s as much as the soil’s.`,
      );
    if (!sameDepth(before.depthIn, point.depthIn))
      warnings.push(
        `${before.on.slice(0, 4)} was cored to ${shownDepth(before.depthIn)}, ${point.on.slice(0, 4)} to ${shownDepth(point.depthIn)}: they are not the same soil.`,
      );
    if (before.lab && point.lab && before.lab !== point.lab)
      warnings.push(`The laboratory changed between ${before.on.slice(0, 4)} and ${point.on.slice(0, 4)}.`);
    if (before.on.slice(5, 7) !== point.on.slice(5, 7)) {
      const months = Math.abs(Number(before.on.slice(5, 7)) - Number(point.on.slice(5, 7)));
      if (Math.min(months, 12 - months) > 2)
        warnings.push(
          `Sampled in different seasons, ${before.on.slice(0, 7)} and ${point.on.slice(0, 7)}: pH and potassium swing with the season.`,
        );
    }
  }
  const comparable = judged.filter((p) => p.comparable);
  const [first, latest] = [comparable[0], comparable.at(-1)];
  const span = first && latest && first !== latest ? yearsBetween(first.on, latest.on) : 0;
  return {
    analyte,
    unit,
    points: judged,
    warnings: [...new Set(warnings)],
    ...(first && latest && span > 0 ? { perYear: (latest.value - first.value) / span } : {}),
  };
}
