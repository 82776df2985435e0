import { threeDigits } from '../words/numbers';
import { evaluate, defineReckoning } from '../reckoning/define';
import { choice, feet, inches, quantity } from '../reckoning/inputs';
import { isRefusal, refuse } from '../reckoning/refusal';
import { G_PER_LB } from '../units/conversions';
import { spreadPattern } from './spreader';

const SQ_IN_PER_SQ_FT = 144;
/** Evenness that is still good, CV %. */
export const GOOD_CV_PERCENT = 15;

/** What a tray caught, as a rate. 10 g in 12 by 12 in: 22.05 lb product per 1000. */
export const trayRate = defineReckoning({
  id: 'spread.tray',
  title: 'Rate of one tray',
  about: 'Grams in a tray of known size, over the passes that fed it.',
  inputs: {
    catchG: quantity('g product')('caught in the tray', { min: 0, max: 10_000 }),
    trayLengthIn: inches('tray length', { above: 0, max: 120 }),
    trayWidthIn: inches('tray width', { above: 0, max: 120 }),
    passes: quantity('passes')('passes that fed it', { min: 1, max: 100, integer: true, optional: true }),
  },
  unit: 'lb product / 1000 ft2',
  formula: ['rate = grams ÷ 453.59237 ÷ (length × width ÷ 144) × 1000 ÷ passes'],
  sources: [{ cite: 'NIST Handbook 44: 453.59237 g to the pound', standing: 'published' }],
  limits: ['The tray keeps what falls in: a grid in it stops granules from bouncing out.'],
  example: { inputs: { catchG: 4.5359237, trayLengthIn: 12, trayWidthIn: 12, passes: 2 }, value: 5 },
  reckon: ({ catchG, trayLengthIn, trayWidthIn, passes = 1 }, work) =>
    work.step(
      'rate',
      'catchG ÷ 453.59237 ÷ (trayLengthIn × trayWidthIn ÷ 144) × 1000 ÷ passes',
      { catchG, trayLengthIn, trayWidthIn, passes },
      ((catchG / G_PER_LB / ((trayLengthIn * trayWidthIn) / SQ_IN_PER_SQ_FT)) * 1000) / passes,
      'lb product',
    ),
});

/** The widest pass spacing that is still even. Triangle 1 to 5 to 1 at 1 ft: 6 ft, CV 8.94 %. */
export const bestSwath = defineReckoning({
  id: 'spread.best-swath',
  title: 'Best swath',
  about: 'From a row of trays: how far apart the passes may lie before the lawn shows them.',
  inputs: {
    catches: { kind: 'numbers', unit: 'any', label: 'tray catches, left to right', leastCount: 3, min: 0 },
    traySpacingFt: feet('tray spacing', { above: 0, max: 50 }),
    travel: choice('travel', ['back-and-forth', 'one-way'] as const),
    mostCvPercent: quantity('%')('CV that is still good', { min: 5, max: 40, optional: true }),
  },
  unit: 'swathFt: ft; cvPercent and widerCvPercent: % (population); meanCatch: as the catches',
  formula: ['CV of the overlapped passes at 2, 3, ... trays apart', 'the last of the unbroken row within the limit'],
  sources: [
    {
      cite: 'ASAE/ASABE S341, Procedure for measuring distribution uniformity of granular broadcast spreaders',
      standing: 'from memory',
    },
    { cite: 'A CV of 15 to 20 % as the limit', standing: 'common practice' },
  ],
  limits: ['Never wider than the pattern and one tray.', '3 to 41 trays.'],
  example: {
    inputs: { catches: [1, 2, 3, 4, 5, 4, 3, 2, 1], traySpacingFt: 1, travel: 'back-and-forth' },
    value: { swathFt: 6, cvPercent: 4 * Math.sqrt(5), meanCatch: 25 / 6, widerCvPercent: 20.396078054371138 },
  },
  reckon({ catches, traySpacingFt, travel, mostCvPercent = GOOD_CV_PERCENT }, work) {
    if (catches.length > 41) return refuse('catches', `3 to 41 trays; ${catches.length} are given.`);
    const at = (trays: number) =>
      evaluate(spreadPattern, { catches, traySpacingFt, passSpacingFt: trays * traySpacingFt, travel });
    let best: { swathFt: number; cvPercent: number; meanCatch: number } | undefined;
    for (let trays = 2; trays <= catches.length + 2; trays++) {
      const found = at(trays);
      if (isRefusal(found)) return found;
      const { cvPercent, meanCatch } = found;
      if (cvPercent > mostCvPercent + 1e-9 || trays === catches.length + 2) {
        if (!best)
          return refuse(
            'catches',
            `No spacing keeps the CV within ${mostCvPercent} %: at two trays it is ${threeDigits(cvPercent)} %. The pattern is too uneven: look at the spreader first.`,
          );
        work.note('best swath', `last within ${mostCvPercent} %`, best.swathFt, 'ft');
        return { ...best, widerCvPercent: cvPercent };
      }
      best = { swathFt: trays * traySpacingFt, cvPercent, meanCatch };
    }
    return refuse('catches', 'There is no pattern to judge.');
  },
});
