import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';

/** Best temperature and spread of growth, deg F. Gelernter & Stowell 2005; from memory. */
export const GROWTH_CURVE = { cool: { best: 67.5, spread: 10 }, warm: { best: 87.5, spread: 12 } } as const;

/** Growth as a share of the best, 0..1. Cool-season grass at 67.5 F is 1; at 57.5 F it is 0.607. */
export const growthPotential = defineReckoning({
  id: 'climate.growth-potential',
  title: 'Growth potential from air temperature',
  about:
    'How much of its best growth a grass makes at a mean air temperature. Take it day by day and then average, never of an average.',
  inputs: {
    meanTempF: quantity('deg F')('mean air temperature', { min: -60, max: 140 }),
    season: choice('season of the grass', ['cool', 'warm'] as const),
  },
  unit: 'share, 0..1',
  formula: ['GP = exp(−0.5 × ((T − T0) ÷ s)^2)'],
  sources: [
    {
      cite: 'Gelernter & Stowell 2005, Improved overseeding programs 1, Golf Course Management',
      standing: 'from memory',
    },
  ],
  limits: ['Temperature only: water and light are taken as enough.'],
  example: { inputs: { meanTempF: 67.5, season: 'cool' }, value: 1 },
  reckon({ meanTempF, season }, work) {
    const { best, spread } = GROWTH_CURVE[season];
    return work.step(
      'growth potential',
      'exp(−0.5 × ((meanTempF − best) ÷ spread)^2)',
      { meanTempF, best, spread },
      Math.exp(-0.5 * ((meanTempF - best) / spread) ** 2),
      'share',
    );
  },
});
