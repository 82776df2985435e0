import { expect, openCases, test } from './ubertas-page';

const PROPERTIES = [
  'quarry-lane-school',
  'mill-race-cottages',
  'thornbury-chapel-green',
  'fenwick-allotment-paths',
] as const;

test('what is printed adds up: rate × area is the weigh-out, doses are the year, bags cover the need', async ({
  page,
}) => {
  await openCases(page, ...PROPERTIES);
  for (const property of PROPERTIES) {
    await page.goto(`/property/${property}/season`);
    const table = page.getByRole('table', { name: /What goes down on/ });
    await expect(table).toBeVisible();
    const area = Number(
      (await page.locator('.lane.focus .nm').innerText()).match(/([\d,]+) sq ft/)![1]!.replaceAll(',', ''),
    );
    let nitrogen = 0;
    for (const row of await table.locator('tbody tr').all()) {
      const cells = await row.locator('td').allInnerTexts();
      const [rate, zone] = [Number(cells[2]), Number(cells[3])];
      // printed to 2 decimals under 10 and 1 above, weigh-outs to 1
      const slack = ((rate < 10 ? 0.005 : 0.05) * area) / 1000 + 0.0501;
      expect(Math.abs((rate * area) / 1000 - zone), cells.join(' | ')).toBeLessThanOrEqual(slack);
      nitrogen += Number(cells[4]!.match(/([\d.]+) lb N(?:,|$)/)?.[1] ?? 0);
    }
    const asked = Number((await page.locator('.lane.focus .nm').innerText()).match(/([\d.]+) lb N/)![1]);
    expect(Math.abs(nitrogen - asked), property).toBeLessThanOrEqual(0.03);
    const buying = page.getByRole('region', { name: 'To buy, all zones' });
    let cost = 0;
    for (const item of await buying.locator('li').all()) {
      const words = await item.innerText();
      const [needed, bag, left] = words
        .match(/([\d.]+) lb product needed,.*?bags of ([\d.]+) lb product, ([\d.]+) lb product left/s)!
        .slice(1)
        .map(Number) as [number, number, number];
      const stock = Number(words.match(/([\d.]+) lb product on hand/)?.[1] ?? 0);
      // what comes from stock is no bag and costs nothing
      const bags = words.includes('from stock') ? 0 : Number(words.match(/(\d+) bags?/)![1]);
      expect(Math.abs(stock + bags * bag - needed - left), words).toBeLessThanOrEqual(0.11);
      expect(left).toBeLessThan(bag + stock);
      if (bags > 0) expect(stock, 'stock goes first').toBeLessThan(needed);
      if (bags > 0) cost += Number(words.match(/\$([\d.,]+)/)![1]!.replaceAll(',', ''));
    }
    await expect(buying.locator('.sum')).toContainText(`$${cost.toFixed(2)}`);
  }
});

test('high phosphorus never gets P2O5, and limy soil gets neither lime nor sulfur', async ({ page }) => {
  await openCases(page, 'mill-race-cottages', 'thornbury-chapel-green');
  await page.goto('/property/mill-race-cottages/prescribe');
  await expect(page.getByRole('region', { name: 'Phosphorus' })).toContainText('none');
  await page.goto('/property/mill-race-cottages/season');
  await expect(page.getByRole('region', { name: 'Checks' })).toContainText('none planned');
  await page.goto('/property/thornbury-chapel-green/prescribe');
  await expect(page.getByRole('region', { name: 'pH first' })).toContainText('leave');
  await expect(page.getByRole('region', { name: 'pH first' })).toContainText('free lime');
});

test('no page prints a pound of nothing', async ({ page }) => {
  await openCases(page, 'quarry-lane-school', 'fenwick-allotment-paths');
  for (const path of [
    '/',
    '/shelf',
    ...['read', 'prescribe', 'prescribe/match', 'prescribe/bag', 'prescribe?view=all', 'season'].flatMap((s) => [
      `/property/quarry-lane-school/${s}`,
      `/property/fenwick-allotment-paths/${s}`,
    ]),
  ]) {
    await page.goto(path);
    await expect(page.locator('h1')).toBeVisible();
    const words = (await page.locator('main').innerText()).replace(/\s+/g, ' ');
    const bare = [
      ...words.matchAll(
        /\d lb(?!\/gal)(?! (N|P ?2|K ?2|K\b|S\b|Cl\b|Mg|Ca|lime|product|CaCO|soil|soluble|free|a year|coated|plain|calcitic|sulfate|sulfur|ammonium|mono|muriate|lawn|dolomitic|complete|potash))\S* \S*/gi,
      ),
    ].map((m) => m[0]);
    expect(bare, path).toEqual([]);
  }
});
