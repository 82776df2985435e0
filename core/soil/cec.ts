import { defineReckoning } from '../reckoning/define';
import { ppm, quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { ATOMIC_MASS } from '../units/atomic-masses';
import { FREE_LIME_ABOVE_PH } from './limy-soil';

/** mg/kg that one cmolc/kg of a cation is: atomic mass over charge, times 10. Ca 200.4, Mg 121.5, K 391, Na 230. */
export const PPM_PER_CMOLC = {
  Ca: (ATOMIC_MASS.Ca / 2) * 10,
  Mg: (ATOMIC_MASS.Mg / 2) * 10,
  K: ATOMIC_MASS.K * 10,
  Na: ATOMIC_MASS.Na * 10,
} as const;

/** CEC by sum and base saturation. 1002 Ca, 121.5 Mg, 39.1 K, 23 Na, 1 acidity: about 7.2 cmolc/kg, 69 % Ca. */
export const cecBySum = defineReckoning({
  id: 'soil.cec',
  title: 'CEC by sum, and base saturation',
  about: 'Adds up the cations that the soil holds, and says what share each has.',
  inputs: {
    caPpm: ppm('Ca', { min: 0 }),
    mgPpm: ppm('Mg', { min: 0 }),
    kPpm: ppm('K', { min: 0 }),
    naPpm: ppm('Na', { min: 0 }),
    acidity: quantity('cmolc/kg')('exchangeable acidity', { min: 0 }),
  },
  unit: 'cec: cmolc/kg; the rest: % of CEC',
  formula: ['CEC = Ca ÷ 200.4 + Mg ÷ 121.5 + K ÷ 391 + Na ÷ 230 + acidity', 'each percent = its part ÷ CEC × 100'],
  sources: [
    { cite: 'Equivalent weights from IUPAC atomic masses', standing: 'published' },
    {
      cite: 'CEC by summation; Soil Science Society of America, Methods of Soil Analysis part 3',
      standing: 'from memory',
    },
  ],
  limits: [
    `In limy soil (pH above about ${FREE_LIME_ABOVE_PH}) the extractant dissolves carbonate and the sum is inflated.`,
    'Acidity in cmolc/kg: meq/100 cm3 must be divided by the density of the scooped soil.',
  ],
  example: {
    inputs: { caPpm: 801.56, mgPpm: 121.525, kPpm: 0, naPpm: 0, acidity: 0 },
    value: { cec: 5, caPercent: 80, mgPercent: 20, kPercent: 0, naPercent: 0, acidityPercent: 0 },
  },
  reckon({ caPpm, mgPpm, kPpm, naPpm, acidity }, work) {
    const part = (name: 'Ca' | 'Mg' | 'K' | 'Na', ppmValue: number) =>
      work.step(
        name,
        'ppm ÷ perCmolc',
        { ppm: ppmValue, perCmolc: PPM_PER_CMOLC[name] },
        ppmValue / PPM_PER_CMOLC[name],
        'cmolc/kg',
      );
    const [ca, mg, k, na] = [part('Ca', caPpm), part('Mg', mgPpm), part('K', kPpm), part('Na', naPpm)];
    const cec = work.step(
      'CEC',
      'ca + mg + k + na + acidity',
      { ca, mg, k, na, acidity },
      ca + mg + k + na + acidity,
      'cmolc/kg',
    );
    if (cec === 0) return refuse('caPpm', 'All cations are 0, which no soil is: type what the report gives.');
    const percent = (name: string, of: number) =>
      work.step(`${name} share`, 'part ÷ cec × 100', { part: of, cec }, (of / cec) * 100, '%');
    return {
      cec,
      caPercent: percent('Ca', ca),
      mgPercent: percent('Mg', mg),
      kPercent: percent('K', k),
      naPercent: percent('Na', na),
      acidityPercent: percent('acidity', acidity),
    };
  },
});
