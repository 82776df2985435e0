import { readFileSync } from 'node:fs';
import { columnsReport, pictureReport } from './made-report';
import type { Page } from '@playwright/test';
import { choose, expect, openCases, test } from './ubertas-page';

test('a PDF stands beside its reading; a lost point is asked about, a label told once is remembered, and nothing is stored before', async ({
  page,
}) => {
  await openCases(page, 'quarry-lane-school');
  const before = await storedTests(page);
  await page.goto('/reports#property=quarry-lane-school');
  const buffer = await columnsReport();
  const file = page.getByLabel('Report file');
  await file.setInputFiles({ name: 'lindenmere.pdf', mimeType: 'application/pdf', buffer });
  await expect(page.getByRole('heading', { name: 'The reading' })).toBeVisible();
  await expect(page.getByText('19 of 3/19/2027 can be no month')).toBeVisible();
  const reading = page.getByRole('table');
  await expect(reading.getByRole('row', { name: /^Phosphorus/ })).toContainText('Bray P1');
  await expect(reading.getByRole('row', { name: /^Potassium/ })).toContainText('ppm, Mehlich-3');
  // a click in the file shows the row, and the other way round
  await page.locator('.paper [data-value="0/5"], .paper .pick').filter({ hasText: '44 L' }).click();
  await expect(reading.locator('tr.is-selected')).toContainText('Potassium');
  await reading.getByRole('button', { name: /6400/ }).click();
  await expect(page.locator('.paper .box.is-asked.is-selected')).toBeVisible();
  await expect(page.locator('.connector path')).toBeVisible();
  // arrows walk the values
  await page.keyboard.press('Escape');

  const save = page.getByRole('button', { name: /^Save 2 reports/ });
  await expect(save).toContainText('waits for 1 answer');
  await expect(save).toBeDisabled();
  const slip = page.getByRole('region', { name: 'Calcium, Playing strip' });
  await expect(slip).toContainText('31.9 cmolc/kg of Ca; this soil holds 6.1');
  await slip.getByRole('button', { name: 'Take 640' }).click();
  await expect(slip).toBeHidden();
  await choose(page, 'Cupric, extr. means', 'Copper (Cu)');
  await expect(reading.getByRole('row', { name: /^Copper/ })).toContainText('1.1');
  await expect(reading.getByRole('row', { name: /^Copper/ })).toContainText('as you said');
  await expect(save).toBeEnabled();
  expect(await storedTests(page)).toBe(before);
  await save.click();
  await expect(page.getByText('2 reports are stored.')).toBeVisible();
  expect(await storedTests(page)).toBe(before + 2);

  // the same file again: read as was said, and known
  await page.getByRole('button', { name: 'Another file' }).click();
  await file.setInputFiles({ name: 'again.pdf', mimeType: 'application/pdf', buffer });
  await expect(page.getByText('Read as you said of this laboratory before.')).toBeVisible();
  await expect(reading.getByRole('row', { name: /^Copper/ })).toContainText('as you said');
  await expect(page.getByText('; 1 here already')).toBeVisible();
  // what is remembered is seen, exported and deleted
  await page.getByRole('button', { name: 'Remembered readings' }).click();
  const memory = page.getByRole('dialog', { name: 'Remembered readings' });
  await expect(memory).toContainText('“cupric, extr.” is Copper (Cu)');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    memory.getByRole('button', { name: 'Export' }).click(),
  ]);
  expect(JSON.parse(readFileSync(await download.path(), 'utf8'))).toMatchObject({
    format: 'ubertas-report-layout',
    terms: [{ label: 'cupric, extr.', as: 'analyte:Cu' }],
  });
  await memory.getByRole('button', { name: 'Delete' }).first().click();
  await expect(memory).not.toContainText('cupric');
});

const storedTests = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((done) => {
        const opening = indexedDB.open('ubertas');
        opening.onsuccess = () => {
          const counting = opening.result.transaction('soilTests').objectStore('soilTests').count();
          counting.onsuccess = () => {
            opening.result.close();
            done(counting.result);
          };
        };
      }),
  );

