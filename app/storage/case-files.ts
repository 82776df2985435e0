import { parseJson, printCase } from '@core/files/case-file';
import { refuseOutlines } from '@core/files/check-ground';
import { refuseLog } from '@core/files/check-log';
import { type Case, checkCase } from '@core/records/case';
import { isRefusal, type Refusal, refuse } from '@core/reckoning/refusal';
import { loadAllProperties, loadStored, type PropertyFile } from './property-repository';
import { checkOwn, ownRecords, type OwnRecords } from './own-backup';
import { database, type UbertasDatabase } from './schema';

export const BACKUP_FORMAT = 'ubertas-backup';

/** A property as files know it: under the id that it had when it first came from one. */
const asFiled = ({ fileId, ...file }: PropertyFile): Case => ({ ...file, property: { ...file.property, id: fileId } });

/** Text of the case file of one property: the shelf comes along, so that the file plans the same elsewhere. */
export async function exportProperty(id: string, db: UbertasDatabase = database()): Promise<string | undefined> {
  const file = await loadStored(id, db);
  if (!file) return undefined;
  const { format: _format, version: _version, ...rest } = asFiled(file);
  return printCase(rest);
}

/** Products that a case speaks of by their id. */
function spokenOf({ zones, plans, runs }: Case): ReadonlySet<string> {
  const applied = zones.flatMap((z) => (z.applied ?? []).map((a) => a.productId));
  const planned = (plans ?? []).flatMap((p) => [
    ...(p.doses ?? []).map((d) => d.productId),
    ...Object.values(p.products ?? {}),
  ]);
  return new Set([...applied, ...planned, ...(runs ?? []).map((run) => run.productId)]);
}

/**
 * Text of a backup: every property of this browser as a case, in one file, the shelf with the first, whole; beside them own codes,
 * packs, people and settings. License numbers are personal and come only where they are asked for.
 */
export async function exportBackup(
  savedAt: string,
  db: UbertasDatabase = database(),
  { licenses = false }: { licenses?: boolean } = {},
): Promise<string> {
  const cases = (await loadAllProperties(db)).map(asFiled).map((each, i) => {
    if (i === 0) return each;
    const named = spokenOf(each);
    return { ...each, products: each.products?.filter((p) => named.has(p.id)) };
  });
  const own = await ownRecords(db, { licenses });
  return `${JSON.stringify({ format: BACKUP_FORMAT, version: 1, savedAt, cases, ...(own ? { own } : {}) })}\n`;
}

/** Reads a case file or a backup and checks all of it before anything is stored. */
export function readImport(source: string): { cases: Case[]; backup: boolean; own?: OwnRecords } | Refusal {
  const parsed = parseJson(source);
  if (isRefusal(parsed)) return parsed;
  const json = parsed.json as { format?: unknown; cases?: unknown; version?: unknown; own?: unknown } | null;
  if (json === null || typeof json !== 'object' || json.format !== BACKUP_FORMAT) {
    const single = checkCase(json);
    if (isRefusal(single)) return single;
    // what a backup holds was in a browser and comes back as it was; a file may be anybody's
    const wrong = refuseOutlines(single) ?? refuseLog(single);
    if (wrong) return wrong;
    const { operators, spreaders, ...rest } = single;
    const own = { ...(operators ? { operators } : {}), ...(spreaders ? { spreaders } : {}) };
    return { cases: [rest], backup: false, ...(operators || spreaders ? { own } : {}) };
  }
  if (json.version !== 1)
    return refuse('version', 'The backup was saved by a newer Ubertas. Update this one, then open it again.');
  if (!Array.isArray(json.cases)) return refuse('cases', 'The backup holds no list of properties: it is broken.');
  const cases: Case[] = [];
  for (const [at, each] of json.cases.entries()) {
    const checked = checkCase(each);
    if (isRefusal(checked))
      return refuse(`cases[${at}].${checked.field}`, `Property ${at + 1} of the backup: ${checked.refused}`);
    const log = refuseLog(checked);
    if (log) return refuse(`cases[${at}].${log.field}`, `Property ${at + 1} of the backup: ${log.refused}`);
    cases.push(checked);
  }
  const own = checkOwn(json.own);
  if (isRefusal(own)) return own;
  return { cases, backup: true, ...(own ? { own } : {}) };
}
