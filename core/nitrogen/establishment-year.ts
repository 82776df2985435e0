import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';

const poundsN = quantity('lb N');

/** Nitrogen of a year in which a stand is sown, lb N/1000 ft2. Starter 0.75, second dose 0.5, 0.2 for what grows after it: 1.45. */
export const establishmentYear = defineReckoning({
  id: 'nitrogen.establishment',
  title: 'Nitrogen of the year of seeding',
  about:
    'Nothing before the day; the starter on it, half a pound when roots can take it, then the grass’s own programme for what is left of the year.',
  inputs: {
    starterLb: poundsN('with the starter', { min: 0, max: 1 }),
    secondLb: poundsN('second dose, after four to six weeks', { min: 0, max: 1 }),
    laterLb: poundsN('the grass’s own programme after it', { min: 0, max: 10 }),
    codeLb: poundsN('most a year by local code', { optional: true, min: 0, max: 20 }),
  },
  unit: 'lb N / 1000 ft2',
  formula: ['year = starter + second dose + what is left of the year', 'then within the code'],
  sources: [
    { cite: 'Starter feeding and the second dose of a new stand, land-grant turf bulletins', standing: 'from memory' },
  ],
  limits: ['From the second season on the grass’s own programme, with the line of a young stand.'],
  example: { inputs: { starterLb: 0.75, secondLb: 0.5, laterLb: 0.2 }, value: 1.45 },
  reckon({ starterLb, secondLb, laterLb, codeLb }, work) {
    const sum = work.step(
      'year',
      'starterLb + secondLb + laterLb',
      { starterLb, secondLb, laterLb },
      starterLb + secondLb + laterLb,
      'lb N',
    );
    return codeLb === undefined || codeLb >= sum
      ? sum
      : work.step('held to the code', 'min(sum, codeLb)', { sum, codeLb }, Math.min(sum, codeLb), 'lb N');
  },
});
