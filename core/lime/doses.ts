import { defineReckoning } from '../reckoning/define';
import { choice, quantity, textureGroup } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { equalDoses } from '../tables/equal-doses';

/** Most lime in one surface dose, lb/1000 ft2. Common practice. */
export const LIME_DOSE_LIMIT_LB = { established: 50, 'close-cut': 25, sand: 25, hydrated: 5 } as const;
/** Lime worked in by tillage in one go, lb/1000 ft2; more goes in two. Decision, common practice. */
const TILLED_LIMIT_LB = 150;

/** Lime split into equal doses. 75 lb on established turf is two of 37.5, six months apart. */
export const limeDoses = defineReckoning({
  id: 'lime.doses',
  title: 'Lime split into doses',
  about: 'What one surface dose may hold on this turf, and how many equal doses the whole makes.',
  inputs: {
    materialLb: quantity('lb lime')('lime in all', { min: 0 }),
    turf: choice('turf', ['established', 'close-cut', 'tilled'] as const),
    textureGroup: { ...textureGroup(), optional: true },
    material: choice('lime material', ['carbonate', 'hydrated', 'burnt'] as const, { optional: true }),
  },
  unit: 'doses: lb lime / 1000 ft2 each; monthsApart: months',
  formula: ['doses = ceil(material ÷ limit), all equal'],
  sources: [
    {
      cite: 'Surface lime limits: 50 lb per 1000 ft2 a dose, 25 on close-cut or sand turf; hydrated lime 5',
      standing: 'common practice',
    },
  ],
  limits: ['More than 400 lb per 1000 ft2 in all is refused as implausible.', 'Burnt lime never goes on a lawn.'],
  example: { inputs: { materialLb: 75, turf: 'established' }, value: { doses: [37.5, 37.5], monthsApart: 6 } },
  reckon({ materialLb, turf, textureGroup, material = 'carbonate' }, work) {
    if (material === 'burnt')
      return refuse(
        'material',
        'Burnt lime (quicklime) burns turf, skin and eyes and never goes on a lawn. Choose a carbonate lime.',
      );
    if (materialLb > 400)
      return refuse(
        'materialLb',
        `${materialLb} lb lime per 1000 ft2 is not plausible for a lawn: check the buffer pH, the unit and the ECCE.`,
      );
    if (materialLb === 0) return { doses: [], monthsApart: 0 };
    if (material === 'hydrated')
      work.caution(
        'Hydrated lime is caustic: gloves, eye protection, not in heat, water in at once. At most 5 lb hydrated lime per 1000 ft2 a dose.',
      );
    let limit: number;
    if (material === 'hydrated') limit = LIME_DOSE_LIMIT_LB.hydrated;
    else if (turf === 'tilled') limit = materialLb > TILLED_LIMIT_LB ? materialLb / 2 : TILLED_LIMIT_LB;
    else limit = textureGroup === 'sand' ? LIME_DOSE_LIMIT_LB.sand : LIME_DOSE_LIMIT_LB[turf];
    const doses = equalDoses(materialLb, limit);
    work.note(
      'limit of one dose',
      turf === 'tilled' ? 'worked in by tillage' : `surface dose, ${turf}`,
      limit,
      'lb lime',
    );
    work.step('number of doses', 'ceil(materialLb ÷ limit)', { materialLb, limit }, doses.length, 'doses');
    work.step('each dose', 'materialLb ÷ count', { materialLb, count: doses.length }, doses[0] as number, 'lb lime');
    if (doses.length > 1 && turf !== 'tilled')
      work.caution(`Split into ${doses.length}: one surface dose may not pass ${limit} lb lime per 1000 ft2.`);
    return { doses, monthsApart: turf === 'tilled' ? 0 : 6 };
  },
});
