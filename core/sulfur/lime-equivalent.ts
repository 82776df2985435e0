import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import properties from '../packs/product-properties.json';
import { CACO3_PER_S } from '../units/atomic-masses';

/** Lime that elemental sulfur undoes once it has oxidised, lb CaCO3/1000 ft2. 10 lb S: 31.2. */
export const sulfurLimeEquivalent = defineReckoning({
  id: 'sulfur.lime-equivalent',
  title: 'Lime that sulfur undoes',
  about: 'Puts elemental sulfur on the same scale as other acidifiers: pounds of lime undone.',
  inputs: { elementalLb: quantity('lb S')('elemental sulfur', { min: 0 }) },
  unit: 'lb CaCO3 / 1000 ft2',
  formula: ['lime undone = S × 3.1218'],
  sources: [{ cite: 'Stoichiometry S to H2SO4 to CaCO3, IUPAC atomic masses', standing: 'published' }],
  limits: ['When all of it has oxidised: months to more than a year.'],
  example: { inputs: { elementalLb: 0 }, value: 0 },
  reckon: ({ elementalLb }, work) =>
    work.step(
      'lime undone',
      'elementalLb × perS',
      { elementalLb, perS: CACO3_PER_S },
      elementalLb * CACO3_PER_S,
      'lb CaCO3',
    ),
});

/** Lime that peat in aeration holes undoes, lb CaCO3/1000 ft2. A quarter of a cubic yard: 1.5. */
export const peatLimeEquivalent = defineReckoning({
  id: 'peat.lime-equivalent',
  title: 'Lime that peat undoes',
  about: 'Sphagnum peat brushed into aeration holes: quick, small, and gone within about a year.',
  inputs: { cubicYards: quantity('yd3')('sphagnum peat', { min: 0, max: 10 }) },
  unit: 'lb CaCO3 / 1000 ft2',
  formula: ['lime undone = cubic yards × 6 lb CaCO3'],
  sources: [{ cite: properties.peat.source.cite, standing: 'common practice' }],
  limits: ['A quarter of a cubic yard is about what the holes of one aeration take on 1000 ft2.'],
  example: { inputs: { cubicYards: 0.25 }, value: 1.5 },
  reckon({ cubicYards }, work) {
    const perYard = properties.peat.limePerCubicYardLb;
    return work.step('lime undone', 'cubicYards × perYard', { cubicYards, perYard }, cubicYards * perYard, 'lb CaCO3');
  },
});
