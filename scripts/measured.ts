import { readFileSync, writeFileSync } from 'node:fs';

const FILE = 'docs/measured.md';

/** Puts what a harness measured into its own place in `docs/measured.md`, between its two marks. */
export function writeMeasured(harness: string, text: string): void {
  const [begin, end] = [`<!-- ${harness}: begin -->`, `<!-- ${harness}: end -->`];
  const whole = readFileSync(FILE, 'utf8');
  const [from, to] = [whole.indexOf(begin), whole.indexOf(end)];
  if (from < 0 || to < from) throw new Error(`${FILE} has no place for ${harness}`);
  writeFileSync(FILE, `${whole.slice(0, from + begin.length)}\n\n${text}\n\n${whole.slice(to)}`);
}
