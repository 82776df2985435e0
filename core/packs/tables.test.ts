import { describe, expect, it } from 'vitest';
import { FINENESS_RULES } from '../lime/ecce';
import { ACIDITY_PER_LB_N } from '../nitrogen/acidity';
import { TISSUE_RATIO_TO_N } from '../nutrients/removal';
import properties from './product-properties.json';
import { BUILT_IN_PACKS, rangeIn } from './rule-packs';

// The tables typed a second time from their sources, so that a slip in either copy shows. All values from memory
// unless a line says otherwise.

describe('the tables stand as their sources give them', () => {
  it('sufficiency ranges, ppm: low, enough, high start (Carrow et al. 2004; Carrow, Waddington & Rieke 2001; modified Morgan and Mehlich-1 rows, judgement A10; from memory)', () => {
    const rows = [...BUILT_IN_PACKS.sufficiency].map(([key, r]) => [key, r.low, r.enough, r.high, r.toxic]);
    expect(rows).toEqual([
      ['P/mehlich-3', 13, 27, 55, undefined],
      ['P/bray-p1', 5, 16, 31, undefined],
      ['P/olsen', 7, 13, 29, undefined],
      ['P/morgan', 5, 10, 21, undefined],
      ['P/modified-morgan', 2, 4, 14, undefined],
      ['P/mehlich-1', 6, 18, 55, undefined],
      ['K/mehlich-3', 26, 51, 117, undefined],
      ['K/ammonium-acetate', 41, 76, 176, undefined],
      ['K/modified-morgan', 50, 100, 160, undefined],
      ['K/mehlich-1', 38, 60, 155, undefined],
      ['Ca/mehlich-3', undefined, 501, 751, undefined],
      ['Ca/ammonium-acetate', undefined, 501, 751, undefined],
      ['Ca/modified-morgan', undefined, 1000, 1500, undefined],
      ['Ca/mehlich-1', undefined, 300, 720, undefined],
      ['Mg/mehlich-3', undefined, 61, 121, undefined],
      ['Mg/ammonium-acetate', undefined, 100, 201, undefined],
      ['Mg/modified-morgan', undefined, 50, 120, undefined],
      ['Mg/mehlich-1', undefined, 30, 60, undefined],
      ['S/mehlich-3', 10, 15, 41, undefined],
      ['Fe/mehlich-3', 25, 50, 101, undefined],
      ['Mn/mehlich-3', undefined, undefined, undefined, undefined],
      ['Zn/mehlich-3', undefined, 1.1, 2.1, 20],
      ['Cu/mehlich-3', undefined, 0.3, 2.6, 10],
      ['Fe/dtpa', undefined, 2.5, 5, undefined],
      ['Mn/dtpa', undefined, 1, 2, undefined],
      ['Zn/dtpa', undefined, 0.5, 1, undefined],
      ['Cu/dtpa', undefined, 0.2, 0.4, undefined],
      ['B/hot-water', 0.2, 0.4, 2, 5],
    ]);
    expect(BUILT_IN_PACKS.sufficiency.get('Mn/mehlich-3')).toMatchObject({
      enoughByPh: [
        [6, 4],
        [7, 6],
        [8, 8],
      ],
      highByPh: [
        [6, 8],
        [7, 12],
        [8, 16],
      ],
    });
  });

  it('grasses: window, aim, N by care, ceiling, mowing (land-grant turf bulletins; from memory)', () => {
    const rows = [...BUILT_IN_PACKS.grasses.values()].map((g) => [
      g.id,
      g.season,
      g.phLow,
      g.phHigh,
      g.phAim,
      ...Object.values(g.nitrogenLb),
      g.ceilingLb,
      ...g.mowIn,
    ]);
    expect(rows).toEqual([
      ['kentucky-bluegrass', 'cool', 6, 7, 6.5, 2, 3, 4, 5, 2.5, 3.5],
      ['perennial-ryegrass', 'cool', 6, 7, 6.5, 2, 3, 4, 5, 2, 3],
      ['tall-fescue', 'cool', 6, 7, 6.2, 2, 3, 4, 5, 3, 4],
      ['fine-fescue', 'cool', 5.5, 6.8, 6, 0.5, 1.5, 2, 3, 2.5, 4],
      ['creeping-bentgrass', 'cool', 5.5, 6.5, 6, 2, 3, 4, 5, 0.1, 0.75],
      ['bermudagrass', 'warm', 6, 7, 6.5, 2, 3, 5, 6, 0.5, 2],
      ['zoysiagrass', 'warm', 5.8, 7, 6.2, 1, 2.5, 3, 4, 1, 2.5],
      ['centipedegrass', 'warm', 5, 6, 5.5, 0.5, 1, 2, 2, 1, 2],
      ['st-augustinegrass', 'warm', 6, 7.5, 6.5, 2, 2.75, 4, 4, 3.5, 4],
      ['bahiagrass', 'warm', 5.5, 6.5, 5.8, 1, 2, 3, 4, 3, 4],
      ['buffalograss', 'warm', 6, 8, 6.5, 0, 1, 2, 2, 2, 4],
      ['seashore-paspalum', 'warm', 5.5, 8, 6.5, 2, 4, 6, 6, 0.5, 2],
    ]);
  });

  it('minimum levels and tissue ratios (Woods, Stowell & Gelernter 2016; from memory)', () => {
    expect(BUILT_IN_PACKS.minimum.ppm).toEqual({ K: 37, P: 21, Ca: 331, Mg: 47, S: 7 });
    expect(TISSUE_RATIO_TO_N).toEqual({ K: 0.5, P: 0.125, Ca: 0.125, Mg: 0.05, S: 0.075 });
  });

  it('base saturation ideals, percent of CEC (common practice)', () => {
    expect(BUILT_IN_PACKS.saturation.percentOfCec).toEqual({ Ca: [65, 75], Mg: [10, 15], K: [3, 5], Na: [0, 3] });
  });

  it('acidity by source (Pierre 1933) and salt index (Rader et al. 1943), from memory', () => {
    expect(ACIDITY_PER_LB_N).toEqual({
      'ammonium-sulfate': 5.35,
      urea: 1.8,
      'ammonium-nitrate': 1.8,
      map: 5.35,
      'calcium-nitrate': -1.35,
      'potassium-nitrate': -1.9,
      organic: 1.8,
    });
    expect(properties.saltIndex.values).toEqual({
      'potassium-chloride': 116,
      'ammonium-nitrate': 105,
      urea: 75,
      'potassium-nitrate': 74,
      'ammonium-sulfate': 69,
      'potassium-sulfate': 46,
      dap: 34,
      map: 30,
      gypsum: 8,
    });
  });

  it('lime fineness (state lime laws; from memory)', () => {
    expect(
      FINENESS_RULES.map(({ over8Mesh, mesh8to20, mesh20to60, under60Mesh }) => [
        over8Mesh,
        mesh8to20,
        mesh20to60,
        under60Mesh,
      ]),
    ).toEqual([
      [0, 20, 60, 100],
      [0, 50, 50, 100],
    ]);
  });

  it('judges manganese at pH 6.5 where the report gives none (decision)', () => {
    const bare = rangeIn(BUILT_IN_PACKS, 'Mn', 'mehlich-3', undefined);
    // steps 6 ppm at pH 7 and 4 at pH 6, in between by the line: hand reckoning
    expect(bare).toMatchObject({ enough: 5, high: 10 });
    expect(rangeIn(BUILT_IN_PACKS, 'Mn', 'mehlich-3', 6.5)).toEqual(bare);
  });
  it('local codes: most N a dose, soluble, a year; least slow share; setback; closed dates (short readings from memory)', () => {
    const rows = BUILT_IN_PACKS.codes.map((c) => [
      c.id,
      c.maxTotalNPerDose,
      c.maxSolubleNPerDose,
      c.maxNPerYear,
      c.leastSlowPercent,
      c.setbackFt,
      c.closed?.map((s) => `${s.from}..${s.to}`).join(),
    ]);
    expect(rows).toEqual([
      ['florida-urban-turf', 1, 0.7, undefined, undefined, undefined, undefined],
      ['maryland-homeowner', 0.9, 0.7, undefined, 20, 15, '11-16..02-28'],
      ['maryland-licensed', 0.9, 0.7, undefined, undefined, 15, '12-01..02-28'],
      ['new-jersey-homeowner', 0.9, 0.7, 3.2, 20, 25, '11-16..02-28'],
      ['new-jersey-licensed', 1, 0.7, 4.25, undefined, 10, '12-02..02-28'],
      ['minnesota-phosphorus', undefined, undefined, undefined, undefined, undefined, undefined],
    ]);
  });
});
