import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { choose, expect, openCases, test } from './ubertas-page';

test('a label is read as a person reads a bag, waits for what is missing, and stands on the shelf', async ({
  page,
}) => {
  await page.goto('/shelf');
  await expect(page.getByRole('heading', { name: 'The shelf' })).toBeVisible();
  await page.keyboard.press('a');
  const slip = page.getByRole('complementary', { name: 'New label' });
  await slip.getByLabel('Name on the bag').fill('Autumn lawn, coated');
  await slip.getByLabel('The three numbers on the bag').fill('32010');
  await expect(slip.getByText('waits for the three numbers')).toBeVisible();
  await expect(slip.getByRole('button', { name: 'No, 3-20-10' })).toBeVisible();
  // the first reading by keyboard
  await page.keyboard.press('Enter');
  await expect(slip.getByRole('img', { name: /32 percent N, 0 percent P2O5, 10 percent K2O/ })).toBeVisible();
  await slip.getByLabel(/^coated/).fill('14');
  await slip.getByLabel(/^urea/).fill('16');
  await expect(slip.getByText('Short by 2 % N.')).toBeVisible();
  await expect(slip.getByRole('button', { name: 'Save to the shelf' })).toBeDisabled();
  await slip.getByLabel(/^A bag of/).fill('50');
  await slip.getByLabel(/^covers/).fill('12,500');
  await expect(slip.getByText('4.00 lb product per 1000 sq ft')).toBeVisible();
  await expect(slip.getByText(/brings 1.28 lb N/)).toContainText('44 % is');
  await slip.getByRole('button', { name: 'coated', exact: true }).click();
  await expect(slip.getByLabel(/^coated/)).toHaveValue('16');
  await expect(slip.getByText(/brings 1.28 lb N/)).toBeHidden();
  await slip.getByLabel(/^Price a bag/).fill('dear');
  await slip.getByRole('button', { name: 'Save to the shelf' }).click();
  await expect(slip.getByText(/Price must be a number/).first()).toBeVisible();
  await slip.getByLabel(/^Price a bag/).fill('41.50');
  await slip.getByRole('button', { name: 'Save to the shelf' }).click();
  await expect(slip).toBeHidden();
  const row = page.getByRole('listitem').filter({ hasText: 'Autumn lawn, coated' });
  // 41.50 over 16 lb of N
  await expect(row).toContainText('$2.59');
  await page.reload();
  await expect(row).toBeVisible();
});

test('half a label is kept as a draft, and is neither matched nor planned', async ({ page }) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/shelf#label=new');
  const slip = page.getByRole('complementary', { name: 'New label' });
  await slip.getByLabel('Name on the bag').fill('Faded bag');
  await slip.getByLabel('The three numbers on the bag').fill('24 0 11');
  await slip.getByRole('button', { name: 'Yes, 24-0-11' }).click();
  await slip.getByLabel(/^urea/).fill('20');
  await slip.getByRole('button', { name: 'Save draft' }).click();
  await expect(page.getByRole('heading', { name: /Half entered/ })).toBeVisible();
  await page.goto('/property/quarry-lane-school/prescribe/match');
  await expect(page.locator('.refusedlist li').filter({ hasText: 'Faded bag' })).toContainText('forms are 4 % short');
  // finished later
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Faded bag', exact: true }).click();
  const again = page.getByRole('complementary', { name: 'Label of Faded bag' });
  await again.getByLabel(/^coated/).fill('4');
  await again.getByRole('button', { name: 'Save to the shelf' }).click();
  await expect(page.getByRole('heading', { name: /Half entered/ })).toBeHidden();
});

