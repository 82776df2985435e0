import { benchProperty } from './bench-property';
import { ensureBuild, ensureChromium } from './setup.mjs';
import { launched, served } from './served.mjs';

/** The season's planner in headless Chromium, as a person sees it: from the click to the first plan, and to the proof. Part of `npm run bench`. */

const PORT = 4184;
const given = benchProperty(4);
const products = given.products ?? [];

ensureChromium();
ensureBuild();
const origin = await served(PORT);
const browser = await launched();
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.setDefaultTimeout(60_000);
await page.goto(`${origin}/`);
await page.getByText('Nothing here yet').waitFor();
await page.getByLabel('Case file or backup').setInputFiles({
  name: 'bench.json',
  mimeType: 'application/json',
  buffer: Buffer.from(JSON.stringify(given)),
});
await page.getByText(given.property.name).first().waitFor();
// the shelf of this browser holds the starter products as well: the measure is of twelve
await page.evaluate(
  (keep) =>
    new Promise<void>((done, failed) => {
      const open = indexedDB.open('ubertas');
      open.onerror = () => failed(new Error(String(open.error)));
      open.onsuccess = () => {
        const shelf = open.result.transaction('products', 'readwrite');
        const store = shelf.objectStore('products');
        store.clear();
        for (const product of keep) store.put(product);
        shelf.oncomplete = () => {
          open.result.close();
          done();
        };
      };
    }),
  products,
);
console.log(
  `\nIn headless Chromium: ${given.zones.length} zones × ${products.length} products × 36 weeks open for N\n`,
);
for (const run of [1, 2, 3]) {
  await page.goto(`${origin}/property/${given.property.id}/season`);
  const plain = page.getByRole('button', { name: 'Back to the plain draft' });
  const find = page.getByRole('button', { name: /^Find the best plan/ });
  await find.waitFor();
  if (await plain.isVisible()) await plain.click();
  // a person looks at the board first; the planner readies itself meanwhile
  await page.waitForTimeout(2500);
  // timed in the page, as the person sees it: clicks and waits of the test driver take time of their own
  const [first, whole] = await find.evaluate(
    (button: HTMLElement) =>
      new Promise<[number, number]>((done) => {
        const from = performance.now();
        let first = 0;
        const watch = new MutationObserver(() => {
          const text = document.body.textContent;
          if (!first && text.includes('Best so far')) first = performance.now() - from;
          if (!text.includes('Plan found')) return;
          watch.disconnect();
          done([first, performance.now() - from]);
        });
        watch.observe(document.body, { subtree: true, childList: true, characterData: true });
        button.click();
      }),
  );
  const says = await page
    .getByText(/proven /)
    .first()
    .textContent();
  console.log(
    `run ${run}: first plan after ${(first / 1000).toFixed(2)} s (promise 1 s), finished after ${(whole / 1000).toFixed(2)} s (promise 10 s): ${says?.trim()}`,
  );
}
await browser.close();
