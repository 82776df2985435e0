import type { IsoDay } from '../days/day';
import { appliedOn } from '../log/applied';
import { recordsOf } from '../log/versions';
import { faceOf } from '../products/label/face';
import type { Case, LocalCode, RecordBody, RecordVersion, Zone } from '../records/case';
import { testsNewestFirst } from '../soil/report';
import { roundedTo } from '../words/numbers';
import { broughtByAPound } from './ledger';

/** The ledger of a year as an authority asks for it: a line an application on each zone, sums that add up to what is printed. */

/** What a line and a sum count. */
export const COUNTED = ['product', 'N', 'N-soluble', 'P2O5', 'K2O'] as const;
export type Counted = (typeof COUNTED)[number];
export type Counts = Record<Counted, number>;

export interface LedgerLine {
  /** Undefined for what an old file brought. */
  recordId?: string;
  date: IsoDay;
  start?: string;
  end?: string;
  zone: Zone;
  areaSqFt: number;
  product: string;
  /** What its label says in front: 24-0-11, CCE 95. */
  face: string;
  registrationNumber?: string;
  lot?: string;
  /** lb in all, and lb/1000 ft2, as they are printed. */
  inAll: Counts;
  per1000: Counts;
  body?: RecordBody;
  /** The soil test that was there when phosphate went down; empty where none was. */
  phosphateTest?: IsoDay | '';
  /** Numbers of its footnotes, from 1. */
  notes: number[];
}

/** What was corrected, withdrawn or is to be chosen between. */
export interface LedgerNote {
  no: number;
  says: string;
  at: string;
  by: string;
}

/** A pesticide or growth regulator: its amount as somebody wrote it, and never counted. */
export interface OtherLine {
  recordId: string;
  date: IsoDay;
  zones: string;
  body: RecordBody;
}

export interface AuthorityLedger {
  year: number;
  lines: LedgerLine[];
  zones: { zone: Zone; inAll: Counts; per1000: Counts }[];
  property: Counts;
  others: OtherLine[];
  notes: LedgerNote[];
  withdrawn: { date: IsoDay; what: string; reason: string; by: string; at: string }[];
  /** Caps of the codes, lb N/1000 ft2 a year. */
  caps: { code: string; maxNPerYear: number }[];
}

/** Places that are printed behind the point: pounds in all, pounds per 1000. */
export const PRINTED = { inAll: 2, per1000: 3 } as const;

const counts = (of: (each: Counted) => number): Counts =>
  Object.fromEntries(COUNTED.map((each) => [each, of(each)])) as Counts;
const sum = (all: readonly Counts[], places: number): Counts =>
  counts((each) =>
    roundedTo(
      all.reduce((total, one) => total + one[each], 0),
      places,
    ),
  );

const corrections = (versions: readonly RecordVersion[]) =>
  versions.filter(({ parents, withdrawn }) => parents.length > 0 && !withdrawn);

/**
 * The ledger of a year, from a case that knows what was given (`withGiven`). Every figure of a line is rounded as it is printed, and the sums
 * are sums of what is printed: whoever adds the lines comes to them.
 *
 * @param inShown pounds, and pounds per 1000, in the unit of the print; as they are where nothing is said
 * @example authorityLedger(file, 2027).zones[0].per1000.N // 1.46, the sum of its lines
 */
