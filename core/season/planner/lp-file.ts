import type { Milp, MilpRow } from './milp';

/** Shortest text that reads back as the same double. */
const digits = (value: number): string => String(value);

function terms(columns: readonly number[], values: readonly number[], name: (column: number) => string): string {
  if (columns.length === 0) return `0 ${name(0)}`;
  return columns
    .map((column, i) => {
      const value = values[i] as number;
      return `${value < 0 ? '-' : '+'} ${digits(Math.abs(value))} ${name(column)}`;
    })
    .join('\n   ');
}

/**
 * The model as a file in CPLEX LP form, an open text form that other solvers read: columns are x0, x1 and so on, rows
 * r0, r1 and so on, because names of products may hold anything.
 */
export function printLp({ columns, rows }: Milp): string {
  const name = (column: number) => `x${column}`;
  const lines = ['Minimize', ' cost:'];
  const costing = columns.flatMap((c, i) => (c.cost === 0 ? [] : [i]));
  lines.push(
    `   ${terms(
      costing,
      costing.map((i) => columns[i]?.cost ?? 0),
      name,
    )}`,
    'Subject To',
  );
  const say = (row: MilpRow, id: string, sense: string, bound: number) =>
    lines.push(` ${id}: ${terms(row.columns, row.values, name)} ${sense} ${digits(bound)}`);
  rows.forEach((row, i) => {
    if (row.lower === row.upper) say(row, `r${i}`, '=', row.lower);
    else {
      if (row.lower > -Infinity) say(row, `r${i}l`, '>=', row.lower);
      if (row.upper < Infinity) say(row, `r${i}u`, '<=', row.upper);
    }
  });
  lines.push('Bounds');
  columns.forEach(({ lower, upper }, i) => {
    if (lower === -Infinity && upper === Infinity) lines.push(` ${name(i)} free`);
    else if (upper === Infinity) lines.push(` ${name(i)} >= ${lower === -Infinity ? '-inf' : digits(lower)}`);
    else lines.push(` ${lower === -Infinity ? '-inf' : digits(lower)} <= ${name(i)} <= ${digits(upper)}`);
  });
  const integers = columns.flatMap((c, i) => (c.integer ? [name(i)] : []));
  if (integers.length > 0) lines.push('Generals', ...integers.map((id) => ` ${id}`));
  lines.push('End', '');
  return lines.join('\n');
}
