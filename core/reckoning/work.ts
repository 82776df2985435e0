/** One line of a Workings: the formula in named terms, the same with this site's values, and what comes out. */
export interface WorkingStep {
  label: string;
  formula: string;
  substituted: string;
  value: number | string;
  unit: string;
}

export type Terms = Record<string, number>;

/**
 * What a reckoning writes its steps and cautions to. Steps are kept only when somebody looks: planning thousands of
 * zones must not pay for explanations. Cautions are always kept, since they change what a person does.
 */
export interface Work {
  /** Records `formula` (named terms) for `value`; returns `value`, so that a step can stand where the number is used. */
  step(label: string, formula: string, terms: Terms, value: number, unit: string): number;
  /** Records something looked up or decided, which has no arithmetic. */
  note(label: string, formula: string, value: string | number, unit?: string): void;
  caution(sentence: string): void;
}

const showTerm = (value: number): string => (value < 0 ? `(−${-value})` : String(value));

/** Puts values where the names stand: `4 × (6.60 − bufferPh)` with {bufferPh: 6.32} gives `4 × (6.60 − 6.32)`. */
export function substitute(formula: string, terms: Terms): string {
  return formula.replace(/[A-Za-z_][A-Za-z0-9_]*/g, (name) =>
    Object.hasOwn(terms, name) ? showTerm(terms[name] as number) : name,
  );
}

export class Recording implements Work {
  readonly steps: WorkingStep[] = [];
  readonly cautions: string[] = [];
  step(label: string, formula: string, terms: Terms, value: number, unit: string): number {
    this.steps.push({ label, formula, substituted: substitute(formula, terms), value: value === 0 ? 0 : value, unit });
    return value;
  }
  note(label: string, formula: string, value: string | number, unit = ''): void {
    this.steps.push({ label, formula, substituted: String(value), value, unit });
  }
  caution(sentence: string): void {
    this.cautions.push(sentence);
  }
}

/** Keeps cautions, drops steps. */
export class Quiet implements Work {
  constructor(readonly cautions: string[] = []) {}
  step(_label: string, _formula: string, _terms: Terms, value: number): number {
    return value;
  }
  note(): void {}
  caution(sentence: string): void {
    this.cautions.push(sentence);
  }
}
