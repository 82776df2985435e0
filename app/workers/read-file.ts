import type { Remote } from 'comlink';
import { type Refusal, refuse } from '@core/reckoning/refusal';
import type { FileReading } from './file-reading';
import { linkWorker, WorkerGone } from './worker-link';

/** Longest that reading one of these files may take, ms; then its worker is ended. */
const LONGEST_MS = 20_000;

/**
 * Reads a file in a worker made for it, which ends with it: a file that takes too long, or that the browser ends the worker for, is
 * refused in words and the page goes on.
 *
 * @example const read = await readFile(file, (reading) => reading.shelf(file));
 */
export async function readFile<R>(
  file: File,
  work: (reading: Remote<FileReading>) => R,
): Promise<Awaited<R> | Refusal> {
  const link = linkWorker<FileReading>(
    () => new Worker(new URL('./file-reading.ts', import.meta.url), { type: 'module' }),
  );
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<Refusal>((tell) => {
    timer = setTimeout(
      () => tell(refuse('', `${file.name} takes too long to read: it was left. Is it the right file?`)),
      LONGEST_MS,
    );
  });
  try {
    return await Promise.race([link.call(work), late]);
  } catch (fault) {
    if (fault instanceof WorkerGone) return refuse('', fault.message);
    throw fault;
  } finally {
    clearTimeout(timer);
    link.end();
  }
}
