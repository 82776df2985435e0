import { readFileSync } from 'node:fs';
import { ensureBuild, ensureChromium } from './setup.mjs';
import { launched, served } from './served.mjs';

/** A large database and a large file in headless Chromium: figures to look at, not a test. Part of `npm run bench`. */

const PROPERTIES = 1000;
const ZONES = 5;
const REPORTS = 3;
const ROWS = 100_000;
const PORT = 4183;

const demo = JSON.parse(readFileSync('demo/quarry-lane-school.json', 'utf8'));
const grasses = ['tall-fescue', 'kentucky-bluegrass', 'bermudagrass', 'zoysiagrass', 'fine-fescue'];

/** An invented property with zones and reports, as a case. */
function propertyOf(i) {
  const id = `property-${i}`;
  const zones = Array.from({ length: ZONES }, (_, z) => ({
    ...demo.zones[1],
    id: `zone-${z}`,
    name: `Lawn ${z + 1}`,
    grass: grasses[(i + z) % grasses.length],
    cutOuts: undefined,
    atFt: [20 + z * 200, 20],
  }));
  const test = demo.soilTests.find((t) => t.zoneId === 'playing-strip');
  const soilTests = zones.flatMap((zone) =>
    Array.from({ length: REPORTS }, (_, r) => ({
      ...test,
      id: `${zone.id}-${r}`,
      zoneId: zone.id,
      sampledOn: `${2022 + 2 * r}-10-1${i % 9}`,
      results: test.results.map((result) => ({
        ...result,
        value: Number((result.value * (0.9 + (r + (i % 5)) / 40)).toFixed(2)),
      })),
    })),
  );
  return {
    format: 'ubertas-case',
    version: 1,
    property: { ...demo.property, id, name: `Property ${String(i).padStart(4, '0')}`, site: undefined },
    zones,
    soilTests,
    products: [],
    codes: [],
    choices: demo.choices,
  };
}

ensureChromium();
ensureBuild();
const origin = await served(PORT);
const browser = await launched();
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.setDefaultTimeout(300_000);
const say = (what, ms) =>
  console.log(`${what.padEnd(66)} ${ms < 1000 ? `${Math.round(ms)} ms` : `${(ms / 1000).toFixed(1)} s`}`);
const timed = async (what, work) => {
  const from = performance.now();
  await work();
  say(what, performance.now() - from);
};
/** The longest time the page could not draw while some work was going on. */
const watchFrames = () =>
  page.evaluate(() => {
    const gaps = { longest: 0, last: performance.now() };
    window.ubertasGaps = gaps;
    const tick = () => {
      const now = performance.now();
      gaps.longest = Math.max(gaps.longest, now - gaps.last);
      gaps.last = now;
      requestAnimationFrame(tick);
    };
    tick();
  });
const longestGap = () => page.evaluate(() => window.ubertasGaps.longest);

await page.goto(`${origin}/`);
await page.getByText('Nothing here yet').waitFor();
const cases = Array.from({ length: PROPERTIES }, (_, i) => propertyOf(i));
const backup = Buffer.from(JSON.stringify({ format: 'ubertas-backup', version: 1, savedAt: '2027-04-05', cases }));
console.log(
  `\nIn headless Chromium: ${PROPERTIES} properties, ${PROPERTIES * ZONES} zones, ${PROPERTIES * ZONES * REPORTS} reports; a backup of ${(backup.length / 1e6).toFixed(1)} MB`,
);
await watchFrames();
await timed('backup opened, checked and stored', async () => {
  await page
    .getByLabel('Case file or backup')
    .setInputFiles({ name: 'backup.json', mimeType: 'application/json', buffer: backup });
  await page.getByText('1,000 properties').waitFor();
});
say('  longest time without a frame meanwhile', await longestGap());
await timed('home, from an empty tab to its first 25 rows', async () => {
  await page.goto(`${origin}/`);
  await page.getByText('1 to 25 of 1,000').waitFor();
});
await timed('search, from the last letter to the row', async () => {
  await page.getByLabel('Find a property, zone or grass').fill('Property 0777');
  await page.getByText('1 found').waitFor();
});
await timed('one property’s reading, from an empty tab', async () => {
  await page.goto(`${origin}/property/property-777/read`);
  await page.getByRole('heading', { name: 'Findings, and what follows' }).waitFor();
});
await timed('next zone, by key', async () => {
  await page.keyboard.press(']');
  await page.getByText('Lawn 2, ').first().waitFor();
});

const lines = ['Property,Sample,pH,Buffer pH,"P (ppm, Mehlich-3)","K (ppm, Mehlich-3)",Date'];
for (let i = 0; i < ROWS; i++)
  lines.push(
    `Property ${String(i % PROPERTIES).padStart(4, '0')},Lawn ${1 + (i % ZONES)},${(5 + (i % 25) / 10).toFixed(1)},6.4,${10 + (i % 90)},${30 + (i % 120)},${1980 + Math.floor(i / 5000)}-0${1 + (i % 9)}-1${(i >> 4) % 10}`,
  );
await page.goto(`${origin}/reports`);
await page.getByLabel('Report file').waitFor({ state: 'attached' });
await watchFrames();
await timed(`a table of ${ROWS.toLocaleString('en-US')} samples read and matched`, async () => {
  await page
    .getByLabel('Report file')
    .setInputFiles({ name: 'large.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
  await page.getByRole('heading', { name: 'The reading' }).waitFor();
});
say('  longest time without a frame meanwhile', await longestGap());
await timed('stored', async () => {
  await page.getByRole('button', { name: /^Save / }).click();
  await page.getByText(/are stored/).waitFor();
});
say('  longest time without a frame meanwhile', await longestGap());
await timed('one property’s reading with 100 reports more', async () => {
  await page.goto(`${origin}/property/property-777/read`);
  await page.getByRole('heading', { name: 'Findings, and what follows' }).waitFor();
});
await browser.close();