test('slips are caught: potash-magnesia by another name, numbers that cannot be, a liquid without density', async ({
  page,
}) => {
  await page.goto('/shelf#label=new');
  const slip = page.getByRole('complementary', { name: 'New label' });
  await slip.getByLabel('Name on the bag').fill('Sulfate of potash');
  await slip.getByLabel('The three numbers on the bag').fill('60-30-20');
  await expect(slip.getByText('60 + 30 + 20 is 110 %, more than a bag can hold.')).toBeVisible();
  await slip.getByLabel('The three numbers on the bag').fill('0022');
  await slip.getByRole('button', { name: 'Yes, 0-0-22' }).click();
  await slip.getByLabel(/^Magnesium/).fill('10.8');
  await expect(slip.getByText(/is potash-magnesia, not sulfate of potash/)).toBeVisible();
  await choose(page, 'Form', 'liquid');
  await expect(slip.getByText('A liquid needs its density')).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter((v) => v.impact === 'serious' || v.impact === 'critical').map((v) => v.id)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(slip).toBeHidden();
});

test('the shelf goes out as CSV and JSON and comes back; bad lines are named; an import can be undone', async ({
  page,
}) => {
  await page.goto('/shelf');
  await expect(page.getByText('31 products, 0 on hand')).toBeVisible();
  await page.getByRole('button', { name: 'Import or export' }).click();
  const dialog = page.getByRole('dialog', { name: 'Import or export' });
  const saved: Record<string, string> = {};
  for (const kind of ['CSV', 'JSON'] as const) {
    const download = page.waitForEvent('download');
    await dialog.getByRole('button', { name: `Save as ${kind}` }).click();
    saved[kind] = readFileSync(await (await download).path(), 'utf8');
  }
  const choosing = (name: string, text: string) =>
    dialog.getByLabel('Shelf file').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  for (const [name, kind] of [
    ['shelf.csv', 'CSV'],
    ['shelf.json', 'JSON'],
  ] as const) {
    await choosing(name, saved[kind] as string);
    await expect(dialog.getByText('31 are here already, the same')).toBeVisible();
  }
  await choosing(
    'bad.json',
    '{"format":"ubertas-shelf","version":1,"products":[{"id":"x","name":"X","guaranteed":{"N":"5"}}]}',
  );
  await expect(dialog.getByRole('alert')).toContainText('number');
  await choosing(
    'mine.csv',
    'name,N %,K2O %,package lb,package price,colour\nThrift feed,20,5,40,22,blue\nOdd feed,twenty,5,40,22,red\nPlain urea too,46,0,50,30,\n',
  );
  await expect(dialog.getByText('2 new: Thrift feed, Plain urea too')).toBeVisible();
  await expect(dialog.getByText(/Line 3: .*“?twenty/)).toBeVisible();
  await expect(dialog.getByText('Columns left out: colour')).toBeVisible();
  await dialog.getByRole('button', { name: 'Save 2' }).click();
  await expect(page.getByText('33 products')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('31 products')).toBeVisible();
});

test('a bag is found by word and by filter, taken off the shelf and put back', async ({ page }) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/shelf');
  await page.getByRole('group', { name: 'Show' }).getByRole('button', { name: /^lime/ }).click();
  await expect(page.locator('li.bagrow')).toHaveCount(3);
  await page
    .getByRole('group', { name: 'Show' })
    .getByRole('button', { name: /^everything/ })
    .click();
  await page.getByRole('checkbox', { name: 'on hand' }).check();
  await expect(page.locator('li.bagrow')).toHaveCount(5);
  await page.getByLabel('Word on the label').fill('urea');
  await expect(page.locator('li.bagrow')).toHaveCount(2);
  await page.getByRole('button', { name: 'Coated urea', exact: true }).click();
  await page.getByRole('button', { name: 'Delete label' }).click();
  await expect(page.getByText('Coated urea is off the shelf.')).toBeVisible();
  await expect(page.locator('li.bagrow')).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('li.bagrow')).toHaveCount(2);
  // a figure opens its Workings here too
  await page.getByRole('button', { name: /\$1.35, Plain urea/ }).click();
  await expect(page.getByRole('complementary', { name: /Workings of Plain urea/ })).toContainText(
    '31 ÷ (50 × 46 ÷ 100)',
  );
});
