import type { Run, RunEvent } from '../records/case';

/** What a run has come to: the fold of its steps. Any beginning of the list is a state, so a step that was lost loses only itself. */
export interface RunState {
  standing: 'running' | 'paused' | 'finished' | 'weighed' | 'signed' | 'given-up';
  startedAt: string;
  operator?: string;
  /** Minutes of work, pauses taken off; up to the last step while it runs. */
  minutes: number;
  weighedLb: number;
  runsFt: readonly number[];
  runsDone: number;
  /** Feet of the next stretch that are done, where somebody marked the place. */
  partFt: number;
  coveredSqFt: number;
  backLb?: number;
  recoveredLb?: number;
  how?: RunEvent['how'];
  /** What was spread, lb product, once it was weighed back. */
  spreadLb?: number;
  start: RunEvent;
}

/**
 * @example runState({ events: [started, { kind: 'run-done', runsDone: 3 }] }).runsDone // 3
 */
export function runState({ events, areaSqFt }: Pick<Run, 'events' | 'areaSqFt'>): RunState {
  const start = events[0] as RunEvent;
  const state: RunState = {
    standing: 'running',
    startedAt: start.at,
    minutes: 0,
    weighedLb: start.weighedLb ?? 0,
    runsFt: start.runsFt ?? [],
    runsDone: 0,
    partFt: 0,
    coveredSqFt: areaSqFt,
    start,
    ...(start.operator ? { operator: start.operator } : {}),
  };
  let working: string | undefined = start.at;
  const work = (until: string) => {
    if (working !== undefined) state.minutes += Math.max(0, Date.parse(until) - Date.parse(working)) / 60_000;
    working = until;
  };
  for (const event of events.slice(1)) {
    // what is signed or given up is closed
    if (state.standing === 'signed' || state.standing === 'given-up') break;
    // what lies before taking it up again is no work, paused or not
    if (event.kind !== 'resumed') work(event.at);
    switch (event.kind) {
      case 'run-done':
        state.runsDone = Math.min(state.runsFt.length, Math.max(state.runsDone, event.runsDone ?? state.runsDone + 1));
        state.partFt = 0;
        break;
      case 'marked':
        // past the end of the stretch it would be the next one
        state.partFt = Math.min(state.runsFt[state.runsDone] ?? 0, event.partFt ?? 0);
        break;
      case 'paused':
        state.standing = 'paused';
        working = undefined;
        break;
      case 'resumed':
        state.standing = 'running';
        working = event.at;
        break;
      case 'finished':
        state.standing = 'finished';
        state.coveredSqFt = event.coveredSqFt ?? areaSqFt;
        working = undefined;
        break;
      case 'weighed-back':
        state.standing = 'weighed';
        state.backLb = event.backLb ?? 0;
        state.how = event.how;
        if (event.recoveredLb === undefined) delete state.recoveredLb;
        else state.recoveredLb = event.recoveredLb;
        state.spreadLb = Math.max(0, state.weighedLb - (event.backLb ?? 0) - (event.recoveredLb ?? 0));
        working = undefined;
        break;
      case 'signed':
        state.standing = 'signed';
        if (event.operator) state.operator = event.operator;
        break;
      case 'given-up':
        state.standing = 'given-up';
        if (event.backLb !== undefined) {
          state.backLb = event.backLb;
          state.spreadLb = Math.max(0, state.weighedLb - event.backLb);
        }
        break;
      default:
        break;
    }
  }
  return state;
}

/** So long a break, h, and the hour is looked at once more. Decision. */
const BREAK_HOURS = 2;

/**
 * Whether so much time has passed since the last step of a run under way that wind, rain and leaf are to be looked at again.
 *
 * @param now this moment with its offset
 * @example wasInterrupted(run, '2027-09-07T08:00:00-05:00') // true for one whose last step was made the day before
 */
export function wasInterrupted(run: Run, now: string): boolean {
  // a note or a photo is no work: it does not end a break
  const last = run.events.findLast(({ kind }) => kind !== 'note' && kind !== 'photo')?.at;
  const { standing } = runState(run);
  return (
    (standing === 'running' || standing === 'paused') &&
    last !== undefined &&
    Date.parse(now) - Date.parse(last) > BREAK_HOURS * 3_600_000
  );
}

/** Photos of a run, in the order they were taken. */
export const photosOf = ({ events }: Pick<Run, 'events'>): string[] => events.flatMap(({ photo }) => photo ?? []);

/** Whether a run is still open. */
export const isOpen = (run: Run): boolean => !['signed', 'given-up'].includes(runState(run).standing);
