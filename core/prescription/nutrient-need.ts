import type { Zone } from '../records/case';
import { minimumNeed } from '../nutrients/minimum';
import { saturationNeed } from '../nutrients/saturation';
import { NUTRIENT_NAMES, type PrescribedNutrient } from '../nutrients/prescribed';
import { BUILT_IN_PACKS } from '../packs/rule-packs';
import { cecOf, saturationBar } from '../soil/other-schools';
import type { ZoneFacts } from './zone-facts';
import { nutrientBalance } from '../nutrients/balance';
import { growthRemoval } from '../nutrients/removal';
import { DEFAULT_BULK_DENSITY, groupOfTexture } from '../ground/texture-groups';
import type { Finding, Interpretation } from '../soil/interpret';
import { zoneBulkDensity } from '../soil/report';
import { type Figure, sureFigure, traced } from '../reckoning/figure';
import { ownOf } from './override-figure';

/** Depth that feeds established turf, in; not the sample's depth. Decision, 3-6 in is in use. */
const ROOT_ZONE_IN = 4;
/** Need by mass balance on the root zone: the sufficiency school's. */
function balanceFigure(nutrient: PrescribedNutrient, finding: Finding, zone: Zone, yearN: Figure): Figure {
  const rootZone = rootZoneOf(zone);
  const clippings = clippingsOf(zone);
  const removal = sureFigure(
    growthRemoval,
    {
      nutrient: traced(nutrient, 'this nutrient'),
      yearNitrogenLb: traced(yearN.value, 'nitrogen for the year', yearN),
      clippings: traced(clippings, 'care of the zone'),
    },
    {
      title: `${nutrient} that growth takes`,
      unit: `lb ${nutrient} per 1000 ft2`,
      usedIn: `Prescribe: the ${NUTRIENT_NAMES[nutrient].toLowerCase()} balance.`,
    },
  );
  return sureFigure(
    nutrientBalance,
    {
      testPpm: traced(finding.value, `soil report, ${finding.method ?? ''}`),
      enoughPpm: traced(finding.range?.enough ?? 0, `${finding.source}, start of enough`),
      depthIn: rootZone,
      bulkDensity: traced(
        zoneBulkDensity(zone),
        zone.bulkDensity === undefined
          ? `default for ${groupOfTexture(zone.texture)}, ${DEFAULT_BULK_DENSITY[groupOfTexture(zone.texture)]}`
          : 'zone',
      ),
      removalLb: traced(removal.value, 'removal by growth', removal),
    },
    {
      title: `${NUTRIENT_NAMES[nutrient]} balance`,
      unit: `lb ${nutrient} per 1000 ft2`,
      alternatives: () => [
        ...(rootZone.value === 6 ? [] : [{ says: 'Root zone 6 in', change: { depthIn: 6 } }]),
        { says: 'Soil only, no growth', change: { removalLb: 0 } },
      ],
      usedIn: `Prescribe: ${NUTRIENT_NAMES[nutrient].toLowerCase()} for the year.`,
    },
  );
}

/** Depth of the root zone: the agronomist's own, else the usual one. */
const rootZoneOf = (zone: Zone) => {
  const own = ownOf(zone, 'root-zone');
  return own
    ? traced(own.value, `own root zone: ${own.reason}`)
    : traced(ROOT_ZONE_IN, 'root zone of turf, common practice');
};

const clippingsOf = (zone: Zone): 'returned' | 'bagged' => (zone.clippings === 'bagged' ? 'bagged' : 'returned');

/** Need by the property's school of interpretation; where that school has no rule here, by sufficiency. */
export function needFigure(
  nutrient: PrescribedNutrient,
  finding: Finding,
  facts: ZoneFacts,
  read: Interpretation,
  yearN: Figure,
): { figure: Figure; by: string } {
  const { zone, choices, packs = BUILT_IN_PACKS } = facts;
  const ground = {
    depthIn: rootZoneOf(zone),
    bulkDensity: traced(zoneBulkDensity(zone), `soil of the zone, ${groupOfTexture(zone.texture)}`),
  };
  const testPpm = traced(finding.value, `soil report, ${finding.method ?? ''}`);
  const usedIn = `Prescribe: ${NUTRIENT_NAMES[nutrient].toLowerCase()} for the year.`;
  if (choices?.school === 'minimum' && finding.method === 'mehlich-3') {
    const figure = sureFigure(
      minimumNeed,
      {
        nutrient: traced(nutrient, 'this nutrient'),
        testPpm,
        yearNitrogenLb: traced(yearN.value, 'nitrogen for the year', yearN),
        clippings: traced(clippingsOf(zone), 'care of the zone'),
        ...ground,
      },
      { title: `${NUTRIENT_NAMES[nutrient]} above its minimum`, unit: `lb ${nutrient} per 1000 ft2`, usedIn },
    );
    return { figure, by: 'By minimum levels.' };
  }
  if (
    choices?.school === 'saturation' &&
    (nutrient === 'K' || nutrient === 'Mg') &&
    saturationBar(zone, read.usable) === undefined
  ) {
    const [aim] = packs.saturation.percentOfCec[nutrient];
    const figure = sureFigure(
      saturationNeed,
      {
        nutrient: traced(nutrient, 'this cation'),
        testPpm,
        cec: traced(cecOf(read.usable) as number, 'soil report'),
        aimPercent: traced(aim, `${packs.saturation.source.name}, low end`),
        ...ground,
      },
      { title: `${NUTRIENT_NAMES[nutrient]} to its share of CEC`, unit: `lb ${nutrient} per 1000 ft2`, usedIn },
    );
    return { figure, by: 'By base saturation.' };
  }
  return { figure: balanceFigure(nutrient, finding, zone, yearN), by: '' };
}
