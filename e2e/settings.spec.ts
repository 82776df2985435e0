import { choose, expect, openCases, test } from './ubertas-page';

test('a code is copied, typed, put on a property and fails its kept plan; the fix mends it, and the overdue review is shown', async ({
  page,
}) => {
  await openCases(page, 'okonedo-residence');
  await page.goto('/property/okonedo-residence/season');
  await page.getByRole('button', { name: 'Save plan' }).click();
  await expect(page.getByText(/saved/i).first()).toBeVisible();
  await page.goto('/settings/codes');
  await page.getByRole('button', { name: 'Maryland, licensed', exact: true }).click();
  const shipped = page.getByRole('region', { name: 'Maryland, licensed' });
  await expect(shipped.getByText('as shipped, to read')).toBeVisible();
  await page.getByRole('button', { name: 'Copy as own' }).click();
  await page.getByLabel('Name of the code').fill('Alderbeck borough');
  // half a date paints nothing and says so; a date that is none is refused at its field, and nothing typed is lost
  const from = page.getByLabel('Closed from, 1', { exact: true });
  await from.fill('Nov');
  await expect(page.getByText('From: the day is missing. Write a day such as 15 Nov.').first()).toBeVisible();
  await from.fill('02-30');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('From: "02-30" is no day of the year. Write it like 15 Nov.').first()).toBeVisible();
  await expect(from).toHaveValue('02-30');
  await from.fill('15 Nov');
  await page.getByLabel('Closed to, 1', { exact: true }).fill('1 Mar');
  await expect(page.getByText('17 d longer')).toBeVisible();
  await page.getByLabel('Checked on').fill('2025-11-01');
  await page.getByLabel('Checked by').fill('RA');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The code is saved.')).toBeVisible();
  await choose(page, 'Put it on a property', 'Okonedo residence');
  const margin = page.getByRole('complementary', { name: 'What it changes' });
  await expect(margin.getByText('1 of 1 property')).toBeVisible();
  await expect(margin.getByRole('link', { name: 'Okonedo Residence' })).toBeVisible();
  // the year as the plan feeds it, capped below: a check of the kept plan fails while it is typed
  await page.getByLabel('Most N a year, lb N per 1000').fill('1');
  await expect(margin.getByText(/check fails|checks fail|doses? fails?/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/lines differ; saved$/)).toBeVisible();

  await page.goto('/property/okonedo-residence/season');
  await expect(
    page.getByText(/^Alderbeck borough: Checked \d+ months ago: due again since 1 Nov 2026\.$/),
  ).toBeVisible();
  await expect(page.getByText(/of 1\.00 lb N/).first()).toBeVisible();
  // taken off on Ground, and back by undo
  await page.goto('/property/okonedo-residence/ground');
  const codes = page.locator('.codeschoice');
  await expect(codes.getByText('Alderbeck borough')).toBeVisible();
  await codes.getByRole('combobox').press('Backspace');
  await expect(page.getByText('The local codes are changed.')).toBeVisible();
  await expect(codes.getByText('none chosen')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(codes.getByText('Alderbeck borough')).toBeVisible();

  // out to a file and in again: the same, so nothing to save
  await page.goto('/settings/codes');
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export' }).click(),
  ]);
  const path = await saved.path();
  await page.getByRole('button', { name: 'Import' }).click();
  await page.getByLabel('Local codes file').setInputFiles({
    name: 'codes.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"kind":"local-codes","codes":[{"id":"x","setbackFt":"ten"}]}'),
  });
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText(/setback|name|version|source/i);
  await page.getByLabel('Local codes file').setInputFiles(path);
  await expect(page.getByText('here already, the same')).toBeVisible();
});

const PACK = {
  kind: 'sufficiency',
  pack: 'valley-laboratory',
  version: '3',
  source: { cite: 'Valley laboratory, turf table', standing: 'published' },
  ranges: [{ analyte: 'K', method: 'mehlich-3', low: 8, enough: 16, high: 24 }],
};
const packFile = (pack: object) => ({
  name: 'valley.json',
  mimeType: 'application/json',
  buffer: Buffer.from(JSON.stringify(pack)),
});

