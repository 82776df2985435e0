import { fixed, significant } from '../words/numbers';
import { PPM_PER_CMOLC } from '../soil/cec';
import { resultFault } from '../records/soil-test-schema';
import type { ReportReading, ReportSample, ReportValue } from './reading';
import { ELEMENT_IN_OXIDE, isSoilAnalyte, type ReportAnalyte } from './terms/names';
import type { ReportUnit } from './terms/units';

/** How a value that cannot be may have come about. */
export interface Candidate {
  how: 'point-lost' | 'as-printed' | 'lb-per-acre' | 'oxide';
  says: string;
  value: number;
  /** Charge of the cation, cmolc/kg, where the exchange capacity is the measure. */
  cmolcPerKg?: number;
  fits: boolean;
}
/** A value that is asked about before it is stored. */
export interface Slip {
  sample: number;
  value: number;
  analyte: ReportAnalyte;
  because: string;
  /** Exchange capacity it is held against. */
  cec?: number;
  candidates: Candidate[];
  /** The only one that fits; undefined where none or several do. */
  likeliest?: number;
}

/** Above this nobody has seen turf soil, ppm or the analyte's own unit. Common practice, wide. */
const MOST: Partial<Record<ReportAnalyte, number>> = {
  P: 1200,
  K: 2500,
  Ca: 25_000,
  Mg: 4000,
  S: 2500,
  Na: 8000,
  Fe: 1500,
  Mn: 1200,
  Zn: 400,
  Cu: 250,
  B: 25,
  'NO3-N': 400,
  OM: 60,
  CEC: 80,
  EC: 60,
  Al: 4000,
  CaCO3: 90,
  SAR: 150,
};
const OXIDE_OF: Partial<Record<ReportAnalyte, keyof typeof ELEMENT_IN_OXIDE>> = {
  P: 'P2O5',
  K: 'K2O',
  Ca: 'CaO',
  Mg: 'MgO',
  Na: 'Na2O',
};
/** A cation's charge over this share of the capacity cannot be held by it; in limy soil the extract dissolves calcium. */
const OVER_CAPACITY = 1.3;
const OVER_IN_LIME = 8;
const LIMY_PH = 7.3;
/** Bases together over this share of the capacity, in every sample, look like lb/acre. */
const LOOKS_LIKE_LB = [1.45, 2.6] as const;
/** Under this share at a pH over 6 they look like ppm printed as lb/acre. */
const LOOKS_LIKE_PPM = 0.42;
const LEAST_PPM: Partial<Record<ReportAnalyte, number>> = { Ca: 20, Mg: 3, K: 3, P: 0.5 };

const BASES = ['Ca', 'Mg', 'K', 'Na'] as const;
type Base = (typeof BASES)[number];

const one = (sample: ReportSample, analyte: ReportAnalyte): number | undefined =>
  sample.values.find((v) => v.analyte === analyte && v.unit !== '%' && v.impossible === undefined)?.value;

const ppmOf = ({ value, unit }: ReportValue): number | undefined =>
  unit === 'ppm' || unit === 'mg/dm3'
    ? value
    : unit === 'lb/acre'
      ? value / 2
      : unit === 'kg/ha'
        ? value / 2.24
        : undefined;

/** Values that cannot be, each with how it may have come about; to be answered before a sample is stored. */
export function slipsOf({ samples, facts }: Pick<ReportReading, 'samples' | 'facts'>): Slip[] {
  if (facts.kind.value !== 'soil') return [];
  return samples.flatMap((sample, i) =>
    sample.values.flatMap((value, at) => slipOf(sample, value, i, at, samples) ?? []),
  );
}

