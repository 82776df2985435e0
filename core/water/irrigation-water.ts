import { defineReckoning } from '../reckoning/define';
import { inches, quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { CM_PER_FT, G_PER_LB } from '../units/conversions';

const meq = (name: string) => quantity('meq/L')(name, { min: 0, max: 10_000 });
const fao29 = {
  cite: 'Ayers & Westcot, Water quality for agriculture, FAO Irrigation and Drainage Paper 29, table 1',
  standing: 'from memory' as const,
};

/** Residual carbonate above which water is doubtful, and above which it is unfit, meq/L. FAO 29; from memory. */
const RESIDUAL_DOUBTFUL = 1.25;
const RESIDUAL_UNFIT = 2.5;

/** Litres in an inch of water over 1000 ft2. Derived. */
const LITRES_PER_INCH = (1000 * CM_PER_FT ** 2 * 2.54) / 1000;

/** Residual carbonate of irrigation water, meq/L. HCO3 5, CO3 0, Ca 2, Mg 1 is 2. */
export const residualCarbonate = defineReckoning({
  id: 'water.residual-carbonate',
  title: 'Residual carbonate of irrigation water',
  about: 'Bicarbonate left over once calcium and magnesium are bound: it raises pH and lets sodium rule.',
  inputs: { hco3MeqPerL: meq('HCO3'), co3MeqPerL: meq('CO3'), caMeqPerL: meq('Ca'), mgMeqPerL: meq('Mg') },
  unit: 'meq/L',
  formula: ['residual = HCO3 + CO3 − Ca − Mg'],
  sources: [fao29],
  limits: [
    `Below ${RESIDUAL_DOUBTFUL} meq/L no harm is expected, above ${RESIDUAL_UNFIT} the water is unfit without treatment.`,
    'Negative where calcium and magnesium prevail.',
  ],
  example: { inputs: { hco3MeqPerL: 5, co3MeqPerL: 0, caMeqPerL: 2, mgMeqPerL: 1 }, value: 2 },
  reckon({ hco3MeqPerL, co3MeqPerL, caMeqPerL, mgMeqPerL }, work) {
    const residual = work.step(
      'residual',
      'hco3MeqPerL + co3MeqPerL − caMeqPerL − mgMeqPerL',
      { hco3MeqPerL, co3MeqPerL, caMeqPerL, mgMeqPerL },
      hco3MeqPerL + co3MeqPerL - caMeqPerL - mgMeqPerL,
      'meq/L',
    );
    if (residual > RESIDUAL_UNFIT) work.caution(`Over ${RESIDUAL_UNFIT} meq/L: unfit for long use without treatment.`);
    else if (residual > RESIDUAL_DOUBTFUL)
      work.caution(`Over ${RESIDUAL_DOUBTFUL} meq/L: doubtful; watch pH and sodium.`);
    return residual;
  },
});

/** What water brings, lb/1000 ft2. 1 mg/L in 12 in is 0.0624 lb. */
export const waterLoad = defineReckoning({
  id: 'water.load',
  title: 'What irrigation water brings',
  about:
    'Pounds of a dissolved substance on 1000 ft2 from a depth of water: nitrate to credit, salt to leach, bicarbonate that limes.',
  inputs: {
    mgPerL: quantity('mg/L')('concentration', { min: 0, max: 100_000 }),
    depthIn: inches('depth of water', { min: 0, max: 200 }),
  },
  unit: 'lb substance / 1000 ft2',
  formula: ['load = concentration × litres an inch × depth ÷ 453,592 mg/lb'],
  sources: [{ cite: 'Derived from the litre, the inch and the pound (NIST Handbook 44)', standing: 'published' }],
  limits: ['The season’s irrigation, not rain.'],
  example: { inputs: { mgPerL: 10, depthIn: 12 }, value: (10 * LITRES_PER_INCH * 12) / (G_PER_LB * 1000) },
  reckon: ({ mgPerL, depthIn }, work) =>
    work.step(
      'load',
      'mgPerL × litresPerInch × depthIn ÷ mgPerLb',
      { mgPerL, litresPerInch: LITRES_PER_INCH, depthIn, mgPerLb: G_PER_LB * 1000 },
      (mgPerL * LITRES_PER_INCH * depthIn) / (G_PER_LB * 1000),
      'lb substance',
    ),
});

/** Leaching requirement, a share of the water. ECw 1.5, ECe 4 is 0.0811. */
export const leachingRequirement = defineReckoning({
  id: 'water.leaching',
  title: 'Leaching requirement',
  about: 'Share of the irrigation that must drain past the roots so that salt does not gather.',
  inputs: {
    ecw: quantity('dS/m')('salinity of the water', { min: 0, max: 50 }),
    ece: quantity('dS/m')('salinity the grass bears', { above: 0, max: 50 }),
  },
  unit: 'fraction of the water',
  formula: ['LR = ECw ÷ (5 × ECe − ECw)'],
  sources: [fao29],
  limits: ['Only where the water stays below five times what the grass bears.'],
  example: { inputs: { ecw: 2, ece: 4 }, value: 2 / 18 },
  reckon({ ecw, ece }, work) {
    if (5 * ece <= ecw)
      return refuse(
        'ecw',
        `Water of ${ecw} dS/m is five times what the grass bears or more: no leaching can keep up. Choose another water or grass.`,
      );
    const share = work.step(
      'leaching requirement',
      'ecw ÷ (5 × ece − ecw)',
      { ecw, ece },
      ecw / (5 * ece - ecw),
      'fraction',
    );
    if (share >= 1) work.caution('All the water and more would have to drain: not workable.');
    return share;
  },
});
