import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { choose, expect, openCases, test } from './ubertas-page';

const SCHOOL = '/property/quarry-lane-school';

/** Takes the cores of the first zone without a bag, bags them and hands them to the simulated laboratory. */
async function sampleAndSend(page: Page, layout: string): Promise<void> {
  await page.getByRole('button', { name: 'Start a sample' }).first().click();
  await page.getByRole('button', { name: 'Cores taken' }).click();
  await page.getByRole('button', { name: 'Dried and bagged' }).click();
  await choose(page, 'Layout of the simulated report', layout);
  await page.getByRole('button', { name: 'To the simulated laboratory' }).click();
  await page.getByRole('button', { name: 'Ask for the report' }).click();
  await expect(page.getByText(/Not ready before/)).toBeVisible();
}

test('labels are printed at true size with a bar code, and the bag goes from cores to report', async ({ page }) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto(`${SCHOOL}/sample`);
  await expect(page.getByRole('button', { name: '13, Cores of South lawn, show workings' })).toBeVisible();
  await expect(page.getByRole('img', { name: 'South lawn: 13 cores in a zigzag, planned' })).toBeVisible();
  await page.getByRole('button', { name: 'Start a sample' }).first().click();
  await expect(page.getByRole('img', { name: 'Bar code of QLS-27-01' })).toBeVisible();
  await expect(page.getByText('ready to print')).toBeVisible();
  // the print shows the label alone, 2 3/8 by 1 1/4 in at 96 px to the inch
  await page.evaluate(() => {
    window.print = () => {
      const seen = [...document.querySelectorAll('body *')].filter((e) =>
        (e as HTMLElement).classList?.contains('baglabel'),
      );
      (window as unknown as { printed: number }).printed = seen.length;
    };
  });
  await page.keyboard.press('p');
  await expect(page.getByText('printed 5 Apr')).toBeVisible();
  expect(await page.evaluate(() => (window as unknown as { printed: number }).printed)).toBe(1);
  await page.emulateMedia({ media: 'print' });
  await page.evaluate(() => document.documentElement.classList.add('print-labels'));
  const label = page.locator('.baglabel');
  const box = (await label.boundingBox()) as { width: number; height: number };
  expect(Math.round(box.width)).toBe(228);
  expect(Math.round(box.height)).toBe(120);
  await expect(page.getByRole('heading', { name: 'How to take them' })).toBeHidden();
  await page.evaluate(() => document.documentElement.classList.remove('print-labels'));
  await page.emulateMedia({ media: 'screen' });

  // a hand reading is kept beside it, and undone
  await page.getByRole('button', { name: 'Put it in the ground' }).click();
  await page.getByRole('button', { name: 'Take it into the record' }).click();
  await expect(page.getByText('ph pen, simulated')).toBeVisible();
  await page.getByRole('button', { name: 'Forget' }).click();
  await expect(page.getByText('ph pen, simulated')).toBeHidden();
  await page.getByRole('button', { name: 'Delete QLS-27-01' }).click();
  await expect(page.getByText('Sample QLS-27-01 was deleted.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('img', { name: 'Bar code of QLS-27-01' })).toBeVisible();
});

test('every layout of the simulated laboratory means the same, from bag to prescription', async ({ page }) => {
  test.setTimeout(300_000);
  await openCases(page, 'quarry-lane-school');
  const meanings: string[] = [];
  for (const layout of [
    'One row a sample, ppm in the header',
    'Pounds per acre, depth of the cores above the table',
    'Ammonium acetate bases, Bray or Olsen beside Mehlich-3',
    'Workbook: merged headings, days as days',
    'PDF: a letter, one sample a page, bars',
    'Text of a mail',
  ]) {
    await page.goto(`${SCHOOL}/sample`);
    await sampleAndSend(page, layout);
    await page.getByRole('button', { name: 'Let the simulated days pass' }).click();
    await expect(page.getByRole('columnheader', { name: 'QLS-27-01' })).toBeVisible();
    await expect(page.getByRole('row', { name: /^Goes to/ })).toContainText('South lawn');
    await page.getByRole('button', { name: 'Save 1 report' }).click();
    await page.getByRole('link', { name: 'Read South lawn' }).click();
    await expect(page.getByRole('heading', { name: 'Reading the soil' })).toBeVisible();
    const orders = page.getByRole('region', { name: 'Findings, and what follows' }).locator('.fd .c');
    await expect(orders.first()).toBeVisible();
    const all = await orders.allInnerTexts();
    meanings.push(
      all
        .filter((text) => / lb (lime|K|S |P|Mg)/.test(text))
        .sort()
        .join(' / '),
    );
    // back to where the next layout starts from
    await page.getByRole('button', { name: 'Delete', exact: true }).click();
    // deleted when the report before it is read instead
    await expect(page.locator('.read .pagehead')).toContainText('12 Oct 2026');
    await page.goto(`${SCHOOL}/sample`);
    await page.getByRole('button', { name: 'Start a sample' }).first().waitFor();
    await page.evaluate(
      () =>
        new Promise<void>((done) => {
          const opening = indexedDB.open('ubertas');
          opening.onsuccess = () => {
            const writing = opening.result.transaction('samples', 'readwrite');
            writing.objectStore('samples').clear();
            writing.oncomplete = () => {
              opening.result.close();
              done();
            };
          };
        }),
    );
  }
  expect(meanings[0]).toMatch(/lb lime/);
  expect(new Set(meanings).size, meanings.join('\n')).toBe(1);
});

test('a foreign file is mapped, its wrong lines come back with reasons, the laboratory is remembered', async ({
  page,
}) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto(`/reports#property=quarry-lane-school`);
  const file = page.getByLabel('Report file');
  await file.setInputFiles({
    name: 'words.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('just some words\nand more'),
  });
  await expect(page.getByRole('alert')).toContainText('names soil analytes');
  const lab = (rows: string) => Buffer.from(`Lawn;Reaction;K;Zn\n${rows}`);
  const rows = 'South lawn;5,6;44;<0,5\nPlaying strip;6,1;=1+1;1\nElsewhere;6,0;50;1\nLime walk;61;50;1\n';
  await file.setInputFiles({ name: 'lab.csv', mimeType: 'text/csv', buffer: lab(rows) });
  await expect(page.getByRole('heading', { name: 'The reading' })).toBeVisible();
  await choose(page, 'Reaction means', 'Soil pH (pH)');
  await choose(page, 'Unit where none is said', 'ppm');
  await choose(page, 'Extractant where none is said', 'Mehlich-3');
  await page.getByLabel('Sampled on, for all').fill('2027-03-02');
  await page.getByLabel('Sampled on, for all').blur();
  await page.getByLabel('Depth, for all').fill('0-4 in');
  await page.getByLabel('Depth, for all').blur();
  await expect(page.getByRole('row', { name: /^Zinc/ })).toContainText('<0,5');
  // a pH of 61 is asked about: left out, the rest of its line stays
  const slip = page.getByRole('region', { name: 'Soil pH, Lime walk' });
  await slip.getByRole('button', { name: 'Leave it out' }).click();
  await expect(slip).toBeHidden();
  await expect(page.getByText('no bag and no zone is called “Elsewhere”').first()).toBeVisible();
  await choose(page, 'Zone of Elsewhere', 'leave it out');
  await expect(page.getByText('left out by you').first()).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export the rejected lines' }).click(),
  ]);
  const rejected = readFileSync(await download.path(), 'utf8');
  expect(rejected).toContain('is not a number');
  // what a spreadsheet would run is only text in what goes out
  expect(rejected).toContain("'=1+1");
  await page.getByRole('button', { name: 'Save 3 reports' }).click();
  await expect(page.getByText('3 reports are stored.')).toBeVisible();
  await page.getByRole('button', { name: 'Another file' }).click();
  await file.setInputFiles({ name: 'lab2.csv', mimeType: 'text/csv', buffer: lab('South lawn;5,7;46;1\n') });
  await expect(page.getByText('Read as you said of this laboratory before.')).toBeVisible();
  await expect(page.getByRole('row', { name: /^Soil pH/ })).toContainText('5,7');
  await expect(page.getByRole('row', { name: /^Potassium/ })).toContainText('ppm, Mehlich-3');
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Cancelled. Nothing was stored.')).toBeVisible();
});

