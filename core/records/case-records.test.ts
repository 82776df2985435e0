import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isRefusal } from '../reckoning/refusal';
import { groundOf } from '../ground/zone-ground';
import { printCase, readCase } from '../files/case-file';
import { type Case, checkCase, type Zone } from './case';
import { onSheet, printGeoJson, readGeoJson } from '../files/ground-files';

const zone = (change: Partial<Zone>): Zone => ({
  id: 'z',
  name: 'Z',
  areaSqFt: 100,
  grass: 'tall-fescue',
  texture: 'loam',
  ...change,
});
const caseOf = (change: Partial<Case>): unknown => ({
  format: 'ubertas-case',
  version: 1,
  property: { id: 'p', name: 'P' },
  zones: [zone({})],
  ...change,
});
const refused = (change: Partial<Case>): string => {
  const answer = checkCase(JSON.parse(JSON.stringify(caseOf(change))));
  return isRefusal(answer) ? `${answer.field}: ${answer.refused}` : 'taken';
};

describe('the records of Ground and Sample in a case file', () => {
  it('come back as they were written', () => {
    const whole = caseOf({
      property: {
        id: 'p',
        name: 'P',
        site: {
          water: [
            {
              id: 'w',
              name: 'brook',
              cornersFt: [
                [0, 0],
                [9, 0],
                [9, 9],
              ],
              keptClearFt: 15,
            },
          ],
          context: [
            {
              id: 'b',
              name: 'house',
              cornersFt: [
                [0, 0],
                [9, 0],
                [9, 9],
              ],
            },
          ],
          origin: [-77.2, 38.6],
          picture: { dataUrl: 'data:image/png;base64,AAAA', widthPx: 10, heightPx: 10, ftPerPx: 0.5, atFt: [0, 0] },
        },
      },
      zones: [
        zone({ id: 'a', offsets: { spacingFt: 25, offsetsFt: [18, 21, 24] }, atFt: [10, 10], turnDeg: -90 }),
        zone({
          id: 'b',
          triangle: { aFt: 3, bFt: 4, cFt: 5 },
          handTest: { on: '2027-01-02', ball: 'holds', ribbon: 'under-1', rub: 'smooth' },
        }),
        zone({
          id: 'c',
          ellipse: { lengthFt: 20, widthFt: 20 },
          fractions: { sandPercent: 22, siltPercent: 60, clayPercent: 18 },
          lastYearNitrogenLb: 2.5,
        }),
        zone({
          id: 'd',
          cornersFt: [
            [0, 0],
            [9, 0],
            [9, 9],
          ],
          ring: [
            [-77, 38],
            [-77.1, 38],
            [-77, 38.1],
          ],
          cutOuts: [{ id: 'x', kind: 'bed', name: 'roses', ellipse: { lengthFt: 2, widthFt: 2 }, atFt: [1, 1] }],
        }),
        zone({ id: 'e', readings: [{ on: '2027-01-02', instrument: 'ph-pen', value: 6.1, simulated: true }] }),
      ],
      samples: [
        {
          id: 's',
          zoneId: 'a',
          code: 'P-27-01',
          plannedOn: '2027-03-01',
          cores: 11,
          laboratory: 'simulated',
          receipt: 'abc',
        },
      ],
    }) as Case;
    const { format: _format, version: _version, ...rest } = whole;
    expect(readCase(printCase(rest))).toEqual(whole);
  });
  it.each<[string, Partial<Case>, string]>([
    ['a code no label could carry', { samples: [{ id: 's', zoneId: 'z', code: '=1' }] }, 'capital letters'],
    ['a sample of no zone', { samples: [{ id: 's', zoneId: 'gone', code: 'P-1' }] }, 'names zone "gone"'],
    [
      'a picture that is a script',
      {
        property: {
          id: 'p',
          name: 'P',
          site: {
            picture: { dataUrl: 'data:text/html;base64,AAAA', widthPx: 1, heightPx: 1, ftPerPx: 1, atFt: [0, 0] },
          },
        },
      },
      'PNG, JPEG or WebP',
    ],
    ['one offset', { zones: [zone({ offsets: { spacingFt: 5, offsetsFt: [3] } })] }, 'at least two'],
    ['a side of nothing', { zones: [zone({ triangle: { aFt: 0, bFt: 1, cFt: 1 } })] }, 'Side a must be above 0'],
    [
      'a hand test without its first answer',
      { zones: [zone({ handTest: { rub: 'smooth' } as never })] },
      'first answer',
    ],
    [
      'water without a width',
      { property: { id: 'p', name: 'P', site: { water: [{ id: 'w', cornersFt: [[0, 0]] } as never] } } },
      'kept clear',
    ],
    [
      'an instrument nobody knows',
      { zones: [zone({ readings: [{ on: '2027-01-02', instrument: 'nose' as never, value: 1 }] })] },
      'Instrument',
    ],
    [
      'two samples of one id',
      {
        samples: [
          { id: 's', zoneId: 'z', code: 'A' },
          { id: 's', zoneId: 'z', code: 'B' },
        ],
      },
      'share the id',
    ],
  ])('refuse %s', (_name, change, says) => expect(refused(change)).toContain(says));
});

describe('zones as GeoJSON', () => {
  it('come back with the same ground, wherever on earth and whatever their shape', () => {
    const star = fc.array(fc.double({ min: 20, max: 120, noNaN: true }), { minLength: 3, maxLength: 12 }).map((radii) =>
      radii.map((r, i): [number, number] => {
        const turn = (2 * Math.PI * i) / radii.length;
        return [200 + r * Math.cos(turn), 200 + r * Math.sin(turn)];
      }),
    );
    const origin = fc.tuple(
      fc.double({ min: -179, max: 179, noNaN: true }),
      fc.double({ min: -65, max: 65, noNaN: true }),
    );
    fc.assert(
      fc.property(star, origin, (cornersFt, at) => {
        const given = zone({ cornersFt });
        const before = groundOf(given, undefined);
        const printed = printGeoJson({ id: 'p', name: 'P', site: { origin: at } }, [given]);
        if (isRefusal(before) || isRefusal(printed)) return false;
        const back = readGeoJson(printed);
        if (isRefusal(back)) return false;
        const ring = back[0]?.ring ?? [];
        const after = groundOf(zone({ ring, cornersFt: onSheet(ring, at) as [number, number][] }), undefined);
        return !isRefusal(after) && Math.abs(after.areaSqFt / before.areaSqFt - 1) < 1e-5;
      }),
      { numRuns: 60 },
    );
  });
});
