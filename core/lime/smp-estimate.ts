import { defineReckoning } from '../reckoning/define';
import { depthIn, ph } from '../reckoning/inputs';
import { interpolate } from '../tables/interpolate';
import { lbPer1000FromTonsPerAcre } from '../units/conversions';
import { SMP_METHOD_DEPTH_IN, smpTonsByAim } from './smp';

/** Index below which the lines are not drawn on any further (B1). */
const LEAST_INDEX = 54;
/** The lowest aim that has a line of its own. */
const LOWEST_LINE_PH = 6;

/**
 * Lime by the SMP buffer beyond its lines, lb ag lime/1000 ft2: an index below 60, an aim below 6.0. What `lime.smp` refuses is
 * estimated here, because an acid soil is never left without lime (B1, B2). pH 4.6, buffer 5.8, aim 6.5, 8 in: 456.
 */
export const smpEstimate = defineReckoning({
  id: 'lime.smp-estimate',
  title: 'Lime requirement, SMP lines drawn on',
  about:
    'The most acid soils lie beyond the published lines. Drawn on, the lines give an estimate that is nearer than none; the next report corrects it.',
  inputs: {
    soilPh: ph('soil pH in water'),
    bufferPh: ph('SMP buffer pH', { min: 4, max: 7.5 }),
    aimPh: ph('pH aimed at'),
    treatedDepthIn: depthIn('depth to treat'),
  },
  unit: 'lb lime / 1000 ft2',
  formula: [
    'L = 10 × buffer pH, never below 54',
    'from 6.0 up as the SMP lines; below 6.0 the 6.0 line × (aim − pH) ÷ (6.0 − pH)',
    'lb/1000 = tons/acre × 2000 ÷ 43.56 × depth ÷ 8',
  ],
  sources: [
    { cite: 'Tri-State Fertilizer Recommendations, Extension Bulletin E-2567, 1995', standing: 'from memory' },
    { cite: 'Drawn on below index 60 and aim 6.0', standing: 'common practice' },
  ],
  limits: ['An estimate. Where the 6.0 line gives 0 the answer is 0.'],
  example: {
    inputs: { soilPh: 4.6, bufferPh: 5.8, aimPh: 6.5, treatedDepthIn: 8 },
    value: ((60.4 - 0.87 * 58) * 2000) / 43.56,
  },
  reckon({ soilPh, bufferPh, aimPh, treatedDepthIn }, work) {
    if (soilPh >= aimPh) {
      work.note('soil pH is at or above the aim', 'no lime', 0, 'lb lime');
      return 0;
    }
    const least = LEAST_INDEX;
    const index = work.step(
      'lime index',
      'max(10 × bufferPh, least)',
      { bufferPh, least },
      Math.max(10 * bufferPh, least),
      'index',
    );
    const lines = smpTonsByAim(index);
    const lowestTons = lines[0]?.tons ?? 0;
    const low = LOWEST_LINE_PH;
    let tonsPerAcre: number;
    if (aimPh < low) {
      const line = lowestTons;
      tonsPerAcre = work.step(
        'share of the 6.0 line',
        'line × (aimPh − soilPh) ÷ (low − soilPh)',
        { line, aimPh, soilPh, low },
        (line * (aimPh - soilPh)) / (low - soilPh),
        'tons lime/acre',
      );
    } else {
      tonsPerAcre = interpolate(
        lines.map(({ aim, tons }) => [aim, tons] as const),
        Math.min(aimPh, 6.8),
      );
      work.note(`to the aim, pH ${aimPh}`, 'between the lines', tonsPerAcre, 'tons lime/acre');
    }
    const full = work.step(
      'per 1000 ft2',
      'tonsPerAcre × 2000 ÷ 43.56',
      { tonsPerAcre },
      lbPer1000FromTonsPerAcre(tonsPerAcre),
      'lb lime',
    );
    const methodDepth = SMP_METHOD_DEPTH_IN;
    return work.step(
      'depth to treat',
      'full × treatedDepthIn ÷ methodDepth',
      { full, treatedDepthIn, methodDepth },
      (full * treatedDepthIn) / methodDepth,
      'lb lime',
    );
  },
});
