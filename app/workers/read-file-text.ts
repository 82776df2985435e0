import { type FileKind, refuseSize } from '@core/files/largest-file';
import { type Refusal, refuse } from '@core/reckoning/refusal';

/** The text of a file a person chose, or why it is not read. A file over the limit of its kind is never taken into memory. */
export async function readFileText(file: File, kind: FileKind = 'case'): Promise<string | Refusal> {
  const size = refuseSize(file.name, file.size, kind);
  if (size) return size;
  try {
    return await file.text();
  } catch {
    // moved, locked, or on a stick that was pulled
    return refuse('', `${file.name} could not be read from its place. Choose it again.`);
  }
}
