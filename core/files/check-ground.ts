import { groundOf, isShaped } from '../ground/zone-ground';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';
import type { Case } from '../records/case';
import { grouped } from '../words/numbers';

/** How far an area may stand from its own drawing: a file may have rounded either, and no dose is weighed finer. */
const ROUNDED_SHARE = 0.01;
const ROUNDED_SQ_FT = 5;

/** An area that its own drawing contradicts. */
export interface AreaDoubt {
  zoneId: string;
  zone: string;
  areaSqFt: number;
  drawnSqFt: number;
}

/**
 * Why an outline of a case is no shape, by the name of its zone: one that crosses itself has no single area.
 *
 * @example refuseOutlines(file) says of a bow tie which of its sides cross
 */
export function refuseOutlines({ property, zones }: Case): Refusal | undefined {
  for (const [i, zone] of zones.entries()) {
    const ground = isShaped(zone) ? groundOf(zone, property.site) : undefined;
    if (ground && isRefusal(ground)) return refuse(`zones[${i}].${ground.field}`, `${zone.name}: ${ground.refused}`);
  }
  return undefined;
}

/**
 * Zones whose area is not what their drawing gives. Every weigh-out rests on the area, so which of the two is right is not
 * guessed: a person is asked.
 *
 * @example areaDoubts(file) holds a 100 by 50 ft rectangle that says it is 9,000 sq ft
 */
export const areaDoubts = ({ property, zones }: Case): AreaDoubt[] =>
  zones.filter(isShaped).flatMap((zone) => {
    const ground = groundOf(zone, property.site);
    if (isRefusal(ground)) return [];
    const off = Math.abs(ground.areaSqFt - zone.areaSqFt);
    return off > Math.max(ROUNDED_SQ_FT, ROUNDED_SHARE * ground.areaSqFt)
      ? [{ zoneId: zone.id, zone: zone.name, areaSqFt: zone.areaSqFt, drawnSqFt: ground.areaSqFt }]
      : [];
  });

/** A doubt about an area, in a sentence. */
export const areaDoubtSays = ({ zone, areaSqFt, drawnSqFt }: AreaDoubt): string =>
  `${zone} says ${grouped(areaSqFt, 0)} sq ft, and its drawing gives ${grouped(drawnSqFt, 0)} sq ft to feed`;
