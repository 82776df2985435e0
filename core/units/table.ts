import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import {
  G_PER_LB,
  LB_PER_TON,
  M_PER_FT,
  M_PER_MILE,
  MM_PER_INCH,
  SQ_FT_PER_ACRE,
  SQ_M_PER_1000_SQ_FT,
} from './conversions';

/**
 * Units of the trade, each exact by definition. The core reckons in the US ones; a person may read and type in any. A general library of units
 * writes none of them as the trade does: lb/1000 ft2, fl oz/1000 ft2, gal/1000 ft2.
 */

/** What a unit measures, as it is said where two do not go together. */
export type Dimension =
  | 'a length'
  | 'an area'
  | 'a mass'
  | 'a volume'
  | 'a mass on an area'
  | 'a volume on an area'
  | 'a depth of water in a time'
  | 'a speed'
  | 'a flow'
  | 'a pressure'
  | 'a mass in a volume'
  | 'a temperature';

interface Unit {
  dimension: Dimension;
  /** How many of the dimension's own unit one of it is. */
  factor: number;
  /** Where its zero lies in its own degrees below the dimension's. */
  zero?: number;
}

const IN3_PER_GAL = 231;
const M_PER_IN = MM_PER_INCH / 1000;
const L_PER_GAL = IN3_PER_GAL * (M_PER_IN * 10) ** 3;
const FT3_L = (M_PER_FT * 10) ** 3;
const SQ_M_PER_ACRE = SQ_FT_PER_ACRE * M_PER_FT ** 2;
const OZ_G = G_PER_LB / 16;
const FL_OZ_L = L_PER_GAL / 128;
const HOUR_S = 3600;
const DAY_S = 86_400;
/** Standard gravity, m/s2, which a pound-force is a pound under. Exact by definition. */
const GRAVITY = 9.80665;
const PSI_KPA = ((G_PER_LB / 1000) * GRAVITY) / M_PER_IN ** 2 / 1000;

const of = <const U extends Record<string, number>>(dimension: Dimension, units: U): { [K in keyof U]: Unit } =>
  Object.fromEntries(Object.entries(units).map(([id, factor]) => [id, { dimension, factor }])) as {
    [K in keyof U]: Unit;
  };

/** Every unit by its name. Factors are exact: international foot and pound, US gallon of 231 in3 (NIST SP 811, Handbook 44). */
export const UNIT_TABLE = {
  ...of('a length', {
    in: M_PER_IN,
    ft: M_PER_FT,
    yd: 3 * M_PER_FT,
    mile: M_PER_MILE,
    mm: 0.001,
    cm: 0.01,
    m: 1,
    km: 1000,
  }),
  ...of('an area', {
    ft2: M_PER_FT ** 2,
    '1000 ft2': SQ_M_PER_1000_SQ_FT,
    acre: SQ_M_PER_ACRE,
    m2: 1,
    ha: 10_000,
  }),
  ...of('a mass', { oz: OZ_G, lb: G_PER_LB, ton: G_PER_LB * LB_PER_TON, g: 1, kg: 1000, t: 1_000_000 }),
  ...of('a volume', {
    'fl oz': FL_OZ_L,
    qt: L_PER_GAL / 4,
    gal: L_PER_GAL,
    mL: 0.001,
    L: 1,
    ft3: FT3_L,
    yd3: 27 * FT3_L,
    m3: 1000,
  }),
  ...of('a mass on an area', {
    'lb/1000 ft2': G_PER_LB / SQ_M_PER_1000_SQ_FT,
    'oz/1000 ft2': OZ_G / SQ_M_PER_1000_SQ_FT,
    'lb/acre': G_PER_LB / SQ_M_PER_ACRE,
    'g/m2': 1,
    'kg/ha': 0.1,
    'kg/100 m2': 10,
  }),
  ...of('a volume on an area', {
    'gal/1000 ft2': L_PER_GAL / SQ_M_PER_1000_SQ_FT,
    'fl oz/1000 ft2': FL_OZ_L / SQ_M_PER_1000_SQ_FT,
    'gal/acre': L_PER_GAL / SQ_M_PER_ACRE,
    'L/100 m2': 0.01,
    'mL/100 m2': 0.000_01,
    'mL/m2': 0.001,
    'L/ha': 0.0001,
  }),
  ...of('a depth of water in a time', {
    'in/h': MM_PER_INCH / HOUR_S,
    'in/day': MM_PER_INCH / DAY_S,
    'mm/h': 1 / HOUR_S,
    'mm/day': 1 / DAY_S,
  }),
  ...of('a speed', { mph: M_PER_MILE / HOUR_S, 'ft/min': M_PER_FT / 60, 'km/h': 1000 / HOUR_S, 'm/s': 1 }),
  ...of('a flow', { 'gal/min': L_PER_GAL, 'L/min': 1 }),
  ...of('a pressure', { psi: PSI_KPA, kPa: 1, bar: 100 }),
  ...of('a mass in a volume', {
    'lb/gal': G_PER_LB / 1000 / L_PER_GAL,
    'lb/ft3': G_PER_LB / 1000 / FT3_L,
    'kg/L': 1,
    'g/cm3': 1,
  }),
  'deg F': { dimension: 'a temperature', factor: 5 / 9, zero: 32 },
  'deg C': { dimension: 'a temperature', factor: 1, zero: 0 },
} as const satisfies Record<string, Unit>;

