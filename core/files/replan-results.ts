import type { RulePacks } from '../packs/rule-packs';
import { weekStart } from '../days/day';
import { type Refusal, refuse } from '../reckoning/refusal';
import type { Case, PlannedDose } from '../records/case';
import {
  brokenByFacts,
  leaveOffer,
  mendOffer,
  type Offer,
  type OfferId,
  type Replanning,
  sayChange,
  searchOffer,
  wishesFor,
} from '../replan/offers';
import { standingOf } from '../replan/standing';
import { planSeason } from '../season/draft/plan-season';
import { allAtOnce } from '../season/edit/steps';
import { currentPlan } from '../season/plan/current-plan';
import type { SeasonPlan } from '../season/plan/season-plan';
import type { BestPlan } from '../season/planner/plan-best';
import type { PlanWishes } from '../season/planner/problem-shape';

export const OFFER_IDS = ['leave', 'mend', 'search'] as const satisfies readonly OfferId[];

export interface ReplanOptions {
  date: string;
  packs?: RulePacks;
  /** Only this one; all three where nothing is said. */
  offer?: OfferId;
  /** Finds the best plan; the core has no solver of its own. */
  best: (given: Case, draft: SeasonPlan, wishes: PlanWishes) => BestPlan;
}

const dose = ({ date, productId, for: purpose, rateLb, locked }: PlannedDose) => ({
  date,
  productId,
  for: purpose,
  rateLb,
  ...(locked ? { locked } : {}),
});

const printOffer = ({ id, judged, of, lines, takenBack, edits }: Offer, { file }: Replanning) => ({
  id,
  checks: judged.checks
    .filter(({ standing }) => standing !== 'pass')
    .map(({ id: check, zoneId, standing, says, title, found }) => ({
      id: zoneId ? `${zoneId}/${check}` : check,
      standing,
      says: says ?? `${title}: ${found}`,
    })),
  cost: judged.cost,
  trips: judged.trips,
  against: {
    broken: of.broken.map(({ id: check }) => check),
    mended: of.mended.map(({ id: check }) => check),
    cost: of.cost,
  },
  edits,
  lines: lines.map(({ zoneId, word, old, next, because }) => ({
    zoneId,
    word,
    old: old ? dose(old) : null,
    new: next ? dose(next) : null,
    because: because ?? null,
  })),
  takenBack: takenBack.map(({ line, says }) => ({
    zoneId: line.zoneId,
    change: sayChange(
      line,
      (productId) => file.products?.find((product) => product.id === productId)?.name ?? productId,
    ),
    says,
  })),
});

/**
 * The rest of a kept plan on a day as `ubertas replan` prints it: what happened, what broke by it, and up to three offers line by line.
 *
 * @param file a case that knows what was given (`withGiven`)
 */
export function printReplan(file: Case, { date, packs, offer, best }: ReplanOptions) {
  const year = Number(date.slice(0, 4));
  const plan = currentPlan(file, year);
  if (plan?.keptOn === undefined || !plan.doses)
    return refuse('plans', `The file holds no kept plan of ${year}: keep one first ("keptOn").`) satisfies Refusal;
  const draft = planSeason(file, year, plan.products ?? {}, weekStart(date), packs, date);
  const at: Replanning = { file, draft, plan, standing: standingOf(file, draft, plan, date) };
  const leave = leaveOffer(at);
  const asked = (id: OfferId) => offer === undefined || offer === id;
  const mended = asked('mend') ? allAtOnce(mendOffer(at, leave)) : undefined;
  const found = asked('search') ? best(file, draft, wishesFor(at)) : undefined;
  const searched =
    found && found.status !== 'drafted' && found.status !== 'no-climate'
      ? allAtOnce(searchOffer(at, leave, found.doses))
      : undefined;
  return {
    format: 'ubertas-replan',
    version: 1,
    date,
    year,
    keptOn: plan.keptOn,
    facts: at.standing.facts,
    running: [...at.standing.running],
    broken: brokenByFacts(at, leave, packs).map(({ id, zoneId, says, title, found: was }) => ({
      id: zoneId ? `${zoneId}/${id}` : id,
      says: says ?? `${title}: ${was}`,
    })),
    offers: [...(asked('leave') ? [leave] : []), ...(mended ? [mended] : []), ...(searched ? [searched] : [])].map(
      (each) => printOffer(each, at),
    ),
    solver: found ? { status: found.status, gapPercent: found.gapPercent ?? null } : null,
  };
}
