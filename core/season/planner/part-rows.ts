import { isWeakGround, WEAK_TOTAL_N, weakTotal } from '../rules/dose-ceilings';
import { LAST_WEEKS } from '../rules/before-frost';
import { monthSupplyLb } from '../rules/limits';
import { type PlanWeek, weeksIn } from '../../days/weeks';
import { BARE } from '../plan/bare-months';
import { type DoseVariable, type ModelParts, rateTerms } from './model-parts';
import { PRICES } from './prices';
import type { ZoneProblem } from './problem-shape';

/** Weeks are not months: the model keeps this much inside what a month may be. */
const MONTH_INSIDE = 0.95;
const CLEAR_OF_BARE = 1.5;
const MONTH_DAYS = 31;

type Wanted = (name: string, terms: [number, number][], bounds: { least?: number; most?: number }) => void;

/** Warm-season grass month by month: none makes too much free, and from two pounds a year on none of its growth is bare (C2). */
function addMonthRows(
  zone: ZoneProblem,
  here: readonly DoseVariable[],
  part: ZoneProblem['parts'][number],
  wanted: Wanted,
  weeks: readonly PlanWeek[],
): void {
  const most = monthSupplyLb(zone.zone);
  for (let month = 0; month < 12; month++) {
    const its = weeks.flatMap(({ date }, w) => (Number(date.slice(5, 7)) - 1 === month ? [w] : []));
    const first = weeks[its[0] ?? 0]?.day ?? 0;
    const last = (weeks[its.at(-1) ?? 0]?.day ?? 0) + 6;
    if (its.length === 0 || last < part.from || first > part.to + MONTH_DAYS) continue;
    const stands = its.reduce((sum, w) => sum + (zone.standingSupplyByWeek[w] ?? 0), 0);
    const terms = here.flatMap((d) => {
      const share = its.reduce((sum, w) => sum + (d.carrier?.release.get(d.week)?.[w] ?? 0), 0);
      return share > 1e-6 ? rateTerms(d, share * (d.carrier?.brings.N ?? 0)) : [];
    });
    const whole = first >= part.from && last <= part.to && first >= zone.ground.firstDay;
    const least = whole && zone.yearNitrogenLb >= BARE.fromYearLb ? CLEAR_OF_BARE * BARE.underLb - stands : undefined;
    wanted(`month${month}`, terms, { most: most * MONTH_INSIDE - stands, least });
  }
}

/** The parts of the year: summer's bounds of a dose are never broken, shares are wanted and dear (C1, C2); weak soil's 21 days (C4). */
export function addPartRows({ builder, problem, doses }: ModelParts, z: number): void {
  const zone = problem.zones[z] as ZoneProblem;
  const here = doses.filter((d) => d.zone === zone && (d.carrier?.brings.N ?? 0) > 0);
  if (here.length === 0) return;
  const year = zone.yearNitrogenLb;
  const nitrogen = (d: DoseVariable) => rateTerms(d, d.carrier?.brings.N ?? 0);
  const soluble = (d: DoseVariable) => rateTerms(d, d.carrier?.brings['N-soluble'] ?? 0);
  const wanted: Wanted = (name, terms, { least, most }) => {
    if (terms.length === 0) return;
    const astray = builder.column(`astray_${z}_${name}`, { cost: PRICES.astrayLb });
    if (least !== undefined && least > 0)
      builder.row(`part_${z}_${name}_least`, [...terms, [astray, 1]], { lower: least });
    if (most !== undefined)
      builder.row(`part_${z}_${name}_most`, [...terms, [astray, -1]], { upper: Math.max(0, most) });
  };
  for (const part of zone.parts) {
    const weeks = new Set(part.weeks);
    const its = here.filter((d) => weeks.has(d.week));
    const down = zone.nitrogenDown.filter((d) => d.day >= part.from && d.day <= part.to);
    const downLb = down.reduce((sum, d) => sum + d.lb, 0);
    const downSoluble = down.reduce((sum, d) => sum + d.solubleLb, 0);
    if (part.mostSolubleDoseLb !== undefined)
      for (const week of part.weeks) {
        const today = its.filter((d) => d.week === week).flatMap(soluble);
        if (today.length > 0) builder.row(`summer_${z}_${week}`, today, { upper: part.mostSolubleDoseLb });
      }
    const most = Math.min(part.mostLb ?? Infinity, part.mostShare === undefined ? Infinity : part.mostShare * year);
    if (most < Infinity) wanted(`${part.id}_n`, its.flatMap(nitrogen), { most: most - downLb });
    if (part.mostSolubleLb !== undefined)
      wanted(`${part.id}_soluble`, its.flatMap(soluble), { most: part.mostSolubleLb - downSoluble });
    // of a year begun late the share that is left is all that can be asked of a part
    if (part.leastShare !== undefined && zone.ground.firstDay <= part.from)
      wanted(`${part.id}_share`, its.flatMap(nitrogen), { least: part.leastShare * year - downLb });
    if (part.id === 'growing') {
      const late = its.filter((d) => (problem.weeks[d.week]?.day ?? 0) > part.to - LAST_WEEKS.days);
      const lateDown = down.filter((d) => d.day > part.to - LAST_WEEKS.days).reduce((sum, d) => sum + d.lb, 0);
      wanted('late', late.flatMap(nitrogen), { most: LAST_WEEKS.mostLb - lateDown });
      addMonthRows(zone, here, part, wanted, problem.weeks);
    }
  }
  if (!isWeakGround(zone.zone) || zone.zone.turf === 'close-cut') return;
  const window = weeksIn(WEAK_TOTAL_N.overDays);
  for (let from = 0; from < problem.weeks.length; from++) {
    const terms = here
      .filter((d) => d.week >= from && d.week < from + window)
      .flatMap((d) => {
        const { N = 0, 'N-soluble': fast = 0 } = d.carrier?.brings ?? {};
        return rateTerms(d, N / weakTotal(N > 0 ? 1 - fast / N : 0));
      });
    const [start, end] = [problem.weeks[from]?.day ?? 0, (problem.weeks[from]?.day ?? 0) + WEAK_TOTAL_N.overDays];
    const stands = zone.nitrogenDown
      .filter(({ day, lb }) => lb > 0 && day > start - WEAK_TOTAL_N.overDays && day < end)
      .map(({ lb, solubleLb }) => lb / weakTotal(1 - solubleLb / lb));
    // of what stands about these weeks the most counts, wherever the 21 days are laid
    const left = Math.max(0, 1 - stands.reduce((a, b) => a + b, 0));
    if (terms.length > 1 || left < 1) builder.row(`weak_${z}_${from}`, terms, { upper: left });
  }
}
