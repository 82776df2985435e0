import type { Analyte, Method } from '../formats/case';
import pack from '../packs/sufficiency.json';
import type { Standing } from '../reckoning/define';
import { interpolate, type TablePoint } from '../tables/interpolate';

export type Level = 'very-low' | 'low' | 'enough' | 'high' | 'unreadable';

/** Where the levels of one analyte by one extractant start, ppm. */
export interface Range {
  low?: number;
  enough: number;
  high: number;
  toxic?: number;
}

interface PackRange extends Partial<Range> {
  analyte: string;
  method: string;
  enoughByPh?: number[][];
  highByPh?: number[][];
}

const byKey = new Map((pack.ranges as PackRange[]).map((r) => [`${r.analyte}/${r.method}`, r]));

export const SUFFICIENCY_PACK = {
  name: `${pack.pack} ${pack.version}`,
  cite: pack.source.cite,
  standing: pack.source.standing as Standing,
};

/** The range for an analyte and extractant; manganese's bounds move with pH. Undefined where the pack has no row. */
export function sufficiencyRange(analyte: Analyte, method: Method, ph = 6.5): Range | undefined {
  const row = byKey.get(`${analyte}/${method}`);
  if (!row) return undefined;
  if (row.enoughByPh && row.highByPh)
    return {
      enough: interpolate(row.enoughByPh as unknown as TablePoint[], ph),
      high: interpolate(row.highByPh as unknown as TablePoint[], ph),
    };
  return { low: row.low, enough: row.enough as number, high: row.high as number, toxic: row.toxic };
}

/** The level of a value: half-open, `starts <= x < next start`. 51 ppm K by Mehlich-3 is enough, 50.9 is low. */
export function levelOf(ppm: number, range: Range): Exclude<Level, 'unreadable'> {
  if (ppm >= range.high) return 'high';
  if (ppm >= range.enough) return 'enough';
  return range.low !== undefined && ppm < range.low ? 'very-low' : 'low';
}
