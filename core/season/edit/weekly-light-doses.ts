import type { PlannedDose } from '../../records/case';
import { dayAt } from '../../days/day';
import type { SeasonPlan } from '../plan/season-plan';
import { fallFromDay, RATE_STEP_LB } from '../rules/limits';
import { isSoluble } from '../rules/season-schools';
import { mondaysOf } from '../../days/weeks';
import { roundedTo } from '../../words/numbers';

/** What the school of weekly light feeding puts down each week, lb soluble N/1000 ft2. Common practice among its followers. */
const WEEKLY_LB = 0.5;

/**
 * A programme with its fall fed by the school of weekly light soluble nitrogen: half a pound every week from September until
 * growth ends, on cool-season grass, in place of what feeds nitrogen then. It is there to be compared, with what it costs,
 * mows, could leach and breaks; it is never planned. Zones of other grass, or without a soluble product, stay as they are.
 */
export function weeklyLightDoses(draft: SeasonPlan, doses: readonly PlannedDose[]): PlannedDose[] {
  const mondays = mondaysOf(draft.year);
  const fromDay = fallFromDay(draft.year);
  const fallFrom = dayAt(draft.year, fromDay);
  return draft.zones.flatMap(({ zone, grass, season, shelf }) => {
    const its = doses.filter((d) => d.zoneId === zone.id);
    const product = shelf.N?.options.find(isSoluble);
    if (grass.season !== 'cool' || !season || !product) return its;
    const last = season.feeding.lastIndexOf(true);
    const rateLb = roundedTo(WEEKLY_LB / ((product.guaranteed.N ?? 0) / 100), -Math.log10(RATE_STEP_LB));
    const weekly = mondays
      .filter(({ day }) => day >= fromDay && day <= last)
      .map(({ date }): PlannedDose => ({ zoneId: zone.id, date, productId: product.id, for: 'N', rateLb }));
    return [...its.filter((d) => d.for !== 'N' || d.date < fallFrom), ...weekly];
  });
}
