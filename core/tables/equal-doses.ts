/**
 * Splits a total into the fewest equal doses that respect a limit. The small allowance keeps 100.0000000001 / 50 from
 * asking for a third dose. Example: equalDoses(60, 50) is [30, 30]; equalDoses(0, 50) is [].
 */
export function equalDoses(total: number, limit: number): number[] {
  if (total <= 0) return [];
  const count = Math.max(1, Math.ceil(total / limit - 1e-9));
  return new Array<number>(count).fill(total / count);
}
