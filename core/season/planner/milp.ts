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
  /** Follows from other rows and whole numbers; there to shorten the proof. */
  implied?: boolean;
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
    });
  }

  /** A row that every plan keeps anyway, or every one that is worth having. */
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
