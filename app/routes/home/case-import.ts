import type { Remote } from 'comlink';
import { type Link, linkWorker } from '../../workers/worker-link';
import type { CaseIntake, Survey } from '../../workers/case-intake';
import { storageFault } from '../../storage/storage-fault';

/** The file last opened waits in its worker, until another is opened: for what is decided of it, and for its undo. */
let link: Link<CaseIntake> | undefined;
/** What was last asked of it: a worker that is ended in the middle of storing would never answer, and every later action would wait. */
let asked: Promise<unknown> = Promise.resolve();

/** Reads a file in a worker and says how it stands to what is here; nothing is stored. */
export async function surveyFile(source: string): Promise<Survey | { fault: string }> {
  await asked;
  link?.end();
  link = linkWorker<CaseIntake>(
    () => new Worker(new URL('../../workers/case-intake.ts', import.meta.url), { type: 'module' }),
  );
  try {
    return await link.call((intake) => intake.survey(source));
  } catch (fault) {
    return { fault: storageFault(fault) ?? 'The file could not be read. Nothing was changed; choose it again.' };
  }
}

/** Settles which areas of the file are right, and says anew how it stands to what is here. */
export async function settleAreasOfFile(by: 'file' | 'drawing'): Promise<Survey | { fault: string }> {
  try {
    return await withFile((intake) => intake.settleAreas(by));
  } catch (fault) {
    return { fault: storageFault(fault) ?? 'The file could not be read. Nothing was changed; choose it again.' };
  }
}

/** Does something with the file that was opened. */
export function withFile<R>(work: (intake: Remote<CaseIntake>) => R): Promise<Awaited<R>> {
  if (!link) throw new Error('no file was opened');
  const answer = link.call(work);
  asked = answer.catch(() => undefined);
  return answer;
}
