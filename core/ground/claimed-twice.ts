import type { Zone } from '../records/zone-schema';
import type { Pair } from '../reckoning/inputs';
import { type Region, regionArea, regionOf, shared, without } from './clip';
import { cornersOf, isPlaced } from './shape';

/** Ground that two zones both hold: it would be fed in both plans. */
export interface ClaimedTwice {
  a: Zone;
  b: Zone;
  sqFt: number;
  region: Region;
}

/** Less than this is the width of a line on the sheet, not a claim. */
const LEAST_SQ_FT = 0.5;

type Box = [west: number, north: number, east: number, south: number];
const boxOf = (corners: readonly Pair[]): Box => [
  Math.min(...corners.map((c) => c[0])),
  Math.min(...corners.map((c) => c[1])),
  Math.max(...corners.map((c) => c[0])),
  Math.max(...corners.map((c) => c[1])),
];
const meet = (a: Box, b: Box): boolean => a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3];

/** Every pair of placed zones whose outlines share ground, largest first. */
export function claimedTwice(zones: readonly Zone[]): ClaimedTwice[] {
  const placed = zones
    .filter(isPlaced)
    .map((zone) => ({ zone, corners: cornersOf(zone) }))
    .filter(({ corners }) => corners.length >= 3)
    .map(({ zone, corners }) => ({ zone, region: regionOf(corners), box: boxOf(corners) }));
  const found: ClaimedTwice[] = [];
  for (const [i, a] of placed.entries())
    for (const b of placed.slice(i + 1)) {
      if (!meet(a.box, b.box)) continue;
      const region = shared(a.region, b.region);
      const sqFt = regionArea(region);
      if (sqFt >= LEAST_SQ_FT) found.push({ a: a.zone, b: b.zone, sqFt, region });
    }
  return found.sort((x, y) => y.sqFt - x.sqFt);
}

/**
 * Corners of `from` once the ground it shares with `other` is given away. Undefined where what is left is not one piece
 * without holes: that wants a person's hand.
 */
export function givenAway(from: Zone, other: Zone): Pair[] | undefined {
  const left = without(regionOf(cornersOf(from)), regionOf(cornersOf(other)));
  const [ring, ...more] = left;
  return ring && more.length === 0 ? ring.map(([x, y]): Pair => [x, y]) : undefined;
}
