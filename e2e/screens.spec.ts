import { columnsReport, pictureReport } from './made-report';
import { expect, looksRight, openCases, seriousOf, SIZES, test } from './ubertas-page';

const SCREENS: readonly [string, string][] = [
  ['/', 'Quarry Lane School'],
  ['/property/quarry-lane-school/ground', 'Measuring the ground'],
  ['/property/quarry-lane-school/ground#add=1', 'New zone'],
  ['/property/quarry-lane-school/sample', 'Taking the samples'],
  ['/property/okonedo-residence/sample', 'no report of this zone yet'],
  ['/reports#property=quarry-lane-school', 'Choose a report file'],
  ['/property/quarry-lane-school/read', 'Reading the soil'],
  ['/property/thornbury-chapel-green/read', 'Doubts about the report'],
  ['/property/okonedo-residence/read', 'Typing the report'],
  ['/property/quarry-lane-school/prescribe', 'Prescription'],
  ['/property/okonedo-residence/prescribe', 'Stopgap'],
  ['/property/thornbury-chapel-green/prescribe', 'leave'],
  ['/property/quarry-lane-school/prescribe#view=all', 'Every zone'],
  ['/property/quarry-lane-school/prescribe/match', 'Match the shelf'],
  ['/property/quarry-lane-school/prescribe/bag', 'Bag check'],
  ['/shelf', 'The shelf'],
  ['/shelf#label=urea-46', 'On the shelf'],
  ['/settings', 'Backup and storage'],
  ['/settings/tables#kind=sufficiency', 'Where your numbers come from'],
  ['/settings/codes#code=maryland-licensed', 'as shipped, to read'],
  ['/settings/codes#copy=maryland-licensed', 'not saved'],
  ['/property/quarry-lane-school/season', 'Season 2027'],
  ['/property/fenwick-allotment-paths/season', 'Season 2027'],
  ['/property/quarry-lane-school/season/climate#curve=soil', 'Why each window is closed'],
  ['/property/quarry-lane-school/field', 'There are no jobs yet'],
  ['/property/quarry-lane-school/log', 'Nothing is in the log yet'],
  ['/property/quarry-lane-school/log#form=add', 'Add a record'],
  ['/property/quarry-lane-school/log/replan', 'Planning again begins with a saved plan'],
  ['/property/mill-race-cottages/log', '78 records'],
  ['/property/mill-race-cottages/log/ledger#year=2026', 'Sum of Mill Race Cottages'],
  ['/field', 'Every dose of every saved plan is done or over'],
  ['/kit', 'A new spreader'],
  ['/property/quarry-lane-school/season/move-here#from=okonedo-residence', 'How it was matched'],
];

/** Screens of one test: looking a large page over takes axe several seconds. */
const AT_ONCE = 3;
const GROUPS = Array.from({ length: Math.ceil(SCREENS.length / AT_ONCE) }, (_, i) =>
  SCREENS.slice(i * AT_ONCE, (i + 1) * AT_ONCE),
);
for (const [at, screens] of GROUPS.entries()) {
  test(`screens ${at + 1} of ${GROUPS.length}, wide and on a phone: no console message, nothing cut off, nothing axe calls serious`, async ({
    page,
  }) => {
    test.setTimeout(180_000);
    await openCases(
      page,
      'quarry-lane-school',
      'thornbury-chapel-green',
      'okonedo-residence',
      'fenwick-allotment-paths',
      'mill-race-cottages',
    );
    for (const [path, words] of screens) {
      await page.goto(path);
      await expect(page.getByText(words).filter({ visible: true }).first()).toBeVisible();
      await page.evaluate(() => document.fonts.ready);
      // one page load for both sizes: what is laid out anew by its width hears of the change as it does when a phone is turned
      await looksRight(page, path);
    }
  });
}

test('a report being read, wide and on a phone: nothing cut off, nothing axe calls serious', async ({ page }) => {
  test.setTimeout(120_000);
  await openCases(page, 'quarry-lane-school');
  await page.goto('/reports#property=quarry-lane-school');
  const file = page.getByLabel('Report file');
  const reports: [string, Buffer, string][] = [
    ['columns.pdf', await columnsReport(), 'The reading'],
    ['picture.pdf', await pictureReport(), 'holds no text'],
    [
      'water.txt',
      Buffer.from('Irrigation water analysis\nEC 1.4 dS/m\nSodium 6.1 meq/L\nSAR 4.2\nBicarbonate 3.3 meq/L'),
      'water',
    ],
  ];
  for (const [name, buffer, words] of reports) {
    await file.setInputFiles({ name, mimeType: 'application/octet-stream', buffer });
    await expect(page.getByText(words).filter({ visible: true }).first()).toBeVisible();
    for (const size of SIZES) {
      await page.setViewportSize(size);
      await expect
        .poll(() => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), {
          message: `${name} at ${size.width} px is wider than the screen`,
        })
        .toBeLessThanOrEqual(0);
      expect(await seriousOf(page), `${name} at ${size.width} px`).toEqual([]);
      if (process.env.UBERTAS_LOOK)
        await page.screenshot({
          path: `${process.env.UBERTAS_LOOK}/${name}-${size.width}.png`,
          fullPage: size.width < 500,
        });
    }
    await page.setViewportSize(SIZES[0]!);
    await page.getByRole('button', { name: 'Cancel' }).first().click();
    await expect(file).toBeAttached();
  }
});

test('the Workings slip passes axe and can be read by keyboard alone', async ({ page }) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/property/quarry-lane-school/prescribe');
  const figure = page.getByRole('region', { name: 'Potassium' }).getByRole('button').first();
  await figure.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: /Workings of Potassium/ })).toBeFocused();
  expect(await seriousOf(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('complementary', { name: /Workings/ })).toBeHidden();
});

test('zones and stages change by key', async ({ page }) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/property/quarry-lane-school/prescribe');
  await expect(page.getByText('South lawn, tall fescue')).toBeVisible();
  await page.keyboard.press(']');
  await expect(page.getByText('Playing strip, zoysiagrass')).toBeVisible();
  await page.keyboard.press('5');
  await expect(page.getByRole('heading', { name: 'Season 2027' })).toBeVisible();
  await expect(page).toHaveURL(/zone=playing-strip/);
  await page.keyboard.press('[');
  await expect(page).toHaveURL(/zone=south-lawn/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
});
