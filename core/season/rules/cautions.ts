import { CODE_LINES, type CodeLineId } from '../../codes/code-lines';
import type { LocalCode } from '../../records/case';

/** What goes with every sheet that tells somebody to spread. Common practice; labels and local codes come first. */
export const SPREADING_CAUTIONS = [
  'The label is the law, and local codes come first.',
  'Gloves, eye protection and long sleeves; no dust, no wind drift.',
  'Keep product off hard surfaces and out of water; sweep back what strays.',
  'Nothing on frozen, saturated, dormant or drought-stressed turf, nor before heavy rain.',
  'Keep children and pets off until it is watered in and dry.',
] as const;

/** Cautions of a purpose beside those. */
export const PURPOSE_CAUTIONS = {
  lime: 'Lime irritates skin and eyes; keep it two weeks from urea and ammonium, and water it in.',
  sulfur: 'Sulfur dust irritates eyes and lungs and can burn turf in heat; water it in.',
  gypsum: 'Gypsum dust irritates eyes; drain first, and leach with water after each dose.',
  N: 'Water nitrogen in within about a day.',
  K2O: 'Water potash in; salts burn wet leaves.',
  P2O5: 'Phosphorus only because the soil test asks for it.',
  iron: 'Iron stains paving, stone and skin: rinse at once; not above 85 deg F, not mown the day before and after.',
  manganese: 'Manganese on the leaf burns in heat: not above 85 deg F, not mown the day before and after.',
} as const;

/** Lines of a code that ask something of whoever spreads, beside what the plan already keeps to. */
const ASKED: readonly CodeLineId[] = ['heavy-rain', 'license', 'sweeping', 'posting', 'records', 'summer'];

/** What goes with every sheet here: the usual cautions, and what each local code asks beside its dates and caps. */
export const cautionsUnder = (codes: readonly LocalCode[]): string[] => [
  ...SPREADING_CAUTIONS,
  ...codes.flatMap((code) => {
    const asks = CODE_LINES.filter(({ id }) => ASKED.includes(id)).flatMap(({ title, says }) => {
      const words = says(code);
      return words === undefined ? [] : [`${title.replace(/, .*/, '').toLowerCase()}: ${words}`];
    });
    return asks.length > 0 ? [`${code.name ?? code.id}: ${asks.join('; ')}.`] : [];
  }),
];
