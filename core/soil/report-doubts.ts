import { BUFFER_METHODS, limeBuffer } from '../lime/buffers';
import { acidShare } from '../lime/adams-evans';
import { analyteName } from '../records/analytes';
import { methodName } from '../records/methods';
import type { SoilTest, Zone } from '../records/case';
import { daysBetween, type IsoDay, yearsBetween } from '../days/day';
import { groupOfTexture } from '../ground/texture-groups';
import { sayDate } from '../words/days';
import { fixed, threeDigits } from '../words/numbers';
import { exchangeableSodiumOf } from './exchangeable-sodium';
import { FIZZ_TEST_FROM_PH, FREE_LIME_ABOVE_PH } from './limy-soil';
import { OLD_AFTER_YEARS } from './merged-readings';
import { carbonateStanding, findReading, type Reading, waterPh } from './report';

/** K between the start of enough by Mehlich-3 and by ammonium acetate, ppm. */
const MG_K_FROM = 51;
const MG_K_TO = 75;
/** A K reading in ppm that a sand can hardly hold. */
const IMPLAUSIBLE_K_ON_SAND_PPM = 250;
/** Wait between lime, sulfur or fertiliser and a sample, days. Common practice: 6-8 weeks. */
const WAIT_AFTER_FEEDING_DAYS = 42;
/** CEC that a texture group can plausibly hold, cmolc/kg. Common practice; wide, so that only what cannot be is asked about. */
const PLAUSIBLE_CEC = { sand: [1, 12], loam: [4, 30], clay: [8, 60] } as const;
/** CEC that the acidity a buffer found may imply, cmolc/kg (A8). Outside it soil and buffer pH contradict each other. */
const IMPLIED_CEC = { least: 1, most: 60 } as const;
/** A buffer is judged by its soil pH below this only (A8). */
const BUFFER_JUDGED_BELOW_PH = 6;
/** Olsen was made for limy soils (A10). */
const OLSEN_FROM_PH = 6;

interface DoubtFacts {
  zone: Zone;
  /** Newest first. */
  tests: readonly SoilTest[];
  readings: readonly Reading[];
  asOf?: IsoDay;
}

/** CEC that a buffer's acidity implies at a soil pH, cmolc/kg (A8): pH 4.9 with Adams-Evans 7.85 is a normal sand of 1.6. */
export function impliedCec(
  soilPh: number,
  bufferPh: number,
  buffer: NonNullable<ReturnType<typeof limeBuffer>>,
): number {
  const { perPh, fromPh } = buffer.acidity;
  return (perPh * (fromPh - bufferPh)) / (soilPh < 4.5 ? 1 : acidShare(soilPh));
}

const units = (readings: readonly Reading[], unit: string): boolean => readings.some((r) => r.reportedUnit === unit);

function aboutUnits(test: SoilTest, readings: readonly Reading[]): string[] {
  const doubts: string[] = [];
  if (test.depthIn === undefined)
    doubts.push(
      'The report states no sampling depth: what was mixed into the cores, and how it compares with other years, stays unknown.',
    );
  const byArea = units(readings, 'lb/acre') ? 'lb/acre' : units(readings, 'kg/ha') ? 'kg/ha' : undefined;
  if (byArea && test.basisDepthIn === undefined)
    doubts.push(
      `${byArea} is brought to ppm by the custom of 2,000,000 lb of soil an acre. A laboratory that counts another depth says so: look for it, and give it as the depth of the ${byArea}.`,
    );
  if (units(readings, 'mg/dm3') && test.scoopGPerCm3 === undefined)
    doubts.push('mg/dm3 is by volume: a scoop of 1.0 g/cm3 is assumed. Look for W/V on the report.');
  return doubts;
}

/** A name inside a sentence: 'Potassium' is potassium there, 'CEC' stays. */
const inSentence = (name: string): string =>
  /^[A-Z][a-z]/.test(name) ? `${name[0]?.toLowerCase()}${name.slice(1)}` : name;

function aboutAge({ tests, readings, asOf }: DoubtFacts): string[] {
  const doubts: string[] = [];
  const newest = tests[0]?.sampledOn ?? '';
  if (asOf && newest) {
    const years = yearsBetween(newest, asOf);
    if (years > OLD_AFTER_YEARS)
      doubts.push(
        `The newest sample is ${Math.floor(years)} years old: its values are shown, and only nitrogen is prescribed. Retest before spending.`,
      );
  }
  const older = readings.filter((r) => r.from.sampledOn !== newest);
  const days = [...new Set(older.map((r) => r.from.sampledOn))].sort().reverse();
  for (const day of days) {
    const names = older
      .filter((r) => r.from.sampledOn === day)
      .map((r, i) => (i === 0 ? analyteName(r.analyte) : inSentence(analyteName(r.analyte))));
    const list = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : names[0];
    doubts.push(
      `${list} ${names.length > 1 ? 'are' : 'is'} of the report of ${sayDate(day)}: the newest does not hold ${names.length > 1 ? 'them' : 'it'}.`,
    );
  }
  return doubts;
}

