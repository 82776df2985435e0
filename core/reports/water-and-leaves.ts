import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import type { IrrigationWater } from '../records/property-schema';
import { waterSar } from '../soil/sodium';
import type { ReportSample, ReportValue } from './reading';
import type { ReportAnalyte } from './terms/names';

/** Milligrams in a milliequivalent, by atomic weights. */
const MG_PER_MEQ: Partial<Record<ReportAnalyte, number>> = {
  HCO3: 61.02,
  CO3: 30.0,
  Cl: 35.45,
  Na: 22.99,
  Ca: 20.04,
  Mg: 12.15,
  'NO3-N': 14.007,
};

const meqPerL = ({ analyte, value, unit }: ReportValue): number | undefined =>
  unit === 'meq/L' ? value : unit === 'mg/L' && MG_PER_MEQ[analyte] ? value / MG_PER_MEQ[analyte] : undefined;
const mgPerL = ({ analyte, value, unit }: ReportValue): number | undefined =>
  unit === 'mg/L' ? value : unit === 'meq/L' && MG_PER_MEQ[analyte] ? value * MG_PER_MEQ[analyte] : undefined;

/**
 * What a water report says of a property's irrigation water, in the units that record has; its SAR reckoned from the cations where it is not
 * printed. HCO3 244 mg/L is 4.0 meq/L. What a year brings is not in a report: inches are asked for where it is kept.
 */
export function irrigationWaterOf({ values, sampledOn }: Pick<ReportSample, 'values' | 'sampledOn'>): IrrigationWater {
  const of = (analyte: ReportAnalyte) => values.find((each) => each.analyte === analyte);
  const meq = (analyte: ReportAnalyte) => (of(analyte) ? meqPerL(of(analyte)!) : undefined);
  const mg = (analyte: ReportAnalyte) => (of(analyte) ? mgPerL(of(analyte)!) : undefined);
  const [na, ca, magnesium] = [meq('Na'), meq('Ca'), meq('Mg')];
  const reckoned =
    na === undefined || ca === undefined || magnesium === undefined
      ? undefined
      : evaluate(waterSar, { naMeqPerL: na, caMeqPerL: ca, mgMeqPerL: magnesium });
  const sar = of('SAR')?.value ?? (reckoned === undefined || isRefusal(reckoned) ? undefined : reckoned);
  const found = {
    ecw: of('EC')?.value,
    sar,
    hco3MeqPerL: meq('HCO3'),
    co3MeqPerL: meq('CO3'),
    no3nMgPerL: mg('NO3-N'),
    clMgPerL: mg('Cl'),
    bMgPerL: mg('B'),
  };
  return {
    ...Object.fromEntries(Object.entries(found).filter(([, value]) => value !== undefined)),
    ...(sampledOn ? { sampledOn } : {}),
  };
}

/**
 * Sufficiency of turf leaves, percent and ppm of dry matter. Jones, J. B. Jr., Turf analysis, Golf Course Management 48(1), 1980; written from
 * memory. Read, never turned into a rate: leaves say what was taken up, not what is to be spread.
 */
const LEAVES: Partial<Record<ReportAnalyte, readonly [low: number, high: number]>> = {
  N: [2.75, 3.5],
  P: [0.3, 0.55],
  K: [1, 2.5],
  Ca: [0.5, 1.25],
  Mg: [0.2, 0.6],
  S: [0.2, 0.45],
  Fe: [35, 100],
  Mn: [25, 150],
  Cu: [5, 20],
  Zn: [20, 55],
  B: [10, 60],
};
const IN_PERCENT: ReadonlySet<ReportAnalyte> = new Set<ReportAnalyte>(['N', 'P', 'K', 'Ca', 'Mg', 'S']);
export const LEAF_SOURCE = 'Jones 1980, from memory';

/** The unit that leaves are printed in by custom: percent for what they hold much of, ppm for the rest. */
export const leafUnit = (analyte: ReportAnalyte): '%' | 'ppm' => (IN_PERCENT.has(analyte) ? '%' : 'ppm');

export interface LeafFinding {
  analyte: ReportAnalyte;
  value: number;
  unit: '%' | 'ppm';
  low: number;
  high: number;
  place: 'low' | 'enough' | 'high';
}

/** Values of leaves against their ranges. N 4.1 % is over 3.5. */
export function leafFindings({ values }: Pick<ReportSample, 'values'>): LeafFinding[] {
  return values.flatMap(({ analyte, value, unit }): LeafFinding[] => {
    const range = LEAVES[analyte];
    const own = leafUnit(analyte);
    if (!range || (unit !== '%' && unit !== 'ppm')) return [];
    // 4500 ppm of phosphorus is 0.45 %
    const here = unit === own ? value : own === '%' ? value / 1e4 : value * 1e4;
    const [low, high] = range;
    return [
      { analyte, value: here, unit: own, low, high, place: here < low ? 'low' : here > high ? 'high' : 'enough' },
    ];
  });
}
