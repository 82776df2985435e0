import { type Brought, compareCases, type Decision, usualDecision } from '@core/files/compare-cases';
import type { Case, Product } from '@core/records/case';
import { groupBy } from '@core/tables/group-by';
import { type Change, ChangedMeanwhile, idOf, NotKept, type Owned, sureOfRoom, writeBrought } from './changes';
import { SHELF, tellOthers } from './other-tabs';
import { ensureShelf, idOfFile, loadStored, ownTables } from './property-repository';
import { isRandomId, randomId } from './record-id';
import { database, type UbertasDatabase } from './schema';
import { type ShelfChange, writeShelf } from './shelf-repository';

/** A property of a file beside what is here of it, every record of it in its standing. */
export interface Surveyed {
  fileId: string;
  name: string;
  isHere: boolean;
  brought: Brought[];
}

/** What was decided of a record that is not simply taken or left: by `decisionKey`. */
export type Decisions = Readonly<Record<string, Decision>>;

/** A product is one on the shelf, whichever property brings it; everything else belongs to its property. */
export const decisionKey = (fileId: string, { kind, id }: Pick<Brought, 'kind' | 'id'>): string =>
  JSON.stringify(kind === 'products' ? [kind, id] : [fileId, kind, id]);

/** What takes a restore back. */
export interface RestoreUndo {
  properties: { id: string; created: boolean; change: Change }[];
  shelf: ShelfChange;
}
export interface Restored {
  properties: { id: string; name: string }[];
  /** Records that were written. */
  written: number;
  undo: RestoreUndo;
}

const KINDS = ['zones', 'soilTests', 'samples', 'plans', 'runs', 'records'] as const satisfies readonly Owned[];

/** How everything in the cases of a file stands to what is here. Nothing is written. */
export async function surveyCases(cases: readonly Case[], db: UbertasDatabase = database()): Promise<Surveyed[]> {
  await ensureShelf(db);
  const shelf = await db.products.toArray();
  const surveyed: Surveyed[] = [];
  for (const there of cases) {
    const fileId = there.property.id;
    const id = await idOfFile(fileId, db);
    const here = id === undefined ? undefined : await loadStored(id, db);
    surveyed.push({
      fileId,
      name: there.property.name,
      isHere: here !== undefined,
      brought: compareCases(here, shelf, there),
    });
  }
  return surveyed;
}

const freeId = (wanted: string, taken: ReadonlySet<string>): string => {
  for (let n = 2; ; n++) if (!taken.has(`${wanted}-${n}`)) return `${wanted}-${n}`;
};

/** A case whose products carry other ids, everywhere it names them. */
function renamed(given: Case, names: ReadonlyMap<string, string>): Case {
  if (names.size === 0) return given;
  const to = (id: string) => names.get(id) ?? id;
  return {
    ...given,
    products: given.products?.map((p) => ({ ...p, id: to(p.id) })),
    zones: given.zones.map((z) => ({ ...z, applied: z.applied?.map((a) => ({ ...a, productId: to(a.productId) })) })),
    runs: given.runs?.map((run) => ({ ...run, productId: to(run.productId) })),
    plans: given.plans?.map((plan) => ({
      ...plan,
      doses: plan.doses?.map((d) => ({ ...d, productId: to(d.productId) })),
      products: plan.products && Object.fromEntries(Object.entries(plan.products).map(([k, id]) => [k, to(id)])),
    })),
  };
}

interface Options {
  /** A backup's products give way by their days; a stranger's stand beside ours. */
  backup?: boolean;
  decisions?: Decisions;
  /** The survey that was decided on: what changed since is asked again. */
  surveyed?: readonly Surveyed[];
  /** The id of a property that is not here yet. */
  idFor?: (fileId: string) => string;
}

const idOfChance = (fileId: string): string => (isRandomId(fileId) ? fileId : randomId());

/**
 * Takes over what was decided of the cases of a file, all or nothing. What is here and was not decided on stays exactly as it is;
 * a file that is opened again changes nothing.
 *
 * @throws ChangedMeanwhile where what is here changed since it was surveyed; TooMany, RecordRefused, NotKept
 */
