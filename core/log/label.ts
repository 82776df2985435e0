import type { Product, RecordLabel } from '../records/case';

/** What of a label says what it brings: where one of these differs, it is another label. */
export const CHEMISTRY = [
  'guaranteed',
  'nitrogen',
  'releaseDays',
  'ccePercent',
  'eccePercent',
  'limeKind',
  'over8MeshPercent',
  'mesh8to20Percent',
  'mesh20to60Percent',
  'under60MeshPercent',
] as const satisfies readonly (keyof Product & keyof RecordLabel)[];

/** What a record keeps of a product. */
const KEPT = ['id', 'name', 'form', 'lbPerGal', ...CHEMISTRY] as const;

/** The label of a product as a record keeps it. */
export const labelOf = (product: Product): RecordLabel =>
  Object.fromEntries(
    KEPT.flatMap((key) => (product[key] === undefined ? [] : [[key, product[key]]])),
  ) as unknown as RecordLabel;
