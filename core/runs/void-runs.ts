import { runState } from './run-state';
import type { Case } from '../records/case';
import { recordsOf } from '../log/versions';

/** Runs that carried nothing out: given up, or signed and then withdrawn from the log. */
export function voidRuns({ runs = [], records = [] }: Pick<Case, 'runs' | 'records'>): ReadonlySet<string> {
  const withdrawn = new Set(
    recordsOf(records)
      .filter((record) => record.withdrawn)
      .map(({ recordId }) => recordId),
  );
  return new Set(
    runs.filter((run) => runState(run).standing === 'given-up' || withdrawn.has(run.id)).map(({ id }) => id),
  );
}
