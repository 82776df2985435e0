import { defineReckoning } from '../reckoning/define';
import { evaluate } from '../reckoning/define';
import { plain, quantity } from '../reckoning/inputs';
import { isRefusal } from '../reckoning/refusal';
import { type Figure, figureOf, traced } from '../reckoning/figure';
import { PPM_PER_CMOLC } from './cec';
import { cecOf } from './other-schools';
import { findReading, type Reading } from './report';

/** Exchangeable sodium by its mass and the CEC, %. Na 230 ppm over CEC 10: 10 %. */
export const exchangeableSodium = defineReckoning({
  id: 'soil.esp',
  title: 'Exchangeable sodium',
  about: 'Share of the exchange sites that sodium holds: from 15 % on the soil counts as sodic and seals.',
  inputs: {
    naPpm: quantity('ppm')('Na', { min: 0, max: 100_000 }),
    cec: quantity('cmolc/kg')('CEC', { above: 0, max: 200 }),
  },
  unit: '% of CEC',
  formula: ['ESP = Na ÷ 230 ÷ CEC × 100'],
  sources: [{ cite: 'USDA Agriculture Handbook 60, 1954', standing: 'published' }],
  limits: ['Sodium dissolved in the soil water is counted with the exchangeable unless a paste extract is known.'],
  example: { inputs: { naPpm: 459.8, cec: 10 }, value: 20 },
  reckon({ naPpm, cec }, work) {
    const perCmolc = PPM_PER_CMOLC.Na;
    return work.step(
      'ESP',
      'naPpm ÷ perCmolc ÷ cec × 100',
      { naPpm, perCmolc, cec },
      (naPpm / perCmolc / cec) * 100,
      '%',
    );
  },
});

/** Exchangeable sodium from the SAR of a paste extract, %. SAR 13: 15.2 %. */
export const sodiumFromSar = defineReckoning({
  id: 'soil.esp-from-sar',
  title: 'Exchangeable sodium, from SAR',
  about: 'The sites and the soil solution keep a balance: what one holds tells what the other does.',
  inputs: { sar: plain('SAR of the paste extract', { min: 0, max: 200 }) },
  unit: '% of CEC',
  formula: ['r = −0.0126 + 0.01475 × SAR', 'ESP = 100 × r ÷ (1 + r), never below 0'],
  sources: [{ cite: 'USDA Agriculture Handbook 60, 1954, equation of exchangeable sodium', standing: 'published' }],
  limits: ['For a saturated paste extract; made on western soils.'],
  example: { inputs: { sar: 13 }, value: (100 * 0.17915) / 1.17915 },
  reckon({ sar }, work) {
    const ratio = work.step('r', '0.01475 × sar − 0.0126', { sar }, 0.01475 * sar - 0.0126, 'ratio');
    return work.step(
      'ESP',
      'max(0, 100 × ratio ÷ (1 + ratio))',
      { ratio },
      Math.max(0, (100 * ratio) / (1 + ratio)),
      '%',
    );
  },
});

export interface SodiumStanding {
  espPercent: number;
  /** As the report gave it. */
  by: 'ESP' | 'Na over CEC' | 'SAR';
  figure?: Figure;
}

/** Exchangeable sodium of a report (A4): as the laboratory gives it, else from Na and CEC, else from SAR; undefined without any. */
export function exchangeableSodiumOf(readings: readonly Reading[]): SodiumStanding | undefined {
  const given = findReading(readings, 'ESP')?.value;
  if (given !== undefined) return { espPercent: given, by: 'ESP' };
  const sodium = findReading(readings, 'Na')?.value;
  const cec = cecOf(readings);
  if (
    sodium !== undefined &&
    cec !== undefined &&
    cec > 0 &&
    !isRefusal(evaluate(exchangeableSodium, { naPpm: sodium, cec }))
  ) {
    const figure = figureOf(
      exchangeableSodium,
      { naPpm: traced(sodium, 'soil report'), cec: traced(cec, 'soil report') },
      { title: 'Exchangeable sodium', unit: '% of CEC' },
    );
    if (!isRefusal(figure)) return { espPercent: figure.value, by: 'Na over CEC', figure };
  }
  const sar = findReading(readings, 'SAR')?.value;
  if (sar === undefined) return undefined;
  const figure = figureOf(
    sodiumFromSar,
    { sar: traced(sar, 'soil report') },
    { title: 'Exchangeable sodium', unit: '% of CEC' },
  );
  return isRefusal(figure) ? undefined : { espPercent: figure.value, by: 'SAR', figure };
}
