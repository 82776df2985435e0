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
import { planSeason } from '../core/season/draft/plan-season';
import { buildModel } from '../core/season/planner/build-model';
import { highsSolver } from '../core/season/planner/highs-solver';
import { printLp } from '../core/season/planner/lp-file';
import { planBest } from '../core/season/planner/plan-best';
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

console.log('\nThe season’s planner: zones × 12 products × the weeks of the year\n');
for (const zones of [1, 2, 4, 8, 16]) {
  const given = benchProperty(zones);
  const { model } = modelOf(given);
  const draft = planSeason(given, 2027);
  const since = performance.now();
  let first: number | undefined;
  const { gapPercent, status } = planBest(highs, given, draft, {}, { seconds: 60 }, ({ doses }) => {
    if (doses) first ??= performance.now() - since;
  });
  row(
    `${zones} zones: ${model.milp.columns.length} columns, ${model.milp.rows.length} rows`,
    seconds(performance.now() - since),
    `${status} at ${gapPercent?.toFixed(2)} %, first plan after ${first === undefined ? 'none' : seconds(first)}`,
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
