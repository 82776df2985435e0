import { type Remote, releaseProxy, proxy, wrap } from 'comlink';
import { useEffect, useRef } from 'react';
import type { TableIntake } from '../../workers/table-intake';

interface Running {
  worker: Worker;
  intake: Remote<TableIntake>;
}

/** The import's worker: started for a file, ended when the person cancels, chooses another or leaves. */
export function useIntake(): {
  start: () => Remote<TableIntake>;
  current: () => Remote<TableIntake> | undefined;
  end: () => void;
} {
  const running = useRef<Running>(undefined);
  const end = () => {
    running.current?.intake[releaseProxy]();
    running.current?.worker.terminate();
    running.current = undefined;
  };
  useEffect(() => end, []);
  return {
    start: () => {
      end();
      const worker = new Worker(new URL('../../workers/table-intake.ts', import.meta.url), { type: 'module' });
      running.current = { worker, intake: wrap<TableIntake>(worker) };
      return running.current.intake;
    },
    current: () => running.current?.intake,
    end,
  };
}

export const telling = (tell: (share: number) => void) => proxy(tell);
