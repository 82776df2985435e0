import type { TextureClass } from '../records/vocabularies';

/**
 * Corners of the twelve classes in the USDA triangle as [sand, clay] percent; silt is the rest. They follow from the same
 * bounds as `soil.texture-class`; a test lays a grid over the triangle and compares the two. Source: USDA Soil Survey Manual.
 */
export const TRIANGLE: Record<TextureClass, readonly (readonly [sand: number, clay: number])[]> = {
  sand: [
    [100, 0],
    [90, 10],
    [85, 0],
  ],
  'loamy-sand': [
    [85, 0],
    [90, 10],
    [85, 15],
    [70, 0],
  ],
  'sandy-loam': [
    [70, 0],
    [85, 15],
    [80, 20],
    [52, 20],
    [52, 7],
    [43, 7],
    [50, 0],
  ],
  'sandy-clay-loam': [
    [80, 20],
    [65, 35],
    [45, 35],
    [45, 27],
    [52, 20],
  ],
  loam: [
    [52, 7],
    [52, 20],
    [45, 27],
    [23, 27],
    [43, 7],
  ],
  'silt-loam': [
    [50, 0],
    [23, 27],
    [0, 27],
    [0, 12],
    [8, 12],
    [20, 0],
  ],
  silt: [
    [20, 0],
    [8, 12],
    [0, 12],
    [0, 0],
  ],
  'clay-loam': [
    [45, 27],
    [45, 40],
    [20, 40],
    [20, 27],
  ],
  'silty-clay-loam': [
    [20, 27],
    [20, 40],
    [0, 40],
    [0, 27],
  ],
  'sandy-clay': [
    [65, 35],
    [45, 55],
    [45, 35],
  ],
  'silty-clay': [
    [20, 40],
    [0, 60],
    [0, 40],
  ],
  clay: [
    [45, 40],
    [45, 55],
    [0, 100],
    [0, 60],
    [20, 40],
  ],
};

/** Middle of a class in the triangle, [sand, clay] percent: where a hand test is marked. */
export function middleOfClass(texture: TextureClass): [sand: number, clay: number] {
  const corners = TRIANGLE[texture];
  let [twice, sand, clay] = [0, 0, 0];
  for (const [i, [x1, y1]] of corners.entries()) {
    const [x2, y2] = corners[(i + 1) % corners.length] as readonly [number, number];
    const cross = x1 * y2 - x2 * y1;
    twice += cross;
    sand += (x1 + x2) * cross;
    clay += (y1 + y2) * cross;
  }
  return [sand / (3 * twice), clay / (3 * twice)];
}
