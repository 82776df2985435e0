import { readFileSync } from 'node:fs';
import { readCase } from '../files/case-file';
import { type Case, type PlannedDose } from '../records/case';
import { isRefusal } from '../reckoning/refusal';
import { judgePlan } from './checks/judge-plan';
import { planSeason } from './draft/plan-season';
import { withDoses } from './plan/with-doses';

/** A demo property as it comes from its file. */
export function demoCase(name: string): Case {
  const read = readCase(readFileSync(`demo/${name}.json`, 'utf8'));
  if (isRefusal(read)) throw new Error(read.refused);
  return read;
}

/** One zone of tall fescue on silty clay loam, 3,860 sq ft, that asks for 2.25 lb N and no more. */
export const okonedo = demoCase('okonedo-residence');
export const draft = planSeason(okonedo, 2027);

/** A dose on the front lawn, lb product/1000 ft2. */
export const dose = (
  date: string,
  productId: string,
  rateLb: number,
  purpose: PlannedDose['for'] = 'N',
): PlannedDose => ({ zoneId: 'front-lawn', date, productId, for: purpose, rateLb });

/** Three feedings that keep every rule: 0.67 lb N in spring, 0.81 + 0.76 from fall on. */
export const GOOD = [
  dose('2027-05-03', 'coated-urea-42', 1.6),
  dose('2027-09-06', 'ammonium-sulfate-21', 3.86),
  dose('2027-10-18', 'ammonium-sulfate-21', 3.64),
];

export const laid = (doses: readonly PlannedDose[], given: Case = okonedo) => withDoses(draft, given, doses);
export const judged = (doses: readonly PlannedDose[], given: Case = okonedo) => judgePlan(given, laid(doses, given));
