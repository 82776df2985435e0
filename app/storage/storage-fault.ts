import { ChangedMeanwhile, NotKept, PropertyGone, RecordRefused, TooMany } from './changes';

interface Named {
  name?: string;
}

/** What went wrong with a write, in a sentence a person can act on. Undefined for other faults, which are defects of ours. */
export function storageFault(fault: unknown): string | undefined {
  if (fault instanceof ChangedMeanwhile)
    return `${fault.message} Nothing of yours was written yet: choose what is to stand.`;
  if (fault instanceof NotKept || (fault as { name?: string } | undefined)?.name === 'WorkerGone')
    return (fault as Error).message;
  if (fault instanceof RecordRefused || fault instanceof PropertyGone || fault instanceof TooMany)
    return `${fault.message} Nothing was changed.`;
  const named = (fault ?? {}) as Named & { inner?: Named; failures?: readonly Named[] };
  // a fault of many records is known by its first; Dexie gives it no name of its own
  const name = named.inner?.name ?? named.failures?.[0]?.name ?? named.name;
  switch (name) {
    case 'QuotaExceededError':
      return 'The browser’s storage is full. Nothing was changed. Export a backup, free some space, then try again.';
    case 'VersionError':
      return 'This browser’s data was written by a newer Ubertas, perhaps in another tab. Reload this page; nothing was changed.';
    case 'OpenFailedError':
    case 'MissingAPIError':
    case 'InvalidStateError':
    case 'SecurityError':
    case 'UnknownError':
      return 'The browser does not let Ubertas keep data here (private window, or storage blocked). Allow site data for this page, then reload.';
    case 'DatabaseClosedError':
      return 'The database was closed, perhaps by another tab with a newer Ubertas. Reload this page; nothing was lost.';
    case 'AbortError':
    case 'BulkError':
    case 'ConstraintError':
    case 'DataCloneError':
    case 'DataError':
    case 'InternalError':
    case 'ModifyError':
    case 'NotFoundError':
    case 'PrematureCommitError':
    case 'ReadOnlyError':
    case 'TimeoutError':
    case 'TransactionInactiveError':
      return `The browser broke the write off (${name}). Nothing was changed, and what you typed is still here: try again.`;
    default:
      return undefined;
  }
}
