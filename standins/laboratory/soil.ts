import type { SoilTest, Zone } from '../../core/records/case';
import { type TextureClass } from '../../core/records/vocabularies';
import { groupOfTexture } from '../../core/ground/texture-groups';
import { BUILT_IN_PACKS } from '../../core/packs/rule-packs';
import { CACL2_OFFSET } from '../../core/soil/report';
import { chanceOf } from '../chance';
import { roundedTo } from '../../core/words/numbers';

/** What is really in a simulated soil: Mehlich-3 ppm, pH in water, percent, cmolc/kg. */
export interface Soil {
  ph: number;
  bufferPh: number;
  P: number;
  K: number;
  Ca: number;
  Mg: number;
  S: number;
  Na: number;
  Fe: number;
  Mn: number;
  Zn: number;
  Cu: number;
  OM: number;
  CEC: number;
  CaCO3: number;
  EC: number;
}

type Span = readonly [low: number, high: number];
/** Ordinary lawn soils by texture group; invented, plausible, and called simulated wherever they show. */
const ORDINARY: Record<'sand' | 'loam' | 'clay', Record<Exclude<keyof Soil, 'bufferPh' | 'CaCO3'>, Span>> = {
  sand: {
    ph: [5.2, 6.8],
    P: [12, 60],
    K: [18, 60],
    Ca: [220, 700],
    Mg: [25, 90],
    S: [6, 18],
    Na: [8, 30],
    Fe: [40, 140],
    Mn: [3, 12],
    Zn: [0.7, 3],
    Cu: [0.3, 1.5],
    OM: [0.9, 2.2],
    CEC: [2.5, 6],
    EC: [0.2, 0.6],
  },
  loam: {
    ph: [5.4, 7.0],
    P: [15, 90],
    K: [35, 130],
    Ca: [600, 1900],
    Mg: [60, 230],
    S: [8, 24],
    Na: [10, 40],
    Fe: [60, 180],
    Mn: [5, 20],
    Zn: [0.9, 5],
    Cu: [0.5, 2.5],
    OM: [2, 4.5],
    CEC: [6, 16],
    EC: [0.3, 0.8],
  },
  clay: {
    ph: [5.6, 7.6],
    P: [15, 80],
    K: [90, 260],
    Ca: [1500, 3600],
    Mg: [150, 420],
    S: [10, 30],
    Na: [15, 60],
    Fe: [60, 160],
    Mn: [6, 25],
    Zn: [1, 5],
    Cu: [0.8, 3],
    OM: [2.2, 5],
    CEC: [15, 30],
    EC: [0.3, 1],
  },
};

/** Mehlich buffer of a simulated soil: the more acid and the heavier, the lower. */
const bufferOf = (ph: number, cec: number): number =>
  roundedTo(Math.min(6.6, Math.max(5.4, 6.6 - 0.045 * cec ** 0.7 * Math.max(0, 7 - ph))), 2);

/** The soil in a bag from ground nobody has described: drawn from its texture, always the same for the same key. */
export function ordinarySoil(key: number, texture: TextureClass): Soil {
  const chance = chanceOf(key);
  const drawn = Object.fromEntries(
    Object.entries(ORDINARY[groupOfTexture(texture)]).map(([what, [low, high]]) => [what, chance.between(low, high)]),
  ) as unknown as Soil;
  return { ...drawn, bufferPh: bufferOf(drawn.ph, drawn.CEC), CaCO3: drawn.ph > 7.3 ? 1.5 : 0 };
}

/** A Mehlich-3 value and the reading of another extractant that stand at the same place of their own ranges. */
export function byExtractant(analyte: string, value: number, from: string, to: string): number {
  if (from === to) return value;
  const [a, b] = [
    BUILT_IN_PACKS.sufficiency.get(`${analyte}/${from}`),
    BUILT_IN_PACKS.sufficiency.get(`${analyte}/${to}`),
  ];
  const [start, end] = [a && boundsOf(a), b && boundsOf(b)];
  if (!start || !end) return value;
  if (value >= start.high) return end.high * (value / start.high);
  // the distance to enough is kept in ppm, so that both extractants ask for the same nutrient
  const moved = value + end.enough - start.enough;
  return Math.min(Math.max(0.1, moved), JUST_UNDER * end.high);
}
/** A value that is not high stays so, whatever the extractant. */
const JUST_UNDER = 0.99;
const boundsOf = (row: { enough?: number; high?: number }) =>
  row.enough === undefined || row.high === undefined ? undefined : { enough: row.enough, high: row.high };

/** The soil under a demo zone: what its latest report found, the rest drawn from its texture. */
export function soilOfReport(key: number, zone: Zone, test: SoilTest): Soil {
  const soil = ordinarySoil(key, zone.texture);
  for (const { analyte, value, method } of test.results) {
    if (analyte === 'pH') soil.ph = method === 'cacl2' ? value + CACL2_OFFSET : value;
    else if (analyte === 'buffer-pH') soil.bufferPh = value;
    else if (analyte in soil) soil[analyte as 'P'] = method ? byExtractant(analyte, value, method, 'mehlich-3') : value;
  }
  if (!test.results.some((r) => r.analyte === 'buffer-pH')) soil.bufferPh = bufferOf(soil.ph, soil.CEC);
  if (!test.results.some((r) => r.analyte === 'CaCO3')) soil.CaCO3 = soil.ph > 7.3 ? 1.5 : 0;
  return soil;
}

/** Scatter between two analyses of one bag, as a share of the value; for pH in units. */
const NUTRIENT_SCATTER = 0.03;
const PH_SCATTER = 0.04;

/** What the laboratory finds in a bag: the soil with the scatter of one analysis, rounded once as it would be printed. */
export function analysed(soil: Soil, seed: number): Soil {
  const chance = chanceOf(seed);
  const rounded = (value: number, figures: number) => roundedTo(value, figures);
  const share = (value: number) => Math.max(0, value * (1 + NUTRIENT_SCATTER * chance.scatter()));
  return {
    ph: rounded(soil.ph + PH_SCATTER * chance.scatter(), 1),
    bufferPh: rounded(Math.min(6.6, soil.bufferPh + (PH_SCATTER / 2) * chance.scatter()), 2),
    P: rounded(share(soil.P), 0),
    K: rounded(share(soil.K), 0),
    Ca: rounded(share(soil.Ca), 0),
    Mg: rounded(share(soil.Mg), 0),
    S: rounded(share(soil.S), 0),
    Na: rounded(share(soil.Na), 0),
    Fe: rounded(share(soil.Fe), 0),
    Mn: rounded(share(soil.Mn), 1),
    Zn: rounded(share(soil.Zn), 1),
    Cu: rounded(share(soil.Cu), 1),
    OM: rounded(share(soil.OM), 1),
    CEC: rounded(share(soil.CEC), 1),
    CaCO3: rounded(share(soil.CaCO3), 1),
    EC: rounded(share(soil.EC), 2),
  };
}
