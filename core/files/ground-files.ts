import { gpx } from '@tmcw/togeojson';
import { DOMParser } from '@xmldom/xmldom';
import * as yup from 'yup';
import { walkedError, WALK_SIGMA_FT } from '../ground/area-error';
import { polygonArea } from '../ground/area-polygon';
import { ringArea } from '../ground/area-ring';
import { toLonLat, toSheetFt } from '../ground/local-feet';
import { cornersOf, isPlaced } from '../ground/shape';
import { cutOutName, groundOf } from '../ground/zone-ground';
import { evaluate } from '../reckoning/define';
import type { Pair } from '../reckoning/inputs';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';
import { parseJson } from './case-file';
import type { Property, Site } from '../records/property-schema';
import type { Zone } from '../records/zone-schema';

/** A perimeter as a file gives it: longitude and latitude, open or closed, with the holes inside it. */
export interface Perimeter {
  name: string;
  ring: [number, number][];
  holes: [number, number][][];
}

/** More points than a person walks round a lawn. */
const MOST_POINTS = 5000;
const MOST_SHAPES = 200;
/** Points of all shapes together: two hundred lawns of a hundred, or ten of the longest. */
const MOST_POINTS_TOGETHER = 50_000;

const open = (ring: readonly (readonly number[])[]): [number, number][] => {
  const pairs = ring.map(([lon, lat]): [number, number] => [lon as number, lat as number]);
  const kept = pairs.filter((p, i) => i === 0 || p[0] !== pairs[i - 1]?.[0] || p[1] !== pairs[i - 1]?.[1]);
  const [first, last] = [kept[0], kept.at(-1)];
  return first && last && kept.length > 1 && first[0] === last[0] && first[1] === last[1] ? kept.slice(0, -1) : kept;
};

/** Perimeters that have an area, or the first thing wrong with them. */
function checked(found: Perimeter[], nothing: string): Perimeter[] | Refusal {
  if (found.length === 0) return refuse('', nothing);
  if (found.length > MOST_SHAPES)
    return refuse('', `The file holds ${found.length} shapes; at most ${MOST_SHAPES} are read at a time.`);
  const together = found.reduce(
    (sum, { ring, holes }) => sum + ring.length + holes.reduce((inner, hole) => inner + hole.length, 0),
    0,
  );
  if (together > MOST_POINTS_TOGETHER)
    return refuse(
      '',
      `The shapes have ${together} points together; at most ${MOST_POINTS_TOGETHER} are read at a time. Export fewer, or with fewer points.`,
    );
  for (const each of found) {
    const holes = each.holes.find((hole) => hole.length > MOST_POINTS);
    if (holes) return refuse('', `A hole of ${each.name} has ${holes.length} points; at most ${MOST_POINTS} are read.`);
    if (each.ring.length > MOST_POINTS)
      return refuse('', `${each.name} has ${each.ring.length} points; a lawn has at most ${MOST_POINTS}.`);
    for (const ring of [each.ring, ...each.holes]) {
      const area = evaluate(ringArea, { ring });
      if (isRefusal(area)) return refuse(area.field, `${each.name}: ${area.refused}`);
    }
  }
  return found;
}

/** Reads the tracks and routes of a GPX 1.1 file, each taken as a perimeter that closes at its start. */
export function readGpx(source: string): Perimeter[] | Refusal {
  if (source.length > 20_000_000) return refuse('', 'The track is larger than 20 MB. It was not read.');
  const faults: string[] = [];
  let collection: ReturnType<typeof gpx>;
  try {
    const parser = new DOMParser({ onError: (level, message) => level !== 'warning' && faults.push(message) });
    const document = parser.parseFromString(source, 'text/xml');
    collection = gpx(document as unknown as Document);
  } catch {
    return refuse('', 'The file is not readable as GPX: it is broken or of another kind. Export the track again.');
  }
  if (faults.length > 0)
    return refuse('', 'The file is not readable as GPX: it is broken or of another kind. Export the track again.');
  const found = collection.features.flatMap((feature, i): Perimeter[] => {
    const { geometry } = feature;
    if (!geometry) return [];
    const name = String(feature.properties?.name ?? '').slice(0, 80) || `Track ${i + 1}`;
    const line =
      geometry.type === 'LineString'
        ? geometry.coordinates
        : geometry.type === 'MultiLineString'
          ? geometry.coordinates.flat()
          : undefined;
    return line ? [{ name, ring: open(line), holes: [] }] : [];
  });
  return checked(found, 'The file holds no track: walk the perimeter with the recording on, and export that track.');
}

