import { isOpen, photosOf, runState } from '@core/runs/run-state';
import { voidRuns } from '@core/runs/void-runs';
import { bodyOfRun } from '@core/runs/run-record';
import { correction, firstVersion, recordsOf } from '@core/log/versions';
import { weighBack } from '@core/field/weigh-back';
import { MOST } from '@core/records/most';
import { newId } from '@core/records/new-id';
import type { Case, Run, RunEvent } from '@core/records/case';
import { evaluate } from '@core/reckoning/define';
import { isRefusal } from '@core/reckoning/refusal';
import { applyChange } from '../../storage/changes';
import { writeNote } from '../../storage/notes';
import type { Undoable } from '../../work/property-action';
import { existingProperty } from '../../storage/property-repository';
import { forecastNote, forecastOf } from '../../work/weather-service';
import { GEAR_NOTE } from './gear';
import { MOST_TYPED_LETTERS, typedDaysNote } from './typed-days';
import type { Spreader } from '@core/records/spreader-schema';
import { changeOwn } from '../../storage/own-records';
import type { TableChange } from '../../storage/record-table';

export type Sent =
  | { intent: 'start'; run: Run }
  | { intent: 'step'; runId: string; step: RunEvent }
  | { intent: 'sign'; runId: string; step: RunEvent }
  | { intent: 'watered'; runId: string; step: RunEvent }
  | { intent: 'sprinklers'; zoneId: string; inPerHour?: number }
  | { intent: 'days'; text: string }
  | { intent: 'skip'; zoneId: string; jobKey: string; reason: string; at: string; by: string }
  | { intent: 'gear'; gear: Record<string, unknown> }
  | { intent: 'forecast'; station: string; hour: string }
  | { intent: 'spreader'; change: TableChange<Spreader> };
export interface Answer extends Undoable {
  faults?: Record<string, string>;
  /** Takes back what was written of spreaders. */
  undoSpreaders?: TableChange<Spreader>;
}

const CLOSED = {
  faults: {
    storage:
      'This run is closed: it was signed or given up, perhaps in another tab. Start the job again if there is more to do.',
  },
};
const GONE = { faults: { storage: 'This run was deleted, perhaps in another tab.' } };

/** What a step would be refused for: too many photos, or a scale that contradicts itself. */
function refusedStep(run: Run, step: RunEvent): string | undefined {
  if (step.photo !== undefined && photosOf(run).length >= MOST.photosOfARun)
    return `A run keeps at most ${MOST.photosOfARun} photos.`;
  if (step.kind !== 'weighed-back' && step.backLb === undefined) return undefined;
  const { weighedLb, coveredSqFt } = runState(run);
  const checked = evaluate(weighBack, {
    weighedLb,
    // what was swept up is not on the turf either
    backLb: (step.backLb ?? 0) + (step.recoveredLb ?? 0),
    areaSqFt: coveredSqFt,
    plannedPer1000Lb: run.rateLb,
    percent: Math.min(100, run.label.percent),
  });
  return isRefusal(checked) ? checked.refused : undefined;
}

async function act(sent: Sent, file: Case): Promise<Answer> {
  const { id } = file.property;
  const runs = file.runs ?? [];
  switch (sent.intent) {
    case 'start': {
      const { zoneId, plannedOn, productId } = sent.run;
      // a second start of the same job goes on with the first
      const isVoid = voidRuns(file);
      const stands = runs.some(
        (run) =>
          run.zoneId === zoneId && run.plannedOn === plannedOn && run.productId === productId && !isVoid.has(run.id),
      );
      return stands ? {} : { undo: await applyChange(id, { put: { runs: [sent.run] } }) };
    }
    case 'step': {
      const run = runs.find((each) => each.id === sent.runId);
      if (!run) return GONE;
      if (!isOpen(run)) return CLOSED;
      const refused = refusedStep(run, sent.step);
      if (refused) return { faults: { backLb: refused } };
      return { undo: await applyChange(id, { put: { runs: [{ ...run, events: [...run.events, sent.step] }] } }) };
    }
    case 'sign': {
      const run = runs.find((each) => each.id === sent.runId);
      if (!run) return GONE;
      const { standing, spreadLb } = runState(run);
      // signed twice is signed once
      if (standing === 'signed') return {};
      if (standing === 'given-up') return CLOSED;
      if (spreadLb === undefined) return { faults: { backLb: 'Weigh back first: what is left in the hopper?' } };
      const product = file.products?.find((each) => each.id === run.productId);
      const signed = { ...run, events: [...run.events, sent.step] };
      const body = bodyOfRun(signed, product);
      // a run that was signed, and whose signature was taken back, goes on in its record
      const before = recordsOf(file.records ?? []).find(({ recordId }) => recordId === run.id);
      const pen = { at: sent.step.at, by: sent.step.operator ?? 'no name' };
      const version = before ? correction(before, body, 'signed anew', pen) : firstVersion(run.id, body, pen);
      return {
        undo: await applyChange(id, {
          put: { runs: [signed], ...(spreadLb > 0 ? { records: [version] } : {}) },
        }),
      };
    }
    case 'watered': {
      const run = runs.find((each) => each.id === sent.runId);
      if (!run) return GONE;
      // watered twice is watered once
      if (run.events.some(({ kind }) => kind === 'watered')) return {};
      return { undo: await applyChange(id, { put: { runs: [{ ...run, events: [...run.events, sent.step] }] } }) };
    }
    case 'skip': {
      const { zoneId, jobKey, at, by } = sent;
      const reason = sent.reason.trim();
      if (reason.length < 3) return { faults: { reason: 'Say why it is not done.' } };
      const version = firstVersion(
        newId(
          `skip-${jobKey.replaceAll('/', '-')}`,
          (file.records ?? []).map(({ recordId }) => recordId),
        ),
        { kind: 'skip', date: at.slice(0, 10), zoneIds: [zoneId], facts: { jobKey, reason } },
        { at, by: by || 'no name' },
      );
      return { undo: await applyChange(id, { put: { records: [version] } }) };
    }
    case 'sprinklers': {
      const zone = file.zones.find((each) => each.id === sent.zoneId);
      if (!zone) return GONE;
      const { sprinklerInPerHour: _before, ...rest } = zone;
      const next = sent.inPerHour === undefined ? rest : { ...rest, sprinklerInPerHour: sent.inPerHour };
      return { undo: await applyChange(id, { put: { zones: [next] } }) };
    }
    case 'spreader':
      return { undoSpreaders: await changeOwn('spreaders', sent.change) };
    case 'forecast': {
      const told = await forecastOf(sent.station, sent.hour);
      if (typeof told === 'string') return { faults: { forecast: told } };
      await writeNote(forecastNote(id), JSON.stringify(told));
      return {};
    }
    case 'days':
      await writeNote(typedDaysNote(id), sent.text.slice(0, MOST_TYPED_LETTERS));
      return {};
    case 'gear':
      await writeNote(GEAR_NOTE, JSON.stringify(sent.gear));
      return {};
  }
}

export const fieldAction = async (sent: Sent, propertyId: string): Promise<Answer> =>
  act(sent, await existingProperty(propertyId));
