import loadHighs from 'highs';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import type { Case } from '../core/records/case';
import { moveDose } from '../core/season/edit/edit-plan';
import { judgePlan } from '../core/season/checks/judge-plan';
import { doseKey } from '../core/season/plan/dose-key';
import { someProperties, someShelves } from '../core/season/any-property.fixture';
import { planSeason } from '../core/season/draft/plan-season';
import { buildModel } from '../core/season/planner/build-model';
import { highsSolver } from '../core/season/planner/highs-solver';
import { printLp } from '../core/season/planner/lp-file';
import { MOST_WORK, planBest } from '../core/season/planner/plan-best';
import { planProblem } from '../core/season/planner/problem';
import { splitSearch } from '../core/season/planner/split-search';
import { readSolution } from '../core/season/planner/read-solution';
import { withDoses } from '../core/season/plan/with-doses';
import { isRefusal } from '../core/reckoning/refusal';
import { benchProperty } from './bench-property';

/** The season's planner, measured here: growth with the zones, and the same model by other solvers. Part of `npm run bench`. */

const folder = mkdtempSync(join(tmpdir(), 'ubertas-bench-season-'));
const row = (what: string, measured: string, promise = '') =>
  console.log(`${what.padEnd(58)}${measured.padStart(16)}   ${promise}`);
const seconds = (ms: number) => `${(ms / 1000).toFixed(2)} s`;
const highs = await loadHighs();

const modelOf = (given: Case) => {
  const problem = planProblem(given, planSeason(given, 2027));
  if (!problem) throw new Error('no climate');
  return { problem, model: buildModel(problem) };
};

/** Properties by chance: so many zones, from a seed that makes the same one again (`core/season/any-property.fixture.ts`). */
const PROPERTIES = [
  { zones: 1, seed: 101 },
  { zones: 1, seed: 102 },
  { zones: 2, seed: 201 },
  { zones: 2, seed: 202 },
  { zones: 3, seed: 301 },
  { zones: 3, seed: 302 },
  { zones: 4, seed: 401 },
  { zones: 4, seed: 402 },
  { zones: 6, seed: 601 },
  { zones: 8, seed: 801 },
  { zones: 8, seed: 802 },
  { zones: 12, seed: 1201 },
  { zones: 16, seed: 1601 },
  { zones: 16, seed: 1602 },
] as const;
const RANDOM_SHELVES = 4;
/** Promised: proven within this share, and the most seconds by zones. */
const PROMISE_GAP = 0.03;
const promisedS = (zones: number) => (zones <= 4 ? 10 : zones <= 8 ? 20 : 30);
/** The best known of a large property: what a search with so many times the work finds. */
const MORE_WORK = 8;

interface Found {
  ms: number;
  firstMs: number;
  gapPercent?: number;
  objective?: number;
}
const found = (property: Case, limits = {}): Found => {
  const since = performance.now();
  let firstMs = NaN;
  const draft = planSeason(property, 2027);
  const { gapPercent, objective } = planBest(
    highs,
    property,
    draft,
    {},
    { gap: PROMISE_GAP, ...limits },
    ({ doses }) => {
      if (doses && Number.isNaN(firstMs)) firstMs = performance.now() - since;
    },
  );
  return { ms: performance.now() - since, firstMs, gapPercent, objective };
};
const percents = (value?: number) => (value === undefined ? 'none' : `${value.toFixed(1)} %`);

console.log(
  `\nThe season’s planner on properties by chance, to ${PROMISE_GAP * 100} %: the whole starter shelf, then ${RANDOM_SHELVES} random ones (slowest, widest)\n`,
);
for (const { zones, seed } of PROPERTIES) {
  const [property] = someProperties({ min: zones, max: zones }, 'whole', seed, 1);
  if (!property) throw new Error('no property');
  const whole = found(property);
  const best = zones > 8 ? found(property, { work: MOST_WORK * MORE_WORK, seconds: 600 }).objective : undefined;
  const others = someShelves(seed, RANDOM_SHELVES).map((products) => found({ ...property, products }));
  const worse =
    best === undefined ? '' : `, ${percents(((whole.objective ?? 0) / best - 1) * 100)} over the best known`;
  row(
    `${zones} zones, seed ${seed}`,
    seconds(whole.ms),
    `${percents(whole.gapPercent)}, first plan ${seconds(whole.firstMs)} (promise ${promisedS(zones)} s)${worse}; ` +
      `random shelves ${seconds(Math.max(...others.map((o) => o.ms)))}, ${percents(Math.max(...others.map((o) => o.gapPercent ?? 0)))}, ` +
      `first ${seconds(Math.max(...others.map((o) => (Number.isNaN(o.firstMs) ? 0 : o.firstMs))))}`,
  );
}

const GAP = 1e-4;
const LIMIT_S = 240;
const given = benchProperty(4);
const { problem, model } = modelOf(given);
const path = join(folder, 'season.lp');
writeFileSync(path, printLp(model.milp));
console.log(`\nThe same model of 4 zones as an LP file, to ${GAP * 100} %\n`);
const solver = highsSolver(highs);
const timed = (what: string, solve: () => { objective?: number; status: string }) => {
  const since = performance.now();
  const { objective, status } = solve();
  const ms = performance.now() - since;
  oursMs ??= ms;
  row(what, seconds(ms), `${(ms / oursMs).toFixed(1)} times; ${status}, objective ${objective?.toFixed(4)}`);
};
let oursMs: number | undefined;
let values: Float64Array | undefined;
timed('the split search, in Node', () => {
  const found = splitSearch(model, solver, { gap: GAP, seconds: LIMIT_S });
  values = found.values;
  return found;
});
timed('HiGHS alone, in Node', () => solver.solve(model.milp, { gap: GAP, seconds: LIMIT_S }));
for (const [name, args, read] of [
  [
    'glpsol',
    ['--lp', path, '--cuts', '--mipgap', `${GAP}`, '--tmlim', `${LIMIT_S}`, '-o', join(folder, 'glpk.txt')],
    /mip =\s+([\d.e+]+)/g,
  ],
  ['cbc', [path, 'sec', `${LIMIT_S}`, 'ratio', `${GAP}`, 'solve'], /Objective value:\s+([\d.e+]+)/g],
] as const) {
  if (spawnSync(name, ['--version']).error) row(name, 'not installed', 'apt-get install glpk-utils coinor-cbc');
  else
    timed(`${name}, of Debian`, () => {
      const { stdout } = spawnSync(name, args, { encoding: 'utf8' });
      const objective = [...stdout.matchAll(read)].at(-1)?.[1];
      return { status: /TIME LIMIT|time limit/i.test(stdout) ? 'stopped' : 'optimal', objective: Number(objective) };
    });
}

if (values) {
  const doses = readSolution(problem, model, values);
  const draft = planSeason(given, 2027);
  const key = doseKey(doses[0]!);
  const times = Array.from({ length: 200 }, (_, i) => {
    const from = performance.now();
    const next = moveDose(doses, key, (i % 5) + 1);
    if (!isRefusal(next)) judgePlan(given, withDoses(draft, given, next));
    return performance.now() - from;
  }).sort((a, b) => a - b);
  row(
    '\none hand edit: moved, weighed, every check again',
    `${times[190]?.toFixed(1)} ms`,
    '95 of a hundred are faster; promise 16 ms',
  );
}
rmSync(folder, { recursive: true, force: true });
