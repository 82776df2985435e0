import { type Case, CASE_FORMAT, CASE_VERSION, checkCase } from '../records/case';
import { withGiven } from '../log/applied';
import { refuseLog } from './check-log';
import { isTooDeep, refuseSize } from './largest-file';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';

/** JSON text to a value, or the sentence that says what is wrong with the file. */
export function parseJson(source: string, name = 'The file'): { json: unknown } | Refusal {
  const size = refuseSize(name, source.length, 'case');
  if (size) return size;
  if (isTooDeep(source))
    return refuse('', `${name} nests deeper than any file that Ubertas saved: it is broken or of another kind.`);
  try {
    return { json: JSON.parse(source) };
  } catch {
    return refuse(
      '',
      `${name} is not readable as JSON: it is broken or of another kind. Choose a file that Ubertas saved.`,
    );
  }
}

/** Reads the text of a case file, as it is worked with: its zones know what went down by its log. */
export function readCase(source: string): Case | Refusal {
  const parsed = parseJson(source);
  if (isRefusal(parsed)) return parsed;
  const checked = checkCase(parsed.json);
  return isRefusal(checked) ? checked : (refuseLog(checked) ?? withGiven(checked));
}

/** The text of a case file, indented so that a person can read it. */
export const printCase = (given: Omit<Case, 'format' | 'version'>): string =>
  `${JSON.stringify({ format: CASE_FORMAT, version: CASE_VERSION, ...given }, null, 2)}\n`;
