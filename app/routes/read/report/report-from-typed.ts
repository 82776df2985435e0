import {
  type Analyte,
  type LabAdvice,
  type Method,
  type SoilResult,
  type SoilTest,
  soilTestSchema,
} from '@core/records/case';
import { newId } from '@core/records/new-id';
import { faultsByField } from '@core/records/strict-schema';
import type { QuantityId, Units } from '../../../ui/format';
import { FieldNumbers, FieldTexts, type FirstTexts } from '../../../work/typed-fields';
import { isRefusal } from '@core/reckoning/refusal';
import { type BufferMethod, limeBuffer, refuseReading } from '@core/lime/buffers';
import { analyteName, isMassAnalyte, onlyUnitOf } from '@core/records/analytes';
import { methodsOf } from '@core/records/methods';

/** What a laboratory recommends, in the order reports print it. */
export const ADVICE = [
  { key: 'limeLb', label: 'Lime, as spread', quantity: 'material-rate', of: 'lime' },
  { key: 'NLb', label: 'Nitrogen', quantity: 'nutrient-rate', of: 'N' },
  { key: 'P2O5Lb', label: 'Phosphate', quantity: 'nutrient-rate', of: 'P2O5' },
  { key: 'K2OLb', label: 'Potash', quantity: 'nutrient-rate', of: 'K2O' },
] as const satisfies readonly { key: keyof LabAdvice; label: string; quantity: QuantityId; of: string }[];
export type AdviceKey = (typeof ADVICE)[number]['key'];

/** A soil report as typed. Values are text; a leading < is a value under the laboratory's limit. */
export interface TypedReport {
  id?: string;
  /** Version of the report that the form was filled from. */
  changedAt?: string;
  sampledOn: string;
  depth: string;
  lab: string;
  /** Unit of the nutrients on this report; the empty string is "not said yet". */
  unit: string;
  extractant: string;
  phMethod: string;
  /** Which buffer; the empty string is "not said yet". */
  bufferMethod: string;
  pMethod: string;
  /** Extract of the salinity; the empty string is "not said". */
  saltMethod: string;
  /** Depth that lb/acre or kg/ha of this report count, in; empty is the custom. */
  basisDepth: string;
  /** Weight of the scoop, g/cm3; empty is 1.0. */
  scoop: string;
  /** The laboratory’s own recommendation, lb/1000 ft2. */
  advice: Record<AdviceKey, string>;
  values: Partial<Record<Analyte, string>>;
  /** What the fields held when the form was filled. */
  held?: FirstTexts;
}

const SHOWN: readonly Analyte[] = [
  'pH',
  'buffer-pH',
  'P',
  'K',
  'Ca',
  'Mg',
  'S',
  'Fe',
  'Mn',
  'Zn',
  'Cu',
  'B',
  'Na',
  'NO3-N',
  'OM',
  'CEC',
  'EC',
  'SAR',
  'ESP',
  'CaCO3',
];
/** Cations that some laboratories print as percent of CEC: typed with its sign, 2.1%. */
const CATIONS: readonly Analyte[] = ['K', 'Ca', 'Mg', 'Na'];

/** The rows of the form, in the order reports print them. */
export const ROWS: readonly { analyte: Analyte; label: string; unit?: SoilResult['unit'] }[] = SHOWN.map((analyte) => ({
  analyte,
  label: isMassAnalyte(analyte) || analyte === 'CaCO3' ? `${analyteName(analyte)}, ${analyte}` : analyteName(analyte),
  unit: onlyUnitOf(analyte),
}));

/** Extractants that carry most nutrients of a report. */
export const EXTRACTANTS = [
  'mehlich-3',
  'mehlich-1',
  'ammonium-acetate',
  'morgan',
  'modified-morgan',
] as const satisfies readonly Method[];
export const P_METHODS = ['same', 'mehlich-3', 'bray-p1', 'olsen', 'mehlich-1', 'morgan'] as const;
export const PH_METHODS = methodsOf('pH');
export { SALINITY_METHODS } from '@core/records/methods';

export function typedFromReport(test: SoilTest | undefined, today: string, units: Units): TypedReport {
  const fields = new FieldTexts(units);
  const find = (analyte: Analyte) => test?.results.find((r) => r.analyte === analyte);
  const nutrient =
    test?.results.find(
      (r) => isMassAnalyte(r.analyte) && !['P', 'B', 'Na', 'NO3-N'].includes(r.analyte) && r.unit !== '%',
    ) ??
    find('P') ??
    find('Na');
  const pMethod = find('P')?.method;
  return {
    id: test?.id,
    changedAt: test?.changedAt,
    sampledOn: test?.sampledOn ?? today,
    depth: fields.text('depth', test ? test.depthIn : 4, 'depth'),
    lab: test?.lab ?? '',
    unit: nutrient?.unit ?? '',
    extractant: nutrient?.method ?? 'mehlich-3',
    phMethod: find('pH')?.method ?? 'water-1:1',
    bufferMethod: find('buffer-pH')?.method ?? '',
    pMethod: pMethod && pMethod !== nutrient?.method ? pMethod : 'same',
    saltMethod: find('EC')?.method ?? '',
    basisDepth: fields.text('basisDepth', test?.basisDepthIn, 'depth'),
    scoop: fields.text('scoop', test?.scoopGPerCm3),
    advice: Object.fromEntries(
      ADVICE.map(({ key, quantity }) => [key, fields.text(key, test?.labAdvice?.[key], quantity)]),
    ) as TypedReport['advice'],
    values: Object.fromEntries(
      (test?.results ?? []).map((r) => [
        r.analyte,
        `${r.qualifier ?? ''}${units.plain(r.value)}${r.unit === '%' && CATIONS.includes(r.analyte) ? '%' : ''}`,
      ]),
    ),
    held: fields.first,
  };
}

