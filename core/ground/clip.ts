import { Clipper, EndType, FillRule, JoinType, type PathsD } from 'clipper2-ts';
import type { Pair } from '../reckoning/inputs';

/**
 * Ground as rings in feet: outer rings one way round, holes the other, as cutting one shape by another leaves them. The
 * cutting works on whole ten-thousandths of a foot, so that touching and nearly touching edges cannot confuse it.
 */
export type Region = readonly (readonly Pair[])[];

/** Decimals of a foot that are kept in cutting: a tape shows two. */
const DECIMALS = 4;
/** Distance of a round corner's chords from its arc, ft. */
const ARC_TOLERANCE_FT = 0.002;
/** Cuttings thinner than this are the rounding of edges, ft2. */
const DUST_SQ_FT = 1e-6;

/** Signed area of a ring: positive one way round, negative the other. */
export function signedArea(ring: readonly Pair[]): number {
  const first = ring[0];
  if (!first) return 0;
  const [x0, y0] = first;
  let twice = 0;
  for (const [i, [xa, ya]] of ring.entries()) {
    const [xb, yb] = ring[(i + 1) % ring.length] as Pair;
    twice += (xa - x0) * (yb - y0) - (xb - x0) * (ya - y0);
  }
  return twice / 2;
}

/** Area of a region, ft2: outer rings less their holes. */
export const regionArea = (region: Region): number => Math.abs(region.reduce((sum, ring) => sum + signedArea(ring), 0));

const paths = (region: Region): PathsD => region.map((ring) => ring.map(([x, y]) => ({ x, y })));
const rings = (answer: PathsD): Region =>
  answer.map((path) => path.map(({ x, y }): Pair => [x, y])).filter((ring) => Math.abs(signedArea(ring)) > DUST_SQ_FT);

export const regionOf = (corners: readonly Pair[]): Region => [corners];
/** Ground that both hold. */
export const shared = (a: Region, b: Region): Region =>
  rings(Clipper.intersectD(paths(a), paths(b), FillRule.NonZero, DECIMALS));
/** Ground of the first that the others do not hold. */
export const without = (a: Region, ...others: readonly Region[]): Region =>
  others.reduce<Region>(
    (left, other) =>
      other.length === 0 ? left : rings(Clipper.differenceD(paths(left), paths(other), FillRule.NonZero, DECIMALS)),
    a,
  );
/** Ground that any of them holds. */
export const together = (regions: readonly Region[]): Region =>
  regions.reduce<Region>(
    (whole, each) =>
      each.length === 0 ? whole : rings(Clipper.unionD(paths(whole), paths(each), FillRule.NonZero, DECIMALS)),
    [],
  );

/**
 * Everything within `widthFt` of a closed outline, the outline's inside included: the strip kept clear beside water, its
 * width at right angles to the bank and round at the corners. A 10 by 10 ft pond with 5 ft: 10 x 10 + 4 x 10 x 5 + pi x 25.
 */
export const grown = (corners: readonly Pair[], widthFt: number): Region => offset(regionOf(corners), widthFt);

/** Ground at least `ft` inside every edge, holes included. */
export const shrunk = (region: Region, ft: number): Region => offset(region, -ft);

function offset(region: Region, ft: number): Region {
  if (ft === 0) return region;
  // outer rings must run the positive way for the sign of the offset to mean outward
  const turned = regionSign(region) < 0 ? region.map((ring) => [...ring].reverse()) : region;
  return rings(
    Clipper.inflatePathsD(paths(turned), ft, JoinType.Round, EndType.Polygon, 2, DECIMALS, ARC_TOLERANCE_FT),
  );
}
const regionSign = (region: Region): number => region.reduce((sum, ring) => sum + signedArea(ring), 0);
