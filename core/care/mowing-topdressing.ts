import { defineReckoning } from '../reckoning/define';
import { inches, quantity, squareFeet } from '../reckoning/inputs';

/** Height at which to mow so that no more than a third goes, in. 3 in is mown at 4.5. */
export const mowTrigger = defineReckoning({
  id: 'mow.trigger',
  title: 'When to mow',
  about: 'Never more than a third of the leaf at once: the grass may grow to one and a half times its height.',
  inputs: { heightIn: inches('mowing height', { above: 0, max: 8 }) },
  unit: 'in',
  formula: ['mow at = height × 1.5'],
  sources: [{ cite: 'One-third rule; Crider 1955, USDA Technical Bulletin 1102', standing: 'from memory' }],
  limits: [],
  example: { inputs: { heightIn: 3 }, value: 4.5 },
  reckon: ({ heightIn }, work) => work.step('mow at', 'heightIn × 1.5', { heightIn }, heightIn * 1.5, 'in'),
});

const CUBIC_FT_PER_YD = 27;
/** More topdressing than this at once smothers, in. Common practice. */
const SMOTHERS_ABOVE_IN = 0.25;

/** Depth of topdressing, in. 1 yd3 over 1000 ft2 is 0.324. */
export const topdressDepth = defineReckoning({
  id: 'topdress.depth',
  title: 'Depth of topdressing',
  about: 'How deep so many cubic yards lie.',
  inputs: {
    cubicYards: quantity('yd3')('material', { min: 0, max: 10_000 }),
    areaSqFt: squareFeet('area', { above: 0 }),
  },
  unit: 'in',
  formula: ['depth = cubic yards × 27 ÷ area × 12'],
  sources: [{ cite: 'Derived: 27 ft3 to the cubic yard', standing: 'published' }],
  limits: [`More than ${SMOTHERS_ABOVE_IN} in at once smothers the grass.`],
  example: { inputs: { cubicYards: 1, areaSqFt: 1000 }, value: 0.324 },
  reckon({ cubicYards, areaSqFt }, work) {
    const depth = work.step(
      'depth',
      'cubicYards × 27 ÷ areaSqFt × 12',
      { cubicYards, areaSqFt },
      ((cubicYards * CUBIC_FT_PER_YD) / areaSqFt) * 12,
      'in',
    );
    if (depth > SMOTHERS_ABOVE_IN)
      work.caution(
        `Over ${SMOTHERS_ABOVE_IN} in at once smothers turf: split it, and only onto grass in strong growth.`,
      );
    return depth;
  },
});
