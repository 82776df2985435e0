import { describe, expect, it } from 'vitest';
import { byFineness, ecceOf } from '../lime/lime-label';
import type { Product } from '../records/case';
import { isRefusal } from '../reckoning/refusal';
import { verdictChanges } from '../soil/verdict-changes';
import { packDifferences, rowsOf } from './pack-diff';
import { BUILT_IN_PACKS, checkPack, PACK_KINDS, type PackFile, shippedPack, withPack } from './rule-packs';

const sourced = { pack: 'ours', version: '1', source: { cite: 'Our trials', standing: 'common practice' } };
const fescue = rowsOf(shippedPack('grasses')).get('tall-fescue')!.row;

describe('packs compared', () => {
  it.each(PACK_KINDS)('%s: what ships says the same as itself, and passes its own schema', (kind) => {
    const shipped = shippedPack(kind);
    expect(checkPack(shipped)).toEqual(shipped);
    expect(packDifferences(shipped, shipped)).toMatchObject({ rows: [], same: rowsOf(shipped).size });
  });
  it('name the field that differs with both values, rows added and rows left out', () => {
    const ours: PackFile = {
      kind: 'grasses',
      ...sourced,
      grasses: [{ ...fescue, ceilingLb: 4.5, nitrogenLb: { low: 1, standard: 2.25, high: 4 } }],
    };
    const found = packDifferences(shippedPack('grasses'), ours);
    if (isRefusal(found)) throw new Error(found.refused);
    expect(found.rows.find(({ change }) => change === 'changed')).toMatchObject({
      row: 'tall-fescue',
      name: 'tall fescue',
    });
    const fields = Object.fromEntries(
      found.rows.flatMap(({ fields: each }) => each.map(({ field, to }) => [field, to])),
    );
    expect(fields).toMatchObject({ ceilingLb: 4.5 });
    expect(found.rows.filter(({ change }) => change === 'removed')).toHaveLength(
      rowsOf(shippedPack('grasses')).size - 1,
    );
    expect(packDifferences(ours, shippedPack('sufficiency'))).toMatchObject({ field: 'kind' });
  });
  it('refuse a bad row with its field, whatever else is right', () => {
    const bad = { kind: 'grasses', ...sourced, grasses: [{ ...fescue, phAim: 'six' }] };
    expect(checkPack(bad)).toMatchObject({ field: 'grasses[0].phAim' });
    expect(checkPack({ kind: 'grasses', ...sourced, grasses: [{ ...fescue, phAim: 9 }] })).toMatchObject({
      refused: expect.stringContaining('must rise') as string,
    });
    expect(checkPack({ kind: 'roses' })).toMatchObject({ field: 'kind' });
    expect(checkPack(null)).toMatchObject({ field: 'kind' });
  });
});

describe('lime fineness laid over', () => {
  const lime: Product = {
    id: 'lime',
    name: 'Field lime',
    guaranteed: { Ca: 34 },
    ccePercent: 92,
    over8MeshPercent: 4,
    mesh8to20Percent: 16,
    mesh20to60Percent: 35,
    under60MeshPercent: 45,
  };
  it('counts limes by the chosen rule, and leaves labels that state their ECCE', () => {
    const packs = withPack(BUILT_IN_PACKS, {
      kind: 'lime-fineness',
      ...sourced,
      rules: [{ id: 'two-class', name: 'two classes', over8Mesh: 0, mesh8to20: 50, mesh20to60: 50, under60Mesh: 100 }],
    });
    if (isRefusal(packs)) throw new Error(packs.refused);
    // by hand: 92 x (16 x 20 + 35 x 60 + 45 x 100) / 10000, and 92 x (51 x 50 + 45 x 100) / 10000
    expect(ecceOf(lime)).toBeCloseTo(63.664, 9);
    expect(ecceOf(byFineness([lime], packs.fineness)[0])).toBeCloseTo(64.86, 9);
    const stated = { ...lime, eccePercent: 70 };
    expect(byFineness([stated], packs.fineness)).toEqual([stated]);
    const shelf = [lime];
    expect(byFineness(shelf, BUILT_IN_PACKS.fineness)).toBe(shelf);
  });
  it('refuses a rule by which finer lime counts less', () => {
    expect(
      checkPack({
        kind: 'lime-fineness',
        ...sourced,
        rules: [{ id: 'x', name: 'x', over8Mesh: 0, mesh8to20: 60, mesh20to60: 50, under60Mesh: 100 }],
      }),
    ).toMatchObject({ refused: expect.stringContaining('Finer lime') as string });
  });
});

describe('verdicts that other packs would change', () => {
  const given = {
    format: 'ubertas-case' as const,
    version: 1 as const,
    property: { id: 'p', name: 'Gate green' },
    zones: [{ id: 'z', name: 'Front', areaSqFt: 4000, grass: 'tall-fescue' as const, texture: 'loam' as const }],
    soilTests: [
      {
        id: 't',
        zoneId: 'z',
        sampledOn: '2027-02-10',
        results: [
          { analyte: 'pH' as const, value: 6.4, unit: 'pH' },
          { analyte: 'K' as const, value: 90, unit: 'ppm', method: 'mehlich-3' as const },
        ],
      },
    ],
  };
  const laid = (raw: unknown) => {
    const packs = withPack(BUILT_IN_PACKS, raw);
    if (isRefusal(packs)) throw new Error(packs.refused);
    return packs;
  };
  it('are named with the zone, the analyte and both levels', () => {
    const high = laid({
      kind: 'sufficiency',
      ...sourced,
      ranges: [{ analyte: 'K', method: 'mehlich-3', low: 10, enough: 20, high: 40 }],
    });
    expect(verdictChanges(given as never, BUILT_IN_PACKS, high, '2027-03-01')).toEqual([
      { zoneId: 'z', zoneName: 'Front', of: 'K', from: expect.any(String) as string, to: 'high' },
    ]);
    const acid = laid({ kind: 'grasses', ...sourced, grasses: [{ ...fescue, phLow: 7, phAim: 7.2, phHigh: 7.5 }] });
    expect(verdictChanges(given as never, BUILT_IN_PACKS, acid, '2027-03-01')).toMatchObject([
      { of: 'pH', to: 'too-acid' },
    ]);
  });
  it('are none where nothing is judged otherwise', () => {
    expect(verdictChanges(given as never, BUILT_IN_PACKS, BUILT_IN_PACKS, '2027-03-01')).toEqual([]);
  });
});
