import type { Case, PlannedDose, Product, Zone } from '../../records/case';
import { faceOf } from '../../products/label/face';
import { percentFor } from '../../products/shelf';
import { isRefusal, type Refusal } from '../../reckoning/refusal';
import { doseKey } from '../plan/dose-key';
import { BADNESS } from '../checks/check';
import { checkZonePlan } from '../checks/check-plan';
import { sayDay } from '../../words/days';
import { type Consequence, consequenceOf, type JudgedPlan, judgePlan } from '../checks/judge-plan';
import type { Steps } from './steps';
import { moveDose, removeDose, setRate, swapProduct } from './edit-plan';
import { keysOfGivenDoses } from '../plan/doses-given';
import type { SeasonPlan, ZoneSeason } from '../plan/season-plan';
import { RATE_STEP_LB } from '../rules/limits';
import { leastRateLb } from '../../products/least-rate';
import { withDoses } from '../plan/with-doses';
import { fixed, roundedTo } from '../../words/numbers';

type JudgedCheck = JudgedPlan['checks'][number];

/** One hand edit that would mend a check, tried out. */
export interface MendingEdit {
  /** What to do, as on a button: 'Move 2 Nov to 9 Nov'. */
  says: string;
  doses: PlannedDose[];
  of: Consequence;
}

/** Weeks a dose is tried away from where it stands; further off it is another plan. Common practice: a season is a quarter. */
const MOST_WEEKS = 13;
/** Offered at the most: one to take, one to weigh it against. */
const OFFERED = 2;
/** Halvings of a rate in search of the most that passes: closer than a hundredth of a pound from 80 lb down. */
const HALVINGS = 13;

interface Tried {
  kind: 'move' | 'rate' | 'swap' | 'remove';
  key: string;
  says: string;
  doses: PlannedDose[];
  /** Smaller is nearer to what stands. */
  far: number;
}

const RANK = { move: 0, rate: 1, swap: 2, remove: 3 } as const;

/** A check of a zone with what it takes to try a changed plan on it; undefined where it passes, or is of the whole property. */
function trialOf(
  given: Case,
  draft: SeasonPlan,
  doses: readonly PlannedDose[],
  before: JudgedPlan,
  check: JudgedCheck,
) {
  const { zoneId } = check;
  const zoneSeason = draft.zones.find((z) => z.zone.id === zoneId);
  if (!zoneId || !zoneSeason || check.standing === 'pass') return undefined;
  const stands = new Map(before.checks.filter((c) => c.zoneId === zoneId).map((c) => [c.id, c.standing]));
  const alone: SeasonPlan = { ...draft, zones: [zoneSeason] };
  const checksOf = (next: readonly PlannedDose[]) => {
    const [season] = withDoses(alone, given, next).zones;
    return season ? checkZonePlan(season, given, alone) : [];
  };
  const isClear = (found: ReturnType<typeof checksOf>) =>
    found.length > 0 && !found.some((c) => c.id === check.id && c.standing !== 'pass');
  const standing = keysOfGivenDoses(given);
  const here = doses.filter((d) => d.zoneId === zoneId);
  const free = here.filter((d) => !d.locked && !standing.has(doseKey(d)));
  return {
    zoneSeason,
    here,
    free,
    atFault: free.filter((d) => check.doses?.includes(doseKey(d))),
    clears: (next: readonly PlannedDose[]): boolean => isClear(checksOf(next)),
    /** Whether a changed plan of the zone mends the check and leaves every other at least as good. */
    mends: (next: readonly PlannedDose[]): boolean => {
      const found = checksOf(next);
      return isClear(found) && found.every((c) => BADNESS[c.standing] <= BADNESS[stands.get(c.id) ?? 'pass']);
    },
  };
}

/** Weeks that two doses are tried away together. */
const MOST_WEEKS_TOGETHER = 8;

/**
 * Two doses of a zone moved together, where no single edit mends a check: one gives way and pushes the next. The least move that mends it and
 * breaks nothing else; undefined where none does.
 */
export function* movesThatMend(
  given: Case,
  draft: SeasonPlan,
  doses: readonly PlannedDose[],
  before: JudgedPlan,
  check: JudgedCheck,
): Steps<{ says: string[]; doses: PlannedDose[] } | undefined> {
  const trial = trialOf(given, draft, doses, before, check);
  if (!trial) return undefined;
  const pairs = trial.atFault.flatMap((dose) =>
    trial.free.filter((other) => other !== dose).map((other) => ({ dose, other })),
  );
  for (let weeks = 2; weeks <= 2 * MOST_WEEKS_TOGETHER; weeks++)
    for (const way of [1, -1])
      for (let first = 1; first < weeks; first++) {
        if (first > MOST_WEEKS_TOGETHER || weeks - first > MOST_WEEKS_TOGETHER) continue;
        for (const { dose, other } of pairs) {
          yield;
          const once = moveDose(doses, doseKey(dose), way * first);
          const next = isRefusal(once) ? once : moveDose(once, doseKey(other), way * (weeks - first));
          if (isRefusal(next) || !trial.mends(next)) continue;
          const says = next
            .map((moved, i) => ({ moved, was: doses[i] as PlannedDose }))
            .filter(({ moved, was }) => moved.date !== was.date)
            .map(({ moved, was }) => `Move ${sayDay(was.date)} to ${sayDay(moved.date)}`);
          return { says, doses: next };
        }
      }
  return undefined;
}

