import { defineReckoning } from '../reckoning/define';
import { choice, textureGroup } from '../reckoning/inputs';
import { LIME_DOSE_LIMIT_LB } from './doses';

/**
 * The first lime of a very acid soil whose need cannot be reckoned, lb lime/1000 ft2 (B1): one surface dose is too little for any such
 * soil, so it cannot be wrong. Loam: 50; sand, close-cut turf and centipedegrass: 25.
 */
export const firstLimeDose = defineReckoning({
  id: 'lime.first-dose',
  title: 'First lime dose that cannot be wrong',
  about:
    'Below pH 4.5 without a usable buffer nobody can say how much lime the soil wants, only that it is more than one dose.',
  inputs: {
    turf: choice('turf', ['established', 'close-cut', 'tilled'] as const),
    textureGroup: textureGroup(),
    grass: choice('grass', ['centipedegrass', 'other'] as const),
  },
  unit: 'lb lime / 1000 ft2',
  formula: ['50 lb of the lime at hand; 25 on sand, close-cut turf and centipedegrass'],
  sources: [{ cite: 'First dose where the need is not known', standing: 'common practice' }],
  limits: ['Then a new report with a buffer pH: nothing more is given before it.'],
  example: { inputs: { turf: 'established', textureGroup: 'loam', grass: 'other' }, value: 50 },
  reckon({ turf, textureGroup, grass }, work) {
    const gentle = turf === 'close-cut' || textureGroup === 'sand' || grass === 'centipedegrass';
    const dose = gentle ? LIME_DOSE_LIMIT_LB['close-cut'] : LIME_DOSE_LIMIT_LB.established;
    work.note('first dose', gentle ? 'sand, close-cut or centipedegrass' : 'standing turf', dose, 'lb lime');
    return dose;
  },
});
