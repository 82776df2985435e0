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

test('a winter grass, irrigation water and sprays of iron are typed and lead to dated doses', async ({ page }) => {
  const terrace = {
    ...sorrel,
    property: {
      ...sorrel.property,
      id: 'terrace',
      name: 'Saltgrass Terrace',
      climate: {
        meanHighF: [58, 61, 68, 76, 83, 88, 91, 90, 85, 77, 68, 60],
        meanLowF: [38, 40, 47, 54, 62, 70, 73, 72, 67, 56, 47, 40],
        lastFrost: '03-20',
        firstFrost: '11-15',
      },
    },
    zones: [zone('court', 'Court', { grass: 'bermudagrass', texture: 'loam' })],
    soilTests: [
      {
        id: 't1',
        zoneId: 'court',
        sampledOn: '2026-11-10',
        depthIn: 4,
        results: [pH(7.4), m3('P', 60), m3('K', 140)],
      },
    ],
  };
  await page.goto('/');
  await page.getByLabel('Case file or backup').setInputFiles({
    name: 'terrace.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(terrace)),
  });
  await page.getByRole('link', { name: 'Saltgrass Terrace' }).waitFor();
  const at = (stage: string) => page.goto(`/property/terrace/${stage}#zone=court`);
  const line = (name: string) => page.getByRole('region', { name });

  // overseeding is asked with its days; a day that is none is said beside its field
  await at('ground');
  await choose(page, 'Overseeded for winter', 'perennial ryegrass');
  await page.getByLabel('Overseeded on').fill('10-40');
  await page.getByLabel('Spring transition').fill('04-20');
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText(/Overseeded from.*month/)).toBeVisible();
  await page.getByLabel('Overseeded on').fill('10-08');
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText('Court is saved')).toBeVisible();

  // the water report is typed once for the property
  await at('read');
  await page.getByRole('button', { name: 'Type a water report' }).click();
  const water = page.getByRole('dialog', { name: 'Irrigation water' });
  await water.getByLabel(/^Nitrate-N/).fill('9');
  await water.getByLabel(/^Bicarbonate/).fill('4');
  await water.getByRole('button', { name: 'Save' }).click();
  await expect(water.getByText(/How much is watered in a year/)).toBeVisible();
  await water.getByLabel(/^Irrigation a year/).fill('20');
  await water.getByLabel(/^Salinity, ECw/).fill('0.9');
  await water.getByRole('button', { name: 'Save' }).click();
  await expect(water).toBeHidden();
  const brought = page.getByRole('region', { name: 'Irrigation water' });
  await expect(brought).toContainText(/Nitrate 0\.94 lb N a year/);
  await expect(brought).toContainText('will not stay down');

  // the year: bermuda's own, the winter grass's beside it, less the nitrate of the water
  await at('prescribe');
  await expect(line('Nitrogen')).toContainText('The winter grass, 0.50 lb N asked');
  await expect(line('Nitrogen')).toContainText('Nitrate of the irrigation water');
  await expect(line('Nitrogen')).toContainText('perennial ryegrass over it from 8 Oct to 20 Apr');

  // sprays are watched for at this pH, and planned once somebody asks for them
  await expect(line('Iron')).toContainText('watched');
  await line('Iron').getByRole('button', { name: 'Override' }).first().click();
  const override = page.getByRole('dialog', { name: /sprays of iron/ });
  await override.getByLabel(/^Your figure/).fill('2');
  await override.getByLabel('Why').fill('Yellows each May');
  await override.getByRole('button', { name: 'Save override' }).click();
  await expect(line('Iron')).toContainText('2 sprays');
  await expect(line('Iron').getByRole('listitem')).toHaveCount(2);
  await expect(line('Iron')).toContainText('0.40 oz Fe');

  // on the board each is a dose of its own, with what goes into the tank
  await at('season');
  await page
    .getByRole('button', { name: /0\.40 oz Fe per 1000/ })
    .first()
    .click();
  await expect(page.getByText(/oz product per 1000 in 3 gal of water per 1000 or more/).first()).toBeVisible();
});