function aboutBuffer(ph: number | undefined, readings: readonly Reading[]): string[] {
  const buffer = findReading(readings, 'buffer-pH');
  if (buffer?.value === undefined) return [];
  const known = limeBuffer(buffer.method);
  if (!known)
    return [
      `Buffer pH ${buffer.value}: the report does not say which buffer it is. It is left aside, and lime is estimated from texture. Give the method of buffer-pH: ${BUFFER_METHODS.join(', ')}.`,
    ];
  // where the pH is as old, its own doubt says that lime waits for a new report
  if (buffer.setAside)
    return findReading(readings, 'pH')?.setAside
      ? []
      : [`The buffer pH is left aside: ${buffer.setAside}. Lime is estimated from texture.`];
  const doubts: string[] = [];
  const soil = findReading(readings, 'pH');
  if (soil && soil.from.sampledOn > buffer.from.sampledOn)
    doubts.push(`The buffer pH is older than the soil pH it is used with: the lime that follows is an estimate.`);
  if (ph !== undefined && ph < BUFFER_JUDGED_BELOW_PH) {
    const cec = impliedCec(ph, buffer.value, known);
    if (cec < IMPLIED_CEC.least || cec > IMPLIED_CEC.most)
      doubts.push(
        `Soil pH ${fixed(ph, 1)} with a ${known.says} pH of ${buffer.value} contradict each other: they mean a CEC of ${threeDigits(Math.max(0, cec))}. Ask the laboratory to read both again.`,
      );
  }
  return doubts;
}

/** What looks wrong or uncertain in a zone's reports, each in a sentence that names it. */
export function findDoubts(facts: DoubtFacts): string[] {
  const { zone, tests, readings } = facts;
  const test = tests[0];
  if (!test) return [];
  const doubts: string[] = [...aboutUnits(test, readings), ...aboutAge(facts)];
  const group = groupOfTexture(zone.texture);
  const water = waterPh(readings);
  const carbonate = carbonateStanding(zone, readings);
  const fed = zone.applied?.find(
    (a) => a.date <= test.sampledOn && daysBetween(a.date, test.sampledOn) < WAIT_AFTER_FEEDING_DAYS,
  );
  if (fed)
    doubts.push(
      `Sampled ${daysBetween(fed.date, test.sampledOn)} days after something was spread; 6 to 8 weeks are wanted, or the sample shows the bag and not the soil.`,
    );
  const phReading = findReading(readings, 'pH');
  if (phReading?.qualifier)
    doubts.push(
      `pH is printed as ${phReading.qualifier}${phReading.reported}: a bound, judged only where all that is left lies on one side of the window.`,
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
  for (const reading of readings)
    if (reading.reportedUnit === '%' && reading.value === undefined)
      doubts.push(
        `${analyteName(reading.analyte)} is printed as percent of CEC, and no CEC is on a report: it cannot be judged.`,
      );
  const p = findReading(readings, 'P');
  if (p?.method === 'olsen' && water && water.ph < OLSEN_FROM_PH)
    doubts.push(
      `Phosphorus by Olsen at pH ${fixed(water.ph, 1)}: the method was made for limy soils, and reads doubtful below pH ${OLSEN_FROM_PH}. Mehlich-3 or Bray P1 suits.`,
    );
  doubts.push(...aboutBuffer(water?.ph, readings));
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
  if (water && water.ph >= FIZZ_TEST_FROM_PH - 1e-9 && carbonate === 'unknown')
    doubts.push(
      `pH ${fixed(water.ph, 1)} and no fizz test: put a drop of acid on the soil before thinking of sulfur. Free lime begins near pH ${FIZZ_TEST_FROM_PH}.`,
    );
  const ec = findReading(readings, 'EC');
  if (ec?.value !== undefined && ec.method === undefined)
    doubts.push(
      `Salinity of ${threeDigits(ec.value)} dS/m: the report does not say in which extract. It is taken as ${methodName('water-1:2')}; a paste reads two to three times as much.`,
    );
  const sodium = exchangeableSodiumOf(readings);
  if (sodium && sodium.by === 'Na over CEC' && carbonate === 'present')
    doubts.push(
      'Exchangeable sodium is reckoned over a CEC that free lime inflates: it is more than it seems. Ask for SAR.',
    );
  return doubts;
}
