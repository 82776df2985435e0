import { purchases } from '../../products/purchases';
import type { Case } from '../../records/case';
import type { SeasonPlan } from '../plan/season-plan';
import { check } from './check';

/** Rules that hold for the property as a whole: trips, and what is bought and left. */

export interface PropertyFacts {
  given: Case;
  plan: SeasonPlan;
}

const dosesOf = ({ plan }: PropertyFacts) => plan.zones.flatMap((z) => z.doses);

const trips = check({
  id: 'trips',
  kind: 'property',
  title: 'Trips',
  rule: 'The days of spreading are no more than were allowed.',
  measure: (facts: PropertyFacts) => {
    const days = new Set(dosesOf(facts).map((d) => d.date)).size;
    const most = facts.given.choices?.maxTrips;
    return { found: most === undefined ? `${days}` : `${days} of ${most}`, days, most };
  },
  standing: ({ days, most = Infinity }) => (days > most ? 'warn' : 'pass'),
  says: ({ days, most }) => `${days} days of spreading are more than the ${most} allowed.`,
});

const onTheShelf = check({
  id: 'products',
  kind: 'property',
  title: 'Products of the plan',
  rule: 'Every product of the plan stands on the shelf.',
  measure: (facts: PropertyFacts) => {
    const unknown = dosesOf(facts).filter((d) => !(facts.given.products ?? []).some((p) => p.id === d.productId));
    // the doses stand in their zones: a check of the whole property points at none
    return unknown[0] && { found: `${unknown.length} not on the shelf`, productId: unknown[0].productId };
  },
  standing: () => 'fail',
  says: ({ productId }) => `The plan spreads ${productId}, which is not on the shelf any more.`,
});

const prices = check({
  id: 'prices',
  kind: 'property',
  title: 'Prices',
  rule: 'Everything bought has a price and a package, or the cost is only part of the cost.',
  measure: (facts: PropertyFacts) => {
    const unpriced = purchases(dosesOf(facts), facts.given.products ?? []).filter(
      (p) => p.lb > 0 && p.cost === undefined,
    );
    return unpriced.length === 0
      ? undefined
      : { found: `${unpriced.length} missing`, names: unpriced.map((p) => p.name).join(', ') };
  },
  standing: () => 'warn',
  says: ({ names }) => `${names} has no price or package on the shelf, so the cost is only part of the cost.`,
});

export const PROPERTY_CHECKS = [trips, onTheShelf, prices];
