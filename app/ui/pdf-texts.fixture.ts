/** Every text of a printed document in its order, as somebody reads it. */
export const textsOf = (node: unknown): string[] => {
  if (typeof node === 'string') return [node];
  if (Array.isArray(node)) return node.flatMap(textsOf);
  if (typeof node !== 'object' || node === null) return [];
  const { text, stack, ul, table, columns } = node as Record<string, unknown>;
  return [text, stack, ul, columns, (table as { body?: unknown } | undefined)?.body].flatMap(textsOf);
};
