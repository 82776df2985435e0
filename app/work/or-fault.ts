import { ChangedMeanwhile } from '../storage/changes';
import { askWhichStands } from './conflicts';
import { storageFault } from '../storage/storage-fault';

/** What an action answers when the browser's database would not take it: nothing was written, nothing typed is lost. */
export interface StorageRefused {
  faults: { storage: string };
}

/** A defect of ours: what was typed stays on the page, and what the page shows is read anew. */
const DEFECT =
  'This could not be done: something in Ubertas failed. What you typed is still here, and what else you see is what is stored.';

/** Runs the work of an action; a fault of the database becomes an answer, so that the page with all that was typed stays. */
export async function orFault<T>(work: () => Promise<T>): Promise<T | StorageRefused> {
  try {
    return await work();
  } catch (fault) {
    // an answer that is one already, such as a redirect
    if (fault instanceof Response) throw fault;
    if (fault instanceof ChangedMeanwhile) askWhichStands(fault.conflict);
    const says = storageFault(fault);
    if (says === undefined) reportError(fault);
    return { faults: { storage: says ?? DEFECT } };
  }
}
