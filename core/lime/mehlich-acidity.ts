import { defineReckoning } from '../reckoning/define';
import { ph } from '../reckoning/inputs';
import { refuse, type Refusal } from '../reckoning/refusal';
import type { Work } from '../reckoning/work';

/** The pH the Mehlich buffer starts from: a soil with no acidity leaves it there. */
export const MEHLICH_BUFFER_START_PH = 6.6;

/** Readings that can be a Mehlich buffer, both ends inside: a little over its start is the meter's error. Common practice. */
export const MEHLICH_READINGS = { from: 3.9, to: 6.75 } as const;

/** Acidity by the Mehlich buffer, meq/100 cm3, or why the reading cannot be one. */
export function mehlichAcidity(bufferPh: number, work: Work): number | Refusal {
  if (bufferPh > MEHLICH_READINGS.to || bufferPh < MEHLICH_READINGS.from)
    return refuse(
      'bufferPh',
      `A Mehlich buffer starts at pH 6.60, so ${bufferPh} cannot be one. Look on the report which buffer it is (SMP, Adams-Evans, Sikora), or take the laboratory’s own lime figure.`,
    );
  if (bufferPh > MEHLICH_BUFFER_START_PH)
    work.caution(`Buffer pH ${bufferPh} is a little above where the Mehlich buffer starts, 6.60: taken as no acidity.`);
  const acidity = Math.max(0, 4 * (MEHLICH_BUFFER_START_PH - bufferPh));
  return work.step('acidity', 'max(0, 4 × (6.6 − bufferPh))', { bufferPh }, acidity, 'meq/100 cm3');
}

/** Acidity from the Mehlich buffer, meq/100 cm3 of soil. Buffer pH 6.32 is 1.12. */
export const bufferAcidity = defineReckoning({
  id: 'soil.buffer-acidity',
  title: 'Acidity by the Mehlich buffer',
  about: 'Exchangeable acidity that the soil gave to the buffer.',
  inputs: { bufferPh: ph('Mehlich buffer pH') },
  unit: 'meq/100 cm3',
  formula: ['acidity = 4 × (6.60 − buffer pH), never below 0'],
  sources: [{ cite: 'Mehlich 1976, Commun. Soil Sci. Plant Anal. 7:637-652', standing: 'from memory' }],
  limits: [
    'Mehlich buffer only, 3.9 to 6.75.',
    'Per volume of scooped soil: divide by its density before adding it to cations per kg.',
  ],
  example: { inputs: { bufferPh: 6.35 }, value: 4 * (6.6 - 6.35) },
  reckon: ({ bufferPh }, work) => mehlichAcidity(bufferPh, work),
});
