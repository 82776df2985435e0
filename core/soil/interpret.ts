import type { Analyte, Method, Product, SoilTest, Zone } from '../records/case';
import { analyteName } from '../records/analytes';
import type { IsoDay } from '../days/day';
import { mergedReadings } from './merged-readings';
import { findDoubts } from './report-doubts';
import { carbonateStanding, findReading, type Reading, testsNewestFirst, waterPh } from './report';
import { BUILT_IN_PACKS, grassIn, type Range, rangeIn, type RulePacks } from '../packs/rule-packs';
import { type Level, levelOf, levelOfBound } from './levels';
import { byMinimum, bySaturation } from './other-schools';
import { fixed, roundedTo, threeDigits } from '../words/numbers';
import { FREE_LIME_ABOVE_PH } from './limy-soil';

export const SCHOOLS = ['sufficiency', 'minimum', 'saturation'] as const;
export type School = (typeof SCHOOLS)[number];

/** One judged analyte. Values are ppm for nutrients. */
export interface Finding {
  analyte: Analyte;
  value: number;
  unit: string;
  level: Level;
  says: string;
  source: string;
  method?: Method;
  range?: Range;
  reading: Reading;
}

/** The pH judged against the grass's window, on the water scale. */
export interface PhFinding {
  ph: number;
  reported: number;
  converted: boolean;
  low: number;
  high: number;
  aim: number;
  place: 'too-acid' | 'inside' | 'too-alkaline';
  says: string;
  reading: Reading;
}

export interface Interpretation {
  zoneId: string;
  school: School;
  ph?: PhFinding;
  findings: Finding[];
  /** What is reported but not judged. */
  described: Reading[];
  doubts: string[];
  /** Newest of each analyte over the zone's reports, each with its own day. */
  readings: Reading[];
  /** Those that may be prescribed from: not too old, not overtaken by lime. */
  usable: Reading[];
  /** Day of the newest report. */
  sampledOn: IsoDay;
}

const NUTRIENTS: readonly Analyte[] = ['P', 'K', 'Ca', 'Mg', 'S', 'Fe', 'Mn', 'Zn', 'Cu', 'B'];
const JUDGED: ReadonlySet<Analyte> = new Set(NUTRIENTS);
/** P extractants that read low in carbonate or above pH 7.3: the level is unreadable, never "very low". */
const FAILS_IN_CARBONATE: readonly Method[] = ['bray-p1', 'mehlich-1', 'morgan', 'modified-morgan'];
const LEVEL_WORDS: Record<Level, string> = {
  'very-low': 'very low',
  low: 'low',
  enough: 'enough',
  high: 'high',
  unreadable: 'not readable',
};
export const levelInWords = (level: Level): string => LEVEL_WORDS[level];

/** A finding that no level can be given to, and why. */
const unreadable = (reading: Reading, says: string, source = 'ubertas-sufficiency'): Finding => ({
  analyte: reading.analyte,
  value: reading.value ?? reading.reported,
  unit: reading.value === undefined ? reading.reportedUnit : 'ppm',
  level: 'unreadable',
  method: reading.method,
  reading,
  source,
  says,
});

function judge(reading: Reading, ph: number | undefined, carbonate: boolean, packs: RulePacks): Finding {
  const { analyte, method, value } = reading;
  const name = analyteName(analyte);
  if (value === undefined)
    return unreadable(
      reading,
      `${name} is a laboratory index: without its key it cannot be judged. Ask the laboratory for ppm.`,
    );
  if (!method)
    return unreadable(
      reading,
      `${name}: the report names no extractant, so ${threeDigits(value)} ppm cannot be judged. Look for Mehlich-3, Olsen or the like.`,
    );
  const range = rangeIn(packs, analyte, method, ph);
  if (!range) return unreadable(reading, `${name} by ${method} has no range in any rule pack loaded.`);
  if ((carbonate || (ph ?? 0) > FREE_LIME_ABOVE_PH) && FAILS_IN_CARBONATE.includes(method))
    return {
      ...unreadable(
        reading,
        `${name} by ${method} reads too low in alkaline or limy soil: ask for Olsen or Mehlich-3.`,
        range.source.name,
      ),
      range,
    };
  const level = reading.qualifier ? levelOfBound(reading.qualifier, value, range) : levelOf(value, range);
  if (!level)
    return {
      ...unreadable(
        reading,
        `${name} is printed as ${reading.qualifier}${threeDigits(value)} ppm: the laboratory’s limit is in the way, and what it is stays unknown.`,
        range.source.name,
      ),
      range,
    };
  return new JudgedFinding(analyte, method, value, level, range.source.name, range, reading);
}

/** A judged finding. Its sentence is made when somebody reads it: of a hundred thousand samples most are only judged. */
class JudgedFinding implements Finding {
  readonly unit = 'ppm';
  constructor(
    readonly analyte: Analyte,
    readonly method: Method,
    readonly value: number,
    readonly level: Exclude<Level, 'unreadable'>,
    readonly source: string,
    readonly range: Range,
    readonly reading: Reading,
  ) {}
  get says(): string {
    return sufficiencySentence(analyteName(this.analyte), this.value, this.level, this.range, this.reading);
  }
}

const BOUND_WORDS = { '<': 'under ', '>': 'over ' } as const;

