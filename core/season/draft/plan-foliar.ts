import type { Product } from '../../records/case';
import type { ZonePrescription } from '../../prescription/prescription';
import { LEAST_GROWTH } from '../../climate/climate-year';
import { FOLIAR_EVERY_DAYS, FOLIAR_FEEDS, FOLIAR_NOT_ABOVE_F, type FoliarPurpose } from '../../foliar/foliar-feeds';
import { OZ_PER_LB } from '../../units/conversions';
import { dayOfYear } from '../../days/day';
import { closingCode, codeNutrientsOf } from '../rules/local-codes';
import { type Dose, makeDose } from '../plan/dose';
import { sprayWords } from '../plan/spray-words';
import { placeByGrowth } from './place-doses';
import { dateOf, type Ground, placementOn } from './draft-ground';

/**
 * Sprays of iron or manganese on growing grass, out of the heat, four weeks apart (D5): on feeding days and, where the code closes
 * nitrogen and the product brings none, on closed ones as well. What found no day or no product is told.
 */
export function planFoliar(
  ground: Ground,
  { foliar, establishment }: Pick<ZonePrescription, 'foliar' | 'establishment'>,
  choose: (purpose: FoliarPurpose) => Product | undefined,
): { doses: Dose[]; missing: { for: FoliarPurpose; says: string }[] } {
  const { zone, year, season, weather, firstDay, codes } = ground;
  const doses: Dose[] = [];
  const missing: { for: FoliarPurpose; says: string }[] = [];
  // seedlings are not sprayed for color
  const from = Math.max(firstDay, establishment ? dayOfYear(establishment.on) + FOLIAR_EVERY_DAYS : 0);
  for (const { purpose, sprays, ozPerSpray } of foliar) {
    if (sprays === 0) continue;
    const product = choose(purpose);
    const { name, element } = FOLIAR_FEEDS[purpose];
    if (!product) {
      missing.push({ for: purpose, says: `Nothing on the shelf is a spray of ${name} for the ${sprays} asked.` });
      continue;
    }
    const brings = codeNutrientsOf(product.guaranteed);
    const open = season.growth.map(
      (share, day) =>
        day >= from &&
        share >= LEAST_GROWTH &&
        !season.frozen[day] &&
        // a winter grass is left alone where it is too young or has to give way
        (!season.winter?.days[day] || season.winter.feeding[day] === true) &&
        (weather.highF[day] as number) <= FOLIAR_NOT_ABOVE_F &&
        closingCode(codes, brings, dateOf(year, day)) === undefined,
    );
    const days = placeByGrowth(sprays, placementOn(ground, open, FOLIAR_EVERY_DAYS));
    if (days.length < sprays)
      missing.push({
        for: purpose,
        says: `${sprays - days.length} of ${sprays} sprays of ${name} found no day: growing grass, a high of ${FOLIAR_NOT_ABOVE_F} deg F at most, four weeks apart.`,
      });
    const lb = ozPerSpray / OZ_PER_LB;
    days.forEach((day, i) => {
      const rateLb = lb / ((product.guaranteed[element] as number) / 100);
      doses.push(
        makeDose(
          zone,
          dateOf(year, day),
          product,
          purpose,
          { lb, says: `${element} of one spray` },
          `spray ${i + 1} of ${days.length}: ${sprayWords(product, rateLb, zone)}`,
        ),
      );
    });
  }
  return { doses, missing };
}
