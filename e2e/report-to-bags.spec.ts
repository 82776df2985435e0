import type { Locator, Page } from '@playwright/test';
import { expect, openCases, test } from './ubertas-page';

/** First number in a text, thousands commas and a true minus allowed. */
const numberIn = (text: string, pattern = /(−?[\d,]+(?:\.\d+)?)/): number =>
  Number((text.match(pattern)?.[1] ?? 'NaN').replaceAll(',', '').replace('−', '-'));
/** Half a unit in the last printed place. */
const slackOf = (text: string): number => 0.5 * 10 ** -(text.match(/\.(\d+)/)?.[1]?.length ?? 0) + 1e-9;
const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();

interface Priced {
  price: number;
  packageLb: number;
  onHand: number;
  face: string;
  /** Of a liquid, which is measured by the jug. */
  lbPerGal?: number;
}
/** Pounds of what is printed for a product: of a liquid in fl oz. */
const lbOf = (printed: number, { lbPerGal }: Priced): number =>
  lbPerGal === undefined ? printed : (printed / 128) * lbPerGal;

/** The shelf as it is printed: price, package, stock and grade of every bag. */
async function printedShelf(page: Page): Promise<Map<string, Priced>> {
  await page.goto('/shelf');
  await expect(page.getByRole('heading', { name: 'The shelf' })).toBeVisible();
  const shelf = new Map<string, Priced>();
  for (const row of await page.locator('li.bagrow').all()) {
    const [name, bag, price, hand, face] = await Promise.all([
      row.locator('.open').innerText(),
      row.locator('.named span').innerText(),
      row.locator('.price').innerText(),
      row.locator('.hand b').innerText(),
      row.getByRole('img').first().getAttribute('aria-label'),
    ]);
    const gallons = bag.match(/jug of ([\d.]+) gal, ([\d.]+) lb\/gal/);
    shelf.set(name, {
      price: numberIn(price, /\$([\d.,]+) a (?:bag|jug)/),
      packageLb: gallons ? Number(gallons[1]) * Number(gallons[2]) : numberIn(bag, /bag ([\d.]+) lb/),
      onHand: hand === 'none' ? 0 : Number(hand),
      face: face ?? '',
      ...(gallons ? { lbPerGal: Number(gallons[2]) } : {}),
    });
  }
  return shelf;
}

const line = (page: Page, name: string): Locator => page.getByRole('region', { name, exact: true });

/** A line of the prescription from its printed words: rate per 1000, zone total, and the doses that split it. */
async function readLine(page: Page, name: string) {
  const region = line(page, name);
  const figure = oneLine(await region.locator('.fig').innerText());
  const here = figure.match(/([\d,.]+) lb [A-Za-z0-9 ]+? here/)?.[1];
  const doses = await region.locator('.when .doses li b').allInnerTexts();
  return {
    words: figure,
    rate: /^(none|leave|—|foliar)/.test(figure) ? 0 : numberIn(figure),
    rateText: figure.match(/^[\d,.]+/)?.[0] ?? '0',
    here: here === undefined ? undefined : Number(here.replaceAll(',', '')),
    doses: doses.map((dose) => numberIn(dose)),
  };
}

const areaOf = async (page: Page): Promise<number> =>
  numberIn(await page.locator('.rxmargin p.small').first().innerText(), /per 1000 of ([\d,]+) sq ft/);

/** The walk adds up: base and terms to the year, digit for digit. */
async function checkWalk(page: Page): Promise<number> {
  let sum = 0;
  const rows = await page.locator('.walk > li:not(.axis):not(.limits):not(.year):not(.mine):not(.off)').all();
  for (const row of rows) sum += numberIn((await row.locator('.size').innerText()).replace('+', ''));
  const year = numberIn(await page.locator('.walk .year .size').innerText());
  expect(Math.abs(sum - year), 'the walk adds up').toBeLessThan(1e-6);
  return year;
}

