import { readFileSync } from 'node:fs';
import { choose, expect, openCases, test } from './ubertas-page';

test('a broken, a foreign and a half-right file are refused, and nothing changes', async ({ page }) => {
  await openCases(page, 'okonedo-residence');
  const source = readFileSync('demo/quarry-lane-school.json', 'utf8');
  const choosing = page.getByLabel('Case file or backup');
  for (const [buffer, says] of [
    [source.slice(0, 900), 'broken or of another kind'],
    ['{"hello": "world"}', 'not a ubertas-case file'],
    ['sample;ph\n1;6,2', 'broken or of another kind'],
    ['', 'is empty'],
    [source.replace('"areaSqFt": 11200', '"areaSqFt": -5'), 'Area must be above 0'],
    [source.replace('"grass": "zoysiagrass"', '"gras": "zoysiagrass"'), 'nearest known key is "grass"'],
    [
      JSON.stringify({
        format: 'ubertas-backup',
        version: 1,
        cases: [JSON.parse(source), { format: 'ubertas-case', version: 1 }],
      }),
      'Property 2 of the backup',
    ],
  ] as const) {
    await choosing.setInputFiles({ name: 'chosen.json', mimeType: 'application/json', buffer: Buffer.from(buffer) });
    await expect(page.locator('.fault')).toContainText(says);
    await expect(page.getByText('1 property')).toBeVisible();
  }
  await choosing.setInputFiles('demo/quarry-lane-school.json');
  await expect(page.getByRole('link', { name: 'Quarry Lane School' })).toBeVisible();
  await expect(page.locator('.fault')).toBeHidden();
});

test('a wrong report says so beside each field, keeps what was typed and stores nothing', async ({ page }) => {
  await openCases(page, 'okonedo-residence');
  await page.goto('/property/okonedo-residence/read');
  await page.getByLabel('Soil pH').fill('15');
  await page.getByLabel('Buffer pH').fill('7.2');
  // a buffer is asked for, never guessed
  await page.getByRole('group', { name: 'Which buffer is it?' }).getByRole('button', { name: 'Mehlich' }).click();
  await page.getByLabel('Potassium, K').fill('12o');
  await page.getByLabel('Calcium, Ca').fill('800');
  await page.getByRole('button', { name: 'Save report' }).click();
  await expect(page.getByText('pH 15 is not a soil')).toBeVisible();
  await expect(page.getByText('A Mehlich buffer starts at pH 6.6')).toBeVisible();
  await expect(page.getByText('"12o" is not')).toBeVisible();
  await expect(page.getByText('The report’s unit is missing')).toBeVisible();
  await expect(page.getByLabel('Potassium, K')).toHaveValue('12o');
  await expect(page.getByLabel('Calcium, Ca')).toHaveValue('800');
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Typing the report' })).toBeVisible();
});

test('a negative length and a crossing outline are refused where they stand', async ({ page }) => {
  await openCases(page, 'okonedo-residence');
  await page.goto('/property/okonedo-residence/ground#add=1');
  await page.getByLabel('Zone name').fill('Back lawn');
  await page.getByLabel(/^Length/).fill('-20');
  await page.getByLabel(/^Width/).fill('3o');
  await choose(page, 'Grass', 'fine fescue');
  await choose(page, 'Soil texture', 'loam');
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText('Length must be above 0')).toBeVisible();
  await expect(page.getByText('"3o" is not')).toBeVisible();
  await expect(page.getByLabel(/^Length/)).toHaveValue('-20');

  await page.getByRole('button', { name: 'Outline', exact: true }).click();
  const sheet = page.getByRole('application');
  await sheet.focus();
  const corner = async (right: number, down: number) => {
    for (let i = 0; i < Math.abs(right); i++) await page.keyboard.press(`Shift+Arrow${right > 0 ? 'Right' : 'Left'}`);
    for (let i = 0; i < Math.abs(down); i++) await page.keyboard.press(`Shift+Arrow${down > 0 ? 'Down' : 'Up'}`);
    await page.keyboard.press('Enter');
  };
  await corner(0, 0);
  await corner(4, 4);
  await corner(0, -4);
  await corner(-4, 4);
  await page.keyboard.press('c');
  await expect(page.getByText('Side a to b crosses or touches side c to d')).toBeVisible();
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText('Not saved yet')).toBeVisible();
  await expect(page.getByText('Back lawn is saved.')).toBeHidden();
});

test('a property that is not here says where it may be', async ({ page }) => {
  await page.goto('/property/nowhere/ground');
  await expect(page.getByText('This property is not in this browser')).toBeVisible();
});
