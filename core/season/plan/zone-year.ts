import { type ClimateYear, climateYear, type GrowthSeason, growthSeason } from '../../climate/climate-year';
import { addDays, dayOfYear, type IsoDay } from '../../days/day';
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
import { currentPlan } from './current-plan';
import { doseKey } from './dose-key';
import { keysOfGivenDoses } from './doses-given';

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

/** A dose may always be given through the week after its own, days after its Monday. Common practice. */
export const STILL_DOABLE_DAYS = 13;

/** Nitrogen that a plan that is kept, or was before it was changed, still brings to a zone, lb N/1000 ft2. */
export function keptAhead(
  given: Pick<Case, 'plans' | 'zones' | 'runs' | 'records' | 'products'>,
  zone: Zone,
  year: number,
  from: IsoDay,
): { keptLb?: number } {
  const plan = currentPlan(given, year);
  if ((plan?.keptOn ?? plan?.keptBefore) === undefined) return {};
  const percentN = new Map((given.products ?? []).map(({ id, guaranteed }) => [id, guaranteed.N ?? 0]));
  const done = keysOfGivenDoses(given);
  const keptLb = (plan?.doses ?? [])
    .filter((dose) => dose.zoneId === zone.id && dose.date >= addDays(from, -STILL_DOABLE_DAYS))
    .filter((dose) => !done.has(doseKey(dose)))
    .reduce((sum, { productId, rateLb }) => sum + (rateLb * (percentN.get(productId) ?? 0)) / 100, 0);
  return { keptLb };
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
              // a winter grass has a line of its own
              ...(both ? {} : keptAhead(given, zone, year, from)),
            },
          }
        : {}),
    },
  };
}
