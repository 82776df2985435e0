/** A mixed-integer linear program as plain data: any solver can be handed it, and it can be written to a file. */

export interface MilpColumn {
  name: string;
  /** Cost in the objective, minimised. */
  cost: number;
  lower: number;
  upper: number;
  integer: boolean;
}

export interface MilpRow {
  name: string;
  lower: number;
  upper: number;
  columns: number[];
  values: number[];
  /** The rule of the trade that this row states. */
  rule?: RuleOf;
  /** Follows from other rows and whole numbers; there to shorten the proof. Left out where those rows are made soft. */
  implied?: boolean;
}

/** Kinds of rules, in the words the checker uses. */
export type RuleKind =
  | 'nitrogen-year'
  | 'phosphorus-year'
  | 'potassium-year'
  | 'code-year'
  | 'lime'
  | 'sulfur'
  | 'gypsum'
  | 'late-season'
  | 'potassium-season'
  | 'least-interval'
  | 'most-interval'
  | 'lime-gap'
  | 'heat-supply'
  | 'dose-ceiling'
  | 'salt'
  | 'trips'
  | 'passes';

/** What a row asks for, so that a conflict can be told in words. */
export interface RuleOf {
  kind: RuleKind;
  zoneId?: string;
  /** What is asked, as a sentence without a full stop: '2.43 lb N for the year on South lawn'. */
  says: string;
  /** Whether a person may let it go by some amount, and what one unit of it is called. Laws and burns may not. */
  yields?: { unit: string; weight: number };
}

export interface Milp {
  columns: MilpColumn[];
  rows: MilpRow[];
}

/** Gathers columns and rows. Terms with equal columns in a row are added up. */
export class MilpBuilder {
  readonly columns: MilpColumn[] = [];
  readonly rows: MilpRow[] = [];

  column(name: string, { cost = 0, lower = 0, upper = Infinity, integer = false } = {}): number {
    this.columns.push({ name, cost, lower, upper, integer });
    return this.columns.length - 1;
  }

  binary(name: string, cost = 0): number {
    return this.column(name, { cost, upper: 1, integer: true });
  }

  /** A whole number that is the sum of others. */
  counted(name: string, columns: readonly number[]): number {
    const count = this.column(name, { integer: true });
    this.row(`count_${name}`, [...columns.map((column) => [column, 1] as const), [count, -1]], { lower: 0, upper: 0 });
    return count;
  }

  /** lower <= sum of terms <= upper. An empty row that cannot hold is kept, so that the solver finds the conflict. */
  row(
    name: string,
    terms: Iterable<readonly [column: number, value: number]>,
    { lower = -Infinity, upper = Infinity }: { lower?: number; upper?: number },
    rule?: RuleOf,
  ): void {
    const sums = new Map<number, number>();
    for (const [column, value] of terms) sums.set(column, (sums.get(column) ?? 0) + value);
    const kept = [...sums].filter(([, value]) => value !== 0);
    if (kept.length === 0 && lower <= 0 && upper >= 0) return;
    this.rows.push({
      name,
      lower,
      upper,
      columns: kept.map(([column]) => column),
      values: kept.map(([, value]) => value),
      rule,
    });
  }

  /** A row that every plan keeps anyway. */
  implied(
    name: string,
    terms: Iterable<readonly [column: number, value: number]>,
    bounds: { lower?: number; upper?: number },
  ): void {
    const before = this.rows.length;
    this.row(name, terms, bounds);
    const made = this.rows[before];
    if (made) made.implied = true;
  }

  get milp(): Milp {
    return { columns: this.columns, rows: this.rows };
  }
}

/** A slack column of an elastic model, and the row whose rule it lets go. */
export interface Slack {
  column: number;
  row: number;
}

/**
 * The same model with every yielding rule made soft and nothing else costing anything: its least cost is the least that
 * must be let go for a plan to exist.
 */
export function elastic({ columns, rows }: Milp): { milp: Milp; slacks: Slack[] } {
  const softColumns: MilpColumn[] = columns.map((c) => ({ ...c, cost: 0 }));
  const slacks: Slack[] = [];
  const softRows = rows
    .filter((row) => !row.implied)
    .map((row, index) => {
      const yields = row.rule?.yields;
      if (!yields) return row;
      const terms = { columns: [...row.columns], values: [...row.values] };
      const soften = (value: 1 | -1) => {
        terms.columns.push(softColumns.length);
        terms.values.push(value);
        slacks.push({ column: softColumns.length, row: index });
        softColumns.push({
          name: `slack_${softColumns.length}`,
          cost: yields.weight,
          lower: 0,
          upper: Infinity,
          integer: false,
        });
      };
      if (row.lower > -Infinity) soften(1);
      if (row.upper < Infinity) soften(-1);
      return { ...row, ...terms };
    });
  return { milp: { columns: softColumns, rows: softRows }, slacks };
}
