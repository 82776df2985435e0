import { weekStart } from '../days/day';
import type { Case, Plan, PlannedDose } from '../records/case';
import type { RulePacks } from '../packs/rule-packs';
import { BADNESS } from '../season/checks/check';
import { type Consequence, consequenceOf, type JudgedPlan, judgePlan } from '../season/checks/judge-plan';
import { planSeason } from '../season/draft/plan-season';
import { editsThatMend, movesThatMend } from '../season/edit/edits-that-mend';
import type { Steps } from '../season/edit/steps';
import { growthFit } from '../season/output/plan-figures';
import { doseKey } from '../season/plan/dose-key';
import type { SeasonPlan } from '../season/plan/season-plan';
import { weeklyNitrogen } from '../season/plan/weekly-nitrogen';
import { withDoses } from '../season/plan/with-doses';
import { workedDoses } from '../season/plan/worked-doses';
import { askedOfYear, type YearNutrient } from '../season/plan/asked-of-year';
import { PRICES } from '../season/planner/prices';
import { type PlanWishes, WISHES } from '../season/planner/problem-shape';
import { yearToleranceLb } from '../season/rules/limits';
import { sayDay } from '../words/days';
import { fixed, showMoney, two } from '../words/numbers';
import { pairedLines, type ReplanLine } from './lines';
import type { Standing } from './standing';

/**
 * What can be done with the rest of a year that did not go as planned: leave it, mend it, find it again. Each is judged on the whole year with
 * what went down in it, and every line that changes says what would be wrong without the change, found by trying it.
 */

export type OfferId = 'leave' | 'mend' | 'search';

/** A line with why it is as it is. */
export interface ReasonedLine extends ReplanLine {
  because?: string;
}

/** A change that broke nothing when it was taken back, and saved too little to be made. */
export interface TakenBack {
  line: ReplanLine;
  says: string;
}

export interface Offer {
  id: OfferId;
  /** The whole year: what went down and what is to come. */
  doses: PlannedDose[];
  judged: JudgedPlan;
  /** Against leaving the rest. */
  of: Consequence;
  lines: ReasonedLine[];
  takenBack: TakenBack[];
  /** Hand edits of a mended plan, as on a button. */
  edits: string[];
}

/** A property whose year is planned again. */
export interface Replanning {
  file: Case;
  /** The year by the plain rule, from this week on. */
  draft: SeasonPlan;
  plan: Plan;
  standing: Standing;
}

/** Most hand edits of an offer: more of them are another plan. Decision. */
const MOST_EDITS = 2;
const ASKED: readonly YearNutrient[] = ['N', 'P2O5', 'K2O', 'Mg', 'S'];
/** So much less of a need is something, lb/1000 ft2: what rates are rounded by is nothing. Decision. */
const LEAST_BROUGHT_LB = 0.02;
/** Growth is served worse where so much less of what it asks is free in its time, percent. */
const WORSE_FIT_PERCENT = 1.5;

const judgedWith = ({ file, draft }: Replanning, doses: readonly PlannedDose[]): JudgedPlan =>
  judgePlan(file, withDoses(draft, file, doses));
const sorted = (doses: readonly PlannedDose[]): PlannedDose[] =>
  [...doses].sort((a, b) => a.date.localeCompare(b.date) || a.zoneId.localeCompare(b.zoneId));

/** What is still to come of a whole year. */
const restOf = (doses: readonly PlannedDose[], { given }: Standing): PlannedDose[] => {
  const down = new Set(given.map(doseKey));
  return doses.filter((dose) => !down.has(doseKey(dose)));
};
const goneDoses = ({ gone }: Standing): PlannedDose[] => gone.map(({ dose }) => dose);

/** The rest as it was planned, beside what went down. */
export function leaveOffer(at: Replanning): Offer {
  const { standing } = at;
  const doses = sorted([...standing.given, ...standing.rest]);
  const judged = judgedWith(at, doses);
  return {
    id: 'leave',
    doses,
    judged,
    of: consequenceOf(judged, judged),
    lines: withGoneReasons(pairedLines(standing.rest, standing.rest, goneDoses(standing)), standing),
    takenBack: [],
    edits: [],
  };
}

/**
 * Rules that held while everything went as planned, and hold no longer with what went down. None: the rest still stands.
 *
 * @param packs what the year is drafted by, as for the plan itself
 */
