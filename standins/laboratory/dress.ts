import { fixed } from '../../core/words/numbers';
import type { Soil } from './soil';

/** What every way of writing a report shares. One analysis is printed by all of them, rounded once before. */

/** One bag as the laboratory knows it. */
export interface AnalysedBag {
  code: string;
  sampledOn: string;
  depthIn: number;
  found: Soil;
}

/** The name on every report: nobody is to take it for a laboratory outside. */
export const NAME = 'Simulated laboratory';
export const CM_PER_IN = 2.54;
/** Under this a laboratory prints only that it is under it. */
export const LEAST_ZINC_PPM = 0.5;
export const zinc = (value: number): string => (value < LEAST_ZINC_PPM ? `<${LEAST_ZINC_PPM}` : fixed(value, 1));

/** Nutrients by Mehlich-3, in the order that most reports have. */
export const NUTRIENTS = ['P', 'K', 'Ca', 'Mg', 'S', 'Na', 'Fe', 'Mn', 'Zn', 'Cu'] as const;
export type SimulatedNutrient = (typeof NUTRIENTS)[number];
export const FULL_NAMES: Record<SimulatedNutrient, string> = {
  P: 'Phosphorus',
  K: 'Potassium',
  Ca: 'Calcium',
  Mg: 'Magnesium',
  S: 'Sulfur',
  Na: 'Sodium',
  Fe: 'Iron',
  Mn: 'Manganese',
  Zn: 'Zinc',
  Cu: 'Copper',
};

export const shown = (bag: AnalysedBag, nutrient: SimulatedNutrient): string =>
  nutrient === 'Zn' ? zinc(bag.found.Zn) : String(bag.found[nutrient]);

/** Where the laboratory's own words for a level begin, ppm: low, medium, high, very high. Invented, for ratings only. */
const STEPS: Partial<Record<SimulatedNutrient, readonly [number, number, number]>> = {
  P: [20, 40, 80],
  K: [45, 80, 160],
  Ca: [500, 1000, 3000],
  Mg: [60, 110, 300],
  S: [8, 14, 40],
};
const WORDS = ['L', 'M', 'H', 'VH'] as const;
/** The laboratory's rating of a value; undefined for those it does not rate. */
export function rating(bag: AnalysedBag, nutrient: SimulatedNutrient): (typeof WORDS)[number] | undefined {
  const steps = STEPS[nutrient];
  return steps && WORDS[steps.filter((step) => bag.found[nutrient] >= step).length];
}

/** `10/12/2026`. */
export const american = (day: string): string =>
  `${Number(day.slice(5, 7))}/${Number(day.slice(8))}/${day.slice(0, 4)}`;
/** `12.10.2026`. */
export const dotted = (day: string): string => day.split('-').reverse().join('.');
export const comma = (text: string | number): string => String(text).replace('.', ',');
