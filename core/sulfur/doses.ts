import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';
import { equalDoses } from '../tables/equal-doses';

/** Most elemental sulfur in one dose, lb S/1000 ft2, and doses a year. Common practice. */
export const SULFUR_LIMITS = {
  established: { doseLb: 5, perYear: 2 },
  // 3 lb a year in doses of 0.5, every 10-14 days
  'close-cut': { doseLb: 0.5, perYear: 6 },
  tilled: { doseLb: 20, perYear: 1 },
} as const;

/** Elemental sulfur split into doses and years. 18 lb on established turf: four of 4.5, over 2 years. */
export const sulfurDoses = defineReckoning({
  id: 'sulfur.doses',
  title: 'Sulfur split into doses',
  about: 'Doses small enough not to burn, and the years they take.',
  inputs: {
    elementalLb: quantity('lb S')('elemental sulfur in all', { min: 0 }),
    turf: choice('turf', ['established', 'close-cut', 'tilled'] as const),
    mostADoseLb: quantity('lb S')('most one dose may bring here', { above: 0, max: 20, optional: true }),
    mostAYearLb: quantity('lb S')('most a year may bring here', { above: 0, max: 100, optional: true }),
  },
  unit: 'doses: lb S / 1000 ft2 each; years: years',
  formula: [
    'limit = the least of the turf’s, the soil’s, and the year’s ÷ doses a year',
    'doses = ceil(elemental S ÷ limit), all equal',
    'years = ceil(doses ÷ doses a year)',
  ],
  sources: [
    {
      cite: 'Elemental sulfur on turf: 5 lb S per 1000 ft2 a dose and 10 a year; close-cut 0.5 and 3',
      standing: 'common practice',
    },
  ],
  limits: ['Some extension texts allow 10 lb S in one dose; not taken here, because of burn.'],
  example: { inputs: { elementalLb: 18, turf: 'established' }, value: { doses: [4.5, 4.5, 4.5, 4.5], years: 2 } },
  reckon({ elementalLb, turf, mostADoseLb = Infinity, mostAYearLb = Infinity }, work) {
    const { doseLb, perYear } = SULFUR_LIMITS[turf];
    const limit = Math.min(doseLb, mostADoseLb, mostAYearLb / perYear);
    const doses = equalDoses(elementalLb, limit);
    const count = doses.length;
    if (count === 0) return { doses, years: 0 };
    work.note('limit of one dose', `elemental sulfur, ${turf}`, limit, 'lb S');
    work.step('number of doses', 'ceil(elementalLb ÷ limit)', { elementalLb, limit }, count, 'doses');
    work.step('each dose', 'elementalLb ÷ count', { elementalLb, count }, elementalLb / count, 'lb S');
    const years = work.step('years', 'ceil(count ÷ perYear)', { count, perYear }, Math.ceil(count / perYear), 'years');
    if (turf === 'tilled') work.caution('Worked in, at least three months before seeding.');
    if (count > 2) work.caution('Before a third dose test the top 2 in alone: a thin acid layer hides in a 4 in core.');
    return { doses, years };
  },
});
