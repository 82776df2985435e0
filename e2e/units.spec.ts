import type { Page } from '@playwright/test';
import { choose, expect, nothingRunsOver, openCases, test } from './ubertas-page';

/** A US unit behind a number or over a column; what a label prints stays as it is printed. */
const US =
  /\d ?(?:lb|oz|fl oz|gal|ft|mph|miles|sq ft|°F|deg F)\b|per 1000\b|\b(?:lb|oz|sq ft|°F|deg F)\b|\d in(?=[.,;:)]| of | deep|$)/;
const PRINTED = /(?:bags? (?:of )?|jug of |^)[\d.]+ (?:lb (?:product|lime)|gal)(?:, [\d.]+ lb\/gal)?|lb\/acre/g;

/** Every line of a page with a US unit in it: text, what is folded away, what a screen reader hears, what a field hints. */
async function usLines(page: Page): Promise<string[]> {
  const text = await page.evaluate(() => {
    document.querySelectorAll('details').forEach((each) => (each.open = true));
    const said = [...document.querySelectorAll('[aria-label], [placeholder], [title], svg text')].flatMap((each) => [
      each.getAttribute('aria-label'),
      each.getAttribute('placeholder'),
      each.getAttribute('title'),
      each.tagName === 'text' ? each.textContent : null,
    ]);
    return [document.body.innerText, ...said.filter((each) => each !== null)].join('\n');
  });
  return text.split('\n').filter((line) => US.test(line.replace(PRINTED, '')));
}

/** What each page shows once its numbers stand. */
const PLACES: readonly [path: string, shows: RegExp][] = [
  ['/', /m²/],
  ['/shelf', /kg product/],
  ['/kit', /kg product/],
  ['/settings/tables', /mm|g N/],
  ['/settings/codes', /Local codes/],
  ['/property/quarry-lane-school/ground', /one square is/],
  ['/property/quarry-lane-school/sample', /one per/],
  ['/property/quarry-lane-school/read', /Findings/],
  ['/property/quarry-lane-school/prescribe', /For the year/],
  ['/property/quarry-lane-school/prescribe#view=all', /For the year, per/],
  ['/property/quarry-lane-school/prescribe/match#trip=2027-06-14', /The need/],
  ['/property/quarry-lane-school/prescribe/bag', /Bag check/],
  ['/property/quarry-lane-school/season', /Shortfalls|Checks/],
  ['/property/quarry-lane-school/season/climate', /Normals/],
  ['/property/quarry-lane-school/log#form=add', /Add a record/],
  ['/property/quarry-lane-school/log/replan', /The rest, planned again/],
  ['/property/quarry-lane-school/season/move-here', /programme/i],
];

test('in SI every screen shows SI and nothing runs over; a weight typed in kilograms survives the way back', async ({
  page,
}) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Plain urea', exact: true }).click();
  await page.getByLabel(/^On hand/).fill('12 kg');
  await page.getByRole('button', { name: 'Save label' }).click();
  // 12 / 0.45359237 lb
  await expect(page.getByRole('listitem').filter({ hasText: 'Plain urea' })).toContainText('26.5');

  await page.goto('/settings');
  await page.getByText('SI', { exact: true }).click();
  await expect(page.getByText('Units and numbers are changed.')).toBeVisible();
  await page.goto('/shelf');
  await expect(page.getByRole('listitem').filter({ hasText: 'Plain urea' })).toContainText('12.00');
  await page.getByRole('button', { name: 'Plain urea', exact: true }).click();
  await expect(page.getByLabel(/^On hand/)).toHaveValue('12 kg');
  // the label is as it is printed, and a save without a change changes nothing
  await expect(page.getByLabel(/^A bag of/)).toHaveValue('50 lb');
  await page.getByRole('button', { name: 'Save label' }).click();

  for (const [path, shows] of PLACES) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(path);
    await expect(page.locator('main')).toContainText(shows);
    expect(await usLines(page), path).toEqual([]);
    await nothingRunsOver(page, path);
    await page.setViewportSize({ width: 390, height: 844 });
    await nothingRunsOver(page, `${path} on a phone`);
  }
  await page.setViewportSize({ width: 1280, height: 800 });

  // the day of a job, and the gate by a catch of it
  await page.goto('/property/quarry-lane-school/season');
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText('The plan for 2027 is saved.')).toBeVisible();
  await page.keyboard.press('6');
  await page.getByLabel('Name of the spreader').fill('Small rotary');
  await page.getByLabel('Step of the dial').fill('0.25');
  await page.getByRole('button', { name: 'Save spreader' }).click();
  await page.getByLabel('Opening', { exact: true }).fill('4');
  await page.getByLabel(/^Caught/).fill('1.13');
  await page.getByLabel(/^Wind/).fill('30');
  await expect(page.getByRole('region', { name: 'Go, wait or never' })).toContainText('30.0 km/h, limit 16.1 km/h');
  expect(await usLines(page), 'Field').toEqual([]);
  await nothingRunsOver(page, 'Field');

  await page.goto('/settings');
  await page.getByText('US units', { exact: true }).click();
  await expect(page.getByText('Units and numbers are changed.')).toBeVisible();
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Plain urea', exact: true }).click();
  await expect(page.getByLabel(/^On hand/)).toHaveValue('12 kg');
  await expect(page.getByLabel(/^A bag of/)).toHaveValue('50');
});

test('a comma before decimals is typed where it is written so, and one that could mean two things is asked about', async ({
  page,
}) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/settings');
  await choose(page, 'Numbers written as in', /^German, Germany/);
  await expect(page.getByText('Units and numbers are changed.')).toBeVisible();
  await page.goto('/property/quarry-lane-school/prescribe/bag');
  await page.getByLabel(/^Weighed out/).fill('1,5');
  await expect(page.locator('.weighed .totals li').first()).toContainText('1,5');
  await page.getByLabel(/^Weighed out/).fill('1,250');
  await expect(page.getByText('is "1,250" meant as "1.250" or as "1250"?', { exact: false })).toBeVisible();
  await page.getByLabel(/^Weighed out/).fill('1250,0');
  await expect(page.locator('.weighed .totals li').first()).toContainText('1.250,0');
});
