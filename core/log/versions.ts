import { sha256 } from '@noble/hashes/sha2.js';
import { base32nopad } from '@scure/base';
import canonicalize from 'canonicalize';
import type { RecordBody, RecordVersion } from '../records/case';
import { groupBy } from '../tables/group-by';

/**
 * A record is a set of versions that is only ever added to. A version is named by its content, so two browsers that write the same have
 * written one version, and a changed byte is found out; two logs are merged by putting their versions together.
 */

/** Letters of the hash that a name carries: 130 bits. */
const NAME_LETTERS = 26;

/**
 * The name of a version: `v_` and the first 26 letters of the base32 of the SHA-256 over its canonical JSON (RFC 8785).
 *
 * @example versionName({ recordId: 'r1', parents: [], at: '2027-09-06T10:52:00-05:00', by: 'Operator 1', body }) // 'v_gcxwhbwhhxq2yfh4gw7cfgrthp'
 */
export function versionName({
  versionId: _name,
  ...rest
}: Omit<RecordVersion, 'versionId'> & { versionId?: string }): string {
  const text = canonicalize(rest) ?? '';
  return `v_${base32nopad
    .encode(sha256(new TextEncoder().encode(text)))
    .toLowerCase()
    .slice(0, NAME_LETTERS)}`;
}

/** A version with its name. What is undefined is left out: JSON knows none. */
export function namedVersion(rest: Omit<RecordVersion, 'versionId'>): RecordVersion {
  const plain = JSON.parse(JSON.stringify(rest)) as Omit<RecordVersion, 'versionId'>;
  return { versionId: versionName(plain), ...plain };
}

/** The first version whose name is not that of its content; undefined where all are sound. */
export const unsoundVersion = (versions: readonly RecordVersion[]): RecordVersion | undefined =>
  versions.find((version) => versionName(version) !== version.versionId);

/** Versions in the order of their moments, whoever gave them. */
const byMoment = (a: RecordVersion, b: RecordVersion): number =>
  Date.parse(a.at) - Date.parse(b.at) || (a.versionId < b.versionId ? -1 : a.versionId > b.versionId ? 1 : 0);

/**
 * Two logs as one: every version once. Idempotent, commutative and associative, for a version is what it is named.
 *
 * @example mergeVersions(here, here) // here, in the order of its moments
 */
export function mergeVersions(...logs: readonly (readonly RecordVersion[])[]): RecordVersion[] {
  const byName = new Map<string, RecordVersion>();
  for (const log of logs) for (const version of log) byName.set(version.versionId, version);
  return [...byName.values()].sort(byMoment);
}

/** A record as it counts now. */
export interface LogRecord {
  recordId: string;
  /** The version that counts. */
  head: RecordVersion;
  body: RecordBody;
  withdrawn: boolean;
  /** All its versions, oldest first. */
  versions: RecordVersion[];
  /** Where two browsers corrected the same version: all that stand, the head among them; else empty. */
  fork: RecordVersion[];
  /** An earlier version is in another file. */
  lacksParent: boolean;
}

/** Versions so that each stands after those it follows, whatever the clocks said. */
function inOrder(versions: readonly RecordVersion[]): RecordVersion[] {
  const byName = new Map(versions.map((version) => [version.versionId, version]));
  const placed = new Set<string>();
  const order: RecordVersion[] = [];
  const place = (version: RecordVersion): void => {
    if (placed.has(version.versionId)) return;
    placed.add(version.versionId);
    for (const parent of version.parents) {
      const before = byName.get(parent);
      if (before) place(before);
    }
    order.push(version);
  };
  [...versions].sort(byMoment).forEach(place);
  return order;
}

function recordOf(recordId: string, versions: readonly RecordVersion[]): LogRecord {
  const followed = new Set(versions.flatMap(({ parents }) => parents));
  const names = new Set(versions.map(({ versionId }) => versionId));
  const heads = versions.filter(({ versionId }) => !followed.has(versionId)).sort(byMoment);
  // the later of two corrections counts until somebody chooses; a ring of parents has no end, and cannot come of honest names
  const head = (heads.at(-1) ?? versions.at(-1)) as RecordVersion;
  return {
    recordId,
    head,
    body: head.body,
    withdrawn: head.withdrawn === true,
    versions: inOrder(versions),
    fork: heads.length > 1 ? heads : [],
    lacksParent: versions.some(({ parents }) => parents.some((parent) => !names.has(parent))),
  };
}

/** What a log came to: it is asked for with every check of every plan, and a log that is given is never changed. */
const foldedLogs = new WeakMap<readonly RecordVersion[], readonly LogRecord[]>();

/** Every record of a log with what counts of it, by day and then by moment, oldest first. */
export function recordsOf(versions: readonly RecordVersion[]): readonly LogRecord[] {
  const before = foldedLogs.get(versions);
  if (before) return before;
  const records = foldLog(versions);
  foldedLogs.set(versions, records);
  return records;
}

const foldLog = (versions: readonly RecordVersion[]): LogRecord[] =>
  [...groupBy(versions, ({ recordId }) => recordId)]
    .map(([recordId, own]) => recordOf(recordId, own))
    .sort((a, b) => a.body.date.localeCompare(b.body.date) || byMoment(a.head, b.head));

/** Who writes when. */
export interface Pen {
  at: string;
  by: string;
}

/** The first version of a record. */
export const firstVersion = (recordId: string, body: RecordBody, { at, by }: Pen): RecordVersion =>
  namedVersion({ recordId, parents: [], at, by, body });

/** A correction: what counts from now on, after every version that stood, with the reason. A fork ends with it. */
export const correction = (
  { recordId, head, fork }: LogRecord,
  body: RecordBody,
  reason: string,
  { at, by }: Pen,
): RecordVersion => namedVersion({ recordId, parents: parentsOf(head, fork), at, by, reason, body });

/** A deletion, which is a version too: the record leaves every sum and stands struck through. */
export const withdrawal = ({ recordId, head, fork, body }: LogRecord, reason: string, { at, by }: Pen): RecordVersion =>
  namedVersion({ recordId, parents: parentsOf(head, fork), at, by, reason, withdrawn: true, body });

const parentsOf = (head: RecordVersion, fork: readonly RecordVersion[]): string[] =>
  fork.length > 0 ? fork.map(({ versionId }) => versionId).sort() : [head.versionId];
