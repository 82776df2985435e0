import microdiff from 'microdiff';
import { type Refusal, refuse } from '../reckoning/refusal';
import type { PackFile } from './rule-packs';

/** One row of a pack in which two packs differ. */
export interface RowDifference {
  /** Id of the row: a grass, an analyte by its extractant, a code, a rule. */
  row: string;
  /** A person's word for it. */
  name: string;
  change: 'added' | 'removed' | 'changed';
  /** Fields that differ, with both values; none where the row is new or gone. */
  fields: { field: string; from: unknown; to: unknown }[];
}

export interface PackDifferences {
  kind: string;
  /** The packs by name and version. */
  from: string;
  to: string;
  rows: RowDifference[];
  /** Rows that say the same in both. */
  same: number;
}

type Row = Readonly<Record<string, unknown>>;

/** The rows of a pack by their ids, with a name for each. Packs of one table have one row. */
export function rowsOf(pack: PackFile): Map<string, { name: string; row: Row }> {
  const list = (key: string) => pack[key] as (Row & { id?: string; name?: string })[];
  const byId = (rows: (Row & { id?: string; name?: string })[]) =>
    new Map(rows.map((row) => [String(row.id), { name: String(row.name ?? row.id), row }]));
  switch (pack.kind) {
    case 'grasses':
      return byId(list('grasses'));
    case 'local-codes':
      return byId(list('codes'));
    case 'lime-fineness':
      return byId(list('rules'));
    case 'sufficiency':
      return new Map(
        list('ranges').map((row) => {
          const id = `${String(row.analyte)}/${String(row.method)}`;
          return [id, { name: `${String(row.analyte)} by ${String(row.method).replaceAll('-', ' ')}`, row }];
        }),
      );
    case 'minimum-levels':
      return new Map([['minimum', { name: 'Minimum levels', row: pack.minimumPpm as Row }]]);
    default:
      return new Map([['saturation', { name: 'Base saturation', row: pack.percentOfCec as Row }]]);
  }
}

/**
 * In what two packs of one kind differ, row by row and field by field. Rows that only the first holds are `removed`: an overlay that
 * does not name a row leaves it as it is, so whoever compares an overlay with what ships leaves those out.
 *
 * @param from the pack compared with
 * @param to the pack that is looked at
 * @example packDifferences(shippedGrasses, ours) // rows: [{ row: 'tall-fescue', change: 'changed', fields: [{ field: 'ceilingLb', from: 6, to: 4 }] }]
 */
export function packDifferences(from: PackFile, to: PackFile): PackDifferences | Refusal {
  if (from.kind !== to.kind)
    return refuse('kind', `One is a pack of ${from.kind}, the other of ${to.kind}: they cannot be compared.`);
  const [a, b] = [rowsOf(from), rowsOf(to)];
  const rows: RowDifference[] = [];
  let same = 0;
  for (const [row, { name, row: mine }] of b) {
    const other = a.get(row)?.row;
    if (!other) {
      rows.push({ row, name, change: 'added', fields: [] });
      continue;
    }
    const fields = microdiff(other as Record<string, unknown>, mine as Record<string, unknown>).map((each) => ({
      field: each.path.join('.'),
      from: each.type === 'CREATE' ? undefined : (each.oldValue as unknown),
      to: each.type === 'REMOVE' ? undefined : (each.value as unknown),
    }));
    if (fields.length === 0) same++;
    else rows.push({ row, name, change: 'changed', fields });
  }
  for (const [row, { name }] of a) if (!b.has(row)) rows.push({ row, name, change: 'removed', fields: [] });
  return {
    kind: to.kind,
    from: `${from.pack} ${from.version}`,
    to: `${to.pack} ${to.version}`,
    rows,
    same,
  };
}
