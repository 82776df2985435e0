import type { Figure } from '../reckoning/figure';
import { figureOf, traced } from '../reckoning/figure';
import type { Pair } from '../reckoning/inputs';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import { offsetsArea } from './area-offsets';
import { polygonArea } from './area-polygon';
import { rectangleArea } from './area-rectangle';
import { ringArea } from './area-ring';
import { ellipseArea } from './area-round';
import { triangleArea } from './area-triangle';

/** A measured piece of ground, as zones and cut-outs hold it. */
export interface Measured {
  rectangle?: { lengthFt: number; widthFt: number };
  triangle?: { aFt: number; bFt: number; cFt: number };
  ellipse?: { lengthFt: number; widthFt: number };
  offsets?: { spacingFt: number; offsetsFt: number[] };
  cornersFt?: readonly (readonly [number, number])[];
  ring?: readonly (readonly [number, number])[];
  atFt?: readonly [number, number];
  turnDeg?: number;
}
export type ShapeKind = 'rectangle' | 'triangle' | 'ellipse' | 'offsets' | 'outline' | 'ring';

/** Which way the ground was measured, or undefined where only its area was typed. */
export function shapeKind(measured: Measured): ShapeKind | undefined {
  if (measured.ring) return 'ring';
  if (measured.cornersFt) return 'outline';
  return (['rectangle', 'triangle', 'ellipse', 'offsets'] as const).find((kind) => measured[kind]);
}

/** Drawn corners of a round edge: fine enough that the drawing's area is within 0.02 % of the true one. */
const ROUND_CORNERS = 180;
/** Points of the drawn edge between two offsets. */
const EDGE_STEPS = 8;

/** The edge that Simpson's rule sums: a parabola through each three offsets, straight where the count is even. */
function offsetsEdge(offsetsFt: readonly number[], spacingFt: number): Pair[] {
  const last = offsetsFt.length - 1;
  if (last % 2 === 1) return offsetsFt.map((offset, i): Pair => [i * spacingFt, offset]);
  const edge: Pair[] = [];
  for (let i = 0; i < last; i += 2) {
    const [a, b, c] = [offsetsFt[i], offsetsFt[i + 1], offsetsFt[i + 2]] as [number, number, number];
    for (let step = i === 0 ? 0 : 1; step <= 2 * EDGE_STEPS; step++) {
      const t = step / EDGE_STEPS;
      const y = (a * (t - 1) * (t - 2)) / 2 - b * t * (t - 2) + (c * t * (t - 1)) / 2;
      edge.push([(i + t) * spacingFt, y]);
    }
  }
  return edge;
}

function ownCorners(measured: Measured): Pair[] {
  const { rectangle, triangle, ellipse, offsets } = measured;
  if (rectangle) {
    const { lengthFt, widthFt } = rectangle;
    return [
      [0, 0],
      [lengthFt, 0],
      [lengthFt, widthFt],
      [0, widthFt],
    ];
  }
  if (triangle) {
    // side a lies level; the third corner follows from the other two lengths
    const { aFt, bFt, cFt } = triangle;
    const along = (aFt * aFt + cFt * cFt - bFt * bFt) / (2 * aFt);
    const height = Math.sqrt(Math.max(0, cFt * cFt - along * along));
    return [
      [0, height],
      [along, 0],
      [aFt, height],
    ];
  }
  if (ellipse)
    return Array.from({ length: ROUND_CORNERS }, (_, i): Pair => {
      const turn = (2 * Math.PI * i) / ROUND_CORNERS;
      return [(ellipse.lengthFt / 2) * (1 + Math.cos(turn)), (ellipse.widthFt / 2) * (1 + Math.sin(turn))];
    });
  if (offsets) {
    const length = (offsets.offsetsFt.length - 1) * offsets.spacingFt;
    const edge = offsetsEdge(offsets.offsetsFt, offsets.spacingFt);
    return withoutTwins([[0, 0], ...edge, [length, 0]]);
  }
  return [];
}

const withoutTwins = (corners: readonly Pair[]): Pair[] =>
  corners.filter((c, i) => {
    const before = corners[(i + corners.length - 1) % corners.length] as Pair;
    return c[0] !== before[0] || c[1] !== before[1];
  });

/**
 * Corners of a measured shape on the sheet, ft east and south; none where only the area is known. Corners drawn on the
 * sheet stand where they were drawn; a shape from lengths lies at `atFt`, turned by `turnDeg` about that point.
 */
export function cornersOf(measured: Measured): Pair[] {
  if (measured.cornersFt) return measured.cornersFt.map(([x, y]): Pair => [x, y]);
  const [x0, y0] = measured.atFt ?? [0, 0];
  const turn = ((measured.turnDeg ?? 0) * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return ownCorners(measured).map(([x, y]): Pair => [x0 + x * cos - y * sin, y0 + x * sin + y * cos]);
}

/** Whether the sheet knows where the ground lies: drawn, or put down. */
export const isPlaced = (measured: Measured): boolean =>
  measured.cornersFt !== undefined || (shapeKind(measured) !== undefined && measured.atFt !== undefined);

/** The area inside a shape's outline as a figure, ft2; undefined where only the area was typed. */
export function outlineArea(measured: Measured, name: string, says: string): Figure | Refusal | undefined {
  const options = { title: `${name}, inside the outline`, unit: 'ft2', usedIn: 'Ground: the area to feed.' };
  const { rectangle, triangle, ellipse, offsets, cornersFt, ring } = measured;
  if (ring) return figureOf(ringArea, { ring: traced(ring as readonly Pair[], `walked perimeter, ${says}`) }, options);
  if (cornersFt)
    return figureOf(polygonArea, { points: traced(cornersOf(measured), `corners on the sheet, ${says}`) }, options);
  if (rectangle)
    return figureOf(
      rectangleArea,
      { lengthFt: traced(rectangle.lengthFt, says), widthFt: traced(rectangle.widthFt, says) },
      options,
    );
  if (triangle)
    return figureOf(
      triangleArea,
      { aFt: traced(triangle.aFt, says), bFt: traced(triangle.bFt, says), cFt: traced(triangle.cFt, says) },
      options,
    );
  if (ellipse)
    return figureOf(
      ellipseArea,
      { lengthFt: traced(ellipse.lengthFt, says), widthFt: traced(ellipse.widthFt, says) },
      options,
    );
  if (offsets)
    return figureOf(
      offsetsArea,
      { offsetsFt: traced(offsets.offsetsFt, says), spacingFt: traced(offsets.spacingFt, says) },
      options,
    );
  return undefined;
}

/** Whether a measured shape can have an area at all; the refusal says which side to change. */
export function refuseShape(measured: Measured): Refusal | undefined {
  const area = outlineArea(measured, 'Shape', 'measured');
  return area && isRefusal(area) ? area : undefined;
}
