import { readFileSync } from 'node:fs';
import { recordRequests } from './requests';
import { choose, expect, test } from './ubertas-page';

test('from an empty browser to dated, weighed doses, out as a file and back, and no word of it leaves the browser', async ({
  page,
  context,
}) => {
  const requests = await recordRequests(context);
  // another tab follows all of it, and tells the server as little
  const other = await context.newPage();
  await other.goto('/');
  await expect(other.getByText('Nothing here yet')).toBeVisible();
  // a tab behind another draws once a second, and a click waits for two drawings
  await page.bringToFront();
  await page.goto('/');
  await expect(page.getByText('Nothing here yet')).toBeVisible();

  // create the property by keyboard
  await page.keyboard.press('n');
  await page.getByLabel('Name', { exact: true }).fill('Gatehouse green');
  await page.getByText('An invented region').click();
  await choose(page, 'Region', 'Transition zone (invented normals)');
  await page.getByRole('button', { name: 'Create and measure' }).click();
  await expect(page.getByRole('heading', { name: 'Measuring the ground' })).toBeVisible();

  // draw a zone on the sheet: two corners by keyboard, one by mouse, closed with C
  await page.getByRole('button', { name: 'Outline', exact: true }).click();
  const sheet = page.getByRole('application');
  await sheet.focus();
  await page.keyboard.press('Enter');
  for (let i = 0; i < 8; i++) await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Enter');
  for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByText('3 corners')).toBeAttached();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('2 corners')).toBeAttached();
  await page.getByRole('button', { name: 'Redo' }).click();
  await sheet.focus();
  await page.keyboard.press('c');
  // a right triangle of 80 by 50 ft
  await expect(page.getByRole('button', { name: '2,000, this zone, to feed, show workings' })).toBeVisible();

  await page.getByLabel('Zone name').fill('Front lawn');
  await choose(page, 'Grass', 'tall fescue');
  await choose(page, 'Soil texture', 'silt loam');
  await choose(page, 'Fizz with acid', 'none');
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText('Front lawn is saved.')).toBeVisible();

  // type the report
  await page.getByRole('heading', { name: 'Measuring the ground' }).click();
  await page.keyboard.press('3');
  await expect(page.getByRole('heading', { name: 'Typing the report' })).toBeVisible();
  await choose(page, 'Unit of the nutrients', 'ppm (mg/kg)');
  for (const [label, value] of [
    ['Soil pH', '5.6'],
    ['Buffer pH', '6.32'],
    ['Phosphorus, P', '20'],
    ['Potassium, K', '44'],
    ['Magnesium, Mg', '74'],
    ['Organic matter', '3.1'],
  ] as const)
    await page.getByLabel(label).fill(value);
  await page.getByRole('group', { name: 'Which buffer is it?' }).getByRole('button', { name: 'Mehlich' }).click();
  await page.getByLabel('Organic matter').press('Enter');
  await expect(page.getByRole('heading', { name: 'Reading the soil' })).toBeVisible();
  await expect(page.getByText('pH 5.6 is 0.4 below the tall fescue window, 6.0 to 7.0.')).toBeVisible();
  await expect(page.getByText('Potassium, 44 ppm, is low')).toBeVisible();

  // the prescription, with its workings
  await page.keyboard.press('4');
  await expect(page.getByRole('heading', { name: 'Prescription' })).toBeVisible();
  const lime = page.getByRole('region', { name: 'pH first' });
  await expect(lime).toContainText('11.4 lb lime');
  await expect(page.getByRole('region', { name: 'Nitrogen' })).toContainText('1.975 lb N');
  await lime.getByRole('button', { name: '11.4, Lime, show workings' }).click();
  const slip = page.getByRole('complementary', { name: 'Workings of Lime' });
  await expect(slip).toContainText('15.43 × 65 ÷ 88');
  await page.keyboard.press('Escape');
  await expect(slip).toBeHidden();
  const clippings = page.getByRole('checkbox', { name: /Clippings returned/ });
  const year = (lb: string) =>
    page.getByRole('button', { name: `${lb}, Nitrogen for the year, show workings` }).first();
  await clippings.click();
  await expect(year('2.725')).toBeVisible();
  // two clicks in a row are two switches, although the first is still being stored
  await clippings.click();
  await clippings.click();
  await expect(clippings).not.toBeChecked();
  await expect(year('2.725')).toBeVisible();
  await clippings.click();
  await expect(year('1.975')).toBeVisible();

  // the season, another product, kept
  await page.getByRole('heading', { name: 'Prescription' }).click();
  await page.keyboard.press('5');
  await expect(page.getByRole('heading', { name: 'Season 2027' })).toBeVisible();
  const doses = page.getByRole('table', { name: 'What goes down on Front lawn' });
  await expect(doses).toContainText('Coated urea');
  await choose(page, 'Nitrogen from', 'Plain urea 46-0-0');
  await expect(doses).toContainText('Plain urea');
  await page.getByRole('button', { name: 'Find the best plan' }).click();
  await expect(page.getByText(/^proven .*not saved yet$/)).toBeVisible({ timeout: 60_000 });
  await expect(doses).toContainText('Plain urea');
  await expect(page.getByRole('region', { name: 'Checks' })).toContainText('0 fail');
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText(/saved 5 Apr 2027$/)).toBeVisible();
  const before = await doses.innerText();

  // out as a file
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export property' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('gatehouse-green.ubertas-case.json');
  const path = await download.path();
  expect(JSON.parse(readFileSync(path, 'utf8'))).toMatchObject({
    format: 'ubertas-case',
    version: 1,
    zones: [
      {
        name: 'Front lawn',
        areaSqFt: 2000,
        cornersFt: [
          [20, 20],
          [100, 20],
          [100, 70],
        ],
      },
    ],
  });

  // still there after a reload
  await page.reload();
  await expect(doses).toBeVisible();
  expect(await doses.innerText()).toBe(before);
  await expect(page.getByText(/saved 5 Apr 2027$/)).toBeVisible();

  // removed, put back by undo, removed again and opened from the file
  await page.getByRole('link', { name: 'Ubertas' }).click();
  await page.getByRole('button', { name: 'Delete Gatehouse green' }).click();
  await expect(page.getByText('Nothing here yet')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Gatehouse green' })).toBeVisible();
  await page.getByRole('button', { name: 'Delete Gatehouse green' }).click();
  await expect(page.getByText('Nothing here yet')).toBeVisible();
  await page.getByLabel('Case file or backup').setInputFiles(path);
  await page.getByRole('link', { name: 'Gatehouse green' }).click();
  await expect(doses).toBeVisible();
  expect(await doses.innerText()).toBe(before);

  // searched for and reloaded there, the address told the server nothing either
  await page.getByRole('link', { name: 'Ubertas' }).click();
  await page.getByLabel('Find a property, zone or grass').fill('Gatehouse');
  await expect(page).toHaveURL(/#find=Gatehouse$/);
  await page.reload();
  await expect(page.getByText('1 found')).toBeVisible();
  await expect(other.getByRole('link', { name: 'Gatehouse green' })).toBeVisible();
  expect(await requests.leaks('gatehouse', 'front lawn')).toEqual([]);
});

test('a zone drawn by mouse has the known area', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Nothing here yet')).toBeVisible();
  await page.keyboard.press('n');
  await page.getByLabel('Name', { exact: true }).fill('Mouse green');
  await page.getByText('An invented region').click();
  await choose(page, 'Region', 'Cool north (invented normals)');
  await page.getByRole('button', { name: 'Create and measure' }).click();
  await page.getByRole('button', { name: 'Outline', exact: true }).click();
  const sheet = page.getByRole('application');
  await expect(sheet.locator('canvas').first()).toBeVisible();
  await expect(page.getByText('one square is 10 ft')).toBeVisible();
  const box = (await sheet.locator('canvas').first().boundingBox())!;
  // 24 px a square of 10 ft; the sheet's origin lies 36 px in and 26 px down
  const click = (east: number, south: number) => page.mouse.click(box.x + 36 + east * 2.4, box.y + 26 + south * 2.4);
  await click(10, 10);
  await click(90, 10);
  await click(90, 60);
  await click(10, 60);
  await click(10, 10);
  await expect(page.getByRole('button', { name: '4,000, this zone, to feed, show workings' })).toBeVisible();
});
