import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { choose, expect, looksRight, openCases, test } from './ubertas-page';

const LOG = '/property/quarry-lane-school/log';
const rows = (page: Page) => page.getByRole('table', { name: 'Records, the newest first' }).locator('tbody tr');

/** A property with a saved plan, its Log open. */
async function inLog(page: Page): Promise<void> {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/property/quarry-lane-school/season');
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText('The plan for 2027 is saved.')).toBeVisible();
  await page.keyboard.press('7');
  await expect(page.getByRole('heading', { name: 'Log', level: 1 })).toBeVisible();
}

test('what went down is written, tied to its dose, corrected with a reason, withdrawn and taken back, and counts where it should', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await inLog(page);
  await expect(page.getByText(/^Nothing is in the log yet/)).toBeVisible();
  const tally = page.getByRole('table', { name: 'South lawn: given, planned and prescribed' });
  const given = (of: string) =>
    tally
      .getByRole('row', { name: new RegExp(`^${of}`) })
      .getByRole('cell')
      .first();
  await expect(given('Lime')).toHaveText('0.00');

  // the kind first, then only what it has; what is missing is said, nothing typed is lost
  await page.keyboard.press('a');
  const form = page.getByRole('region', { name: 'Add a record' });
  await form.getByRole('button', { name: 'Save record' }).click();
  await expect(form.getByText('Choose the product.')).toBeVisible();
  await choose(page, 'Product', /Calcitic lime, pelleted/);
  await form.getByLabel(/^Weighed out/).fill('83.3');
  await form.getByLabel(/^Left over/).fill('90');
  await form.getByRole('button', { name: 'Save record' }).click();
  await expect(form.getByText(/More is left than was weighed out/)).toBeVisible();
  await form.getByLabel(/^Left over/).fill('3');
  // the dose of this week is offered by itself
  await expect(form.getByText(/Mon 5 Apr, 83\.3 lb product/)).toBeVisible();
  await form.getByLabel('Who').fill('Ana Ruiz');
  await looksRight(page, 'Add a record');
  await form.getByRole('button', { name: 'Save record' }).click();
  await expect(page.getByText('The record is saved.')).toBeVisible();
  await expect(rows(page)).toHaveCount(1);
  await expect(rows(page).first()).toContainText('80.3 lb product');
  await expect(rows(page).first()).toContainText('0.96');
  // 80.3 lb of 95 % CCE on 7,308 sq ft: 10.44 lb CaCO3 per 1000
  await expect(given('Lime')).toHaveText('10.44');

  // a correction keeps what stood, and needs its reason
  await page.keyboard.press('e');
  const edit = page.getByRole('region', { name: 'Edit the record' });
  await edit.getByLabel(/^Left over/).fill('30');
  await edit.getByRole('button', { name: 'Save record' }).click();
  await expect(edit.getByText(/^Say why/)).toBeVisible();
  await edit.getByLabel('Why it is corrected').fill('read the scale wrong');
  await edit.getByRole('button', { name: 'Save record' }).click();
  await expect(page.getByText('The correction counts from now on.')).toBeVisible();
  await expect(rows(page).first()).toContainText('53.3 lb product');
  await expect(rows(page).first()).toContainText('short');
  const focus = page.locator('.focus');
  await expect(focus.locator('.versions li')).toHaveCount(2);
  await expect(focus.locator('.versions li').nth(1)).toContainText('read the scale wrong');
  await looksRight(page, 'A corrected record');

  // the job of Field is done by it
  await page.keyboard.press('6');
  await expect(page.getByText(/Nothing is due before/)).toBeVisible();
  await page.keyboard.press('7');

  // an older version counts again; then the record is withdrawn, and that is taken back
  await focus.getByLabel('Reason').fill('it was right');
  await focus.getByRole('button', { name: 'Let 1 count' }).click();
  await expect(rows(page).first()).toContainText('80.3 lb product');
  await focus.getByLabel('Reason').fill('another lawn');
  await focus.getByRole('button', { name: 'Withdraw' }).click();
  await expect(page.getByText(/^The record was withdrawn/)).toBeVisible();
  await expect(given('Lime')).toHaveText('0.00');
  await page
    .locator('.ant-message-notice', { hasText: 'The record was withdrawn' })
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect(given('Lime')).toHaveText('10.44');

  // other kinds; a pesticide's amount stays as it was typed
  await page.keyboard.press('a');
  await choose(page, 'Kind', 'Pesticide');
  await form.getByRole('button', { name: 'Save record' }).click();
  await expect(form.getByText(/name is missing/)).toBeVisible();
  await form.getByLabel('Name on the label').fill('Weed stop');
  await form.getByLabel('Amount, as the label has it').fill('1 1/2 oz, two passes');
  await form.getByRole('button', { name: 'Save record' }).click();
  await expect(rows(page)).toHaveCount(2);
  await expect(rows(page).filter({ hasText: 'Weed stop' })).toContainText('1 1/2 oz, two passes');

  // any word finds it, and the list goes out as a table
  await page.keyboard.press('/');
  await page.getByLabel('Any word').fill('ana lime');
  await expect(rows(page)).toHaveCount(1);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export CSV' }).click(),
  ]);
  const csv = readFileSync(await download.path(), 'utf8')
    .trim()
    .split('\n');
  expect(csv).toHaveLength(2);
  expect(csv[1]).toContain('South lawn');
  expect(csv[1]).toContain('80.30');
  await page.getByLabel('Any word').fill('nothing of the kind');
  await expect(page.getByText('No record has all of that.')).toBeVisible();
});

