import type { Sample } from '../records/sample-schema';
import { addDays, daysBetween, type IsoDay } from '../days/day';

/** Days a mixed sample dries in air before it is bagged, and a laboratory takes where nobody said. Common practice. */
export const DRYING_DAYS = 2;
export const LABORATORY_DAYS = 7;

export type StepState = 'done' | 'now' | 'ahead' | 'wait' | 'late';
export interface ChainStep {
  id: 'taken' | 'bagged' | 'sent' | 'back';
  state: StepState;
  /** Day it was done, or is expected. */
  on?: IsoDay;
  says: string;
}

const ADD: Record<ChainStep['id'], number> = { taken: 0, bagged: DRYING_DAYS, sent: DRYING_DAYS + 1, back: 0 };

/** The four steps of a sample from the cores to the report, with the day of each: done, due or expected. */
export function chainOf(sample: Sample, today: IsoDay, waitUntil?: IsoDay): ChainStep[] {
  const planned = sample.plannedOn ?? today;
  const start = sample.takenOn ?? (waitUntil && waitUntil > planned ? waitUntil : planned);
  const sent = sample.sentOn ?? addDays(sample.baggedOn ?? addDays(start, ADD.bagged), 1);
  const due: Record<ChainStep['id'], IsoDay> = {
    taken: start,
    bagged: sample.baggedOn ?? addDays(start, ADD.bagged),
    sent,
    back: sample.expectedOn ?? addDays(sent, LABORATORY_DAYS),
  };
  const done: Record<ChainStep['id'], IsoDay | undefined> = {
    taken: sample.takenOn,
    bagged: sample.baggedOn,
    sent: sample.sentOn,
    back: sample.reportedOn,
  };
  const doneSays = {
    taken: `${sample.cores ?? ''} cores${sample.takenBy ? `, by ${sample.takenBy}` : ''}`.trim(),
    bagged: sample.takenOn && sample.baggedOn ? `dried ${daysBetween(sample.takenOn, sample.baggedOn)} days` : 'bagged',
    sent: sample.laboratory === 'outside' ? 'laboratory outside' : 'simulated laboratory',
    back: sample.soilTestId ? 'report read in' : 'report back, not read in yet',
  };
  const order = ['taken', 'bagged', 'sent', 'back'] as const;
  const current = order.find((id) => done[id] === undefined);
  return order.map((id): ChainStep => {
    if (done[id] !== undefined) return { id, state: 'done', on: done[id], says: doneSays[id] };
    if (id !== current) return { id, state: 'ahead', on: due[id], says: 'expected' };
    if (id === 'taken' && waitUntil && waitUntil > today)
      return { id, state: 'wait', on: due[id], says: `wait until then: fed or limed lately` };
    const behind = daysBetween(due[id], today);
    if (behind > 0) return { id, state: 'late', on: due[id], says: `${behind} ${behind === 1 ? 'day' : 'days'} late` };
    if (id === 'back' && sample.sentOn)
      return {
        id,
        state: 'now',
        on: due[id],
        says: `day ${daysBetween(sample.sentOn, today)} of ${daysBetween(sample.sentOn, due.back)}`,
      };
    return { id, state: 'now', on: due[id], says: 'next' };
  });
}
