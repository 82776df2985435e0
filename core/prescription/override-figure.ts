import type { OwnFigure, OwnLine, Zone } from '../records/case';
import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { type Figure, sureFigure, traced } from '../reckoning/figure';

/** The agronomist's figure in place of the rule's. 2.75 lb N where the rule gives 2.475 is 2.75, and the working says so. */
export const ownFigure = defineReckoning({
  id: 'prescription.own',
  title: 'Override of the agronomist',
  about:
    'A professional may know better than the rule. The figure is typed with its reason; the rule’s own stays beside it on every sheet.',
  inputs: {
    ownLb: quantity('lb of the substance')('override', { min: 0, max: 1000 }),
    ruleLb: quantity('lb of the substance')('figure by the rule', { min: 0, max: 10_000 }),
  },
  unit: 'lb of the substance / 1000 ft2',
  formula: ['figure = override'],
  sources: [{ cite: 'The agronomist’s own judgement, with the reason typed beside it', standing: 'common practice' }],
  limits: ['A local code holds over it; lime, sulfur and phosphorus still need a test.'],
  example: { inputs: { ownLb: 2.75, ruleLb: 2.475 }, value: 2.75 },
  reckon({ ownLb, ruleLb }, work) {
    work.step('more than the rule', 'ownLb − ruleLb', { ownLb, ruleLb }, ownLb - ruleLb, 'lb of the substance');
    return work.step('override', 'ownLb + 0', { ownLb }, ownLb, 'lb of the substance');
  },
});

/** The override of a line, where the agronomist typed one. */
export const ownOf = (zone: Zone, line: OwnLine): OwnFigure | undefined => zone.own?.find((own) => own.line === line);

/** "Games run to November. R. Amadi, 2027-03-06". */
export const reasonOf = ({ reason, by, on }: OwnFigure): string =>
  `${reason}${/[.!?]$/.test(reason) ? '' : '.'} ${[by, on].filter(Boolean).join(', ')}`.trim();

/** An override standing where the rule's stood, with the rule's to drill into. `most` holds it, in the words of a code. */
export function inPlaceOf(
  rule: Figure | undefined,
  own: OwnFigure,
  { title, unit, usedIn, most }: { title: string; unit: string; usedIn?: string; most?: number },
): Figure {
  return sureFigure(
    ownFigure,
    {
      ownLb: traced(Math.min(own.value, most ?? Infinity), `override: ${reasonOf(own)}`),
      ruleLb: traced(rule?.value ?? 0, 'by the rule', rule),
    },
    { title, unit, usedIn },
  );
}
