import { mkdirSync } from 'node:fs';
import { launched, served } from './served.mjs';

/** One picture of each main view, from the demo data on a fixed day: `npm run build && npm run screenshots`. */

const PORT = 4181;
const OUT = 'docs/screenshots';
const TODAY = '2027-04-05T09:00:00';
const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** The hour of a job as one finds it: firm, growing, dry, little wind. */
const lookedOver = async (page) => {
  for (const [question, word] of [
    ['The ground', 'firm'],
    ['The turf', 'growing'],
    ['The leaf', 'dry'],
  ])
    await page.getByRole('radiogroup', { name: question }).getByText(word, { exact: true }).click();
  await page.getByLabel(/^Wind/).fill('6');
  await page.getByLabel(/^Rain, next 24 h/).fill('0.05');
  await page.mouse.wheel(0, -2000);
};

const VIEWS = [
  { name: 'home', path: '/', size: WIDE },
  { name: 'ground', path: '/property/quarry-lane-school/ground', size: WIDE },
  {
    name: 'sample',
    path: '/property/quarry-lane-school/sample',
    size: WIDE,
    prepare: async (page) => {
      for (let bag = 0; bag < 2; bag++) {
        await page.getByRole('button', { name: 'Start a sample' }).first().click();
        await page.getByText(`QLS-27-0${bag + 1}`, { exact: true }).waitFor();
      }
      await page.getByRole('button', { name: 'Cores taken' }).first().click();
      await page.getByRole('button', { name: 'Dried and bagged' }).click();
      await page.getByLabel('Layout of the simulated report').click();
      await page.getByTitle('PDF: a letter, one sample a page, bars').click();
      await page.getByRole('button', { name: 'To the simulated laboratory' }).click();
      await page.getByRole('button', { name: 'Ask for the report' }).waitFor();
    },
  },
  {
    name: 'reports',
    path: '/property/quarry-lane-school/sample',
    size: WIDE,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Let the simulated days pass' }).click();
      await page.getByRole('heading', { name: 'The reading' }).waitFor();
      await page.getByRole('button', { name: /^Potassium/ }).click();
    },
  },
  { name: 'read', path: '/property/quarry-lane-school/read', size: WIDE },
  { name: 'prescribe', path: '/property/quarry-lane-school/prescribe', size: WIDE },
  {
    name: 'prescribe-workings',
    path: '/property/quarry-lane-school/prescribe',
    size: WIDE,
    open: /The method|15\.4, Lime requirement/,
  },
  {
    name: 'match',
    path: '/property/quarry-lane-school/prescribe/match#trip=2027-06-14',
    size: WIDE,
  },
  {
    name: 'bag-check',
    path: '/property/quarry-lane-school/prescribe/bag#product=lawn-24-0-11&trip=2027-06-14',
    size: WIDE,
    prepare: async (page) => {
      await page.getByLabel(/^Weighed out/).fill('25.4');
      await page.getByLabel(/^Left in the hopper/).fill('0.6');
    },
  },
  {
    name: 'shelf',
    path: '/shelf#label=new',
    size: WIDE,
    prepare: async (page) => {
      await page.getByLabel('Name on the bag').fill('Autumn lawn, coated');
      await page.getByLabel('The three numbers on the bag').fill('27012');
      await page.getByRole('button', { name: 'Yes, 27-0-12' }).click();
      await page.getByLabel(/^coated/).fill('12');
      await page.getByLabel(/^urea/).fill('13');
      await page.mouse.wheel(0, -2000);
    },
  },
  {
    name: 'season',
    path: '/property/quarry-lane-school/season',
    size: WIDE,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Find the best plan' }).click();
      await page.getByText(/^proven .*not saved yet$/).waitFor({ timeout: 60_000 });
      await page.locator('[data-dose*="south-lawn"]').nth(2).click();
    },
  },
  {
    name: 'season-mend',
    path: '/property/quarry-lane-school/season',
    size: WIDE,
    prepare: async (page) => {
      // the lime of the plan that was just found, week by week until it stands too near to something
      await page.locator('[data-dose*="lime"]').first().focus();
      const mends = page.getByRole('list', { name: /^What would mend it/ }).first();
      for (let week = 0; week < 12 && !(await mends.isVisible()); week++) {
        await page.keyboard.press('ArrowLeft');
        await page.waitForTimeout(500);
      }
      await mends.waitFor();
    },
  },
  {
    name: 'field',
    path: '/property/quarry-lane-school/season',
    size: WIDE,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Save plan' }).click();
      await page.getByText(/^The plan for .* is saved/).waitFor();
      await page.keyboard.press('6');
      await page.getByRole('button', { name: 'Choose a weather station' }).click();
      await page.getByRole('button', { name: 'Get the forecast' }).click();
      await page.getByText('The same as a table').waitFor();
      await lookedOver(page);
    },
  },
  {
    name: 'field-phone',
    path: '/property/quarry-lane-school/field',
    size: PHONE,
    prepare: async (page) => {
      await lookedOver(page);
      for (const box of await page.getByRole('group', { name: 'On and at hand' }).getByRole('checkbox').all())
        await box.check();
      await page.getByRole('button', { name: 'Start', exact: true }).click();
      await page.getByRole('button', { name: 'Done to here' }).click();
      await page.getByText('Stretch 2 of').waitFor();
    },
  },
  {
    name: 'kit',
    path: '/kit#rate=2.6&product=coated-urea-42',
    size: WIDE,
    prepare: async (page) => {
      await page.getByLabel('Name of the spreader').fill('Marsh wheel');
      await page.getByLabel('Step of the dial').fill('0.25');
      await page.getByLabel(/^Swath/).fill('6');
      await page.getByRole('button', { name: 'Save spreader' }).click();
      for (const opening of ['4', '5', '6']) {
        await page.getByRole('tab', { name: 'Catch' }).click();
        await page.getByLabel('Opening, on the dial').fill(opening);
        await page.getByRole('tab', { name: 'Weigh' }).click();
        await page.getByRole('button', { name: 'From the simulated scale' }).click();
        await page.getByRole('tabpanel').getByRole('status').waitFor();
        await page.getByRole('button', { name: 'Save catch' }).click();
        await page.getByRole('button', { name: 'Catch once more' }).waitFor();
      }
      await page.waitForTimeout(6_000);
    },
  },
  { name: 'climate', path: '/property/quarry-lane-school/season/climate#curve=soil', size: WIDE },
  { name: 'ground-phone', path: '/property/quarry-lane-school/ground', size: PHONE },
  {
    name: 'codes',
    path: '/settings/codes#copy=maryland-licensed',
    size: WIDE,
    prepare: async (page) => {
      await page.getByLabel('Name of the code').fill('Alderbeck borough');
      await page.getByLabel('Closed from, 1', { exact: true }).fill('15 Nov');
      await page.getByLabel('Closed to, 1', { exact: true }).fill('1 Mar');
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await page.getByText(/lines differ; saved$/).waitFor();
      for (const name of ['Mill Race Cottages', 'Thornbury Chapel Green']) {
        await page.getByLabel('Put it on a property').click();
        await page.getByTitle(name).click();
        await page.getByRole('complementary').getByRole('link', { name }).waitFor();
      }
      await page.getByLabel('Most N a year, lb N per 1000').fill('2.4');
      await page.getByLabel('Closed from, 1', { exact: true }).focus();
      await page.waitForTimeout(4_000);
    },
  },
  { name: 'settings', path: '/settings', size: WIDE },
];

const origin = await served(PORT, { UBERTAS_DEMO: '1' });
mkdirSync(OUT, { recursive: true });
const browser = await launched();
const page = await browser.newPage({ viewport: WIDE });
page.on('dialog', (dialog) => void dialog.accept());
await page.clock.setFixedTime(new Date(TODAY));
await page.goto(`${origin}/`);
await page.getByText('Quarry Lane School').first().waitFor();
for (const { name, path, size, open, prepare } of VIEWS) {
  await page.setViewportSize(size);
  await page.goto(`${origin}${path}`);
  await page.locator('h1').waitFor();
  // charts and the drawing sheet come a moment after the page, and keys are heard only once it is alive
  await page.waitForTimeout(900);
  if (prepare) await prepare(page);
  if (open) await page.getByRole('button', { name: open }).first().click();
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(700);
  await page.evaluate(() => scrollTo(0, 0));
  await page.mouse.move(0, 0);
  await page.screenshot({ path: `${OUT}/${name}.png` });
  console.log(`${OUT}/${name}.png`);
}
await browser.close();
process.exit(0);