const position = yup.array(yup.number().required()).min(2).required();
const ring = yup.array(position).min(3).required();
const polygon = yup.array(ring).min(1).required();
const isPolygon = (value: unknown): value is number[][][] => polygon.isValidSync(value, { strict: true });

/** Reads the polygons of a GeoJSON file (RFC 7946): a geometry, a feature or a collection of them. */
export function readGeoJson(source: string): Perimeter[] | Refusal {
  const parsed = parseJson(source);
  if (isRefusal(parsed)) return refuse('', 'The file is not readable as GeoJSON: it is broken or of another kind.');
  const root = parsed.json as { type?: unknown; features?: unknown; geometries?: unknown } | null;
  const features = root?.type === 'FeatureCollection' && Array.isArray(root.features) ? root.features : [root];
  const found: Perimeter[] = [];
  for (const [i, each] of features.entries()) {
    const feature = each as { type?: string; geometry?: unknown; properties?: { name?: unknown } } | null;
    const geometry = (feature?.type === 'Feature' ? feature.geometry : feature) as {
      type?: string;
      coordinates?: unknown;
    } | null;
    const named = feature?.properties?.name;
    const name = (typeof named === 'string' ? named.slice(0, 80) : '') || `Shape ${i + 1}`;
    const polygons =
      geometry?.type === 'Polygon'
        ? [geometry.coordinates]
        : geometry?.type === 'MultiPolygon' && Array.isArray(geometry.coordinates)
          ? geometry.coordinates
          : [];
    for (const [part, coordinates] of polygons.entries()) {
      if (!isPolygon(coordinates)) return refuse('', `${name} is not a polygon of number pairs. Export it again.`);
      const [outer, ...holes] = coordinates;
      found.push({
        name: polygons.length > 1 ? `${name} ${part + 1}` : name,
        ring: open(outer as number[][]),
        holes: holes.map(open),
      });
    }
  }
  return checked(found, 'The file holds no polygon. Ubertas reads Polygon and MultiPolygon.');
}

/** A walked track, or polygons of a mapping program. */
export type GroundKind = 'track' | 'zones';

/** A perimeter laid on the sheet: its area by the ring, and what is fed of it. */
export interface PlacedPerimeter extends Perimeter {
  cornersFt: Pair[];
  areaSqFt: number | Refusal;
  /** How far a walked area may be off. */
  errorSqFt: number | Refusal;
  /** The zone's shape as it would be kept, and its fed area; why it cannot be where it cannot. */
  zone: { shape: Pick<Zone, 'ring' | 'cornersFt' | 'cutOuts'>; areaSqFt: number } | Refusal;
}

/** Squares of margin between the first perimeter and the sheet's corner, ft. */
const MARGIN_FT = 20;

const placed = (perimeter: Perimeter, origin: readonly [number, number], site: Site | undefined): PlacedPerimeter => {
  const { ring, holes } = perimeter;
  const cornersFt = onSheet(ring, origin);
  const cutOuts = holes.map((hole, i) => ({
    id: `hole-${i + 1}`,
    kind: 'other' as const,
    cornersFt: onSheet(hole, origin) as [number, number][],
  }));
  const shape = { ring, cornersFt: cornersFt as [number, number][], ...(cutOuts.length > 0 ? { cutOuts } : {}) };
  const ground = groundOf({ id: '', name: '', areaSqFt: 1, grass: 'tall-fescue', texture: 'loam', ...shape }, site);
  return {
    ...perimeter,
    cornersFt,
    areaSqFt: evaluate(ringArea, { ring }),
    errorSqFt: evaluate(walkedError, { points: cornersFt, sigmaFt: WALK_SIGMA_FT }),
    zone: isRefusal(ground) ? ground : { shape, areaSqFt: ground.areaSqFt },
  };
};

