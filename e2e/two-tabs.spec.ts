import type { BrowserContext, Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { expect, openCases, standing, test, TODAY } from './ubertas-page';

const GROUND = '/property/okonedo-residence/ground';

/** Another tab of the same browser, on the same day. */
async function another(context: BrowserContext, address: string): Promise<Page> {
  const page = await context.newPage();
  await page.clock.setFixedTime(new Date(`${TODAY}T09:00:00`));
  await page.goto(address);
  return page;
}
const name = (page: Page) => page.getByLabel('Zone name');
const save = (page: Page) => page.getByRole('button', { name: 'Save zone' }).click();

test('two tabs on one zone lose nothing: the one follows, and what both typed stands side by side', async ({
  page,
  context,
}) => {
  await openCases(page, 'okonedo-residence');
  await page.goto(GROUND);
  const other = await another(context, GROUND);
  await expect(name(other)).toHaveValue('Front lawn');

  // nothing typed: the tab follows
  await name(other).fill('Street side');
  await save(other);
  await expect(other.getByText('Street side is saved.')).toBeVisible();
  await expect(name(page)).toHaveValue('Street side');

  // typed here, saved there: both are shown, and one field of each can stand
  await name(page).fill('River side');
  await other.getByLabel('N last year').fill('1.5');
  await name(other).fill('Mill side');
  await save(other);
  await expect(other.getByText('Mill side is saved.')).toBeVisible();
  await expect(page.getByText('Another tab changed this meanwhile.')).toBeVisible();
  await expect(name(page)).toHaveValue('River side');
  await save(page);
  const dialog = page.getByRole('dialog', { name: 'The zone was changed meanwhile' });
  const row = dialog.getByRole('row', { name: /^Name/ });
  await expect(row).toContainText('River side');
  await expect(row).toContainText('Mill side');
  await expect(page.getByText('River side is saved.')).toBeHidden();
  await standing(dialog);
  await row.getByText('Mine', { exact: true }).click();
  await dialog.getByRole('button', { name: 'Take what is chosen' }).click();
  await expect(dialog).toBeHidden();
  await expect(name(page)).toHaveValue('River side');
  await expect(page.getByLabel('N last year')).toHaveValue('1.5');
  await expect(name(other)).toHaveValue('River side');

  // deleted there while typed here: it is not quietly stored anew
  await name(page).fill('Last word');
  await other.getByRole('button', { name: 'Delete River side' }).click();
  await expect(other.getByText(/and its reports were deleted/)).toBeVisible();
  await other.close();
  await expect(page.getByRole('heading', { name: 'New zone' })).toBeVisible();
});

test('what was typed and not saved is offered back after a reload, and asked about before it goes', async ({
  page,
}) => {
  await openCases(page, 'okonedo-residence');
  await page.goto(GROUND);
  await name(page).fill('Half a thought');
  await page.reload();
  await expect(page.getByText(/was not saved/)).toBeVisible();
  await expect(name(page)).toHaveValue('Front lawn');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(name(page)).toHaveValue('Half a thought');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('heading', { name: 'The shelf' })).toBeVisible();
  await page.goBack();
  await page.getByRole('button', { name: 'Discard' }).click();
  await page.getByRole('button', { name: 'Throw away' }).click();
  await expect(page.getByText(/was not saved/)).toBeHidden();
  await page.reload();
  await expect(name(page)).toHaveValue('Front lawn');
  await expect(page.getByText(/was not saved/)).toBeHidden();
});

test('a file opened twice changes nothing; an older one asks what is to stand, and can be undone', async ({ page }) => {
  await openCases(page, 'okonedo-residence');
  const choosing = page.getByLabel('Case file or backup');
  await choosing.setInputFiles('demo/okonedo-residence.json');
  await expect(page.getByText('All of this file is here already. Nothing was changed.')).toBeVisible();
  await expect(page.getByText('1 property')).toBeVisible();
  await expect(page.getByText('No backup was saved yet.')).toBeVisible();
  const [backup] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export a backup' }).click(),
  ]);
  await expect(page.getByText('The last backup is of today.')).toBeVisible();
  await choosing.setInputFiles(await backup.path());
  await expect(page.getByText('All of this file is here already. Nothing was changed.')).toBeVisible();

  const older = JSON.parse(readFileSync('demo/okonedo-residence.json', 'utf8')) as {
    zones: { name: string; changedAt?: string; areaSqFt: number; rectangle?: object }[];
  };
  older.zones[0]!.name = 'Lawn of old';
  older.zones[0]!.changedAt = '2020-01-01T00:00:00.000Z';
  const give = (value: object) =>
    choosing.setInputFiles({
      name: 'older.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(value)),
    });
  await give(older);
  const dialog = page.getByRole('dialog', { name: 'Some of this is here already' });
  await expect(dialog.getByRole('listitem')).toHaveText([/Lawn of old.*which is newer is not known/]);
  await standing(dialog);
  await dialog.getByText('From the file', { exact: true }).click();
  await dialog.getByRole('button', { name: 'Import' }).click();
  await expect(page.getByText('The file was imported.')).toBeVisible();
  const field = page.getByLabel('Find a property, zone or grass');
  await field.fill('lawn of old');
  await expect(page.getByText('1 found')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('0 found')).toBeVisible();
  await field.fill('');

  // an area that its drawing contradicts is asked about by name
  older.zones[0] = { ...older.zones[0]!, name: 'Wide lawn', rectangle: { lengthFt: 100, widthFt: 30 } };
  await give(older);
  const areas = page.getByRole('dialog', { name: 'An area that its drawing contradicts' });
  await expect(areas.getByRole('listitem')).toHaveText([/^Wide lawn says [\d,]+ sq ft, and its drawing gives/]);
  await standing(areas);
  await areas.getByRole('button', { name: 'Cancel' }).click();
  await expect(areas).toBeHidden();
});
