import { exported, logFile, recordsOfPlan } from './made-log';
import { expect, looksRight, openCases, test } from './ubertas-page';

const KEPT = new Date('2027-02-03T14:00:00Z');
const TODAY = new Date('2027-09-10T14:00:00Z');
const PROPERTY = '/property/quarry-lane-school';

/** One feeding short, a potash dose missed, one written twice: by their place among the doses of the year. */
const WENT = [[{}], [{ days: 1 }], [], [{ share: 0.65, days: 3 }], [{}], [{}, { days: 2 }], [{ days: 2 }], [{}]];

test('a whole season logged, one dose short, one missed, one double: the rest is planned again with reasons and saved', async ({
  page,
}) => {
  test.setTimeout(150_000);
  await openCases(page, 'quarry-lane-school');
  await page.clock.setFixedTime(KEPT);
  await page.goto(`${PROPERTY}/season`);
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText('The plan for 2027 is saved.')).toBeVisible();
  const saved = await exported(page);
  const records = recordsOfPlan(saved, '2027-09-01', (_dose, at) => WENT[at % WENT.length] ?? [{}]);
  await page.clock.setFixedTime(TODAY);
  await page.goto(`${PROPERTY}/log`);
  await page.getByLabel('Log file or table').setInputFiles(logFile('quarry-lane-school', records));
  await expect(page.getByText(`${records.length} versions were taken in.`)).toBeVisible();

  await page.goto(`${PROPERTY}/log`);
  await expect(page.getByRole('heading', { name: 'Log', level: 1 })).toBeVisible();
  await page.keyboard.press('r');
  await expect(page.getByRole('heading', { name: 'The rest, planned again' })).toBeVisible();
  const since = page.getByRole('region', { name: /^Since 3 Feb/ });
  await expect(since.getByText(/^short, 0\.65 of the dose, 3 days after its Monday$/)).toBeVisible();
  await expect(since.getByText('Its week went by with no record.')).toBeVisible();
  // both records of the double say what they make together
  await expect(since.getByText(/^over, 2(\.00)? of the dose/)).toHaveCount(2);
  await expect(page.getByRole('status').filter({ hasText: /no longer hold/ })).toBeVisible();
  await looksRight(page, 'The rest, left as it was');

  // leaving changes no line that is to come
  const lines = page.getByRole('region', { name: 'The rest, line by line' });
  const words = () => lines.locator('.became').allTextContents();
  expect((await words()).filter((word) => word !== 'kept')).toEqual(['dropped']);

  // found again: what changes says why, and nothing of what went down is touched
  await page.getByText('Find it again', { exact: true }).first().click();
  // what broke by what went down stays broken; nothing else does
  await expect(page.getByRole('radio', { name: /^Find it again \d+ lines? changes?.*; 2 fail/ })).toHaveCount(1, {
    timeout: 60_000,
  });
  const changed = lines.locator('.pair.changed');
  expect(await changed.count()).toBeGreaterThan(0);
  for (const pair of await changed.all()) await expect(pair.locator('.because')).toHaveText(/\w.*\.$/);
  await expect(since.getByRole('listitem')).toHaveCount(records.length + 1);
  await looksRight(page, 'The rest, found again');
  const laid = await lines.locator('.pair .doseblock:nth-of-type(2)').allTextContents();

  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText(/^The plan for 2027 is saved\. The one before/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Season 2027' })).toBeVisible();
  // what went down stands at its real day and weight, the plan before among those set aside
  await expect(page.getByText(/^Saved 3 Feb, replaced 10 Sep/).first()).toBeVisible();
  await page.goto(`${PROPERTY}/log/replan`);
  await expect(page.getByText('The rest still stands: nothing breaks that held as planned.')).toBeVisible();
  const kept = await page
    .getByRole('region', { name: 'The rest, line by line' })
    .locator('.pair .doseblock:first-child')
    .allTextContents();
  expect(kept.map(bare).sort()).toEqual(
    laid
      .filter((text) => text !== 'no dose')
      .map(bare)
      .sort(),
  );
});

/** A dose in words, without what its lock adds. */
const bare = (text: string): string => text.replace(/\s+/g, ' ').trim();

test('without a saved plan there is nothing to plan again, and it says where one is saved', async ({ page }) => {
  await openCases(page, 'okonedo-residence');
  await page.goto('/property/okonedo-residence/log/replan');
  await expect(page.getByText(/^Planning again begins with a saved plan/)).toBeVisible();
  await page.getByRole('link', { name: 'Save one in Season' }).click();
  await expect(page.getByRole('heading', { name: 'Season 2027' })).toBeVisible();
});
