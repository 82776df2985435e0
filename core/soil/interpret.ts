import type { Analyte, Method, SoilTest, Zone } from '../records/case';
import { BUFFER_METHODS, limeBuffer } from '../lime/buffers';
import { analyteName } from '../records/analytes';
import { daysBetween, yearsBetween } from '../days/day';
import { groupOfTexture } from '../ground/texture-groups';
import { carbonateStanding, findReading, readResult, type Reading, waterPh } from './report';
import { BUILT_IN_PACKS, grassIn, type Range, rangeIn, type RulePacks } from '../packs/rule-packs';
import { type Level, levelOf } from './levels';
import { byMinimum, bySaturation } from './other-schools';
import { fixed, roundedTo, threeDigits } from '../words/numbers';
import { FIZZ_TEST_FROM_PH, FREE_LIME_ABOVE_PH } from './limy-soil';

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
}

export interface Interpretation {
  zoneId: string;
  school: School;
  ph?: PhFinding;
  findings: Finding[];
  /** What is reported but not judged. */
  described: Reading[];
  doubts: string[];
  readings: Reading[];
}

const NUTRIENTS: readonly Analyte[] = ['P', 'K', 'Ca', 'Mg', 'S', 'Fe', 'Mn', 'Zn', 'Cu', 'B'];
const JUDGED: ReadonlySet<Analyte> = new Set(NUTRIENTS);
/** P extractants that read low in carbonate or above pH 7.3: the level is unreadable, never "very low". */
const FAILS_IN_CARBONATE: readonly Method[] = ['bray-p1', 'mehlich-1', 'morgan', 'modified-morgan'];
const MG_K_FROM = 51;
const MG_K_TO = 75;
/** A K reading in ppm that a sand can hardly hold. */
const IMPLAUSIBLE_K_ON_SAND_PPM = 250;
const OLD_REPORT_YEARS = 3;
/** Wait between lime, sulfur or fertiliser and a sample, days. Common practice: 6-8 weeks. */
const WAIT_AFTER_FEEDING_DAYS = 42;

/** CEC that a texture group can plausibly hold, cmolc/kg. Common practice; wide, so that only what cannot be is asked about. */
const PLAUSIBLE_CEC = { sand: [1, 12], loam: [4, 30], clay: [8, 60] } as const;

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
  const level = levelOf(value, range);
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
    return sufficiencySentence(analyteName(this.analyte), this.value, this.level, this.range);
  }
}

function sufficiencySentence(name: string, value: number, level: Exclude<Level, 'unreadable'>, range: Range): string {
  const bound =
    level === 'high' ? value - range.high : level === 'enough' ? value - range.enough : range.enough - value;
  const where = level === 'high' ? 'over the start of high' : level === 'enough' ? 'inside enough' : 'under enough';
  const toxic =
    range.toxic !== undefined && value >= range.toxic ? ` At ${range.toxic} ppm and above it can harm the grass.` : '';
  return `${name}, ${threeDigits(value)} ppm, is ${LEVEL_WORDS[level]}: ${threeDigits(bound)} ppm ${where}.${toxic}`;
}

function judgePh(zone: Zone, readings: readonly Reading[], packs: RulePacks): PhFinding | undefined {
  const water = waterPh(readings);
  const reported = findReading(readings, 'pH')?.value;
  if (!water || reported === undefined) return undefined;
  const { phLow: low, phHigh: high, phAim: aim, name } = grassIn(packs, zone.grass);
  // readings carry two decimals; binary noise must not push 7.000000000000001 out of the window
  const place = water.ph < low - 1e-9 ? 'too-acid' : water.ph > high + 1e-9 ? 'too-alkaline' : 'inside';
  return new WindowFinding(water.ph, reported, water.converted, low, high, aim, place, name);
}

class WindowFinding implements PhFinding {
  constructor(
    readonly ph: number,
    readonly reported: number,
    readonly converted: boolean,
    readonly low: number,
    readonly high: number,
    readonly aim: number,
    readonly place: PhFinding['place'],
    private readonly grassName: string,
  ) {}
  get says(): string {
    const { ph, low, high } = this;
    const shown = roundedTo(ph, 2);
    const window = `the ${this.grassName} window, ${fixed(low, 1)} to ${fixed(high, 1)}`;
    if (this.place === 'inside') return `pH ${shown} is inside ${window}.`;
    return this.place === 'too-acid'
      ? `pH ${shown} is ${threeDigits(low - ph)} below ${window}.`
      : `pH ${shown} is ${threeDigits(ph - high)} above ${window}.`;
  }
}

