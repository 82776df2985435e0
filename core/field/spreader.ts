import { defineReckoning } from '../reckoning/define';
import { choice, feet, quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';

/** Rate a spreader gives, lb product/1000 ft2. 1.5 lb over 6 ft × 100 ft is 2.5. */
export const spreaderCalibration = defineReckoning({
  id: 'spread.calibrate',
  title: 'Spreader calibration',
  about: 'Catch or weigh what the spreader drops over a known strip.',
  inputs: {
    caughtLb: quantity('lb product')('weight caught', { min: 0, max: 1000 }),
    swathFt: feet('swath', { above: 0, max: 200 }),
    distanceFt: feet('distance', { above: 0, max: 10_000 }),
  },
  unit: 'lb product / 1000 ft2',
  formula: ['rate = caught ÷ (swath × distance) × 1000'],
  sources: [{ cite: 'Definition of a rate per 1000 ft2', standing: 'common practice' }],
  limits: ['One product, one setting, one walking speed.'],
  example: { inputs: { caughtLb: 1.5, swathFt: 6, distanceFt: 100 }, value: 2.5 },
  reckon({ caughtLb, swathFt, distanceFt }, work) {
    if (caughtLb === 0) work.caution('Nothing was caught: is the hopper empty or the gate shut?');
    return work.step(
      'rate',
      'caughtLb ÷ (swathFt × distanceFt) × 1000',
      { caughtLb, swathFt, distanceFt },
      (caughtLb / (swathFt * distanceFt)) * 1000,
      'lb product',
    );
  },
});

/** Catch at a place across the pattern, straight between trays, 0 from one tray beyond the last. */
function catchAt(catches: readonly number[], spacing: number, at: number): number {
  const place = at / spacing + (catches.length - 1) / 2;
  const left = Math.floor(place);
  const share = place - left;
  const value = (i: number): number => catches[i] ?? 0;
  return value(left) * (1 - share) + value(left + 1) * share;
}

/**
 * What the ground gets at tray pitch over one period of overlapped passes. One way, every pass is alike and the period is
 * one spacing; back and forth, every other pass is mirrored and the period is two.
 */
export function overlapped(
  catches: readonly number[],
  traySpacing: number,
  passSpacing: number,
  travel: 'back-and-forth' | 'one-way',
): number[] {
  const period = travel === 'one-way' ? passSpacing : 2 * passSpacing;
  const points = Math.max(1, Math.round(period / traySpacing));
  const reach = ((catches.length + 1) / 2) * traySpacing;
  const passes = Math.ceil((reach + period) / passSpacing) + 1;
  const mirrored = [...catches].reverse();
  return Array.from({ length: points }, (_, i) => {
    const at = (i * period) / points;
    let sum = 0;
    for (let pass = -passes; pass <= passes; pass++)
      sum += catchAt(
        travel === 'back-and-forth' && pass % 2 !== 0 ? mirrored : catches,
        traySpacing,
        at - pass * passSpacing,
      );
    return sum;
  });
}

/** Evenness of overlapped passes. Triangle 1 2 3 4 5 4 3 2 1 at 1 ft, passes 6 ft: CV 8.944 %. */
export const spreadPattern = defineReckoning({
  id: 'spread.pattern',
  title: 'Evenness of a spread pattern',
  about:
    'Trays across the swath catch one pass; overlapping the pattern at a pass spacing shows how even the lawn is fed.',
  inputs: {
    catches: { kind: 'numbers', unit: 'any', label: 'tray catches, left to right', leastCount: 3, min: 0 },
    traySpacingFt: feet('tray spacing', { above: 0, max: 50 }),
    passSpacingFt: feet('pass spacing', { above: 0, max: 500 }),
    travel: choice('travel', ['back-and-forth', 'one-way'] as const),
  },
  unit: 'cvPercent: % (population); meanCatch: as the catches',
  formula: ['sum of all passes at each tray place over one period', 'CV = population standard deviation ÷ mean × 100'],
  sources: [
    {
      cite: 'ASAE/ASABE S341, Procedure for measuring distribution uniformity of granular broadcast spreaders',
      standing: 'from memory',
    },
  ],
  limits: ['Straight between trays, 0 from one tray beyond the last.', 'Below 15 % is good, above 20 % shows.'],
  example: {
    inputs: { catches: [4, 4, 4, 4], traySpacingFt: 1, passSpacingFt: 4, travel: 'one-way' },
    value: { cvPercent: 0, meanCatch: 4 },
  },
  reckon({ catches, traySpacingFt, passSpacingFt, travel }, work) {
    if (catches.every((c) => c === 0)) return refuse('catches', 'All trays are empty: there is no pattern to judge.');
    const sums = overlapped(catches, traySpacingFt, passSpacingFt, travel);
    const n = sums.length;
    const mean = sums.reduce((a, b) => a + b, 0) / n;
    const variance = sums.reduce((a, b) => a + (b - mean) ** 2, 0) / n;
    work.note('places over one period', travel === 'one-way' ? 'one pass spacing' : 'two pass spacings', n);
    work.note('mean catch', 'sum over the places ÷ places', mean);
    const cvPercent =
      mean === 0
        ? 0
        : work.step('CV', 'sqrt(variance) ÷ mean × 100', { variance, mean }, (Math.sqrt(variance) / mean) * 100, '%');
    if (cvPercent > 20) work.caution('A CV above 20 % shows as stripes: bring the passes closer.');
    return { cvPercent, meanCatch: mean };
  },
});
