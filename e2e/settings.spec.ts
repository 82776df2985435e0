import { expect, openCases, test } from './ubertas-page';

test('a code is copied, typed, put on a property and fails its kept plan; the fix mends it, and the overdue review is shown', async ({
  page,
}) => {
  await openCases(page, 'okonedo-residence');
  await page.goto('/property/okonedo-residence/season');
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText(/saved/i).first()).toBeVisible();
  await page.goto('/settings/codes');
  await page.getByRole('button', { name: 'Maryland, licensed', exact: true }).click();
  await expect(page.getByText('as shipped, to read')).toBeVisible();
  await page.getByRole('button', { name: 'Copy as own' }).click();
  await page.getByLabel('Name of the code').fill('Alderbeck borough');
  // half a date paints nothing and says so; a date that is none is refused at its field, and nothing typed is lost
  const from = page.getByLabel('Closed from, 1', { exact: true });
  await from.fill('Nov');
  await expect(page.getByText('From: the day is missing. Write a day such as 15 Nov.').first()).toBeVisible();
  await from.fill('02-30');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('From: "02-30" is no day of the year. Write it like 15 Nov.').first()).toBeVisible();
  await expect(from).toHaveValue('02-30');
  await from.fill('15 Nov');
  await page.getByLabel('Closed to, 1', { exact: true }).fill('1 Mar');
  await expect(page.getByText('17 d longer')).toBeVisible();
  await page.getByLabel('Checked on').fill('2025-11-01');
  await page.getByLabel('Checked by').fill('RA');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The code is saved.')).toBeVisible();
  await page.getByLabel('Put it on a property').click();
  await page.getByTitle('Okonedo Residence').click();
  const margin = page.getByRole('complementary', { name: 'What it changes' });
  await expect(margin.getByText('1 of 1 property')).toBeVisible();
  await expect(margin.getByRole('link', { name: 'Okonedo Residence' })).toBeVisible();
  // the year as the plan feeds it, capped below: a check of the kept plan fails while it is typed
  await page.getByLabel('Most N a year, lb N per 1000').fill('1');
  await expect(margin.getByText(/check fails|checks fail|doses? fails?/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/lines differ; saved$/)).toBeVisible();

  await page.goto('/property/okonedo-residence/season');
  await expect(
    page.getByText(/^Alderbeck borough: Checked \d+ months ago: due again since 1 Nov 2026\.$/),
  ).toBeVisible();
  await expect(page.getByText(/of 1\.00 lb N/).first()).toBeVisible();
  // taken off on Ground, and back by undo
  await page.goto('/property/okonedo-residence/ground');
  const codes = page.locator('.codeschoice');
  await expect(codes.getByText('Alderbeck borough')).toBeVisible();
  await codes.locator('.ant-select-selection-item-remove, .ant-tag-close-icon, [aria-label="close"]').first().click();
  await expect(page.getByText('The local codes are changed.')).toBeVisible();
  await expect(codes.getByText('none chosen')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(codes.getByText('Alderbeck borough')).toBeVisible();

  // out to a file and in again: the same, so nothing to save
  await page.goto('/settings/codes');
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export' }).click(),
  ]);
  const path = await saved.path();
  await page.getByRole('button', { name: 'Import' }).click();
  await page.getByLabel('Local codes file').setInputFiles({
    name: 'codes.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"kind":"local-codes","codes":[{"id":"x","setbackFt":"ten"}]}'),
  });
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText(/setback|name|version|source/i);
  await page.getByLabel('Local codes file').setInputFiles(path);
  await expect(page.getByText('here already, the same')).toBeVisible();
});
