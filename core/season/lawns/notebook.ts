import { sayDay } from '../../words/days';
import { two } from '../../words/numbers';
import type { LawnPage } from './lawn-page';
import type { ReferenceLawn } from './must';

const NUTRIENTS = ['N', 'P2O5', 'K2O', 'Mg', 'S-free'] as const;

/** A reference lawn as a page of a notebook: read, prescribed, dated, checked, and what must come of it. */
export function notebook(lawn: ReferenceLawn, page: LawnPage): string {
  const lines = [`## ${page.given.property.name} (${lawn.case}), on ${sayDay(lawn.on)}`];
  for (const { zone: season, checks } of page.zones) {
    const { zone, read, prescription, doses, unplaced, grass, shelf } = season;
    lines.push('', `**${zone.name}**: ${grass.name} on ${zone.texture ?? 'unknown texture'}.`);
    if (read?.ph) lines.push(`- ${read.ph.says}`);
    lines.push(
      ...(read?.findings ?? []).map((f) => `- ${f.says}`),
      ...(read?.doubts ?? []).map((d) => `- Doubt: ${d}`),
    );
    const { ph, nitrogen, phosphorus, potassium, magnesium, gypsum, salinity, establishment, overseeding } =
      prescription;
    lines.push('', `- pH: ${ph.says}`);
    if (ph.waits) lines.push(`- Waits: ${ph.waits}`);
    lines.push(
      `- Year: ${two(nitrogen.year.value)} lb N, ${two(phosphorus.yearLb)} lb P2O5, ${two(potassium.yearLb)} lb K2O, ${two(magnesium.yearLb)} lb Mg per 1000.`,
      ...nitrogen.steps.filter((step) => !step.off).map((step) => `  - ${step.says}`),
    );
    if (establishment) lines.push(`- ${establishment.says}`);
    if (overseeding) lines.push(`- Winter: ${overseeding.says}`);
    if (gypsum.doses.length > 0) lines.push(`- Gypsum: ${gypsum.says}`);
    if (salinity.ecDsPerM !== undefined) lines.push(`- Salt: ${salinity.says}`);
    lines.push('', ...prescription.cautions.map((caution) => `- Caution: ${caution}`), '');
    for (const dose of doses) {
      const name = Object.values(shelf)
        .flatMap((each) => each.options)
        .find((p) => p.id === dose.productId)?.name;
      const brings = NUTRIENTS.flatMap((n) =>
        (dose.delivers[n] ?? 0) > 0.004 ? [`${two(dose.delivers[n] ?? 0)} ${n}`] : [],
      );
      lines.push(
        `- ${sayDay(dose.date)}: ${two(dose.rateLb)} lb ${name ?? dose.productId} per 1000 (${brings.join(', ') || dose.for})`,
      );
    }
    lines.push(...unplaced.map(({ says }) => `- Not dated: ${says}`));
    lines.push(...checks.flatMap((c) => (c.standing === 'pass' ? [] : [`- ${c.standing}: ${c.says ?? c.title}`])));
  }
  lines.push('', ...lawn.musts.map((each) => `- [${each.holds(page) ? 'x' : ' '}] ${each.says}`), '');
  return lines.join('\n');
}
