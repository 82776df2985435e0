import type { ModelParts } from './model-parts';

/** A week is a trip where anything goes out anywhere; trips cost, and there may be a most of them. */
export function addTripRows({ builder, doses, problem, fed, totals }: ModelParts): void {
  const { weeks, tripCost, wishes, maxTrips, standingWeeks } = problem;
  const trips: [number, number][] = [];
  weeks.forEach((_, week) => {
    const out = doses.filter((d) => d.week === week);
    if (out.length === 0 || standingWeeks.has(week)) return;
    const trip = builder.binary(`t_${week}`, tripCost + wishes.tripLb);
    trips.push([trip, 1]);
    const goesOut = (name: string, what: readonly number[]) =>
      builder.row(`out_${week}_${name}`, [[trip, 1] as const, ...what.map((column) => [column, -1] as const)], {
        lower: 0,
      });
    for (const zone of problem.zones) {
      const feeding = fed.get(zone)?.get(week);
      if (feeding !== undefined) goesOut(`${feeding}`, [feeding]);
    }
    for (const dose of out) {
      if (!dose.correction && (dose.carrier?.brings.N ?? 0) > 0) continue;
      // lime never shares its zone's day with ammonia, so the two together still make one trip at most
      const apart =
        dose.correction?.purpose === 'lime'
          ? out.filter((d) => d.zone === dose.zone && d.carrier?.ammonia).map((d) => d.chosen)
          : [];
      goesOut(`${dose.chosen}`, [dose.chosen, ...apart]);
    }
  });
  if (trips.length > 0)
    totals.push(
      builder.counted(
        'trips',
        trips.map(([column]) => column),
      ),
    );
  // the person's own most; what it leaves no room for is short, and one more trip its cure
  if (maxTrips !== undefined) builder.row('trips', trips, { upper: Math.max(0, maxTrips - standingWeeks.size) });
}
