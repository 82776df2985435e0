import { choose, expect, openCases, test } from './ubertas-page';

test('an override stands with its reason, the rule struck beside it, here, in the season and in print', async ({
  page,
}) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/property/quarry-lane-school/prescribe');
  const nitrogen = page.getByRole('region', { name: 'Nitrogen', exact: true });
  await nitrogen.getByRole('button', { name: 'Override' }).click();
  const dialog = page.getByRole('dialog', { name: 'Override: nitrogen for the year' });
  await expect(dialog).toContainText('The rule gives 2.475 lb N per 1000.');
  await dialog.getByLabel(/^Your figure/).fill('12');
  await dialog.getByRole('button', { name: 'Save override' }).click();
  await expect(dialog.getByText(/between 0 and 10/)).toBeVisible();
  await dialog.getByLabel(/^Your figure/).fill('2.75');
  await dialog.getByRole('button', { name: 'Save override' }).click();
  await expect(dialog.getByText('An override needs its reason.')).toBeVisible();
  await dialog.getByLabel('Why').fill('Games run to November, and the goal mouths thin first');
  await dialog.getByLabel(/^Name/).fill('R. Amadi');
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  await expect(nitrogen.locator('.fig')).toContainText('2.75');
  await expect(nitrogen.locator('.fig s')).toHaveText('2.475');
  await expect(nitrogen).toContainText('Games run to November, and the goal mouths thin first.');
  await expect(nitrogen.locator('cite')).toHaveText('R. Amadi, 5 Apr 2027');
  await expect(page.getByText('One override')).toBeVisible();
  // the Workings lead back to the rule
  await nitrogen
    .getByRole('button', { name: /^2.75, Nitrogen for the year, override/ })
    .first()
    .click();
  await expect(page.getByRole('complementary', { name: /Workings/ })).toContainText('Games run to November');
  await page.keyboard.press('Escape');
  // as a PDF
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF' }).click();
  expect((await download).suggestedFilename()).toBe('prescription-south-lawn.pdf');
  // on the sheet of every zone
  await page.getByRole('button', { name: 'Every zone' }).click();
  const table = page.getByRole('table', { name: 'The prescription of every zone' });
  await expect(table).toContainText('2.48 by the rule');
  await expect(page.getByText('Games run to November')).toBeVisible();
  // in the season
  await page.keyboard.press('5');
  await expect(page.locator('.lane.focus .nm')).toContainText('2.75 lb N');
  // and back to the rule
  await page.keyboard.press('4');
  await page.getByRole('button', { name: 'Back to South lawn' }).click();
  await nitrogen.getByRole('button', { name: 'Edit override' }).click();
  await page.getByRole('button', { name: 'Back to the rule' }).click();
  await expect(nitrogen.locator('.fig')).toContainText('2.475');
  await expect(nitrogen.locator('s')).toHaveCount(0);
});

test('a prescription is copied only after its differences were read, never what only a test may ask for', async ({
  page,
}) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/property/quarry-lane-school/prescribe');
  await page.getByRole('button', { name: 'Copy to a zone' }).click();
  const dialog = page.getByRole('dialog', { name: 'Copy the prescription of South lawn' });
  await choose(page, 'Onto the zone', 'Lime walk');
  await expect(dialog).toContainText('9 differences first');
  await expect(dialog).toContainText('Lime is not copied: its own pH asks for no lime');
  const copy = dialog.getByRole('button', { name: 'Copy' });
  await expect(copy).toBeDisabled();
  await dialog.getByRole('checkbox', { name: /I have read them/ }).check();
  await copy.click();
  await expect(dialog.getByText(/Say why/)).toBeVisible();
  await dialog.getByRole('checkbox', { name: /Potassium/ }).uncheck();
  await dialog.getByLabel('Why it fits there').fill('Sown with the same mixture');
  await copy.click();
  await expect(dialog).toBeHidden();
  await page.keyboard.press('[');
  await expect(page.getByText('Lime walk, fine fescue')).toBeVisible();
  const nitrogen = page.getByRole('region', { name: 'Nitrogen', exact: true });
  await expect(nitrogen).toContainText('Copied from South lawn. Sown with the same mixture.');
  await expect(nitrogen.locator('.fig')).toContainText('2.475');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(nitrogen).not.toContainText('Copied from South lawn');
});

