import { type Browser, chromium, type Page } from '@playwright/test';
import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fillDisk, type Numbers, readNumbers, runTwoTabs, writeUntilKilled } from '../e2e/faults/kills-and-tabs';
import { runFaults, type Tally, withShim } from '../e2e/faults/run-faults';
import { writeMeasured } from './measured';
import { CHROMIUM, launched, served } from './served.mjs';
import { ensureBuild, ensureChromium, ensurePackages } from './setup.mjs';

/** `npm run faults`: what comes of faults of the browser's database, of killed browsers, a full disk and two tabs. */

const PORT = 4188;
const DEBUGGING_PORT = 9388;
/** How often the browser is killed in the middle of its writes, and how long after their beginning at most, ms. */
const KILLS = 60;
const LATEST_KILL_MS = 1_500;
const ROUNDS_OF_TWO_TABS = 40;

ensurePackages();
ensureChromium();
ensureBuild();
const origin = await served(PORT);
/** Browsers of their own process, which end with the script. */
const running = new Set<ChildProcess>();
process.on('exit', () => running.forEach((each) => each.kill('SIGKILL')));
const { executablePath, args } = CHROMIUM;

async function ready(page: Page): Promise<void> {
  await page.clock.setFixedTime(new Date('2027-04-05T09:00:00'));
  await withShim(page);
  await page.goto(origin);
}
async function filled(page: Page): Promise<void> {
  await ready(page);
  for (const [name, called] of [
    ['quarry-lane-school', 'Quarry Lane School'],
    ['okonedo-residence', 'Okonedo residence'],
  ] as const) {
    await page.getByLabel('Case file or backup').setInputFiles(`demo/${name}.json`);
    await page.getByRole('link', { name: called }).waitFor();
  }
}

const browser = await launched();
const context = await browser.newContext();
const page = await context.newPage();
await filled(page);
const shown = ({ action, tried, said, whole, falseSuccess, replaced }: Tally) =>
  `| ${action} | ${tried} | ${said} | ${whole} | ${falseSuccess} | ${replaced} |`;
const tallies = await runFaults(page, { onTally: (tally) => console.log(shown(tally)) });
// the same once more while another tab shows the same property
const beside = await context.newPage();
await ready(beside);
const again = await runFaults(page, { most: 1, kinds: ['abort'], onTally: (tally) => console.log(shown(tally)) });
const tabs = await runTwoTabs(page, beside, ROUNDS_OF_TWO_TABS);
console.log('two tabs', tabs);
await beside.close();
const full = await fillDisk(page, origin);
console.log('full disk', full);
await browser.close();

/** A browser of its own process, over a folder of its own, that can be killed as by a power cut. */
async function opened(folder: string): Promise<{ browser: Browser; page: Page; kill: () => Promise<void> }> {
  const child = spawn(
    executablePath,
    [
      ...args,
      '--headless=new',
      `--user-data-dir=${folder}`,
      `--remote-debugging-port=${DEBUGGING_PORT}`,
      'about:blank',
    ],
    { stdio: 'ignore' },
  );
  running.add(child);
  let connected: Browser | undefined;
  for (let attempt = 0; !connected; attempt++) {
    await new Promise((later) => setTimeout(later, 150));
    connected = await chromium.connectOverCDP(`http://127.0.0.1:${DEBUGGING_PORT}`).catch(() => undefined);
    if (attempt > 100) throw new Error('the browser did not start');
  }
  const page = connected.contexts()[0]!.pages()[0]!;
  return {
    browser: connected,
    page,
    kill: async () => {
      const gone = new Promise((done) => child.once('exit', done));
      child.kill('SIGKILL');
      await gone;
      running.delete(child);
      await connected?.close().catch(() => undefined);
    },
  };
}
const folder = mkdtempSync(join(tmpdir(), 'ubertas-kill-'));
const kills = { kills: 0, writes: 0, lost: 0, half: 0 };
let acknowledged: Partial<Numbers> = {};
const first = await opened(folder);
await filled(first.page);
await first.kill();
for (let n = 0; n <= KILLS; n++) {
  const each = await opened(folder);
  await ready(each.page);
  const { numbers, half } = await readNumbers(each.page);
  for (const [kind, number] of Object.entries(acknowledged) as [keyof Numbers, number][])
    if (numbers[kind] < number) kills.lost++;
  if (half) kills.half++;
  if (n === KILLS) {
    await each.kill();
    break;
  }
  const written = await writeUntilKilled(each.page, Math.random() * LATEST_KILL_MS, each.kill);
  kills.kills++;
  kills.writes += written.count;
  acknowledged = written.acknowledged;
}
console.log('kills', kills);
rmSync(folder, { recursive: true, force: true });

const sum = (of: readonly Tally[], key: Exclude<keyof Tally, 'action'>) => of.reduce((all, each) => all + each[key], 0);
const row = (what: string, of: readonly Tally[]) =>
  shown({
    action: what,
    tried: sum(of, 'tried'),
    said: sum(of, 'said'),
    whole: sum(of, 'whole'),
    falseSuccess: sum(of, 'falseSuccess'),
    replaced: sum(of, 'replaced'),
  });
writeMeasured(
  'faults',
  [
    'Faults of the browser’s database (aborted at once, aborted when the write had succeeded, full, refused, failed for no reason given) at the writes of every action found in the routes, by `npm run faults`:',
    '',
    '| action | tried | said in words | whole | false successes | pages replaced |',
    '| --- | --: | --: | --: | --: | --: |',
    ...tallies.map(shown),
    row('**all**', tallies),
    row('all, another tab open', again),
    '',
    `Killed ${kills.kills} times in the middle of writes of five kinds (a zone with its property, a reading, a report, a plan, a label): ${kills.writes} writes were acknowledged, ${kills.lost} of them lost, ${kills.half} half-written.`,
    '',
    `A disk with ${full.roomKb} kB left: ${full.saved} large zones saved and there after a reload, then “${full.says}”; ${full.lost} lost.`,
    '',
    `Two tabs that save one zone from one version at the same moment, ${tabs.rounds} times: ${tabs.one} times one was kept and the other asked, ${tabs.both} times both were taken, ${tabs.none} times none.`,
  ].join('\n'),
);
const bad =
  sum(tallies, 'tried') -
  sum(tallies, 'whole') +
  sum(tallies, 'falseSuccess') +
  sum(tallies, 'replaced') +
  kills.lost +
  kills.half +
  full.lost +
  tabs.both;
console.log(bad === 0 ? 'Nothing lost, nothing said falsely.' : `${bad} faults of ours.`);
process.exit(bad === 0 ? 0 : 1);
