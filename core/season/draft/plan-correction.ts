import type { Product } from '../../records/case';
import { LEAST_GROWTH } from '../../climate/climate-year';
import type { Correcting } from '../rules/correction-stretches';
import { correctionAsked, zoneStretches } from '../plan/zone-stretches';
import { dayOfYear, type IsoDay } from '../../days/day';
import { type Dose, makeDose } from '../plan/dose';
import { LIME_NITROGEN_GAP_DAYS, MICROBES_WORK_FROM_F } from '../rules/limits';
import type { ZoneSeason } from '../plan/season-plan';
import { placeClear } from './place-doses';
import { dateOf, type Ground, openDays, placementOn } from './draft-ground';

/**
 * Lime, sulfur or gypsum: one dose a stretch, as early in it as may be, the rest waits for another year. Lime keeps clear of
 * ammonium and urea that is down already, and feedings give way to it (B5); sulfur waits for soil warm enough for microbes and
 * shuns heat; none goes on frozen ground.
 */
export function planCorrection(
  ground: Ground,
  product: Product,
  purpose: Correcting,
  zoneSeason: ZoneSeason,
  from: IsoDay,
  ammoniaDays: readonly number[],
): { doses: Dose[]; left: number } {
  const { prescription } = zoneSeason;
  const { doses: wanted } = correctionAsked(purpose, prescription);
  const figure = purpose === 'gypsum' ? prescription.gypsum.dosesFigure : prescription.ph.dosesFigure;
  const open = openDays(ground, undefined, false).map((yes, day) => {
    if (!yes || ground.season.heat[day]) return false;
    return (
      purpose !== 'sulfur' ||
      ((ground.season.growth[day] as number) >= LEAST_GROWTH &&
        (ground.weather.meanF[day] as number) >= MICROBES_WORK_FROM_F)
    );
  });
  const placement = placementOn(ground, open, 0);
  const doses: Dose[] = [];
  for (const span of zoneStretches(purpose, zoneSeason, { year: ground.year, from })) {
    if (doses.length === wanted.length) break;
    const [first, last] = [dayOfYear(span.from), dayOfYear(span.to)];
    const day = placeClear(first, last, placement, purpose === 'lime' ? ammoniaDays : [], LIME_NITROGEN_GAP_DAYS);
    if (day === undefined) continue;
    const target = {
      lb: wanted[doses.length] as number,
      says: purpose === 'sulfur' ? 'elemental sulfur, this dose' : `${purpose} dose`,
      figure,
    };
    const care = {
      lime: `, clear of urea and ammonium by ${LIME_NITROGEN_GAP_DAYS} days`,
      sulfur: '; water it in',
      gypsum: '; then water to leach',
    }[purpose];
    const why = `${purpose} dose ${doses.length + 1} of ${wanted.length}${care}`;
    doses.push(makeDose(ground.zone, dateOf(ground.year, day), product, purpose, target, why));
  }
  return { doses, left: wanted.length - doses.length };
}
