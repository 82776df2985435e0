import type { Page } from '@playwright/test';
import { appendFileSync, cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createRequestHandler, type ServerBuild } from 'react-router';
import { application } from '../server/application';
import { expect, openCases, SIZES, test, TODAY } from './ubertas-page';

test.use({ serviceWorkers: 'allow', viewport: SIZES[1]! });

const JOB = '/property/quarry-lane-school/field';
const answer = (page: Page, question: string, word: string) =>
  page.getByRole('radiogroup', { name: question }).getByText(word, { exact: true }).click();

/** A saved plan in a browser that keeps the whole application; then the network goes. */
async function inAirplaneMode(page: Page): Promise<void> {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/property/quarry-lane-school/season');
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText('The plan for 2027 is saved.')).toBeVisible();
  await page.goto('/field');
  await expect(page.getByText('Works without network')).toBeVisible({ timeout: 60_000 });
  await page.context().setOffline(true);
}

/** The hour is looked at, all is on and at hand. */
async function readyToStart(page: Page): Promise<void> {
  await answer(page, 'The ground', 'firm');
  await answer(page, 'The turf', 'growing');
  await answer(page, 'The leaf', 'dry');
  await page.getByLabel(/^Wind/).fill('6');
  await page.getByLabel(/^Rain, next 24 h/).fill('0.1');
  for (const box of await page.getByRole('group', { name: 'On and at hand' }).getByRole('checkbox').all())
    await box.check();
}

test('with the network off the whole application opens, and a job is done from look to signature', async ({ page }) => {
  test.setTimeout(180_000);
  await inAirplaneMode(page);
  await page.goto('/field');
  await expect(page.getByText('Offline')).toBeVisible();
  await page
    .getByRole('link', { name: /South lawn/ })
    .first()
    .click();
  await readyToStart(page);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByRole('button', { name: 'Done to here' }).click();
  await expect(page.getByText('Stretch 2 of')).toBeVisible();
  await page.getByRole('button', { name: 'Done to here' }).click();
  await expect(page.getByText('Stretch 3 of')).toBeVisible();
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByRole('heading', { name: 'Paused, South lawn' })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByRole('button', { name: 'Finish' }).click();
  await page.getByLabel(/^In the hopper/).fill('2.3');
  await page.getByRole('button', { name: 'Sign and log' }).click();
  const signed = page.getByRole('region', { name: 'Signed' });
  await expect(signed).toContainText('81.0 lb');
  await page.reload();
  await expect(signed).toContainText('81.0 lb calcitic lime, pelleted, 97 % of the plan');

  // every page opens by its address, drawn from what is here
  for (const [path, shows] of [
    ['/', 'Quarry Lane School'],
    ['/shelf', 'Plain urea'],
    ['/reports', 'Choose a report file'],
    ['/settings', 'Units and numbers'],
    ['/settings/codes', 'Florida urban turf rule'],
    ['/settings/tables', 'Kentucky bluegrass'],
    ['/property/quarry-lane-school', 'one square is'],
    ['/property/quarry-lane-school/sample', 'one per'],
    ['/property/quarry-lane-school/read', 'Findings'],
    ['/property/quarry-lane-school/prescribe', 'For the year'],
    ['/property/quarry-lane-school/season', 'Checks'],
    ['/property/quarry-lane-school/season/climate', 'Normals'],
  ] as const) {
    await page.goto(path);
    await expect(page.locator('body'), path).toContainText(shows);
  }
  // an address that is none says so in words
  const stray = await page.context().newPage();
  await stray.goto('/nope');
  await expect(stray.getByText('There is no such page here')).toBeVisible();
  await stray.close();

  // back on the network nothing is told to anybody
  const sent: string[] = [];
  page.context().on('request', (request) => {
    if (request.method() !== 'GET') sent.push(`${request.method()} ${request.url()}`);
  });
  await page.context().setOffline(false);
  await page.goto('/field');
  await expect(page.getByText('Works without network')).toBeVisible();
  await expect(page.getByText('Offline')).toBeHidden();
  expect(sent).toEqual([]);
});

