import { describe, expect, it } from 'vitest';
import { rowsOf } from '@core/packs/pack-diff';
import { checkPack, shippedPack } from '@core/packs/rule-packs';
import { TABLE_KINDS } from './table-kinds';
import { cellKey, numberAt, packFromTyped, tableFrom, withNumber } from './typed-table';
import { usUnits } from '../../ui/format';
import { roundedTo } from '@core/words/numbers';

describe('a table typed over', () => {
  it.each(TABLE_KINDS.map((kind) => [kind.kind, kind] as const))(
    '%s: untouched it makes no pack, and every column finds its numbers',
    (_, kind) => {
      const typed = tableFrom(kind, undefined, usUnits);
      expect(packFromTyped(kind, typed, '2027-04-01', usUnits)).toEqual({ faults: {} });
      const rows = [...rowsOf(shippedPack(kind.kind)).values()];
      for (const column of kind.columns)
        if (!['Flagged', 'Harmful'].includes(column.label))
          expect(rows.some(({ row }) => numberAt(row, column) !== undefined)).toBe(true);
    },
  );
  it.each(TABLE_KINDS.map((kind) => [kind.kind, kind] as const))(
    '%s: one own number makes a pack of its row that passes the schema and comes back',
    (_, kind) => {
      const [id, { row }] = [...rowsOf(shippedPack(kind.kind))].find(([, each]) =>
        kind.columns.every((column, i) => i > 2 || numberAt(each.row, column) !== undefined),
      )!;
      const at = kind.columns.findIndex((column) => numberAt(row, column) !== undefined);
      const own = roundedTo((numberAt(row, kind.columns[at]!) as number) * 0.99, 4);
      const typed = {
        ...tableFrom(kind, undefined, usUnits),
        cells: { [cellKey(id, at)]: String(own) },
        cite: 'Our trials',
      };
      const { pack, faults } = packFromTyped(kind, typed, '2027-04-01', usUnits);
      // a number at its least cannot go lower without being the same
      if (own === numberAt(row, kind.columns[at]!)) return;
      expect(faults).toEqual({});
      expect(checkPack(pack)).toEqual(pack);
      expect(numberAt(rowsOf(pack!).get(id)?.row, kind.columns[at]!)).toBe(own);
      expect(tableFrom(kind, pack, usUnits).cells).toEqual(typed.cells);
      if (kind.kind === 'grasses' || kind.kind === 'sufficiency') expect(rowsOf(pack!).size).toBe(1);
    },
  );
  it('asks where the numbers come from, and says what is wrong at its cell or row', () => {
    const grasses = TABLE_KINDS[0]!;
    const empty = tableFrom(grasses, undefined, usUnits);
    const ceiling = cellKey('tall-fescue', 6);
    expect(
      packFromTyped(grasses, { ...empty, cells: { [ceiling]: '5.5' } }, '2027-04-01', usUnits).faults,
    ).toHaveProperty('cite');
    expect(
      packFromTyped(grasses, { ...empty, cite: 'x', cells: { [ceiling]: 'five' } }, '2027-04-01', usUnits).faults,
    ).toHaveProperty(ceiling);
    // a ceiling under what high care asks
    expect(
      packFromTyped(grasses, { ...empty, cite: 'x', cells: { [ceiling]: '0.5' } }, '2027-04-01', usUnits).faults[
        'tall-fescue'
      ],
    ).toContain('must rise');
  });
  it('lets another fineness rule hold', () => {
    const fineness = TABLE_KINDS.find(({ kind }) => kind === 'lime-fineness')!;
    const typed = { ...tableFrom(fineness, undefined, usUnits), chosen: 'two-class', cite: 'State lime law' };
    const { pack } = packFromTyped(fineness, typed, '2027-04-01', usUnits);
    expect([...rowsOf(pack!).keys()]).toEqual(['two-class', 'usual']);
    expect(tableFrom(fineness, pack, usUnits).chosen).toBe('two-class');
  });
  it('sets numbers deep in a row and leaves the row it came from', () => {
    const row = { nitrogenLb: { low: 1, high: 3 }, mowIn: [2, 3] };
    expect(withNumber(row, ['nitrogenLb', 'low'], 1.5)).toEqual({ nitrogenLb: { low: 1.5, high: 3 }, mowIn: [2, 3] });
    expect(withNumber(row, ['mowIn', 1], 4)).toEqual({ nitrogenLb: { low: 1, high: 3 }, mowIn: [2, 4] });
    expect(row).toEqual({ nitrogenLb: { low: 1, high: 3 }, mowIn: [2, 3] });
  });
});
