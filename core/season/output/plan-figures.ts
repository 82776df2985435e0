import type { Case, Zone } from '../../records/case';
import { groupOfTexture } from '../../ground/texture-groups';
import { GROWTH_DAYS_A_MOWING } from '../../climate/climate-year';
import { etoByDay, rainByDay } from '../../climate/day-curves';
import { dayOfYear } from '../../days/day';
import { isFeed } from '../../products/close-cut-feeds';
import { granulesAt } from '../../products/granules';
import { BARE } from '../plan/bare-months';
import { judgePlan } from '../checks/judge-plan';
import type { SeasonPlan, ZoneSeason } from '../plan/season-plan';
import { weeklyNitrogen } from '../plan/weekly-nitrogen';

/** Water a root zone holds between drained and dry, in. Common practice by texture. */
const HOLDS_IN = { sand: 0.6, loam: 1.6, clay: 2 } as const;
const WEEK = 7;
/** Grass without nitrogen still grows at this share; twice what it asks makes no more of it. Common practice. */
const GROWS_UNFED = 0.6;
const MOST_FED = 1.5;

/** Nitrogen that could leach, lb/1000 ft2: what lies free beyond what growth has asked, carried off by water the soil cannot hold. */
function atRisk(zone: Zone, supply: readonly number[], demand: readonly number[], drainsIn: readonly number[]): number {
  const holds = HOLDS_IN[groupOfTexture(zone.texture)];
  let free = 0;
  let lost = 0;
  supply.forEach((lb, week) => {
    free = Math.max(0, free + lb - (demand[week] ?? 0));
    const drained = drainsIn[week] ?? 0;
    const carried = free * (drained / (drained + holds));
    lost += carried;
    free -= carried;
  });
  return lost;
}

const weekly = (byDay: readonly number[]): number[] =>
  Array.from({ length: Math.ceil(byDay.length / WEEK) }, (_, w) =>
    byDay.slice(w * WEEK, (w + 1) * WEEK).reduce((a, b) => a + b, 0),
  );

export interface ZoneFigures {
  zoneId: string;
  zone: string;
  /** lb N/1000 ft2 put down in each month. */
  nitrogenByMonth: number[];
  mowings: number;
  /** lb N/1000 ft2 that could leach; undefined without rain and latitude. */
  leachableLb?: number;
  /** Of the nitrogen that growth asks month by month, what is free in that month, percent; undefined where none is asked. */
  growthFitPercent?: number;
  /** Of the nitrogen put down, what goes down from the end of summer on, percent; cool-season grass only. */
  afterSummerPercent?: number;
  /** Weeks of growth in which next to nothing is free. */
  bareWeeks: number;
  /** The thinnest dose of granules that feeds, granules/in2; undefined where no size is on a label. */
  thinnestGranules?: number;
}

/** Weeks looked at together for what is free when it is asked: the grass does not notice finer. Decision. */
const WEEKS_TOGETHER = 4;
/** A week asks for something from here on, lb N/1000 ft2: a tenth of a usual week. Decision. */
const ASKS_LB = 0.01;
/** A week is bare under its share of what makes a month bare, lb N/1000 ft2 (C2). */
const BARE_WEEK_LB = (BARE.underLb * WEEK) / 30;

/** What of the asked nitrogen is free when it is asked, four weeks at a time, percent. Asked 0.4 and 0.4, free 0.8 and 0.2: 75. */
export function growthFit(asked: readonly number[], freed: readonly number[]): number | undefined {
  let met = 0;
  let all = 0;
  for (let from = 0; from < asked.length; from += WEEKS_TOGETHER) {
    const of = (lb: readonly number[]) => lb.slice(from, from + WEEKS_TOGETHER).reduce((a, b) => a + b, 0);
    met += Math.min(of(asked), of(freed));
    all += of(asked);
  }
  return all > 0 ? (met / all) * 100 : undefined;
}

/** What tells one plan from another. */
export interface PlanFigures {
  cost: number;
  trips: number;
  doses: number;
  fails: string[];
  warns: string[];
  zones: ZoneFigures[];
}

function zoneFigures(
  zoneSeason: ZoneSeason,
  given: Case,
  plan: SeasonPlan,
  drainsIn: readonly number[] | undefined,
): ZoneFigures {
  const { zone, season, doses, parts } = zoneSeason;
  const products = given.products ?? [];
  const { demand, asked, freed } = weeklyNitrogen(zoneSeason, products, plan);
  const nitrogenByMonth = new Array<number>(12).fill(0);
  for (const dose of doses) {
    const month = Number(dose.date.slice(5, 7)) - 1;
    nitrogenByMonth[month] = (nitrogenByMonth[month] ?? 0) + (dose.delivers.N ?? 0);
  }
  const nitrogenLb = nitrogenByMonth.reduce((a, b) => a + b, 0);
  const fall = parts?.parts.find((part) => part.id === 'fall');
  const granules = doses.flatMap((dose) => {
    const product = products.find((p) => p.id === dose.productId);
    return (product && isFeed(dose.for) && granulesAt(product, dose.rateLb)) || [];
  });
  const grown = weekly(season?.growth ?? []).reduce((sum, growth, week) => {
    const asked = demand[week] ?? 0;
    const fed = asked > 0 ? Math.min(MOST_FED, (freed[week] ?? 0) / asked) : 0;
    return sum + growth * (GROWS_UNFED + (1 - GROWS_UNFED) * fed);
  }, 0);
  return {
    zoneId: zone.id,
    zone: zone.name,
    nitrogenByMonth,
    mowings: grown / GROWTH_DAYS_A_MOWING,
    leachableLb: drainsIn && atRisk(zone, freed, demand, drainsIn),
    growthFitPercent: growthFit(asked, freed),
    afterSummerPercent:
      fall && nitrogenLb > 0
        ? (doses.reduce((lb, d) => lb + (dayOfYear(d.date) >= fall.from ? (d.delivers.N ?? 0) : 0), 0) / nitrogenLb) *
          100
        : undefined,
    bareWeeks: asked.filter((lb, week) => lb >= ASKS_LB && (freed[week] ?? 0) < BARE_WEEK_LB).length,
    thinnestGranules: granules.length > 0 ? Math.min(...granules) : undefined,
  };
}

/** Figures of a plan for comparing: cost, trips, nitrogen by month, mowings, what could leach, checks. Estimates of common practice, not forecasts. */
export function planFigures(given: Case, plan: SeasonPlan): PlanFigures {
  const judged = judgePlan(given, plan);
  const days = plan.weather?.meanF.length ?? 365;
  const rain = rainByDay(given, plan.year, days);
  const eto = etoByDay(given, plan.weather);
  // weekly sums: a shower that the grass drinks up within days carries nothing away
  const drains =
    rain && eto ? weekly(rain).map((fell, week) => Math.max(0, fell - (weekly(eto)[week] ?? 0))) : undefined;
  const named = (standing: string) =>
    judged.checks
      .filter((c) => c.standing === standing)
      .map((c) => (c.zoneName ? `${c.zoneName}: ${c.title}` : c.title));
  return {
    cost: judged.cost,
    trips: judged.trips,
    doses: plan.zones.reduce((sum, z) => sum + z.doses.length, 0),
    fails: named('fail'),
    warns: named('warn'),
    zones: plan.zones.map((z) => zoneFigures(z, given, plan, drains)),
  };
}
