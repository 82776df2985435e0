import { refuseBody } from '@core/log/kinds';
import { correction, firstVersion, type LogRecord, recordsOf, withdrawal } from '@core/log/versions';
import { newId } from '@core/records/new-id';
import { refuseLog } from '@core/files/check-log';
import type { Case, RecordBody, RecordVersion } from '@core/records/case';
import { applyChange } from '../../storage/changes';
import { existingProperty } from '../../storage/property-repository';
import type { Undoable } from '../../work/property-action';

export type Sent =
  | { intent: 'bring'; versions: readonly RecordVersion[] }
  | { intent: 'add'; body: RecordBody; at: string; by: string }
  | { intent: 'correct'; recordId: string; body: RecordBody; reason: string; at: string; by: string }
  | { intent: 'withdraw'; recordId: string; reason: string; at: string; by: string };
export interface Answer extends Undoable {
  faults?: Record<string, string>;
  /** Versions that were not here before. */
  brought?: number;
}

const LEAST_REASON = 3;
const GONE = { faults: { storage: 'This record is gone, perhaps in another tab.' } };
const NO_REASON = { faults: { reason: 'Say why: what counted before stays in the record.' } };

/** Writes a version; what comes back takes it away again. */
const write = async (propertyId: string, version: RecordVersion): Promise<Answer> => ({
  undo: await applyChange(propertyId, { put: { records: [version] } }),
});

/** Takes in what of a log is not here yet; a version is the same wherever it was written. */
async function bring(propertyId: string, file: Case, versions: readonly RecordVersion[]): Promise<Answer> {
  const wrong = refuseLog({ records: [...versions] });
  if (wrong) return { faults: { storage: wrong.refused } };
  const here = new Set((file.records ?? []).map(({ versionId }) => versionId));
  const fresh = versions.filter(({ versionId }) => !here.has(versionId));
  if (fresh.length === 0) return { brought: 0 };
  return { undo: await applyChange(propertyId, { put: { records: fresh } }), brought: fresh.length };
}

export async function logAction(sent: Sent, propertyId: string): Promise<Answer> {
  const file = await existingProperty(propertyId);
  const records = recordsOf(file.records ?? []);
  if (sent.intent === 'bring') return bring(propertyId, file, sent.versions);
  const pen = { at: sent.at, by: sent.by || 'no name' };
  const wrong = 'body' in sent ? refuseBody(sent.body) : undefined;
  if (wrong) return { faults: { [wrong.field]: wrong.refused } };
  if (sent.intent === 'add') {
    const { kind, date, zoneIds } = sent.body;
    const id = newId(
      `${date}-${zoneIds[0] ?? ''}-${kind}`,
      records.map(({ recordId }) => recordId),
    );
    return write(propertyId, firstVersion(id, sent.body, pen));
  }
  const record: LogRecord | undefined = records.find(({ recordId }) => recordId === sent.recordId);
  if (!record) return GONE;
  const reason = sent.reason.trim();
  if (reason.length < LEAST_REASON) return NO_REASON;
  return write(
    propertyId,
    sent.intent === 'withdraw' ? withdrawal(record, reason, pen) : correction(record, sent.body, reason, pen),
  );
}
