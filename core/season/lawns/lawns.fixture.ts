import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { readCase } from '../../files/case-file';
import type { Case } from '../../records/case';
import { isRefusal } from '../../reckoning/refusal';

const FOLDER = import.meta.dirname;

/** The case file of a reference lawn, read as any file from outside. */
export function lawnCase(name: string): Case {
  const found = readCase(readFileSync(join(FOLDER, `${name}.json`), 'utf8'));
  if (isRefusal(found)) throw new Error(`${name}: ${found.refused}`);
  return found;
}
/** Names of all files in the folder. */
export const lawnFiles = (): string[] =>
  readdirSync(FOLDER).flatMap((file) => (file.endsWith('.json') ? [file.replace('.json', '')] : []));