export function authorityLedger(
  file: Case,
  year: number,
  inShown: { weight: (lb: number) => number; rate: (lb: number) => number } = { weight: (lb) => lb, rate: (lb) => lb },
): AuthorityLedger {
  const ofYear = (date: string) => date.startsWith(`${year}-`);
  const products = new Map((file.products ?? []).map((product) => [product.id, product]));
  const records = recordsOf(file.records ?? []);
  const byId = new Map(records.map((record) => [record.recordId, record]));
  const notes: LedgerNote[] = [];
  const noted = new Map<string, number[]>();
  const notesOf = (recordId: string): number[] => {
    const before = noted.get(recordId);
    if (before) return before;
    const record = byId.get(recordId);
    const own = (record ? corrections(record.versions) : []).map(({ at, by, reason = '' }) => {
      const note = { no: notes.length + 1, says: `Corrected: ${reason}`, at, by };
      notes.push(note);
      return note.no;
    });
    if (record && record.fork.length > 0) {
      notes.push({
        no: notes.length + 1,
        says: 'Two corrections stand: nobody chose yet',
        at: record.head.at,
        by: record.head.by,
      });
      own.push(notes.length);
    }
    noted.set(recordId, own);
    return own;
  };
  const lines = file.zones
    .flatMap((zone) =>
      appliedOn(zone)
        .filter(({ date }) => ofYear(date))
        .map((applied) => ({ zone, applied })),
    )
    .sort((a, b) => a.applied.date.localeCompare(b.applied.date) || a.zone.name.localeCompare(b.zone.name))
    .map(({ zone, applied: { date, productId, zoneLb, recordId } }): LedgerLine => {
      const body = recordId === undefined ? undefined : byId.get(recordId)?.body;
      const areaSqFt = body?.zoneIds.length === 1 ? (body.zoneAreaSqFt ?? zone.areaSqFt) : zone.areaSqFt;
      const product = products.get(productId);
      const inAPound = broughtByAPound(product);
      const share = (each: Counted) => (each === 'product' ? 1 : inAPound[each]);
      const rateLb = zoneLb / (areaSqFt / 1000);
      const phosphate = (product?.guaranteed.P2O5 ?? 0) > 0;
      const test = testsNewestFirst(file.soilTests ?? [], zone.id).find(({ sampledOn }) => sampledOn <= date);
      return {
        ...(recordId === undefined ? {} : { recordId }),
        date,
        ...(body?.startedAt ? { start: body.startedAt } : {}),
        ...(body?.finishedAt ? { end: body.finishedAt } : {}),
        zone,
        areaSqFt,
        product: body?.product?.name ?? product?.name ?? productId,
        face: product ? faceOf(product) : '',
        ...(body?.product?.registrationNumber ? { registrationNumber: body.product.registrationNumber } : {}),
        ...(body?.lot ? { lot: body.lot } : {}),
        inAll: counts((each) => roundedTo(inShown.weight(zoneLb * share(each)), PRINTED.inAll)),
        per1000: counts((each) => roundedTo(inShown.rate(rateLb * share(each)), PRINTED.per1000)),
        ...(body ? { body } : {}),
        ...(phosphate ? { phosphateTest: test?.sampledOn ?? ('' as const) } : {}),
        notes: recordId === undefined ? [] : notesOf(recordId),
      };
    });
  const zoneNames = (ids: readonly string[]) =>
    ids.map((id) => file.zones.find((zone) => zone.id === id)?.name ?? id).join(', ');
  return {
    year,
    lines,
    zones: file.zones.flatMap((zone) => {
      const own = lines.filter((line) => line.zone.id === zone.id);
      return own.length === 0
        ? []
        : [
            {
              zone,
              inAll: sum(
                own.map(({ inAll }) => inAll),
                PRINTED.inAll,
              ),
              per1000: sum(
                own.map(({ per1000 }) => per1000),
                PRINTED.per1000,
              ),
            },
          ];
    }),
    property: sum(
      lines.map(({ inAll }) => inAll),
      PRINTED.inAll,
    ),
    others: records
      .filter(({ withdrawn, body }) => !withdrawn && ofYear(body.date) && isOther(body))
      .map(({ recordId, body }) => ({ recordId, date: body.date, zones: zoneNames(body.zoneIds), body })),
    notes,
    withdrawn: records
      .filter(({ withdrawn, body }) => withdrawn && ofYear(body.date) && (body.product !== undefined || isOther(body)))
      .map(({ head: { reason = '', by, at }, body }) => ({
        date: body.date,
        what: `${body.product?.name ?? body.facts?.productName ?? ''}, ${zoneNames(body.zoneIds)}`,
        reason,
        by,
        at,
      })),
    caps: (file.codes ?? []).flatMap(({ name, maxNPerYear }: LocalCode) =>
      maxNPerYear === undefined ? [] : [{ code: name ?? 'local code', maxNPerYear }],
    ),
  };
}

const isOther = ({ kind }: RecordBody): boolean => kind === 'pesticide' || kind === 'regulator';

/** Years of which something is in the log, the newest first. */
export const yearsOfLog = (file: Pick<Case, 'records' | 'zones'>): number[] => {
  const days = [
    ...recordsOf(file.records ?? []).map(({ body }) => body.date),
    ...file.zones.flatMap(({ applied = [] }) => applied.map(({ date }) => date)),
  ];
  return [...new Set(days.map((date) => Number(date.slice(0, 4))))].sort((a, b) => b - a);
};
