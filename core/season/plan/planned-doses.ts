import type { PlannedDose } from '../../records/case';
import type { SeasonPlan } from './season-plan';
import { roundedTo } from '../../words/numbers';

/** Doses of a season as a plan keeps them. */
export const plannedDosesOf = (season: SeasonPlan, locked: ReadonlySet<string>): PlannedDose[] =>
  season.zones.flatMap((z) =>
    z.doses.map((d) => ({
      zoneId: d.zoneId,
      date: d.date,
      productId: d.productId,
      for: d.for,
      rateLb: roundedTo(d.rateLb, 6),
      ...(locked.has(`${d.zoneId}/${d.date}/${d.productId}`) ? { locked: true } : {}),
    })),
  );
