/**
 * What a reckoning may be given. An input is declared once, with its unit and bounds; the check, the handbook entry,
 * the command line's refusals and the JSON Schema are all made from that declaration.
 */

interface InputBase {
  /** What a person calls it, for sentences: "buffer pH". */
  label: string;
  optional?: boolean;
}
/** One number. `min` and `max` are allowed values themselves; `above` is not. */
export interface NumberInput extends InputBase {
  kind: 'number';
  unit: string;
  min?: number;
  max?: number;
  above?: number;
  integer?: boolean;
  /** Said after "must be ..." when a bound is broken: what the person should do. */
  hint?: string;
}
/** One of a fixed set of words. */
export interface ChoiceInput<Option extends string = string> extends InputBase {
  kind: 'choice';
  options: readonly Option[];
}
/** A list of numbers. */
export interface NumbersInput extends InputBase {
  kind: 'numbers';
  unit: string;
  min?: number;
  leastCount: number;
}
/** A list of pairs: corner points in feet or lon/lat. */
export interface PairsInput extends InputBase {
  kind: 'pairs';
  unit: string;
  leastCount: number;
}
/** Named amounts, such as a guaranteed analysis. */
export interface AmountsInput extends InputBase {
  kind: 'amounts';
  unit: string;
  min?: number;
  max?: number;
}
export type Input = NumberInput | ChoiceInput | NumbersInput | PairsInput | AmountsInput;
export type Inputs = Record<string, Input>;

export type Pair = readonly [number, number];

type ValueOfInput<I extends Input> = I extends { kind: 'number' }
  ? number
  : I extends { kind: 'choice'; options: readonly (infer Option)[] }
    ? Option
    : I extends { kind: 'numbers' }
      ? readonly number[]
      : I extends { kind: 'pairs' }
        ? readonly Pair[]
        : Readonly<Record<string, number>>;

type OptionalKeys<D extends Inputs> = { [K in keyof D]: D[K] extends { optional: true } ? K : never }[keyof D];

/** The typed values that a set of declared inputs stands for. */
export type ValuesOf<D extends Inputs> = { [K in Exclude<keyof D, OptionalKeys<D>>]: ValueOfInput<D[K]> } & {
  [K in OptionalKeys<D>]?: ValueOfInput<D[K]>;
};

type NumberBounds = Partial<Omit<NumberInput, 'kind' | 'unit' | 'label'>>;

const number =
  (unit: string) =>
  <const B extends NumberBounds>(label: string, bounds: B = {} as B) =>
    ({ kind: 'number', unit, label, ...bounds }) as const satisfies NumberInput;

export const plain = number('');
/** pH; soils of lawns lie between 3.5 and 9. */
export const ph = <const B extends NumberBounds>(label: string, bounds: B = {} as B) =>
  ({ kind: 'number' as const, unit: 'pH', label, min: 3.5, max: 9, ...bounds }) as Omit<NumberInput, 'optional'> & B;
export const feet = number('ft');
export const inches = number('in');
export const squareFeet = number('ft2');
export const percent = <const B extends NumberBounds>(label: string, bounds: B = {} as B) =>
  ({ kind: 'number' as const, unit: '%', label, min: 0, max: 100, ...bounds }) as Omit<NumberInput, 'optional'> & B;
export const ppm = number('ppm');
export const quantity = number;
/** Depth of soil: more than 0 in and at most 12 in. */
export const depthIn = (label: string) => inches(label, { above: 0, max: 12 });
/** Dry bulk density of soil, g/cm3. */
export const bulkDensity = () => number('g/cm3')('bulk density', { min: 0.2, max: 2 });
export function choice<const O extends readonly string[]>(
  label: string,
  options: O,
): { kind: 'choice'; label: string; options: O };
export function choice<const O extends readonly string[]>(
  label: string,
  options: O,
  more: { optional: true },
): { kind: 'choice'; label: string; options: O; optional: true };
export function choice(label: string, options: readonly string[], more: { optional?: true } = {}): ChoiceInput {
  return { kind: 'choice', label, options, ...more };
}
export const textureGroup = () => choice('texture group', ['sand', 'loam', 'clay'] as const);

/** Words for the bounds of a number: "above 0, at most 12 in". */
export function boundsInWords(input: NumberInput): string {
  const unit = input.unit && input.unit !== 'pH' ? ` ${input.unit}` : '';
  if (input.min !== undefined && input.max !== undefined) return `between ${input.min} and ${input.max}${unit}`;
  const parts: string[] = [];
  if (input.min !== undefined) parts.push(`at least ${input.min}`);
  if (input.above !== undefined) parts.push(`above ${input.above}`);
  if (input.max !== undefined) parts.push(`at most ${input.max}`);
  return parts.length === 0 ? `any number${unit}` : parts.join(', ') + unit;
}
