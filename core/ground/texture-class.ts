import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import type { TextureClass } from '../records/vocabularies';
import { trimmed } from '../words/numbers';

/**
 * The class of a point of the USDA triangle. Tested in a fixed order, so that a boundary belongs to the class named
 * first. Percent, summing to 100.
 */
export function classOf(sand: number, silt: number, clay: number): TextureClass {
  if (silt + 1.5 * clay < 15) return 'sand';
  if (silt + 1.5 * clay >= 15 && silt + 2 * clay < 30) return 'loamy-sand';
  if (
    (clay >= 7 && clay < 20 && sand > 52 && silt + 2 * clay >= 30) ||
    (clay < 7 && silt < 50 && silt + 2 * clay >= 30)
  )
    return 'sandy-loam';
  if (clay >= 20 && clay < 35 && silt < 28 && sand > 45) return 'sandy-clay-loam';
  if (clay >= 7 && clay < 27 && silt >= 28 && silt < 50 && sand <= 52) return 'loam';
  if ((silt >= 50 && clay >= 12 && clay < 27) || (silt >= 50 && silt < 80 && clay < 12)) return 'silt-loam';
  if (silt >= 80 && clay < 12) return 'silt';
  if (clay >= 27 && clay < 40 && sand > 20 && sand <= 45) return 'clay-loam';
  if (clay >= 27 && clay < 40 && sand <= 20) return 'silty-clay-loam';
  if (clay >= 35 && sand > 45) return 'sandy-clay';
  if (clay >= 40 && silt >= 40) return 'silty-clay';
  return 'clay';
}

const share = (label: string) => quantity('%')(label, { min: 0, max: 100 });

/** USDA class from sand, silt and clay. 20, 60 and 20 percent is silt-loam. */
export const textureClass = defineReckoning({
  id: 'soil.texture-class',
  title: 'Soil texture class',
  about: 'The USDA class of a soil from its sand, silt and clay.',
  inputs: { sandPercent: share('sand'), siltPercent: share('silt'), clayPercent: share('clay') },
  unit: 'USDA texture class',
  formula: ['the class whose bounds in the texture triangle hold the point'],
  sources: [{ cite: 'USDA Soil Survey Manual, Agriculture Handbook 18, chapter 3', standing: 'published' }],
  limits: [
    'The three must sum to 100, within 1 for rounding.',
    'On a boundary the class tested first is taken; the order is that of the Manual’s list.',
  ],
  example: { inputs: { sandPercent: 20, siltPercent: 60, clayPercent: 20 }, value: 'silt-loam' },
  reckon({ sandPercent, siltPercent, clayPercent }, work) {
    const sum = sandPercent + siltPercent + clayPercent;
    if (Math.abs(sum - 100) > 1 + 1e-9)
      return refuse('clayPercent', `Sand, silt and clay add up to ${trimmed(sum, 2)} %, not 100. Check the three.`);
    const scale = 100 / sum;
    // 1e-9 keeps 7.000000000000001 on the side of 7
    const settle = (x: number) => Math.round(x * scale * 1e9) / 1e9;
    const found = classOf(settle(sandPercent), settle(siltPercent), settle(clayPercent));
    work.note('texture class', `sand ${sandPercent}, silt ${siltPercent}, clay ${clayPercent} %`, found);
    return found as string;
  },
});
