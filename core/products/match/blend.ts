import { defineReckoning } from '../../reckoning/define';
import { percent, quantity } from '../../reckoning/inputs';
import { refuse } from '../../reckoning/refusal';

const need = (label: string) => quantity('lb nutrient')(label, { min: 0, max: 50 });
const source = { cite: 'Two or three linear equations, Cramer’s rule', standing: 'published' as const };
/** Products whose analyses are this nearly parallel cannot be told apart by a scale. */
const PARALLEL = 1e-6;
const CANNOT = 'These products cannot meet the needs together: one of them would have to be taken away again.';

/** Two products that together bring two needs, lb product/1000 ft2. 0.75 N and 0.65 K2O from 46-0-0 and 0-0-50: 1.63 and 1.3. */
export const blendOfTwo = defineReckoning({
  id: 'product.blend',
  title: 'Two products for two needs',
  about: 'How much of each, so that both needs are met exactly.',
  inputs: {
    need1Lb: need('first need'),
    need2Lb: need('second need'),
    a1Percent: percent('first nutrient in product A'),
    a2Percent: percent('second nutrient in product A'),
    b1Percent: percent('first nutrient in product B'),
    b2Percent: percent('second nutrient in product B'),
  },
  unit: 'aLb, bLb: lb product / 1000 ft2',
  formula: [
    'D = a1 × b2 − b1 × a2',
    'A = 100 × (need1 × b2 − need2 × b1) ÷ D',
    'B = 100 × (need2 × a1 − need1 × a2) ÷ D',
  ],
  sources: [source],
  limits: ['Each product must be able to bring what the other lacks.'],
  example: {
    inputs: { need1Lb: 1, need2Lb: 1, a1Percent: 50, a2Percent: 0, b1Percent: 0, b2Percent: 50 },
    value: { aLb: 2, bLb: 2 },
  },
  reckon({ need1Lb, need2Lb, a1Percent, a2Percent, b1Percent, b2Percent }, work) {
    const D = work.step(
      'D',
      'a1Percent × b2Percent − b1Percent × a2Percent',
      { a1Percent, b2Percent, b1Percent, a2Percent },
      a1Percent * b2Percent - b1Percent * a2Percent,
      'percent squared',
    );
    if (Math.abs(D) < PARALLEL)
      return refuse(
        'b1Percent',
        'Both products hold the two nutrients in the same ratio: no blend of them changes it.',
      );
    const aLb = work.step(
      'product A',
      '100 × (need1Lb × b2Percent − need2Lb × b1Percent) ÷ D',
      { need1Lb, b2Percent, need2Lb, b1Percent, D },
      (100 * (need1Lb * b2Percent - need2Lb * b1Percent)) / D,
      'lb product',
    );
    const bLb = work.step(
      'product B',
      '100 × (need2Lb × a1Percent − need1Lb × a2Percent) ÷ D',
      { need2Lb, a1Percent, need1Lb, a2Percent, D },
      (100 * (need2Lb * a1Percent - need1Lb * a2Percent)) / D,
      'lb product',
    );
    return aLb < 0 || bLb < 0 ? refuse('need2Lb', CANNOT) : { aLb, bLb };
  },
});

const determinant = (m: readonly (readonly number[])[]): number => {
  const [[a, b, c], [d, e, f], [g, h, i]] = m as [
    [number, number, number],
    [number, number, number],
    [number, number, number],
  ];
  return a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
};

/** Three products that together bring three needs, lb product/1000 ft2. */
export const blendOfThree = defineReckoning({
  id: 'product.blend-three',
  title: 'Three products for three needs',
  about: 'How much of each, so that all three needs are met exactly.',
  inputs: {
    need1Lb: need('first need'),
    need2Lb: need('second need'),
    need3Lb: need('third need'),
    a1Percent: percent('first nutrient in product A'),
    a2Percent: percent('second nutrient in product A'),
    a3Percent: percent('third nutrient in product A'),
    b1Percent: percent('first nutrient in product B'),
    b2Percent: percent('second nutrient in product B'),
    b3Percent: percent('third nutrient in product B'),
    c1Percent: percent('first nutrient in product C'),
    c2Percent: percent('second nutrient in product C'),
    c3Percent: percent('third nutrient in product C'),
  },
  unit: 'aLb, bLb, cLb: lb product / 1000 ft2',
  formula: [
    'D = determinant of the analyses, products as columns',
    'each = 100 × determinant with the needs in its column ÷ D',
  ],
  sources: [source],
  limits: ['Each product must be able to bring what the others lack.'],
  example: {
    inputs: {
      need1Lb: 1,
      need2Lb: 0.5,
      need3Lb: 0.25,
      a1Percent: 50,
      a2Percent: 0,
      a3Percent: 0,
      b1Percent: 0,
      b2Percent: 50,
      b3Percent: 0,
      c1Percent: 0,
      c2Percent: 0,
      c3Percent: 50,
    },
    value: { aLb: 2, bLb: 1, cLb: 0.5 },
  },
  reckon(given, work) {
    const rowOf = (at: 1 | 2 | 3) => [given[`a${at}Percent`], given[`b${at}Percent`], given[`c${at}Percent`]];
    const needs = [given.need1Lb, given.need2Lb, given.need3Lb];
    const rows = ([1, 2, 3] as const).map(rowOf);
    const shape = (m: readonly (readonly number[])[], label: string) => {
      const [[a, b, c], [d, e, f], [g, h, i]] = m as [
        [number, number, number],
        [number, number, number],
        [number, number, number],
      ];
      return work.step(
        label,
        'a × (e × i − f × h) − b × (d × i − f × g) + c × (d × h − e × g)',
        { a, b, c, d, e, f, g, h, i },
        determinant(m),
        'product of percents',
      );
    };
    const D = shape(rows, 'D');
    if (Math.abs(D) < PARALLEL)
      return refuse(
        'c1Percent',
        'One of the three products is a mixture of the other two: no blend of them meets all three needs.',
      );
    const each = (column: number, label: string) => {
      const mixed = shape(
        rows.map((row, r) => row.map((value, c) => (c === column ? (needs[r] as number) : value))),
        `needs in place of ${label}`,
      );
      return work.step(`product ${label}`, '100 × mixed ÷ D', { mixed, D }, (100 * mixed) / D, 'lb product');
    };
    const [aLb, bLb, cLb] = [each(0, 'A'), each(1, 'B'), each(2, 'C')];
    return aLb < 0 || bLb < 0 || cLb < 0 ? refuse('need3Lb', CANNOT) : { aLb, bLb, cLb };
  },
});