export type UnitId = keyof typeof UNIT_TABLE;
export const UNIT_IDS = Object.keys(UNIT_TABLE) as [UnitId, ...UnitId[]];

/** What two units measure, where they are of one dimension. */
export const areAlike = (a: UnitId, b: UnitId): boolean => UNIT_TABLE[a].dimension === UNIT_TABLE[b].dimension;

/**
 * A number of one unit in another that measures the same: what the interface shows and takes. `unit.convert` says the same with its steps,
 * and refuses two that do not go together.
 *
 * @throws RangeError where the units measure different things, which only a defect of ours can ask for
 * @example inUnit(1, 'lb/1000 ft2', 'g/m2') // 4.88242763638…
 */
export function inUnit(value: number, from: UnitId, to: UnitId): number {
  if (from === to) return value;
  if (!areAlike(from, to)) throw new RangeError(`${from} and ${to} measure different things.`);
  const [a, b]: [Unit, Unit] = [UNIT_TABLE[from], UNIT_TABLE[to]];
  return ((value - (a.zero ?? 0)) * a.factor) / b.factor + (b.zero ?? 0);
}

/** A number of one unit in another of the same dimension, to the last digit a number holds. */
export const unitConvert = defineReckoning({
  id: 'unit.convert',
  title: 'Units converted',
  about:
    'A number of one unit in another that measures the same. Rates on an area, of product or of carrier, go by the trade’s names; a mass and a volume on an area never go into one another without a density.',
  inputs: {
    value: quantity('')('value'),
    from: choice('unit from', UNIT_IDS),
    to: choice('unit to', UNIT_IDS),
  },
  unit: 'of the unit asked for',
  formula: [
    'value × factor of from ÷ factor of to',
    'temperatures: (value − zero of from) × factor ÷ factor + zero of to',
  ],
  sources: [
    {
      cite: 'NIST Special Publication 811, Guide for the Use of the International System of Units, appendix B; NIST Handbook 44, appendix C',
      standing: 'published',
    },
  ],
  limits: ['US gallons, short tons and international feet; a pound is of mass, and of force only in psi.'],
  example: { inputs: { value: 1, from: 'lb/1000 ft2', to: 'g/m2' }, value: 4.8824276363831 },
  reckon({ value, from, to }, work) {
    const [a, b]: [Unit, Unit] = [UNIT_TABLE[from], UNIT_TABLE[to]];
    if (a.dimension !== b.dimension)
      return refuse('to', `${from} is ${a.dimension}, ${to} ${b.dimension}: one does not go into the other.`);
    const [factorFrom, factorTo] = [a.factor, b.factor];
    if (a.zero === undefined || b.zero === undefined)
      return work.step(
        'converted',
        'value × factorFrom ÷ factorTo',
        { value, factorFrom, factorTo },
        (value * factorFrom) / factorTo,
        to,
      );
    const [zeroFrom, zeroTo] = [a.zero, b.zero];
    return work.step(
      'converted',
      '(value − zeroFrom) × factorFrom ÷ factorTo + zeroTo',
      { value, zeroFrom, factorFrom, factorTo, zeroTo },
      ((value - zeroFrom) * factorFrom) / factorTo + zeroTo,
      to,
    );
  },
});
