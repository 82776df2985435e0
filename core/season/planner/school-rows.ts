import { type DoseVariable, type ModelParts, rateTerms } from './model-parts';
import { PRICES } from './prices';
import type { ZoneProblem } from './problem-shape';
import { weeksIn } from '../../days/weeks';

/** Rates are rounded down afterwards, so a step's least is kept this far clear, lb nutrient/1000 ft2. */
const CLEAR_LB = 0.006;

/** What the schools of late nitrogen and of potash ask: steps that must be taken, amounts within stretches of the year. */
export function addSchoolRows({ builder, problem, doses, shorts }: ModelParts, z: number): void {
  const zone = problem.zones[z] as ZoneProblem;
  const { schools } = zone;
  const dayOf = (d: DoseVariable) => problem.weeks[d.week]?.day ?? 0;
  const here = doses.filter((d) => d.zone === zone && d.carrier);
  const steps = schools.steps.map((step, s) => {
    const serving = here.filter((d) => dayOf(d) >= step.from && dayOf(d) <= step.to && step.serves(d.product));
    const taken = new Map<number, number>();
    for (const week of new Set(serving.map((d) => d.week))) {
      const today = serving.filter((d) => d.week === week);
      const column = builder.binary(`step_${z}_${s}_${week}`);
      taken.set(week, column);
      const amount = today.flatMap((d) => rateTerms(d, d.carrier?.brings[step.measured] ?? 0));
      builder.row(`stepped_${z}_${s}_${week}`, [...today.map((d) => [d.chosen, 1] as const), [column, -1]], {
        lower: 0,
      });
      builder.row(`stepleast_${z}_${s}_${week}`, [...amount, [column, -(step.leastLb + CLEAR_LB)]], { lower: 0 });
    }
    const short = builder.column(`short_step_${z}_${s}`, { cost: zone.stepPrice, upper: 1 });
    shorts.set(`step_${z}_${s}`, short);
    builder.row(`step_${z}_${s}`, [...[...taken.values()].map((column) => [column, 1] as const), [short, 1]], {
      lower: 1,
      upper: 1,
    });
    return { step, taken, short };
  });
  steps.forEach(({ step, taken, short }, s) => {
    const next = steps[s + 1];
    if (!step.beforeNext || !next) return;
    const [least, most] = [weeksIn(step.beforeNext.least), Math.floor(step.beforeNext.most / 7)];
    for (const [week, column] of next.taken)
      builder.row(
        `chain_${z}_${s}_${week}`,
        [
          ...[...taken].filter(([w]) => week - w >= least && week - w <= most).map(([, c]) => [c, 1] as const),
          [short, 1],
          [column, -1],
        ],
        { lower: 0 },
      );
  });
  schools.amounts.forEach((amount, a) => {
    const terms = here
      .filter(
        (d) =>
          dayOf(d) >= amount.from && dayOf(d) <= amount.to && (amount.withNitrogen || (d.carrier?.brings.N ?? 0) === 0),
      )
      .flatMap((d) => rateTerms(d, d.carrier?.brings[amount.nutrient] ?? 0));
    // potash without nitrogen has the zone's day for itself (D2)
    if (!amount.withNitrogen)
      for (const week of new Set(
        here.filter((d) => dayOf(d) >= amount.from && dayOf(d) <= amount.to).map((d) => d.week),
      )) {
        const today = here.filter((d) => d.week === week);
        const feeds = today.filter((d) => (d.carrier?.brings.N ?? 0) > 0);
        for (const potash of today.filter((d) => (d.carrier?.brings.N ?? 0) === 0 && (d.carrier?.brings.K2O ?? 0) > 0))
          for (const feed of feeds)
            builder.row(
              `alone_${z}_${a}_${week}_${potash.product.id}_${feed.product.id}`,
              [
                [potash.chosen, 1],
                [feed.chosen, 1],
              ],
              { upper: 1 },
            );
      }
    const off = builder.column(`short_amount_${z}_${a}`, { cost: PRICES.schoolLb });
    if (amount.leastLb !== undefined)
      builder.row(`amount_${z}_${a}_least`, [...terms, [off, 1]], { lower: amount.leastLb + CLEAR_LB });
    if (amount.mostLb !== undefined)
      builder.row(`amount_${z}_${a}_most`, [...terms, [off, -1]], { upper: amount.mostLb });
  });
}
