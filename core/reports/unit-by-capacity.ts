import { PPM_PER_CMOLC } from '../soil/cec';
import { columnAt, overlap, type ReportPage } from './document';
import type { ReportTable } from './tables';
import { type Label } from './terms/label';
import type { ReportUnit } from './terms/units';
import { type DecimalMark, valueFrom } from './terms/values';

const BASES = ['Ca', 'Mg', 'K'] as const;
/** Bases of ordinary ground hold this share of its capacity; twice that is lb/acre taken for ppm. */
const IN_PPM = [0.35, 1.25] as const;
const IN_LB = [1.35, 2.5] as const;

/**
 * Whether numbers without a unit are ppm or lb/acre, told by the exchange capacity printed beside them: calcium, magnesium and potassium in ppm
 * fill it by a third to all; in lb/acre they would seem to fill it twice. Undefined where the samples do not agree or nothing tells.
 */
export function unitByCapacity(
  pages: readonly { page: ReportPage; tables: readonly ReportTable[] }[],
  mark: DecimalMark,
): { unit: ReportUnit; because: string } | undefined {
  const shares: number[] = [];
  for (const { page, tables } of pages)
    for (const table of tables) {
      const samples = new Map<string | number, Map<string, number>>();
      const put = (key: string | number, label: Label, text: string) => {
        const { meaning } = label;
        const value = valueFrom(text, mark)?.value;
        if (meaning.kind !== 'analyte' || value === undefined || (meaning.unit && meaning.analyte !== 'CEC')) return;
        const found = samples.get(key) ?? new Map<string, number>();
        found.set(meaning.analyte, value);
        samples.set(key, found);
      };
      if (table.kind === 'across')
        for (const row of table.rows.slice(0, 200))
          for (const cell of page.lines[row]!.cells) {
            const at = columnAt(cell, table.columns);
            if (at !== -1) put(row, table.columns[at]!.label, cell.text);
          }
      else if (table.kind === 'down')
        for (const row of table.rows)
          for (const cell of row.cells) {
            const at = table.samples.findIndex((span) => overlap(cell, span) > 0);
            if (at !== -1) put(at, row.label, cell.text);
          }
      for (const found of samples.values()) {
        const cec = found.get('CEC');
        if (!cec || !found.has('Ca') || !found.has('Mg')) continue;
        const charge = BASES.reduce((sum, base) => sum + (found.get(base) ?? 0) / PPM_PER_CMOLC[base], 0);
        shares.push(charge / cec);
      }
    }
  if (shares.length === 0) return undefined;
  const all = ([low, high]: readonly [number, number]) => shares.every((share) => share >= low && share <= high);
  const percent = Math.round((100 * shares.reduce((a, b) => a + b, 0)) / shares.length);
  if (all(IN_PPM)) return { unit: 'ppm', because: `with ppm the bases fill ${percent} % of the CEC, which fits` };
  if (all(IN_LB))
    return { unit: 'lb/acre', because: `with ppm the bases would fill ${percent} % of the CEC; lb/acre fits` };
  return undefined;
}
