/**
 * The next free code of a property's samples: initials, year, number. Quarry Lane School, 2027, none taken: QLS-27-01. Only
 * capital letters, figures and hyphens, so that every laboratory and every bar code carries it.
 */
export function nextSampleCode(propertyName: string, year: number, taken: Iterable<string>): string {
  const initials = propertyName
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toUpperCase()
    .split(/[^A-Z0-9]+/)
    .map((word) => word[0] ?? '')
    .join('')
    .slice(0, 4);
  const stem = `${initials || 'S'}-${String(year % 100).padStart(2, '0')}-`;
  const used = new Set(taken);
  for (let n = 1; ; n++) {
    const code = stem + String(n).padStart(2, '0');
    if (!used.has(code)) return code;
  }
}