test('steps of the walk switch off and on, schools change the answer, the lime is chosen', async ({ page }) => {
  await openCases(page, 'quarry-lane-school', 'okonedo-residence');
  await page.goto('/property/quarry-lane-school/prescribe');
  const year = page.locator('.walk .year .size');
  await expect(year).toHaveText('2.475');
  await page.getByRole('checkbox', { name: 'Clippings returned' }).click();
  await expect(year).toHaveText('3.225');
  await page.getByRole('checkbox', { name: 'Clippings returned' }).click();
  await expect(year).toHaveText('2.475');
  const potassium = page.getByRole('region', { name: 'Potassium', exact: true });
  const others = await potassium.locator('.others').innerText();
  await page.getByText('Base saturation').click();
  await expect(potassium.locator('.fig')).toContainText(others.trim().split(/\s+/).at(-1) as string);
  // the key belongs to the page, not to the control that was just used
  await page.getByRole('heading', { name: 'Prescription' }).click();
  await page.keyboard.press('s');
  await expect(potassium.locator('.fig')).toContainText('0.61');
  const ph = page.getByRole('region', { name: 'pH first' });
  await ph.getByText('Limes compared, and holding the pH').click();
  await ph.getByRole('radio', { name: 'Hydrated lime' }).click();
  await expect(ph).toContainText('Hydrated lime, ECCE 130');
  await expect(ph.getByRole('table')).toContainText('burns skin and eyes');
  await expect(page.getByText(/caustic: gloves, eye protection/)).toBeVisible();
});

test('alkaline soil: schools side by side, and how little a light dose of ammonium does', async ({ page }) => {
  await openCases(page, 'thornbury-chapel-green');
  await page.goto('/property/thornbury-chapel-green/prescribe');
  const ph = page.getByRole('region', { name: 'pH first' });
  await ph.getByText('Schools, and ways to acidify compared').click();
  const row = (name: string) => ph.getByRole('row').filter({ hasText: name });
  await expect(row('One light dose of it')).toContainText('2.1');
  await expect(row('Elemental sulfur')).toContainText('31.2');
  await ph.getByRole('radio', { name: 'Leave and manage' }).click();
  await expect(ph.getByRole('radio', { name: 'Leave and manage' })).toBeChecked();
});

test('a match is used in the plan and taken back; a typed need is matched at once; nonsense is said', async ({
  page,
}) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/property/quarry-lane-school/prescribe/match');
  const answers = page.getByRole('list', { name: 'Answers, best first' }).getByRole('listitem');
  // the first trip is lime alone: the next one feeds
  await page.getByRole('combobox', { name: 'Trip' }).click();
  await page.locator('.ant-select-item-option').filter({ hasText: 'lb N' }).first().click();
  const methylene = answers.filter({ hasText: 'Methylene urea' }).first();
  await methylene.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByText(/Methylene urea.* in the plan\./)).toBeVisible();
  await expect(page.locator('.ribbon')).toContainText(/methylene urea/i);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.ribbon')).not.toContainText(/methylene urea/i);
  await page.getByLabel(/^N/).fill('0.5');
  await expect(page.locator('.pagehead')).toContainText('0.50 lb N');
  await page.getByLabel(/^N/).fill('a lot');
  await expect(page.getByText(/N must be a number/)).toBeVisible();
  await page.getByLabel(/^N/).fill('0');
  await page.getByLabel(/^K2O/).fill('0');
  await expect(page.getByText('Nothing is asked for in this trip.')).toBeVisible();
});
