import type { Analyte } from '../records/vocabularies';
import type { Level } from '../soil/levels';
import { gypsumRequirement } from '../gypsum/requirement';
import { isRefusal } from '../reckoning/refusal';
import { PPM_PER_CMOLC } from '../soil/cec';
import type { Interpretation } from '../soil/interpret';
import { cecOf } from '../soil/other-schools';
import { findReading, waterPh } from '../soil/report';
import { SALINE_DS_PER_M, SODIC_ESP_PERCENT } from '../soil/sodium';
import { equalDoses } from '../tables/equal-doses';
import { type Figure, figureOf, traced } from '../reckoning/figure';
import type { ZoneFacts } from './zone-facts';
import { fixed } from '../words/numbers';
import { FREE_LIME_ABOVE_PH } from '../soil/limy-soil';

/** Exchange is never complete: more gypsum by this factor. Common practice. */
const INCOMPLETE_EXCHANGE = 1.25;
/** ESP that a sodic soil is brought down to. Common practice: 5 to 10. */
const ESP_AIM = 10;
/** Most gypsum in a dose, lb gypsum/1000 ft2. Common practice. */
const GYPSUM_DOSE_LB = 40;
const GYPSUM_DEPTH_IN = 4;

/** Gypsum, only for sodic soil with drainage. */
export interface GypsumPrescription {
  yearLb: number;
  espPercent?: number;
  doses: number[];
  says: string;
  figure?: Figure;
}

/** Gypsum where exchangeable sodium is reported and reads sodic. */
export function prescribeGypsum({ zone }: ZoneFacts, read: Interpretation | undefined): GypsumPrescription {
  const none = (says: string, espPercent?: number): GypsumPrescription => ({ yearLb: 0, doses: [], says, espPercent });
  const sodium = read && findReading(read.readings, 'Na')?.value;
  const cec = read && cecOf(read.readings);
  if (sodium === undefined || cec === undefined || cec === 0) return none('Sodium is not on a report: no gypsum.');
  const espPercent = (sodium / PPM_PER_CMOLC.Na / cec) * 100;
  if (espPercent < SODIC_ESP_PERCENT)
    return none(
      `Exchangeable sodium is ${fixed(espPercent, 1)} % of CEC, under ${SODIC_ESP_PERCENT}: not sodic.`,
      espPercent,
    );
  if (zone.drainage === 'poor')
    return none('Sodic, but poorly drained: without drainage gypsum cannot be leached. Drain first.', espPercent);
  const figure = figureOf(
    gypsumRequirement,
    {
      cec: traced(cec, 'soil report'),
      espPercent: traced(Math.min(100, espPercent), 'Na over CEC'),
      aimEspPercent: traced(ESP_AIM, 'common practice'),
      treatedDepthIn: traced(GYPSUM_DEPTH_IN, 'surface gypsum on standing turf'),
    },
    { title: 'Gypsum', unit: 'lb gypsum per 1000 ft2' },
  );
  if (isRefusal(figure)) return none(figure.refused, espPercent);
  const yearLb = figure.value * INCOMPLETE_EXCHANGE;
  return {
    yearLb,
    espPercent,
    doses: equalDoses(yearLb, GYPSUM_DOSE_LB),
    figure,
    says: `Sodic: ${fixed(espPercent, 1)} % of CEC is sodium. Gypsum, times ${INCOMPLETE_EXCHANGE} for incomplete exchange, at most ${GYPSUM_DOSE_LB} lb gypsum a dose and two a year, leached with water. It does not change pH.`,
  };
}

/** Foliar iron for color; it does not cure the cause. */
export function prescribeIron(read: Interpretation | undefined): { action: 'none' | 'foliar'; says: string } {
  const iron = read?.findings.find((f) => f.analyte === 'Fe');
  const alkaline = read && (waterPh(read.readings)?.ph ?? 0) > FREE_LIME_ABOVE_PH;
  const short = iron && (iron.level === 'low' || iron.level === 'very-low');
  if (!short && !alkaline) return { action: 'none', says: 'Nothing without a test or a symptom.' };
  return {
    action: 'foliar',
    says: 'If it yellows between the veins: at most 0.75 oz Fe per 1000 ft2 a spray in 3 gal of water or more, not above 85 deg F. Greens in days, stains concrete, does not cure the cause.',
  };
}

/** Micronutrients that read short: watched, not given a rate. */
export const prescribeMicronutrients = (
  read: Interpretation | undefined,
): { analyte: Analyte; level: Level; says: string }[] =>
  (read?.findings ?? [])
    .filter((f) => ['Mn', 'Zn', 'Cu', 'B'].includes(f.analyte) && (f.level === 'low' || f.level === 'very-low'))
    .map(({ analyte, level }) => ({
      analyte,
      level,
      says: 'Reads short: confirm with a tissue test before feeding it.',
    }));

/** Salinity by electrical conductivity, where reported. */
export function prescribeSalinity(read: Interpretation | undefined): {
  ecDsPerM?: number;
  standing: 'not-tested' | 'ordinary' | 'saline';
  says: string;
} {
  const ec = read && findReading(read.readings, 'EC')?.value;
  if (ec === undefined) return { standing: 'not-tested', says: 'Salinity is not on the report.' };
  return ec >= SALINE_DS_PER_M
    ? {
        ecDsPerM: ec,
        standing: 'saline',
        says: `${ec} dS/m is saline (${SALINE_DS_PER_M} and above): leach, choose low-salt sources.`,
      }
    : { ecDsPerM: ec, standing: 'ordinary', says: `${ec} dS/m is below ${SALINE_DS_PER_M}: not saline.` };
}
