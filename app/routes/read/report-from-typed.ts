import {
  type Analyte,
  type Method,
  NEEDS_UNIT,
  type SoilResult,
  type SoilTest,
  soilTestSchema,
} from '@core/records/case';
import { newId } from '@core/records/new-id';
import { faultsByField } from '@core/records/strict-schema';
import { typedNumber } from '@core/typed/typed-number';
import { isRefusal } from '@core/reckoning/refusal';
import { refuseMehlichBuffer } from '@core/soil/buffer-acidity';

/** A soil report as typed. Values are text; a leading < is a value under the laboratory's limit. */
export interface TypedReport {
  id?: string;
  sampledOn: string;
  depth: string;
  lab: string;
  /** Unit of the nutrients on this report; the empty string is "not said yet". */
  unit: string;
  extractant: string;
  phMethod: string;
  bufferMethod: string;
  pMethod: string;
  values: Partial<Record<Analyte, string>>;
}

/** The rows of the form, in the order reports print them. */
export const ROWS: readonly { analyte: Analyte; label: string; unit?: string }[] = [
  { analyte: 'pH', label: 'Soil pH' },
  { analyte: 'buffer-pH', label: 'Buffer pH' },
  { analyte: 'P', label: 'Phosphorus, P' },
  { analyte: 'K', label: 'Potassium, K' },
  { analyte: 'Ca', label: 'Calcium, Ca' },
  { analyte: 'Mg', label: 'Magnesium, Mg' },
  { analyte: 'S', label: 'Sulfur, S' },
  { analyte: 'Fe', label: 'Iron, Fe' },
  { analyte: 'Mn', label: 'Manganese, Mn' },
  { analyte: 'Zn', label: 'Zinc, Zn' },
  { analyte: 'Cu', label: 'Copper, Cu' },
  { analyte: 'OM', label: 'Organic matter', unit: '%' },
  { analyte: 'CEC', label: 'CEC', unit: 'cmolc/kg' },
  { analyte: 'CaCO3', label: 'Carbonate, CaCO3', unit: '%' },
];

/** Extractants that carry most nutrients of a report. */
export const EXTRACTANTS = [
  'mehlich-3',
  'mehlich-1',
  'ammonium-acetate',
  'morgan',
  'modified-morgan',
] as const satisfies readonly Method[];
export const P_METHODS = ['same', 'mehlich-3', 'bray-p1', 'olsen', 'mehlich-1', 'morgan'] as const;
export const PH_METHODS = ['water-1:1', 'water-1:2', 'saturated-paste', 'cacl2'] as const;
export const BUFFER_METHODS = ['mehlich', 'modified-mehlich', 'smp', 'sikora', 'adams-evans', 'moore-sikora'] as const;

const FIXED_UNIT: Partial<Record<Analyte, SoilResult['unit']>> = { OM: '%', CaCO3: '%', CEC: 'cmolc/kg' };

export function typedFromReport(test: SoilTest | undefined, today: string): TypedReport {
  const find = (analyte: Analyte) => test?.results.find((r) => r.analyte === analyte);
  const nutrient = test?.results.find((r) => NEEDS_UNIT.has(r.analyte) && r.analyte !== 'P') ?? find('P');
  const pMethod = find('P')?.method;
  return {
    id: test?.id,
    sampledOn: test?.sampledOn ?? today,
    depth: test?.depthIn === undefined ? (test ? '' : '4') : String(test.depthIn),
    lab: test?.lab ?? '',
    unit: nutrient?.unit ?? '',
    extractant: nutrient?.method ?? 'mehlich-3',
    phMethod: find('pH')?.method ?? 'water-1:1',
    bufferMethod: find('buffer-pH')?.method ?? 'mehlich',
    pMethod: pMethod && pMethod !== nutrient?.method ? pMethod : 'same',
    values: Object.fromEntries((test?.results ?? []).map((r) => [r.analyte, `${r.qualifier ?? ''}${r.value}`])),
  };
}

function methodOf(analyte: Analyte, typed: TypedReport): Method | undefined {
  if (analyte === 'pH') return typed.phMethod as Method;
  if (analyte === 'buffer-pH') return typed.bufferMethod as Method;
  if (analyte === 'P' && typed.pMethod !== 'same') return typed.pMethod as Method;
  return NEEDS_UNIT.has(analyte) ? (typed.extractant as Method) : undefined;
}

/** Reads a typed report. Results the form has no row for are kept from the report before. */
export function reportFromTyped(
  typed: TypedReport,
  zoneId: string,
  before: SoilTest | undefined,
  taken: readonly string[],
): { test: SoilTest } | { faults: Record<string, string> } {
  const faults: Record<string, string> = {};
  const results: SoilResult[] = [];
  for (const { analyte, label } of ROWS) {
    const text = typed.values[analyte]?.trim() ?? '';
    const qualifier = text.startsWith('<') || text.startsWith('>') ? (text[0] as '<' | '>') : undefined;
    const value = typedNumber(qualifier ? text.slice(1) : text, label, analyte);
    if (isRefusal(value)) faults[analyte] = value.refused;
    if (value === undefined || isRefusal(value)) continue;
    const unit = NEEDS_UNIT.has(analyte) ? (typed.unit as SoilResult['unit']) || undefined : FIXED_UNIT[analyte];
    const method = methodOf(analyte, typed);
    results.push({
      analyte,
      value,
      ...(unit ? { unit } : {}),
      ...(method ? { method } : {}),
      ...(qualifier ? { qualifier } : {}),
    });
    if (analyte === 'buffer-pH' && (method === 'mehlich' || method === 'modified-mehlich')) {
      const wrong = refuseMehlichBuffer(value);
      if (wrong) faults[analyte] = wrong.refused;
    }
  }
  const depth = typedNumber(typed.depth, 'Sampling depth', 'depth');
  if (isRefusal(depth)) faults.depth = depth.refused;
  const unshown = before?.results.filter((r) => !ROWS.some((row) => row.analyte === r.analyte)) ?? [];
  const test = {
    id: before?.id ?? newId(`${zoneId}-${typed.sampledOn}`, taken),
    zoneId,
    sampledOn: typed.sampledOn,
    ...(depth === undefined || isRefusal(depth) ? {} : { depthIn: depth }),
    ...(typed.lab.trim() ? { lab: typed.lab.trim() } : {}),
    results: [...results, ...unshown],
  };
  for (const [path, sentence] of Object.entries(faultsByField(soilTestSchema, test))) {
    const at = /^results\[(\d+)\]\.(\w+)/.exec(path);
    const result = at && test.results[Number(at[1])];
    if (result && at[2] === 'unit')
      faults.unit ??=
        'The report’s unit is missing: look whether its nutrients are in ppm, lb/acre or another unit, and choose it.';
    else if (result) faults[result.analyte] ??= sentence;
    else faults[path === 'depthIn' ? 'depth' : path === 'results' ? 'pH' : path] ??= sentence;
  }
  return Object.keys(faults).length > 0 ? { faults } : { test };
}
