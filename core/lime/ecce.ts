import rules from '../packs/lime-fineness.json';
import type { FinenessRule } from '../packs/rule-packs';
import { defineReckoning } from '../reckoning/define';
import { percent } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { ATOMIC_MASS, CACO3 } from '../units/atomic-masses';
import { trimmed } from '../words/numbers';

export const FINENESS_RULES: readonly FinenessRule[] = rules.rules;
const rule = FINENESS_RULES[0] as FinenessRule;

const { Ca, Mg, C, O, H } = ATOMIC_MASS;
/** CCE of the pure materials, percent of calcite, by stoichiometry: dolomite 108.5, hydrated lime 135.1, burnt lime 178.5. */
export const PURE_CCE = {
  calcitic: 100,
  dolomitic: (100 * 2 * CACO3) / (Ca + Mg + 2 * (C + 3 * O)),
  hydrated: (100 * CACO3) / (Ca + 2 * (O + H)),
  burnt: (100 * CACO3) / (Ca + O),
} as const;

/** Effective CCE of a lime from its sieve analysis, percent. CCE 95 with 0/10/30/60: 76. */
export const limeEcce = defineReckoning({
  id: 'lime.ecce',
  title: 'Effective neutralising value of a lime',
  about: 'Pure lime that counts: the neutralising value times how finely it is ground. Coarse grains lie for years.',
  inputs: {
    ccePercent: percent('CCE', { min: undefined, above: 0, max: 180 }),
    over8MeshPercent: percent('over 8 mesh'),
    mesh8to20Percent: percent('8 to 20 mesh'),
    mesh20to60Percent: percent('20 to 60 mesh'),
    under60MeshPercent: percent('under 60 mesh'),
    over8Counts: percent('over 8 mesh counts', { optional: true }),
    mesh8to20Counts: percent('8 to 20 mesh counts', { optional: true }),
    mesh20to60Counts: percent('20 to 60 mesh counts', { optional: true }),
    under60Counts: percent('under 60 mesh counts', { optional: true }),
  },
  unit: '%',
  formula: ['fineness = (0 × over 8 + 20 × 8-20 + 60 × 20-60 + 100 × under 60) ÷ 100', 'ECCE = CCE × fineness ÷ 100'],
  sources: [{ cite: rules.source.cite, standing: 'from memory' }],
  limits: [
    'Sieve classes must sum to 100, within 0.5.',
    'State lime laws weigh the classes differently: what each counts may be given, or be set by a pack of lime fineness.',
    'May exceed 100 for hydrated lime.',
  ],
  example: {
    inputs: {
      ccePercent: 95,
      over8MeshPercent: 0,
      mesh8to20Percent: 10,
      mesh20to60Percent: 30,
      under60MeshPercent: 60,
    },
    value: 76,
  },
  reckon(
    {
      ccePercent,
      over8MeshPercent,
      mesh8to20Percent,
      mesh20to60Percent,
      under60MeshPercent,
      over8Counts: none = rule.over8Mesh,
      mesh8to20Counts: few = rule.mesh8to20,
      mesh20to60Counts: most = rule.mesh20to60,
      under60Counts: all = rule.under60Mesh,
    },
    work,
  ) {
    const sum = over8MeshPercent + mesh8to20Percent + mesh20to60Percent + under60MeshPercent;
    if (Math.abs(sum - 100) > 0.5 + 1e-9)
      return refuse(
        'under60MeshPercent',
        `The sieve classes add up to ${trimmed(sum, 2)} %, not 100. Check the label.`,
      );
    const fineness = work.step(
      'fineness',
      '(none × over8 + few × mesh8to20 + most × mesh20to60 + all × under60) ÷ 100',
      {
        none,
        few,
        most,
        all,
        over8: over8MeshPercent,
        mesh8to20: mesh8to20Percent,
        mesh20to60: mesh20to60Percent,
        under60: under60MeshPercent,
      },
      (none * over8MeshPercent + few * mesh8to20Percent + most * mesh20to60Percent + all * under60MeshPercent) / 100,
      '%',
    );
    return work.step(
      'ECCE',
      'ccePercent × fineness ÷ 100',
      { ccePercent, fineness },
      (ccePercent * fineness) / 100,
      '%',
    );
  },
});
