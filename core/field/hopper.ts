import { threeDigits } from '../words/numbers';
import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';

const runs = () => ({ kind: 'numbers' as const, unit: 'ft', label: 'feet of each run', leastCount: 1, min: 0 });
const product = () => quantity('lb product')('product in all', { min: 0, max: 1_000_000 });
const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);

/** Hopper loads that end at an edge. 10 lb on four runs of 50 ft, hopper 6: two loads of 5 lb. */
export const hopperLoads = defineReckoning({
  id: 'field.hopper-loads',
  title: 'Hopper loads',
  about:
    'Product is laid down by the foot; each load ends where one stands at the filling side, so that nobody fills on the turf.',
  inputs: {
    productLb: product(),
    hopperLb: quantity('lb product')('what the hopper takes', { above: 0, max: 10_000 }),
    runsFt: runs(),
    returnEvery: quantity('runs')('runs until one is back at the filling side', {
      min: 1,
      max: 2,
      integer: true,
      optional: true,
    }),
  },
  unit: 'loads: loads; loadLb: lb product each; stopAfterRun: number of the run after which each ends',
  formula: [
    'weight of a run = product × its feet ÷ all feet',
    'as many runs to a load as the hopper takes, in whole returns',
  ],
  sources: [{ cite: 'Fill on hard ground, never on the turf', standing: 'common practice' }],
  limits: ['Runs at one opening and one speed.'],
  example: {
    inputs: { productLb: 10, hopperLb: 6, runsFt: [50, 50, 50, 50] },
    value: { loads: 2, loadLb: [5, 5], stopAfterRun: [2, 4] },
  },
  reckon({ productLb, hopperLb, runsFt, returnEvery = 2 }, work) {
    const feet = sum(runsFt);
    if (feet === 0) return refuse('runsFt', 'All runs together are 0 ft: there is nothing to walk.');
    const perFt = work.step('to the foot', 'productLb ÷ feet', { productLb, feet }, productLb / feet, 'lb product');
    const loadLb: number[] = [];
    const stopAfterRun: number[] = [];
    let load = 0;
    for (let first = 0; first < runsFt.length; first += returnEvery) {
      const unit = sum(runsFt.slice(first, first + returnEvery)) * perFt;
      if (unit > hopperLb + 1e-9)
        return refuse(
          'hopperLb',
          `Runs ${first + 1}${returnEvery > 1 && first + 1 < runsFt.length ? ` and ${first + 2}` : ''} alone take ${threeDigits(unit)} lb product, and the hopper takes ${hopperLb} lb product. Fill after every run, cross the short way, or take another spreader.`,
        );
      if (load > 0 && load + unit > hopperLb + 1e-9) {
        loadLb.push(load);
        stopAfterRun.push(first);
        load = 0;
      }
      load += unit;
    }
    loadLb.push(load);
    stopAfterRun.push(runsFt.length);
    work.note('loads', 'whole returns, as many as the hopper takes', loadLb.length);
    return { loads: loadLb.length, loadLb, stopAfterRun };
  },
});

/** What the hopper should still hold. 10 lb on four runs of 50 ft, two done and 25 ft: 3.75 lb. */
export const remaining = defineReckoning({
  id: 'field.remaining',
  title: 'What is left to spread',
  about: 'Where the work stopped tells what should still be there, and how far it still is.',
  inputs: {
    productLb: product(),
    runsFt: runs(),
    runsDone: quantity('runs')('runs that are done', { min: 0, max: 100_000, integer: true }),
    partFt: quantity('ft')('feet along the next run', { min: 0, max: 1_000_000, optional: true }),
  },
  unit: 'doneShare: of all; leftFt: ft; leftLb: lb product',
  formula: ['done = feet walked ÷ all feet', 'left = product × (1 − done)'],
  sources: [{ cite: 'One opening and one speed lay the same to the foot', standing: 'common practice' }],
  limits: ['A hopper that is off by more than 15 % is weighed before going on (common practice).'],
  example: {
    inputs: { productLb: 10, runsFt: [50, 50, 50, 50], runsDone: 2, partFt: 25 },
    value: { doneShare: 0.625, leftFt: 75, leftLb: 3.75 },
  },
  reckon({ productLb, runsFt, runsDone, partFt = 0 }, work) {
    const feet = sum(runsFt);
    if (feet === 0) return refuse('runsFt', 'All runs together are 0 ft: there is nothing to walk.');
    if (runsDone > runsFt.length)
      return refuse('runsDone', `There are ${runsFt.length} runs; ${runsDone} cannot be done.`);
    const next = runsFt[runsDone] ?? 0;
    if (partFt > next + 1e-9)
      return refuse('partFt', `The next run is ${next} ft long; ${partFt} ft lie past its end.`);
    const walkedFt = sum(runsFt.slice(0, runsDone)) + partFt;
    const doneShare = work.step('done', 'walkedFt ÷ feet', { walkedFt, feet }, walkedFt / feet, 'of all');
    const leftFt = work.step('left to walk', 'feet − walkedFt', { feet, walkedFt }, feet - walkedFt, 'ft');
    const leftLb = work.step(
      'left',
      'productLb × leftFt ÷ feet',
      { productLb, leftFt, feet },
      (productLb * leftFt) / feet,
      'lb product',
    );
    return { doneShare, leftFt, leftLb };
  },
});