function methodOf(analyte: Analyte, typed: TypedReport): Method | undefined {
  if (analyte === 'pH') return typed.phMethod as Method;
  if (analyte === 'buffer-pH') return (typed.bufferMethod as Method) || undefined;
  if (analyte === 'EC') return (typed.saltMethod as Method) || undefined;
  // boron is drawn by hot water whatever draws the rest
  if (analyte === 'B') return 'hot-water';
  if (analyte === 'P' && typed.pMethod !== 'same') return typed.pMethod as Method;
  return isMassAnalyte(analyte) ? (typed.extractant as Method) : undefined;
}

/** Asked wherever a buffer pH comes without its buffer: the three read differently, so none is guessed. */
export const WHICH_BUFFER =
  'Which buffer is it? The report says Mehlich, SMP, Adams-Evans or another beside the number.';

/** Which field of the form shows what is wrong with a key of the record. */
const FIELD_OF: Record<string, string> = {
  depthIn: 'depth',
  basisDepthIn: 'basisDepth',
  scoopGPerCm3: 'scoop',
  results: 'pH',
};

/** Reads a typed report. Results the form has no row for are kept from the report before. */
export function reportFromTyped(
  typed: TypedReport,
  zoneId: string,
  before: SoilTest | undefined,
  taken: readonly string[],
  units: Units,
): { test: SoilTest } | { faults: Record<string, string> } {
  const faults: Record<string, string> = {};
  const results: SoilResult[] = [];
  for (const { analyte, label } of ROWS) {
    const whole = typed.values[analyte]?.trim() ?? '';
    const share = CATIONS.includes(analyte) && whole.endsWith('%');
    const text = share ? whole.slice(0, -1).trim() : whole;
    const qualifier = text.startsWith('<') || text.startsWith('>') ? (text[0] as '<' | '>') : undefined;
    const value = units.readPlain(qualifier ? text.slice(1) : text, label, analyte);
    if (isRefusal(value)) faults[analyte] = value.refused;
    if (value === undefined || isRefusal(value)) continue;
    const unit = share
      ? '%'
      : isMassAnalyte(analyte)
        ? (typed.unit as SoilResult['unit']) || undefined
        : onlyUnitOf(analyte);
    const method = methodOf(analyte, typed);
    results.push({
      analyte,
      value,
      ...(unit ? { unit } : {}),
      ...(method ? { method } : {}),
      ...(qualifier ? { qualifier } : {}),
    });
    if (analyte === 'buffer-pH') {
      if (!limeBuffer(method)) faults.bufferMethod = WHICH_BUFFER;
      else {
        const wrong = refuseReading(method as BufferMethod, value);
        if (wrong) faults[analyte] = wrong.refused;
      }
    }
  }
  const fields = new FieldNumbers(units, typed.held);
  const number = (text: string, label: string, key: string, quantity?: QuantityId): number | undefined => {
    const read = fields.read(text, { name: key, label, field: key, quantity });
    const fault = fields.faults[key];
    if (fault) faults[key] = fault;
    return read;
  };
  const depthIn = number(typed.depth, 'Sampling depth', 'depth', 'depth');
  const byArea = typed.unit === 'lb/acre' || typed.unit === 'kg/ha';
  const basisDepthIn = byArea ? number(typed.basisDepth, 'Depth the unit is for', 'basisDepth', 'depth') : undefined;
  const scoopGPerCm3 = typed.unit === 'mg/dm3' ? number(typed.scoop, 'Weight of the scoop', 'scoop') : undefined;
  const labAdvice = Object.fromEntries(
    ADVICE.flatMap(({ key, label, quantity }) => {
      const lb = number(typed.advice[key], label, key, quantity);
      return lb === undefined ? [] : [[key, lb] as const];
    }),
  ) as LabAdvice;
  const unshown = before?.results.filter((r) => !ROWS.some((row) => row.analyte === r.analyte)) ?? [];
  const test = {
    // one that was deleted meanwhile is not quietly stored anew: the write finds out and asks
    id: typed.id ?? newId(`${zoneId}-${typed.sampledOn}`, taken),
    ...(typed.changedAt ? { changedAt: typed.changedAt } : {}),
    zoneId,
    sampledOn: typed.sampledOn,
    ...(depthIn === undefined ? {} : { depthIn }),
    ...(basisDepthIn === undefined ? {} : { basisDepthIn }),
    ...(scoopGPerCm3 === undefined ? {} : { scoopGPerCm3 }),
    ...(typed.lab.trim() ? { lab: typed.lab.trim() } : {}),
    ...(Object.keys(labAdvice).length > 0 ? { labAdvice } : {}),
    results: [...results, ...unshown],
  };
  for (const [path, sentence] of Object.entries(faultsByField(soilTestSchema, test))) {
    const at = /^results\[(\d+)\]\.(\w+)/.exec(path);
    const result = at && test.results[Number(at[1])];
    if (result && at[2] === 'unit')
      faults.unit ??=
        'The report’s unit is missing: look whether its nutrients are in ppm, lb/acre or another unit, and choose it.';
    else if (result) faults[result.analyte] ??= sentence;
    else faults[FIELD_OF[path] ?? path.replace('labAdvice.', '')] ??= sentence;
  }
  return Object.keys(faults).length > 0 ? { faults } : { test };
}
