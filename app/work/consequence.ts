import type { Figure } from '@core/reckoning/figure';
import type { NutrientPrescription, ZonePrescription } from '@core/prescription/prescription';
import type { Finding } from '@core/soil/interpret';
import type { Units } from '../ui/format';

/** What a finding orders for this year: words, with the reckoned figure between them where there is one. */
export interface Consequence {
  before?: string;
  figure?: Figure;
  show?: (value: number) => string;
  after: string;
}

const words = (after: string): Consequence => ({ after });

/** What a nutrient's finding orders. */
export function consequenceOf(finding: Finding, prescription: ZonePrescription, units: Units): Consequence {
  const by: Partial<Record<string, [NutrientPrescription, string]>> = {
    P: [prescription.phosphorus, 'P2O5'],
    K: [prescription.potassium, 'K2O'],
    Mg: [prescription.magnesium, 'Mg'],
    S: [prescription.sulfur, 'S'],
  };
  const entry = by[finding.analyte];
  if (finding.level === 'unreadable') return words('Ask the laboratory; nothing is given on it.');
  if (entry) {
    const [nutrient, sold] = entry;
    if (nutrient.yearLb > 0)
      return { figure: nutrient.year, show: units.rate, after: ` ${units.heading('nutrient-rate', sold)} this year.` };
    return words(
      finding.level === 'high' ? `No ${sold} this year, whatever the bag holds.` : `No ${sold} needed this year.`,
    );
  }
  const short = finding.level === 'low' || finding.level === 'very-low';
  const iron = prescription.foliar.find((each) => each.purpose === 'iron' && each.sprays > 0);
  if (finding.analyte === 'Fe' && short && iron)
    return words(`${iron.sprays} ${iron.sprays === 1 ? 'spray' : 'sprays'} of iron this year, for color.`);
  if (finding.analyte === 'Fe' && short) return words('Foliar iron for color if it yellows between the veins.');
  if (finding.analyte === 'Ca' && short && prescription.ph.action === 'lime') return words('The lime brings it.');
  return words(short ? 'Watch it; a tissue test would say more.' : 'Nothing to add.');
}

/** What the pH orders. */
export function phConsequence({ ph }: ZonePrescription, units: Units): Consequence {
  const material = (lb: number) => units.show('material-rate', lb);
  const each = ph.doses[0];
  const split =
    each === undefined ? '' : ph.doses.length > 1 ? `, as ${ph.doses.length} of ${material(each)}` : ', in one dose';
  if (ph.action === 'lime' && ph.material)
    return {
      before: 'Lime, ',
      figure: ph.material,
      show: material,
      after: ` ${units.heading('material-rate', 'lime')}${split}.`,
    };
  if (ph.action === 'sulfur' && ph.requirement)
    return {
      before: 'Elemental sulfur, ',
      figure: ph.requirement,
      show: units.rate,
      after: ` ${units.heading('nutrient-rate', 'S')}${split}.`,
    };
  return words(units.said(ph.says));
}
