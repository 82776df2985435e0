import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensureChromium } from './setup.mjs';
import { launched, served } from './served.mjs';
import { bagsOf, workbookOfRows } from './made-reports';
import { LAYOUTS } from '../standins/laboratory/layouts';

/** Long reports in headless Chromium: time, the longest time without a frame, and what the tab and its worker hold. Part of `npm run bench`. */

ensureChromium();
ensureBuild();
const folder = mkdtempSync(join(tmpdir(), 'reports-'));
const origin = await served(4187, { UBERTAS_DEMO: '1' });

/** The most that a renderer, a page with its workers, ever held, MB. */
const highestRendererMb = (): number =>
  Math.max(
    0,
    ...readdirSync('/proc')
      .filter((pid) => /^\d+$/.test(pid))
      .map((pid) => {
        try {
          const isRenderer = readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer');
          const kb = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1];
          return isRenderer ? Math.round(Number(kb) / 1000) : 0;
        } catch {
          // it ended meanwhile
          return 0;
        }
      }),
  );

async function timed(what: string, name: string, bytes: Uint8Array): Promise<void> {
  // a file for the picker that a test may send is at most 50 MB, and these are smaller
  const browser = await launched();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.setDefaultTimeout(300_000);
  await page.goto(`${origin}/`);
  await page
    .getByText(/propert(y|ies)/)
    .first()
    .waitFor();
  await page.goto(`${origin}/reports`);
  await page.getByLabel('Report file').waitFor({ state: 'attached' });
  // as text: what tsx makes of a function names helpers that the page does not have
  await page.evaluate(`{
    const gaps = { longest: 0, last: performance.now() };
    window.gaps = gaps;
    requestAnimationFrame(function tick() {
      const now = performance.now();
      gaps.longest = Math.max(gaps.longest, now - gaps.last);
      gaps.last = now;
      requestAnimationFrame(tick);
    });
  }`);
  const from = performance.now();
  const path = join(folder, name);
  writeFileSync(path, bytes);
  const before = highestRendererMb();
  await page.getByLabel('Report file').setInputFiles(path);
  const told = new Set<string>();
  const heading = page.getByRole('heading', { name: 'The reading' });
  while (!(await heading.isVisible())) {
    const says = (await page.evaluate(
      `(document.querySelector('[role=status]')?.textContent ?? '') + (document.querySelector('[role=progressbar]')?.getAttribute('aria-valuenow') ?? '')`,
    )) as string;
    if (says) told.add(says);
    await page.waitForTimeout(100);
  }
  const seconds = (performance.now() - from) / 1000;
  const longest = (await page.evaluate('window.gaps.longest')) as number;
  const rss = highestRendererMb();
  console.log(
    `| ${what} | ${(bytes.byteLength / 1e6).toFixed(1)} MB | ${seconds.toFixed(1)} s | ${Math.round(longest)} ms | ${before} MB | ${rss} MB | ${told.size} |`,
  );
  await browser.close();
}

console.log(
  '| file | size | read | longest without a frame | page and worker before | most of both | times it told how far |\n| --- | ---: | ---: | ---: | ---: | ---: | ---: |',
);
await timed('PDF of 200 letters', 'letters.pdf', await LAYOUTS.letter.bytes(bagsOf(200)));
await timed('PDF table of 6,000 rows, 200 pages', 'table.pdf', await LAYOUTS['paper-table'].bytes(bagsOf(6_000)));
await timed('workbook of 50,000 rows', 'rows.xlsx', await workbookOfRows(50_000));
process.exit(0);
