import { defineReckoning } from '../reckoning/define';
import { feet } from '../reckoning/inputs';

/** Area beside a base line with offsets, ft2. Offsets 0, 10, 0 at 15 ft: 200. */
export const offsetsArea = defineReckoning({
  id: 'area.offsets',
  title: 'Area from a base line with offsets',
  about:
    'Lay a tape along the long side and measure straight across at equal spacing, both ends included (0 where the lawn ends in a point).',
  inputs: {
    offsetsFt: { kind: 'numbers', unit: 'ft', label: 'offsets', leastCount: 2, min: 0 },
    spacingFt: feet('spacing of the offsets', { above: 0, max: 10_000 }),
  },
  unit: 'ft2',
  formula: [
    'odd count, 3 or more: area = spacing ÷ 3 × (first + 4 × even ones + 2 × odd ones + last)',
    'even count: area = spacing × (half of first and last + all between)',
  ],
  sources: [{ cite: 'Simpson’s one-third rule and the trapezoid rule; in any surveying text', standing: 'published' }],
  limits: ['Simpson’s rule takes the edge as smooth between three offsets; corners want more offsets.'],
  example: { inputs: { offsetsFt: [0, 10, 0], spacingFt: 15 }, value: 200 },
  reckon({ offsetsFt, spacingFt }, work) {
    const last = offsetsFt.length - 1;
    const ends = (offsetsFt[0] as number) + (offsetsFt[last] as number);
    const between = offsetsFt.slice(1, last);
    if (offsetsFt.length % 2 === 1) {
      const fours = between.filter((_, i) => i % 2 === 0).reduce((a, b) => a + b, 0);
      const twos = between.filter((_, i) => i % 2 === 1).reduce((a, b) => a + b, 0);
      return work.step(
        'area, Simpson',
        'spacingFt ÷ 3 × (ends + 4 × fours + 2 × twos)',
        { spacingFt, ends, fours, twos },
        (spacingFt / 3) * (ends + 4 * fours + 2 * twos),
        'ft2',
      );
    }
    const inner = between.reduce((a, b) => a + b, 0);
    return work.step(
      'area, trapezoid rule',
      'spacingFt × (ends ÷ 2 + inner)',
      { spacingFt, ends, inner },
      spacingFt * (ends / 2 + inner),
      'ft2',
    );
  },
});
