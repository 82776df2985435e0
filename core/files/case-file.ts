import { type Case, CASE_FORMAT, CASE_VERSION, checkCase } from '../records/case';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';

/**
 * Largest file that is read at all, bytes: a backup of a thousand properties with fifteen thousand reports is
 * under 20 MB; one property with a hundred thousand reports of nine results each, a kilobyte apiece as it is printed, about 100.
 */
export const LARGEST_FILE_BYTES = 400_000_000;

/** JSON text to a value, or the sentence that says what is wrong with the file. */
export function parseJson(source: string, name = 'The file'): { json: unknown } | Refusal {
  if (source.length > LARGEST_FILE_BYTES)
    return refuse('', `${name} is larger than 400 MB, which ten thousand properties do not fill. It was not read.`);
  try {
    return { json: JSON.parse(source) };
  } catch {
    return refuse(
      '',
      `${name} is not readable as JSON: it is broken or of another kind. Choose a file that Ubertas saved.`,
    );
  }
}

/** Reads the text of a case file. */
export function readCase(source: string): Case | Refusal {
  const parsed = parseJson(source);
  return isRefusal(parsed) ? parsed : checkCase(parsed.json);
}

/** The text of a case file, indented so that a person can read it. */
export const printCase = (given: Omit<Case, 'format' | 'version'>): string =>
  `${JSON.stringify({ format: CASE_FORMAT, version: CASE_VERSION, ...given }, null, 2)}\n`;