function slipOf(
  sample: ReportSample,
  value: ReportValue,
  i: number,
  at: number,
  samples: readonly ReportSample[],
): Slip | undefined {
  const { analyte } = value;
  if (!isSoilAnalyte(analyte)) return undefined;
  if (value.impossible !== undefined) {
    const candidates: Candidate[] = [10, 100].map((by) => ({
      how: 'point-lost' as const,
      says: 'point lost',
      value: value.value / by,
      fits: !resultFault({ analyte, ...(value.unit ? { unit: value.unit } : {}), value: value.value / by }),
    }));
    return slip(i, at, analyte, value.impossible, candidates);
  }
  const ppm = ppmOf(value);
  const cec = value.unit === '%' ? undefined : one(sample, 'CEC');
  const limy = (one(sample, 'pH') ?? 0) >= LIMY_PH || (one(sample, 'CaCO3') ?? 0) > 0;
  const perCmolc = analyte in PPM_PER_CMOLC ? PPM_PER_CMOLC[analyte as Base] : undefined;
  const charge =
    perCmolc === undefined
      ? undefined
      : value.unit === 'cmolc/kg'
        ? value.value
        : ppm === undefined
          ? undefined
          : ppm / perCmolc;
  const most = MOST[analyte];
  const shown = ppm ?? value.value;
  const overCapacity =
    cec !== undefined &&
    cec > 0 &&
    charge !== undefined &&
    charge > cec * (limy && analyte === 'Ca' ? OVER_IN_LIME : OVER_CAPACITY);
  const overMost =
    most !== undefined && value.unit !== '%' && (value.unit === 'cmolc/kg' && analyte !== 'CEC' ? false : shown > most);
  if (!overCapacity && !overMost) return undefined;
  const others = samples
    .flatMap((s, k) => (k === i ? [] : (s.values.find((v) => v.term === value.term)?.value ?? [])))
    .sort((a, b) => a - b);
  const median = others[Math.floor(others.length / 2)];
  const fits = (candidate: number, printedUnit: ReportUnit | undefined): boolean => {
    const asPpm = printedUnit === 'lb/acre' ? candidate / 2 : printedUnit === 'kg/ha' ? candidate / 2.24 : candidate;
    const load = perCmolc === undefined ? undefined : printedUnit === 'cmolc/kg' ? candidate : asPpm / perCmolc;
    if (cec !== undefined && load !== undefined && load > cec * (limy && analyte === 'Ca' ? OVER_IN_LIME : 1.1))
      return false;
    if (most !== undefined && asPpm > most) return false;
    if (asPpm < (LEAST_PPM[analyte] ?? 0)) return false;
    return median === undefined || (candidate < median * 5 && candidate > median / 5);
  };
  const withCharge = (candidate: number) =>
    perCmolc === undefined
      ? {}
      : {
          cmolcPerKg: value.unit === 'cmolc/kg' ? candidate : candidate / (value.unit === 'lb/acre' ? 2 : 1) / perCmolc,
        };
  const neighbor = samples
    .flatMap((s) => s.values)
    .find((v) => v.term === value.term && /[.,]\d/.test(v.text) && v !== value);
  const candidates: Candidate[] = [10, 100].map((by) => ({
    how: 'point-lost',
    says: neighbor ? `point lost: ${neighbor.text} has one` : 'point lost',
    value: value.value / by,
    ...withCharge(value.value / by),
    fits: fits(value.value / by, value.unit),
  }));
  candidates.push({
    how: 'as-printed',
    says: 'as printed',
    value: value.value,
    ...withCharge(value.value),
    fits: fits(value.value, value.unit),
  });
  if (value.unit === 'ppm' || value.unit === 'mg/dm3')
    candidates.push({
      how: 'lb-per-acre',
      says: 'is lb per acre',
      value: value.value / 2,
      ...withCharge(value.value / 2),
      fits: fits(value.value / 2, value.unit),
    });
  const oxide = OXIDE_OF[analyte];
  if (oxide && value.unit !== 'cmolc/kg')
    candidates.push({
      how: 'oxide',
      says: `is the oxide, ${oxide}`,
      value: value.value * ELEMENT_IN_OXIDE[oxide],
      ...withCharge(value.value * ELEMENT_IN_OXIDE[oxide]),
      fits: fits(value.value * ELEMENT_IN_OXIDE[oxide], value.unit),
    });
  // a point two places off is offered only where one place does not do
  const offered = candidates.filter((c, k) => k !== 1 || (!candidates[0]!.fits && c.fits));
  const because = overCapacity
    ? `${significant(shown, 5)} is ${fixed(charge, 1)} cmolc/kg of ${analyte}; this soil holds ${fixed(cec, 1)}`
    : `${analyte} ${significant(shown, 5)} is more than any turf soil holds`;
  return slip(i, at, analyte, because, offered, cec);
}

function slip(
  sample: number,
  value: number,
  analyte: ReportAnalyte,
  because: string,
  candidates: Candidate[],
  cec?: number,
): Slip {
  const fitting = candidates.flatMap((c, i) => (c.fits ? [i] : []));
  return {
    sample,
    value,
    analyte,
    because,
    candidates,
    ...(cec === undefined ? {} : { cec }),
    ...(fitting.length === 1 ? { likeliest: fitting[0]! } : {}),
  };
}

/** A unit that the whole file seems to be in, in place of the one it was read in, with its evidence; undefined where nothing speaks against it. */
export function unitDoubt({
  samples,
  facts,
}: Pick<ReportReading, 'samples' | 'facts'>): { unit: ReportUnit; says: string } | undefined {
  if (facts.kind.value !== 'soil') return undefined;
  const shares: { share: number; unit: ReportUnit | undefined }[] = [];
  for (const sample of samples.slice(0, 2000)) {
    const cec = one(sample, 'CEC');
    const ph = one(sample, 'pH');
    if (!cec || ph === undefined || ph >= LIMY_PH) continue;
    const bases = BASES.map((base) =>
      sample.values.find((v) => v.analyte === base && v.unit !== '%' && v.unit !== 'cmolc/kg'),
    );
    if (!bases[0] || !bases[1]) continue;
    const charge = bases.reduce(
      (sum, value, i) => sum + (value ? (ppmOf(value) ?? 0) / PPM_PER_CMOLC[BASES[i]!] : 0),
      0,
    );
    if (bases[0].unit === 'lb/acre' && ph < 6) continue;
    shares.push({ share: charge / cec, unit: bases[0].unit });
  }
  if (shares.length === 0) return undefined;
  const percent = Math.round((100 * shares.reduce((sum, { share }) => sum + share, 0)) / shares.length);
  if (shares.every(({ share, unit }) => unit === 'ppm' && share >= LOOKS_LIKE_LB[0] && share <= LOOKS_LIKE_LB[1]))
    return {
      unit: 'lb/acre',
      says: `Read as ppm, the bases would fill ${percent} % of the CEC; as lb/acre they fill ${Math.round(percent / 2)} %. Look on the report whether these are lb/acre.`,
    };
  if (shares.every(({ share, unit }) => unit === 'lb/acre' && share < LOOKS_LIKE_PPM))
    return {
      unit: 'ppm',
      says: `Read as lb/acre, the bases fill only ${percent} % of the CEC at a pH over 6; as ppm ${percent * 2} %. Look on the report whether these are ppm.`,
    };
  return undefined;
}
