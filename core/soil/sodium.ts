import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { refuse, type Refusal } from '../reckoning/refusal';
import type { Work } from '../reckoning/work';
import { trimmed } from '../words/numbers';

/** Sodic from this SAR or ESP on. USDA Agriculture Handbook 60, 1954. */
export const SODIC_SAR = 13;
export const SODIC_ESP_PERCENT = 15;

const meq = (name: string) => quantity('meq/L')(name, { min: 0, max: 10_000 });
export const cationInputs = { caMeqPerL: meq('Ca'), mgMeqPerL: meq('Mg'), naMeqPerL: meq('Na') };

const source = {
  cite: 'USDA Agriculture Handbook 60, 1954, Diagnosis and Improvement of Saline and Alkali Soils',
  standing: 'published' as const,
};

function sodiumAdsorption(
  { caMeqPerL, mgMeqPerL, naMeqPerL }: Record<keyof typeof cationInputs, number>,
  work: Work,
): number | Refusal {
  if (caMeqPerL + mgMeqPerL === 0)
    return refuse('caMeqPerL', 'Ca and Mg are both 0, so the ratio has no meaning: check the report.');
  return work.step(
    'SAR',
    'naMeqPerL ÷ sqrt((caMeqPerL + mgMeqPerL) ÷ 2)',
    { naMeqPerL, caMeqPerL, mgMeqPerL },
    naMeqPerL / Math.sqrt((caMeqPerL + mgMeqPerL) / 2),
    'SAR',
  );
}

/** Sodium adsorption ratio of a saturated paste extract. Ca 4, Mg 4, Na 10 meq/L is 5. */
export const soilSodium = defineReckoning({
  id: 'soil.sodium',
  title: 'Sodium adsorption ratio of the soil',
  about: 'How far sodium rules the soil solution: from 13 on the soil counts as sodic and seals.',
  inputs: cationInputs,
  unit: 'sar: ratio',
  formula: ['SAR = Na ÷ √((Ca + Mg) ÷ 2)'],
  sources: [source],
  limits: ['Saturated paste extract, meq/L.'],
  example: { inputs: { caMeqPerL: 4, mgMeqPerL: 4, naMeqPerL: 10 }, value: { sar: 5 } },
  reckon(given, work) {
    const sar = sodiumAdsorption(given, work);
    if (typeof sar !== 'number') return sar;
    if (sar >= SODIC_SAR)
      work.caution(
        `SAR ${trimmed(sar, 1)} is sodic (${SODIC_SAR} and above): gypsum and leaching, with drainage first.`,
      );
    return { sar };
  },
});

/** Sodium adsorption ratio of irrigation water. Ca 2, Mg 2, Na 6 meq/L is 4.24. */
export const waterSar = defineReckoning({
  id: 'water.sar',
  title: 'Sodium adsorption ratio of irrigation water',
  about: 'What the water will make of the soil: high SAR with low salinity seals it.',
  inputs: cationInputs,
  unit: 'SAR',
  formula: ['SAR = Na ÷ √((Ca + Mg) ÷ 2)'],
  sources: [
    source,
    {
      cite: 'Ayers & Westcot, Water quality for agriculture, FAO Irrigation and Drainage Paper 29, table 1',
      standing: 'from memory',
    },
  ],
  limits: ['Not adjusted for bicarbonate: see residual carbonate.'],
  example: { inputs: { caMeqPerL: 4, mgMeqPerL: 4, naMeqPerL: 10 }, value: 5 },
  reckon: sodiumAdsorption,
});
