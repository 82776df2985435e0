import { type ClimateYear, climateYear, type GrowthSeason, growthSeason } from '../../climate/climate-year';
import { dayOfYear, type IsoDay } from '../../days/day';
import type { Grass } from '../../packs/grasses';
import { grassIn, type RulePacks } from '../../packs/rule-packs';
import type { YearFacts } from '../../prescription/zone-facts';
import { type Figure, figureOf, traced } from '../../reckoning/figure';
import { isRefusal } from '../../reckoning/refusal';
import type { Case, Product, Zone } from '../../records/case';
import { testsNewestFirst } from '../../soil/report';
import { waterLoad } from '../../water/irrigation-water';
import { sayDay } from '../../words/days';
import { isOverseeded, type Overseeding, winterFeedings, withWinterGrass } from '../rules/overseeding';
import { establishmentOf, isWorkable, ownProgrammeFrom } from '../rules/establishment';
import { type FirstDayReason, firstDayOf } from '../rules/first-day';
import { type NitrogenParts, nitrogenParts, shareAhead } from '../rules/nitrogen-parts';
import { type CarryOver, carryOver } from './carry-over';

/** What a zone's year is before anything is prescribed: from which day, in which season, what of it is still ahead. */
export interface ZoneYear {
  from: IsoDay;
  fromIs: FirstDayReason;
  season?: GrowthSeason;
  parts?: NitrogenParts;
  carried?: CarryOver;
  /** What the prescription takes from it. */
  facts: YearFacts;
}

/** Nitrogen of the log, day by day, lb N/1000 ft2; what brings none is left out. */
const nitrogenLog = (zone: Zone, products: readonly Product[]): { date: IsoDay; lb: number }[] =>
  (zone.applied ?? []).flatMap(({ date, productId, zoneLb }) => {
    const percent = products.find((p) => p.id === productId)?.guaranteed.N ?? 0;
    return percent > 0 ? [{ date, lb: ((zoneLb / (zone.areaSqFt / 1000)) * percent) / 100 }] : [];
  });

/** Nitrogen that went down on a zone in a year, lb N/1000 ft2. */
export const nitrogenGiven = (zone: Zone, products: readonly Product[], year: number): number =>
  nitrogenLog(zone, products)
    .filter(({ date }) => date.startsWith(`${year}-`))
    .reduce((sum, { lb }) => sum + lb, 0);

/** The winter grass of a zone and its season, where one is sown over warm-season turf (C9). */
function overseeded(
  given: Case,
  zone: Zone,
  grass: Grass,
  packs: RulePacks,
  season: GrowthSeason | undefined,
  weather: ClimateYear | undefined,
  from: IsoDay,
): { season: GrowthSeason; overseeding: Overseeding } | undefined {
  const { climate } = given.property;
  const span = zone.overseed;
  const winterGrass = span && grassIn(packs, span.grass);
  if (!span || !winterGrass || !isOverseeded(grass, winterGrass) || !climate || !season || !weather) return undefined;
  const { year } = weather;
  const both = withWinterGrass(season, winterGrass, span, climate, weather);
  const log = nitrogenLog(zone, given.products ?? []);
  const feedings = winterFeedings(
    zone,
    span,
    both,
    year,
    given.codes ?? [],
    from,
    log.map(({ date }) => date),
  );
  const givenLb = log
    .filter(({ date }) => date.startsWith(`${year}-`) && both.winter?.days[dayOfYear(date)])
    .reduce((sum, { lb }) => sum + lb, 0);
  return { season: both, overseeding: { grass: winterGrass, from: span.from, to: span.to, feedings, givenLb } };
}

/** Nitrate that the irrigation water of a year brings, lb N/1000 ft2; undefined without an analysis or irrigation (A13). */
function waterNitrogenOf(given: Case, zone: Zone): Figure | undefined {
  const { no3nMgPerL, inPerYear } = given.property.irrigationWater ?? {};
  if (!no3nMgPerL || !inPerYear || zone.irrigated === false) return undefined;
  const figure = figureOf(
    waterLoad,
    {
      mgPerL: traced(no3nMgPerL, 'nitrate-N, analysis of the irrigation water'),
      depthIn: traced(inPerYear, 'irrigation of a year'),
    },
    { title: 'Nitrate of the irrigation water', unit: 'lb N per 1000 ft2', usedIn: 'Prescribe: the year’s nitrogen.' },
  );
  return isRefusal(figure) ? undefined : figure;
}

/** A zone's year, from its own newest report, the log and the climate of the property. */
export function zoneYear(
  given: Case,
  zone: Zone,
  year: number,
  packs: RulePacks,
  { asOf, weather }: { asOf?: IsoDay; weather?: ClimateYear } = {},
): ZoneYear {
  const { climate } = given.property;
  const grass = grassIn(packs, zone.grass);
  const sampled = testsNewestFirst(given.soilTests ?? [], zone.id)[0]?.sampledOn ?? '';
  const { from, fromIs } = firstDayOf(year, sampled, asOf);
  const days = climate && (weather ?? climateYear(climate, year));
  const alone = climate && days ? growthSeason(climate, days, grass) : undefined;
  const establishment = establishmentOf(zone, grass, alone, days, year);
  // a stand that is sown in the year has its own programme, and no second grass over it
  const both = establishment ? undefined : overseeded(given, zone, grass, packs, alone, days, from);
  const season = both?.season ?? alone;
  const base = grass.nitrogenLb[zone.care ?? 'standard'];
  const parts = season && days && nitrogenParts(zone, grass, season, days, given.choices, base);
  const carried = carryOver(given, zone, year);
  const begun = from > `${year}-01-01` && season && parts;
  const share = begun && !establishment ? shareAhead(parts, season, dayOfYear(from)) : 1;
  return {
    from,
    fromIs,
    season,
    parts,
    carried,
    facts: {
      carryOver: carried,
      waterNitrogen: waterNitrogenOf(given, zone),
      irrigationWater: given.property.irrigationWater,
      ...(establishment
        ? {
            establishment: {
              ...establishment,
              workable: isWorkable(establishment, from),
              laterShare: season && parts ? shareAhead(parts, season, ownProgrammeFrom(establishment)) : 0,
            },
          }
        : {}),
      ...(both ? { overseeding: both.overseeding } : {}),
      ...(share < 1
        ? {
            ahead: {
              // what the winter grass was fed counts in its own line
              givenLb: nitrogenGiven(zone, given.products ?? [], year) - (both?.overseeding.givenLb ?? 0),
              share,
              says: `from ${sayDay(from)} on, by the parts of the year and growth inside them`,
            },
          }
        : {}),
    },
  };
}
