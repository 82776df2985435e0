import { defineReckoning } from '../reckoning/define';
import { depthIn, ph, textureGroup } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import type { TextureGroup } from '../ground/texture-groups';
import { interpolate, type TablePoint } from '../tables/interpolate';

/** Depth the table is for, in. */
export const TEXTURE_TABLE_DEPTH_IN = 6;

/** lb ground limestone/1000 ft2 that bring 6 in of soil from a pH to 6.5. Common practice, from memory. */
const TO_PH_6_5: Record<TextureGroup, readonly TablePoint[]> = {
  sand: [
    [4.5, 80],
    [5.0, 65],
    [5.5, 45],
    [6.0, 20],
    [6.5, 0],
  ],
  loam: [
    [4.5, 150],
    [5.0, 110],
    [5.5, 75],
    [6.0, 35],
    [6.5, 0],
  ],
  clay: [
    [4.5, 200],
    [5.0, 150],
    [5.5, 100],
    [6.0, 50],
    [6.5, 0],
  ],
};

/** Limestone that brings 6 in of soil from `fromPh` to 6.5, lb/1000 ft2. Loam at 5.5 is 75. */
export const limestoneTo65 = (textureGroup: TextureGroup, fromPh: number): number =>
  interpolate(TO_PH_6_5[textureGroup], fromPh);

/** Lime without a buffer pH, from texture, lb CaCO3/1000 ft2. Loam, 5.5 to 6.5, 4 in: 50. */
export const textureLime = defineReckoning({
  id: 'lime.texture',
  title: 'Lime requirement, texture table',
  about:
    'An estimate for a report without a buffer pH: the heavier the soil, the more lime the same change of pH takes.',
  inputs: {
    soilPh: ph('soil pH in water'),
    aimPh: ph('pH aimed at'),
    textureGroup: textureGroup(),
    treatedDepthIn: depthIn('depth to treat'),
  },
  unit: 'lb CaCO3 / 1000 ft2',
  formula: ['6 in = table(pH) − table(aim)', 'lb/1000 = 6 in × depth ÷ 6'],
  sources: [
    {
      cite: 'Texture table for ground limestone to pH 6.5, 6 in, as extension bulletins print it; value from memory',
      standing: 'common practice',
    },
  ],
  limits: ['An estimate: a buffer pH is better.', 'Aims from 4.5 to 6.5; soil pH 4.5 or more.'],
  example: { inputs: { soilPh: 5.5, aimPh: 6.5, textureGroup: 'loam', treatedDepthIn: 4 }, value: 50 },
  reckon({ soilPh, aimPh, textureGroup, treatedDepthIn }, work) {
    if (aimPh > 6.5 || aimPh < 4.5)
      return refuse('aimPh', `The texture table goes to pH 6.5 from 4.5; an aim of ${aimPh} lies outside it.`);
    if (soilPh >= aimPh) {
      work.note('soil pH is at or above the aim', 'no lime', 0, 'lb CaCO3');
      return 0;
    }
    if (soilPh < 4.5)
      return refuse(
        'soilPh',
        `Below pH 4.5 the table says nothing: a buffer pH is needed. Until then put down one dose of 50 lb lime per 1000 ft2 and retest.`,
      );
    work.caution('Estimated from texture: a buffer pH would say it better.');
    const fromSoil = limestoneTo65(textureGroup, soilPh);
    const fromAim = limestoneTo65(textureGroup, aimPh);
    work.note(`table, ${textureGroup}, from pH ${soilPh} to 6.5`, 'table(soilPh)', fromSoil, 'lb CaCO3');
    work.note(`table, ${textureGroup}, from pH ${aimPh} to 6.5`, 'table(aimPh)', fromAim, 'lb CaCO3');
    const sixInches = work.step(
      'for 6 in of soil',
      'fromSoil − fromAim',
      { fromSoil, fromAim },
      fromSoil - fromAim,
      'lb CaCO3',
    );
    return work.step(
      'depth to treat',
      'sixInches × treatedDepthIn ÷ 6',
      { sixInches, treatedDepthIn },
      (sixInches * treatedDepthIn) / TEXTURE_TABLE_DEPTH_IN,
      'lb CaCO3',
    );
  },
});