function sufficiencySentence(
  name: string,
  value: number,
  level: Exclude<Level, 'unreadable'>,
  range: Range,
  { qualifier, setAside, method }: Reading,
): string {
  const bound =
    level === 'high' ? value - range.high : level === 'enough' ? value - range.enough : range.enough - value;
  const where =
    level === 'high'
      ? 'over the start of high'
      : level === 'enough'
        ? 'inside enough'
        : level === 'low' || level === 'very-low'
          ? 'under enough'
          : '';
  const atLeast = qualifier ? 'at least ' : '';
  // DTPA and "high" (A10): more than grass needs, and no harm by itself
  const word = level === 'high' && method === 'dtpa' ? 'more than is needed' : LEVEL_WORDS[level];
  const toxic =
    range.toxic !== undefined && value >= range.toxic ? ` At ${range.toxic} ppm and above it can harm the grass.` : '';
  const note = range.note ? ` ${range.note}` : '';
  const old = setAside ? ` The value is ${setAside}.` : '';
  return `${name}, ${qualifier ? BOUND_WORDS[qualifier] : ''}${threeDigits(value)} ppm, is ${word}: ${atLeast}${threeDigits(bound)} ppm ${where}.${toxic}${note}${old}`;
}

function judgePh(zone: Zone, readings: readonly Reading[], packs: RulePacks): PhFinding | undefined {
  const water = waterPh(readings);
  const reading = findReading(readings, 'pH');
  if (!water || reading?.value === undefined) return undefined;
  const { phLow: low, phHigh: high, phAim: aim, name } = grassIn(packs, zone.grass);
  // a deviation of under 0.2 is inside (B9): 5.9 of a window from 6.0 is, 5.8 is not; readings carry two decimals
  const place =
    water.ph < low - WINDOW_SLACK + 1e-9
      ? 'too-acid'
      : water.ph > high + WINDOW_SLACK - 1e-9
        ? 'too-alkaline'
        : 'inside';
  // a bound decides only where all that is left lies on one side (A5)
  const { qualifier } = reading;
  if (qualifier && place !== (qualifier === '<' ? 'too-acid' : 'too-alkaline')) return undefined;
  return new WindowFinding(water.ph, water.converted, low, high, aim, place, name, reading);
}

/** A pH nearer to its window than this is inside it (B9). Common practice: two laboratories differ by as much. */
export const WINDOW_SLACK = 0.2;

class WindowFinding implements PhFinding {
  constructor(
    readonly ph: number,
    readonly converted: boolean,
    readonly low: number,
    readonly high: number,
    readonly aim: number,
    readonly place: PhFinding['place'],
    private readonly grassName: string,
    readonly reading: Reading,
  ) {}
  get reported(): number {
    return this.reading.reported;
  }
  get says(): string {
    const { ph, low, high } = this;
    const shown = roundedTo(ph, 2);
    const window = `the ${this.grassName} window, ${fixed(low, 1)} to ${fixed(high, 1)}`;
    const old = this.reading.setAside ? ` It is ${this.reading.setAside}.` : '';
    if (this.place === 'inside')
      return ph < low || ph > high
        ? `pH ${shown} is within ${WINDOW_SLACK} of ${window}: as good as inside.${old}`
        : `pH ${shown} is inside ${window}.${old}`;
    return this.place === 'too-acid'
      ? `pH ${shown} is ${threeDigits(low - ph)} below ${window}.${old}`
      : `pH ${shown} is ${threeDigits(ph - high)} above ${window}.${old}`;
  }
}

export interface InterpretOptions {
  /** Day against which the age of values is judged (A7); without it nothing is old. */
  asOf?: IsoDay;
  school?: School;
  packs?: RulePacks;
  /** What the ids in a zone's log mean. */
  products?: readonly Product[];
}

/** Reads a zone's reports, merged analyte by analyte, for the grass that grows there, by one school of interpretation. */
export function interpretZone(
  zone: Zone,
  reports: SoilTest | readonly SoilTest[],
  { asOf, school = 'sufficiency', packs = BUILT_IN_PACKS, products }: InterpretOptions = {},
): Interpretation {
  const one = !Array.isArray(reports);
  const tests = one ? [reports as SoilTest] : testsNewestFirst(reports as readonly SoilTest[], zone.id);
  const readings = mergedReadings({ zone, tests, asOf, products });
  const water = waterPh(readings);
  const carbonate = carbonateStanding(zone, readings) === 'present';
  const doubts = findDoubts({ zone, tests, readings, asOf });
  let findings: Finding[];
  if (school === 'sufficiency') {
    findings = readings.filter((r) => JUDGED.has(r.analyte)).map((r) => judge(r, water?.ph, carbonate, packs));
  } else {
    const other = school === 'minimum' ? byMinimum(readings, water?.ph, packs) : bySaturation(zone, readings, packs);
    findings = other.findings;
    doubts.push(...other.doubts);
  }
  const described = readings.filter((r) => !JUDGED.has(r.analyte) && r.analyte !== 'pH');
  return {
    zoneId: zone.id,
    school,
    ph: judgePh(zone, readings, packs),
    findings,
    described,
    doubts,
    readings,
    usable: readings.some((r) => r.setAside) ? readings.filter((r) => !r.setAside) : readings,
    sampledOn: tests[0]?.sampledOn ?? '',
  };
}

/** One analyte's level under each school; a dash where a school does not judge it. */
export interface SchoolComparison {
  analyte: Analyte;
  levels: Record<School, Level | 'not-judged'>;
}

/** The same report under all three schools, analyte by analyte. */
export function compareSchools(
  zone: Zone,
  reports: SoilTest | readonly SoilTest[],
  options: Omit<InterpretOptions, 'school'> = {},
): SchoolComparison[] {
  const all = SCHOOLS.map((school) => interpretZone(zone, reports, { ...options, school }));
  const analytes = NUTRIENTS.filter((a) => all.some((read) => read.findings.some((f) => f.analyte === a)));
  return analytes.map((analyte) => ({
    analyte,
    levels: Object.fromEntries(
      all.map((read) => [read.school, read.findings.find((f) => f.analyte === analyte)?.level ?? 'not-judged']),
    ) as SchoolComparison['levels'],
  }));
}
