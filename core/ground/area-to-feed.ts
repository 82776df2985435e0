import { defineReckoning } from '../reckoning/define';
import { squareFeet } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';

/** Ground that is fed, ft2: the outline less what is kept clear and cut out. 8,821 - 1,386 - 955 is 6,480. */
export const areaToFeed = defineReckoning({
  id: 'area.to-feed',
  title: 'Area to feed',
  about: 'The outline less the strip kept clear of water and less buildings, beds and paths inside it.',
  inputs: {
    outlineSqFt: squareFeet('inside the outline', { above: 0, max: 5e7 }),
    keptClearSqFt: squareFeet('kept clear', { min: 0, max: 5e7 }),
    cutOutSqFt: squareFeet('cut out', { min: 0, max: 5e7 }),
  },
  unit: 'ft2',
  formula: ['to feed = outline − kept clear − cut out'],
  sources: [{ cite: 'Subtraction of areas that do not overlap', standing: 'published' }],
  limits: ['What is cut out twice, or lies in the strip as well, is counted once.'],
  example: { inputs: { outlineSqFt: 8821, keptClearSqFt: 1386, cutOutSqFt: 955 }, value: 6480 },
  reckon({ outlineSqFt, keptClearSqFt, cutOutSqFt }, work) {
    const left = outlineSqFt - keptClearSqFt - cutOutSqFt;
    if (left <= 0)
      return refuse('cutOutSqFt', 'Nothing is left to feed: the cut-outs and the strip take the whole outline.');
    return work.step(
      'to feed',
      'outlineSqFt − keptClearSqFt − cutOutSqFt',
      { outlineSqFt, keptClearSqFt, cutOutSqFt },
      left,
      'ft2',
    );
  },
});
