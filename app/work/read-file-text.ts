import { LARGEST_FILE_BYTES } from '@core/files/case-file';
import { type Refusal, refuse } from '@core/reckoning/refusal';

/** The text of a file a person chose, or why it is not read. A file over the limit is never taken into memory. */
export async function readFileText(file: File): Promise<string | Refusal> {
  if (file.size > LARGEST_FILE_BYTES)
    return refuse(
      '',
      `${file.name} is ${Math.round(file.size / 1e6)} MB; ten thousand properties are not over 400. It was not read.`,
    );
  if (file.size === 0) return refuse('', `${file.name} is empty. Choose a file that Ubertas saved.`);
  return file.text();
}
