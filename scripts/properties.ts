import loadHighs from 'highs';
import { someProperties } from '../core/season/any-property.fixture';
import { printPlan } from '../core/files/plan-results';
import { planBest } from '../core/season/planner/plan-best';
import type { Case } from '../core/records/case';

/**
 * `npm run properties`: any properties (all grasses, states, codes, shelves) planned twice each, so many and from such a seed as the words after
 * it say, 200 and 1 where nothing is said. Every one gives a plan, none is `infeasible`, no check fails that is a dose's fault, what is short
 * is named with its cure, and both plans are equal to the byte. Leaves with 1 where one does not.
 */
const count = Number(process.argv[2] ?? 200);
const seed = Number(process.argv[3] ?? 1);
const highs = await loadHighs();
const LIMITS = { gap: 0.1, work: 6_000 };

const print = (given: Case) =>
  printPlan(given, {
    year: 2027,
    best: (file, plan, picked, locked) => planBest(highs, file, plan, { picked, locked }, LIMITS),
  });

function faultsOf(given: Case): string[] {
  const printed = print(given);
  const { status } = printed.solver;
  statuses.set(status, (statuses.get(status) ?? 0) + 1);
  if (printed.shortfalls.length > 0) short += 1;
  // what is wrong with the ground or waits for a report is no dose's fault
  const broken = printed.checks.filter((c) => c.standing === 'fail' && !/without a buffer|ledger/.test(c.says));
  return [
    ...(status === 'infeasible' ? ['infeasible without a locked dose'] : []),
    ...broken.map((c) => `${c.id}: ${c.says}`),
    ...printed.shortfalls.flatMap((s) =>
      /\S\.$/.test(s.because) && /\S\.$/.test(s.cure) ? [] : [`a shortfall of ${s.need} without a word`],
    ),
    ...(JSON.stringify(print(given)) === JSON.stringify(printed) ? [] : ['two runs differ']),
  ];
}

const statuses = new Map<string, number>();
let short = 0;
let faulty = 0;
const properties = [
  ...someProperties({ min: 1, max: 3 }, 'any', seed, Math.ceil(count / 2)),
  ...someProperties({ min: 1, max: 3 }, 'whole', seed, Math.floor(count / 2)),
];
for (const [at, given] of properties.entries()) {
  let faults: string[];
  try {
    faults = faultsOf(given);
  } catch (trouble) {
    faults = [`crash: ${trouble instanceof Error ? (trouble.stack ?? trouble.message) : String(trouble)}`];
  }
  if (faults.length === 0) continue;
  faulty += 1;
  console.log(
    `\nseed ${seed}, property ${at}: ${given.zones.map((z) => `${z.grass} ${z.state ?? 'established'}`).join(', ')}`,
  );
  for (const fault of faults) console.log(`  ${fault}`);
}
console.log(
  `\n${properties.length} properties from seed ${seed}, planned twice: ${[...statuses].map(([status, times]) => `${times} ${status}`).join(', ')}; ` +
    `${short} name shortfalls; ${faulty} at fault.`,
);
process.exitCode = faulty > 0 ? 1 : 0;
