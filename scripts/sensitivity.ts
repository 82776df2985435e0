import loadHighs from 'highs';
import { writeFileSync } from 'node:fs';
import { judgePlan } from '../core/season/checks/judge-plan';
import { planSeason } from '../core/season/draft/plan-season';
import { lawnCase } from '../core/season/lawns/lawns.fixture';
import { withDoses } from '../core/season/plan/with-doses';
import { planBest } from '../core/season/planner/plan-best';
import { PRICES } from '../core/season/planner/prices';
import { shortfallsOf } from '../core/season/shortfalls/shortfalls';

/**
 * `npm run sensitivity`: every price of the planner's wants halved and doubled on reference lawns of all kinds, and what changes in their
 * plans, written to docs/sensitivity.md. A price that changes nothing anywhere is one nobody need argue about; one that turns plans
 * around has to have a good reason.
 */
const LAWNS = [
  'fescue-loam',
  'bermuda-sandy',
  'bahia-sand-acid',
  'bluegrass-clay',
  'centipede-sand',
  'k-per-acre',
  'new-seeding',
  'two-zones',
  'zoysia-shade',
  'ryegrass-mild',
  'code-closed',
  'st-augustine',
] as const;
/** Closer than usual, so that what differs is the price's doing. */
const LIMITS = { gap: 0.005, work: 12_000 };

interface Outcome {
  cost: number;
  trips: number;
  products: number;
  doses: number;
  short: number;
  /** Zone, day, product of every dose. */
  key: string;
}

const highs = await loadHighs();
const years = LAWNS.map((name) => {
  const given = lawnCase(name);
  return { given, draft: planSeason(given, given.choices?.year ?? 2027) };
});
const outcomes = (): Outcome[] =>
  years.map(({ given, draft }) => {
    const { doses } = planBest(highs, given, draft, {}, LIMITS);
    const plan = withDoses(draft, given, doses);
    const { cost, trips } = judgePlan(given, plan);
    return {
      cost,
      trips,
      products: new Set(doses.map((d) => d.productId)).size,
      doses: doses.length,
      short: shortfallsOf(given, plan).length,
      key: doses.map((d) => `${d.zoneId}/${d.date}/${d.productId}`).join(),
    };
  });

const span = (name: string, differences: readonly number[], show: (value: number) => string): string[] => {
  const [low, high] = [Math.min(...differences), Math.max(...differences)];
  const signed = (value: number) => `${value > 0 ? '+' : value < 0 ? '−' : ''}${show(Math.abs(value))}`;
  if (low === 0 && high === 0) return [];
  return [`${name} ${low === high ? signed(low) : `${signed(low)} to ${signed(high)}`}`];
};

const before = outcomes();
function changes(): string {
  const changed = outcomes().flatMap((now, i) => {
    const was = before[i] as Outcome;
    return now.key === was.key ? [] : [{ was, now }];
  });
  if (changed.length === 0) return 'nothing';
  const by = (of: (outcome: Outcome) => number) => changed.map(({ was, now }) => of(now) - of(was));
  const whole = (value: number) => String(value);
  return [
    `${changed.length} of ${before.length}`,
    ...span(
      'cost',
      by((o) => Math.round(o.cost)),
      (value) => `$${value}`,
    ),
    ...span(
      'trips',
      by((o) => o.trips),
      whole,
    ),
    ...span(
      'products',
      by((o) => o.products),
      whole,
    ),
    ...span(
      'doses',
      by((o) => o.doses),
      whole,
    ),
    ...span(
      'shortfalls',
      by((o) => o.short),
      whole,
    ),
  ].join(', ');
}

/** Every single number of the table, nested ones by their path. */
const numbersIn = (table: object, path = ''): { table: Record<string, number>; name: string; path: string }[] =>
  Object.entries(table).flatMap(([name, value]) =>
    typeof value === 'number'
      ? [{ table: table as Record<string, number>, name, path: `${path}${name}` }]
      : numbersIn(value as object, `${path}${name}.`),
  );

const rows: string[] = [];
for (const { table, name, path } of numbersIn(PRICES)) {
  const price = table[name] as number;
  // constant for everybody else: here alone it is turned, and turned back
  table[name] = price / 2;
  const halved = changes();
  table[name] = price * 2;
  const doubled = changes();
  table[name] = price;
  rows.push(`| \`${path}\` | ${price} | ${halved} | ${doubled} |`);
  console.log(rows.at(-1));
}
writeFileSync(
  'docs/sensitivity.md',
  `# How much the planner’s prices matter

Made by \`npm run sensitivity\`. Each price of \`core/season/planner/prices.ts\` halved and doubled on ${LAWNS.length} reference lawns (${LAWNS.join(', ')}),
everything else as it is, searches to ${LIMITS.gap * 100} %. “2 of 12” are plans in which a dose changed its zone, day or product; the other figures say by how
much, from the least to the most of them. Reasons for the prices stand in [decisions](decisions.md).
A plan that changes at many rows and in nothing that is counted is one of several alike. Few of these lawns are in want: prices of what is short
matter where a shelf, a code or trips leave no way to have everything.

| price | is | halved | doubled |
| --- | ---: | --- | --- |
${rows.join('\n')}
`,
);
