import { daysBetween } from '../../days/day';
import { LIME_NITROGEN_GAP_DAYS } from '../rules/limits';
import { isFeedingLb } from '../plan/feeding';
import { type DoseVariable, type ModelParts, rateTerms } from './model-parts';
import { MOST_PRODUCTS_A_DAY } from '../rules/limits';
import { PRICES } from './prices';
import type { ZoneProblem } from './problem-shape';
import { weeksIn } from '../../days/weeks';

/** One N product a zone and day, the wait between feedings, lime clear of ammonia. */
export function addCalendarRows(parts: ModelParts, z: number): void {
  const { builder, problem } = parts;
  const zone = problem.zones[z] as ZoneProblem;
  const here = parts.doses.filter((d) => d.zone === zone);
  const fed = new Map<number, number>();
  parts.fed.set(zone, fed);
  const weeks = problem.weeks.length;
  for (let week = 0; week < weeks; week++) {
    const feeding = here.filter((d) => d.week === week && (d.carrier?.brings.N ?? 0) > 0);
    if (feeding.length > 0) {
      const column = builder.binary(`n_${z}_${week}`);
      fed.set(week, column);
      builder.row(`fed_${z}_${week}`, [...feeding.map((d) => [d.chosen, 1] as const), [column, -1]], {
        lower: 0,
        upper: 0,
      });
    }
    const today = here.filter((d) => d.week === week);
    if (today.length > MOST_PRODUCTS_A_DAY)
      builder.row(
        `passes_${z}_${week}`,
        today.map((d) => [d.chosen, 1] as const),
        { upper: MOST_PRODUCTS_A_DAY },
      );
    if (zone.mostSaltLb < Infinity)
      builder.row(
        `salt_${z}_${week}`,
        today.flatMap((d) => rateTerms(d, d.carrier?.brings.saltLb ?? 0)),
        { upper: zone.mostSaltLb },
      );
    builder.row(
      `potash_${z}_${week}`,
      today.flatMap((d) => rateTerms(d, d.carrier?.brings.K2O ?? 0)),
      { upper: zone.potashDoseLb },
    );
  }
  const standing = zone.standing.filter((d) => isFeedingLb((d.rateLb * (d.product.guaranteed.N ?? 0)) / 100));
  for (let from = 0; from < weeks; from++) {
    const window = [...fed].filter(([week]) => week >= from && week < from + zone.gapWeeks);
    if (window.length > 1 && fed.has(from))
      builder.row(
        `gap_${z}_${from}`,
        window.map(([, column]) => [column, 1] as const),
        { upper: 1 },
      );
  }
  const withNitrogen = new Set(
    zone.standing.filter((d) => d.rateLb * (d.product.guaranteed.N ?? 0) > 0).map(({ date }) => date),
  );
  for (const [week, column] of fed)
    if (
      // a spray's few hundredths are no feeding, and on one day with a full dose they would pass its ceiling
      withNitrogen.has((problem.weeks[week] as { date: string }).date) ||
      standing.some((d) => {
        const later = daysBetween(d.date, (problem.weeks[week] as { date: string }).date);
        return Math.abs(later) < zone.gapWeeks * 7 || (later > 0 && later < zone.gapWeeks * 7 + (d.laterDays ?? 0));
      })
    )
      builder.row(`stands_${z}_${week}`, [[column, 1]], { upper: 0 });
  addMostIntervalRows(parts, z, fed);
  addLimeGapRows(parts, z);
}

