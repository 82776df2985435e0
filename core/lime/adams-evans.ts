import { defineReckoning } from '../reckoning/define';
import { depthIn, ph } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { FURROW_SLICE_IN, THOUSANDS_PER_ACRE } from '../units/conversions';

/** pH = 7.79 − 5.55 H + 2.27 H²: share of the exchange sites that hold acidity. Adams & Evans 1962; from memory. */
const CURVE = { constant: 7.79, linear: 5.55, square: 2.27 } as const;
/** pH the buffer starts from. */
const BUFFER_START_PH = 8;
/** Field lime is this much more than the laboratory’s answer. */
const FIELD_FACTOR = 1.5;

/** Share of acid sites at a soil pH: the smaller root. 0.6117 at pH 5.0 is within 0.001. */
export const acidShare = (soilPh: number): number =>
  (CURVE.linear - Math.sqrt(CURVE.linear ** 2 - 4 * CURVE.square * (CURVE.constant - soilPh))) / (2 * CURVE.square);

/** Lime by the Adams-Evans buffer, lb CaCO3/1000 ft2. pH 5.0, buffer 7.80, aim 6.5, 6 2/3 in: 34.8. */
export const adamsEvansLime = defineReckoning({
  id: 'lime.adams-evans',
  title: 'Lime requirement, Adams-Evans buffer',
  about: 'Made for sandy, weakly buffered soils: a gentle buffer that does not ask too much lime of them.',
  inputs: {
    soilPh: ph('soil pH in water'),
    bufferPh: ph('Adams-Evans buffer pH', { min: 7, max: 8.1, hint: 'This buffer starts at 8.00.' }),
    aimPh: ph('pH aimed at'),
    treatedDepthIn: depthIn('depth to treat'),
  },
  unit: 'lb CaCO3 / 1000 ft2',
  formula: [
    'H(pH) solves pH = 7.79 − 5.55 H + 2.27 H², smaller root',
    'lb/acre for 6 2/3 in = 8000 × (8.00 − buffer) ÷ H(pH) × (H(pH) − H(aim)) × 1.5',
    'lb/1000 = lb/acre ÷ 43.56 × depth ÷ 6 2/3',
  ],
  sources: [{ cite: 'Adams & Evans 1962, Soil Sci. Soc. Am. Proc. 26:355-357', standing: 'from memory' }],
  limits: ['Soil pH from 4.5; below 4.398 the curve has no root.', 'Buffer 7.0 to 8.1, aim at most 7.0.'],
  example: { inputs: { soilPh: 5, bufferPh: 7.8, aimPh: 6.5, treatedDepthIn: 20 / 3 }, value: 34.83647855958999 },
  reckon({ soilPh, bufferPh, aimPh, treatedDepthIn }, work) {
    if (aimPh > 7) return refuse('aimPh', `Adams-Evans aims no higher than pH 7.0; ${aimPh} lies above.`);
    if (soilPh >= aimPh) {
      work.note('soil pH is at or above the aim', 'no lime', 0, 'lb CaCO3');
      return 0;
    }
    if (soilPh < 4.5)
      return refuse(
        'soilPh',
        `Below pH 4.5 the Adams-Evans curve ends: ${soilPh} cannot be reckoned. Take the laboratory’s own lime figure, and retest after a first dose.`,
      );
    if (bufferPh >= BUFFER_START_PH) {
      if (bufferPh > BUFFER_START_PH)
        work.caution(`Buffer pH ${bufferPh} is a little above where Adams-Evans starts, 8.00: taken as no acidity.`);
      work.note('the buffer found no acidity', 'no lime', 0, 'lb CaCO3');
      return 0;
    }
    const root = '(5.55 − sqrt(5.55^2 − 4 × 2.27 × (7.79 − ph))) ÷ (2 × 2.27)';
    const atSoil = work.step('acid share at the soil pH', root, { ph: soilPh }, acidShare(soilPh), 'share');
    const atAim = work.step('acid share at the aim', root, { ph: aimPh }, acidShare(aimPh), 'share');
    const perAcre = work.step(
      'for 6 2/3 in of soil',
      '8000 × (8 − bufferPh) ÷ atSoil × (atSoil − atAim) × 1.5',
      { bufferPh, atSoil, atAim },
      ((8000 * (BUFFER_START_PH - bufferPh)) / atSoil) * (atSoil - atAim) * FIELD_FACTOR,
      'lb CaCO3/acre',
    );
    const full = work.step('per 1000 ft2', 'perAcre ÷ 43.56', { perAcre }, perAcre / THOUSANDS_PER_ACRE, 'lb CaCO3');
    return work.step(
      'depth to treat',
      'full × treatedDepthIn ÷ methodDepth',
      { full, treatedDepthIn, methodDepth: FURROW_SLICE_IN },
      (full * treatedDepthIn) / FURROW_SLICE_IN,
      'lb CaCO3',
    );
  },
});