export function brokenByFacts(
  { file, plan, standing }: Replanning,
  leave: Offer,
  packs?: RulePacks,
): JudgedPlan['checks'] {
  // the year as it was meant when it was kept: of what was written down only that for which it was made
  const known = new Set(plan.because ?? []);
  const meant: Case = {
    ...file,
    runs: [],
    records: (file.records ?? []).filter(({ recordId }) => known.has(recordId)),
    zones: file.zones.map((zone) => ({
      ...zone,
      applied: zone.applied?.filter(
        ({ date, recordId }) =>
          !date.startsWith(`${standing.year}-`) || (recordId !== undefined && known.has(recordId)),
      ),
    })),
  };
  const from = plan.keptOn === undefined ? undefined : weekStart(plan.keptOn);
  const draft = planSeason(meant, standing.year, plan.products ?? {}, from, packs, plan.keptOn);
  const doses = workedDoses(plan.doses ?? [], meant, standing.year);
  return consequenceOf(judgePlan(meant, withDoses(draft, meant, doses)), leave.judged).broken;
}

const badnessOf = ({ checks }: JudgedPlan): number =>
  checks.reduce((sum, { standing }) => sum + BADNESS[standing] ** 3, 0);

/**
 * The rest with at most two hand edits, each the one that mends most; undefined where none mends anything. Doses that are locked or that
 * somebody is out with are left alone.
 */
export function* mendOffer(at: Replanning, leave: Offer): Steps<Offer | undefined> {
  const { file, draft, standing } = at;
  const isLocked = new Map(leave.doses.map((dose) => [doseKey(dose), dose.locked]));
  let doses = leave.doses.map((dose) => (standing.running.has(doseKey(dose)) ? { ...dose, locked: true } : dose));
  let judged = leave.judged;
  const edits: string[] = [];
  while (edits.length < MOST_EDITS) {
    const offered: { says: string[]; doses: PlannedDose[]; after: JudgedPlan }[] = [];
    for (const check of judged.checks.filter((each) => each.standing !== 'pass' && each.zoneId !== undefined)) {
      const [single] = yield* editsThatMend(file, draft, doses, judged, check);
      const edit = single
        ? { says: [single.says], doses: single.doses }
        : check.standing === 'fail' && edits.length + 2 <= MOST_EDITS
          ? yield* movesThatMend(file, draft, doses, judged, check)
          : undefined;
      if (!edit) continue;
      yield;
      offered.push({ ...edit, after: judgedWith(at, edit.doses) });
    }
    const [best] = offered.sort((a, b) => badnessOf(a.after) - badnessOf(b.after) || a.after.cost - b.after.cost);
    if (!best || badnessOf(best.after) >= badnessOf(judged)) break;
    doses = best.doses;
    judged = best.after;
    edits.push(...best.says);
  }
  if (edits.length === 0) return undefined;
  // what runs was held only here
  const freed = doses.map(({ locked, ...dose }): PlannedDose => {
    const was = standing.running.has(doseKey(dose)) ? isLocked.get(doseKey(dose)) : locked;
    return was ? { ...dose, locked: true } : dose;
  });
  return { ...(yield* reasoned(at, leave, 'mend', sorted(freed), false)), edits };
}

/** What the planner is asked for: what is locked or runs stands, and what stands is left for a reason only. */
export const wishesFor = ({ plan, standing }: Pick<Replanning, 'plan' | 'standing'>): PlanWishes => ({
  picked: plan.products ?? {},
  aim: plan.solved?.aim ?? 'balanced',
  locked: standing.rest.filter((dose) => dose.locked || standing.running.has(doseKey(dose))),
  stay: standing.rest,
});

/** The rest as the planner found it again, less every change that is not worth making. */
export function* searchOffer(at: Replanning, leave: Offer, found: readonly PlannedDose[]): Steps<Offer> {
  const locked = new Set(at.standing.rest.filter((dose) => dose.locked).map(doseKey));
  const doses = found.map(({ locked: _stood, ...dose }): PlannedDose =>
    locked.has(doseKey(dose)) ? { ...dose, locked: true } : dose,
  );
  return yield* reasoned(at, leave, 'search', sorted(doses), true);
}

/** Why a dose that will not come any more is not in the rest: that it went by is reason enough. */
const withGoneReasons = (lines: readonly ReplanLine[], { gone }: Standing): ReasonedLine[] =>
  lines.map((line) => {
    const because = gone.find(({ dose }) => dose === line.old)?.because;
    return because === undefined ? line : { ...line, because };
  });

/** The year with the old line in the place of the new one; undefined where the same product then lies twice on a day. */
function putBack(doses: readonly PlannedDose[], { old, next }: ReplanLine): PlannedDose[] | undefined {
  const without = doses.filter((dose) => dose !== next);
  if (!old) return without;
  return without.some((dose) => doseKey(dose) === doseKey(old)) ? undefined : sorted([...without, old]);
}

/** What a change is worth, $, so that it stands: less is not worth telling people something new. */
const leastWorth = ({ word }: ReplanLine): number => (word === 're-weighed' ? PRICES.rateMoved : PRICES.doseMoved);

/**
 * A changed plan with the reason of each changed line: the old one is put back, and the first rule that breaks is the reason, or else what
 * the change saves. Where that is too little, and it may be, the change is taken back.
 */
