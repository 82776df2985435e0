import type { AnalysedBag } from './dress';
import type { LayoutId } from './layout-list';
import { letter, paperColumns, paperLists, paperTable } from './papers';
import { acetate, long, metric, perAcre, plain } from './tables';
import { columns, flagged, french, german, mail, rated, spanish } from './tables-abroad';
import { twoSheets, workbook } from './workbooks';

/** How a layout is made, and the ending of its file. */
export interface Layout {
  ending: 'csv' | 'txt' | 'xlsx' | 'pdf';
  bytes(bags: readonly AnalysedBag[]): Uint8Array | Promise<Uint8Array>;
}

const csv = (bytes: Layout['bytes']): Layout => ({ ending: 'csv', bytes });
export const LAYOUTS: Record<LayoutId, Layout> = {
  plain: csv(plain.bytes),
  'per-acre': csv(perAcre.bytes),
  metric: csv(metric.bytes),
  long: csv(long.bytes),
  acetate: csv(acetate.bytes),
  flagged: csv(flagged),
  columns: csv(columns),
  rated: csv(rated),
  german: csv(german),
  french: csv(french),
  spanish: csv(spanish),
  workbook: { ending: 'xlsx', bytes: workbook },
  'two-sheets': { ending: 'xlsx', bytes: twoSheets },
  letter: { ending: 'pdf', bytes: letter },
  'paper-table': { ending: 'pdf', bytes: paperTable },
  'paper-columns': { ending: 'pdf', bytes: paperColumns },
  'paper-lists': { ending: 'pdf', bytes: paperLists },
  mail: { ending: 'txt', bytes: mail },
};