function findDoubts(zone: Zone, test: SoilTest, readings: readonly Reading[], asOf?: string): string[] {
  const doubts: string[] = [];
  const group = groupOfTexture(zone.texture);
  const water = waterPh(readings);
  const carbonate = carbonateStanding(zone, readings);
  if (test.depthIn === undefined)
    doubts.push('The report states no sampling depth: 6 2/3 in is assumed for lb/acre, and trends cannot be trusted.');
  if (asOf) {
    const years = yearsBetween(test.sampledOn, asOf);
    if (years > OLD_REPORT_YEARS)
      doubts.push(`The sample is ${Math.floor(years)} years old: retest before spending on it.`);
  }
  const fed = zone.applied?.find(
    (a) => a.date <= test.sampledOn && daysBetween(a.date, test.sampledOn) < WAIT_AFTER_FEEDING_DAYS,
  );
  if (fed)
    doubts.push(
      `Sampled ${daysBetween(fed.date, test.sampledOn)} days after something was spread; 6 to 8 weeks are wanted, or the sample shows the bag and not the soil.`,
    );
  if (water?.converted)
    doubts.push('pH was measured in CaCl2; 0.6 is added to compare it with windows in water. That is a rule of thumb.');
  const k = findReading(readings, 'K');
  if (k?.value !== undefined && k.reportedUnit === 'ppm' && group === 'sand' && k.value > IMPLAUSIBLE_K_ON_SAND_PPM)
    doubts.push(
      `K of ${threeDigits(k.value)} ppm on a sand is hardly possible: the report probably means lb/acre. Check the unit.`,
    );
  if (
    k?.value !== undefined &&
    k.value >= MG_K_FROM &&
    k.value < MG_K_TO + 1 &&
    (k.method === 'mehlich-3' || k.method === 'ammonium-acetate')
  )
    doubts.push(
      `K of ${threeDigits(k.value)} ppm is enough by Mehlich-3 and low by ammonium acetate: the extractant decides, not the soil.`,
    );
  const buffer = findReading(readings, 'buffer-pH');
  const start = limeBuffer(buffer?.method)?.startsAtPh;
  if (buffer?.value !== undefined && start === undefined)
    doubts.push(
      `Buffer pH ${buffer.value}: the report does not say which buffer it is. It is left aside, and lime is estimated from texture. Give the method of buffer-pH: ${BUFFER_METHODS.join(', ')}.`,
    );
  if (water && buffer?.value !== undefined && start !== undefined && water.ph < 5.2 && buffer.value > start - 0.2)
    doubts.push(
      `Soil pH ${fixed(water.ph, 1)} with a buffer pH of ${buffer.value} contradict each other: ask the laboratory to read both again.`,
    );
  const cec = findReading(readings, 'CEC');
  const [least, most] = PLAUSIBLE_CEC[group];
  if (cec?.value !== undefined && (cec.value < least || cec.value > most))
    doubts.push(
      `A CEC of ${threeDigits(cec.value)} is far from what a ${zone.texture.replaceAll('-', ' ')} holds: check the texture or the report.`,
    );
  if (
    water &&
    water.ph > FREE_LIME_ABOVE_PH &&
    carbonate !== 'absent' &&
    readings.some((r) => ['Ca', 'CEC', 'Mg'].includes(r.analyte))
  )
    doubts.push(
      `Above pH ${FREE_LIME_ABOVE_PH} the extractant may dissolve free lime: calcium, CEC and base percentages are inflated.`,
    );
  if (water && water.ph >= FIZZ_TEST_FROM_PH && carbonate === 'unknown')
    doubts.push(
      `pH ${FIZZ_TEST_FROM_PH} or more and no fizz test: put a drop of acid on the soil before thinking of sulfur.`,
    );
  return doubts;
}

export interface InterpretOptions {
  /** Today, for the age of the report. */
  asOf?: string;
  school?: School;
  packs?: RulePacks;
}

/** Reads a report for the grass that grows there, by one school of interpretation. */
export function interpretZone(
  zone: Zone,
  test: SoilTest,
  { asOf, school = 'sufficiency', packs = BUILT_IN_PACKS }: InterpretOptions = {},
): Interpretation {
  const readings = test.results.map((r) => readResult(r, test, zone));
  const water = waterPh(readings);
  const carbonate = carbonateStanding(zone, readings) === 'present';
  const doubts = findDoubts(zone, test, readings, asOf);
  let findings: Finding[];
  if (school === 'sufficiency') {
    findings = readings.filter((r) => JUDGED.has(r.analyte)).map((r) => judge(r, water?.ph, carbonate, packs));
  } else {
    const other = school === 'minimum' ? byMinimum(readings, water?.ph, packs) : bySaturation(zone, readings, packs);
    findings = other.findings;
    doubts.push(...other.doubts);
  }
  const described = readings.filter((r) => !JUDGED.has(r.analyte) && r.analyte !== 'pH');
  return { zoneId: zone.id, school, ph: judgePh(zone, readings, packs), findings, described, doubts, readings };
}

/** One analyte's level under each school; a dash where a school does not judge it. */
export interface SchoolComparison {
  analyte: Analyte;
  levels: Record<School, Level | 'not-judged'>;
}

/** The same report under all three schools, analyte by analyte. */
export function compareSchools(
  zone: Zone,
  test: SoilTest,
  options: Omit<InterpretOptions, 'school'> = {},
): SchoolComparison[] {
  const all = SCHOOLS.map((school) => interpretZone(zone, test, { ...options, school }));
  const analytes = NUTRIENTS.filter((a) => all.some((read) => read.findings.some((f) => f.analyte === a)));
  return analytes.map((analyte) => ({
    analyte,
    levels: Object.fromEntries(
      all.map((read) => [read.school, read.findings.find((f) => f.analyte === analyte)?.level ?? 'not-judged']),
    ) as SchoolComparison['levels'],
  }));
}
