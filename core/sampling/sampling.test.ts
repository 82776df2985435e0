import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Sample } from '../records/case';
import { regionOf, without } from '../ground/clip';
import type { Pair } from '../reckoning/inputs';
import { evaluate } from '../reckoning/define';
import { chainOf } from './chain';
import { coreCount } from './cores';
import { nextTest } from './retest';
import { nextSampleCode } from './sample-code';
import { samplingWait } from './wait';
import { regionArea, shrunk } from '../ground/clip';
import { EDGE_FT, zigzag } from './zigzag';

const square = (x: number, y: number, w: number, h: number): Pair[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];

describe('cores', () => {
  // common practice: one per 500-700 ft2, at least 10, at most 20
  it.each([
    [500, 10],
    [6000, 10],
    [6001, 11],
    [6480, 11],
    [11_200, 19],
    [12_000, 20],
    [90_000, 20],
  ])('%d ft2 needs %d', (areaSqFt, cores) => expect(evaluate(coreCount, { areaSqFt })).toBe(cores));
});

describe('the zigzag', () => {
  it('keeps 3 ft from every edge and goes from bank to bank along the longest side', () => {
    const corners = square(0, 0, 160, 70);
    const cores = zigzag(regionOf(corners), corners, 19);
    expect(cores).toHaveLength(19);
    for (const [x, y] of cores) {
      expect(Math.min(x, 160 - x, y, 70 - y)).toBeGreaterThanOrEqual(3 - 1e-9);
    }
    // a band of 3 ft takes no core, and the outermost is the outermost slice of what is left
    expect(EDGE_FT).toBe(3);
    expect(regionArea(shrunk(regionOf(corners), EDGE_FT))).toBeCloseTo(154 * 64, 0);
    expect(cores.map((c) => c[0])).toEqual([...cores.map((c) => c[0])].sort((a, b) => a - b));
    const across = cores.map((c) => c[1]);
    expect(Math.max(...across) - Math.min(...across)).toBeGreaterThan(40);
  });
  it('takes no core in a cut-out and walks no leg through one', () => {
    const corners = square(0, 0, 100, 60);
    const bed = square(40, 20, 20, 20);
    const cores = zigzag(without(regionOf(corners), regionOf(bed)), corners, 12, [bed]);
    expect(cores).toHaveLength(12);
    for (const [x, y] of cores) expect(x > 40 - 2.9 && x < 60 + 2.9 && y > 20 - 2.9 && y < 40 + 2.9).toBe(false);
    for (const [i, a] of cores.slice(1).entries()) {
      const b = cores[i] as Pair;
      for (let t = 0; t <= 1; t += 0.02) {
        const [x, y] = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
        expect(x > 40.01 && x < 59.99 && y > 20.01 && y < 39.99).toBe(false);
      }
    }
  });
  it('finds room on ground too narrow for the margin', () => {
    const corners = square(0, 0, 60, 4);
    expect(zigzag(regionOf(corners), corners, 10)).toHaveLength(10);
  });
  it('always gives the number asked for, inside the lawn', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 12, max: 300 }),
        fc.integer({ min: 12, max: 300 }),
        fc.integer({ min: 0, max: 11 }),
        fc.integer({ min: 1, max: 20 }),
        (w, h, lean, count) => {
          const corners: Pair[] = [
            [0, 0],
            [w, lean],
            [w - lean, h],
            [lean, h],
          ];
          const cores = zigzag(regionOf(corners), corners, count);
          return cores.length === count && cores.every(([x, y]) => x >= 0 && x <= w && y >= 0 && y <= h);
        },
      ),
    );
  });
});

describe('the wait after feeding', () => {
  const products = [{ id: 'pcu', name: 'Coated urea', guaranteed: { N: 42 } }] as never;
  const applied = [{ date: '2026-08-10', productId: 'pcu', zoneLb: 11 }];
  it('counts 56 days from the last thing spread', () => {
    expect(samplingWait({ applied }, products, '2026-09-08')).toMatchObject({
      standing: 'wait',
      from: '2026-10-05',
      last: { daysAgo: 29, productName: 'Coated urea' },
    });
    expect(samplingWait({ applied }, products, '2026-10-04').standing).toBe('wait');
    expect(samplingWait({ applied }, products, '2026-10-05').standing).toBe('clear');
    expect(samplingWait({}, products, '2026-10-05').standing).toBe('free');
  });
  it('names a planned dose that would start it again, and not one after the sampling', () => {
    const planned = [
      { date: '2026-09-14', productId: 'pcu' },
      { date: '2026-10-20', productId: 'pcu' },
    ];
    expect(samplingWait({ applied }, products, '2026-10-06', planned, '2026-09-08').restarts).toEqual({
      date: '2026-09-14',
      productName: 'Coated urea',
    });
    expect(
      samplingWait({ applied }, products, '2026-12-20', [planned[1] as never], '2026-09-08').restarts,
    ).toBeUndefined();
  });
});

describe('the chain from bag to report', () => {
  const sample = (change: Partial<Sample>): Sample => ({ id: 's', zoneId: 'z', code: 'QLS-27-01', ...change });
  it('goes from done to expected, one step at a time', () => {
    const chain = chainOf(
      sample({
        takenOn: '2027-02-17',
        cores: 11,
        takenBy: 'RA',
        baggedOn: '2027-02-19',
        sentOn: '2027-02-20',
        expectedOn: '2027-02-27',
      }),
      '2027-02-24',
    );
    expect(chain.map((s) => [s.id, s.state, s.on])).toEqual([
      ['taken', 'done', '2027-02-17'],
      ['bagged', 'done', '2027-02-19'],
      ['sent', 'done', '2027-02-20'],
      ['back', 'now', '2027-02-27'],
    ]);
    expect(chain[0]?.says).toBe('11 cores, by RA');
    expect(chain[1]?.says).toBe('dried 2 days');
    expect(chain[3]?.says).toBe('day 4 of 7');
  });
  it('says late and wait in words', () => {
    expect(
      chainOf(sample({ takenOn: '2027-02-17', baggedOn: '2027-02-19', sentOn: '2027-02-20' }), '2027-03-01')[3],
    ).toMatchObject({ state: 'late', says: '2 days late' });
    expect(chainOf(sample({ plannedOn: '2027-02-17' }), '2027-02-10', '2027-03-05')[0]).toMatchObject({
      state: 'wait',
      on: '2027-03-05',
    });
    expect(chainOf(sample({ plannedOn: '2027-02-17' }), '2027-02-18')[0]?.says).toBe('1 day late');
  });
});

describe('codes and the next test', () => {
  it('takes the next free number', () => {
    expect(nextSampleCode('Quarry Lane School', 2027, ['QLS-27-01', 'QLS-26-02'])).toBe('QLS-27-02');
    expect(nextSampleCode('Élan vital', 2030, [])).toBe('EV-30-01');
    expect(nextSampleCode('***', 2007, [])).toBe('S-07-01');
  });
  it('comes after one year while the pH is corrected, else after two', () => {
    expect(nextTest('2026-10-12', true).on).toBe('2027-10-12');
    expect(nextTest('2024-02-29', false).on).toBe('2026-02-28');
  });
});
