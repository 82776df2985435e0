import { corpus } from '../e2e/hostile/corpus';
import { type Outcome, runHostile } from '../e2e/hostile/run-hostile';
import { writeMeasured } from './measured';
import { ensureBuild, ensureChromium, ensurePackages } from './setup.mjs';
import { launched, served } from './served.mjs';

/** `npm run hostile`: what every door of the application does with files that mean it harm. */

const PORT = 4189;
/** A page that stands still longer is one that hangs, ms. */
const HANGS_MS = 2_000;

ensurePackages();
ensureChromium();
ensureBuild();
const origin = await served(PORT);
const browser = await launched();
const page = await browser.newPage({ baseURL: origin });
await page.addInitScript('globalThis.__name ??= (named) => named;');
await page.goto('/');
await page.getByLabel('Case file or backup').setInputFiles('demo/okonedo-residence.json');
await page.getByRole('link', { name: 'Okonedo residence' }).waitFor();
const row = ({ file, answer, ms, stillMs }: Outcome) =>
  `| ${file.door} | ${file.what} | ${
    answer === ''
      ? 'no answer'
      : answer
          .replaceAll('|', '/')
          .replace(/[\s\p{Cc}]+/gu, ' ')
          .slice(0, 90)
  } | ${Math.round(ms)} | ${Math.round(stillMs)} |`;
const outcomes = await runHostile(page, corpus(), '/property/okonedo-residence', (each) => console.log(row(each)));
await browser.close();

const hangs = outcomes.filter((each) => each.stillMs > HANGS_MS || !Number.isFinite(each.ms)).length;
const replaced = outcomes.filter((each) => each.replaced).length;
const longest = outcomes.reduce((most, each) => Math.max(most, each.stillMs), 0);
writeMeasured(
  'hostile',
  [
    `${outcomes.length} files over six doors, by \`npm run hostile\`: ${hangs} hangs over 2 s or without an answer, ${replaced} pages replaced; the page stood still ${Math.round(longest)} ms at most.`,
    '',
    '| door | file | answer | after, ms | page still at most, ms |',
    '| --- | --- | --- | --: | --: |',
    ...outcomes.map(row),
  ].join('\n'),
);
console.log(`${outcomes.length} files, ${hangs} hangs, ${replaced} pages replaced`);
process.exit(hangs + replaced === 0 ? 0 : 1);
