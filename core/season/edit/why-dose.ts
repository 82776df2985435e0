import type { Case, PlannedDose, Product } from '../../records/case';
import { dayOfYear, type IsoDay } from '../../days/day';
import { isFoliarPurpose } from '../../foliar/foliar-feeds';
import { packageLb } from '../../products/package-lb';
import { percentFor } from '../../products/shelf';
import { isRefusal } from '../../reckoning/refusal';
import { sayDay } from '../../words/days';
import { fixed, showMoney, showProductRate } from '../../words/numbers';
import { consequenceOf, type JudgedPlan, judgePlan } from '../checks/judge-plan';
import { growthFit } from '../output/plan-figures';
import { doseKey } from '../plan/dose-key';
import type { SeasonPlan } from '../plan/season-plan';
import { unfitBecause } from '../plan/serving';
import { shelfContext } from '../plan/shelf-context';
import { weeklyNitrogen } from '../plan/weekly-nitrogen';
import { withDoses } from '../plan/with-doses';
import { zoneGround } from '../plan/zone-ground';
import { closedBecause } from '../rules/open-days';
import { moveDose, setRate, swapProduct } from './edit-plan';
import type { Steps } from './steps';

/** Why a dose is as it is: each a sentence made from what other choices would come to, tried out when it is asked for. */
export type WhyDose = Readonly<Record<'week' | 'product' | 'rate', () => Steps<string>>>;

/** Weeks tried on either side: further off it is another dose. Decision, as the rest here. */
const MOST_WEEKS = 8;
/** A week is worse for growth where so much less of what it asks is free, percent. */
const WORSE_FIT_PERCENT = 1.5;
/** Rates tried, as shares of what stands: the first that breaks something says what holds the rate. */
const MORE = [1.1, 1.25, 1.5, 2] as const;
const LESS = [0.9, 0.75, 0.5] as const;
/** Other products told of: the next cheaper ones, or where none is cheaper the next dearer. */
const TOLD_PRODUCTS = 2;
const A_CENT = 0.005;

/** What needs no trying. */
function* said(words: string): Steps<string> {
  return words;
}

const nameOfChecks = (broken: JudgedPlan['checks']): string =>
  broken
    .slice(0, 2)
    .map((c) => `${c.title}${c.found ? ` (${c.found})` : ''}`)
    .join('; ');

/**
 * Why this week, this product and this rate: every other choice is tried on the plan and judged by the same checks, and what it would break,
 * cost or leave unmet is the reason. Nothing is told that was not tried. Each sentence is some ten or twenty judgements,
 * made when it is called, in steps of one.
 *
 * @param draft the year without its doses
 * @param before the plan as it stands, judged
 * @returns nothing where the dose or its zone is gone
 */
