import { evaluate, explain, type Reckoned, type ReckonedValue, type Reckoning } from './define';
import type { Inputs, ValuesOf } from './inputs';
import { isRefusal, type Refusal } from './refusal';

/** Where a number came from: a sentence, and the figure it is where it was itself reckoned. */
export interface Origin {
  says: string;
  figure?: Figure;
}

/** Another answer that a person may want to compare: the same reckoning with some inputs changed. */
export interface Alternative {
  says: string;
  change: Record<string, unknown>;
}

/** A reckoned number with everything its Workings needs; steps are worked out only when somebody looks. */
export interface Figure {
  title: string;
  reckoning: Reckoning;
  inputs: Record<string, unknown>;
  origins: Record<string, Origin>;
  value: number;
  /** Unit with the substance named, "lb K2O per 1000 ft2". */
  unit: string;
  /** Which of several results this is. */
  part?: string;
  cautions: string[];
  alternatives: Alternative[];
  usedIn?: string;
  /** The same number under another name, where it is used for something else. */
  retitled(title: string, usedIn: string): Figure;
}

/** An input with its origin. */
export interface Traced<T> {
  value: T;
  origin: Origin;
}
export const traced = <T>(value: T, says: string, figure?: Figure): Traced<T> => ({ value, origin: { says, figure } });

type TracedInputs<D extends Inputs> = {
  [K in keyof ValuesOf<D>]:
    Traced<NonNullable<ValuesOf<D>[K]>> | (undefined extends ValuesOf<D>[K] ? undefined : never);
};

export interface FigureOptions {
  title: string;
  unit: string;
  part?: string;
  /** Worked out only when somebody looks. */
  alternatives?: () => Alternative[];
  usedIn?: string;
}

/** Picks the number out of a value: the value itself, a named result, or the first of a list of doses. */
export function numberIn(value: ReckonedValue, part?: string): number {
  if (typeof value === 'number') return value;
  const named = typeof value === 'object' && part !== undefined ? value[part] : undefined;
  if (typeof named === 'number') return named;
  if (Array.isArray(named)) return (named[0] as number | undefined) ?? 0;
  throw new TypeError(`no number "${part}" in this result`);
}

type Traces = Record<string, Traced<unknown> | undefined>;

/** A class, unlike most of the core: hundreds of thousands are made, and what is only told on request stays a getter. */
class ReckonedFigure<V extends ReckonedValue> implements Figure {
  constructor(
    readonly title: string,
    readonly usedIn: string | undefined,
    readonly reckoning: Reckoning,
    readonly inputs: Record<string, unknown>,
    private readonly traces: Traces,
    readonly value: number,
    readonly whole: V,
    readonly cautions: string[],
    private readonly options: FigureOptions,
  ) {}
  get unit(): string {
    return this.options.unit;
  }
  get part(): string | undefined {
    return this.options.part;
  }
  get alternatives(): Alternative[] {
    return this.options.alternatives?.() ?? [];
  }
  get origins(): Record<string, Origin> {
    const entries = Object.entries(this.traces);
    return Object.fromEntries(entries.flatMap(([key, each]) => (each ? [[key, each.origin]] : [])));
  }
  retitled(title: string, usedIn: string): ReckonedFigure<V> {
    const { reckoning, inputs, traces, value, whole, cautions, options } = this;
    return new ReckonedFigure(title, usedIn, reckoning, inputs, traces, value, whole, cautions, options);
  }
}

/** Reckons a figure from traced inputs, or refuses. */
export function figureOf<D extends Inputs, V extends ReckonedValue>(
  reckoning: Reckoning<D, V>,
  given: TracedInputs<D>,
  options: FigureOptions,
): (Figure & { whole: V }) | Refusal {
  const inputs: Record<string, unknown> = {};
  for (const key in given) {
    const each = given[key as keyof typeof given] as Traced<unknown> | undefined;
    if (each) inputs[key] = each.value;
  }
  const cautions: string[] = [];
  const whole = evaluate(reckoning, inputs as ValuesOf<D>, cautions);
  if (isRefusal(whole)) return whole;
  const value = numberIn(whole, options.part);
  const { title, usedIn } = options;
  const general = reckoning as unknown as Reckoning;
  return new ReckonedFigure(title, usedIn, general, inputs, given as Traces, value, whole, cautions, options);
}

/** Reckons where every input is known to be within bounds; a refusal here would be a defect of ours. */
export function sureFigure<D extends Inputs, V extends ReckonedValue>(
  reckoning: Reckoning<D, V>,
  given: TracedInputs<D>,
  options: FigureOptions,
): Figure & { whole: V } {
  const figure = figureOf(reckoning, given, options);
  if (isRefusal(figure)) throw new Error(`${reckoning.id} refused: ${figure.refused}`);
  return figure;
}

/** The figure's working, step by step. */
export const workingOf = (figure: Figure): Reckoned | Refusal => explain(figure.reckoning, figure.inputs);

/** What an alternative would give instead, or why it cannot be. */
export function alternativeValue(figure: Figure, alternative: Alternative): number | Refusal {
  const result = explain(figure.reckoning, { ...figure.inputs, ...alternative.change });
  return isRefusal(result) ? result : numberIn(result.value, figure.part);
}
