import { BUILT_IN_PACKS, grassIn } from '../packs/rule-packs';
import { type Figure, figureOf, sureFigure, traced } from '../reckoning/figure';
import { isRefusal } from '../reckoning/refusal';
import { salineFromDsPerM } from '../soil/salinity';
import { leachingRequirement, waterLoad } from '../water/irrigation-water';
import { salinityUnderWater } from '../water/soil-salinity';
import { CACO3, CACO3_PER_S } from '../units/atomic-masses';
import { fixed, trimmed } from '../words/numbers';
import type { WaterFinding, WaterPrescription } from './prescription';
import type { ZoneFacts } from './zone-facts';

/** Sodium that keeps coming with the water puts every sodic figure in doubt from this SAR on (A13). FAO 29, table 1; from memory. */
const SAR_DOUBTFUL = 9;
/** Lime in a milliequivalent of bicarbonate or carbonate, mg CaCO3. Derived: half its weight, since it takes up two. */
const CACO3_MG_PER_MEQ = CACO3 / 2;
/** Lime a year that soil notices, lb CaCO3/1000 ft2: as little as is a shortfall (E1). */
const NOTICED_LIME_LB = 5;
/** Chloride and boron in water from which grasses that mind them suffer, mg/L. FAO 29, table 1; from memory. */
const CHLORIDE_MG_PER_L = 350;
const BORON_MG_PER_L = { watched: 0.7, harmful: 3 } as const;

/** Lime of the water in a year, lb CaCO3/1000 ft2; undefined without an analysis or irrigation. */
export function limeOfWater({
  zone,
  irrigationWater,
}: Pick<ZoneFacts, 'zone' | 'irrigationWater'>): Figure | undefined {
  const { hco3MeqPerL = 0, co3MeqPerL = 0, inPerYear = 0 } = irrigationWater ?? {};
  const meqPerL = hco3MeqPerL + co3MeqPerL;
  if (zone.irrigated === false || meqPerL === 0 || inPerYear === 0) return undefined;
  return sureFigure(
    waterLoad,
    {
      mgPerL: traced(
        meqPerL * CACO3_MG_PER_MEQ,
        `${trimmed(meqPerL, 2)} meq/L of bicarbonate and carbonate, as CaCO3, analysis of the irrigation water`,
      ),
      depthIn: traced(inPerYear, 'irrigation of a year'),
    },
    {
      title: 'Lime of the irrigation water',
      unit: 'lb CaCO3 per 1000 ft2 a year',
      usedIn: 'Prescribe: why the pH will not stay down.',
    },
  );
}

/** What the lime of the water means for a soil that is to be, or will not be, acidified; undefined where soil does not notice it. */
export function waterHoldsPhUp(facts: Pick<ZoneFacts, 'zone' | 'irrigationWater'>): string | undefined {
  const lime = limeOfWater(facts);
  return lime && lime.value >= NOTICED_LIME_LB
    ? `The irrigation water brings ${trimmed(lime.value, 1)} lb CaCO3 per 1000 ft2 a year, which undoes ${trimmed(lime.value / CACO3_PER_S, 1)} lb S: the pH will not stay down.`
    : undefined;
}

/**
 * The irrigation water of a zone as its grass and soil feel it (A13): nitrate is credited in the year's nitrogen, salinity brings the
 * low-salt rule of A3, sodium puts sodic figures in doubt, bicarbonate is lime. Undefined without an analysis, or where nobody waters.
 */
