import type { IsoDay } from '../days/day';
import type { Case, Product, RecordLabel, Zone } from '../records/case';
import { spreadsProduct } from './kinds';
import { CHEMISTRY } from './label';
import { type LogRecord, recordsOf } from './versions';

/**
 * What went down, for everything that reckons with it. Entries of old files lie with the zone; all others are reckoned from the records that
 * count, are marked with their record, and are never stored.
 */

export type Applied = NonNullable<Zone['applied']>[number];

/** All that was put down on a zone, the oldest first: every reader of what was given asks here. */
export const appliedOn = ({ applied = [] }: Pick<Zone, 'applied'>): Applied[] =>
  [...applied].sort((a, b) => a.date.localeCompare(b.date));

/** The product of a label copy, as the shelf would hold it; unfinished, so that nothing is planned with it. */
export const productOfLabel = ({ registrationNumber: _number, ...label }: RecordLabel, id: string): Product => ({
  ...label,
  id,
  unfinished: true,
});

const chemistry = (label: RecordLabel | Product): string =>
  JSON.stringify(
    CHEMISTRY.map((key) => {
      const value = label[key];
      return typeof value === 'object'
        ? Object.entries(value)
            .filter(([, share]) => share !== undefined)
            .sort()
        : (value ?? null);
    }),
  );

/** Share of a record that lies on one of its zones: by their areas. */
export function shareOn(
  zoneId: string,
  { zoneIds }: Pick<LogRecord['body'], 'zoneIds'>,
  zones: readonly Zone[],
): number {
  if (zoneIds.length === 1) return zoneIds[0] === zoneId ? 1 : 0;
  const area = (id: string) => zones.find((zone) => zone.id === id)?.areaSqFt ?? 0;
  const all = zoneIds.reduce((sum, id) => sum + area(id), 0);
  return !zoneIds.includes(zoneId) || all === 0 ? 0 : area(zoneId) / all;
}

/** Records that put a product down and count, oldest first. */
export const spreadRecords = (file: Pick<Case, 'records'>): LogRecord[] =>
  recordsOf(file.records ?? []).filter(({ withdrawn, body }) => !withdrawn && spreadsProduct(body.kind));

/**
 * A case whose zones know what was given by the log as well. The label of a record counts as it stood: where the shelf says something else by
 * now, or has the product no more, the copy stands beside the shelf under a name of its own.
 */
export function withGiven<C extends Case>(file: C): C {
  const records = spreadRecords(file);
  if (records.length === 0) return file;
  const shelf = new Map((file.products ?? []).map((product) => [product.id, product]));
  const copies = new Map<string, Product>();
  const given = records.flatMap(({ recordId, body }) => {
    const { product, spreadLb = 0, date } = body;
    if (!product || spreadLb <= 0) return [];
    const stands = shelf.get(product.id);
    const isSame = stands !== undefined && chemistry(stands) === chemistry(product);
    const productId = isSame ? product.id : `${product.id} of ${recordId}`.slice(0, 80);
    if (!isSame) copies.set(productId, productOfLabel(product, productId));
    return [{ date, productId, spreadLb, recordId, body }];
  });
  return {
    ...file,
    products: [...(file.products ?? []), ...[...copies.values()].filter(({ id }) => !shelf.has(id))],
    // what was put in before is put in anew: twice over it would count twice
    zones: file.zones.map(asStored).map((zone) => {
      const here = given.flatMap(({ date, productId, spreadLb, recordId, body }): Applied[] => {
        const share = shareOn(zone.id, body, file.zones);
        return share > 0 ? [{ date, productId, zoneLb: spreadLb * share, recordId }] : [];
      });
      return here.length === 0
        ? zone
        : { ...zone, applied: appliedOn({ applied: [...(zone.applied ?? []), ...here] }) };
    }),
  };
}

/** A zone as it is stored: without what is reckoned from records. */
export function asStored<Z extends Pick<Zone, 'applied'>>(zone: Z): Z {
  if (!zone.applied?.some(({ recordId }) => recordId !== undefined)) return zone;
  const { applied, ...rest } = zone;
  const own = applied.filter(({ recordId }) => recordId === undefined);
  return { ...rest, ...(own.length > 0 ? { applied: own } : {}) } as Z;
}

/** The day of the last record of a kind of thing on a zone; undefined where there is none. */
export const lastDayOn = (
  records: readonly LogRecord[],
  zoneId: string,
  is: (record: LogRecord) => boolean,
): IsoDay | undefined =>
  records.findLast((record) => !record.withdrawn && record.body.zoneIds.includes(zoneId) && is(record))?.body.date;
