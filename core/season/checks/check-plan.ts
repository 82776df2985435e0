import type { Case } from '../../records/case';
import { amountChecks } from './amount-checks';
import { calendarChecks } from './calendar-checks';
import { setbackFt } from '../rules/local-codes';
import { byDay, type Check, dosesIn, type Facts } from './check';
import { doseChecks } from './dose-checks';
import type { SeasonPlan, ZoneSeason } from '../plan/season-plan';
import { purchases } from '../../products/purchases';

export type { Check } from './check';

const ORDER = { fail: 0, warn: 1, pass: 2 };
const worstFirst = (checks: Check[]): Check[] => checks.sort((a, b) => ORDER[a.standing] - ORDER[b.standing]);

function groundChecks({ zoneSeason, doses, codes }: Facts): Check[] {
  const { zone, prescription } = zoneSeason;
  const checks: Check[] = [];
  const setback = setbackFt(codes);
  if (zone.waterDistanceFt !== undefined && zone.waterDistanceFt < setback && doses.length > 0)
    checks.push({
      id: 'setback',
      standing: 'warn',
      title: 'Distance to water',
      found: `${zone.waterDistanceFt} ft of ${setback}`,
      says: `Water is ${zone.waterDistanceFt} ft away: nothing goes within ${setback} ft of it. Measure the zone without that strip.`,
    });
  const needsTest = codes.some((c) => c.phosphorusNeedsTest) && !prescription.tested;
  const phosphate = doses.filter((d) => (d.delivers.P2O5 ?? 0) > 0);
  if (needsTest && phosphate.length > 0)
    checks.push({
      id: 'phosphorus-test',
      standing: 'fail',
      title: 'Phosphorus without a test',
      found: dosesIn(phosphate),
      says: 'The local code allows no phosphorus without a soil test, and this zone has none.',
    });
  return checks;
}

/**
 * Recomputes every rule from the finished doses of a zone, without asking the planner how it got there. Fails first,
 * then warnings, then passes.
 */
export function checkZonePlan(zoneSeason: ZoneSeason, given: Case, plan: SeasonPlan): Check[] {
  const products = new Map((given.products ?? []).map((p) => [p.id, p]));
  const facts: Facts = {
    zoneSeason,
    plan,
    given,
    codes: given.codes ?? [],
    doses: zoneSeason.doses,
    days: byDay(zoneSeason.doses),
    productOf: (dose) => products.get(dose.productId),
    soilF: plan.soilF,
  };
  return worstFirst([...amountChecks(facts), ...doseChecks(facts), ...calendarChecks(facts), ...groundChecks(facts)]);
}

/** Rules that hold for the property as a whole: trips, and what is bought and left. */
export function checkPropertyPlan(given: Case, plan: SeasonPlan): Check[] {
  const doses = plan.zones.flatMap((z) => z.doses);
  const trips = new Set(doses.map((d) => d.date)).size;
  const most = given.choices?.maxTrips;
  const checks: Check[] = [
    {
      id: 'trips',
      standing: most !== undefined && trips > most ? 'warn' : 'pass',
      title: 'Trips',
      found: most === undefined ? `${trips}` : `${trips} of ${most}`,
      says:
        most !== undefined && trips > most
          ? `${trips} days of spreading are more than the ${most} allowed.`
          : undefined,
    },
  ];
  const unknown = doses.filter((d) => !(given.products ?? []).some((p) => p.id === d.productId));
  if (unknown.length > 0)
    checks.push({
      id: 'products',
      standing: 'fail',
      title: 'Products of the plan',
      found: `${unknown.length} not on the shelf`,
      says: `The plan spreads ${unknown[0]?.productId}, which is not on the shelf any more.`,
    });
  const unpriced = purchases(doses, given.products ?? []).filter((p) => p.lb > 0 && p.cost === undefined);
  if (unpriced.length > 0)
    checks.push({
      id: 'prices',
      standing: 'warn',
      title: 'Prices',
      found: `${unpriced.length} missing`,
      says: `${unpriced.map((p) => p.name).join(', ')} has no price or package on the shelf, so the cost is only part of the cost.`,
    });
  return worstFirst(checks);
}