/** Within the open season no stretch longer than the longest wait should go unfed, as far as the year's N makes enough doses. */
function addMostIntervalRows({ builder, problem }: ModelParts, z: number, fed: Map<number, number>): void {
  const zone = problem.zones[z] as ZoneProblem;
  if (zone.nitrogen.least <= 0) return;
  const open = [...fed.keys()].sort((a, b) => a - b);
  const smallest = Math.min(...zone.carriers.filter((c) => c.brings.N > 0).map((c) => c.leastRateLb * c.brings.N));
  const affordable = Math.floor(zone.nitrogen.most / smallest);
  // so few pounds may not reach round the season: then the wait is what the doses make possible
  const wait = Math.max(zone.mostGapWeeks, Math.ceil(open.length / Math.max(1, affordable)) + 1);
  for (let i = 0; i + wait <= open.length; i++) {
    const window = open.slice(i, i + wait);
    const [first, last] = [window[0] as number, window.at(-1) as number];
    // a summer or a closure inside it is no neglect: only an unbroken stretch counts
    if (last - first !== wait - 1) continue;
    const stands = zone.standing.some((d) => {
      const [from, to] = [problem.weeks[first]?.date ?? '', problem.weeks[last]?.date ?? ''];
      return isFeedingLb((d.rateLb * (d.product.guaranteed.N ?? 0)) / 100) && d.date >= from && d.date <= to;
    });
    if (stands) continue;
    const late = builder.column(`late_${z}_${first}`, { cost: PRICES.waitWeek, upper: 1 });
    builder.row(
      `wait_${z}_${first}`,
      [...window.map((week) => [fed.get(week) as number, 1] as const), [late, 1] as const],
      { lower: 1 },
    );
  }
}

function addLimeGapRows({ builder, doses, problem }: ModelParts, z: number): void {
  const zone = problem.zones[z] as ZoneProblem;
  const here = doses.filter((d) => d.zone === zone);
  const gap = weeksIn(LIME_NITROGEN_GAP_DAYS);
  const ammonia = here.filter((d) => d.carrier?.ammonia);
  const limes = here.filter((d) => d.correction?.purpose === 'lime');
  const near = (all: readonly DoseVariable[], week: number) =>
    all.filter((d) => Math.abs(d.week - week) < gap).map((d) => [d.chosen, 1] as const);
  // feedings stand further apart than lime and ammonia must, so one row may hold all that are near a lime
  const oneFeeding = zone.gapWeeks >= 2 * gap - 1;
  for (const lime of limes) {
    if (oneFeeding)
      builder.row(`lime_${z}_${lime.week}`, [[lime.chosen, 1], ...near(ammonia, lime.week)], { upper: 1 });
    else
      for (let week = lime.week - gap + 1; week < lime.week + gap; week++) {
        const then = ammonia.filter((d) => d.week === week).map((d) => [d.chosen, 1] as const);
        if (then.length > 0) builder.row(`lime_${z}_${lime.week}_${week}`, [[lime.chosen, 1], ...then], { upper: 1 });
      }
    const date = problem.weeks[lime.week]?.date ?? '';
    const standing = zone.standing.some(
      (d) =>
        d.for !== 'lime' &&
        isFeedingLb((d.rateLb * (d.product.guaranteed.N ?? 0)) / 100) &&
        Math.abs(daysBetween(d.date, date)) < LIME_NITROGEN_GAP_DAYS,
    );
    if (standing) builder.row(`limestands_${z}_${lime.week}`, [[lime.chosen, 1]], { upper: 0 });
  }
  // the same seen from the feeding: of the limes of one span only one goes down
  for (const span of limes[0]?.correction?.spans ?? [])
    for (const week of new Set(ammonia.map((d) => d.week))) {
      const about = near(
        limes.filter((d) => span.includes(d.week)),
        week,
      );
      if (about.length > 1)
        builder.row(
          `limes_${z}_${week}_${span[0]}`,
          [...about, ...ammonia.filter((d) => d.week === week).map((d) => [d.chosen, 1] as const)],
          { upper: 1 },
        );
    }
  for (const stood of zone.standing.filter((d) => d.for === 'lime'))
    for (const dose of ammonia)
      if (Math.abs(daysBetween(stood.date, problem.weeks[dose.week]?.date ?? '')) < LIME_NITROGEN_GAP_DAYS)
        builder.row(`afterlime_${z}_${dose.week}`, [[dose.chosen, 1]], { upper: 0 });
}
