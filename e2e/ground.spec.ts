import { readFileSync } from 'node:fs';
import { choose, expect, newProperty, openCases, sheetPoints, test } from './ubertas-page';

const fed = (area: string) => new RegExp(`^${area}, .*to feed, show workings$`);

test('shapes of every kind come to their known areas, by mouse and by tape', async ({ page }) => {
  await newProperty(page, 'Shapes green');
  const at = await sheetPoints(page);
  const click = async (east: number, south: number) => {
    const { x, y } = at(east, south);
    await page.mouse.click(x, y);
  };
  // a rectangle by its corners: 80 by 50
  await page.keyboard.press('r');
  await click(20, 20);
  await click(100, 70);
  await expect(page.getByRole('button', { name: fed('4,000') }).first()).toBeVisible();
  await expect(page.getByLabel(/^Length/)).toHaveValue('80');
  // the tape says a little more
  await page.getByLabel(/^Length/).fill('84');
  await expect(page.getByRole('button', { name: fed('4,200') }).first()).toBeVisible();
  // a round bed of 20 ft across is cut out: 4,200 less 314
  await page.getByRole('heading', { name: 'Measuring the ground' }).click();
  await page.keyboard.press('x');
  await page.keyboard.press('c');
  await click(50, 45);
  await click(60, 45);
  await expect(page.getByRole('button', { name: fed('3,886') }).first()).toBeVisible();
  await expect(page.getByText('1 cut out, 314 sq ft')).toBeVisible();
  // undone and redone
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: fed('4,200') }).first()).toBeVisible();
  await page.keyboard.press('Control+y');
  await expect(page.getByRole('button', { name: fed('3,886') }).first()).toBeVisible();
  // three tape lengths, an ellipse, offsets
  await choose(page, 'How it is measured', 'Three sides');
  for (const [side, feet] of [
    ['Side a', '60'],
    ['Side b', '80'],
    ['Side c', '100'],
  ] as const)
    await page.getByLabel(new RegExp(`^${side}`)).fill(feet);
  await expect(page.getByRole('button', { name: /^2,400, .*inside the outline/ })).toBeVisible();
  await page.getByLabel(/^Side c/).fill('200');
  await expect(page.getByRole('alert').first()).toContainText('reach');
  await choose(page, 'How it is measured', 'Offsets');
  await page.getByLabel('Spacing along the base line').fill('25');
  await page.getByLabel('Distances across, in order').fill('18 21 24 23 16');
  await expect(page.getByRole('button', { name: /^2,150, .*inside the outline/ })).toBeVisible();
});

test('a side takes an exact length, a strip beside water is kept clear, ground claimed twice is settled', async ({
  page,
}) => {
  await newProperty(page, 'Brook green');
  const at = await sheetPoints(page);
  const click = async (east: number, south: number) => {
    const { x, y } = at(east, south);
    await page.mouse.click(x, y);
  };
  await page.keyboard.press('o');
  for (const [east, south] of [
    [20, 20],
    [120, 20],
    [120, 100],
    [20, 100],
    [20, 20],
  ] as const)
    await click(east, south);
  await expect(page.getByRole('button', { name: fed('8,000') }).first()).toBeVisible();
  await page.getByText('Corners as a table').click();
  await page.getByRole('button', { name: 'Type the length of side a to b' }).click();
  const slip = page.getByRole('dialog', { name: 'Length of side a to b' });
  await slip.getByLabel('Length, ft').fill('110');
  await expect(slip).toContainText('8,400');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: fed('8,400') }).first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await page.getByLabel('Zone name').fill('Brook lawn');
  await choose(page, 'Grass', 'tall fescue');
  await choose(page, 'Soil texture', 'loam');
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText('Brook lawn is saved.')).toBeVisible();

  // water along the lower edge: 10 ft beside it are not fed, 100 by 10
  await page.getByRole('button', { name: 'Keep clear', exact: true }).click();
  const set = async (...points: string[]) => {
    for (const point of points) {
      await page.getByLabel('Next point').fill(point);
      await page.getByLabel('Next point').press('Enter');
    }
  };
  await set('0, 100', '200, 100', '200, 110', '0, 110', '0, 100');
  await expect(page.getByText('The water and its strip are on the sheet.')).toBeVisible();
  await expect(page.getByRole('button', { name: fed('7,000') }).first()).toBeVisible();

  // a second zone over the first: 20 by 60 ft claimed twice
  await page.getByRole('button', { name: 'Add a zone' }).click();
  await expect(page.getByRole('heading', { name: 'New zone' })).toBeVisible();
  await page.keyboard.press('r');
  await set('100, 30', '160, 90');
  await expect(page.getByText('1,200 sq ft claimed twice')).toBeVisible();
  await page.getByRole('button', { name: 'Give to Brook lawn' }).click();
  await expect(page.getByText('claimed twice')).toBeHidden();
  await expect(page.getByRole('button', { name: /^2,400, .*inside the outline/ })).toBeVisible();
});

