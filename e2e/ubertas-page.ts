import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type Locator, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';

export const TODAY = '2027-04-05';

/** What the test runner says where it keeps a page from registering its worker. */
const WORKER_BLOCKED = 'Service Worker registration blocked by Playwright';

/** A page that fails its test on any console error or warning, on a day that never changes. */
export const test = base.extend({
  page: async ({ page }, run) => {
    const said: string[] = [];
    page.on('console', (message) => {
      if (message.type() !== 'error' && message.type() !== 'warning') return;
      if (message.text() !== WORKER_BLOCKED) said.push(`${message.type()}: ${message.text()}`);
    });
    page.on('pageerror', (fault) => said.push(`page error: ${fault.message}`));
    await page.clock.setFixedTime(new Date(`${TODAY}T09:00:00`));
    await run(page);
    expect(said).toEqual([]);
  },
});

export { expect };

/** Opens demo case files as a person would. */
export async function openCases(page: Page, ...names: string[]): Promise<void> {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: '5 Apr 2027' })).toBeVisible();
  for (const name of names) {
    const { property } = JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as { property: { name: string } };
    await page.getByLabel('Case file or backup').setInputFiles(`demo/${name}.json`);
    await expect(page.getByRole('link', { name: property.name })).toBeVisible();
  }
}

/** Chooses from a list by its label and the words of the option. */
export async function choose(page: Page, label: string, option: string | RegExp): Promise<void> {
  await page.getByLabel(label, { exact: true }).click();
  const list = page.locator('.ant-select-dropdown:visible');
  // a click on a list that is still unfolding is not heard
  await expect(list).not.toHaveClass(/ant-slide/);
  await list.getByTitle(option, { exact: true }).click();
  await expect(list).toBeHidden();
}

/** Waits until a dialog stands: a click on one that is still unfolding falls beside its button. */
export const standing = (dialog: Locator): Promise<void> => expect(dialog).not.toHaveClass(/ant-zoom/);

/** Where a point of the drawing sheet lies on the screen, as long as its ruler starts at 0 and a square is 10 ft. */
export async function sheetPoints(page: Page): Promise<(eastFt: number, southFt: number) => { x: number; y: number }> {
  const canvas = page.getByRole('application').locator('canvas').first();
  await expect(canvas).toBeVisible();
  const box = (await canvas.boundingBox()) as { x: number; y: number };
  return (eastFt, southFt) => ({ x: box.x + 36 + eastFt * 2.4, y: box.y + 26 + southFt * 2.4 });
}

/** A new, empty property with a climate, its Ground open. */
export async function newProperty(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await expect(page.getByText('Nothing here yet')).toBeVisible();
  await page.keyboard.press('n');
  await standing(page.getByRole('dialog'));
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByText('An invented region').click();
  await choose(page, 'Region', 'Cool north (invented normals)');
  await page.getByRole('button', { name: 'Create and measure' }).click();
  await expect(page.getByRole('application')).toBeVisible();
}

/** A desk and a phone. */
export const SIZES = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
];

/** What axe calls serious or critical, by rule and place. Only violations are written out: the rest is most of its time. */
export async function seriousOf(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`);
}

/** Nothing of the page runs over its width, once its fonts are there and what a script measures has been measured. */
export const nothingRunsOver = (page: Page, where: string): Promise<void> =>
  expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), {
      message: `${where} is wider than the screen`,
    })
    .toBeLessThanOrEqual(0);

/** What fades in or changes its color has done so: a contrast measured on the way is nobody's. */
const nothingMoves = (page: Page): Promise<unknown> =>
  page.waitForFunction(() =>
    document
      .getAnimations()
      .every(({ playState, effect }) => playState !== 'running' || effect?.getComputedTiming().endTime === Infinity),
  );

/** On a desk and on a phone nothing is wider than the screen and axe calls nothing serious; the desk is left standing. */
export async function looksRight(page: Page, what: string): Promise<void> {
  for (const size of SIZES) {
    await page.setViewportSize(size);
    const where = `${what} at ${size.width} px`;
    await nothingRunsOver(page, where);
    await nothingMoves(page);
    expect(await seriousOf(page), where).toEqual([]);
  }
  await page.setViewportSize(SIZES[0]!);
}
