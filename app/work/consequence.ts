import type { Finding } from '@core/soil/interpret';
import type { NutrientPrescription, ZonePrescription } from '@core/prescription/prescription';
import { showRate, showWeight } from '../ui/format';

/** What a finding orders for this year. */
export function consequenceOf(finding: Finding, prescription: ZonePrescription): string {
  const by: Partial<Record<string, [NutrientPrescription, string]>> = {
    P: [prescription.phosphorus, 'P2O5'],
    K: [prescription.potassium, 'K2O'],
    Mg: [prescription.magnesium, 'Mg'],
    S: [prescription.sulfur, 'S'],
  };
  const entry = by[finding.analyte];
  if (finding.level === 'unreadable') return 'Ask the laboratory; nothing is given on it.';
  if (entry) {
    const [nutrient, sold] = entry;
    if (nutrient.yearLb > 0) return `${showRate(nutrient.yearLb)} lb ${sold} per 1000 this year.`;
    return finding.level === 'high' ? `No ${sold} this year, whatever the bag holds.` : `No ${sold} needed this year.`;
  }
  if (finding.analyte === 'Fe' && (finding.level === 'low' || finding.level === 'very-low'))
    return 'Foliar iron for colour if it yellows between the veins.';
  if (finding.analyte === 'Ca')
    return finding.level === 'low' && prescription.ph.action === 'lime' ? 'The lime brings it.' : 'Nothing to add.';
  return finding.level === 'enough' || finding.level === 'high'
    ? 'Nothing to add.'
    : 'Watch it; a tissue test would say more.';
}

/** What the pH orders. */
export function phConsequence({ ph }: ZonePrescription): string {
  const each = ph.doses[0];
  const split =
    each === undefined ? '' : ph.doses.length > 1 ? `, as ${ph.doses.length} of ${showWeight(each)}` : ', in one dose';
  if (ph.action === 'lime' && ph.material) return `Lime, ${showWeight(ph.material.value)} lb per 1000${split}.`;
  if (ph.action === 'sulfur' && ph.requirement)
    return `Elemental sulfur, ${showRate(ph.requirement.value)} lb S per 1000${split}.`;
  return ph.says;
}
