import { defineReckoning } from '../reckoning/define';
import { feet } from '../reckoning/inputs';

/** Area of an ellipse, ft2; a circle where both diameters are equal. 20 ft by 20 ft is 314.16. */
export const ellipseArea = defineReckoning({
  id: 'area.ellipse',
  title: 'Area of a circle or an ellipse',
  about: 'From the longest and the shortest width through the middle; a circle has both the same.',
  inputs: {
    lengthFt: feet('longest width', { above: 0, max: 100_000 }),
    widthFt: feet('shortest width', { above: 0, max: 100_000 }),
  },
  unit: 'ft2',
  formula: ['area = π × length × width ÷ 4'],
  sources: [{ cite: 'Archimedes, On Conoids and Spheroids', standing: 'published' }],
  limits: [],
  example: { inputs: { lengthFt: 20, widthFt: 10 }, value: 50 * Math.PI },
  reckon: ({ lengthFt, widthFt }, work) =>
    work.step(
      'area',
      'pi × lengthFt × widthFt ÷ 4',
      { pi: Math.PI, lengthFt, widthFt },
      (Math.PI * lengthFt * widthFt) / 4,
      'ft2',
    ),
});

/** Area of a trapezoid, ft2. Parallel sides 60 and 40 ft, 30 ft apart: 1500. */
export const trapezoidArea = defineReckoning({
  id: 'area.trapezoid',
  title: 'Area of a trapezoid',
  about: 'Two parallel sides and the distance straight across between them.',
  inputs: {
    aFt: feet('one parallel side', { min: 0, max: 100_000 }),
    bFt: feet('the other parallel side', { above: 0, max: 100_000 }),
    apartFt: feet('distance between them', { above: 0, max: 100_000 }),
  },
  unit: 'ft2',
  formula: ['area = (a + b) ÷ 2 × distance'],
  sources: [{ cite: 'Euclid', standing: 'published' }],
  limits: ['The distance is measured at right angles.'],
  example: { inputs: { aFt: 60, bFt: 40, apartFt: 30 }, value: 1500 },
  reckon: ({ aFt, bFt, apartFt }, work) =>
    work.step('area', '(aFt + bFt) ÷ 2 × apartFt', { aFt, bFt, apartFt }, ((aFt + bFt) / 2) * apartFt, 'ft2'),
});
