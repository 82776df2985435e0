import { defineReckoning } from '../reckoning/define';
import { depthIn, percent, quantity } from '../reckoning/inputs';
import { ATOMIC_MASS } from '../units/atomic-masses';
import { ACRE_FURROW_SLICE_LB, FURROW_SLICE_IN, THOUSANDS_PER_ACRE } from '../units/conversions';

const { Ca, S, O, H } = ATOMIC_MASS;
/** Equivalent mass of gypsum, CaSO4·2H2O, g per mole of charge: 86.08. */
export const GYPSUM_EQUIVALENT = (Ca + S + 4 * O + 2 * (2 * H + O)) / 2;

/** Gypsum for sodic soil, lb/1000 ft2. CEC 20, ESP 20 to 10, 6 2/3 in: 2 cmolc/kg, 79.0 lb. */
export const gypsumRequirement = defineReckoning({
  id: 'gypsum.requirement',
  title: 'Gypsum requirement',
  about:
    'Calcium that drives sodium off the exchange sites. It needs drainage and water to leach; it does not change pH.',
  inputs: {
    cec: quantity('cmolc/kg')('CEC', { above: 0, max: 200 }),
    espPercent: percent('exchangeable sodium'),
    aimEspPercent: percent('sodium aimed at'),
    treatedDepthIn: depthIn('depth to treat'),
  },
  unit: 'lb gypsum / 1000 ft2',
  formula: [
    'exchange = CEC × (ESP − aim) ÷ 100 cmolc/kg',
    'lb/acre for 6 2/3 in = exchange × 86.08 × 2,000,000 ÷ 100,000',
    'lb/1000 = lb/acre ÷ 43.56 × depth ÷ 6 2/3',
  ],
  sources: [
    {
      cite: 'USDA Agriculture Handbook 60, 1954, table 6 (about 1720 lb gypsum an acre for 1 meq/100 g in 6 2/3 in)',
      standing: 'published',
    },
  ],
  limits: [
    'No allowance for incomplete exchange: the prescription multiplies by 1.25.',
    'At most 40 lb gypsum per 1000 ft2 a dose, two a year, only with drainage.',
  ],
  example: { inputs: { cec: 10, espPercent: 20, aimEspPercent: 20, treatedDepthIn: 4 }, value: 0 },
  reckon({ cec, espPercent, aimEspPercent, treatedDepthIn }, work) {
    if (aimEspPercent === 0) work.caution('No soil needs to be free of all sodium: aim at 5 to 10 %.');
    if (espPercent <= aimEspPercent) {
      work.note('sodium is at or below the aim', 'no gypsum', 0, 'lb gypsum');
      return 0;
    }
    const exchange = work.step(
      'sodium to exchange',
      'cec × (espPercent − aimEspPercent) ÷ 100',
      { cec, espPercent, aimEspPercent },
      (cec * (espPercent - aimEspPercent)) / 100,
      'cmolc/kg',
    );
    const perAcre = work.step(
      'for 6 2/3 in of soil',
      'exchange × equivalent × sliceLb ÷ 100000',
      { exchange, equivalent: GYPSUM_EQUIVALENT, sliceLb: ACRE_FURROW_SLICE_LB },
      (exchange * GYPSUM_EQUIVALENT * ACRE_FURROW_SLICE_LB) / 100_000,
      'lb gypsum/acre',
    );
    const full = work.step('per 1000 ft2', 'perAcre ÷ 43.56', { perAcre }, perAcre / THOUSANDS_PER_ACRE, 'lb gypsum');
    return work.step(
      'depth to treat',
      'full × treatedDepthIn ÷ methodDepth',
      { full, treatedDepthIn, methodDepth: FURROW_SLICE_IN },
      (full * treatedDepthIn) / FURROW_SLICE_IN,
      'lb gypsum',
    );
  },
});
