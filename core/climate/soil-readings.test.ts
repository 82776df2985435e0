import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readCase } from '../files/case-file';
import type { Zone } from '../records/case';
import { isRefusal } from '../reckoning/refusal';
import { planSeason } from '../season/draft/plan-season';
import { correctedSoil, correctionSays, HOLDS_DAYS, soilReadingsOf } from './soil-readings';
import { soilTemperatureByDay } from './soil-temperature';

/** A year between 35 and 75 deg F, warmest in mid July. */
const air = Array.from({ length: 365 }, (_, day) => 55 - 20 * Math.cos((2 * Math.PI * (day - 15)) / 365));
const normal = soilTemperatureByDay(air);
const reading = (on: string, valueF: number, depthIn = 3) => ({ on, valueF, depthIn });

describe('a soil thermometer that was read', () => {
  it('moves the curve on its day by what it was off, to 37 % of it in two weeks, and not before it', () => {
    // 1 April is day 90
    const off = 6;
    const { soilF, corrections } = correctedSoil(air, 2027, [reading('2027-04-01', (normal[90] as number) + off)]);
    expect(soilF[89]).toBe(normal[89]);
    expect(soilF[90]! - normal[90]!).toBeCloseTo(off, 9);
    expect(soilF[104]! - normal[104]!).toBeCloseTo(off / Math.E, 9);
    expect(soilF[90 + HOLDS_DAYS]).toBe(normal[90 + HOLDS_DAYS]);
    expect(corrections).toEqual([
      { on: '2027-04-01', byF: expect.closeTo(off, 9) as number, until: '2027-05-13', doubted: false },
    ]);
    expect(correctionSays(corrections[0]!)).toBe(
      '1 Apr: soil 6 deg F over the climate’s curve; it fades until 13 May.',
    );
  });
  it('is taken over by the next one; two of one day count together', () => {
    const { soilF } = correctedSoil(air, 2027, [
      reading('2027-04-01', (normal[90] as number) + 8),
      reading('2027-04-11', (normal[100] as number) - 2),
      reading('2027-04-11', (normal[100] as number) + 4),
    ]);
    expect(soilF[99]! - normal[99]!).toBeCloseTo(8 * Math.exp(-9 / 14), 9);
    expect(soilF[100]! - normal[100]!).toBeCloseTo(1, 9);
  });
  it('of another depth is held against the curve of that depth', () => {
    const deep = soilTemperatureByDay(air, 8);
    expect(correctedSoil(air, 2027, [reading('2027-04-01', deep[90] as number, 8)]).soilF).toEqual(normal);
    // a departure at 8 in was larger at 3 in
    const { soilF } = correctedSoil(air, 2027, [reading('2027-04-01', (deep[90] as number) + 5, 8)]);
    expect(soilF[90]! - normal[90]!).toBeGreaterThan(5);
    expect(soilF[90]! - normal[90]!).toBeLessThan(8);
  });
  it('so far off that no soil is so, is shown and not reckoned with', () => {
    const { soilF, corrections } = correctedSoil(air, 2027, [reading('2027-07-10', 12)]);
    expect(soilF).toEqual(normal);
    expect(corrections[0]?.doubted).toBe(true);
    expect(correctionSays(corrections[0]!)).toContain('not reckoned with');
  });
  it('of late December is felt in January, of other years not at all', () => {
    const { soilF } = correctedSoil(air, 2027, [reading('2026-12-28', (normal[361] as number) + 7)]);
    expect(soilF[0]! - normal[0]!).toBeCloseTo(7 * Math.exp(-4 / 14), 9);
    expect(correctedSoil(air, 2027, [reading('2026-06-01', 99), reading('2028-02-01', 99)])).toEqual({
      soilF: normal,
      corrections: [],
    });
  });
  it('never moves a day by more than the largest departure, whatever is read', () => {
    const some = fc.array(
      fc.record({
        day: fc.integer({ min: 0, max: 364 }),
        off: fc.double({ min: -29, max: 29, noNaN: true }),
      }),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(some, (list) => {
        const readings = list
          .map(({ day, off }) =>
            reading(new Date(Date.UTC(2027, 0, 1 + day)).toISOString().slice(0, 10), (normal[day] as number) + off),
          )
          .sort((a, b) => a.on.localeCompare(b.on));
        const most = Math.max(0, ...list.map(({ off }) => Math.abs(off)));
        const { soilF } = correctedSoil(air, 2027, readings);
        for (const [day, value] of soilF.entries())
          expect(Math.abs(value - normal[day]!)).toBeLessThanOrEqual(most + 1e-9);
      }),
    );
  });
});

describe('readings of a property', () => {
  it('are those that were typed: what a simulated instrument showed moves nothing', () => {
    const zones = [
      {
        readings: [
          { on: '2027-04-02', instrument: 'soil-thermometer', value: 60, depthIn: 4 },
          { on: '2027-04-01', instrument: 'soil-thermometer', value: 61, simulated: true },
          { on: '2027-04-01', instrument: 'ph-pen', value: 6.1 },
        ],
      },
      { readings: [{ on: '2027-03-01', instrument: 'soil-thermometer', value: 44 }] },
    ] as unknown as Zone[];
    expect(soilReadingsOf(zones)).toEqual([reading('2027-03-01', 44, 3), reading('2027-04-02', 60, 4)]);
  });
  it('reach the season that is planned, marked', () => {
    const given = readCase(readFileSync('demo/okonedo-residence.json', 'utf8'));
    if (isRefusal(given)) throw new Error(given.refused);
    const before = planSeason(given, 2027);
    const [first, ...others] = given.zones as [Zone, ...Zone[]];
    const warm: Zone = {
      ...first,
      readings: [{ on: '2027-04-01', instrument: 'soil-thermometer', value: before.soilF[90]! + 9, depthIn: 3 }],
    };
    const after = planSeason({ ...given, zones: [warm, ...others] }, 2027);
    expect(before.soilCorrections).toEqual([]);
    expect(after.soilCorrections).toHaveLength(1);
    expect(after.soilF[90]! - before.soilF[90]!).toBeCloseTo(9, 6);
    expect(after.soilF.slice(0, 90)).toEqual(before.soilF.slice(0, 90));
  });
});
