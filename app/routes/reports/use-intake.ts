import { proxy } from 'comlink';
import { useEffect, useRef } from 'react';
import { type Link, linkWorker } from '../../workers/worker-link';
import type { TableIntake } from '../../workers/table-intake';

/** The import's worker: started for a file, ended when the person cancels, chooses another or leaves. */
export function useIntake(): {
  start: () => Link<TableIntake>;
  current: () => Link<TableIntake> | undefined;
  end: () => void;
} {
  const running = useRef<Link<TableIntake>>(undefined);
  const end = () => {
    running.current?.end();
    running.current = undefined;
  };
  useEffect(() => end, []);
  return {
    start: () => {
      end();
      running.current = linkWorker<TableIntake>(
        () => new Worker(new URL('../../workers/table-intake.ts', import.meta.url), { type: 'module' }),
      );
      return running.current;
    },
    current: () => running.current,
    end,
  };
}

export const telling = (tell: (share: number) => void) => proxy(tell);
