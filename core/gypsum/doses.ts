import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { equalDoses } from '../tables/equal-doses';

/** Most gypsum in a dose, lb gypsum/1000 ft2, and doses a year. Common practice. */
export const GYPSUM_LIMITS = { doseLb: 40, perYear: 2 } as const;

/** Gypsum split into equal doses. 100 lb: three of 33.3, over 2 years. */
export const gypsumDoses = defineReckoning({
  id: 'gypsum.doses',
  title: 'Gypsum split into doses',
  about: 'What one surface dose may hold, and the years that all of it takes.',
  inputs: { gypsumLb: quantity('lb gypsum')('gypsum in all', { min: 0 }) },
  unit: 'doses: lb gypsum / 1000 ft2 each; years: years',
  formula: ['doses = ceil(gypsum ÷ 40), all equal', 'years = ceil(doses ÷ 2)'],
  sources: [{ cite: 'Surface gypsum: 40 lb per 1000 ft2 a dose, two a year', standing: 'common practice' }],
  limits: ['Only with drainage, and with water to leach after each dose.'],
  example: { inputs: { gypsumLb: 75 }, value: { doses: [37.5, 37.5], years: 1 } },
  reckon({ gypsumLb }, work) {
    const { doseLb: limit, perYear } = GYPSUM_LIMITS;
    const doses = equalDoses(gypsumLb, limit);
    const count = doses.length;
    if (count === 0) return { doses, years: 0 };
    work.step('number of doses', 'ceil(gypsumLb ÷ limit)', { gypsumLb, limit }, count, 'doses');
    work.step('each dose', 'gypsumLb ÷ count', { gypsumLb, count }, gypsumLb / count, 'lb gypsum');
    const years = work.step('years', 'ceil(count ÷ perYear)', { count, perYear }, Math.ceil(count / perYear), 'years');
    work.caution('Leach after each dose with several inches of water, over days; without drainage it does harm.');
    return { doses, years };
  },
});
