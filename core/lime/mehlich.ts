import { defineReckoning } from '../reckoning/define';
import { depthIn, ph } from '../reckoning/inputs';
import { isRefusal, refuse } from '../reckoning/refusal';
import { mehlichAcidity } from './mehlich-acidity';
import { lbPer1000FromTonsPerAcre } from '../units/conversions';

/** Depth the tons-per-acre figure is for, in. From memory and unsure; taken because it gives the lower rate. */
export const MEHLICH_METHOD_DEPTH_IN = 8;

/** Lime by the Mehlich buffer, lb ag lime/1000 ft2. pH 5.6, buffer 6.32, aim 6.2, 4 in: 15.43. */
export const mehlichLime = defineReckoning({
  id: 'lime.mehlich',
  title: 'Lime requirement, Mehlich buffer',
  about:
    'Agricultural lime that brings the treated depth from its pH to the aim, from the acidity the Mehlich buffer found.',
  inputs: {
    soilPh: ph('soil pH in water'),
    bufferPh: ph('Mehlich buffer pH'),
    aimPh: ph('pH aimed at'),
    treatedDepthIn: depthIn('depth to treat'),
  },
  unit: 'lb lime / 1000 ft2',
  formula: [
    'acidity = 4 × (6.60 − buffer pH)',
    'tons/acre for 8 in = acidity × (aim − pH) ÷ (6.6 − pH)',
    'lb/1000 = tons/acre × 2000 ÷ 43.56 × depth ÷ 8',
  ],
  sources: [
    { cite: 'Mehlich 1976, Commun. Soil Sci. Plant Anal. 7:637-652', standing: 'from memory' },
    { cite: 'NCDA&CS Agronomic Division, lime recommendation from Mehlich buffer acidity', standing: 'from memory' },
  ],
  limits: [
    'No meaning for an aim of 6.6 or more: the buffer itself starts there.',
    'The method’s own lime is ag lime of about 90 % neutralising value.',
    'The method depth, 8 in, is from memory and unsure; it was taken because it gives the lower rate.',
  ],
  example: { inputs: { soilPh: 5.6, bufferPh: 6.35, aimPh: 6.1, treatedDepthIn: 4 }, value: (0.5 * 2000) / 43.56 / 2 },
  reckon({ soilPh, bufferPh, aimPh, treatedDepthIn }, work) {
    if (aimPh >= 6.6)
      return refuse(
        'aimPh',
        `The Mehlich buffer starts at 6.6, so it cannot say what an aim of ${aimPh} needs. Aim at 6.5 or less.`,
      );
    const acidity = mehlichAcidity(bufferPh, work);
    if (isRefusal(acidity)) return acidity;
    if (soilPh >= aimPh) {
      work.note('soil pH is at or above the aim', 'no lime', 0, 'lb lime');
      return 0;
    }
    const tonsPerAcre = work.step(
      'for 8 in of soil',
      'acidity × (aimPh − soilPh) ÷ (6.6 − soilPh)',
      { acidity, aimPh, soilPh },
      (acidity * (aimPh - soilPh)) / (6.6 - soilPh),
      'tons lime/acre',
    );
    const full = work.step(
      'per 1000 ft2',
      'tonsPerAcre × 2000 ÷ 43.56',
      { tonsPerAcre },
      lbPer1000FromTonsPerAcre(tonsPerAcre),
      'lb lime',
    );
    return work.step(
      'depth to treat',
      'full × treatedDepthIn ÷ 8',
      { full, treatedDepthIn },
      (full * treatedDepthIn) / MEHLICH_METHOD_DEPTH_IN,
      'lb lime',
    );
  },
});