function* reasoned(
  at: Replanning,
  leave: Offer,
  id: OfferId,
  found: PlannedDose[],
  mayTakeBack: boolean,
): Steps<Offer> {
  const { file, draft, standing } = at;
  const tripWorth = (file.choices?.tripCost ?? 0) + WISHES[at.plan.solved?.aim ?? 'balanced'].tripLb;
  const fitOf = (doses: readonly PlannedDose[], zoneId: string): number | undefined => {
    const zone = withDoses(draft, file, doses).zones.find((each) => each.zone.id === zoneId);
    if (!zone) return undefined;
    const { asked, freed } = weeklyNitrogen(zone, file.products ?? [], draft);
    return growthFit(asked, freed);
  };
  /** What of the year's needs a zone does not get, lb/1000 ft2. */
  const shortOf = (doses: readonly PlannedDose[], zoneId: string) => {
    const zone = withDoses(draft, file, doses).zones.find((each) => each.zone.id === zoneId);
    if (!zone) return {};
    const asked = askedOfYear(zone);
    return Object.fromEntries(
      ASKED.map((need) => {
        const brought = zone.doses.reduce(
          (sum, { delivers }) => sum + (delivers[need === 'S' ? 'S-combined' : need] ?? 0),
          0,
        );
        // what a year may be off is nothing
        const least = asked[need] - yearToleranceLb(asked[need]);
        return [need, { asked: asked[need], brought, lb: Math.max(0, least - brought) }];
      }),
    ) as Partial<Record<YearNutrient, { asked: number; brought: number; lb: number }>>;
  };
  let doses = found;
  const takenBack: TakenBack[] = [];
  for (;;) {
    yield;
    const judged = judgedWith(at, doses);
    const lines: ReasonedLine[] = [];
    let back: PlannedDose[] | undefined;
    const paired = withGoneReasons(pairedLines(standing.rest, restOf(doses, standing), goneDoses(standing)), standing);
    for (const line of paired) {
      const without = line.word === 'kept' || line.because !== undefined ? undefined : putBack(doses, line);
      if (!without) {
        lines.push(line);
        continue;
      }
      yield;
      const after = judgedWith(at, without);
      const { broken, cost, trips } = consequenceOf(judged, after);
      const [first] = broken;
      if (first) {
        lines.push({ ...line, because: first.says ?? `${first.title}: ${first.found}` });
        continue;
      }
      const fit = fitOf(doses, line.zoneId);
      const fitBack = fitOf(without, line.zoneId);
      const short = shortOf(doses, line.zoneId);
      const shortBack = shortOf(without, line.zoneId);
      const brings = ASKED.filter((need) => (shortBack[need]?.lb ?? 0) - (short[need]?.lb ?? 0) > LEAST_BROUGHT_LB);
      if (brings[0]) {
        const { asked = 0, brought = 0 } = shortBack[brings[0]] ?? {};
        const name = brings[0] === 'S' ? 'combined S' : brings[0];
        lines.push({
          ...line,
          because: `The year would bring ${two(brought)} of ${two(asked)} lb ${name} per 1000.`,
        });
        continue;
      }
      const saves = [
        ...(cost > 0.005 ? [`saves ${showMoney(cost)}`] : []),
        ...(trips > 0 ? [`${trips} ${trips === 1 ? 'trip' : 'trips'} less`] : []),
      ];
      const feedsBetter = fit !== undefined && fitBack !== undefined && fit > fitBack + WORSE_FIT_PERCENT;
      if (feedsBetter)
        saves.push(`${fixed(fit, 0)} % of what growth asks is free in its time, not ${fixed(fitBack, 0)} %`);
      const isWorth = feedsBetter || cost + trips * tripWorth > leastWorth(line);
      if (!isWorth && mayTakeBack) {
        takenBack.push({ line, says: saves.length > 0 ? saves.join(', ') : 'breaks nothing and saves nothing' });
        back = without;
        break;
      }
      lines.push({
        ...line,
        because: saves.length > 0 ? `${capital(saves.join(', '))}.` : 'One of the edits that mend the rest together.',
      });
    }
    if (!back) return { id, doses, judged, of: consequenceOf(leave.judged, judged), lines, takenBack, edits: [] };
    doses = back;
  }
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The change of a line in words, as it stands among those that were taken back. */
export function sayChange({ old, next, word }: ReplanLine, nameOf: (productId: string) => string): string {
  if (!old || !next) return old ? `Without the dose of ${sayDay(old.date)}` : `One more on ${sayDay(next?.date ?? '')}`;
  if (word === 'other product')
    return `${nameOf(next.productId)} on ${sayDay(next.date)} instead of ${nameOf(old.productId)}`;
  return word === 'moved' ? `${sayDay(old.date)} to ${sayDay(next.date)}` : `Another rate on ${sayDay(next.date)}`;
}
