import { type ModelParts, rateTerms } from './model-parts';
import type { ZoneProblem } from './problem-shape';

/** Weeks gathered into one balance: finer than that no grass notices. */
const WEEKS_A_BALANCE = 2;
/** Soil and sward hold this much for the grass at any time, lb N/1000 ft2: half a usual dose, rounded down. Common practice. */
const FREE_LB = 0.4;

/** Within that a plan costs this share of what it costs beyond: of plans that are alike the one nearer to growth. Decision. */
const WITHIN = 0.2;

/** Slow doses of spring must not feed cool-season grass through the heat: what they still let go then has a most. */
export function addHeatRow({ builder, problem, doses }: ModelParts, z: number): void {
  const zone = problem.zones[z] as ZoneProblem;
  if (zone.mostFreeInHeatLb === Infinity) return;
  builder.row(
    `heat_${z}`,
    doses
      .filter((d) => d.zone === zone)
      .flatMap((d) => rateTerms(d, (d.carrier?.freeInHeat.get(d.week) ?? 0) * (d.carrier?.brings.N ?? 0))),
    { upper: zone.mostFreeInHeatLb },
  );
}

/**
 * Nitrogen made free against nitrogen asked by growth, summed from New Year: the plan may run ahead or behind by half a
 * dose for little; what is beyond costs by the week. A balance of stocks, so that rows stay sparse.
 */
export function addGrowthRows({ builder, problem, doses }: ModelParts, z: number): void {
  const zone = problem.zones[z] as ZoneProblem;
  const here = doses.filter((d) => d.zone === zone && (d.carrier?.release.size ?? 0) > 0);
  if (here.length === 0) return;
  const largest = Math.max(...here.map((d) => (d.carrier?.mostRateLb ?? 0) * (d.carrier?.brings.N ?? 0)));
  const free = Math.min(largest / 2, FREE_LB);
  const weeks = problem.weeks.length;
  const cost = problem.wishes.departure * WEEKS_A_BALANCE;
  let before: readonly (readonly [column: number, sign: number])[] = [];
  for (let from = 0; from < weeks; from += WEEKS_A_BALANCE) {
    const span = Array.from({ length: Math.min(WEEKS_A_BALANCE, weeks - from) }, (_, i) => from + i);
    const lead = builder.column(`lead_${z}_${from}`, { upper: free, cost: cost * WITHIN });
    const lag = builder.column(`lag_${z}_${from}`, { upper: free, cost: cost * WITHIN });
    const ahead = builder.column(`ahead_${z}_${from}`, { cost });
    const behind = builder.column(`behind_${z}_${from}`, { cost });
    const asked = span.reduce((sum, w) => sum + (zone.demandByWeek[w] ?? 0) - (zone.standingSupplyByWeek[w] ?? 0), 0);
    const supply = here.flatMap((d): [number, number][] => {
      const release = d.carrier?.release.get(d.week);
      const share = span.reduce((sum, w) => sum + (release?.[w] ?? 0), 0);
      return share > 1e-6 ? rateTerms(d, -share * (d.carrier?.brings.N ?? 0)) : [];
    });
    const stock = [
      [lead, 1],
      [lag, -1],
      [ahead, 1],
      [behind, -1],
    ] as const;
    // stock now - stock before - supplied = - asked
    builder.row(
      `balance_${z}_${from}`,
      [...stock, ...before.map(([column, sign]) => [column, -sign] as const), ...supply],
      { lower: -asked, upper: -asked },
    );
    before = stock;
  }
}
