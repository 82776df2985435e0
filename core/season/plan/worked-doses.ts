import { groupBy } from '../../tables/group-by';
import { appliedOn } from '../../log/applied';
import { overOrUnder } from '../../log/over-or-under';
import { recordsOf } from '../../log/versions';
import type { IsoDay } from '../../days/day';
import { purposeOf } from '../../products/purpose';
import type { Case, PlannedDose, Zone } from '../../records/case';
import { evaluate } from '../../reckoning/define';
import { isRefusal } from '../../reckoning/refusal';
import { leastDaysBetweenN } from '../rules/dose-ceilings';
import { doseKey } from './dose-key';
import { keysOfGivenDoses } from './doses-given';

/**
 * A plan as it is worked with: what was given stands at its real day and weight, the rest as it was planned. The plan itself keeps what was
 * planned, so that both can be shown beside each other, and a record that is corrected later is seen everywhere at once.
 */

type Given = Pick<Case, 'zones' | 'products' | 'records' | 'runs'>;

/** Doses that went down in a year, as a plan would hold them: rates on the zone's area, twins of a day put together, oldest first. */
export function givenInYear({ zones, products = [] }: Pick<Given, 'zones' | 'products'>, year: number): PlannedDose[] {
  const shelf = new Map(products.map((product) => [product.id, product]));
  const all = zones.flatMap((zone) =>
    appliedOn(zone).flatMap(({ date, productId, zoneLb }): PlannedDose[] => {
      const product = shelf.get(productId);
      if (!product || !date.startsWith(`${year}-`)) return [];
      const rateLb = zoneLb / (zone.areaSqFt / 1000);
      return [{ zoneId: zone.id, date, productId, for: purposeOf(product, false), rateLb }];
    }),
  );
  return [...groupBy(all, doseKey).values()]
    .map((twins) => ({ ...(twins[0] as PlannedDose), rateLb: twins.reduce((sum, { rateLb }) => sum + rateLb, 0) }))
    .sort((a, b) => a.date.localeCompare(b.date));
}

/** The doses of a plan with what was given in the place of what it carried out. */
export function workedDoses(planned: readonly PlannedDose[], given: Given, year: number): PlannedDose[] {
  const done = keysOfGivenDoses(given);
  return [...givenInYear(given, year), ...planned.filter((dose) => !done.has(doseKey(dose)))].sort((a, b) =>
    a.date.localeCompare(b.date),
  );
}

/**
 * The other way: a list that was worked with, as the plan keeps it. What was given is in the log; of it the plan keeps what it had planned.
 *
 * @param before the plan's doses as they are kept
 */
export function keptDoses(
  worked: readonly PlannedDose[],
  before: readonly PlannedDose[],
  given: Pick<Case, 'zones' | 'runs' | 'records'>,
): PlannedDose[] {
  const done = keysOfGivenDoses(given);
  return [
    ...before.filter((dose) => done.has(doseKey(dose))),
    ...worked.filter((dose) => !done.has(doseKey(dose))),
  ].sort((a, b) => a.date.localeCompare(b.date));
}

/** A feeding of which so much more went down than was planned that the next one waits longer. */
export interface OverDose {
  zoneId: string;
  /** The day of its last part. */
  date: IsoDay;
  /** What went down of the plan, a share. */
  ofPlan: number;
  /** The next feeding waits so many days more than two feedings always do. */
  laterDays: number;
}

/**
 * Feedings of a zone that were over their plan, all records of one dose taken together (field.over): twice the dose is twice the dose, on one
 * day or on two.
 */
export function overDoses({ products = [], records = [] }: Given, zone: Zone): OverDose[] {
  if (records.length === 0) return [];
  const feeds = new Set(products.filter(({ guaranteed }) => (guaranteed.N ?? 0) > 0).map(({ id }) => id));
  const bodies = new Map(recordsOf(records).map(({ recordId, body }) => [recordId, body]));
  const parts = appliedOn(zone).flatMap(({ date, productId, zoneLb, recordId }) => {
    const planned = recordId === undefined ? undefined : bodies.get(recordId)?.planned;
    return planned && planned.rateLb > 0 && feeds.has(productId)
      ? [
          {
            date,
            ofPlan: zoneLb / (zone.areaSqFt / 1000) / planned.rateLb,
            dose: `${planned.date}/${planned.productId}`,
          },
        ]
      : [];
  });
  return [...groupBy(parts, ({ dose }) => dose).values()].flatMap((of): OverDose[] => {
    const ofPlan = of.reduce((sum, part) => sum + part.ofPlan, 0);
    const came = evaluate(overOrUnder, { ratio: Math.min(20, ofPlan), leastDaysBetween: leastDaysBetweenN(zone) });
    const date = of.at(-1)?.date;
    return isRefusal(came) || date === undefined || came.laterDays === 0
      ? []
      : [{ zoneId: zone.id, date, ofPlan, laterDays: came.laterDays }];
  });
}
