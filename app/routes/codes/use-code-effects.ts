import { useEffect, useRef, useState } from 'react';
import type { LocalCode } from '@core/records/case';
import type { EffectsWorker, EffectHere } from '../../workers/effects-here';
import { type Link, linkWorker } from '../../workers/worker-link';

/** Letters are gathered for so long before the plans are judged again, ms. */
const GATHERED_MS = 300;

/**
 * What a code as it stands in the form makes of every property that carries it, judged in a worker after the typing has paused;
 * `judging` while what is shown is of an older text. `version` changes when the properties themselves did.
 */
export function useCodeEffects(
  code: LocalCode | undefined,
  today: string,
  version: string,
): { effects: readonly EffectHere[] | undefined; judging: boolean; fault?: string } {
  const [found, setFound] = useState<{ of: string; effects: EffectHere[] }>();
  const [fault, setFault] = useState<string>();
  const link = useRef<Link<EffectsWorker>>(undefined);
  const of = code && JSON.stringify([code, today, version]);
  useEffect(
    () => () => {
      link.current?.end();
      link.current = undefined;
    },
    [],
  );
  useEffect(() => {
    if (of === undefined) return undefined;
    let left = false;
    const [asked] = JSON.parse(of) as [LocalCode];
    const timer = setTimeout(() => {
      link.current ??= linkWorker<EffectsWorker>(
        () => new Worker(new URL('../../workers/effects-here.ts', import.meta.url), { type: 'module' }),
      );
      link.current
        .call((worker) => worker.ofCode(asked, today))
        .then((effects) => {
          if (left) return;
          setFound({ of, effects });
          setFault(undefined);
        })
        .catch((reason: unknown) => {
          // a worker that is gone is started anew at the next change
          link.current?.end();
          link.current = undefined;
          if (!left) setFault(reason instanceof Error ? reason.message : 'The plans could not be judged.');
        });
    }, GATHERED_MS);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [of, today]);
  return { effects: found?.effects, judging: of !== undefined && found?.of !== of && fault === undefined, fault };
}
