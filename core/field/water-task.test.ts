import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import type { Case, LocalCode, Run } from '../records/case';
import { okonedo } from '../season/front-lawn.fixture';
import { nextWatering } from './legal-watering';
import { hoursToWater, wateringOf, waterTasks } from './water-task';

const code = (localWatering: LocalCode['localWatering']): LocalCode => ({ id: 'here', localWatering });

describe('when a place lets a lawn be watered', () => {
  it.each<[string, LocalCode[], string, string | undefined]>([
    ['no code: at once', [], '2027-09-06T11:20', '2027-09-06T11:20'],
    [
      'not 10 to 18 h',
      [code({ closedHours: [{ from: '10:00', to: '18:00' }] })],
      '2027-09-06T11:20',
      '2027-09-06T18:00',
    ],
    [
      'at the end of the closed hours it is open',
      [code({ closedHours: [{ from: '10:00', to: '18:00' }] })],
      '2027-09-06T18:00',
      '2027-09-06T18:00',
    ],
    // 6 September 2027 is a Monday
    [
      'Tuesdays and Fridays only',
      [code({ weekdays: { all: ['Tue', 'Fri'] } })],
      '2027-09-06T11:20',
      '2027-09-07T00:00',
    ],
    [
      'closed over midnight',
      [code({ closedHours: [{ from: '20:00', to: '06:00' }] })],
      '2027-09-06T23:00',
      '2027-09-07T06:00',
    ],
    [
      'out of its season it binds nobody',
      [code({ weekdays: { all: [] }, season: { from: '06-01', to: '08-31' } })],
      '2027-09-06T11:20',
      '2027-09-06T11:20',
    ],
    ['a code that names no days closes none', [code({ weekdays: {} })], '2027-09-06T11:20', '2027-09-06T11:20'],
    ['never', [code({ weekdays: { all: [] } })], '2027-09-06T11:20', undefined],
    [
      'two codes, both hold',
      [code({ weekdays: { all: ['Tue'] } }), code({ closedHours: [{ from: '00:00', to: '05:30' }] })],
      '2027-09-06T11:20',
      '2027-09-07T05:30',
    ],
  ])('%s', (_what, codes, from, next) => {
    expect(nextWatering(codes, from)).toBe(next);
  });

  it('is never before it was asked for, and asked again it is the same moment', () => {
    const hour = fc.integer({ min: 0, max: 23 }).map((h) => `${String(h).padStart(2, '0')}:00`);
    fc.assert(
      fc.property(
        fc.array(fc.record({ from: hour, to: hour }), { maxLength: 3 }),
        fc.subarray(['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const, { minLength: 1 }),
        hour,
        (closedHours, all, at) => {
          const codes = [
            code({ closedHours: closedHours.filter(({ from, to }) => from !== to), weekdays: { all: [...all] } }),
          ];
          const from = `2027-09-06T${at}`;
          const next = nextWatering(codes, from);
          if (next === undefined) return;
          expect(next >= from).toBe(true);
          expect(nextWatering(codes, next)).toBe(next);
        },
      ),
    );
  });
});

describe('watering in', () => {
  const [zone] = okonedo.zones as [(typeof okonedo.zones)[0]];
  it('runs by what the sprinklers were measured to give, in cycles that the soil takes, steep ground in more of them', () => {
    expect(wateringOf({ ...zone, sprinklerInPerHour: undefined }, 0.25).run).toBeUndefined();
    // 0.25 in at 1.2 in/h is 12.5 min (worked by hand); loam takes 0.5 in/h: 3 cycles; half of it on a slope of 10 %: 5
    const flat = wateringOf({ areaSqFt: 6480, texture: 'loam', sprinklerInPerHour: 1.2 }, 0.25);
    expect(flat.run).toMatchObject({ minutes: 12.5, cycles: 3 });
    // 0.25 in on 6480 ft2 is 1009.87 gal of 231 in3
    expect(flat.gallons).toBeCloseTo(1009.87, 2);
    expect(
      wateringOf({ areaSqFt: 6480, texture: 'loam', sprinklerInPerHour: 1.2, slopePercent: 10 }, 0.25).run?.cycles,
    ).toBe(5);
  });

  const run = (more: Run['events'] = []): Run => ({
    id: 'r',
    zoneId: zone.id,
    productId: 'ammonium-sulfate-21',
    plannedOn: '2027-09-06',
    for: 'N',
    rateLb: 3.8,
    plannedLb: 14.7,
    areaSqFt: zone.areaSqFt,
    label: { name: 'Ammonium sulfate', percent: 21 },
    events: [
      { at: '2027-09-06T09:40:00-05:00', kind: 'started', weighedLb: 14.7 },
      { at: '2027-09-06T10:52:00-05:00', kind: 'finished' },
      { at: '2027-09-06T10:58:00-05:00', kind: 'weighed-back', backLb: 0.2 },
      { at: '2027-09-06T10:59:00-05:00', kind: 'signed' },
      ...more,
    ],
  });
  const tasks = (file: Partial<Case>, now = '2027-09-06T11:20') =>
    waterTasks({ ...okonedo, runs: [run()], ...file }, now);

  it('is due a day after the last pass for soluble nitrogen, until somebody says it is in', () => {
    expect(tasks({})).toMatchObject([{ by: '2027-09-07T10:52', depthIn: 0.25, isLate: false, isShut: false }]);
    expect(tasks({}, '2027-09-07T10:53')).toMatchObject([{ isLate: true }]);
    expect(tasks({ runs: [run([{ at: '2027-09-06T20:00:00-05:00', kind: 'watered', wateredBy: 'rain' }])] })).toEqual(
      [],
    );
  });
  it('is no task before the signature, a week later, or of what stays on the leaf', () => {
    const unsigned = { ...run(), events: run().events.slice(0, 3) };
    expect(tasks({ runs: [unsigned] })).toEqual([]);
    expect(tasks({}, '2027-09-14T09:00')).toEqual([]);
    const products = okonedo.products!.map((each) => ({ ...each, form: 'liquid' as const, lbPerGal: 10 }));
    expect(tasks({ products })).toEqual([]);
  });
  it('names the next moment the code allows, and says where none comes in time', () => {
    const evening = [code({ closedHours: [{ from: '10:00', to: '18:00' }] })];
    expect(tasks({ codes: evening })).toMatchObject([{ from: '2027-09-06T18:00', isShut: false }]);
    expect(tasks({ codes: [code({ weekdays: { all: ['Thu'] } })] })).toMatchObject([{ isShut: true }]);
    const dry = okonedo.zones.map((each) => ({ ...each, irrigated: false }));
    expect(tasks({ zones: dry, codes: [code({ weekdays: { all: ['Thu'] } })] })).toMatchObject([{ isShut: false }]);
  });

  it('counts the hours until it can be in: by the code with sprinklers, by sure rain without', () => {
    const hours = Array.from({ length: 30 }, (_, i) => ({
      at: `2027-09-0${6 + Math.floor(i / 24)}T${String(i % 24).padStart(2, '0')}`,
      tempF: 60,
      rainIn: i >= 10 ? 0.1 : 0,
      rainChancePercent: i === 11 ? 60 : 80,
      windMph: 4,
      gustMph: 6,
      humidityPercent: 50,
    }));
    const evening = [code({ closedHours: [{ from: '06:00', to: '18:00' }] })];
    expect(hoursToWater({ irrigated: true }, 0.25, evening, hours, 8)).toBe(10);
    expect(hoursToWater({ irrigated: true }, 0.25, [], hours, 8)).toBeUndefined();
    expect(hoursToWater({ irrigated: true }, 0.25, [code({ weekdays: { all: [] } })], hours, 8)).toBe(240);
    // 0.1 in at hours 10, 12 and 13; the one of 60 % does not count
    expect(hoursToWater({ irrigated: false }, 0.25, [], hours, 8)).toBe(5);
    expect(hoursToWater({ irrigated: false }, 9, [], hours, 8)).toBeUndefined();
  });
});
