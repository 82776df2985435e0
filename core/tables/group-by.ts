/** Groups in order of first sight. groupBy([1, 2, 3], (n) => n % 2) holds 1 → [1, 3] and 0 → [2]. */
export function groupBy<T, Key>(all: readonly T[], keyOf: (each: T) => Key): Map<Key, T[]> {
  const groups = new Map<Key, T[]>();
  for (const each of all) {
    const key = keyOf(each);
    const group = groups.get(key);
    if (group) group.push(each);
    else groups.set(key, [each]);
  }
  return groups;
}
