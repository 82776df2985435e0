import { checkBounds, checkInputs } from './check-inputs';
import type { Inputs, ValuesOf } from './inputs';
import { isRefusal, type Refusal } from './refusal';
import { Quiet, Recording, type Work, type WorkingStep } from './work';

/** How far a number may be trusted: checked against a publication, written from memory of one, or trade custom. */
export type Standing = 'published' | 'from memory' | 'common practice';

export interface Source {
  cite: string;
  standing: Standing;
}

/** A number, a word, or several named ones. */
export type ReckonedValue = number | string | { readonly [key: string]: number | string | readonly number[] };

/** One named calculation, with everything a person needs to trust it. */
export interface Reckoning<D extends Inputs = Inputs, V extends ReckonedValue = ReckonedValue> {
  readonly id: string;
  readonly title: string;
  /** What it does and when to use it, one or two sentences. */
  readonly about: string;
  readonly inputs: D;
  /** Unit of the value; for several values, each with its key. */
  readonly unit: string;
  /** The formula in words, one line a step. */
  readonly formula: readonly string[];
  readonly sources: readonly Source[];
  /** Where it stops being true. */
  readonly limits: readonly string[];
  /** One worked example; a test reckons it. */
  readonly example: { inputs: ValuesOf<D>; value: V };
  readonly reckon: (inputs: ValuesOf<D>, work: Work) => V | Refusal;
}

/** Declares a reckoning. It reckons pure values: no clock, no randomness, no rounding. */
export function defineReckoning<const D extends Inputs, V extends ReckonedValue>(
  definition: Reckoning<D, V>,
): Reckoning<D, V> {
  return definition;
}

/** A value with its working, sources and cautions, in the public shape of the command line. */
export interface Reckoned<V extends ReckonedValue = ReckonedValue> {
  id: string;
  value: V;
  unit: string;
  working: WorkingStep[];
  sources: readonly Source[];
  cautions: string[];
}

/** Negative zero is an accident of arithmetic that no reader should meet. */
const withoutNegativeZero = <V extends ReckonedValue>(value: V): V => (value === 0 ? (0 as V) : value);

/**
 * Reckons raw values, from a file, a form or a command line, and keeps the working. Returns a refusal, never throws,
 * for anything outside the limits.
 */
export function explain<D extends Inputs, V extends ReckonedValue>(
  reckoning: Reckoning<D, V>,
  raw: unknown,
): Reckoned<V> | Refusal {
  const wrong = checkInputs(reckoning.inputs, raw);
  if (wrong) return wrong;
  const work = new Recording();
  const value = reckoning.reckon(raw as ValuesOf<D>, work);
  if (isRefusal(value)) return value;
  const { id, unit, sources } = reckoning;
  return { id, value: withoutNegativeZero(value), unit, working: work.steps, sources, cautions: work.cautions };
}

/** Reckons typed values without keeping steps. Bounds are still checked; cautions go to `cautions` where given. */
export function evaluate<D extends Inputs, V extends ReckonedValue>(
  reckoning: Reckoning<D, V>,
  inputs: ValuesOf<D>,
  cautions?: string[],
): V | Refusal {
  const wrong = checkBounds(reckoning.inputs, inputs as Record<string, unknown>);
  if (wrong) return wrong;
  const value = reckoning.reckon(inputs, new Quiet(cautions));
  return isRefusal(value) ? value : withoutNegativeZero(value);
}
