import { daysBetween, type IsoDay } from '../days/day';
import { jobsOf } from '../field/jobs';
import { appliedOn } from '../log/applied';
import { type OverStanding, overOrUnder } from '../log/over-or-under';
import { recordsOf } from '../log/versions';
import { purposeOf } from '../products/purpose';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import type { Case, Plan, PlannedDose, PlannedFor } from '../records/case';
import { doseKey } from '../season/plan/dose-key';
import type { SeasonPlan } from '../season/plan/season-plan';
import { withDoses } from '../season/plan/with-doses';
import { givenInYear } from '../season/plan/worked-doses';
import { leastDaysBetweenN } from '../season/rules/dose-ceilings';

/** Where a kept plan stands on a day: what went down, what was not done, what is still to come. */

export interface Fact {
  zoneId: string;
  /** The day it went down; of what was not done, the day it was planned for. */
  date: IsoDay;
  productId: string;
  for: PlannedFor;
  /** lb product/1000 ft2 that went down; of what was not done, what was planned. */
  rateLb: number;
  /** What it was against its dose; `extra` where it carries out none. */
  standing: OverStanding | 'extra' | 'not-done';
  /** A share; undefined where no dose of a plan stands behind it. */
  ofPlan?: number;
  /** Days after its Monday; negative before it. */
  daysOff?: number;
  /** Why it was not done. */
  because?: string;
  recordId?: string;
}

export interface Standing {
  year: number;
  /** What happened, the newest first. */
  facts: Fact[];
  /** Doses that went down, at their real day and weight. */
  given: PlannedDose[];
  /** Doses of the plan still to come, as they were planned. */
  rest: PlannedDose[];
  /** Doses that will not come any more, with the reason. */
  gone: { dose: PlannedDose; because: string }[];
  /** Doses that somebody is out with now: they stay as they are. */
  running: ReadonlySet<string>;
}

const MISSED = 'Its week went by with no record.';

/**
 * Where the plan of a year stands. `season` is the year as it was drafted: with its prescriptions, whatever its doses.
 *
 * @example standingOf(file, draft, plan, '2027-09-10').gone[0].because // 'Its week went by with no record.'
 */
export function standingOf(file: Case, draft: SeasonPlan, plan: Plan, today: IsoDay): Standing {
  const planned = plan.doses ?? [];
  const jobs = jobsOf(file, withDoses(draft, file, planned), true, today);
  const byKey = new Map(jobs.map((job) => [job.key, job]));
  const standing: Pick<Standing, 'rest' | 'gone'> & { running: Set<string> } = {
    rest: [],
    gone: [],
    running: new Set(),
  };
  for (const dose of planned) {
    const job = byKey.get(doseKey(dose));
    switch (job?.state) {
      case 'done':
        break;
      case 'missed':
        standing.gone.push({ dose, because: MISSED });
        break;
      case 'skipped':
        standing.gone.push({ dose, because: `Left out: ${job.skippedFor || 'no reason given'}.` });
        break;
      case undefined:
        standing.gone.push({ dose, because: 'Its product or its zone is not there any more.' });
        break;
      case 'running':
      case 'weigh-back':
        standing.running.add(doseKey(dose));
        standing.rest.push(dose);
        break;
      default:
        standing.rest.push(dose);
    }
  }
  return {
    year: plan.year,
    facts: [
      ...factsOf(file, plan.year),
      ...standing.gone.map(({ dose: { zoneId, date, productId, for: purpose, rateLb }, because }): Fact => ({
        zoneId,
        date,
        productId,
        for: purpose,
        rateLb,
        standing: 'not-done',
        because,
      })),
    ].sort((a, b) => b.date.localeCompare(a.date) || a.zoneId.localeCompare(b.zoneId)),
    given: givenInYear(file, plan.year),
    ...standing,
  };
}

/** What went down in a year, each against the dose it carried out; of a dose in two parts, each part against the whole of it. */
function factsOf(file: Case, year: number): Fact[] {
  const products = new Map((file.products ?? []).map((product) => [product.id, product]));
  const bodies = new Map(recordsOf(file.records ?? []).map(({ recordId, body }) => [recordId, body]));
  return file.zones.flatMap((zone) => {
    const all = appliedOn(zone)
      .filter(({ date }) => date.startsWith(`${year}-`))
      .map((applied) => ({
        ...applied,
        rateLb: applied.zoneLb / (zone.areaSqFt / 1000),
        planned: applied.recordId === undefined ? undefined : bodies.get(applied.recordId)?.planned,
      }));
    return all.map(({ date, productId, rateLb, recordId, planned }): Fact => {
      const product = products.get(productId);
      const together = all
        .filter(
          (each) => planned && each.planned?.date === planned.date && each.planned.productId === planned.productId,
        )
        .reduce((sum, each) => sum + each.rateLb, 0);
      const ofPlan = planned && planned.rateLb > 0 ? together / planned.rateLb : undefined;
      const came =
        ofPlan === undefined
          ? undefined
          : evaluate(overOrUnder, { ratio: Math.min(20, ofPlan), leastDaysBetween: leastDaysBetweenN(zone) });
      return {
        zoneId: zone.id,
        date,
        productId,
        for: product ? purposeOf(product, false) : 'N',
        rateLb,
        standing: came && !isRefusal(came) ? (came.standing as OverStanding) : 'extra',
        ...(ofPlan === undefined ? {} : { ofPlan }),
        ...(planned ? { daysOff: daysBetween(planned.date, date) } : {}),
        ...(recordId === undefined ? {} : { recordId }),
      };
    });
  });
}
