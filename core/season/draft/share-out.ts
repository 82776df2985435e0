import { slowShare } from '../../nitrogen/forms';
import { BARE, bareMonths, supplyByMonth } from '../plan/bare-months';
import type { Product } from '../../records/case';
import { equalDoses } from '../../tables/equal-doses';
import { LAST_WEEKS } from '../rules/before-frost';
import { MONTH_SUPPLY_OFF } from '../rules/limits';
import type { NitrogenPart, NitrogenParts } from '../rules/nitrogen-parts';
import { type Placement, placeAcross, placeByGrowth } from './place-doses';

/** The year's nitrogen on days, by the plain rule: part by part (C1, C2), growth only inside a part. */

/** Under this a part's nitrogen is no dose and goes to another part, lb N/1000 ft2. Common practice: half a pound is the least useful. */
const LEAST_PART_LB = 0.35;
/** What finds no room is looked after from here on, lb N/1000 ft2. */
const LEAST_MISSED_LB = 0.05;
/** Nitrogen at or under this goes down in one dose; above it in two at least. Common practice. */
export const ONE_DOSE_UP_TO_LB_N = 0.75;
/** Smallest dose that a season is split into to leave no month bare, lb N/1000 ft2. */
const LEAST_SPLIT_LB = 0.3;

/** One more trip is worth it for every two faults it heals or for one alone, not for less. */
const TRIP = 0.45;

export interface SharedDose {
  day: number;
  lb: number;
}

interface Ask {
  product: Product;
  needLb: number;
  /** The year's whole nitrogen, which shares are of. */
  yearLb: number;
  ceilingLb: number;
  leastDoses: number;
  /** What steps of the late season bring in fall beside it, lb N/1000 ft2. */
  inFallLb: number;
  parts: NitrogenParts;
  placement: Placement;
  soilF: readonly number[];
  firstDay: number;
  year: number;
  /** Least that a spreader lays evenly of the product, lb N/1000 ft2. */
  leastLb: number;
  /** Most that may come free in one month of warm-season growth, lb N/1000 ft2 (C2). */
  mostMonthLb: number;
  /** As long as growth should wait between feedings, days, and the days of feedings that stand beside these. */
  mostWaitDays: number;
  fedDays: readonly number[];
  /** Spoon-fed turf: a part is fed this often, days (C10). */
  spoonDays?: number;
}

const within = (placement: Placement, { from, to }: Pick<NitrogenPart, 'from' | 'to'>): Placement => ({
  ...placement,
  allowed: placement.allowed.map((yes, day) => yes && day >= from && day <= to),
});

function placed(
  lb: number,
  { ceilingLb, leastLb, spoonDays }: Ask,
  placement: Placement,
  least = 1,
  place = placeByGrowth,
): SharedDose[] {
  if (lb <= 1e-9) return [];
  const fewest = equalDoses(lb, ceilingLb);
  const open = placement.allowed.filter(Boolean).length;
  const spoons = spoonDays ? Math.min(Math.floor(open / spoonDays), Math.floor(lb / leastLb)) : 0;
  const count = Math.max(fewest.length, least, spoons);
  const days = place(count, placement);
  // where the stretch has no room for so many, fewer and larger ones bring what they may
  const each = days.length < count ? Math.min(lb / Math.max(1, days.length), ceilingLb) : lb / count;
  return days.map((day) => ({ day, lb: each }));
}

const sum = (doses: readonly SharedDose[]): number => doses.reduce((all, dose) => all + dose.lb, 0);

/** Most that a product may bring in a part, by its soluble and slow bounds, lb N/1000 ft2. */
function mostOf(part: NitrogenPart, { product, yearLb }: Ask): number {
  const slow = slowShare(product);
  const bySoluble = part.mostSolubleLb !== undefined && slow < 1 ? part.mostSolubleLb / (1 - slow) : Infinity;
  const byShare = part.mostShare === undefined ? Infinity : part.mostShare * yearLb;
  return Math.min(bySoluble, byShare, part.mostLb ?? Infinity);
}

