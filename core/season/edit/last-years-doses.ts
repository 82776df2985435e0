import type { Case, PlannedDose } from '../../records/case';
import { currentPlan } from '../plan/current-plan';
import { addDays, type IsoDay, weekStart } from '../../days/day';
import { purposeOf } from '../../products/purpose';

/** The Monday of the same week of another year. */
function sameWeek(date: IsoDay, year: number): IsoDay {
  const monday = weekStart(`${year}${date.slice(4) === '-02-29' ? '-02-28' : date.slice(4)}`);
  return monday.startsWith(String(year)) ? monday : addDays(monday, 7);
}

/**
 * Last year's programme, dated into this year: what was really put down where the zones have a record of it, else what was
 * planned. Two doses of a product that fall on one Monday become one. Empty where nothing is known of last year.
 */
export function lastYearsDoses(given: Case, year: number): PlannedDose[] {
  const products = given.products ?? [];
  const planned = currentPlan(given, year - 1)?.doses ?? [];
  const doses = given.zones.flatMap((zone): PlannedDose[] => {
    const applied = (zone.applied ?? []).filter((a) => a.date.startsWith(`${year - 1}-`));
    if (applied.length === 0) return planned.filter((d) => d.zoneId === zone.id);
    return applied.flatMap(({ date, productId, zoneLb }) => {
      const product = products.find((p) => p.id === productId);
      return product
        ? [
            {
              zoneId: zone.id,
              date,
              productId,
              for: purposeOf(product, false),
              rateLb: zoneLb / (zone.areaSqFt / 1000),
            },
          ]
        : [];
    });
  });
  const byPlace = new Map<string, PlannedDose>();
  for (const { locked: _locked, ...dose } of doses) {
    const date = sameWeek(dose.date, year);
    const key = `${dose.zoneId}/${date}/${dose.productId}`;
    const there = byPlace.get(key);
    byPlace.set(key, { ...dose, date, rateLb: dose.rateLb + (there?.rateLb ?? 0) });
  }
  return [...byPlace.values()].sort((a, b) => a.date.localeCompare(b.date));
}
