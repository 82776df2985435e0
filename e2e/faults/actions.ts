import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { firstVersion } from '@core/log/versions';
import type { Case, Product, RecordBody } from '@core/records/case';
import { codeTyped } from '../../app/routes/codes/typed-code';
import { typedFromZone } from '../../app/routes/ground/draft/zone-from-typed';
import { typedFromReport } from '../../app/routes/read/report/report-from-typed';
import { typedFromWater } from '../../app/routes/read/water/water-from-typed';
import { labelFrom } from '../../app/routes/shelf/typed-label';
import { usUnits } from '../../app/ui/format';

/** One thing that an action of the application can be asked. */
export interface Found {
  route: string;
  intent: string;
}

const SHAPES = /const SHAPES: Shapes<[^>]+> = (\{[\s\S]*?\});/;
const KEY = /(?:^|\{|,)\s*(?:'([\w-]+)'|([a-z][\w]*)): \{/g;

/** Every intent of every route, read from the shapes that the actions themselves check: none is listed by hand. */
export function foundActions(root = 'app/routes'): Found[] {
  const found: Found[] = [];
  for (const folder of readdirSync(root))
    for (const file of readdirSync(join(root, folder))) {
      if (!/\.tsx?$/.test(file) || file.includes('.test.')) continue;
      const source = readFileSync(join(root, folder, file), 'utf8');
      const shapes = SHAPES.exec(source)?.[1];
      if (!shapes) continue;
      for (const key of shapes.matchAll(KEY)) found.push({ route: folder, intent: (key[1] ?? key[2]) as string });
      if (source.includes('propertyAction<')) found.push({ route: folder, intent: 'undo' });
    }
  return found;
}

const PACK = {
  kind: 'minimum-levels',
  pack: 'ours',
  version: '1',
  source: { cite: 'Our trials', standing: 'common practice' },
  minimumPpm: { K: 30, P: 20, Ca: 300, Mg: 40, S: 7 },
};

const dose = (zoneId: string, date: string) => ({ zoneId, date, productId: 'urea-46', for: 'N', rateLb: 1.5 });

const mowing = ({ zones }: Case) => ({
  kind: 'mowing',
  date: '2027-04-04',
  zoneIds: [zones[0]!.id],
  facts: { heightIn: 3 },
});

/** A run that was walked and weighed back, of a dose that none of the property's runs is of. */
const run = ({ zones, runs = [] }: Case) => ({
  id: `run-${runs.length}`,
  zoneId: zones[0]!.id,
  productId: 'urea-46',
  plannedOn: `2027-05-${10 + runs.length}`,
  for: 'N',
  rateLb: 1.5,
  plannedLb: 10.9,
  areaSqFt: 7308,
  label: { name: 'Urea', face: '46-0-0', percent: 46 },
  events: [
    { at: '2027-04-05T09:00:00-04:00', kind: 'started', weighedLb: 10.9 },
    { at: '2027-04-05T09:30:00-04:00', kind: 'finished' },
    { at: '2027-04-05T09:35:00-04:00', kind: 'weighed-back', backLb: 0.4 },
  ],
});

/** What an intent is asked with, from what stands; `undo` takes the change before it back. */
export type Ask = (given: { file: Case; products: readonly Product[]; undo: unknown }) => Record<string, unknown>;

/** The body of each intent, by `route/intent`. An intent that is found and not here fails the harness. */
export const BODIES: Record<string, Ask> = {
  'home/create': () => ({
    name: 'Weir house',
    climate: 'cool-north',
    latitude: '',
    highs: '',
    lows: '',
    lastFrost: '',
    firstFrost: '',
  }),
  'home/remove': ({ file }) => ({ id: file.property.id }),
  'home/put-back': ({ file }) => ({
    id: file.property.id,
    change: { property: { name: 'Put back' } },
  }),
  'home/backed-up': () => ({}),
  'home/demo': () => ({}),
  'ground/keep': ({ file }) => ({ typed: { ...typedFromZone(file.zones[0], usUnits), name: 'Renamed' } }),
  'ground/remove': ({ file }) => ({ zoneId: file.zones[0]!.id }),
  'ground/site': ({ file }) => ({
    site: { ...file.property.site, origin: [-77, 38] },
    says: 'Set.',
    was: file.property.site ?? null,
  }),
  'ground/zones': ({ file }) => ({
    zones: [
      { ...file.zones[0], id: 'n1', name: 'N1', changedAt: undefined },
      { ...file.zones[0], id: 'n2', name: 'N2', changedAt: undefined },
    ],
    site: { origin: [-77, 38] },
    says: 'Added.',
  }),
  'ground/climate': () => ({ preset: 'cool-north' }),
  'sample/start': ({ file }) => ({ zoneId: file.zones[0]!.id, plannedOn: '2027-04-06', depthIn: 4 }),
  'sample/change': ({ file }) => ({ sample: { ...file.samples![0], cores: 12 } }),
  'sample/printed': ({ file }) => ({ ids: file.samples!.map((s) => s.id), on: '2027-04-05' }),
  'sample/remove': ({ file }) => ({ sampleId: file.samples![0]!.id }),
  'sample/reading': ({ file }) => ({
    zoneId: file.zones[0]!.id,
    reading: { on: '2027-04-05', instrument: 'ph-pen', value: 6.1 },
  }),
  'sample/forget-reading': ({ file }) => ({ zoneId: file.zones[0]!.id, index: 0 }),
  'read/keep': ({ file }) => ({
    zoneId: file.zones[0]!.id,
    typed: { ...typedFromReport(undefined, '2027-04-05', usUnits), unit: 'ppm', values: { pH: '6.1', K: '90' } },
  }),
  'read/remove': ({ file }) => ({ testId: file.soilTests![0]!.id }),
  'read/water': () => ({
    typed: { ...typedFromWater(undefined, usUnits), ecw: '1.2', no3nMgPerL: '8', inPerYear: '14' },
  }),
  'read/drop-water': () => ({}),
  'read/school': () => ({ school: 'minimum' }),
  'prescribe/switch': ({ file }) => ({ zoneId: file.zones[0]!.id, line: 'clippings', on: false }),
  'prescribe/own': ({ file }) => ({
    zoneId: file.zones[0]!.id,
    line: 'nitrogen',
    typed: { value: '2', reason: 'as agreed', by: 'A. Tester' },
  }),
  'prescribe/drop-own': ({ file }) => ({ zoneId: file.zones[0]!.id, line: 'nitrogen' }),
  'prescribe/copy': ({ file }) => ({ zoneId: file.zones[0]!.id, fromName: 'Other', lines: [], reason: 'alike' }),
  'prescribe/choice': () => ({ change: { school: 'saturation' } }),
  'prescribe/product': ({ file }) => ({ choices: { [`${file.zones[0]!.id}/N`]: 'urea-46' } }),
  'match/choose': ({ file }) => ({ choices: { [`${file.zones[0]!.id}/N`]: 'coated-urea-42' } }),
  'season/product': ({ file }) => ({ key: `${file.zones[0]!.id}/N`, productId: 'coated-urea-42' }),
  'season/choices': () => ({ choices: { effort: 'best' } }),
  'season/doses': ({ file }) => ({
    doses: [dose(file.zones[0]!.id, '2027-05-03')],
    over: file.plans?.[0]?.changedAt ?? null,
  }),
  'season/keep': ({ file }) => ({
    doses: [dose(file.zones[0]!.id, '2027-05-10')],
    over: file.plans?.[0]?.changedAt ?? null,
  }),
  'season/plain': () => ({}),
  'season/take-off': ({ products }) => ({ productId: products.at(-1)!.id }),
  'season/buy': () => ({ productId: 'biosolid-5-3-0' }),
  'season/aside': () => ({ plan: { id: 'beside', year: 2027, aside: true, name: 'Beside', doses: [] } }),
  'season/drop-aside': ({ file }) => ({ planId: file.plans?.[0]?.id ?? 'none' }),
  'climate/use': ({ file }) => ({
    climate: { ...file.property.climate, source: 'typed' },
    latitudeDeg: 41,
    moveDoses: true,
  }),
  'move-here/lay': ({ file }) => ({
    zoneId: file.zones[0]!.id,
    standing: [],
    doses: [dose(file.zones[0]!.id, '2027-05-17')],
  }),
  'field/start': ({ file }) => ({ run: run(file) }),
  'field/step': ({ file }) => ({
    runId: file.runs![0]!.id,
    step: { at: '2027-04-05T09:40:00-04:00', kind: 'note', note: 'a stone in the gate' },
  }),
  'field/sign': ({ file }) => ({
    runId: file.runs![0]!.id,
    step: { at: '2027-04-05T09:45:00-04:00', kind: 'signed' },
  }),
  'field/watered': ({ file }) => ({
    runId: file.runs![0]!.id,
    step: { at: '2027-04-05T11:00:00-04:00', kind: 'watered', wateredBy: 'rain' },
  }),
  'field/sprinklers': ({ file }) => ({ zoneId: file.zones[0]!.id, inPerHour: 0.8 }),
  'field/spreader': () => ({
    change: { put: [{ id: 'small', name: 'Small rotary', dialStep: 0.25 }], remove: [] },
  }),
  'field/forecast': () => ({ station: 'lakeshore', hour: '2027-04-05T09' }),
  'field/days': () => ({ text: '6 Apr 62 41 0 5' }),
  'field/gear': () => ({ gear: { swathFt: 5, school: 'one-direction', speedMph: 3, headerLaps: 1 } }),
  'field/skip': ({ file }) => ({
    zoneId: file.zones[0]!.id,
    jobKey: `${file.zones[0]!.id}/2027-09-06/urea-46`,
    reason: 'the client is away',
    at: '2027-04-05T10:00:00-04:00',
    by: '',
  }),
  'log/bring': ({ file }) => ({
    versions: [
      firstVersion('brought', mowing(file) as RecordBody, { at: '2027-04-04T10:00:00-04:00', by: 'Ana Ruiz' }),
    ],
  }),
  'log/add': ({ file }) => ({ body: mowing(file), at: '2027-04-05T10:00:00-04:00', by: 'Ana Ruiz' }),
  'log/correct': ({ file }) => ({
    recordId: file.records![0]!.recordId,
    body: { ...mowing(file), facts: { heightIn: 3.5 } },
    reason: 'misread',
    at: '2027-04-05T11:00:00-04:00',
    by: 'Ana Ruiz',
  }),
  'log/withdraw': ({ file }) => ({
    recordId: file.records![0]!.recordId,
    reason: 'another lawn',
    at: '2027-04-05T12:00:00-04:00',
    by: 'Ana Ruiz',
  }),
  'replan/keep': ({ file }) => ({
    doses: [dose(file.zones[0]!.id, '2027-09-06')],
    over: file.plans![0]!.changedAt ?? null,
    because: [file.records![0]!.recordId],
  }),
  'kit/spreader': () => ({
    change: { put: [{ id: 'small', name: 'Small rotary', dialStep: 0.25 }], remove: [] },
  }),
  'shelf/keep': ({ products }) => ({ typed: { ...labelFrom(products[0], usUnits), lot: 'Q7' }, draft: false }),
  'shelf/remove': ({ products }) => ({ id: products[0]!.id }),
  'shelf/store': ({ products }) => ({ products: products.slice(0, 6).map((p) => ({ ...p, lot: 'S' })) }),
  'shelf/undo': ({ products }) => ({ change: { put: [], remove: [products[0]!.id] } }),
  'settle/property': ({ file }) => ({
    propertyId: file.property.id,
    change: { put: { zones: [{ ...file.zones[0], name: 'Settled' }] } },
  }),
  'settle/kept': ({ products }) => ({ kind: 'products', record: { ...products[0], lot: 'settled' } }),
  'ground/codes': () => ({ codeIds: ['maryland-licensed'] }),
  'codes/save': () => ({ typed: codeTyped({ name: 'Alder borough', maxNPerYear: 3 }) }),
  'codes/delete': () => ({ id: 'alder' }),
  'codes/import': () => ({ codes: [{ id: 'alder', setbackFt: 12 }] }),
  'codes/bind': ({ file }) => ({ propertyId: file.property.id, codeId: 'maryland-licensed', on: true }),
  'codes/mend': ({ file }) => ({
    propertyId: file.property.id,
    planId: file.plans?.[0]?.id ?? 'none',
    doses: [dose(file.zones[0]!.id, '2027-05-24')],
  }),
  'codes/undo': () => ({ change: { codes: { put: [{ id: 'alder' }], remove: [] }, properties: [] } }),
  'codes/undo-property': ({ file }) => ({ propertyId: file.property.id, change: { property: { name: 'Put back' } } }),
  'settings/packs': () => ({ put: [{ id: 'ours', order: 1, file: PACK }], remove: [] }),
  'settings/person': () => ({ put: [{ id: 'ra', name: 'R. Amadi' }], remove: [] }),
  'settings/setting': () => ({ setting: { id: 'keeping', backupEveryDays: 7 } }),
  'settings/apply': ({ file }) => ({ propertyIds: [file.property.id], choices: { maxTrips: 5 } }),
  'settings/undo': () => ({ kind: 'operators', change: { put: [{ id: 'ra', name: 'R. Amadi' }], remove: [] } }),
  'settings/undo-properties': ({ file }) => ({
    changes: [{ id: file.property.id, change: { property: { name: 'Put back' } } }],
  }),
  'settings/backed-up': () => ({}),
  'settings/delete-all': () => ({}),
  'tables/save': () => ({
    kind: 'grasses',
    typed: { cells: { 'tall-fescue/6': '4.5' }, cite: 'Our trials', standing: 'published', chosen: '' },
    was: '',
  }),
  'tables/undo': () => ({ change: { put: [{ id: 'own-grasses', order: 1, file: PACK }], remove: [] } }),
};
/** An undo of any page takes back what the page's own write left. */
const UNDO: Ask = ({ undo }) => ({ change: undo ?? {} });
/** Files go through a worker and are tried by their own doors. */
export const BY_FILE = new Set(['home/import', 'home/undo-import']);

export const bodyOf = ({ route, intent }: Found): Ask | undefined =>
  BODIES[`${route}/${intent}`] ?? (intent === 'undo' ? UNDO : undefined);

/** Where a page of a route lies, and the id of its route. */
export function addressOf(route: string, propertyId: string): { path: string; routeId: string } {
  const under: Record<string, string> = {
    home: '/?index',
    shelf: '/shelf',
    settle: '/settle',
    settings: '/settings',
    codes: '/settings/codes',
    tables: '/settings/tables',
    match: `/property/${propertyId}/prescribe/match`,
    climate: `/property/${propertyId}/season/climate`,
    'move-here': `/property/${propertyId}/season/move-here`,
    replan: `/property/${propertyId}/log/replan`,
  };
  return { path: under[route] ?? `/property/${propertyId}/${route}`, routeId: `routes/${route}/${route}` };
}
