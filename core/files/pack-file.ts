import { checkPack, type PackFile } from '../packs/rule-packs';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import { parseJson } from './case-file';

/** Reads the text of a rule pack; a bad one is refused with its row and field. */
export function readPack(source: string): PackFile | Refusal {
  const parsed = parseJson(source, 'The pack');
  return isRefusal(parsed) ? parsed : checkPack(parsed.json);
}

/** The text of a rule pack, indented so that a person can read it. */
export const printPack = (pack: PackFile): string => `${JSON.stringify(pack, null, 2)}\n`;