export function prescribeWater(facts: ZoneFacts, sodiumKnown: boolean): WaterPrescription | undefined {
  const { zone, irrigationWater: water, packs = BUILT_IN_PACKS, waterNitrogen } = facts;
  if (!water || zone.irrigated === false) return undefined;
  const grass = grassIn(packs, zone.grass);
  const findings: WaterFinding[] = [];
  if (waterNitrogen)
    findings.push({
      of: 'nitrate',
      standing: 'ordinary',
      figure: waterNitrogen,
      says: `Its nitrate brings ${fixed(waterNitrogen.value, 2)} lb N per 1000 ft2 a year, which the year’s nitrogen is less by.`,
    });
  const salineFrom = salineFromDsPerM(packs, zone.grass);
  let salty = false;
  if (water.ecw !== undefined) {
    const ece = sureFigure(
      salinityUnderWater,
      { ecw: traced(water.ecw, 'analysis of the irrigation water') },
      { title: 'Salinity under this water', unit: 'dS/m', usedIn: 'Season: low-salt sources only, where saline.' },
    );
    salty = ece.value >= salineFrom;
    const leaching = figureOf(
      leachingRequirement,
      {
        ecw: traced(water.ecw, 'analysis of the irrigation water'),
        ece: traced(salineFrom, `where ${grass.name} begins to suffer`),
      },
      { title: 'Leaching requirement', unit: 'share of the water' },
    );
    const leach = isRefusal(leaching)
      ? leaching.refused
      : `Of all water ${fixed(leaching.value * 100, 0)} % must drain past the roots, so that salt does not gather.`;
    findings.push({
      of: 'salinity',
      standing: salty ? 'harmful' : 'ordinary',
      figure: ece,
      says: salty
        ? `Water of ${trimmed(water.ecw, 2)} dS/m makes soil of about ${trimmed(ece.value, 1)} in the paste: saline for ${grass.name}, which suffers from ${salineFrom} on. Low-salt sources only. ${leach}`
        : `Water of ${trimmed(water.ecw, 2)} dS/m makes soil of about ${trimmed(ece.value, 1)} in the paste, under the ${salineFrom} from which ${grass.name} suffers.${water.ecw > 0 && salineFrom < 2 * ece.value ? ` ${leach}` : ''}`,
    });
  }
  if (water.sar !== undefined)
    findings.push({
      of: 'sodium',
      standing: water.sar > SAR_DOUBTFUL ? 'watched' : 'ordinary',
      says:
        water.sar > SAR_DOUBTFUL
          ? `Its SAR is ${trimmed(water.sar, 1)}, over ${SAR_DOUBTFUL}: sodium keeps coming. ${sodiumKnown ? 'The sodium of the report is what it was on that day; expect more, and retest each year.' : 'Ask the laboratory for sodium.'} Gypsum against it is needed again and again.`
          : `Its SAR is ${trimmed(water.sar, 1)}, not over ${SAR_DOUBTFUL}.`,
    });
  const lime = limeOfWater(facts);
  if (lime)
    findings.push({
      of: 'bicarbonate',
      standing: lime.value >= NOTICED_LIME_LB ? 'watched' : 'ordinary',
      figure: lime,
      says:
        lime.value >= NOTICED_LIME_LB
          ? `Its bicarbonate limes with ${trimmed(lime.value, 1)} lb CaCO3 per 1000 ft2 a year: pH rises slowly and will not stay down. What it did until the sample, the report shows.`
          : `Its bicarbonate limes with ${trimmed(lime.value, 1)} lb CaCO3 per 1000 ft2 a year: little.`,
    });
  if (water.clMgPerL !== undefined && water.clMgPerL > CHLORIDE_MG_PER_L)
    findings.push({
      of: 'chloride',
      standing: 'watched',
      says: `${trimmed(water.clMgPerL, 0)} mg/L chloride, over ${CHLORIDE_MG_PER_L}${grass.lowChloride ? `: ${grass.name} minds it; no muriate on top` : ': shrubs beside the lawn mind it first'}.`,
    });
  if (water.bMgPerL !== undefined && water.bMgPerL > BORON_MG_PER_L.watched)
    findings.push({
      of: 'boron',
      standing: water.bMgPerL >= BORON_MG_PER_L.harmful ? 'harmful' : 'watched',
      says: `${trimmed(water.bMgPerL, 1)} mg/L boron, over ${BORON_MG_PER_L.watched}: it gathers in leaf tips. No product that holds boron; bagging the clippings takes it away.`,
    });
  return { findings, salty };
}
