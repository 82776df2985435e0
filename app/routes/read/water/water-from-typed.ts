import { type IrrigationWater, irrigationWaterSchema } from '@core/records/case';
import { faultsByField } from '@core/records/strict-schema';
import type { Units } from '../../../ui/format';
import { FieldNumbers, FieldTexts, type FirstTexts } from '../../../work/typed-fields';

/** Numbers of a water report, in the order laboratories print them, with the unit they are typed in. */
export const WATER_FIELDS = [
  { key: 'ecw', label: 'Salinity, ECw', unit: 'dS/m' },
  { key: 'sar', label: 'SAR', unit: 'ratio' },
  { key: 'hco3MeqPerL', label: 'Bicarbonate', unit: 'meq/L' },
  { key: 'co3MeqPerL', label: 'Carbonate', unit: 'meq/L' },
  { key: 'no3nMgPerL', label: 'Nitrate-N', unit: 'mg/L' },
  { key: 'clMgPerL', label: 'Chloride', unit: 'mg/L' },
  { key: 'bMgPerL', label: 'Boron', unit: 'mg/L' },
  { key: 'inPerYear', label: 'Irrigation a year', unit: 'in' },
] as const;
type WaterField = (typeof WATER_FIELDS)[number]['key'];

/** An analysis of irrigation water as typed: numbers are still text. */
export type TypedWater = Record<WaterField | 'sampledOn', string> & { held?: FirstTexts };

/** The depth watered is typed in the units of whoever types; laboratories print the others in the same everywhere. */
const quantityOf = (key: WaterField) => (key === 'inPerYear' ? 'depth' : undefined);

export function typedFromWater(water: IrrigationWater | undefined, units: Units): TypedWater {
  const fields = new FieldTexts(units);
  return {
    sampledOn: water?.sampledOn ?? '',
    ...Object.fromEntries(WATER_FIELDS.map(({ key }) => [key, fields.text(key, water?.[key], quantityOf(key))])),
    held: fields.first,
  } as TypedWater;
}

/** The analysis that was typed, or what is wrong with it by field. */
export function waterFromTyped(
  typed: TypedWater,
  units: Units,
): { water: IrrigationWater } | { faults: Record<string, string> } {
  const fields = new FieldNumbers(units, typed.held);
  const { faults } = fields;
  const numbers: Partial<Record<WaterField, number>> = {};
  for (const { key, label } of WATER_FIELDS) {
    const value = fields.read(typed[key] ?? '', { name: key, label, field: key, quantity: quantityOf(key) });
    if (value !== undefined) numbers[key] = value;
  }
  const water: IrrigationWater = { ...numbers, ...(typed.sampledOn ? { sampledOn: typed.sampledOn } : {}) };
  for (const [field, sentence] of Object.entries(faultsByField(irrigationWaterSchema, water)))
    faults[field] ??= sentence;
  if (Object.keys(faults).length > 0) return { faults };
  if (Object.keys(numbers).length === 0) return { faults: { ecw: 'Type at least one number of the water report.' } };
  const load = (numbers.no3nMgPerL ?? 0) + (numbers.hco3MeqPerL ?? 0) + (numbers.co3MeqPerL ?? 0);
  if (load > 0 && numbers.inPerYear === undefined)
    return {
      faults: {
        inPerYear: 'How much is watered in a year? Without it neither nitrate nor bicarbonate can be reckoned.',
      },
    };
  return { water };
}
