import {
  FOLIAR_NOT_ABOVE_F,
  FOLIAR_WATER_GAL,
  foliarPurposeOf,
  foliarSpray,
  FOLIAR_FEEDS,
} from '../../foliar/foliar-feeds';
import type { Product, Zone } from '../../records/case';
import { evaluate } from '../../reckoning/define';
import { isRefusal } from '../../reckoning/refusal';
import { OZ_PER_LB } from '../../units/conversions';
import { roundedTo } from '../../words/numbers';

/**
 * A spray in the words of the one who mixes it: product, water, and what it must not do. 0.25 lb of a 10 % chelate on 5000 ft2:
 * '4 oz product per 1000 in 3 gal of water per 1000 or more; 20 oz in 15 gal here. …'
 */
export function sprayWords(product: Product, rateLb: number, zone: Pick<Zone, 'areaSqFt'>): string {
  const purpose = foliarPurposeOf(product);
  if (!purpose) return '';
  const percent = product.guaranteed[FOLIAR_FEEDS[purpose].element] ?? 0;
  const liquid = product.form === 'liquid' ? product.lbPerGal : undefined;
  const spray = evaluate(foliarSpray, {
    elementOz: rateLb * OZ_PER_LB * (percent / 100),
    percent,
    areaSqFt: zone.areaSqFt,
    lbPerGal: liquid,
  });
  if (isRefusal(spray)) return spray.refused;
  const oz = liquid === undefined ? 'oz' : 'fl oz';
  const stains = purpose === 'iron' ? ' Off paving: it stains.' : '';
  return `${roundedTo(spray.ozPer1000, 1)} ${oz} product per 1000 in ${FOLIAR_WATER_GAL} gal of water per 1000 or more; ${roundedTo(spray.oz, 1)} ${oz} in ${roundedTo(spray.waterGal, 1)} gal here. Not above ${FOLIAR_NOT_ABOVE_F} deg F, not mown the day before and after.${stains}`;
}