export function whyDose(
  given: Case,
  draft: SeasonPlan,
  doses: readonly PlannedDose[],
  before: JudgedPlan,
  key: string,
): WhyDose | undefined {
  const dose = doses.find((d) => doseKey(d) === key);
  const zoneSeason = draft.zones.find((z) => z.zone.id === dose?.zoneId);
  const products = given.products ?? [];
  const product = products.find((p) => p.id === dose?.productId);
  if (!dose || !zoneSeason || !product) return undefined;
  const fitOf = (plan: SeasonPlan): number | undefined => {
    const zone = plan.zones.find((z) => z.zone.id === dose.zoneId);
    if (!zone) return undefined;
    const { asked, freed } = weeklyNitrogen(zone, products, plan);
    return growthFit(asked, freed);
  };
  const fitBefore = (product.guaranteed.N ?? 0) > 0 ? fitOf(withDoses(draft, given, doses)) : undefined;
  /** What other doses come to: what speaks against them, nothing where nothing does, and what they cost more, $. */
  const tried = function* (
    next: readonly PlannedDose[],
    { timing = false, trips = false } = {},
  ): Steps<{ because?: string; cost: number }> {
    yield;
    const plan = withDoses(draft, given, next);
    const of = consequenceOf(before, judgePlan(given, plan));
    const { cost } = of;
    if (of.broken.length > 0) return { because: `it breaks ${nameOfChecks(of.broken)}`, cost };
    const fit = timing && fitBefore !== undefined ? fitOf(plan) : undefined;
    if (fit !== undefined && fitBefore !== undefined && fit < fitBefore - WORSE_FIT_PERCENT)
      return {
        because: `${fixed(fit, 0)} % of what growth asks would be free in its time, not ${fixed(fitBefore, 0)} %`,
        cost,
      };
    return trips && of.trips > 0 ? { because: 'it would be one trip more', cost } : { cost };
  };

  const week = function* (): Steps<string> {
    const ground = zoneGround(zoneSeason, draft, given.codes ?? []);
    const look = function* (way: -1 | 1): Steps<{ last: IsoDay; because?: string }> {
      let last = dose.date;
      for (let weeks = 1; weeks <= MOST_WEEKS; weeks++) {
        const next = moveDose(doses, key, way * weeks);
        if (isRefusal(next)) return { last, because: 'the same product goes down then' };
        const moved = next.find((d) => !doses.includes(d));
        if (!moved || moved.date === dose.date) return { last, because: 'the year ends' };
        const because =
          (ground && closedBecause(ground, product, dayOfYear(moved.date))) ??
          (yield* tried(next, { timing: true, trips: true })).because;
        if (because) return { last, because };
        last = moved.date;
      }
      return { last };
    };
    const [earlier, later] = [yield* look(-1), yield* look(1)];
    const free =
      earlier.last === later.last
        ? 'No other week serves as well.'
        : `From ${sayDay(earlier.last)} to ${sayDay(later.last)} every week serves as well.`;
    const side = (name: string, { because }: { because?: string }) => (because ? ` ${name}: ${because}.` : '');
    return `${free}${side('Earlier', earlier)}${side('Later', later)}`;
  };

  const pricePerLb = (p: Product): number => {
    const packed = packageLb(p);
    const percent = percentFor(p, dose.for);
    return packed !== undefined && p.package?.price !== undefined && percent > 0
      ? p.package.price / packed / (percent / 100)
      : Infinity;
  };
  const ofIt = dose.for === 'lime' || dose.for === 'gypsum' ? dose.for : dose.for === 'sulfur' ? 'free S' : dose.for;
  const otherProducts = function* (): Steps<string> {
    const context = shelfContext(zoneSeason);
    const ground = zoneGround(zoneSeason, draft, given.codes ?? []);
    const feeds = dose.for === 'N' || dose.for === 'P2O5' || dose.for === 'K2O';
    const told: string[] = [];
    const others = products
      .filter((p) => p.id !== product.id && !p.pesticide && !p.unfinished && percentFor(p, dose.for) > 0)
      .filter((p) => Number.isFinite(pricePerLb(p)))
      .sort((a, b) => pricePerLb(a) - pricePerLb(b));
    const cheaper = others.filter((p) => pricePerLb(p) < pricePerLb(product));
    const dearer = others.filter((p) => pricePerLb(p) >= pricePerLb(product));
    const reason = function* (p: Product): Steps<string> {
      const next = swapProduct(doses, key, p, products);
      if (isRefusal(next)) return next.refused;
      const barred =
        (feeds ? unfitBecause(p, zoneSeason.zone, context, given.codes ?? []) : undefined) ??
        (ground && closedBecause(ground, p, dayOfYear(dose.date)));
      if (barred) return barred;
      const { because, cost } = yield* tried(next, { timing: true });
      if (because) return because;
      return cost > A_CENT
        ? `in whole bags it would cost ${showMoney(cost)} more`
        : cost < -A_CENT
          ? `it would save ${showMoney(-cost)}, and is weighed against spacing, evenness and one product more`
          : 'it would serve as well';
    };
    for (const p of [...cheaper.slice(-TOLD_PRODUCTS), ...dearer].slice(0, TOLD_PRODUCTS))
      told.push(
        `${p.name}, ${cheaper.includes(p) ? 'cheaper' : 'dearer'} by the pound of ${ofIt}: ${yield* reason(p)}.`,
      );
    if (told.length === 0) return `Nothing else on the shelf with a price brings ${ofIt}.`;
    return `${cheaper.length === 0 ? `The cheapest ${ofIt} by the pound on the shelf. ` : ''}${told.join(' ')}`;
  };

  const rate = function* (): Steps<string> {
    const first = function* (shares: readonly number[]): Steps<{ lb: number; because: string } | undefined> {
      for (const share of shares) {
        const next = setRate(doses, key, dose.rateLb * share);
        if (isRefusal(next)) continue;
        const { because } = yield* tried(next);
        if (because) return { lb: dose.rateLb * share, because };
      }
      return undefined;
    };
    const at = (lb: number) => `${showProductRate(lb)} lb ${ofIt === 'lime' || ofIt === 'gypsum' ? ofIt : 'product'}`;
    const [more, less] = [yield* first(MORE), yield* first(LESS)];
    return [
      more
        ? `More, at ${at(more.lb)}: ${more.because}.`
        : 'Twice as much would break no rule; the year does not ask for it.',
      less ? `Less, at ${at(less.lb)}: ${less.because}.` : 'Half as much would break no rule.',
    ].join(' ');
  };

  if (isFoliarPurpose(dose.for))
    return {
      week: () => said('A spray for color: its days follow from its repeats and the heat.'),
      product: otherProducts,
      rate: () => said('The rate of a spray is what the leaf takes without a burn.'),
    };
  return { week, product: otherProducts, rate };
}