interface Walk {
  property: string;
  zone: string;
  read: RegExp;
  /** What pH orders, in its own line. */
  ph: RegExp;
  /** Nutrients that get none, whatever the bag. */
  none: readonly string[];
  /** A product refused on the Match page, and the reason. */
  refused: readonly [string, RegExp];
}

const ZONES: readonly Walk[] = [
  {
    property: 'quarry-lane-school',
    zone: 'South lawn',
    read: /pH 5\.6 is 0\.4 below the tall fescue window/,
    ph: /lb lime/,
    none: ['Phosphorus', 'Magnesium'],
    refused: ['Complete grade, four to one to two', /Brings [\d.]+ lb P2O5 per 1000\. Phosphorus tests high/],
  },
  {
    property: 'thornbury-chapel-green',
    zone: 'Chapel green',
    read: /pH 8/,
    ph: /^leave/,
    none: ['Potassium'],
    refused: ['Lawn food with weed killer', /pesticide/],
  },
  {
    property: 'mill-race-cottages',
    zone: 'Race bank',
    read: /Phosphorus, [\d.]+ ppm, is high/,
    ph: /none|leave|lb/,
    none: ['Phosphorus'],
    refused: ['Granular biosolid', /Phosphorus tests high/],
  },
  {
    property: 'fenwick-allotment-paths',
    zone: 'Paths',
    read: /centipedegrass/,
    ph: /none|leave|lb/,
    none: [],
    refused: ['Lawn food with weed killer', /its own label rate and license decide/],
  },
];

