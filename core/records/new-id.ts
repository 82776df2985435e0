/**
 * A readable id from a name, free among those taken: newId('South lawn', ['south-lawn']) is 'south-lawn-2'.
 */
export function newId(name: string, taken: readonly string[]): string {
  const base =
    name
      .normalize('NFKD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'unnamed';
  let id = base;
  for (let n = 2; taken.includes(id); n++) id = `${base}-${n}`;
  return id;
}
