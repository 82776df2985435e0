import { dayOfYear } from '../../days/day';
import type { Correcting } from '../rules/correction-stretches';
import { correctionAsked, zoneStretches } from '../plan/zone-stretches';
import type { ZoneSeason } from '../plan/season-plan';
import { closedBecause, type Ground } from '../rules/open-days';
import type { Correction, StandingDose } from './problem-shape';
import type { PlanWeek } from '../../days/weeks';

/** Lime, sulfur or gypsum that a zone is due this year, in the stretches that are still open to it; undefined where none is due or the shelf has none. */
export function correctionOf(
  purpose: Correcting,
  zoneSeason: ZoneSeason,
  ground: Ground,
  weeks: readonly PlanWeek[],
  standing: readonly StandingDose[],
  from: string,
): Correction | undefined {
  const { prescription, shelf, zone } = zoneSeason;
  const { doses: asked } = correctionAsked(purpose, prescription);
  if (asked.length === 0) return undefined;
  const product = shelf[purpose]?.chosen;
  if (!product) return undefined;
  const first = asked[0] as number;
  const rateLb = purpose === 'sulfur' ? first / ((product.guaranteed['S-free'] ?? 100) / 100) : first;
  // what is given already has been taken off by the ledger; what is locked still draws on what is asked
  const locked = standing.filter((d) => d.zoneId === zone.id && d.for === purpose && !d.given);
  const spans = zoneStretches(purpose, zoneSeason, { year: ground.year, from })
    .filter((span) => !locked.some((d) => d.date >= span.from && d.date <= span.to))
    .map((span) => {
      const [first, last] = [dayOfYear(span.from), dayOfYear(span.to)];
      return weeks.flatMap((week, w) =>
        week.day >= first && week.day <= last && closedBecause(ground, product, week.day) === undefined ? [w] : [],
      );
    })
    .filter((span) => span.length > 0);
  const wanted = Math.max(0, asked.length - locked.length);
  const doses = Math.min(wanted, spans.length);
  return { purpose, product, rateLb, doses, spans, later: wanted - doses };
}
