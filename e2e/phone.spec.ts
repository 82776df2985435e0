import type { Page } from '@playwright/test';
import { expect, newProperty, openCases, test } from './ubertas-page';

/** Chooses as a person does who types: focus, the first letters, Enter. */
async function typeChoice(page: Page, label: RegExp, letters: string): Promise<void> {
  await page.getByLabel(label).focus();
  await page.keyboard.type(letters);
  await page.keyboard.press('Enter');
}

test.use({ viewport: { width: 390, height: 844 } });

test('a lawn is measured by tape on a phone, and its sample taken there', async ({ page }) => {
  await newProperty(page, 'Pocket green');
  await page.getByLabel('Zone name').fill('Front lawn');
  await typeChoice(page, /^How it is measured/, 'Three');
  for (const [label, feet] of [
    [/^Side a/, '60'],
    [/^Side b/, '80'],
    [/^Side c/, '100'],
  ] as const)
    await page.getByLabel(label).fill(feet);
  await typeChoice(page, /^Measured by/, 'pacing');
  await typeChoice(page, /^Grass/, 'bermuda');
  await typeChoice(page, /^Soil texture/, 'sandy loam');
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText('Front lawn is saved.')).toBeVisible();
  // half of 60 by 80, and 7.5 % of it by pacing
  await expect(page.getByRole('row', { name: /Front lawn/ })).toContainText('2,400');
  await expect(page.getByRole('row', { name: /Front lawn/ })).toContainText('± 180');
  // every control that a thumb has to hit is tall enough
  for (const button of await page.locator('.ground button.tool:visible, .ground .ant-btn-primary:visible').all()) {
    const box = await button.boundingBox();
    expect(box?.height ?? 0, await button.innerText()).toBeGreaterThanOrEqual(44);
  }
  await page.getByRole('link', { name: /Sample/ }).click();
  await page.getByRole('button', { name: 'Start a sample' }).click();
  await page.getByLabel('Taken by').fill('RA');
  await page.getByRole('button', { name: 'Cores taken' }).click();
  await expect(page.getByText('10 cores, by RA')).toBeVisible();
});

test('the sheet is drawn on by touch', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await page.clock.setFixedTime(new Date('2027-04-05T09:00:00'));
  await openCases(page, 'okonedo-residence');
  await page.goto('/property/okonedo-residence/ground#add=1');
  await page.getByRole('button', { name: 'Outline', exact: true }).tap();
  const sheet = page.getByRole('application');
  await sheet.scrollIntoViewIfNeeded();
  const box = (await sheet.boundingBox()) as { x: number; y: number };
  for (const [x, y] of [
    [80, 100],
    [220, 100],
    [220, 240],
  ] as const)
    await page.touchscreen.tap(box.x + x, box.y + y);
  await expect(page.getByText('3 corners')).toBeAttached();
  await page.getByRole('button', { name: 'Close outline' }).tap();
  await expect(page.getByRole('button', { name: /to feed, show workings$/ }).first()).toBeVisible();
  await context.close();
});
