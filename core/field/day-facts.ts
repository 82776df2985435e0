import { daysBetween, type IsoDay } from '../days/day';
import { groupOfTexture } from '../ground/texture-groups';
import type { ZoneGround } from '../ground/zone-ground';
import { limeKindOf } from '../lime/lime-label';
import type { Case, Product, Zone } from '../records/case';
import type { Operator } from '../records/operator-schema';
import { leastDaysBetweenN } from '../season/rules/dose-ceilings';
import { appliedOn } from '../log/applied';
import { closedTo } from '../season/rules/local-codes';
import type { GoFacts } from './go';
import type { Job } from './jobs';
import { carriedBy, isUreaOrAmmonium, materialOf, wateringIn } from './material';
import { readyFacts } from './readiness';

/** What is answered on the spot: no record and no forecast knows it better. */
export type SeenDay = Pick<GoFacts, 'ground' | 'turf' | 'leaf' | 'label' | 'disease'>;

const lastDays = (
  zone: Zone,
  products: readonly Product[],
  today: IsoDay,
  is: (product: Product) => boolean,
): number | undefined => {
  const days = appliedOn(zone)
    .filter(({ date, productId }) => {
      const product = products.find(({ id }) => id === productId);
      return date <= today && product !== undefined && is(product);
    })
    .map(({ date }) => daysBetween(date, today));
  return days.length === 0 ? undefined : Math.min(...days, 400);
};

/** All that is known of this hour for a job: from the records, the sheet, the codes, and what was answered and typed. */
export function goFactsOf(
  job: Job,
  file: Case,
  ground: ZoneGround | undefined,
  seen: SeenDay,
  weather: Partial<GoFacts>,
  operator: Operator | undefined,
  today: IsoDay,
): GoFacts {
  const { product, zone, zoneSeason } = job;
  const products = file.products ?? [];
  const codes = file.codes ?? [];
  const carries = carriedBy(product);
  const isLime = limeKindOf(product) !== undefined;
  const gap = isLime
    ? lastDays(zone, products, today, isUreaOrAmmonium)
    : isUreaOrAmmonium(product)
      ? lastDays(zone, products, today, (each) => limeKindOf(each) !== undefined)
      : undefined;
  const since = lastDays(zone, products, today, (each) => (each.guaranteed.N ?? 0) > 0);
  const licensed =
    operator?.licenseNumber !== undefined && (operator.expiresOn === undefined || operator.expiresOn >= today);
  const heavy = codes.flatMap(({ heavyRain }) => (heavyRain ? [heavyRain.inches] : []));
  const water = wateringIn(product);
  const ready = readyFacts(job, file, today);
  return {
    material: materialOf(product, job.dose.for),
    season: zoneSeason.grass.season,
    carries,
    textureGroup: groupOfTexture(zone.texture),
    ...(seen.ground ? { ground: seen.ground } : {}),
    ...(seen.turf ? { turf: seen.turf } : {}),
    ...(seen.leaf ? { leaf: seen.leaf } : {}),
    // passes are drawn on the ground without the strip
    ...(ground && ground.keptClear.sqFt > 0 ? { setback: 'kept' as const } : {}),
    ...(codes.length > 0
      ? {
          code: closedTo(codes, job.dose.delivers, today) ? ('closed' as const) : ('open' as const),
        }
      : {}),
    ...(codes.some(({ licenseNeeded }) => licenseNeeded)
      ? { license: licensed ? ('held' as const) : ('missing' as const) }
      : {}),
    ...(product.pesticide ? { label: seen.label ?? ('not-seen' as const) } : {}),
    ...ready,
    ...(ready.disease && seen.disease ? { disease: seen.disease } : {}),
    ...weather,
    ...(product.mostWindMph === undefined ? {} : { mostWindMph: product.mostWindMph }),
    ...(product.mostAirF === undefined ? {} : { mostAirF: product.mostAirF }),
    ...(product.leastAirF === undefined ? {} : { leastAirF: product.leastAirF }),
    ...(heavy.length > 0 ? { heavyRainIn: Math.min(...heavy) } : {}),
    ...(since === undefined ? {} : { daysSinceN: since }),
    leastDaysBetweenN: leastDaysBetweenN(zone),
    ...(gap === undefined ? {} : { daysLimeAmmonia: gap }),
    ...(water ? { waterWithinHours: water.withinHours } : {}),
  };
}
