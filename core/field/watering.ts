import { defineReckoning } from '../reckoning/define';
import { inches, quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';

/** Least cups that make a quarter worth the name, and the number that makes it sound. Common practice. */
const LEAST_CUPS = 4;
const SOUND_CUPS = 8;

/** Precipitation rate and lower-quarter uniformity. Cups 0.2 0.3 0.3 0.4 in 20 min: 0.9 in/h, 66.7 %. */
export const sprinklerUniformity = defineReckoning({
  id: 'water.uniformity',
  title: 'Sprinkler rate and uniformity',
  about: 'Cups on the lawn tell how fast the sprinklers rain and how much the driest quarter gets.',
  inputs: {
    catchesIn: { kind: 'numbers', unit: 'in', label: 'cup catches', leastCount: LEAST_CUPS, min: 0 },
    minutes: quantity('min')('run time', { above: 0, max: 1440 }),
  },
  unit: 'inPerHour: in/h; lowerQuarterPercent: %',
  formula: ['rate = mean catch ÷ minutes × 60', 'DU = mean of the lowest quarter ÷ mean × 100'],
  sources: [
    {
      cite: 'Irrigation Association, catch-can test and lower-quarter distribution uniformity',
      standing: 'from memory',
    },
  ],
  limits: [
    `At least ${LEAST_CUPS} cups; ${SOUND_CUPS} or more make it sound.`,
    'The quarter is the count divided by 4, rounded, at least one cup.',
  ],
  example: {
    inputs: { catchesIn: [0.2, 0.3, 0.3, 0.4], minutes: 20 },
    value: { inPerHour: 0.9, lowerQuarterPercent: 200 / 3 },
  },
  reckon({ catchesIn, minutes }, work) {
    const count = catchesIn.length;
    const mean = catchesIn.reduce((a, b) => a + b, 0) / count;
    if (mean === 0) return refuse('catchesIn', 'All cups are dry: did the sprinklers run?');
    if (count < SOUND_CUPS) work.caution(`${count} cups are few: ${SOUND_CUPS} or more make the figure sound.`);
    const quarter = Math.max(1, Math.floor(count / 4 + 0.5));
    const lowest = [...catchesIn].sort((a, b) => a - b).slice(0, quarter);
    const low = lowest.reduce((a, b) => a + b, 0) / quarter;
    work.note('mean catch', 'sum ÷ cups', mean, 'in');
    work.note('mean of the lowest quarter', `${quarter} of ${count} cups`, low, 'in');
    const inPerHour = work.step('rate', 'mean ÷ minutes × 60', { mean, minutes }, (mean / minutes) * 60, 'in/h');
    const lowerQuarterPercent = work.step('uniformity', 'low ÷ mean × 100', { low, mean }, (low / mean) * 100, '%');
    if (lowerQuarterPercent < 55) work.caution('Under 55 % is poor: mend the sprinklers before running them longer.');
    return { inPerHour, lowerQuarterPercent };
  },
});

/** Rest between cycles, minutes. Common practice: 30 to 60. */
const SOAK_MINUTES = 45;

/** Run time in cycles the soil can take in. 1 in at 1.5 in/h, intake 0.5: 40 min in 3 cycles. */
export const cycleSoak = defineReckoning({
  id: 'water.cycle-soak',
  title: 'Cycle and soak',
  about: 'Sprinklers that rain faster than the soil drinks are run in cycles with rests, so that nothing runs off.',
  inputs: {
    depthIn: inches('depth of water wanted', { min: 0, max: 6 }),
    inPerHour: quantity('in/h')('sprinkler rate', { above: 0, max: 20 }),
    intakeInPerHour: quantity('in/h')('soil intake rate', { above: 0, max: 50 }),
  },
  unit: 'runMinutes: min in all; cycles: cycles; minutesPerCycle: min; soakMinutes: min of rest between',
  formula: ['run = depth ÷ rate × 60', 'cycles = ceil(rate ÷ intake), 1 where the soil keeps up'],
  sources: [
    {
      cite: 'Cycle and soak: stop before water stands, let it sink in for 30-60 min, go on',
      standing: 'common practice',
    },
  ],
  limits: ['Slopes take less: halve the intake on steep ground.'],
  example: {
    inputs: { depthIn: 1, inPerHour: 1.5, intakeInPerHour: 0.5 },
    value: { runMinutes: 40, cycles: 3, minutesPerCycle: 40 / 3, soakMinutes: SOAK_MINUTES },
  },
  reckon({ depthIn, inPerHour, intakeInPerHour }, work) {
    const runMinutes = work.step(
      'run time',
      'depthIn ÷ inPerHour × 60',
      { depthIn, inPerHour },
      (depthIn / inPerHour) * 60,
      'min',
    );
    if (runMinutes === 0) return { runMinutes: 0, cycles: 0, minutesPerCycle: 0, soakMinutes: 0 };
    const cycles = Math.max(1, Math.ceil(inPerHour / intakeInPerHour - 1e-9));
    work.note('cycles', 'ceil(sprinkler rate ÷ intake), at least 1', cycles);
    const minutesPerCycle = work.step(
      'each cycle',
      'runMinutes ÷ cycles',
      { runMinutes, cycles },
      runMinutes / cycles,
      'min',
    );
    return { runMinutes, cycles, minutesPerCycle, soakMinutes: cycles > 1 ? SOAK_MINUTES : 0 };
  },
});