test('a hundred thousand lines are read off the page, which answers meanwhile, and can be cancelled', async ({
  page,
}) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/reports#property=quarry-lane-school');
  const lines = ['Sample,pH,K (ppm),Date'];
  for (let i = 0; i < 100_000; i++)
    lines.push(
      `South lawn,${(5 + (i % 20) / 10).toFixed(1)},${30 + (i % 90)},${1900 + (i % 120)}-0${1 + (i % 9)}-1${i % 10}`,
    );
  await page
    .getByLabel('Report file')
    .setInputFiles({ name: 'large.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
  // the page answers while the worker reads: it takes the click
  await expect(page.getByRole('button', { name: 'Cancel' })).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Cancelled. Nothing was stored.')).toBeVisible();
  await page.goto(`${SCHOOL}/read`);
  await expect(page.getByText('12 Oct 2026').first()).toBeVisible();
});

test('schools change by one key, the trend warns, the reading goes out as a PDF of one page', async ({ page }) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto(`${SCHOOL}/read`);
  await expect(page.getByText('Potassium, 44 ppm, is low: 7 ppm under enough.')).toBeVisible();
  await expect(page.getByText('Down 0.075 a year over comparable reports.')).toBeVisible();
  await expect(page.getByText('2020 was cored to 6 in, 2022 to 4 in: they are not the same soil.')).toBeVisible();
  await choose(page, 'Analyte followed', 'Potassium');
  await expect(page.getByText('Down 3.2 ppm a year over comparable reports.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Under all three schools' })).toContainText('They differ on');
  await page.getByRole('heading', { name: 'Reading the soil' }).click();
  await page.keyboard.press('s');
  await expect(page.getByText('K, 44 ppm, is 7 ppm above its minimum of 37.')).toBeVisible();
  await page.keyboard.press('s');
  await expect(page.getByText('K is 1.34 % of CEC, aimed at 3 to 5 %.')).toBeVisible();
  await expect(page.locator('.schoolrow[aria-busy=false]')).toBeVisible();
  await page.reload();
  await expect(page.getByText('K is 1.34 % of CEC, aimed at 3 to 5 %.')).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'PDF' }).click(),
  ]);
  const pdf = readFileSync(await download.path(), 'latin1');
  expect(pdf.startsWith('%PDF')).toBe(true);
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(1);
});
