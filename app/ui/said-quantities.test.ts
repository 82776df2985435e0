import { describe, expect, it } from 'vitest';
import { COOL_SEASON_CHOICES } from '@core/season/rules/nitrogen-parts';
import { judgePlan } from '@core/season/checks/judge-plan';
import { someProperties } from '@core/season/any-property.fixture';
import { HIGH_PH_SCHOOLS, LATE_SEASON_SCHOOLS, POTASSIUM_SCHOOLS } from '@core/season/rules/practice-schools';
import { PURPOSE_CAUTIONS } from '@core/season/rules/cautions';
import { shortfallsOf, shortfallWords } from '@core/season/shortfalls/shortfalls';
import { ALL_GRASSES } from '@core/packs/grasses';
import { workOf } from '../work/property-work';
import { Units, US_UNITS } from './format';

const si = new Units({ ...US_UNITS, system: 'si' });
const hectares = new Units({ ...US_UNITS, system: 'si', nutrientRate: 'kg/ha' });
const german = new Units({ ...US_UNITS, system: 'us', locale: 'de-DE' });

/** What may stay: a laboratory's own unit, and the custom of the furrow slice. */
const ITS_OWN = /lb\/acre|lb of soil an acre in 6 2\/3 in|lb an acre in 6 2\/3 in/g;
/** A US unit with its number before it, or an area of one behind it. */
const US_LEFT =
  /\d (?:lb|oz|fl oz|gal|ft|mph|miles?|sq ft|ft2)\b|\d (?:deg F|°F)|per 1000\b|\d in(?=[.,;:)]|$| of | deep)/;

/** Every sentence in something that was reckoned; figures have their units by themselves. */
function sentencesIn(value: unknown, found = new Set<string>(), seen = new Set<object>()): Set<string> {
  if (typeof value === 'string') {
    if (value.includes(' ')) found.add(value);
  } else if (typeof value === 'object' && value !== null && !seen.has(value) && !('reckoning' in value)) {
    seen.add(value);
    for (const [key, each] of Object.entries(value))
      if (!['cite', 'unit', 'name', 'source'].includes(key)) sentencesIn(each, found, seen);
  }
  return found;
}

describe('sentences of the core', () => {
  it.each([
    ['0.75 of 1.00 lb N', '3.7 of 4.9 g N/m²'],
    [
      'One day brings 1.10 lb soluble N per 1000, over the ceiling of 0.90 lb soluble N.',
      'One day brings 5.4 g soluble N per m², over the ceiling of 4.4 g soluble N/m².',
    ],
    [
      '2 oz product per 1000 in 3 gal of water per 1000 or more; 12 fl oz in 4.5 gal here',
      '0.61 g product per m² in 12.2 L of water per 100 m² or more; 355 mL in 17.0 L here',
    ],
    ['Mean air down to 31 deg F; fed from 50 deg F.', 'Mean air down to −0.6 °C; fed from 10.0 °C.'],
    // a distance of 9 deg F is 5 deg C, not −12.8
    ['soil 9 deg F over the climate’s curve', 'soil 5.0 °C over the climate’s curve'],
    ['−4 deg F', '−20.0 °C'],
    ['A third dose waits for a pH of the top 0 to 2 in.', 'A third dose waits for a pH of the top 0 to 51 mm.'],
    ['The spray of 3 in May; 2 doses in spring', 'The spray of 3 in May; 2 doses in spring'],
    ['84 lb/acre of K', '84 lb/acre of K'],
    ['2,000,000 lb of soil an acre in 6 2/3 in, means', '2,000,000 lb of soil an acre in 6 2/3 in, means'],
    ['12 miles away, 300 ft higher', '19 km away, 91 m higher'],
    ['18-0-3 in spring, 4,250 sq ft', '18-0-3 in spring, 395 m²'],
    ['"12 ft" is not; write 12 ft', '"12 ft" is not; write 3.66 m'],
  ])('in SI: %s', (us, says) => expect(si.said(us)).toBe(says));
  it('say nutrients per hectare where that was chosen', () => {
    expect(hectares.said('0.75 of 1.00 lb N per 1000')).toBe('37 of 49 kg N per ha');
  });
  it('have the signs of the locale, but not in grades and dates', () => {
    expect(german.said('1,250.5 lb product of 18-0-3 on 2027-04-05, pH 5.6.')).toBe(
      '1.250,5 lb product of 18-0-3 on 2027-04-05, pH 5,6.',
    );
    expect(new Units().said('1,250.5 lb product, pH 5.6')).toBe('1,250.5 lb product, pH 5.6');
  });
  it('of any property leave no US unit in SI', () => {
    const left = new Set<string>();
    let count = 0;
    const all = [
      ...[...HIGH_PH_SCHOOLS, ...LATE_SEASON_SCHOOLS, ...POTASSIUM_SCHOOLS, ...Object.values(COOL_SEASON_CHOICES)],
      PURPOSE_CAUTIONS,
      ...ALL_GRASSES.map(({ note }) => note),
      ...someProperties({ min: 1, max: 2 }, 'any', 1812, 40).flatMap((given): unknown[] => {
        const { file, season } = workOf(given, '2027-04-05', null);
        return [
          season.zones.map(({ prescription, read, unplaced, doses, parts }) => ({
            prescription,
            read,
            unplaced,
            parts,
            why: doses.map(({ why }) => why),
          })),
          judgePlan(file, season),
          shortfallsOf(file, season).flatMap((short) => [shortfallWords(short), short.cure.says]),
        ];
      }),
    ];
    for (const sentence of sentencesIn(all)) {
      count += 1;
      const said = si.said(sentence);
      if (US_LEFT.test(said.replace(ITS_OWN, ''))) left.add(`${sentence} | ${said}`);
    }
    expect([...left]).toEqual([]);
    expect(count).toBeGreaterThan(300);
  });
});
