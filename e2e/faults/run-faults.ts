import type { Page } from '@playwright/test';
import type { Case, Product } from '@core/records/case';
import { typedFromReport } from '../../app/routes/read/report/report-from-typed';
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
const dump = (page: Page): Promise<Dump> =>
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
      all[name] = (keys as string[]).map((key, i) => ({ key, value: values![i] as object }));
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

interface Answered {
  data: unknown;
  writes: number;
  heading: string;
}
/** Sends a body to an action as the application's own router does, with a fault armed or none. */
const send = (page: Page, route: string, propertyId: string, body: object, armed?: { at: number; kind: FaultKind }) =>
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

const faultsIn = (data: unknown): string | undefined =>
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
    };
    return { file: file as unknown as Case, products: (all.products ?? []).map(({ value }) => value as Product) };
  };
  // a sample, a reading and a plan, so that there is one of everything to change and to delete
  for (const [route, intent] of [
    ['sample', 'start'],
    ['sample', 'reading'],
    ['season', 'keep'],
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

interface Lawn {
  propertyId: string;
  zone: { id: string; name: string; changedAt?: string };
  /** The number that was written last; 0 before the first. */
  number: number;
  /** Whether one of the two tables has a number that the other has not. */
  half: boolean;
}

/** Latitudes go to 90; the number of a write stands in the name whole and in the latitude so far. */
const LATITUDES = 80;

/** The lawn that is written again and again: its zone's name and its property's latitude are written together. */
export async function readLawn(page: Page): Promise<Lawn> {
  const all = await dump(page);
  const property = all.properties?.find(({ value }) => (value as { name: string }).name === 'Okonedo residence')
    ?.value as { id: string; latitudeDeg: number };
  const zone = all.zones?.find(({ value }) => (value as { propertyId: string }).propertyId === property.id)
    ?.value as Lawn['zone'] & Record<string, unknown>;
  const { key: _key, propertyId: _property, order: _order, ...record } = zone;
  const number = Number(/^n(\d+)$/.exec(zone.name)?.[1] ?? 0);
  return {
    propertyId: property.id,
    zone: record as Lawn['zone'],
    number,
    half: number > 0 && property.latitudeDeg !== number % LATITUDES,
  };
}

const rename = (zone: Lawn['zone'], number: number) => ({
  intent: 'undo',
  change: { property: { latitudeDeg: number % LATITUDES }, put: { zones: [{ ...zone, name: `n${number}` }] } },
});
const versionOf = (answer: Answered, zoneId: string): string | undefined =>
  (answer.data as { undo?: { over?: Record<string, string> } } | undefined)?.undo?.over?.[`zones/${zoneId}`];

/** What each kind of write left behind, as the number that was written last; 0 before the first. */
export type Numbers = Record<'zone' | 'reading' | 'report' | 'plan' | 'label', number>;
const NONE: Numbers = { zone: 0, reading: 0, report: 0, plan: 0, label: 0 };

/** The numbers that stand, and whether a write of two tables reached only one of them. */
export async function readNumbers(page: Page): Promise<{ numbers: Numbers; half: boolean }> {
  const { zone, propertyId, number, half } = await readLawn(page);
  const all = await dump(page);
  const of = (kind: string) =>
    (all[kind] ?? [])
      .map(({ value }) => value as Record<string, unknown>)
      .filter((value) => value.propertyId === propertyId || kind === 'products');
  const readings = (zone as unknown as { readings?: { value: number }[] }).readings ?? [];
  const labs = of('soilTests').map((test) => Number(/^lab (\d+)$/.exec(String(test.lab))?.[1] ?? 0));
  const doses = of('plans').flatMap((plan) => (plan.doses as { rateLb: number }[] | undefined) ?? []);
  const lots = of('products').map((product) => Number(/^lot (\d+)$/.exec(String(product.lot))?.[1] ?? 0));
  return {
    half,
    numbers: {
      zone: number,
      reading: readings.length,
      report: Math.max(0, ...labs),
      plan: Math.round(Math.max(0, ...doses.map((each) => each.rateLb)) * RATES),
      label: Math.max(0, ...lots),
    },
  };
}
/** Doses of a plan carry the number as a rate, lb product, so many to the pound. */
const RATES = 1000;

/** One more write of a kind, from what stands; undefined where it was not acknowledged. */
async function writeOne(page: Page, kind: keyof Numbers, next: number): Promise<number | undefined> {
  const { propertyId, zone } = await readLawn(page);
  const all = await dump(page);
  const plan = all.plans
    ?.map(({ value }) => value as { propertyId: string; changedAt?: string })
    .find((each) => each.propertyId === propertyId);
  const product = all.products?.[0]?.value as Product;
  const asked: Record<keyof Numbers, [route: string, body: object]> = {
    zone: ['ground', rename(zone, next)],
    reading: [
      'sample',
      { intent: 'reading', zoneId: zone.id, reading: { on: '2027-04-05', instrument: 'ph-pen', value: 6 } },
    ],
    report: [
      'read',
      {
        intent: 'keep',
        zoneId: zone.id,
        typed: { ...typedFromReport(undefined, '2027-04-05'), lab: `lab ${next}`, unit: 'ppm', values: { pH: '6.1' } },
      },
    ],
    plan: [
      'season',
      {
        intent: 'keep',
        doses: [{ zoneId: zone.id, date: '2027-05-10', productId: 'urea-46', for: 'N', rateLb: next / RATES }],
        over: plan?.changedAt ?? null,
      },
    ],
    label: ['shelf', { intent: 'store', products: [{ ...product, lot: `lot ${next}` }] }],
  };
  const [route, body] = asked[kind];
  const { data } = await send(page, route, propertyId, body);
  return data !== undefined && faultsIn(data) === undefined ? next : undefined;
}

/** Writes of every kind, one after the other, until the browser is killed after so many ms; tells what was acknowledged. */
export async function writeUntilKilled(
  page: Page,
  afterMs: number,
  kill: () => Promise<void>,
): Promise<{ count: number; acknowledged: Numbers }> {
  const { numbers } = await readNumbers(page);
  const acknowledged: Numbers = { ...NONE };
  let count = 0;
  const end = new Promise<void>((done) => setTimeout(() => void kill().then(done), afterMs));
  try {
    const kinds = Object.keys(NONE) as (keyof Numbers)[];
    // every kind comes first at some time, whenever the kill falls
    const from = Math.floor(Math.random() * kinds.length);
    for (let at = from; ; at++) {
      const kind = kinds[at % kinds.length] as keyof Numbers;
      const next = Math.max(numbers[kind], acknowledged[kind]) + 1;
      const done = await writeOne(page, kind, next);
      if (done === undefined) break;
      acknowledged[kind] = done;
      count++;
    }
  } catch {
    // the browser is gone in the middle of a call, as it should be
  }
  await end;
  return { count, acknowledged };
}

/** Two tabs that save one zone from one version at the same moment: one is kept, the other is asked. */
export async function runTwoTabs(
  one: Page,
  other: Page,
  rounds: number,
): Promise<{ rounds: number; one: number; both: number; none: number }> {
  const tally = { rounds, one: 0, both: 0, none: 0 };
  for (let round = 0; round < rounds; round++) {
    const { propertyId, zone } = await readLawn(one);
    const answers = await Promise.all(
      [one, other].map((page, i) => send(page, 'ground', propertyId, rename(zone, round * 2 + i + 1))),
    );
    const kept = answers.filter((answer) => versionOf(answer, zone.id) !== undefined).length;
    tally[kept === 1 ? 'one' : kept === 2 ? 'both' : 'none']++;
  }
  return tally;
}

/** Fills the room that the browser gives until a save is refused, and looks after a reload whether all that was said is there. */
export async function fillDisk(
  page: Page,
  origin: string,
): Promise<{ roomKb: number; saved: number; says: string; lost: number }> {
  const ROOM_KB = 1500;
  const READINGS = 20_000;
  const session = await page.context().newCDPSession(page);
  const { usage } = (await session.send('Storage.getUsageAndQuota', { origin })) as { usage: number };
  await session.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: usage + ROOM_KB * 1000 });
  const { propertyId, zone } = await readLawn(page);
  let saved = 0;
  let says = '';
  let stands = zone;
  for (let n = 0; n < 100 && says === ''; n++) {
    // values of chance, which no browser packs into less room
    const readings = Array.from({ length: READINGS }, () => ({
      on: '2027-04-05',
      instrument: 'ph-pen',
      value: Math.random() * 14,
    }));
    const next = { ...stands, id: `full-${n}`, name: `Full ${n}`, changedAt: undefined, readings };
    const answer = await send(page, 'ground', propertyId, { intent: 'zones', zones: [next], says: 'Added.' });
    says = faultsIn(answer.data) ?? '';
    if (says === '') saved++;
    stands = zone;
  }
  await session.send('Storage.overrideQuotaForOrigin', { origin });
  await page.reload();
  const there =
    (await dump(page)).zones?.filter(({ value }) => (value as { name: string }).name.startsWith('Full ')).length ?? 0;
  return { roomKb: ROOM_KB, saved, says, lost: Math.max(0, saved - there) };
}