for (const walk of ZONES)
  test(`from report to bags: ${walk.zone}, every total again from what is printed`, async ({ page }) => {
    test.setTimeout(120_000);
    await openCases(page, walk.property);
    const shelf = await printedShelf(page);
    await page.goto(`/property/${walk.property}/read`);
    await expect(page.getByRole('heading', { name: 'Reading the soil' })).toBeVisible();
    expect(oneLine(await page.locator('main').innerText())).toMatch(walk.read);

    // the prescription
    await page.keyboard.press('4');
    await expect(page.getByRole('heading', { name: 'Prescription' })).toBeVisible();
    const area = await areaOf(page);
    const yearN = await checkWalk(page);
    expect((await readLine(page, 'pH first')).words).toMatch(walk.ph);
    for (const name of walk.none) expect((await readLine(page, name)).rate, `${name} gets none`).toBe(0);
    for (const name of ['pH first', 'Nitrogen', 'Phosphorus', 'Potassium', 'Magnesium', 'Sulfur']) {
      const { rate, rateText, here, doses, words } = await readLine(page, name);
      if (here === undefined) continue;
      const slack = (slackOf(rateText) * area) / 1000 + 0.0501;
      expect(Math.abs((rate * area) / 1000 - here), `${name}: ${words}`).toBeLessThanOrEqual(slack);
      if (doses.length === 0 || name === 'pH first') continue;
      const sum = doses.reduce((a, b) => a + b, 0);
      // what rides along with another product has no dose of its own, so the doses never exceed the year
      expect(sum, `${name}: doses ${doses.join(' + ')}`).toBeLessThanOrEqual(
        rate + 0.005 * doses.length + slackOf(rateText),
      );
    }
    for (const name of ['Nitrogen', 'Potassium', 'Phosphorus']) {
      const { rate, doses } = await readLine(page, name);
      const along = numberIn((await line(page, name).locator('.when .after').allInnerTexts()).join(' ')) || 0;
      const sum = doses.reduce((a, b) => a + b, along);
      if (doses.length > 0)
        expect(Math.abs(sum - rate), `${name}: ${doses.join(' + ')} + ${along} = ${rate}`).toBeLessThanOrEqual(
          0.02 + 0.005 * doses.length,
        );
    }
    const nitrogen = await readLine(page, 'Nitrogen');
    expect(Math.abs(nitrogen.rate - yearN)).toBeLessThanOrEqual(0.001);
    const strip = page.locator('.rx .strip');
    for (const each of await strip.all()) {
      const words = oneLine(await each.innerText());
      const [soil, growth] = [...words.matchAll(/([\d.]+) (?:short|growth)/g)].map((m) => Number(m[1])) as [
        number,
        number,
      ];
      const region = each.locator('xpath=ancestor::section[1]');
      const rate = numberIn(await region.locator('.fig').innerText());
      const held = words.match(/held to ([\d.]+)/)?.[1];
      expect(Math.abs((held === undefined ? soil + growth : Number(held)) - rate), words).toBeLessThanOrEqual(0.0101);
    }

    // the shelf, matched
    await page.getByRole('button', { name: /Match the shelf/ }).click();
    await expect(page.getByRole('heading', { name: 'Match the shelf' })).toBeVisible();
    // the next trip may be one of lime or potash alone: take one that feeds
    if (!/lb N per 1000/.test(oneLine(await page.locator('.needs').innerText()))) {
      await page.getByLabel('Trip').click();
      const list = page.locator('.ant-select-dropdown:visible');
      await expect(list).not.toHaveClass(/ant-slide/);
      await list.getByTitle(/lb N/).first().click();
      await expect(list).toBeHidden();
    }
    const needs = new Map<string, number>();
    for (const item of await page.locator('.needs li').allInnerTexts()) {
      const found = oneLine(item).match(/([\d.]+) lb (N|P ?2 ?O ?5|K ?2 ?O) per 1000/);
      if (found) needs.set((found[2] as string).replaceAll(' ', ''), Number(found[1]));
    }
    expect(needs.get('N') ?? 0).toBeGreaterThan(0);
    const answers = await page.getByRole('list', { name: 'Answers, best first' }).getByRole('listitem').all();
    expect(answers.length).toBeGreaterThan(2);
    for (const answer of answers) {
      const names = (await answer.locator('.answername > p:not(.against):not(.quiet)').allInnerTexts()).map((text) =>
        oneLine(text).replace(/^with /, ''),
      );
      const products = names.map((text) => {
        const name = [...shelf.keys()]
          .filter((key) => text.startsWith(key))
          .sort((a, b) => b.length - a.length)[0] as string;
        return { name, ...(shelf.get(name) as Priced) };
      });
      const rates = (await answer.locator('.rate p').allInnerTexts()).map((text, i) => ({
        value: lbOf(numberIn(text), products[i]!),
        slack: lbOf(slackOf(text), products[i]!),
      }));
      const here = (await answer.locator('.here p').allInnerTexts()).map((text, i) =>
        lbOf(numberIn(text), products[i]!),
      );
      const stock = await answer.locator('.stock p').allInnerTexts();
      let cost = 0;
      let broughtN = 0;
      let slackN = 0;
      for (const [i, product] of products.entries()) {
        const rate = rates[i]!;
        expect(Math.abs((rate.value * area) / 1000 - here[i]!), names[i]).toBeLessThanOrEqual(
          (rate.slack * area) / 1000 + 0.0501,
        );
        const percentN = Number(product.face.split('-')[0]) || 0;
        broughtN += (rate.value * percentN) / 100;
        slackN += (rate.slack * percentN) / 100;
        const bought = numberIn(stock[i]!, /buy (\d+)/) || 0;
        // a jug's rest is printed in gallons
        const inGal = product.lbPerGal !== undefined;
        const left =
          numberIn(stock[i]!, inGal ? /([\d.]+) gal product left/ : /([\d.]+) left/) * (product.lbPerGal ?? 1);
        const unit = (inGal ? 0.005 : 0.05) * (product.lbPerGal ?? 1);
        const over = product.onHand + bought * product.packageLb - here[i]!;
        // printed to a tenth, a half of one rounded up
        expect(Math.abs(over - left), `${names[i]}: ${stock[i]}`).toBeLessThanOrEqual(unit + (inGal ? 0.005 : 1e-9));
        cost += (here[i]! / product.packageLb) * product.price;
      }
      expect(Math.abs(broughtN - (needs.get('N') ?? 0)), names.join(' with ')).toBeLessThanOrEqual(slackN + 0.0051);
      const printed = numberIn(await answer.locator('.cost p').first().innerText(), /\$([\d.,]+)/);
      expect(Math.abs(cost - printed), `${names.join(' with ')}: cost`).toBeLessThanOrEqual(0.0101 * products.length);
      const grades = products.map((product) => product.face.split('-').map(Number));
      if (walk.none.includes('Phosphorus'))
        expect(
          grades.every(([, P = 0]) => P === 0),
          names.join(),
        ).toBe(true);
    }
    const [refusedName, reason] = walk.refused;
    await expect(page.locator('.refusedlist li').filter({ hasText: refusedName })).toHaveText(
      new RegExp(reason.source.replaceAll('P2O5', 'P2O5')),
    );

    // the best bag, checked on this lawn
    await page.getByRole('button', { name: 'Check a bag' }).click();
    await expect(page.getByRole('heading', { name: 'Bag check' })).toBeVisible();
    const verdict = page.locator('.bag .lead');
    await expect(verdict).toContainText(/lb product per 1000 sq ft|Leave it in the bag|Nothing in this bag/);
    for (const row of await page.locator('.bagtable tbody tr').all()) {
      const cells = (await row.locator('td').allInnerTexts()).map(oneLine);
      const [rate, lawn] = [numberIn(cells[0]!), numberIn(cells[1]!)];
      expect(Math.abs((rate * area) / 1000 - lawn), cells.join(' | ')).toBeLessThanOrEqual(
        (slackOf(cells[0]!) * area) / 1000 + 0.0501,
      );
    }

    // and what was weighed: the reverse, reckoned again
    await page.getByLabel(/^Weighed out/).fill('20.3');
    await page.getByLabel(/^Left in the hopper/).fill('0.6');
    const back = page.getByRole('region', { name: 'So much weighed, so much spread' });
    await expect(back.locator('.totals li').first()).toContainText('19.7');
    const per1000 = numberIn((await back.locator('.totals li').nth(1).innerText()).replace('Per 1000 sq ft', ''));
    expect(Math.abs(per1000 - (19.7 / area) * 1000)).toBeLessThanOrEqual(0.0501);
  });

