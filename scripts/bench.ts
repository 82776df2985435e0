import Papa from 'papaparse';
import { spawn } from 'node:child_process';
import { createReadStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { readCase } from '../core/files/case-file';
import { type Case } from '../core/records/case';
import { prescribeCase } from '../core/prescription/prescribe';
import { isRefusal } from '../core/reckoning/refusal';

/** `npm run bench`: the figures that the product promises, measured here, on this machine. Not a test. */

const ROWS = 100_000;
const folder = mkdtempSync(join(tmpdir(), 'ubertas-bench-'));

/** A table of invented samples, the same every time. */
function table(): string {
  let seed = 12_345;
  const next = (): number => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648;
  const lines = [
    'sample,sampledOn,depthIn,pH,buffer-pH,"P (ppm, Mehlich-3)","K (ppm, Mehlich-3)","Ca (ppm, Mehlich-3)","Mg (ppm, Mehlich-3)","S (ppm, Mehlich-3)",OM,CEC',
  ];
  for (let i = 0; i < ROWS; i++) {
    const n = (from: number, to: number, decimals: number) => (from + next() * (to - from)).toFixed(decimals);
    lines.push(
      [
        `s${i}`,
        '2027-03-01',
        4,
        n(4.8, 8, 1),
        n(5.6, 6.6, 2),
        n(3, 120, 0),
        n(15, 250, 0),
        n(200, 2500, 0),
        n(20, 300, 0),
        n(3, 60, 0),
        n(0.8, 6, 1),
        n(3, 25, 1),
      ].join(','),
    );
  }
  return `${lines.join('\n')}\n`;
}

const parserAlone = (path: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const since = performance.now();
    const parser = Papa.parse(Papa.NODE_STREAM_INPUT, { skipEmptyLines: true });
    parser.on('data', () => {});
    parser.on('end', () => resolve(performance.now() - since));
    parser.on('error', reject);
    createReadStream(path, { highWaterMark: 256 * 1024 }).pipe(parser);
  });

/** Runs the command as a person would and watches its resident memory. */
const batch = (path: string): Promise<{ ms: number; peakMb: number; lines: number }> =>
  new Promise((resolve, reject) => {
    const since = performance.now();
    const child = spawn(
      process.execPath,
      ['cli/run.mjs', 'batch', path, '--grass', 'tall-fescue', '--texture', 'silt-loam'],
      { stdio: ['ignore', 'pipe', 'ignore'] },
    );
    let lines = 0;
    let peakKb = 0;
    child.stdout.on('data', (chunk: Buffer) => {
      for (const byte of chunk) if (byte === 10) lines++;
    });
    const watch = setInterval(() => {
      try {
        peakKb = Math.max(
          peakKb,
          Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1] ?? 0),
        );
      } catch {
        // the process has just ended
      }
    }, 20);
    child.on('error', reject);
    child.on('exit', () => {
      clearInterval(watch);
      resolve({ ms: performance.now() - since, peakMb: peakKb / 1024, lines });
    });
  });

function sixZones(): Case {
  const read = readCase(readFileSync('demo/quarry-lane-school.json', 'utf8'));
  if (isRefusal(read)) throw new Error(read.refused);
  const zones = [0, 1].flatMap((copy) => read.zones.map((z) => ({ ...z, id: `${z.id}${copy}` })));
  const soilTests = [0, 1].flatMap((copy) =>
    (read.soilTests ?? []).map((t) => ({ ...t, id: `${t.id}${copy}`, zoneId: `${t.zoneId}${copy}` })),
  );
  return { ...read, zones, soilTests };
}

const median = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(times.length / 2)] as number;
const row = (what: string, measured: string, promise = '') =>
  console.log(`${what.padEnd(58)}${measured.padStart(16)}   ${promise}`);

console.log(`Node ${process.version}, ${availableParallelism()} cores\n`);
const path = join(folder, 'samples.csv');
writeFileSync(path, table());
const floor = await parserAlone(path);
const { ms, peakMb, lines } = await batch(path);
const one = join(folder, 'one.csv');
writeFileSync(one, table().split('\n').slice(0, 2).join('\n'));
const startUp = (await batch(one)).ms;
row('CSV parser alone, 100,000 rows', `${(floor / 1000).toFixed(2)} s`, 'the floor');
row(
  'batch: parse, interpret, prescribe, 100,000 rows',
  `${(ms / 1000).toFixed(2)} s`,
  `start-up included; ${(ms / floor).toFixed(1)} times the floor`,
);
row('start-up of the command alone', `${(startUp / 1000).toFixed(2)} s`);
row('samples a second, start-up included', Math.round((lines / ms) * 1000).toLocaleString('en-US'));
row(
  'samples a second, start-up taken off',
  Math.round((lines / (ms - startUp)) * 1000).toLocaleString('en-US'),
  'at least 20,000',
);
row('resident memory at its peak', `${peakMb.toFixed(0)} MB`, 'under 250 MB');
if (lines !== ROWS) throw new Error(`${lines} result lines for ${ROWS} rows`);

const given = sixZones();
for (let i = 0; i < 500; i++) prescribeCase(given);
const times = Array.from({ length: 500 }, () => {
  const since = performance.now();
  prescribeCase(given);
  return performance.now() - since;
});
row('one property of 6 zones re-reckoned without workings', `${median(times).toFixed(3)} ms`, 'under 1 ms');
rmSync(folder, { recursive: true, force: true });
