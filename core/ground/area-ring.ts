import geodesicLibrary from 'geographiclib-geodesic';
import { defineReckoning } from '../reckoning/define';
import type { Pair } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { withoutClosingPoint } from './area-polygon';
import { findCrossing, onOneLine, sideName } from './crossing';

const { Geodesic, PolygonArea } = geodesicLibrary;
const SQ_M_PER_SQ_FT = 0.3048 ** 2;

/** Longitudes made continuous, so that a lawn on the date line is not taken for one round the earth. */
function unrolled(ring: readonly Pair[]): Pair[] {
  const first = ring[0]?.[0] ?? 0;
  return ring.map(([lon, lat]) => [lon - 360 * Math.round((lon - first) / 360), lat]);
}

/** Geodesic area of a walked ring on WGS84, ft2. 0.001 by 0.001 degrees at the equator is 132,494. */
export const ringArea = defineReckoning({
  id: 'area.ring',
  title: 'Area of a walked perimeter',
  about:
    'Area inside a ring of longitude and latitude, as a track or a GeoJSON polygon gives it, on the WGS84 ellipsoid.',
  inputs: { ring: { kind: 'pairs', unit: 'degrees', label: 'ring of [longitude, latitude]', leastCount: 3 } },
  unit: 'ft2',
  formula: ['area = sum of the signed areas between each geodesic side and the equator'],
  sources: [
    {
      cite: 'Karney 2013, Algorithms for geodesics, J. Geodesy 87:43-55; its own reference implementation',
      standing: 'published',
    },
  ],
  limits: ['No holes.', 'Not round a pole.', 'A walked track is good to a few feet; a small lawn wants a tape.'],
  example: {
    inputs: {
      ring: [
        [0, 0],
        [0.001, 0],
        [0.001, 0.001],
        [0, 0.001],
      ],
    },
    value: 132_493.7491711925,
  },
  reckon({ ring }, work) {
    for (const [at, [lon, lat]] of ring.entries()) {
      if (Math.abs(lat) > 90)
        return refuse(
          'ring',
          `Point ${at + 1} has latitude ${lat}, beyond the pole. ${Math.abs(lon) <= 90 ? 'Longitude and latitude may be swapped: GeoJSON writes longitude first.' : 'Check the track.'}`,
        );
      if (Math.abs(lon) > 360)
        return refuse('ring', `Point ${at + 1} has longitude ${lon}: it must lie between -180 and 180.`);
    }
    const corners = withoutClosingPoint(unrolled(ring));
    if (corners.length < 3) return refuse('ring', 'A ring needs at least three different points.');
    if (corners.some(([, lat]) => Math.abs(lat) > 89.9))
      return refuse('ring', 'The ring touches a pole, where no lawn grows. Check the track.');
    if (onOneLine(corners)) return refuse('ring', 'The points lie on one line, so they enclose nothing.');
    const crossing = findCrossing(corners);
    if (crossing)
      return refuse(
        'ring',
        `Side ${sideName(crossing.sideA, corners.length)} crosses or touches side ${sideName(crossing.sideB, corners.length)}. Walk the perimeter without crossing your own path.`,
      );
    const polygon = new PolygonArea.PolygonArea(Geodesic.WGS84, false);
    for (const [lon, lat] of corners) polygon.AddPoint(lat, lon);
    const squareMetres = Math.abs(polygon.Compute(false, true).area ?? 0);
    work.note('points', 'of the ring', corners.length);
    work.note('area on the ellipsoid', 'WGS84', squareMetres, 'm2');
    return work.step('area', 'squareMetres ÷ 0.3048^2', { squareMetres }, squareMetres / SQ_M_PER_SQ_FT, 'ft2');
  },
});
