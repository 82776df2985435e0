import { parseJson, printCase } from '@core/files/case-file';
import { type Case, checkCase, type Guaranteed, type Product } from '@core/records/case';
import { isRefusal, type Refusal, refuse } from '@core/reckoning/refusal';
import { ensureShelf, loadAllProperties, loadProperty, ownTables } from './property-repository';
import { database, keyOf, type UbertasDatabase } from './schema';
import { sureOfRoom } from './changes';

export const BACKUP_FORMAT = 'ubertas-backup';

/** What an import would bring or has brought. */
export interface Imported {
  properties: { id: string; name: string }[];
}

/** Text of the case file of one property: the shelf comes along, so that the file plans the same elsewhere. */
export async function exportProperty(id: string, db: UbertasDatabase = database()): Promise<string | undefined> {
  const file = await loadProperty(id, db);
  if (!file) return undefined;
  const { format: _format, version: _version, ...rest } = file;
  return printCase(rest);
}

/** Products that a case speaks of by their id. */
function spokenOf({ zones, plans }: Case): ReadonlySet<string> {
  const applied = zones.flatMap((z) => (z.applied ?? []).map((a) => a.productId));
  const planned = (plans ?? []).flatMap((p) => [
    ...(p.doses ?? []).map((d) => d.productId),
    ...Object.values(p.products ?? {}),
  ]);
  return new Set([...applied, ...planned]);
}

/** Text of a backup: every property of this browser as a case, in one file. The shelf comes with the first, whole. */
export async function exportBackup(savedAt: string, db: UbertasDatabase = database()): Promise<string> {
  const cases = (await loadAllProperties(db)).map((each, i) => {
    if (i === 0) return each;
    const named = spokenOf(each);
    return { ...each, products: each.products?.filter((p) => named.has(p.id)) };
  });
  return `${JSON.stringify({ format: BACKUP_FORMAT, version: 1, savedAt, cases })}\n`;
}

/** Reads a case file or a backup and checks all of it before anything is stored. */
export function readImport(source: string): Case[] | Refusal {
  const parsed = parseJson(source);
  if (isRefusal(parsed)) return parsed;
  const json = parsed.json as { format?: unknown; cases?: unknown; version?: unknown } | null;
  if (json === null || typeof json !== 'object' || json.format !== BACKUP_FORMAT) {
    const single = checkCase(json);
    return isRefusal(single) ? single : [single];
  }
  if (json.version !== 1)
    return refuse('version', 'The backup was saved by a newer Ubertas. Update this one, then open it again.');
  if (!Array.isArray(json.cases)) return refuse('cases', 'The backup holds no list of properties: it is broken.');
  const cases: Case[] = [];
  for (const [at, each] of json.cases.entries()) {
    const checked = checkCase(each);
    if (isRefusal(checked))
      return refuse(`cases[${at}].${checked.field}`, `Property ${at + 1} of the backup: ${checked.refused}`);
    cases.push(checked);
  }
  return cases;
}

const freeId = (wanted: string, taken: ReadonlySet<string>): string => {
  if (!taken.has(wanted)) return wanted;
  for (let n = 2; ; n++) if (!taken.has(`${wanted}-${n}`)) return `${wanted}-${n}`;
};

const sameLabel = (a: Product, b: Product): boolean => {
  const face = ({ name, guaranteed, eccePercent }: Product) =>
    JSON.stringify([name, Object.entries(guaranteed as Guaranteed).sort(), eccePercent]);
  return face(a) === face(b);
};

/** Gives products of a case that clash with other labels on the shelf an id of their own, everywhere the case names them. */
function withoutClashes(given: Case, shelf: Map<string, Product>): Case {
  const renamed = new Map<string, string>();
  for (const product of given.products ?? []) {
    const other = shelf.get(product.id);
    if (other && !sameLabel(other, product)) renamed.set(product.id, freeId(product.id, new Set(shelf.keys())));
  }
  if (renamed.size === 0) return given;
  const to = (id: string) => renamed.get(id) ?? id;
  return {
    ...given,
    products: given.products?.map((p) => ({ ...p, id: to(p.id) })),
    zones: given.zones.map((z) => ({ ...z, applied: z.applied?.map((a) => ({ ...a, productId: to(a.productId) })) })),
    plans: given.plans?.map((plan) => ({
      ...plan,
      doses: plan.doses?.map((d) => ({ ...d, productId: to(d.productId) })),
      products: plan.products && Object.fromEntries(Object.entries(plan.products).map(([k, id]) => [k, to(id)])),
    })),
  };
}

/**
 * Stores checked cases, all or none. A property that is already here is kept: the newcomer gets an id of its own and
 * "(copy)" after its name, unless `replace` is set.
 */
export async function storeCases(
  cases: readonly Case[],
  { replace = false } = {},
  db: UbertasDatabase = database(),
): Promise<Imported> {
  const properties: Imported['properties'] = [];
  await db.transaction('rw', [db.properties, db.products, db.pictures, ...ownTables(db)], async () => {
    await ensureShelf(db);
    const shelf = new Map((await db.products.toArray()).map((p) => [p.id, p]));
    const taken = new Set(await db.properties.toCollection().primaryKeys());
    for (const raw of cases) {
      const given = withoutClashes(raw, shelf);
      const copy = taken.has(given.property.id) && !replace;
      const id = copy ? freeId(given.property.id, taken) : given.property.id;
      const name = copy ? `${given.property.name} (copy)` : given.property.name;
      taken.add(id);
      if (replace) await Promise.all(ownTables(db).map((table) => table.where('propertyId').equals(id).delete()));
      const { site, ...property } = given.property;
      const { picture, ...onSheet } = site ?? {};
      if (picture) await db.pictures.put({ propertyId: id, picture });
      else if (replace) await db.pictures.delete(id);
      await db.properties.put({
        ...property,
        ...(site ? { site: onSheet } : {}),
        id,
        name,
        codes: given.codes,
        choices: given.choices,
        changedAt: new Date().toISOString(),
      });
      await db.zones.bulkPut(
        given.zones.map((zone, order) => ({ ...zone, key: keyOf(id, zone.id), propertyId: id, order })),
      );
      await db.soilTests.bulkPut(
        (given.soilTests ?? []).map((test) => ({ ...test, key: keyOf(id, test.id), propertyId: id })),
      );
      await db.samples.bulkPut(
        (given.samples ?? []).map((sample) => ({ ...sample, key: keyOf(id, sample.id), propertyId: id })),
      );
      await db.plans.bulkPut((given.plans ?? []).map((plan) => ({ ...plan, key: keyOf(id, plan.id), propertyId: id })));
      for (const product of given.products ?? []) {
        const here = shelf.get(product.id);
        // a stock that is known fills in where ours never was
        const kept = here && { ...here, onHandLb: here.onHandLb ?? product.onHandLb };
        if (!here || kept?.onHandLb !== here.onHandLb) await db.products.put(kept ?? product);
        shelf.set(product.id, kept ?? product);
      }
      properties.push({ id, name });
    }
    sureOfRoom('products', shelf.size);
  });
  return { properties };
}
