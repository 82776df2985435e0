import { dayOfYear } from '../../days/day';
import { correctionStretches } from '../rules/correction-stretches';
import type { ZoneSeason } from '../plan/season-plan';
import { closedBecause, type Ground } from '../rules/open-days';
import type { Correction, StandingDose } from './problem-shape';
import type { PlanWeek } from '../../days/weeks';

/** Lime or sulfur that a zone is due this year, in the spans that are still open to it; or that the shelf has none. */
export function correctionOf(
  { prescription, shelf, zone }: ZoneSeason,
  ground: Ground,
  weeks: readonly PlanWeek[],
  standing: readonly StandingDose[],
): { correction?: Correction; missing?: 'lime' | 'sulfur' } {
  const { ph } = prescription;
  if (ph.doses.length === 0 || (ph.action !== 'lime' && ph.action !== 'sulfur')) return {};
  const purpose = ph.action;
  const product = shelf[purpose]?.chosen;
  if (!product) return { missing: purpose };
  const first = ph.doses[0] as number;
  const rateLb = purpose === 'lime' ? first : first / ((product.guaranteed['S-free'] ?? 100) / 100);
  const down = standing.filter((d) => d.zoneId === zone.id && d.for === purpose);
  const spans = correctionStretches(purpose, zone)
    .map(([from, to]) => ({ from: dayOfYear(`${ground.year}-${from}`), to: dayOfYear(`${ground.year}-${to}`) }))
    .filter((span) => !down.some((d) => dayOfYear(d.date) >= span.from && dayOfYear(d.date) <= span.to))
    .map((span) =>
      weeks.flatMap((week, w) =>
        week.day >= span.from && week.day <= span.to && closedBecause(ground, product, week.day) === undefined
          ? [w]
          : [],
      ),
    )
    .filter((span) => span.length > 0);
  const wanted = Math.max(0, ph.doses.length - down.length);
  const doses = Math.min(wanted, spans.length);
  return { correction: { purpose, product, rateLb, doses, spans, later: wanted - doses } };
}
