import Papa from 'papaparse';
import { readFileSync } from 'node:fs';
import { choose, expect, openCases, test } from './ubertas-page';

const CLIMATE = '/property/okonedo-residence/season/climate';

test('a climate from the simulated station is looked at, stored, undone, and moves the doses with it', async ({
  page,
}) => {
  await openCases(page, 'okonedo-residence');
  await page.goto('/property/okonedo-residence/season');
  await page.getByRole('button', { name: 'Find the best plan' }).click();
  await expect(page.getByText(/^proven .*not saved yet$/)).toBeVisible({ timeout: 60_000 });
  const datesOf = () =>
    page
      .locator('[data-dose]')
      .evaluateAll((doses) => doses.map((d) => d.getAttribute('data-dose')?.split('/')[1] ?? ''));
  const before = await datesOf();
  await page.getByRole('link', { name: 'Climate', exact: true }).click();
  await expect(page.getByText('192 days without frost', { exact: false })).toBeVisible();

  await page.getByText('Station', { exact: true }).click();
  await page.getByRole('button', { name: 'Fetch its days' }).click();
  await expect(page.getByText('Choose a station first.')).toBeVisible();
  await choose(page, 'Weather station', 'Prairie north (simulated), 46.2° N');
  await choose(page, 'Years', '10 years');
  await page.getByRole('button', { name: 'Fetch its days' }).click();
  await expect(page.getByText('Looked at, not stored.')).toBeVisible();
  // only looked at: the reasons are the new climate's, the property is as it was
  await expect(page.getByRole('row', { name: /Frozen ground/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('192 days without frost', { exact: false })).toBeVisible();

  await page.getByRole('button', { name: 'Fetch its days' }).click();
  await page.getByRole('button', { name: 'Save climate' }).click();
  await expect(page.getByText('The climate is changed and the doses moved with it.')).toBeVisible();
  await expect(page.getByText(/Prairie north \(simulated\), 3,652 days/)).toBeVisible();
  await page.getByRole('link', { name: 'Back to the board' }).click();
  await expect(page.locator('[data-dose]')).toHaveCount(before.length);
  const after = await datesOf();
  // later in spring, earlier in fall: both ends squeezed
  expect(after[0]! > before[0]!).toBe(true);
  expect(after.at(-1)! < before.at(-1)!).toBe(true);
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect.poll(datesOf).toEqual(before);
  // an undo on another page is still the climate's own
  await page.goto(CLIMATE);
  await expect(page.getByText('192 days without frost', { exact: false })).toBeVisible();
});

test('a pasted table is read, a bad one answered in a sentence with nothing lost, and normals are saved and read back', async ({
  page,
}) => {
  await openCases(page, 'okonedo-residence');
  await page.goto(CLIMATE);
  await page.getByText('Table', { exact: true }).click();
  const table = page.getByRole('textbox', { name: /^Table/ });
  await table.fill('month,high F,low F\nJan,20,30');
  await page.getByRole('button', { name: 'Read the table' }).click();
  await expect(page.getByText('Line 2: the low is above the high. Check both columns.')).toBeVisible();
  await expect(table).toHaveValue('month,high F,low F\nJan,20,30');
  const months = Array.from({ length: 12 }, (_, m) => `${m + 1};${5 + m};${-5 + m};50.8`);
  await table.fill(`month;high °C;low °C;rain mm\n${months.join('\n')}`);
  await page.getByRole('button', { name: 'Read the table' }).click();
  await page.getByRole('button', { name: 'Save climate' }).click();
  // said once it is stored, so that a reload loses nothing
  await expect(page.getByText('The climate is changed.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('a pasted table: a table of twelve months', { exact: false }).first()).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  const rows = Papa.parse<string[]>(readFileSync(await file.path(), 'utf8'), { skipEmptyLines: true }).data;
  expect(rows).toHaveLength(13);
  expect(Number(rows[1]?.[1])).toBeCloseTo(41, 9);
  expect(Number(rows[1]?.[3])).toBeCloseTo(2, 9);
});

test('days are walked by keys, and the ribbon takes a curve along from stage to stage', async ({ page }) => {
  await openCases(page, 'okonedo-residence');
  await page.goto(CLIMATE);
  const days = page.getByRole('slider', { name: 'Day of the year' });
  await days.focus();
  await page.keyboard.press('Home');
  await expect(days).toHaveAttribute('aria-valuetext', /^1 Jan: air high 40, low 25 °F/);
  await page.keyboard.press('PageDown');
  await page.keyboard.press('ArrowRight');
  await expect(days).toHaveAttribute('aria-valuenow', '30');
  await choose(page, 'Curve over the growth', 'with daylight');
  await expect(page.getByText(/^Daylight, 9\.\d to 14\.\d hours$/)).toBeVisible();
  await page.getByRole('link', { name: /Prescribe/ }).click();
  await expect(page.getByText(/^Daylight, 9\.\d to 14\.\d hours$/)).toBeVisible();
});

test('a programme of a warmer place is carried here by its highs, laid on the board and taken back', async ({
  page,
}) => {
  await openCases(page, 'okonedo-residence', 'thornbury-chapel-green');
  await page.goto('/property/okonedo-residence/season');
  await page.getByRole('link', { name: 'Move a programme here' }).click();
  await choose(page, 'From the property', 'Thornbury Chapel Green');
  await expect(page.getByText(/another grass grows by another curve/)).toBeVisible();
  const rows = page.getByRole('row').filter({ hasText: '°F' });
  const count = await rows.count();
  expect(count).toBeGreaterThan(1);
  await page.getByRole('button', { name: 'Move to Front lawn' }).click();
  await expect(page.getByText(/doses lie on Front lawn/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Season 2027' })).toBeVisible();
  await expect(page.locator('[data-dose]')).toHaveCount(count);
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect(page.getByText('a first draft by the plain rule')).toBeVisible();
});

test('the simulated weather service answers like an ordinary one, and refuses in words', async ({ request }) => {
  const stations = (await (await request.get('/simulated-weather')).json()) as { stations: { id: string }[] };
  expect(stations.stations.length).toBeGreaterThan(5);
  const days = (await (
    await request.get('/simulated-weather?station=lakeshore&from=2026-02-27&to=2026-03-02')
  ).json()) as { units: { highF: string }; daily: { date: string[]; rainIn: number[] } };
  expect(days.daily.date).toEqual(['2026-02-27', '2026-02-28', '2026-03-01', '2026-03-02']);
  expect(days.daily.rainIn).toHaveLength(4);
  expect(days.units.highF).toBe('deg F');
  const refused = await request.get('/simulated-weather?station=lakeshore&from=2026-03-02&to=2026-02-27');
  expect(refused.status()).toBe(400);
  expect(await refused.json()).toMatchObject({ refused: 'The last day lies before the first.' });
});

test('a property takes the climate of a place that is typed, or of what lies between two, and no number of climate is typed', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByText('Nothing here yet')).toBeVisible();
  await page.keyboard.press('n');
  const place = page.getByRole('combobox', { name: /^Place/ });
  await page.getByLabel('Name', { exact: true }).fill('Alder Row');
  await page.getByRole('button', { name: 'Create and measure' }).click();
  await expect(page.getByText('Type where the lawn is and choose a place, or type your own normals.')).toBeVisible();
  await place.fill('atlantis');
  await expect(page.getByText('Nothing is called that.')).toBeVisible();
  await place.fill('95, 10');
  await expect(page.getByText(/is beyond the pole/)).toBeVisible();
  await place.fill('portland, or');
  await expect(page.getByRole('option')).toHaveCount(1);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Create and measure' }).click();
  await expect(page.getByRole('application')).toBeVisible();
  await page.goto(page.url().replace(/ground.*/, 'season/climate'));
  await expect(
    page.getByText('Portland, OR, from memory, rounded: replace with your station', { exact: false }),
  ).toBeVisible();
  // between two places, by a position with its height
  await place.fill('39.2, -92.5, 700 ft');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Looked at, not stored.')).toBeVisible();
  await expect(page.getByText(/miles away, \d+ ft lower; \d+ miles away.*Normals of 84 places/)).toBeVisible();
  await page.getByRole('button', { name: 'Save climate' }).click();
  await expect(page.getByText(/^\d+ % .*, \d+ % .*, from memory, rounded/)).toBeVisible();
});
