import { defineReckoning } from '../reckoning/define';
import { depthIn, ph } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { interpolate } from '../tables/interpolate';
import { lbPer1000FromTonsPerAcre } from '../units/conversions';
import { fixed, trimmed } from '../words/numbers';

/** Depth the tons-per-acre lines are for, in. */
export const SMP_METHOD_DEPTH_IN = 8;

/** tons ag lime/acre for 8 in: intercept − slope × lime index, by aim. Tri-State, Ext. Bull. E-2567, 1995; from memory. */
const LINES = [
  { aim: 6.0, intercept: 49.3, slope: 0.71 },
  { aim: 6.5, intercept: 60.4, slope: 0.87 },
  { aim: 6.8, intercept: 71.4, slope: 1.03 },
] as const;

/**
 * tons/acre at each aim of the table. The lines cross near index 69, so a higher aim takes at least what a lower one
 * does, after each is kept from falling below 0.
 */
export function smpTonsByAim(index: number): { aim: number; tons: number }[] {
  let most = 0;
  return LINES.map(({ aim, intercept, slope }) => {
    most = Math.max(most, intercept - slope * index, 0);
    return { aim, tons: most };
  });
}

/** Lime by the SMP buffer, lb ag lime/1000 ft2. pH 5.5, buffer 6.6, aim 6.5, 8 in: 2.98 tons/acre, 136.8. */
export const smpLime = defineReckoning({
  id: 'lime.smp',
  title: 'Lime requirement, SMP buffer',
  about: 'Agricultural lime from the SMP (or Sikora) buffer pH; the lime index is ten times the buffer pH.',
  inputs: {
    soilPh: ph('soil pH in water'),
    bufferPh: ph('SMP buffer pH', {
      min: 4,
      max: 7.5,
      hint: 'An SMP buffer starts at 7.5; a higher reading is another buffer.',
    }),
    aimPh: ph('pH aimed at'),
    treatedDepthIn: depthIn('depth to treat'),
  },
  unit: 'lb lime / 1000 ft2',
  formula: [
    'L = 10 × buffer pH',
    'tons/acre for 8 in: to 6.0 49.3 − 0.71 L; to 6.5 60.4 − 0.87 L; to 6.8 71.4 − 1.03 L, never below 0, a higher aim never less',
    'lb/1000 = tons/acre × 2000 ÷ 43.56 × depth ÷ 8',
  ],
  sources: [{ cite: 'Tri-State Fertilizer Recommendations, Extension Bulletin E-2567, 1995', standing: 'from memory' }],
  limits: [
    'Aims 6.0 to 6.8; between the lines by interpolation.',
    'Index 60 to 70: above 70 no lime, below 60 the lines do not reach.',
    'The method’s own lime is ag lime of about 90 % neutralising value.',
  ],
  example: {
    inputs: { soilPh: 5.5, bufferPh: 6.6, aimPh: 6.5, treatedDepthIn: 8 },
    value: ((60.4 - 0.87 * 66) * 2000) / 43.56,
  },
  reckon({ soilPh, bufferPh, aimPh, treatedDepthIn }, work) {
    if (aimPh < 6 - 1e-9 || aimPh > 6.8 + 1e-9)
      return refuse('aimPh', `The SMP lines go from pH 6.0 to 6.8; an aim of ${aimPh} lies outside them.`);
    if (soilPh >= aimPh) {
      work.note('soil pH is at or above the aim', 'no lime', 0, 'lb lime');
      return 0;
    }
    const index = work.step('lime index', '10 × bufferPh', { bufferPh }, 10 * bufferPh, 'index');
    if (index > 70 + 1e-9) {
      work.note('index above 70', 'no lime', 0, 'lb lime');
      return 0;
    }
    if (index < 60 - 1e-9)
      return refuse(
        'bufferPh',
        `An SMP index of ${trimmed(index, 1)} lies below 60, where the lines end. Take the laboratory’s own lime figure.`,
      );
    const lines = smpTonsByAim(index);
    for (const { aim, tons } of lines)
      work.note(`to pH ${fixed(aim, 1)}`, 'line of this aim, never less than a lower aim', tons, 'tons lime/acre');
    const tonsPerAcre = interpolate(
      lines.map(({ aim, tons }) => [aim, tons] as const),
      aimPh,
    );
    work.note(`to the aim, pH ${aimPh}`, 'between the lines', tonsPerAcre, 'tons lime/acre');
    const full = work.step(
      'per 1000 ft2',
      'tonsPerAcre × 2000 ÷ 43.56',
      { tonsPerAcre },
      lbPer1000FromTonsPerAcre(tonsPerAcre),
      'lb lime',
    );
    return work.step(
      'depth to treat',
      'full × treatedDepthIn ÷ 8',
      { full, treatedDepthIn },
      (full * treatedDepthIn) / SMP_METHOD_DEPTH_IN,
      'lb lime',
    );
  },
});
