import { defineReckoning } from '../reckoning/define';
import { feet } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';

const side = (name: string) => feet(`side ${name}`, { above: 0, max: 100_000 });

/** Area of a triangle from its three sides, ft2. Sides 30, 40 and 50 ft enclose 600. */
export const triangleArea = defineReckoning({
  id: 'area.triangle',
  title: 'Area of a triangle from three tape lengths',
  about: 'Three sides fix a triangle: no angle has to be measured. Any straight-sided lawn splits into triangles.',
  inputs: { aFt: side('a'), bFt: side('b'), cFt: side('c') },
  unit: 'ft2',
  formula: ['with a ≥ b ≥ c: area = √((a+(b+c)) (c−(a−b)) (c+(a−b)) (a+(b−c))) ÷ 4'],
  sources: [
    {
      cite: 'Heron of Alexandria; in the order of W. Kahan, Miscalculating Area and Angles of a Needle-like Triangle',
      standing: 'published',
    },
  ],
  limits: ['Each side must be shorter than the other two together.'],
  example: { inputs: { aFt: 30, bFt: 40, cFt: 50 }, value: 600 },
  reckon({ aFt, bFt, cFt }, work) {
    // sorted, a needle-like triangle loses no digits
    const [a, b, c] = [aFt, bFt, cFt].sort((x, y) => y - x) as [number, number, number];
    if (a >= b + c) {
      const field = a === aFt ? 'aFt' : a === bFt ? 'bFt' : 'cFt';
      return refuse(
        field,
        `Sides ${b} and ${c} ft together do not reach past ${a} ft: these three lengths make no triangle. Measure again.`,
      );
    }
    const area = Math.sqrt((a + (b + c)) * (c - (a - b)) * (c + (a - b)) * (a + (b - c))) / 4;
    return work.step(
      'area',
      'sqrt((a + (b + c)) × (c − (a − b)) × (c + (a − b)) × (a + (b − c))) ÷ 4',
      { a, b, c },
      area,
      'ft2',
    );
  },
});