/**
 * Reads a file of ground and lays its perimeters on a sheet: on the sheet's own place on earth, or beside the first perimeter
 * where it has none.
 *
 * @example perimetersIn(source, 'zones').perimeters[0].areaSqFt
 */
export function perimetersIn(
  source: string,
  kind: GroundKind,
  site?: Site,
): { origin: [number, number]; perimeters: PlacedPerimeter[] } | Refusal {
  const read = kind === 'track' ? readGpx(source) : readGeoJson(source);
  if (isRefusal(read)) return read;
  const origin = (site?.origin as [number, number] | undefined) ?? toLonLat(originOf(read), [-MARGIN_FT, -MARGIN_FT]);
  return { origin, perimeters: read.map((perimeter) => placed(perimeter, origin, site)) };
}

/** Upper left corner of all perimeters: the origin of a sheet that has none. */
export const originOf = (perimeters: readonly Perimeter[]): [number, number] => {
  const all = perimeters.flatMap((p) => p.ring);
  return [Math.min(...all.map((p) => p[0])), Math.max(...all.map((p) => p[1]))];
};

/** A perimeter on the sheet: its ring kept, corners in feet about the origin, shifted by `atFt`. */
export const onSheet = (ring: readonly (readonly [number, number])[], origin: readonly [number, number]): Pair[] =>
  ring.map((each) => toSheetFt(origin, each));

/** RFC 7946 wants outer rings counter-clockwise as seen from above, holes clockwise. */
function wound(corners: readonly Pair[], counterClockwise: boolean): readonly Pair[] {
  const twice = corners.reduce((sum, [x, y], i) => {
    const [nx, ny] = corners[(i + 1) % corners.length] as Pair;
    return sum + x * ny - nx * y;
  }, 0);
  // y runs south on the sheet, so a positive sum is clockwise on the ground
  return twice > 0 === counterClockwise ? [...corners].reverse() : corners;
}

const closedRing = (corners: readonly Pair[], origin: readonly [number, number], counterClockwise: boolean) => {
  const ring = wound(corners, counterClockwise).map((corner) => toLonLat(origin, corner));
  return [...ring, ring[0]];
};

/** The placed zones of a property as a GeoJSON FeatureCollection. A walked ring goes out as it came in. */
export function printGeoJson(property: Property, zones: readonly Zone[]): string | Refusal {
  const origin = property.site?.origin;
  if (!origin)
    return refuse(
      'origin',
      'The sheet does not know where on earth it lies: bring in a walked track or a zones file first, or type the position of its corner.',
    );
  const features = zones.filter(isPlaced).map((zone) => {
    const holes = (zone.cutOuts ?? []).filter(isPlaced).filter((c) => isWhole(cornersOf(c)));
    return {
      type: 'Feature',
      properties: { name: zone.name, areaSqFt: zone.areaSqFt, grass: zone.grass, cutOuts: holes.map(cutOutName) },
      geometry: {
        type: 'Polygon',
        coordinates: [
          closedRing(cornersOf(zone), origin, true),
          ...holes.map((cutOut) => closedRing(cornersOf(cutOut), origin, false)),
        ],
      },
    };
  });
  if (features.length === 0) return refuse('zones', 'No zone is drawn on the sheet yet.');
  return `${JSON.stringify({ type: 'FeatureCollection', features }, null, 1)}\n`;
}

const isWhole = (corners: readonly Pair[]): boolean => !isRefusal(evaluate(polygonArea, { points: corners }));
