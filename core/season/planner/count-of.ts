import type { MilpBuilder } from './milp';

/**
 * A whole number that counts others: how many packages, how many trips. It adds nothing to the plan; a solver that splits the
 * search on it (none, or one at least) proves in a few steps what splitting week by week proves in thousands.
 */
export function countOf(
  builder: MilpBuilder,
  name: string,
  counted: readonly (readonly [column: number, value: number])[],
): void {
  if (counted.length < 2) return;
  const count = builder.column(`count_${name}`, { integer: true, upper: 100_000 });
  builder.row(`counts_${name}`, [...counted, [count, -1]], { lower: 0, upper: 0 });
}