test('a pack with a bad row is refused with its field and nothing lost; a good one shows what it changes, lies over, is switched off', async ({
  page,
}) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/settings');
  const picker = page.getByLabel('Rule pack', { exact: true });
  await picker.setInputFiles(packFile({ ...PACK, ranges: [{ ...PACK.ranges[0], enough: 'much' }] }));
  await expect(
    page.getByText(/Enough starts must be a plain number.*\(at ranges\[0\]\.enough\) Nothing was changed\./),
  ).toBeVisible();
  await picker.setInputFiles(packFile(PACK));
  const dialog = page.getByRole('dialog');
  await expect(
    dialog.getByText('enough from, ppm: 37 → 16').or(dialog.getByText(/enough from, ppm: .* → 16/)),
  ).toBeVisible();
  await expect(dialog.getByText(/\d+ verdicts? changes? in 1 property/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Lay it over' }).click();
  await expect(page.getByText('valley-laboratory is laid over what ships.')).toBeVisible();
  await page.goto('/property/quarry-lane-school/read');
  await expect(page.getByText(/valley-laboratory 3/).first()).toBeVisible();
  await page.goto('/settings');
  await page.getByRole('switch', { name: 'valley-laboratory holds' }).click();
  await expect(page.getByText('valley-laboratory is switched off.')).toBeVisible();
  await page.goto('/property/quarry-lane-school/read');
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  await expect(page.getByText(/valley-laboratory 3/)).toHaveCount(0);

  // one's own rows of a shipped table
  await page.goto('/settings/tables#kind=grasses');
  const ceiling = page.getByLabel('tall fescue, Ceiling, lb N a year');
  await ceiling.fill('1');
  await expect(page.getByText(/must rise/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
  await ceiling.fill('4.5');
  await page.getByLabel('Where your numbers come from').fill('Our trials');
  await page.keyboard.press('Control+s');
  await expect(page.getByText('Your numbers are saved, and hold.')).toBeVisible();
  await expect(page.getByText('1 own number', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'tall fescue, Ceiling: put back 5' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The table is again as it ships.')).toBeVisible();
  await expect(page.getByText('as it ships', { exact: true })).toBeVisible();
});

test('people, defaults and the backup: a license that runs out is told, a new property takes the defaults, the browser is asked to keep', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const answers = JSON.parse(sessionStorage.getItem('persist') ?? '"granted"') as string;
    const storage = {
      estimate: () => Promise.resolve({ usage: 900_000_000, quota: 1_000_000_000 }),
      persisted: () => Promise.resolve(false),
      ...(answers === 'absent' ? {} : { persist: () => Promise.resolve(answers === 'granted') }),
    };
    Object.defineProperty(navigator, 'storage', { value: storage, configurable: true });
  });
  await openCases(page, 'okonedo-residence');
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Add a person' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('A person needs a name.').first()).toBeVisible();
  await dialog.getByLabel('Name', { exact: true }).fill('R. Amadi');
  await dialog.getByLabel('License number').fill('T-4411');
  await dialog.getByLabel('Runs out').fill('2027-04-15');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('License runs out in 10 days, on 15 Apr 2027.')).toBeVisible();

  await page.getByLabel('Most trips a year').fill('5');
  await page.getByLabel('Most trips a year').blur();
  await expect(page.getByText('The defaults are changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Apply to existing properties' }).click();
  await expect(page.getByText('most trips a year as shipped → 5')).toBeVisible();
  await page.getByRole('button', { name: 'Apply to 1' }).click();
  await expect(page.getByText('The defaults hold for 1 property now.')).toBeVisible();

  for (const [answer, says] of [
    ['granted', 'The browser keeps what is stored.'],
    ['refused', 'The browser did not promise it: it may clear data when space is short. Keep a backup.'],
    ['absent', 'This browser makes no such promise. Keep a backup.'],
  ] as const) {
    await page.evaluate((said) => sessionStorage.setItem('persist', JSON.stringify(said)), answer);
    await page.reload();
    await expect(page.getByText('900 MB used of 1 GB that the browser gives.')).toBeVisible();
    await expect(page.getByText(/Little room is left: plan pictures take most/)).toBeVisible();
    await page.getByRole('button', { name: 'Ask the browser to keep it' }).click();
    await expect(page.getByText(says)).toBeVisible();
  }
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save a backup' }).click(),
  ]);
  await expect(
    page.getByText('The last backup from this browser is of 5 Apr 2027. Nothing changed since.'),
  ).toBeVisible();
  const path = await saved.path();
  // everything goes behind a typed word, and comes back from the file: people and defaults with it
  await page.getByRole('button', { name: 'Delete everything…' }).click();
  const last = page.getByRole('dialog').getByRole('button', { name: 'Delete everything' });
  await expect(last).toBeDisabled();
  await page.getByLabel('Type delete to go on').fill('delete');
  await last.click();
  await expect(page.getByText('Nobody yet.')).toBeVisible();
  await page.goto('/');
  await expect(page.getByText('Nothing here yet.', { exact: false })).toBeVisible();
  await page.getByLabel('Case file or backup').setInputFiles(path);
  await expect(page.getByRole('heading', { name: 'Okonedo residence' })).toBeVisible();
  await page.goto('/settings');
  await expect(page.getByText('R. Amadi')).toBeVisible();
  await expect(page.getByText(/T-4411/)).toHaveCount(0);
  await expect(page.getByLabel('Most trips a year')).toHaveValue('5');
});