/**
 * Single hand edits that would mend a check of a zone and break nothing else, the least first: another week, another rate,
 * another product, without the dose. Each is tried out and judged by every check of its zone, so that nothing is offered
 * which does not hold. Given and locked doses are left alone. None for checks of the whole property. In steps of one judgement, so
 * that a page can do other things between them.
 *
 * @param draft the year without its doses
 * @param before the plan as it stands, judged
 */
export function* editsThatMend(
  given: Case,
  draft: SeasonPlan,
  doses: readonly PlannedDose[],
  before: JudgedPlan,
  check: JudgedCheck,
): Steps<MendingEdit[]> {
  const trial = trialOf(given, draft, doses, before, check);
  if (!trial) return [];
  const { zoneSeason, clears, mends, here, free, atFault } = trial;
  const products = given.products ?? [];
  const amount = check.yearOf;
  const tried: Tried[] = [];
  for (const dose of atFault.length > 0 ? atFault : free) {
    const key = doseKey(dose);
    const product = products.find((p) => p.id === dose.productId);
    const crowded = product && here.some((d) => d !== dose && d.date === dose.date);
    const name = crowded ? `${faceOf(product)} of ${sayDay(dose.date)}` : sayDay(dose.date);
    const keep = function* (
      kind: Tried['kind'],
      says: string,
      next: PlannedDose[] | Refusal,
      far: number,
    ): Steps<boolean> {
      yield;
      if (isRefusal(next) || !mends(next)) return false;
      tried.push({ kind, key, says, doses: next, far });
      return true;
    };
    if (!product) {
      yield* keep('remove', `Take out ${name}`, removeDose(doses, key), 0);
      continue;
    }
    const unit = dose.for === 'lime' ? 'lb lime' : 'lb product';
    if (!amount)
      for (const way of [-1, 1])
        for (let weeks = 1; weeks <= MOST_WEEKS; weeks++) {
          const next = moveDose(doses, key, way * weeks);
          const moved = isRefusal(next) ? undefined : next.find((d) => !doses.includes(d));
          if (!moved || moved.date === dose.date) continue;
          if (yield* keep('move', `Move ${name} to ${sayDay(moved.date)}`, next, weeks)) break;
        }
    const rateLb = amount
      ? rateForYear(amount, dose, product, here, products, zoneSeason)
      : atFault.length > 0
        ? yield* mostThatPasses(zoneSeason.zone, dose, product, (lb) => {
            const next = setRate(doses, key, lb);
            return !isRefusal(next) && clears(next);
          })
        : undefined;
    if (rateLb !== undefined)
      yield* keep(
        'rate',
        `${rateLb > dose.rateLb ? 'Raise' : 'Lower'} ${name} to ${fixed(rateLb, 2)} ${unit}`,
        setRate(doses, key, rateLb),
        Math.abs(rateLb - dose.rateLb) / dose.rateLb,
      );
    if (atFault.length === 0) continue;
    const others = zoneSeason.shelf[dose.for]?.options ?? [];
    for (const other of others)
      if (other.id !== product.id)
        yield* keep('swap', `Take ${other.name} on ${sayDay(dose.date)}`, swapProduct(doses, key, other, products), 0);
    yield* keep('remove', `Take out ${name}`, removeDose(doses, key), 0);
  }

  const nearest = tried.sort((a, b) => RANK[a.kind] - RANK[b.kind] || a.far - b.far);
  const judged: MendingEdit[] = [];
  for (const { says, doses: next } of nearest.slice(0, 4 * OFFERED)) {
    yield;
    judged.push({ says, doses: next, of: consequenceOf(before, judgePlan(given, withDoses(draft, given, next))) });
  }
  return judged.filter(({ of }) => of.broken.length === 0).slice(0, OFFERED);
}

/** Most of a dose that passes, lb product/1000 ft2, between the least practical rate and what stands; undefined where even the least does not. */
function* mostThatPasses(
  zone: Zone,
  dose: PlannedDose,
  product: Product,
  passes: (lb: number) => boolean,
): Steps<number | undefined> {
  let low = leastRateLb(product, zone);
  let high = dose.rateLb;
  if (low >= high || !passes(low)) return undefined;
  for (let i = 0; i < HALVINGS && high - low > RATE_STEP_LB; i++) {
    yield;
    const middle = roundedTo((low + high) / 2, 2);
    if (passes(middle)) low = middle;
    else high = middle;
  }
  return roundedTo(low, 2);
}

/** Rate at which a dose would bring the year's amount to what is prescribed; undefined where that is under the least practical one. */
function rateForYear(
  nutrient: 'N' | 'P2O5' | 'K2O',
  dose: PlannedDose,
  product: Product,
  here: readonly PlannedDose[],
  products: readonly Product[],
  { zone, prescription: { nitrogen, phosphorus, potassium } }: ZoneSeason,
): number | undefined {
  const share = (product.guaranteed[nutrient] ?? 0) / 100;
  if (share === 0) return undefined;
  const brought = here.reduce((sum, d) => {
    const its = products.find((p) => p.id === d.productId);
    return sum + (d.rateLb * (its?.guaranteed[nutrient] ?? 0)) / 100;
  }, 0);
  const want = { N: nitrogen.year.value, P2O5: phosphorus.yearLb, K2O: potassium.yearLb }[nutrient];
  const rateLb = roundedTo(dose.rateLb + (want - brought) / share, 2);
  return rateLb >= leastRateLb(product, zone) && percentFor(product, dose.for) > 0 ? rateLb : undefined;
}
