import geodesicLibrary from 'geographiclib-geodesic';
import type { Pair } from '../reckoning/inputs';
import { M_PER_FT } from '../units/conversions';

const { Geodesic } = geodesicLibrary;
const RADIANS = Math.PI / 180;

/**
 * A position as feet east and south of an origin, along the geodesic from it: exact in distance from the origin, and
 * within a millimetre in shape over a thousand feet. [0, 0] to [0.001, 0] on the equator is 365.2 ft east.
 */
export function toSheetFt(origin: readonly [number, number], [lon, lat]: readonly [number, number]): Pair {
  const { s12 = 0, azi1 = 0 } = Geodesic.WGS84.Inverse(origin[1], origin[0], lat, lon);
  const feet = s12 / M_PER_FT;
  return [feet * Math.sin(azi1 * RADIANS), -feet * Math.cos(azi1 * RADIANS)];
}

/** The position of a point of the sheet; undoes `toSheetFt`. */
export function toLonLat(origin: readonly [number, number], [east, south]: Pair): [lon: number, lat: number] {
  const azimuth = Math.atan2(east, -south) / RADIANS;
  const { lon2 = origin[0], lat2 = origin[1] } = Geodesic.WGS84.Direct(
    origin[1],
    origin[0],
    azimuth,
    Math.hypot(east, south) * M_PER_FT,
  );
  return [lon2, lat2];
}