test('Workings of a printed figure give that figure from their own printed terms', async ({ page }) => {
  await openCases(page, 'quarry-lane-school');
  await page.goto('/property/quarry-lane-school/prescribe');
  await expect(page.getByRole('heading', { name: 'Prescription' })).toBeVisible();
  // what is folded away counts as well
  for (const fold of await page.locator('.rx details > summary').all()) await fold.click();
  const figures = page.locator('.rx button.calc');
  const count = await figures.count();
  expect(count).toBeGreaterThan(15);
  for (let i = 0; i < count; i += 1) {
    const figure = figures.nth(i);
    const printed = await figure.innerText();
    await figure.click();
    const slip = page.getByRole('complementary', { name: /^Workings of/ });
    await expect(slip).toBeVisible();
    const result = numberIn(await slip.locator('.result b').innerText());
    expect(Math.abs(result - numberIn(printed)), printed).toBeLessThanOrEqual(slackOf(printed) + 1e-3);
    const steps = await slip.locator('.steps li').all();
    for (const step of steps) {
      const words = (await step.locator('.l').innerText()).split('\n').at(-1) ?? '';
      const right = await step.locator('.r').innerText();
      const code = words.replaceAll(',', '').replaceAll('×', '*').replaceAll('÷', '/').replaceAll('−', '-');
      if (!/^[-+*/(). \d]+$/.test(code) || !/[-+*/]/.test(code.slice(1))) continue;
      const found = new Function(`return ${code}`)() as number;
      const said = numberIn(right);
      // terms are printed to four significant digits
      expect(Math.abs(found - said), `${words} = ${right}`).toBeLessThanOrEqual(
        Math.max(0.002, Math.abs(said) * 0.004),
      );
    }
    await page.keyboard.press('Escape');
  }
});