export async function restoreCases(
  cases: readonly Case[],
  { backup = false, decisions = {}, surveyed, idFor = idOfChance }: Options = {},
  db: UbertasDatabase = database(),
): Promise<Restored> {
  const tables = [db.properties, db.products, db.pictures, ...ownTables(db)];
  const restored = await db.transaction('rw', tables, async () => {
    const now = await surveyCases(cases, db);
    if (surveyed && JSON.stringify(surveyed) !== JSON.stringify(now))
      throw new ChangedMeanwhile({
        propertyId: '',
        kind: 'products',
        what: 'What is here',
        id: '',
        mine: surveyed,
        theirs: now,
      });
    const result: Restored = { properties: [], written: 0, undo: { properties: [], shelf: { put: [], remove: [] } } };
    const put = new Map<string, Product>();
    const taken = new Set(await db.products.toCollection().primaryKeys());
    for (const [i, given] of cases.entries()) {
      const { fileId, brought, isHere } = now[i] as Surveyed;
      const decided = (each: Brought): Decision => decisions[decisionKey(fileId, each)] ?? usualDecision(each, backup);
      const of = groupBy(brought, (each) => each.kind);
      const names = new Map<string, string>();
      for (const each of of.get('products') ?? [])
        if (decided(each) === 'both') {
          names.set(each.id, freeId(each.id, taken));
          taken.add(names.get(each.id) as string);
        }
      const there = renamed(given, names);
      for (const each of of.get('products') ?? []) {
        if (decided(each) === 'leave') continue;
        const product = there.products?.find((p) => p.id === (names.get(each.id) ?? each.id));
        if (product) put.set(product.id, product);
      }
      const takes = (kind: Brought['kind']) =>
        new Set((of.get(kind) ?? []).filter((each) => decided(each) === 'take').map((each) => each.id));
      const id = isHere ? ((await idOfFile(fileId, db)) as string) : idFor(fileId);
      const { id: _id, ...facts } = there.property;
      const change: Change = {
        ...(takes('property').size > 0
          ? {
              property: {
                ...facts,
                site: facts.site ?? null,
                climate: facts.climate ?? null,
                codes: there.codes,
                choices: there.choices ?? null,
                fileId: id === fileId ? null : fileId,
              },
            }
          : {}),
        put: Object.fromEntries(
          KINDS.map((kind) => {
            const wanted = takes(kind);
            return [kind, (there[kind] ?? []).filter((record) => wanted.has(idOf(record)))];
          }),
        ),
        over: await versionsOf(id, there, db),
      };
      const count = KINDS.reduce((sum, kind) => sum + (change.put?.[kind]?.length ?? 0), 0) + (change.property ? 1 : 0);
      result.properties.push({ id, name: there.property.name });
      if (count === 0) continue;
      result.written += count;
      result.undo.properties.push({ id, created: !isHere, change: await writeBrought(id, change, db) });
    }
    const stands = await db.products.bulkGet([...put.keys()]);
    const over = Object.fromEntries([...put.keys()].map((id, i) => [id, stands[i]?.changedAt ?? null]));
    result.undo.shelf = await writeShelf({ put: [...put.values()], remove: [], over }, db, (_before, given) => given);
    result.written += put.size;
    sureOfRoom('products', await db.products.count());
    return result;
  });
  for (const { id } of restored.undo.properties) if (!(await db.properties.get(id))) throw new NotKept();
  tellOthers(SHELF, ...restored.properties.map((property) => property.id));
  return restored;
}

/** The versions that stand of the records a file speaks of: a restore is decided on them, whatever the file says. */
async function versionsOf(id: string, there: Case, db: UbertasDatabase): Promise<Record<string, string | null>> {
  const over: Record<string, string | null> = {};
  for (const kind of KINDS) {
    // a version of the log is the same wherever it comes from
    if (kind === 'records') continue;
    const stands = new Map(
      (await db[kind].where({ propertyId: id }).toArray()).map((record) => [record.id, record.changedAt]),
    );
    for (const record of there[kind] ?? []) over[`${kind}/${record.id}`] = stands.get(record.id) ?? null;
  }
  return over;
}

/** Takes a restore back: the records it wrote, and nothing that was changed since. */
export async function undoRestore({ properties, shelf }: RestoreUndo, db: UbertasDatabase = database()): Promise<void> {
  const tables = [db.properties, db.products, db.pictures, ...ownTables(db)];
  await db.transaction('rw', tables, async () => {
    for (const { id, created, change } of properties) {
      const { property, ...records } = change;
      await writeBrought(id, created ? records : { ...records, property }, db);
      if (!created) continue;
      await db.properties.delete(id);
      await db.pictures.delete(id);
    }
    await writeShelf(shelf, db, (_before, given) => given);
  });
  tellOthers(SHELF, ...properties.map(({ id }) => id));
}
