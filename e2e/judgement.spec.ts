import { readFileSync } from 'node:fs';
import { choose, expect, test } from './ubertas-page';

/** Lawns that ask for judgement, as one property: what a stranger's reports lead to, on the page. */
const shelf = (JSON.parse(readFileSync('core/packs/shelf.json', 'utf8')) as { products: object[] }).products;
const zone = (id: string, name: string, more: object) => ({
  id,
  name,
  areaSqFt: 4000,
  care: 'standard',
  clippings: 'returned',
  irrigated: true,
  ...more,
});
const pH = (value: number) => ({ analyte: 'pH', value, method: 'water-1:1' });
const m3 = (analyte: string, value: number) => ({ analyte, value, unit: 'ppm', method: 'mehlich-3' });
const sorrel = {
  format: 'ubertas-case',
  version: 1,
  property: {
    id: 'sorrel',
    name: 'Sorrel Bank',
    latitudeDeg: 36.1,
    climate: {
      meanHighF: [50, 54, 62, 71, 78, 85, 88, 87, 81, 71, 62, 53],
      meanLowF: [30, 32, 39, 47, 56, 65, 69, 68, 61, 49, 39, 32],
      lastFrost: '04-05',
      firstFrost: '10-30',
    },
  },
  zones: [
    zone('acid', 'Acid bank', { grass: 'tall-fescue', texture: 'clay-loam' }),
    zone('limed', 'Limed side', {
      grass: 'tall-fescue',
      texture: 'loam',
      applied: [{ date: '2026-12-01', productId: 'calcitic-lime', zoneLb: 32 }],
    }),
    zone('new', 'New front', { grass: 'tall-fescue', texture: 'loam' }),
    zone('salty', 'Salty strip', { grass: 'centipedegrass', texture: 'sandy-loam' }),
  ],
  soilTests: [
    { id: 't1', zoneId: 'acid', sampledOn: '2026-11-10', depthIn: 4, lab: 'Tern Laboratory', results: [pH(4.3)] },
    {
      id: 't2',
      zoneId: 'limed',
      sampledOn: '2026-11-10',
      depthIn: 4,
      results: [pH(5.4), { analyte: 'buffer-pH', value: 6.3, method: 'mehlich' }],
    },
    { id: 't3', zoneId: 'new', sampledOn: '2026-05-12', depthIn: 4, results: [pH(6.4), m3('K', 40), m3('P', 20)] },
    { id: 't4', zoneId: 'new', sampledOn: '2026-11-12', depthIn: 4, results: [pH(6.0)] },
    {
      id: 't5',
      zoneId: 'salty',
      sampledOn: '2026-11-10',
      depthIn: 4,
      results: [pH(5.6), { analyte: 'EC', value: 3, unit: 'dS/m', method: 'water-1:2' }],
    },
  ],
  products: shelf,
  choices: { year: 2027 },
};

test('an acid soil without a buffer, lime in the log, a seeding, salt in 1:2 and merged reports lead to what is right', async ({
  page,
}) => {
  await page.goto('/');
  await page
    .getByLabel('Case file or backup')
    .setInputFiles({ name: 'sorrel.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(sorrel)) });
  await page.getByRole('link', { name: 'Sorrel Bank' }).waitFor();
  const at = (stage: string, id: string) => page.goto(`/property/sorrel/${stage}#zone=${id}`);
  const line = (name: string) => page.getByRole('region', { name });

  // an acid soil without a buffer: a first dose that cannot be wrong, and it is not settled
  await at('prescribe', 'acid');
  await expect(line('pH first')).toContainText('50');
  await expect(line('pH first')).toContainText('pH not settled');
  await expect(line('pH first')).toContainText('A new report with a buffer pH before anything more');

  // the laboratory's own figure, typed with the report, takes its place by one action
  await at('read', 'acid');
  await page.getByRole('button', { name: 'Edit', exact: true }).click();
  await page.getByLabel('Lime, as spread').fill('70');
  await page.getByLabel(/^Salinity ?dS/).fill('0.6');
  await choose(page, 'Salinity in', 'saturated paste');
  await page.getByRole('button', { name: 'Save report' }).click();
  await expect(page.getByRole('heading', { name: 'Reading the soil' })).toBeVisible();
  await expect(page.getByText('0.6 dS/m in the paste')).toBeVisible();
  await at('prescribe', 'acid');
  await expect(line('pH first')).toContainText('the laboratory’s own figure');
  await expect(line('pH first')).toContainText('It is taken.');
  await expect(line('pH first')).not.toContainText('not settled');

  // lime that went down since the sample counts
  await at('prescribe', 'limed');
  await expect(line('pH first')).toContainText('Since the sample of 10 Nov 2026');
  await expect(line('pH first').getByRole('row', { name: /1 Dec 2026/ })).toContainText('−8 lb lime');
  await expect(line('pH first')).toContainText(/Outstanding/);

  // merged reports: K and P of May, pH of November, each with its day
  await at('read', 'new');
  await expect(page.getByText('Of 12 May 2026.').first()).toBeVisible();
  await expect(page.getByText(/are of the report of 12 May 2026/)).toBeVisible();

  // a new seeding with its day: starter on it, half a pound later, nothing before
  await at('ground', 'new');
  await choose(page, 'Stand', 'new seeding');
  await page.getByLabel('Day of the seeding').fill('2027-09-10');
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText('New front is saved')).toBeVisible();
  await at('prescribe', 'new');
  await expect(line('Nitrogen')).toContainText('With the starter of 10 Sep 2027');
  await expect(line('Nitrogen')).toContainText('no nitrogen before it');
  await expect(line('Phosphorus')).toContainText('Starter for the seeding');
  await expect(line('Phosphorus')).toContainText('10 Sep');

  // salt in a 1:2 extract, for the grass that grows there
  await at('read', 'salty');
  await expect(
    page.getByText(/3 dS\/m in water, 1:2 is about 7\.8 in the paste.*saline for centipedegrass/),
  ).toBeVisible();
  await at('prescribe', 'salty');
  await expect(line('Watch')).toContainText('No muriate of potash');

  // the year's nitrogen in its parts, and another way of sharing it
  await at('prescribe', 'limed');
  await expect(line('Nitrogen')).toContainText('From fall on');
  await line('Nitrogen').getByText('How the year is shared out').first().click();
  await line('Nitrogen').getByRole('radio', { name: 'Spring help' }).click();
  await expect(line('Nitrogen').getByRole('radio', { name: 'Spring help' })).toBeChecked();
});
