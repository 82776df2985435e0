import { type IsoDay, yearsBetween } from '../days/day';
import type { Analyte, Product, SoilTest, Zone } from '../records/case';
import { sayDate } from '../words/days';
import { limeKindOf } from '../lime/lime-label';
import { type Reading, readResult, withPercents } from './report';

/** From this age a value is shown and not prescribed from, years (A6). Common practice. */
export const OLD_AFTER_YEARS = 3;
/** CEC, organic matter, carbonate and texture move slowly and keep so long, years (A6). Common practice. */
export const SLOW_FACTS_KEEP_YEARS = 10;
const SLOW_FACTS: readonly Analyte[] = ['CEC', 'OM', 'CaCO3'];

export interface MergeFacts {
  zone: Zone;
  /** Reports of the zone, newest first. */
  tests: readonly SoilTest[];
  /** Day against which age is judged (A7); without it nothing is old. */
  asOf?: IsoDay;
  /** What the log's product ids mean: lime between a buffer and its pH makes the buffer worthless. */
  products?: readonly Product[];
}

const yearsOld = (reading: Reading, asOf: IsoDay): number => yearsBetween(reading.from.sampledOn, asOf);

function tooOld(reading: Reading, asOf: IsoDay | undefined): string | undefined {
  // a table of many samples may not say when they were taken
  if (asOf === undefined || reading.from.sampledOn === '') return undefined;
  const keep = SLOW_FACTS.includes(reading.analyte) ? SLOW_FACTS_KEEP_YEARS : OLD_AFTER_YEARS;
  const years = yearsOld(reading, asOf);
  return years > keep
    ? `of ${sayDate(reading.from.sampledOn)}, over ${keep} years old: shown, not prescribed from`
    : undefined;
}

/** Days on which lime went down on a zone, by its log. */
export const limedOn = (zone: Zone, products: readonly Product[]): IsoDay[] => {
  const limes = new Set(products.filter((p) => limeKindOf(p) !== undefined).map((p) => p.id));
  return (zone.applied ?? []).filter((a) => limes.has(a.productId)).map((a) => a.date);
};

/**
 * The newest value of each analyte over all reports of a zone, each with the report it stands on (A6). A report of pH alone
 * takes nothing away of P, K, Mg or a buffer. What is too old stays, marked as set aside; so does a buffer after which lime
 * went down before its pH was measured again. May full, November pH only: K, P, Mg of May, pH of November.
 */
export function mergedReadings({ zone, tests, asOf, products = [] }: MergeFacts): Reading[] {
  const taken = new Map<Analyte, Reading[]>();
  for (const test of tests) {
    const here = new Map<Analyte, Reading[]>();
    for (const result of test.results) {
      const reading = readResult(result, test);
      here.set(reading.analyte, [...(here.get(reading.analyte) ?? []), reading]);
    }
    for (const [analyte, readings] of here) if (!taken.has(analyte)) taken.set(analyte, readings);
  }
  const merged = withPercents([...taken.values()].flat());
  const ph = merged.find((r) => r.analyte === 'pH');
  const limed = limedOn(zone, products);
  return merged.map((reading) => {
    const old = tooOld(reading, asOf);
    if (old) return { ...reading, setAside: old };
    const since = (day: IsoDay) => day > reading.from.sampledOn && ph !== undefined && day <= ph.from.sampledOn;
    return reading.analyte === 'buffer-pH' && limed.some(since)
      ? { ...reading, setAside: 'lime went down between it and the pH: the buffer no longer tells what is left' }
      : reading;
  });
}