test('text is pasted, a picture is typed from, a wrong unit is caught, files wait their turn, water goes to its form', async ({
  page,
}) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/reports#property=quarry-lane-school');
  await page
    .getByLabel('or paste its text or cells')
    .fill(
      'Sample: South lawn\nSampled: 2027-03-02\nSoil pH 5.9\nBuffer pH 6.4\nK: 61 ppm  (Low)\nNutrients by Mehlich-3\n',
    );
  await page.getByRole('button', { name: 'Read the text' }).click();
  const reading = page.getByRole('table');
  await expect(reading.getByRole('row', { name: /^Potassium/ })).toContainText('61');
  // a buffer without its name is asked for, never guessed
  await page.getByRole('group', { name: 'Which buffer is it?' }).getByRole('button', { name: 'SMP' }).click();
  await expect(reading.getByRole('row', { name: /^Buffer pH/ })).toContainText('SMP');
  await page.getByRole('button', { name: 'Save 1 report' }).click();
  await expect(page.getByText('1 report is stored.')).toBeVisible();
  await page.getByRole('button', { name: 'Another file' }).click();

  await page
    .getByLabel('Report file')
    .setInputFiles({ name: 'scan.pdf', mimeType: 'application/pdf', buffer: await pictureReport() });
  await expect(page.getByText('This PDF holds no text')).toBeVisible();
  await expect(page.getByRole('img', { name: 'First page of scan.pdf' })).toBeVisible();
  await page.getByLabel(/^Type a value a line/).fill('Sample: Playing strip\nSampled: 3/2/2027\nSoil pH 6.2');
  await page.getByRole('button', { name: 'Read the text' }).click();
  await expect(reading.getByRole('row', { name: /^Soil pH/ })).toContainText('6.2');
  await page.getByRole('button', { name: 'Cancel' }).click();

  // twice the capacity in every sample: lb/acre printed as ppm
  const wrong = 'Sample,Date,pH,K ppm,Ca ppm,Mg ppm,CEC\nSouth lawn,2027-03-02,6.4,160,1800,280,6.2\n';
  await page.getByLabel('Report file').setInputFiles([
    { name: 'a.csv', mimeType: 'text/csv', buffer: Buffer.from(wrong) },
    { name: 'b.csv', mimeType: 'text/csv', buffer: Buffer.from('Sample,Date,pH\nLime walk,2027-03-02,6.6\n') },
  ]);
  await expect(page.getByRole('region', { name: 'The unit of the file' })).toContainText('% of the CEC');
  await expect(page.getByRole('button', { name: /^Save 1 report/ })).toBeDisabled();
  await page.getByRole('button', { name: 'They are lb/acre' }).click();
  await expect(reading.getByRole('row', { name: /^Potassium/ })).toContainText('lb/acre');
  await page.getByRole('button', { name: 'Save 1 report' }).click();
  await page.getByRole('button', { name: 'Next: b.csv (1 left)' }).click();
  await expect(reading.getByRole('row', { name: /^Goes to/ })).toContainText('Lime walk');
  // a report of water is no soil test: it fills the form of the property's irrigation water
  await page.getByRole('button', { name: 'Cancel' }).click();
  await page.getByLabel('Report file').setInputFiles({
    name: 'well.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Irrigation water analysis\n\nSample,pH,EC (dS/m),SAR,Bicarbonate (meq/L)\nWell,7.8,1.2,3.1,4\n',
    ),
  });
  await expect(page.getByRole('button', { name: /^Save/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Use as irrigation water' }).click();
  const form = page.getByRole('dialog', { name: 'Irrigation water' });
  await expect(form.getByLabel(/^Bicarbonate/)).toHaveValue('4');
  await form.getByLabel(/^Irrigation a year/).fill('12');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form).toBeHidden();
  await expect(page.getByRole('region', { name: 'Irrigation water' })).toContainText('Bicarbonate');
});
