import type { Case } from '../records/case';
import type { RulePacks } from '../packs/rule-packs';
import { interpretZone, SCHOOLS } from './interpret';
import type { IsoDay } from '../days/day';

/** A verdict that other packs would change. */
export interface VerdictChange {
  zoneId: string;
  zoneName: string;
  /** The analyte, with the school where it is not sufficiency, or 'pH'. */
  of: string;
  from: string;
  to: string;
}

/**
 * Verdicts on a property's reports that come out otherwise under other packs: what changing a table would mean, before it is changed.
 *
 * @param asOf day on which reports are judged for their age
 * @example verdictChanges(given, BUILT_IN_PACKS, ours, '2027-04-01') // [{ of: 'K', from: 'low', to: 'enough', … }]
 */
export function verdictChanges(given: Case, from: RulePacks, to: RulePacks, asOf: IsoDay): VerdictChange[] {
  const tests = given.soilTests ?? [];
  return given.zones.flatMap((zone) => {
    const verdicts = (packs: RulePacks): Map<string, string> =>
      new Map(
        SCHOOLS.flatMap((school) => {
          const read = interpretZone(zone, tests, { asOf, packs, school, products: given.products });
          const by =
            school === 'sufficiency' ? '' : ` by ${school === 'minimum' ? 'minimum levels' : 'base saturation'}`;
          return [
            ...(read.ph && school === 'sufficiency' ? [['pH', read.ph.place] as const] : []),
            ...read.findings.map((finding) => [`${finding.analyte}${by}`, finding.level] as const),
          ];
        }),
      );
    const [was, is] = [verdicts(from), verdicts(to)];
    return [...new Set([...was.keys(), ...is.keys()])].flatMap((of) => {
      const [a = 'not judged', b = 'not judged'] = [was.get(of), is.get(of)];
      return a === b ? [] : [{ zoneId: zone.id, zoneName: zone.name, of, from: a, to: b }];
    });
  });
}
