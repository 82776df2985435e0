import { defineReckoning } from '../reckoning/define';

const amounts = (label: string) => ({
  kind: 'numbers' as const,
  unit: 'lb nutrient/1000 ft2',
  label,
  leastCount: 0,
  min: 0,
});
const sum = (list: readonly number[]) => list.reduce((all, lb) => all + lb, 0);

/** How far what went down is from what was planned to date. 0.8 and 0.8 planned, 0.8 and 1.0 given: 0.2 lb over, 12.5 %. */
export const logDrift = defineReckoning({
  id: 'log.drift',
  title: 'Drift from the plan',
  about: 'What was given less what was planned until the same day.',
  inputs: { plannedLb: amounts('planned until today'), givenLb: amounts('given until today') },
  unit: 'plannedLb, givenLb, driftLb: lb nutrient/1000 ft2; driftPercent: %',
  formula: ['drift = given − planned', 'percent of the planned; 0 where nothing was planned'],
  sources: [{ cite: 'A ledger of what was asked and what was given', standing: 'common practice' }],
  limits: ['What is not in the log is not known.'],
  example: {
    inputs: { plannedLb: [0.8, 0.8], givenLb: [0.8, 1] },
    value: { plannedLb: 1.6, givenLb: 1.8, driftLb: 0.2, driftPercent: 12.5 },
  },
  reckon({ plannedLb, givenLb }, work) {
    const [planned, given] = [sum(plannedLb), sum(givenLb)];
    const driftLb = work.step('drift', 'given − planned', { given, planned }, given - planned, 'lb');
    return { plannedLb: planned, givenLb: given, driftLb, driftPercent: planned === 0 ? 0 : (driftLb / planned) * 100 };
  },
});