/** Cool-season grass: spring and (where it is mild, or spoon-fed) summer get their share as far as they bear it, fall the rest. */
function coolDoses(ask: Ask): SharedDose[] {
  const { parts, needLb, placement, firstDay, leastDoses, inFallLb, spoonDays } = ask;
  const ahead = parts.parts.filter((part) => part.to >= firstDay);
  const fall = ahead.find((part) => part.id === 'fall');
  const shares = ahead.reduce((all, part) => all + part.share, 0) || 1;
  const all = needLb + inFallLb;
  const early = ahead.filter(
    (part) => part !== fall && (part.id === 'spring' || part.mostLb === undefined || spoonDays !== undefined),
  );
  const least = Math.max(spoonDays === undefined ? LEAST_PART_LB : 0, ask.leastLb);
  // what is left of a small need is better given in fall whole
  const shared = early.map((part) => {
    const lb = Math.min((all * part.share) / shares, mostOf(part, ask), needLb);
    return { part, lb: lb >= least && all > ONE_DOSE_UP_TO_LB_N ? lb : 0 };
  });
  // a part begins where the one before has been used
  const after = (doses: readonly SharedDose[], part: NitrogenPart): Placement => {
    const last = doses.at(-1);
    const from = Math.max(part.from, last === undefined ? 0 : last.day + placement.leastGapDays);
    return within(placement, { from, to: part.to });
  };
  const spread = (): SharedDose[] =>
    shared.reduce<SharedDose[]>((doses, { part, lb }) => [...doses, ...placed(lb, ask, after(doses, part))], []);
  const inFall = (rest: number, before: readonly SharedDose[]): SharedDose[] => {
    // beside the steps of the late season too little is no dose
    if (!fall || (inFallLb > 0 && rest < least)) return [];
    const two = rest > ONE_DOSE_UP_TO_LB_N && inFallLb === 0;
    const fewest = two ? Math.max(1, Math.min(2, leastDoses - before.length)) : 1;
    return placed(rest, ask, after(before, fall), fewest);
  };
  let doses = spread();
  let later = inFall(needLb - sum(doses), doses);
  const missed = needLb - sum(doses) - sum(later);
  const [spring] = shared;
  // a fall too short for all of it: what spring bears beside its share may still go there
  if (missed > LEAST_MISSED_LB && spring) {
    spring.lb = Math.min(spring.lb + missed, mostOf(spring.part, ask));
    if (spring.lb < least) spring.lb = 0;
    doses = spread();
    later = inFall(needLb - sum(doses), doses);
  }
  return [...doses, ...later].sort((a, b) => a.day - b.day);
}

/** Stretches of growth from the first feeding on that wait longer than the grass should. */
function longWaits(doses: readonly SharedDose[], to: number, { mostWaitDays, fedDays }: Ask): number {
  const days = [...doses.map(({ day }) => day), ...fedDays].sort((a, b) => a - b);
  return days.filter((day, i) => (days[i + 1] ?? to) - day > mostWaitDays).length;
}

/**
 * Warm-season grass: through its growth, little in the last weeks, no month too full, and from two pounds on none bare. Doses go by
 * growth, and evenly over the open days where that leaves less to say against them: growth is slow in the first month and still there.
 */
function warmDoses(ask: Ask): SharedDose[] {
  const { parts, needLb, yearLb, ceilingLb, placement, soilF, product, year, leastDoses } = ask;
  const [part] = parts.parts;
  if (!part) return [];
  const late = part.to - LAST_WEEKS.days;
  const lateLb = (doses: readonly SharedDose[]) => sum(doses.filter((dose) => dose.day > late));
  const early = { ...placement, allowed: placement.allowed.map((yes, day) => yes && day <= late) };
  const hasEarly = early.allowed.some(Boolean);
  const fewest = Math.max(equalDoses(needLb, ceilingLb).length, leastDoses);
  const most = Math.max(fewest, Math.floor(needLb / Math.max(LEAST_SPLIT_LB, ask.leastLb)));
  const tries = Array.from({ length: most - fewest + 1 }, (_, i) => fewest + i).flatMap((count) =>
    [placeByGrowth, placeAcross].map((place) => ({ count, place })),
  );
  let best: { doses: SharedDose[]; faults: number } | undefined;
  for (const { count, place } of tries) {
    let doses = placed(needLb, ask, placement, count, place);
    if (lateLb(doses) > LAST_WEEKS.mostLb + 1e-9 && hasEarly) doses = placed(needLb, ask, early, count, place);
    const missed = needLb - sum(doses) > 1e-6;
    const fed = doses.map((dose) => ({ ...dose, product }));
    const full = supplyByMonth(fed, soilF, year).filter((lb) => lb > ask.mostMonthLb * MONTH_SUPPLY_OFF).length;
    const growing = { ...part, from: Math.max(part.from, ask.firstDay) };
    const bare = yearLb >= BARE.fromYearLb ? bareMonths(fed, growing, soilF, year).length : 0;
    const faults = (missed ? 100 : 0) + bare + full + longWaits(doses, part.to, ask) + (count - fewest) * TRIP;
    if (!best || faults < best.faults) best = { doses, faults };
  }
  const doses = best?.doses ?? [];
  // a year that begins in its last weeks has room for half a pound and no more
  if (!hasEarly && lateLb(doses) > LAST_WEEKS.mostLb)
    return placed(Math.min(needLb, LAST_WEEKS.mostLb), ask, placement);
  return doses;
}

/** Days and pounds of a zone's nitrogen by the plain rule; less than the need where the year has no room. */
export const shareOut = (ask: Ask): SharedDose[] =>
  ask.parts.parts.some((part) => part.id === 'growing') ? warmDoses(ask) : coolDoses(ask);
