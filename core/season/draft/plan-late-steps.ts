import type { LocalCode, Product, Zone } from '../../records/case';
import { codeLeastSlowPercent } from '../rules/local-codes';
import type { Figure } from '../../reckoning/figure';
import { slowShare } from '../../nitrogen/forms';
import { leastRateLb } from '../../products/least-rate';
import { dayOfYear } from '../../days/day';
import { type Dose, makeDose } from '../plan/dose';
import { doseCeiling } from '../rules/dose-ceilings';
import type { NitrogenParts } from '../rules/nitrogen-parts';
import type { LateStep, SeasonSchools } from '../rules/season-schools';
import { placeClear, placeLate } from './place-doses';
import { dateOf, type Ground, openDays, placementOn } from './draft-ground';

/** Beside the steps less than this is no dose of its own and goes to them, lb N/1000 ft2. Common practice. */
const LEAST_BESIDE_LB = 0.35;

/** Doses of the steps, and the nitrogen they bring, lb N/1000 ft2. */
export interface LateSteps {
  doses: Dose[];
  lb: number;
}

interface Ask {
  ground: Ground;
  schools: SeasonSchools | undefined;
  /** What may feed the zone, the zone's own choice first. */
  options: readonly Product[];
  needLb: number;
  figure: Figure;
  clear: (product: Product, day: number) => boolean;
  /** Days on which other nitrogen stands, and how far a feeding keeps from it. */
  keepFrom: readonly number[];
  apartDays: number;
  /** Parts of the year: a step is no exception to what a summer dose may bring. */
  parts: NitrogenParts;
  /** What has no room elsewhere, lb N/1000 ft2: the steps bring it along as far as they may. */
  moreLb?: number;
}

/** What a step asks of a product, lb N/1000 ft2; undefined where it does not serve, or no dose of it may be so large or so small. */
function stepLb(
  zone: Zone & { weak?: boolean },
  codes: readonly LocalCode[],
  step: LateStep,
  product: Product,
): number | undefined {
  if (!step.serves(product) || slowShare(product) * 100 < codeLeastSlowPercent(codes) - 1e-9) return undefined;
  const lb = step.leastLb / (step.measured === 'N-soluble' ? 1 - slowShare(product) : 1);
  const least = (leastRateLb(product, zone) * (product.guaranteed.N ?? 0)) / 100;
  return lb > doseCeiling(zone, product, 'N', codes) + 1e-9 || lb < least - 1e-9 ? undefined : lb;
}

/** Whether a product can take a step on a zone at all. */
export const canTakeStep = (
  { zone, codes }: Pick<Ground, 'zone' | 'codes'>,
  step: LateStep,
  product: Product,
): boolean => stepLb(zone, codes, step, product) !== undefined;

/** A day and a product for one step: the first product that serves it, in a dose that ground, code and spreader bear. */
function stepDose(
  { ground, schools, options, clear, keepFrom, apartDays, parts, moreLb }: Ask,
  step: LateStep,
  from: number,
  to: number,
): { day: number; product: Product; lb: number } | undefined {
  const { zone, codes } = ground;
  const summer = parts.parts.find((part) => part.id === 'summer');
  const tooMuchInSummer = (solubleLb: number, day: number) =>
    summer?.mostSolubleDoseLb !== undefined &&
    day >= summer.from &&
    day <= summer.to &&
    solubleLb > summer.mostSolubleDoseLb + 1e-9;
  for (const product of options) {
    const lb = stepLb(zone, codes, step, product);
    if (lb === undefined) continue;
    const unfrozen = openDays(ground, product, false);
    const open = unfrozen.map(
      (yes, day) =>
        yes &&
        (ground.season.feeding[day] === true || schools?.alsoOpen.N?.[day] === true) &&
        keepFrom.every((other) => Math.abs(other - day) >= apartDays) &&
        clear(product, day) &&
        !tooMuchInSummer(lb * (1 - slowShare(product)), day),
    );
    // as late as may be, so that fall has room for a feeding before them; where they bring it all, the first is early
    const early = moreLb !== undefined && step.beforeNext !== undefined;
    const placement = placementOn(ground, open, 0);
    const day = early ? placeClear(from, to, placement, [], 0) : placeLate(from, to, placement);
    if (day !== undefined) return { day, product, lb };
  }
  return undefined;
}

/**
 * The steps of the late-season school in the plain draft: the last one first, the one before it four to six weeks earlier, each from the
 * first product that serves it. Nothing where the year's nitrogen does not reach for all of them, or one finds no day: then none is taken.
 */
export function planLateSteps(ask: Ask): LateSteps {
  const { ground, schools, needLb, figure } = ask;
  const none = { doses: [], lb: 0 };
  const steps = (schools?.steps ?? []).filter((step) => step.to >= ground.firstDay);
  if (steps.length === 0 || ground.zone.turf === 'close-cut') return none;
  const found: { step: LateStep; day: number; product: Product; lb: number }[] = [];
  let next: number | undefined;
  for (const step of [...steps].reverse()) {
    const { least, most } = step.beforeNext ?? { least: 0, most: Infinity };
    const latest = next === undefined ? step.to : Math.min(step.to, next - least);
    const earliest = next === undefined ? step.from : Math.max(step.from, next - most);
    const dose = stepDose(ask, step, earliest, latest);
    if (!dose) return none;
    found.unshift({ step, ...dose });
    next = dose.day;
  }
  const asked = found.reduce((sum, { lb }) => sum + lb, 0);
  if (asked > needLb + 1e-9) return none;
  const left = needLb - asked;
  const more = Math.min(left, left < LEAST_BESIDE_LB ? left : (ask.moreLb ?? 0)) / found.length;
  const doses = found.map(({ step, day, product, lb }) =>
    makeDose(
      ground.zone,
      dateOf(ground.year, day),
      product,
      'N',
      {
        lb: Math.min(
          lb + more,
          lb * (step.mostLb / step.leastLb),
          doseCeiling(ground.zone, product, 'N', ground.codes),
        ),
        says: 'nitrogen for the year, a step of the late season',
        figure,
      },
      `${schools?.late?.title ?? 'late season'}: ${step.id.replaceAll('-', ' ')}`,
    ),
  );
  return { doses, lb: doses.reduce((sum, dose) => sum + (dose.delivers.N ?? 0), 0) };
}

/** Days of doses, 0 for 1 January. */
export const daysOf = (doses: readonly Dose[]): number[] => doses.map((dose) => dayOfYear(dose.date));
