import { describe, expect, it } from 'vitest';
import { classOf } from './texture-class';

// Points a hair to either side of each line of the USDA triangle (Soil Survey Manual, chapter 3; published).
const at = (sand: number, clay: number) => classOf(sand, 100 - sand - clay, clay);

describe('the lines of the texture triangle', () => {
  it.each<[string, number, number, string, string]>([
    // name, sand, clay on the line; class below (clay − 0.2, sand + 0.2) and above (clay + 0.2, sand − 0.2)
    ['clay 7, sandy loam to loam', 45, 7, 'sandy-loam', 'loam'],
    ['clay 12, silt to silt loam', 5, 12, 'silt', 'silt-loam'],
    ['clay 20, sandy loam to sandy clay loam', 65, 20, 'sandy-loam', 'sandy-clay-loam'],
    ['clay 27, loam to clay loam', 35, 27, 'loam', 'clay-loam'],
    ['clay 27, silt loam to silty clay loam', 10, 27, 'silt-loam', 'silty-clay-loam'],
    ['clay 35, sandy clay loam to sandy clay', 55, 35, 'sandy-clay-loam', 'sandy-clay'],
    ['clay 40, clay loam to clay', 35, 40, 'clay-loam', 'clay'],
    ['clay 40, silty clay loam to silty clay', 8, 40, 'silty-clay-loam', 'silty-clay'],
  ])('%s', (_name, sand, clay, below, above) => {
    expect([at(sand + 0.2, clay - 0.2), at(sand - 0.2, clay + 0.2)]).toEqual([below, above]);
  });

  it.each<[string, number, number, string, string]>([
    // name, sand on the line, clay; class with more and with less sand
    ['sand 52, sandy loam to loam', 52, 15, 'sandy-loam', 'loam'],
    ['sand 45, sandy clay loam to clay loam', 45, 30, 'sandy-clay-loam', 'clay-loam'],
    ['sand 20, clay loam to silty clay loam', 20, 33, 'clay-loam', 'silty-clay-loam'],
    ['sand 45, sandy clay to clay', 45, 45, 'sandy-clay', 'clay'],
    ['silt 50, loam to silt loam', 30, 20, 'loam', 'silt-loam'],
    ['silt 50, sandy loam to silt loam', 45, 5, 'sandy-loam', 'silt-loam'],
    ['silt 80, silt loam to silt', 12, 8, 'silt-loam', 'silt'],
    ['silt 28, sandy clay loam to loam', 48, 24, 'sandy-clay-loam', 'loam'],
    ['silt 40, clay to silty clay', 15, 45, 'clay', 'silty-clay'],
    ['silt + 1.5 clay 15, sand to loamy sand', 88, 6, 'sand', 'loamy-sand'],
    ['silt + 2 clay 30, loamy sand to sandy loam', 78, 8, 'loamy-sand', 'sandy-loam'],
  ])('%s', (_name, sand, clay, more, less) => {
    expect([at(sand + 0.3, clay), at(sand - 0.3, clay)]).toEqual([more, less]);
  });
});
