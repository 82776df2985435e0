import { useState } from 'react';
import { anyRunOpen } from '../storage/property-repository';
import { takeNewer, useOffline } from './offline';

/** Stands over every page while a newer version lies ready. It is taken when asked for, and never in the middle of a run. */
export function NewerNotice() {
  const { newer } = useOffline();
  const [waits, setWaits] = useState(false);
  if (!newer) return null;
  const take = async () => {
    // a browser that cannot be asked has no run either
    if (await anyRunOpen().catch(() => false)) setWaits(true);
    else takeNewer();
  };
  return (
    <p className="backupdue" role="status">
      A newer Ubertas is here.{' '}
      {waits ? (
        'A job is under way: sign it or give it up first, then take it.'
      ) : (
        <button type="button" className="link" onClick={() => void take()}>
          Take it now
        </button>
      )}
    </p>
  );
}