test('corners by keyboard: typed places, lengths and bearings, walking inside', async ({ page }) => {
  await newProperty(page, 'Keys green');
  await page.keyboard.press('o');
  const next = page.getByLabel('Next point');
  for (const corner of ['20, 20', '90 ft @ 90°', '40 @ 180']) {
    await next.fill(corner);
    await next.press('Enter');
  }
  await next.fill('somewhere');
  await next.press('Enter');
  await expect(page.getByText('Type “166, 88”')).toBeVisible();
  await page.getByRole('button', { name: 'Close outline' }).click();
  await expect(page.getByRole('button', { name: fed('1,800') }).first()).toBeVisible();
  // with Select: inside by Enter, to the next corner with Tab twice, ten feet down
  await page.getByRole('button', { name: 'Select', exact: true }).click();
  await page.getByRole('application').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('corner a, 20 east, 20 south')).toBeAttached();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Tab');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(page.getByText('corner c, 110 east, 70 south')).toBeAttached();
  await expect(page.getByRole('button', { name: fed('2,250') }).first()).toBeVisible();
  await page.keyboard.press('Escape');
});

test('a walked track and a zones file come in with their area, and go out as GeoJSON', async ({ page }) => {
  await newProperty(page, 'Walked green');
  // 0.0003 by 0.0002 degrees at 38.6 north is 85.7 by 72.9 ft on the ellipsoid, 6,245 sq ft
  const [lon, lat] = [-77.2, 38.6];
  const corners = [
    [lon, lat],
    [lon + 0.0003, lat],
    [lon + 0.0003, lat - 0.0002],
    [lon, lat - 0.0002],
    [lon, lat],
  ];
  const gpx = `<gpx version="1.1" creator="t" xmlns="http://www.topografix.com/GPX/1/1"><trk><name>Front walk</name><trkseg>${corners
    .map(([x, y]) => `<trkpt lat="${y}" lon="${x}"/>`)
    .join('')}</trkseg></trk></gpx>`;
  await page.keyboard.press('g');
  const track = page.getByLabel('Walked track file');
  await track.setInputFiles({ name: 'broken.gpx', mimeType: 'application/gpx+xml', buffer: Buffer.from('<gpx>') });
  await expect(page.getByRole('alert')).toContainText('not readable as GPX');
  await track.setInputFiles({ name: 'walk.gpx', mimeType: 'application/gpx+xml', buffer: Buffer.from(gpx) });
  const row = page.getByRole('row', { name: /Front walk/ });
  await expect(row).toContainText('6,245');
  await row.getByRole('button', { name: 'Use for the new zone' }).click();
  await expect(page.getByRole('button', { name: fed('6,245') }).first()).toBeVisible();
  await choose(page, 'Grass', 'bermudagrass');
  await choose(page, 'Soil texture', 'sandy loam');
  await page.getByRole('button', { name: 'Save zone' }).click();
  await expect(page.getByText('Front walk is saved.')).toBeVisible();
  await expect(page.getByRole('row', { name: /Front walk/ })).toContainText('± 563');

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export zones as GeoJSON' }).click(),
  ]);
  const path = await download.path();
  const saved = JSON.parse(readFileSync(path, 'utf8')) as { features: { geometry: { coordinates: number[][][] } }[] };
  const east = saved.features[0]?.geometry.coordinates[0]?.map((c) => c[0] as number) ?? [];
  expect(Math.max(...east)).toBeCloseTo(lon + 0.0003, 7);

  await page.getByRole('heading', { name: 'Measuring the ground' }).click();
  await page.keyboard.press('j');
  await page.getByLabel('Zones file', { exact: true }).setInputFiles(path);
  await page.getByRole('button', { name: 'Add 1 zone' }).click();
  await expect(page.getByText('1 zone added: Front walk.')).toBeVisible();
  await expect(page.getByText('claimed twice').first()).toBeAttached();
});

