import { defineReckoning } from '../reckoning/define';
import { choice, inches, plain, quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import {
  ACRE_FURROW_SLICE_LB,
  FURROW_SLICE_IN,
  HA_PER_ACRE,
  KG_PER_LB,
  SOIL_LB_PER_1000_PER_INCH,
  THOUSANDS_PER_ACRE,
} from '../units/conversions';

export const MASS_UNITS = ['ppm', 'mg/dm3', 'lb/acre', 'kg/ha'] as const;
export type MassUnit = (typeof MASS_UNITS)[number];

/** lb/acre that 1 ppm is, by depth: with bulk density the true mass, without it the laboratories' 300,000 lb an inch. */
export const lbPerAcrePerPpm = (depthIn: number, bulkDensity?: number): number =>
  bulkDensity === undefined
    ? ((ACRE_FURROW_SLICE_LB / FURROW_SLICE_IN) * depthIn) / 1e6
    : (SOIL_LB_PER_1000_PER_INCH * THOUSANDS_PER_ACRE * depthIn * bulkDensity) / 1e6;

/** A soil test from one unit to another. 160 lb K/acre at the customary depth is 80 ppm. */
export const methodConvert = defineReckoning({
  id: 'soil.method-convert',
  title: 'Soil test unit to another',
  about:
    'Brings a laboratory’s unit to ppm or back. Laboratories that print lb/acre assume 2,000,000 lb of soil in 6 2/3 in unless they say a depth.',
  inputs: {
    value: plain('soil test', { min: 0, max: 10_000_000 }),
    from: choice('unit given', MASS_UNITS),
    to: choice('unit wanted', MASS_UNITS),
    depthIn: inches('depth the unit is for', { above: 0, max: 12, optional: true }),
    bulkDensity: quantity('g/cm3')('bulk density', { min: 0.2, max: 2, optional: true }),
  },
  unit: 'the unit wanted',
  formula: [
    'lb/acre = ppm × 0.3 × depth (without density), ppm × 0.226613 × depth × density (with it)',
    'kg/ha = lb/acre × 1.12085',
    'mg/dm3 = ppm × density',
  ],
  sources: [
    { cite: 'Acre furrow slice: 2,000,000 lb in 6 2/3 in', standing: 'common practice' },
    { cite: 'NIST Handbook 44 appendix C: acre, pound, metre', standing: 'published' },
  ],
  limits: ['Changes units only: one extractant cannot be turned into another.'],
  example: { inputs: { value: 160, from: 'lb/acre', to: 'ppm' }, value: 80 },
  reckon({ value, from, to, depthIn = FURROW_SLICE_IN, bulkDensity }, work) {
    if (from === to) {
      work.note('same unit', 'nothing to convert', value, to);
      return value;
    }
    if ((from === 'mg/dm3' || to === 'mg/dm3') && bulkDensity === undefined)
      return refuse('bulkDensity', 'mg/dm3 is by volume: give the bulk density of the soil to convert it.');
    const perPpm: Record<MassUnit, number> = {
      ppm: 1,
      'mg/dm3': bulkDensity ?? 1,
      'lb/acre': lbPerAcrePerPpm(depthIn, bulkDensity),
      'kg/ha': (lbPerAcrePerPpm(depthIn, bulkDensity) * KG_PER_LB) / HA_PER_ACRE,
    };
    const fromEach = perPpm[from];
    const toEach = perPpm[to];
    work.note(`1 ppm in ${from}`, 'from depth and density', fromEach, from);
    work.note(`1 ppm in ${to}`, 'from depth and density', toEach, to);
    return work.step(
      'converted',
      'value × toEach ÷ fromEach',
      { value, toEach, fromEach },
      (value * toEach) / fromEach,
      to,
    );
  },
});
