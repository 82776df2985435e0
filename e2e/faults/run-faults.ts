import type { Page } from '@playwright/test';
import type { Case, Product } from '@core/records/case';
import { addressOf, bodyOf, BY_FILE, type Found, foundActions } from './actions';
import { FAULTS, type FaultKind, faultShim } from './shim';

/** What came of the faults of one action. */
export interface Tally {
  action: string;
  tried: number;
  /** Answered in words. */
  said: number;
  /** The database stood as before or as after, never between. */
  whole: number;
  /** Said to be done and not, or the other way round. */
  falseSuccess: number;
  /** The page was replaced by an error. */
  replaced: number;
}

type Dump = Record<string, { key: string; value: object }[]>;

/** All of the database, and all of it put back. */
export const dump = (page: Page): Promise<Dump> =>
  page.evaluate(async () => {
    const open = indexedDB.open('ubertas');
    const db = await new Promise<IDBDatabase>((done) => (open.onsuccess = () => done(open.result)));
    const all: Dump = {};
    for (const name of Array.from(db.objectStoreNames)) {
      const store = db.transaction(name).objectStore(name);
      const [keys, values] = await Promise.all(
        [store.getAllKeys(), store.getAll()].map(
          (request) => new Promise<unknown[]>((done) => (request.onsuccess = () => done(request.result))),
        ),
      );
      all[name] = (keys as string[])
        .map((key, i) => ({ key, value: values![i] as object }))
        .filter(({ key }) => key !== 'changes-since-backup');
    }
    db.close();
    return all;
  });
const putBack = (page: Page, all: Dump): Promise<void> =>
  page.evaluate(async (given) => {
    (globalThis as unknown as { faultShim: { arm: (armed?: object) => void } }).faultShim.arm();
    const open = indexedDB.open('ubertas');
    const db = await new Promise<IDBDatabase>((done) => (open.onsuccess = () => done(open.result)));
    const names = Object.keys(given);
    const transaction = db.transaction(names, 'readwrite');
    for (const name of names) {
      transaction.objectStore(name).clear();
      for (const { value } of given[name]!) transaction.objectStore(name).put(value);
    }
    await new Promise((done) => (transaction.oncomplete = done));
    db.close();
  }, all);

/** What is the same in two states of the database is what they say, whenever it was written and by whatever chance. */
const face = (all: Dump): string =>
  JSON.stringify(all, (key, value: unknown) =>
    ['changedAt', 'usedAt', 'key', 'propertyId'].includes(key) ? undefined : value,
  ).replaceAll(/"p[0-9a-f]{20}"/g, '"id"');

export interface Answered {
  data: unknown;
  writes: number;
  heading: string;
}
/** Sends a body to an action as the application's own router does, with a fault armed or none. */
export const send = (
  page: Page,
  route: string,
  propertyId: string,
  body: object,
  armed?: { at: number; kind: FaultKind },
) =>
  page.evaluate(
    async ({ path, routeId, body, armed }): Promise<Answered> => {
      interface Router {
        getFetcher(key: string): { state: string; data?: unknown };
        deleteFetcher(key: string): void;
        fetch(key: string, routeId: string, href: string, options: object): Promise<void>;
        navigate(to: string): Promise<void>;
        subscribe(hear: (state: { fetchers: Map<string, { state: string; data?: unknown }> }) => void): () => void;
      }
      const win = globalThis as unknown as {
        __reactRouterDataRouter: Router;
        faultShim: { arm: (armed?: object) => void; count: () => number };
      };
      const router = win.__reactRouterDataRouter;
      const key = `fault-${Math.random()}`;
      router.getFetcher(key);
      let data: unknown;
      let ended: () => void = () => undefined;
      const idle = new Promise<void>((done) => (ended = done));
      // the router lets a fetcher go once it is idle: its answer is heard on the way
      const leave = router.subscribe(({ fetchers }) => {
        const fetcher = fetchers.get(key);
        if (fetcher?.data !== undefined) data = fetcher.data;
        if (!fetcher || fetcher.state === 'idle') ended();
      });
      win.faultShim.arm(armed);
      await router.fetch(key, routeId, path, { formMethod: 'post', formEncType: 'application/json', body });
      await Promise.race([idle, new Promise((late) => setTimeout(late, 10_000))]);
      leave();
      const writes = win.faultShim.count();
      win.faultShim.arm();
      router.deleteFetcher(key);
      return { data, writes, heading: document.querySelector('h1')?.textContent ?? '' };
    },
    { ...addressOf(route, propertyId), body, armed },
  );

const goTo = async (page: Page, path: string): Promise<void> => {
  await page.evaluate(
    (to) =>
      (
        globalThis as unknown as { __reactRouterDataRouter: { navigate(to: string): Promise<void> } }
      ).__reactRouterDataRouter.navigate(to),
    path,
  );
};

export const faultsIn = (data: unknown): string | undefined =>
  data === undefined ? undefined : Object.values((data as { faults?: Record<string, string> }).faults ?? {})[0];

