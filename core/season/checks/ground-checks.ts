import { phosphorusNeedsTest, setbackFt } from '../rules/local-codes';
import { check, dosesIn, type Facts, ifAny } from './check';

/** What the ground itself and the code about it forbid. */

const setback = check({
  id: 'setback',
  kind: 'ground',
  title: 'Distance to water',
  rule: 'Nothing is spread within the setback from open water.',
  measure: ({ zoneSeason: { zone }, codes, doses }: Facts) => {
    const least = setbackFt(codes);
    const distance = zone.waterDistanceFt;
    return distance !== undefined && distance < least && doses.length > 0
      ? { found: `${distance} ft of ${least} ft`, distance, least }
      : undefined;
  },
  standing: () => 'warn',
  says: ({ distance, least }) =>
    `Water is ${distance} ft away: nothing goes within ${least} ft of it. Measure the zone without that strip.`,
});

const phosphorusTest = check({
  id: 'phosphorus-test',
  kind: 'ground',
  title: 'Phosphorus without a test',
  rule: 'Where the code asks for a soil test, no phosphorus without one.',
  measure: ({ zoneSeason: { prescription }, codes, doses }: Facts) => {
    const untested = phosphorusNeedsTest(codes) && !prescription.tested;
    const phosphate = untested ? doses.filter((d) => (d.delivers.P2O5 ?? 0) > 0) : [];
    const { establishment } = prescription;
    const starter = establishment !== undefined && phosphate.every((d) => d.date === establishment.on);
    return ifAny({ found: dosesIn(phosphate), doses: phosphate, starter });
  },
  standing: ({ starter }) => (starter ? 'warn' : 'fail'),
  says: ({ starter }) =>
    starter
      ? 'The local code allows no phosphorus without a soil test, and this zone has none. Most codes exempt the starter of a new stand: check with the authority, or take a sample first.'
      : 'The local code allows no phosphorus without a soil test, and this zone has none.',
});

export const GROUND_CHECKS = [setback, phosphorusTest];