test('a hand test names the soil, and never overwrites a laboratory', async ({ page }) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/property/quarry-lane-school/ground');
  await page.getByRole('button', { name: /Hand test/ }).click();
  await expect(page.getByRole('heading', { name: 'Soil by hand' })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByText('question 3 of 3')).toBeVisible();
  await page.keyboard.press('Backspace');
  await expect(page.getByText('question 2 of 3')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.getByText('by hand, 5 Apr 2027: sandy clay loam')).toBeVisible();
  await expect(page.getByLabel(/^Sand/)).toHaveValue('22');
  await expect(page.locator('.soil .ant-select').first()).toContainText('silt loam');
});

test('a corner is dragged, a side takes a new corner, a plan lies behind the sheet', async ({ page }) => {
  await newProperty(page, 'Drag green');
  const drag = async (from: [number, number], to: [number, number]) => {
    // typing below the sheet scrolled the page
    await page.evaluate(() => scrollTo(0, 0));
    const at = await sheetPoints(page);
    const [a, b] = [at(...from), at(...to)];
    await page.mouse.move(a.x, a.y);
    await page.mouse.down();
    await page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 4 });
    await page.mouse.move(b.x, b.y, { steps: 4 });
    await page.mouse.up();
  };
  await page.keyboard.press('o');
  for (const corner of ['20, 20', '120, 20', '120, 100', '20, 100']) {
    await page.getByLabel('Next point').fill(corner);
    await page.getByLabel('Next point').press('Enter');
  }
  await page.getByRole('button', { name: 'Close outline' }).click();
  await page.getByRole('button', { name: 'Select', exact: true }).click();
  await expect(page.getByRole('button', { name: fed('8,000') }).first()).toBeVisible();
  // corner b 20 ft to the east: half of 20 by 80 more
  await drag([120, 20], [140, 20]);
  await expect(page.getByRole('button', { name: fed('8,800') }).first()).toBeVisible();
  // the middle of side d to a, 20 ft to the west: a triangle of 80 by 20 more
  await drag([20, 60], [0, 60]);
  await expect(page.getByRole('button', { name: fed('9,600') }).first()).toBeVisible();
  // the whole zone is carried by its inside, and keeps its area
  await drag([70, 60], [100, 90]);
  await page.getByText('Corners as a table').click();
  await expect(page.getByLabel('Corner a, east, ft')).toHaveValue('50');
  await expect(page.getByRole('button', { name: fed('9,600') }).first()).toBeVisible();

  await page.getByRole('button', { name: 'Plan picture' }).click();
  await page.getByLabel('Plan picture file').setInputFiles('docs/screenshots/home.png');
  await expect(page.getByAltText('The plan; click two points')).toBeVisible();
  await page.getByRole('button', { name: 'Save picture' }).click();
  await expect(page.getByText('Mark two points on the picture')).toBeVisible();
  for (const [label, value] of [
    ['Point 1 from the left', '100'],
    ['Point 1 from the top', '50'],
    ['Point 2 from the left', '300'],
    ['Point 2 from the top', '50'],
    ['Distance between them', '50'],
  ] as const)
    await page.getByLabel(label).fill(value);
  await page.getByRole('button', { name: 'Save picture' }).click();
  await expect(page.getByText('The plan lies behind the sheet.')).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export property' }).click(),
  ]);
  const saved = JSON.parse(readFileSync(await download.path(), 'utf8')) as {
    property: { site: { picture: { ftPerPx: number; dataUrl: string } } };
  };
  // 50 ft over 200 px
  expect(saved.property.site.picture.ftPerPx).toBeCloseTo(0.25, 12);
  expect(saved.property.site.picture.dataUrl.startsWith('data:image/jpeg;base64,')).toBe(true);
});