test('a log goes from browser to browser as a file: read twice it adds nothing, two corrections are chosen between', async ({
  page,
  browser,
}) => {
  test.setTimeout(120_000);
  await inLog(page);
  const add = async (on: Page, height: string) => {
    await on.keyboard.press('a');
    await choose(on, 'Kind', 'Mowing');
    await on.getByLabel(/^Mown to/).fill(height);
    await on.getByRole('button', { name: 'Save record' }).click();
    await expect(on.getByText('The record is saved.')).toBeVisible();
  };
  const correct = async (on: Page, height: string, reason: string) => {
    await on.getByRole('button', { name: /^Edit/ }).click();
    await on.getByLabel(/^Mown to/).fill(height);
    await on.getByLabel('Why it is corrected').fill(reason);
    await on.getByRole('button', { name: 'Save record' }).click();
    await expect(on.getByText('The correction counts from now on.')).toBeVisible();
  };
  const exported = async (on: Page) => {
    const [download] = await Promise.all([
      on.waitForEvent('download'),
      on.getByRole('button', { name: 'Export property' }).click(),
    ]);
    return readFileSync(await download.path());
  };
  const bring = async (on: Page, buffer: Buffer) => {
    await on.goto('/');
    await on
      .getByLabel('Case file or backup')
      .setInputFiles({ name: 'case.json', mimeType: 'application/json', buffer });
    await expect(on.getByText(/^The file was imported|^All of this file is here already/)).toBeVisible();
    await on.goto(LOG);
    await expect(on.getByRole('heading', { name: 'Log', level: 1 })).toBeVisible();
  };
  await add(page, '3');
  const first = await exported(page);

  const context = await browser.newContext();
  const other = await context.newPage();
  await other.clock.setFixedTime(new Date('2027-04-06T10:00:00'));
  await other.goto(new URL('/', page.url()).href);
  await expect(other.getByRole('heading', { name: '6 Apr 2027' })).toBeVisible();
  await other
    .getByLabel('Case file or backup')
    .setInputFiles({ name: 'case.json', mimeType: 'application/json', buffer: first });
  await expect(other.getByRole('link', { name: 'Quarry Lane School' })).toBeVisible();
  await other.goto(new URL(LOG, page.url()).href);
  await expect(rows(other)).toHaveCount(1);
  await correct(other, '3.5', 'measured again');
  await correct(page, '2.5', 'misread');
  const theirs = await exported(other);
  await context.close();

  for (const _ of [1, 2]) {
    await bring(page, theirs);
    await expect(rows(page)).toHaveCount(1);
    await expect(rows(page).first()).toContainText('two corrections: choose');
    await expect(page.locator('.versions li')).toHaveCount(3);
  }
  // the later one counts until somebody chooses
  await expect(rows(page).first()).toContainText('mown to 3.50 in');
  await page.locator('.focus').getByLabel('Reason').fill('the ruler says so');
  await page.locator('.versions li').filter({ hasText: 'misread' }).getByRole('button').click();
  await expect(rows(page).first()).toContainText('mown to 2.50 in');
  await expect(rows(page).first()).not.toContainText('choose');

  // the log alone goes out and comes back; a changed byte, another property and what is no log are refused in words
  const [log] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export log' }).click(),
  ]);
  const source = readFileSync(await log.path(), 'utf8');
  const give = (text: string) =>
    page
      .getByLabel('Log file or table')
      .setInputFiles({ name: 'log.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await give(source);
  await expect(page.getByText('All of it is here already.')).toBeVisible();
  await give(source.replace('"heightIn":2.5', '"heightIn":2.6'));
  await expect(page.getByText(/its content is not what it was written as/)).toBeVisible();
  await give(
    source.replace(
      /"properties":\[\{"id":"[^"]+","name":"[^"]+"/,
      '"properties":[{"id":"mill-race","name":"Mill Race"',
    ),
  );
  await expect(page.getByText(/holds the log of Mill Race/)).toBeVisible();
  await give('{"format":"something"}');
  await expect(page.getByText('This is not a ubertas-log file.')).toBeVisible();
  await expect(page.locator('.versions li')).toHaveCount(4);
});

test('a spray log of another program is read: its columns named, what is unknown asked, what is no record told by its line', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await inLog(page);
  const source = [
    'Green crew - spray log 2026;;;;;;;',
    'Datum;Ort;Mittel;Menge kg;EPA Reg No;Target;Applicator;Notes',
    '14.09.2026;South lawn;Coated urea;5,5;;;A. Ruiz;calm',
    '14.09.2026;Schoolyard;Coated urea;7,2;;;A. Ruiz;',
    '21.09.2026;Lime walk;Clover mix;0,4;00000-11;clover;A. Ruiz;"=1+1"',
    '22.09.2026;Lime walk;Wonder grains;3;;;A. Ruiz;',
    'irgendwann;South lawn;Coated urea;3;;;;',
  ].join('\r\n');
  const give = (text: string) =>
    page
      .getByLabel('Log file or table')
      .setInputFiles({ name: 'spray.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await give('a letter, no table');
  await expect(page.getByText(/^No line names its columns/)).toBeVisible();
  await give(source);
  const panel = page.getByRole('region', { name: 'Import a table' });
  await expect(panel.getByRole('status')).toHaveText('2 lines become records, 3 do not.');
  await expect(panel.getByText('No zone is called “Schoolyard”.')).toBeVisible();
  await expect(panel.getByText('“irgendwann” is no day.')).toBeVisible();
  await choose(page, '“Schoolyard” in the table', 'Playing strip');
  await choose(page, '“Wonder grains” in the table', /Lawn grade/);
  await expect(panel.getByRole('status')).toHaveText('4 lines become records, 1 does not.');
  await looksRight(page, 'A table of another program');
  // a column that was guessed wrong is put right, and nothing of it is lost
  await choose(page, 'Menge kg in', 'lb');
  await choose(page, 'Menge kg in', 'kg');
  await panel.getByRole('button', { name: 'Import 4 records' }).click();
  await expect(page.getByText('4 records were taken in.')).toBeVisible();
  await expect(rows(page)).toHaveCount(4);
  await expect(rows(page).filter({ hasText: 'Clover mix' })).toContainText('Pesticide');
  await expect(rows(page).filter({ hasText: 'South lawn' })).toContainText('12.1 lb product');

  // the same table again: the layout is known, and everything is here
  await give(source);
  await expect(panel.getByRole('status')).toHaveText(/^0 lines become records, 3 look like one that is here, 2 do not/);
  await expect(panel.getByText('“Wonder grains” in the table')).toBeVisible();
  await panel.getByRole('button', { name: 'Cancel' }).click();
  await expect(panel).toBeHidden();
});
