import type { Page } from '@playwright/test';
import type { Product } from '@core/records/case';
import { typedFromReport } from '../../app/routes/read/report/report-from-typed';
import { type Answered, dump, faultsIn, send } from './run-faults';
import { usUnits } from '../../app/ui/format';

/** Writes that go well until something outside breaks them off: a killed browser, a full disk, another tab. */

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
        typed: {
          ...typedFromReport(undefined, '2027-04-05', usUnits),
          lab: `lab ${next}`,
          unit: 'ppm',
          values: { pH: '6.1' },
        },
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
