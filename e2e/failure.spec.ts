import { choose, expect, newProperty, openCases, test } from './ubertas-page';

test('a full database is said beside the button, and nothing typed is lost', async ({ page }) => {
  await newProperty(page, 'Full green');
  await page.getByLabel('Zone name').fill('Front lawn');
  await page.getByLabel(/^Length/).fill('50');
  await page.getByLabel(/^Width/).fill('40');
  await choose(page, 'Grass', 'tall fescue');
  await choose(page, 'Soil texture', 'loam');
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put;
    (window as unknown as { letWrite: () => void }).letWrite = () => (IDBObjectStore.prototype.put = put);
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
  });
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText('The browser’s storage is full.')).toBeVisible();
  await expect(page.getByLabel('Zone name')).toHaveValue('Front lawn');
  await expect(page.getByLabel(/^Length/)).toHaveValue('50');
  await page.evaluate(() => (window as unknown as { letWrite: () => void }).letWrite());
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText('Front lawn is saved.')).toBeVisible();

  await page.goto(page.url().replace('/ground', '/read'));
  await page.getByLabel('Soil pH').fill('6.1');
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
  });
  await page.getByRole('button', { name: 'Save report' }).click();
  await expect(page.getByText('The browser’s storage is full.').first()).toBeVisible();
  await expect(page.getByLabel('Soil pH')).toHaveValue('6.1');
});

test('a blocked database is said in words', async ({ browser }) => {
  // a page of its own: the fault itself is told to the console
  const page = await browser.newPage();
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('blocked', 'SecurityError');
    };
  });
  await page.goto('/');
  await expect(page.getByText('The browser does not let Ubertas keep data here')).toBeVisible();
  await page.close();
});

test('a second tab with a newer version of the database is said in words', async ({ page, context }) => {
  await openCases(page, 'okonedo-residence');
  const newer = await context.newPage();
  await newer.goto('/demo-cases');
  await newer.evaluate(
    () =>
      new Promise<void>((done) => {
        const opening = indexedDB.open('ubertas', 900);
        opening.onupgradeneeded = () => opening.result.createObjectStore('ofTheFuture');
        opening.onsuccess = () => {
          opening.result.close();
          done();
        };
      }),
  );
  await newer.close();
  await page.getByRole('link', { name: 'Okonedo residence' }).click();
  await expect(page.getByText(/newer Ubertas/)).toBeVisible();
});

test('a reload in the middle of an import stores nothing and says so', async ({ page }) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/reports#property=quarry-lane-school');
  await page
    .getByLabel('Report file')
    .setInputFiles({ name: 'lab.csv', mimeType: 'text/csv', buffer: Buffer.from('Sample,pH\nSouth lawn,6.1\n') });
  await expect(page.getByRole('heading', { name: 'The reading' })).toBeVisible();
  page.on('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await expect(page.getByText('Nothing of it was stored: choose it once more.')).toBeVisible();
});

test('a hostile file is refused without a hang', async ({ page }) => {
  await openCases(page, 'okonedo-residence');
  const choosing = page.getByLabel('Case file or backup');
  const give = (text: string) =>
    choosing.setInputFiles({ name: 'hostile.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await give('['.repeat(3_000_000));
  await expect(page.locator('.fault')).toContainText('nests deeper');
  await give(
    '{"format":"ubertas-case","version":1,"__proto__":{"polluted":1},"property":{"id":"x","name":"x"},"zones":[]}',
  );
  await expect(page.locator('.fault')).toContainText('__proto__');
  await give('{"format":"ubertas-case","version":1,"property":{"id":"x","name":"x","latitudeDeg":1e999},"zones":[]}');
  await expect(page.locator('.fault')).toContainText('Latitude');
  expect(await page.evaluate(() => ({}) as { polluted?: number })).toEqual({});
  await page.goto('/reports');
  await page
    .getByLabel('Report file')
    .setInputFiles({ name: 'huge.csv', mimeType: 'text/csv', buffer: Buffer.from('') });
  await expect(page.locator('.fault')).toContainText('is empty');
  await page.evaluate(() => {
    const input = document.querySelector('input[type=file]') as HTMLInputElement;
    const files = new DataTransfer();
    files.items.add(new File([new Uint8Array(200_000_000)], 'huge.csv', { type: 'text/csv' }));
    input.files = files.files;
    input.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await expect(page.locator('.fault')).toContainText('200 MB');
});

test('a plan that could not be saved is never said to be, and one click saves it', async ({ page }) => {
  await openCases(page, 'okonedo-residence');
  await page.goto('/property/okonedo-residence/season');
  const save = page.getByRole('button', { name: 'Save plan' });
  await expect(save).toBeEnabled();
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put;
    (window as unknown as { letWrite: () => void }).letWrite = () => (IDBObjectStore.prototype.put = put);
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
  });
  await save.click();
  const again = page.getByRole('button', { name: 'Try again' });
  await expect(again).toBeVisible();
  await expect(page.getByText('The plan for 2027 is saved.')).toBeHidden();
  await page.evaluate(() => (window as unknown as { letWrite: () => void }).letWrite());
  await again.click();
  await expect(page.getByText('The plan for 2027 is saved.')).toBeVisible();
  await page.reload();
  await expect(page.getByText(/saved \d/)).toBeVisible();
});
