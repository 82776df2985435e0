import { expose } from 'comlink';
import { isRefusal } from '@core/reckoning/refusal';
import { readImport, storeCases } from '../storage/case-files';
import { storageFault } from '../storage/storage-fault';

/** Checks and stores a case file or a backup off the page's thread: a thousand properties take seconds. */
const intake = {
  async take(source: string, replace: boolean): Promise<{ names: string[] } | { fault: string }> {
    const cases = readImport(source);
    if (isRefusal(cases))
      return { fault: `${cases.refused}${cases.field ? ` (at ${cases.field})` : ''} Nothing was changed.` };
    try {
      return { names: (await storeCases(cases, { replace })).properties.map((p) => p.name) };
    } catch (fault) {
      return { fault: storageFault(fault) ?? 'The file could not be stored. Nothing was changed; try again.' };
    }
  },
};

export type CaseIntake = typeof intake;
expose(intake);
