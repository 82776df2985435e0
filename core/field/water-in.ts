import { defineReckoning, evaluate } from '../reckoning/define';
import { inches, quantity, squareFeet } from '../reckoning/inputs';
import { isRefusal } from '../reckoning/refusal';
import { cycleSoak } from './watering';

/** Gallons in an inch on a square foot: 144 in3 of 231. */
const GAL_PER_IN_SQ_FT = 144 / 231;

/** Gallons that a depth is on an area. gallonsOf(0.25, 1155) is 180. */
export const gallonsOf = (depthIn: number, areaSqFt: number): number => depthIn * areaSqFt * GAL_PER_IN_SQ_FT;

/** Watering a dose in. 0.25 in at 1 in/h on 1155 ft2, intake 1: 15 min, 180 gal. */
export const waterIn = defineReckoning({
  id: 'field.water-in',
  title: 'Watering in',
  about:
    'How long the sprinklers run so that what was spread goes into the soil and not off the lawn, rain to come counted.',
  inputs: {
    depthIn: inches('depth of water wanted', { min: 0, max: 6 }),
    inPerHour: quantity('in/h')('sprinkler rate', { above: 0, max: 20 }),
    intakeInPerHour: quantity('in/h')('soil intake rate', { above: 0, max: 50 }),
    areaSqFt: squareFeet('area', { above: 0, max: 50_000_000 }),
    rainIn: inches('rain that is sure', { min: 0, max: 40, optional: true }),
  },
  unit: 'netDepthIn: in; runMinutes: min in all; cycles: cycles; minutesPerCycle: min; gallons: gal',
  formula: [
    'depth = wanted − rain, not below 0',
    'run and cycles as cycle and soak',
    'gallons = depth × area × 144 ÷ 231',
  ],
  sources: [{ cite: 'NIST Handbook 44: 231 in3 to the gallon', standing: 'published' }],
  limits: ['Slopes over 8 % take half of the intake (common practice).', 'Rests of 45 min between cycles.'],
  example: {
    inputs: { depthIn: 0.25, inPerHour: 1, intakeInPerHour: 1, areaSqFt: 1155 },
    value: { netDepthIn: 0.25, runMinutes: 15, cycles: 1, minutesPerCycle: 15, gallons: 180 },
  },
  reckon({ depthIn, inPerHour, intakeInPerHour, areaSqFt, rainIn = 0 }, work) {
    const netDepthIn = work.step(
      'depth',
      'max(0, depthIn − rainIn)',
      { depthIn, rainIn },
      Math.max(0, depthIn - rainIn),
      'in',
    );
    const run = evaluate(cycleSoak, { depthIn: netDepthIn, inPerHour, intakeInPerHour });
    if (isRefusal(run)) return run;
    const { runMinutes, cycles, minutesPerCycle } = run;
    work.note('run', 'cycle and soak', runMinutes, 'min');
    const gallons = work.step(
      'water',
      'netDepthIn × areaSqFt × 144 ÷ 231',
      { netDepthIn, areaSqFt },
      gallonsOf(netDepthIn, areaSqFt),
      'gal',
    );
    return { netDepthIn, runMinutes, cycles, minutesPerCycle, gallons };
  },
});
