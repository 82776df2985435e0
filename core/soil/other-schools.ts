import type { Zone } from '../records/case';
import { groupOfTexture } from '../ground/texture-groups';
import type { MinimumNutrient, RulePacks, SaturationCation } from '../packs/rule-packs';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { mehlichAcidity } from '../lime/mehlich-acidity';
import { Quiet } from '../reckoning/work';
import { cecBySum, PPM_PER_CMOLC } from './cec';
import type { Finding } from './interpret';
import type { Level } from './levels';
import { carbonateStanding, findReading, type Reading, waterPh } from './report';
import { threeDigits } from '../words/numbers';
import { FREE_LIME_ABOVE_PH } from './limy-soil';

interface Judged {
  findings: Finding[];
  doubts: string[];
}

/** pH below which the minimum levels were not made. */
const MINIMUM_FROM_PH = 5.5;

/** Judges by minimum levels: below the minimum low, at it or above enough. Mehlich-3 only. */
export function byMinimum(readings: readonly Reading[], ph: number | undefined, packs: RulePacks): Judged {
  const { ppm, source } = packs.minimum;
  const findings = (Object.keys(ppm) as MinimumNutrient[]).flatMap((analyte): Finding[] => {
    const reading = findReading(readings, analyte);
    if (!reading) return [];
    const base = { analyte, unit: 'ppm', method: reading.method, reading, source: source.name };
    if (reading.method !== 'mehlich-3' || reading.value === undefined)
      return [
        {
          ...base,
          value: reading.value ?? reading.reported,
          level: 'unreadable',
          says: `${analyte}: minimum levels are for Mehlich-3 in ppm only.`,
        },
      ];
    const minimum = ppm[analyte];
    const level: Level = reading.value >= minimum ? 'enough' : 'low';
    const off = Math.abs(reading.value - minimum);
    return [
      {
        ...base,
        value: reading.value,
        level,
        says: `${analyte}, ${threeDigits(reading.value)} ppm, is ${threeDigits(off)} ppm ${level === 'enough' ? 'above' : 'below'} its minimum of ${minimum}.`,
      },
    ];
  });
  const doubts =
    ph !== undefined && ph < MINIMUM_FROM_PH
      ? [`The minimum levels were made for pH ${MINIMUM_FROM_PH} and above.`]
      : [];
  return { findings, doubts };
}

/** CEC of a report: as the laboratory gives it, else by sum of cations and buffer acidity. */
export function cecOf(readings: readonly Reading[]): number | undefined {
  const given = findReading(readings, 'CEC')?.value;
  if (given !== undefined) return given;
  const value = (analyte: 'Ca' | 'Mg' | 'K' | 'Na') => findReading(readings, analyte)?.value;
  if (value('Ca') === undefined || value('Mg') === undefined) return undefined;
  const buffer = findReading(readings, 'buffer-pH');
  const fromBuffer =
    buffer?.value !== undefined && buffer.method === 'mehlich' ? mehlichAcidity(buffer.value, new Quiet()) : 0;
  // the scooped soil is taken to weigh 1 g/cm3 where the laboratory gives no density
  const acidity = findReading(readings, 'acidity')?.value ?? (isRefusal(fromBuffer) ? 0 : fromBuffer);
  const sum = evaluate(cecBySum, {
    caPpm: value('Ca') ?? 0,
    mgPpm: value('Mg') ?? 0,
    kPpm: value('K') ?? 0,
    naPpm: value('Na') ?? 0,
    acidity,
  });
  return isRefusal(sum) ? undefined : sum.cec;
}

/** Least CEC at which shares of it still mean something, cmolc/kg. Decision. */
const LEAST_CEC = 4;

/** Why base saturation may be shown but must not prescribe, or undefined where it may. */
export function saturationBar(zone: Zone, readings: readonly Reading[]): string | undefined {
  if (carbonateStanding(zone, readings) === 'present') return 'free lime inflates CEC and every share of it';
  if ((waterPh(readings)?.ph ?? 7) > FREE_LIME_ABOVE_PH)
    return `above pH ${FREE_LIME_ABOVE_PH} the sum of cations is inflated`;
  const cec = cecOf(readings);
  if (cec === undefined) return 'the report gives neither CEC nor the cations to sum it from';
  return cec < LEAST_CEC
    ? `a CEC of ${threeDigits(cec)} on ${groupOfTexture(zone.texture)} asks for too little`
    : undefined;
}

/** Judges Ca, Mg and K by their share of CEC. */
export function bySaturation(zone: Zone, readings: readonly Reading[], packs: RulePacks): Judged {
  const { percentOfCec, source } = packs.saturation;
  const cec = cecOf(readings);
  if (cec === undefined || cec === 0)
    return { findings: [], doubts: ['Base saturation needs CEC, or calcium and magnesium to sum it from.'] };
  const findings = (['Ca', 'Mg', 'K'] as const satisfies readonly SaturationCation[]).flatMap((analyte): Finding[] => {
    const reading = findReading(readings, analyte);
    if (reading?.value === undefined) return [];
    const share = (reading.value / PPM_PER_CMOLC[analyte] / cec) * 100;
    const [from, to] = percentOfCec[analyte];
    const level: Level = share < from ? 'low' : share > to ? 'high' : 'enough';
    return [
      {
        analyte,
        value: share,
        unit: '%',
        level,
        method: reading.method,
        reading,
        source: source.name,
        says: `${analyte} is ${threeDigits(share)} % of CEC, aimed at ${from} to ${to} %.`,
      },
    ];
  });
  const bar = saturationBar(zone, readings);
  const doubts = [
    'Reviews find no gain of base saturation over sufficiency in yield or quality (Kopittke & Menzies 2007).',
  ];
  if (bar) doubts.push(`Base saturation is shown here and never prescribes: ${bar}.`);
  return { findings, doubts };
}
