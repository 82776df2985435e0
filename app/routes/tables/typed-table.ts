import { rowsOf } from '@core/packs/pack-diff';
import { checkPack, type PackFile, shippedPack } from '@core/packs/rule-packs';
import { isRefusal } from '@core/reckoning/refusal';
import type { Units } from '../../ui/format';
import { FieldNumbers, FieldTexts, type FirstTexts } from '../../work/typed-fields';
import type { TableColumn, TableKind } from './table-kinds';

/** What was typed in place of shipped numbers, by row and column; text until it is read. */
export interface TypedTable {
  cells: Record<string, string>;
  cite: string;
  standing: string;
  /** Lime fineness: which rule holds. */
  chosen: string;
  /** What the cells held when the form was filled. */
  held?: FirstTexts;
}

export const cellKey = (row: string, column: number): string => `${row}/${column}`;

/** The number of a row in a column; undefined where the row says nothing. */
export const numberAt = (row: unknown, { path }: TableColumn): number | undefined => {
  const value = path.reduce<unknown>((at, key) => (at as Record<string | number, unknown> | undefined)?.[key], row);
  return typeof value === 'number' ? value : undefined;
};

/** A row with the number of a column set, or taken away; nothing else of it is touched. */
export function withNumber<R>(row: R, [key, ...rest]: readonly (string | number)[], value: number | undefined): R {
  if (key === undefined) return row;
  const copy = (Array.isArray(row) ? [...(row as unknown[])] : { ...row }) as Record<string | number, unknown>;
  if (rest.length > 0) copy[key] = withNumber(copy[key] as object, rest, value);
  else if (value === undefined) delete copy[key];
  else copy[key] = value;
  return copy as R;
}

/** The id under which own rows of a kind are kept. */
export const ownPackId = (kind: string): string => `own-${kind}`;

/** Own rows as the form shows them: only what differs from what ships. */
export function tableFrom({ kind, columns }: TableKind, own: PackFile | undefined, units: Units): TypedTable {
  const fields = new FieldTexts(units);
  const shipped = rowsOf(shippedPack(kind));
  const cells: Record<string, string> = {};
  for (const [id, { row }] of own ? rowsOf(own) : [])
    for (const [i, column] of columns.entries()) {
      const mine = numberAt(row, column);
      if (mine !== numberAt(shipped.get(id)?.row, column))
        cells[cellKey(id, i)] = fields.text(cellKey(id, i), mine, column.quantity);
    }
  const rules = own && kind === 'lime-fineness' ? [...rowsOf(own).keys()] : [];
  return {
    cells,
    cite: own?.source.cite ?? '',
    standing: own?.source.standing ?? 'common practice',
    chosen: rules[0] ?? [...shipped.keys()][0] ?? '',
    held: fields.first,
  };
}

type Faults = Record<string, string>;

/**
 * The pack that was typed: the rows that differ from what ships, whole. Undefined where nothing differs. What cannot be read, or what
 * the pack's own schema refuses, gives a sentence at its cell.
 */
export function packFromTyped(
  { kind, columns, title }: TableKind,
  typed: TypedTable,
  today: string,
  units: Units,
): { pack?: PackFile; faults: Faults } {
  const fields = new FieldNumbers(units, typed.held);
  const shipped = shippedPack(kind);
  const faults: Faults = {};
  const changed = new Map<string, unknown>();
  for (const [id, { row, name }] of rowsOf(shipped)) {
    let mine: unknown = row;
    for (const [i, column] of columns.entries()) {
      const text = typed.cells[cellKey(id, i)];
      if (text === undefined) continue;
      const key = cellKey(id, i);
      const value = fields.read(text, {
        name: key,
        label: `${name}, ${column.label}`,
        field: key,
        quantity: column.quantity,
      });
      if (fields.faults[key]) faults[key] = fields.faults[key];
      else mine = withNumber(mine, column.path, value);
    }
    if (JSON.stringify(mine) !== JSON.stringify(row)) changed.set(id, mine);
  }
  const ids = [...rowsOf(shipped).keys()];
  const rules = kind === 'lime-fineness' && typed.chosen !== ids[0];
  if (Object.keys(faults).length > 0) return { faults };
  if (changed.size === 0 && !rules) return { faults };
  const cite = typed.cite.trim();
  if (cite === '') faults.cite = 'Say where your numbers come from: a laboratory, a university table, your own trials.';
  const head = {
    kind,
    pack: ownPackId(kind),
    version: today,
    source: { cite: cite || title, standing: typed.standing },
  };
  const raw = (rows: unknown): PackFile => {
    switch (kind) {
      case 'grasses':
        return { ...head, grasses: rows };
      case 'sufficiency':
        return { ...head, ranges: rows };
      case 'lime-fineness':
        return { ...head, rules: rows };
      case 'minimum-levels':
        return { ...head, minimumPpm: (rows as unknown[])[0] };
      case 'base-saturation':
        return { ...head, percentOfCec: (rows as unknown[])[0] };
    }
  };
  if (kind === 'lime-fineness') {
    const of = (id: string) => changed.get(id) ?? rowsOf(shipped).get(id)?.row;
    const order = [typed.chosen, ...ids.filter((id) => id !== typed.chosen)];
    const checked = checkPack(raw(order.map(of)));
    if (isRefusal(checked)) return { faults: { ...faults, [order[0] as string]: checked.refused } };
    return cite === '' ? { faults } : { pack: checked, faults };
  }
  // row by row, so that a refusal stands at its row
  for (const [id, row] of changed) {
    const checked = checkPack(raw([row]));
    if (isRefusal(checked)) faults[id] = checked.refused;
  }
  if (Object.keys(faults).length > 0) return { faults };
  const checked = checkPack(raw([...changed.values()]));
  return isRefusal(checked) ? { faults: { cite: `${title}: ${checked.refused}` } } : { pack: checked, faults };
}
