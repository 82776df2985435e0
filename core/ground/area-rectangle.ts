import { defineReckoning } from '../reckoning/define';
import { feet } from '../reckoning/inputs';

/** Area of a rectangle, ft2. 50 ft x 40 ft is 2000. */
export const rectangleArea = defineReckoning({
  id: 'area.rectangle',
  title: 'Area of a rectangle',
  about: 'Length times width, for a lawn with square corners.',
  inputs: { lengthFt: feet('length', { above: 0, max: 100_000 }), widthFt: feet('width', { above: 0, max: 100_000 }) },
  unit: 'ft2',
  formula: ['area = length × width'],
  sources: [{ cite: 'Euclid', standing: 'published' }],
  limits: ['Right angles only: a lawn 5 degrees out of square is 0.4 % smaller.'],
  example: { inputs: { lengthFt: 50, widthFt: 40 }, value: 2000 },
  reckon: ({ lengthFt, widthFt }, work) =>
    work.step('area', 'lengthFt × widthFt', { lengthFt, widthFt }, lengthFt * widthFt, 'ft2'),
});