test('a tab killed at any moment of a run loses at most the tap being made', async ({ page }) => {
  test.setTimeout(240_000);
  await inAirplaneMode(page);
  const context = page.context();
  let open = page;
  const stretch = async (): Promise<number> =>
    Number(/Stretch (\d+) of/.exec(await open.locator('.running .now').innerText())?.[1]);
  /** Closes the tab so many ms after a tap, without a warning, and opens the job in another. */
  const killedAfter = async (name: string, ms: number) => {
    await open.getByRole('button', { name, exact: true }).click({ noWaitAfter: true });
    await open.waitForTimeout(ms);
    await open.close({ runBeforeUnload: false });
    open = await context.newPage();
    await open.clock.setFixedTime(new Date(`${TODAY}T09:00:00`));
    await open.goto(JOB);
    await expect(open.locator('.jobsheet')).toBeVisible();
  };
  await page.goto(JOB);
  await readyToStart(open);
  // a start that was lost is made again, and there is one run all the same
  await killedAfter('Start', 3);
  if (await open.getByRole('heading', { name: 'Running, South lawn' }).isHidden()) {
    await readyToStart(open);
    await open.getByRole('button', { name: 'Start', exact: true }).click();
  }
  await expect(open.getByText('Stretch 1 of')).toBeVisible();
  for (const ms of [0, 2, 5, 9, 14, 22, 35]) {
    const before = await stretch();
    await killedAfter('Done to here', ms);
    await expect(open.locator('.running .now')).toBeVisible();
    const now = await stretch();
    expect([before, before + 1]).toContain(now);
    if (now === before) {
      await open.getByRole('button', { name: 'Done to here' }).click();
      await expect(open.getByText(`Stretch ${before + 1} of`)).toBeVisible();
    }
  }
  expect(await stretch()).toBe(8);
  await killedAfter('Pause', 4);
  // the tab is another one after each kill: what is looked for is looked for there
  const button = (name: string) => open.getByRole('button', { name, exact: true });
  const hopper = () => open.getByLabel(/^In the hopper/);
  await expect(button('Go on').or(button('Finish')).first()).toBeVisible();
  if (await button('Go on').isVisible()) await button('Go on').click();
  await killedAfter('Finish', 6);
  await expect(hopper().or(button('Finish'))).toBeVisible();
  if (await button('Finish').isVisible()) await button('Finish').click();
  await hopper().fill('2.3');
  await killedAfter('Sign and log', 8);
  const signed = open.getByRole('region', { name: 'Signed' });
  await expect(signed.or(button('Sign and log'))).toBeVisible();
  if (await button('Sign and log').isVisible()) {
    await hopper().fill('2.3');
    await button('Sign and log').click();
  }
  await expect(signed).toContainText('81.0 lb');
  // one run, one line of what went down
  await expect(signed.getByRole('listitem')).toHaveCount(1);
});

test('a newer version waits beside the old until it is taken, and not while a run is open', async ({ page }) => {
  test.setTimeout(180_000);
  const build = (await import(join(process.cwd(), 'build/server/index.js'))) as ServerBuild;
  const files = mkdtempSync(join(tmpdir(), 'ubertas-newer-'));
  cpSync('build/client', files, { recursive: true });
  const server = createServer(application(createRequestHandler(build, 'production'), files));
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  try {
    const at = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    await page.goto(at);
    await page.getByLabel('Case file or backup').setInputFiles('demo/quarry-lane-school.json');
    await expect(page.getByRole('link', { name: 'Quarry Lane School' })).toBeVisible();
    await page.goto(`${at}/property/quarry-lane-school/season`);
    await page.getByRole('button', { name: 'Save plan' }).click();
    await expect(page.getByText('The plan for 2027 is saved.')).toBeVisible();
    await page.goto(`${at}/field`);
    await expect(page.getByText('Works without network')).toBeVisible({ timeout: 60_000 });
    await page.goto(`${at}${JOB}`);
    await readyToStart(page);
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await expect(page.getByText('Stretch 1 of')).toBeVisible();

    // another build lies on the server
    appendFileSync(join(files, 'sw.js'), '\n// newer\n');
    await page.evaluate(async () => (await navigator.serviceWorker.ready).update());
    await expect(page.getByText('A newer Ubertas is here.')).toBeVisible();
    await page.getByRole('button', { name: 'Take it now' }).click();
    await expect(page.getByText('A job is under way: sign it or give it up first, then take it.')).toBeVisible();

    await page.getByRole('button', { name: 'Finish' }).click();
    await page.getByLabel(/^In the hopper/).fill('2.3');
    await page.getByRole('button', { name: 'Sign and log' }).click();
    await expect(page.getByRole('region', { name: 'Signed' })).toContainText('81.0 lb');
    await page.reload();
    const again = page.waitForEvent('load');
    await page.getByRole('button', { name: 'Take it now' }).click();
    await again;
    await expect(page.getByText('A newer Ubertas is here.')).toBeHidden();
    await expect(page.getByRole('region', { name: 'Signed' })).toContainText('81.0 lb');
  } finally {
    server.closeAllConnections();
    server.close();
    rmSync(files, { recursive: true });
  }
});