/** A page with the shim and two demo properties; give it before anything else. */
export async function withShim(page: Page): Promise<void> {
  // what runs TypeScript may wrap functions in a helper of its own, which a page does not have
  await page.addInitScript(`globalThis.__name ??= (named) => named; (${faultShim.toString()})()`);
}

/**
 * Tries every action found in the routes, or those asked for, with a fault at each of its writes in each kind, and says what came of
 * it. At most `most` writes of an action are tried, spread over them.
 */
export async function runFaults(
  page: Page,
  {
    only,
    most = 3,
    kinds = FAULTS,
    onTally = () => undefined,
  }: {
    only?: (found: Found) => boolean;
    most?: number;
    kinds?: readonly FaultKind[];
    onTally?: (tally: Tally) => void;
  } = {},
): Promise<Tally[]> {
  const tallies: Tally[] = [];
  const found = foundActions();
  if (found.length < 30) throw new Error(`only ${found.length} actions were found in the routes`);
  const missing = found.filter((each) => !bodyOf(each) && !BY_FILE.has(`${each.route}/${each.intent}`));
  if (missing.length > 0)
    throw new Error(`no body for ${missing.map(({ route, intent }) => `${route}/${intent}`).join(', ')}`);
  const propertyId = String(
    (await dump(page)).properties?.find(({ value }) => (value as { name: string }).name === 'Quarry Lane School')?.key,
  );
  const given = async (): Promise<{ file: Case; products: Product[] }> => {
    const all = await dump(page);
    const of = <T>(kind: string) =>
      (all[kind] ?? [])
        .map(({ value }) => value as T & { propertyId?: string; order?: number })
        .filter((value) => value.propertyId === propertyId)
        .sort((a, b) => (a.order ?? 0) - (b.order ?? 0))
        .map(({ propertyId: _property, order: _order, key: _key, ...rest }: Record<string, unknown>) => rest);
    const property = all.properties?.find(({ key }) => key === propertyId)?.value as Case['property'];
    const file = {
      property,
      zones: of('zones'),
      soilTests: of('soilTests'),
      samples: of('samples'),
      plans: of('plans'),
      runs: of('runs'),
      records: of('records'),
    };
    return { file: file as unknown as Case, products: (all.products ?? []).map(({ value }) => value as Product) };
  };
  // a sample, a reading, a plan and a run, so that there is one of everything to change and to delete
  for (const [route, intent] of [
    ['sample', 'start'],
    ['sample', 'reading'],
    ['season', 'keep'],
    ['field', 'start'],
    ['log', 'add'],
  ] as const)
    await send(page, route, propertyId, {
      intent,
      ...bodyOf({ route, intent })!({ ...(await given()), undo: undefined }),
    });
  const start = await dump(page);
  for (const each of found) {
    const body = bodyOf(each);
    if (!body || (only && !only(each))) continue;
    const action = `${each.route}/${each.intent}`;
    const tally: Tally = { action, tried: 0, said: 0, whole: 0, falseSuccess: 0, replaced: 0 };
    await putBack(page, start);
    await goTo(page, addressOf(each.route === 'settle' ? 'home' : each.route, propertyId).path.replace('?index', ''));
    // what an undo takes back is written first, once
    let undo: unknown;
    if (each.intent === 'undo') {
      const before = await send(page, 'ground', propertyId, {
        intent: 'climate',
        ...bodyOf({ route: 'ground', intent: 'climate' })!({ ...(await given()), undo }),
      });
      undo = (before.data as { undo?: unknown } | undefined)?.undo;
    }
    const stood = await dump(page);
    const asked = { intent: each.intent, ...body({ ...(await given()), undo }) };
    const clean = await send(page, each.route, propertyId, asked);
    if (faultsIn(clean.data)) throw new Error(`${action} is refused without a fault: ${faultsIn(clean.data)}`);
    const after = face(await dump(page));
    const before = face(stood);
    const writes = Array.from({ length: Math.min(clean.writes, most) }, (_, i) =>
      Math.max(1, Math.round(((i + 1) * clean.writes) / Math.min(clean.writes, most))),
    );
    for (const at of writes)
      for (const kind of kinds) {
        await putBack(page, stood);
        const heading = await page.locator('h1').first().textContent();
        const answer = await send(page, each.route, propertyId, asked, { at, kind });
        const now = face(await dump(page));
        const fault = faultsIn(answer.data);
        tally.tried++;
        if (fault && fault.length > 20) tally.said++;
        if (now === before || now === after) tally.whole++;
        // a create that goes on to its page answers by going there
        const claims = answer.data !== undefined && fault === undefined;
        if (claims && now !== after) tally.falseSuccess++;
        if (answer.heading !== heading && /stopped|failed/.test(answer.heading)) tally.replaced++;
      }
    tallies.push(tally);
    onTally(tally);
  }
  await putBack(page, start);
  return tallies;
}
