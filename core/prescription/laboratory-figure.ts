import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { type Figure, sureFigure, traced } from '../reckoning/figure';

/** What the laboratory itself advises, lb/1000 ft2 (A12). 45 lb lime as spread is 45. */
export const laboratoryAdvice = defineReckoning({
  id: 'prescription.laboratory',
  title: 'Recommendation of the laboratory',
  about:
    'A laboratory knows its own soils and its own method. Its figure stands beside ours and is taken where ours cannot be reckoned.',
  inputs: { adviceLb: quantity('lb of the substance')('as the report recommends', { min: 0, max: 1000 }) },
  unit: 'lb of the substance / 1000 ft2',
  formula: ['figure = the laboratory’s'],
  sources: [{ cite: 'The laboratory’s report', standing: 'common practice' }],
  limits: ['Lime is meant as spread; no correction for its neutralising value is made.'],
  example: { inputs: { adviceLb: 45 }, value: 45 },
  reckon: ({ adviceLb }, work) => work.step('as advised', 'adviceLb + 0', { adviceLb }, adviceLb, 'lb'),
});

interface FigureWords {
  title: string;
  unit: string;
  usedIn: string;
}
const LIME: FigureWords = {
  title: 'Lime of the laboratory',
  unit: 'lb lime per 1000 ft2',
  usedIn: 'Prescribe: the lime doses.',
};

/** A laboratory's recommendation as a figure; lime unless said otherwise. */
export const laboratoryFigure = (adviceLb: number, lab: string | undefined, words: FigureWords = LIME): Figure =>
  sureFigure(
    laboratoryAdvice,
    { adviceLb: traced(adviceLb, lab ? `recommended by ${lab}` : 'recommended on the report') },
    words,
  );
