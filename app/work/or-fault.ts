import { storageFault } from '../storage/storage-fault';

/** What an action answers when the browser's database would not take it: nothing was written, nothing typed is lost. */
export interface StorageRefused {
  faults: { storage: string };
}

/** Runs the work of an action; a fault of the database becomes an answer, so that the page with all that was typed stays. */
export async function orFault<T>(work: () => Promise<T>): Promise<T | StorageRefused> {
  try {
    return await work();
  } catch (fault) {
    const says = storageFault(fault);
    if (says === undefined) throw fault;
    return { faults: { storage: says } };
  }
}
