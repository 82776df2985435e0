import { describe, expect, it } from 'vitest';
import type { HourlyWeather } from '../climate/hourly-weather';
import { addDays } from '../days/day';
import { printFieldDay } from '../files/field-results';
import { isRefusal } from '../reckoning/refusal';
import type { Case } from '../records/case';
import { GOOD, okonedo } from '../season/front-lawn.fixture';
import { fieldDay, type FieldDayAsked } from './field-day';

const DATE = '2027-05-03';
const KEPT: Case = { ...okonedo, plans: [{ id: 'plan-2027', year: 2027, keptOn: '2027-03-01', doses: GOOD }] };
const day = (asked: Partial<FieldDayAsked> = {}, file: Case = KEPT) => {
  const found = fieldDay(file, { date: DATE, ...asked });
  if (isRefusal(found)) throw new Error(found.refused);
  return printFieldDay(found);
};
/** Fair hours of three days: 60 to 70 deg F, light wind, dry. */
const hours = (over: Partial<HourlyWeather['hourly']> = {}): HourlyWeather => {
  const all = Array.from({ length: 72 }, (_, i) => i);
  const each = (value: number) => all.map(() => value);
  return {
    station: { id: 'st', name: 'Station', latitudeDeg: 40 },
    issued: `${DATE}T00`,
    units: {},
    hourly: {
      at: all.map((i) => `${addDays(DATE, Math.floor(i / 24))}T${String(i % 24).padStart(2, '0')}`),
      tempF: all.map((i) => 60 + (i % 24 >= 10 && i % 24 < 18 ? 10 : 0)),
      rainIn: each(0),
      rainChancePercent: each(5),
      windMph: each(5),
      gustMph: each(8),
      windFromDeg: each(200),
      humidityPercent: each(55),
      cloudPercent: each(30),
      ...over,
    },
  };
};
const forecast = { forecast: hours() };
const first = (asked: Partial<FieldDayAsked> = {}, file: Case = KEPT) => {
  const job = day({ zoneId: GOOD[0]!.zoneId, ...asked }, file).jobs.find(({ plannedOn }) => plannedOn === DATE);
  if (!job) throw new Error('no job of the day');
  return job;
};

describe('the day of the field', () => {
  it('has no jobs of a plan that was never saved, and says so', () => {
    expect(day({}, { ...KEPT, plans: [{ id: 'p', year: 2027, doses: GOOD }] })).toMatchObject({
      jobs: [],
      says: expect.stringContaining('not saved'),
    });
    expect(day({ date: '2029-05-03' }).jobs).toEqual([]);
  });

  it('lists what was due before and what comes within the days that are asked for', () => {
    const keys = (days: number) => day({ days }).jobs.map(({ key }) => key);
    expect(keys(14).length).toBeLessThan(keys(366).length);
    expect(keys(366)).toEqual(expect.arrayContaining(keys(14)));
    expect(keys(366).length).toBe(GOOD.length);
  });

  it('refuses a zone and a person that the file does not have, and names those it has', () => {
    expect(fieldDay(KEPT, { date: DATE, zoneId: 'gone' })).toMatchObject({
      field: 'zone',
      refused: expect.stringContaining(KEPT.zones[0]!.id),
    });
    expect(fieldDay(KEPT, { date: DATE, operatorId: 'x' })).toMatchObject({ field: 'operator' });
  });

  it('never says go while nobody has looked at ground and turf', () => {
    expect(first({ forecast }).go).toMatchObject({ verdict: 'ask', reasons: ['ground', 'turf'], until: null });
    expect(first().go.reasons).toEqual(expect.arrayContaining(['ground', 'turf', 'wind', 'rain24']));
  });

  it('judges each hour of the forecast and offers windows of daylight before the last day', () => {
    const job = first({ forecast });
    expect(job.hours).toHaveLength(72);
    expect(job.hours.some(({ verdict, night }) => verdict === 'go' && !night)).toBe(true);
    expect(job.windows.length).toBeGreaterThan(0);
    for (const { from, to } of job.windows) expect(from <= to && from.slice(0, 10) <= job.lastDay).toBe(true);
    const windy = { forecast: hours({ windMph: hours().hourly.windMph.map(() => 14) }) };
    expect(first({ forecast: windy }).windows).toEqual([]);
    expect(first({ forecast: windy }).go).toMatchObject({ verdict: 'wait', reasons: ['wind'] });
  });

  it('takes nothing from a forecast that is older than a day', () => {
    const job = first({ forecast: { forecast: { ...hours(), issued: addDays(DATE, -2) + 'T00' } } });
    expect(job.hours).toEqual([]);
    expect(job.go.reasons).toContain('wind');
  });

  it('weighs out what the passes share, and lays exactly that over the feet that are walked', () => {
    const job = first();
    expect(job.shares.reduce((a, b) => a + b, 0)).toBeCloseTo(job.weighOutLb, 9);
    expect(job.passes).toHaveLength(2);
    expect((job.passes[1]!.bearingDeg - job.passes[0]!.bearingDeg + 360) % 180).toBe(90);
    expect(job.passes.every(({ settingRateLb, minutes }) => settingRateLb > 0 && minutes > 0)).toBe(true);
  });

  it('walks with the spreader of the file and sets its gate by what it gave', () => {
    const target = first().passes[0]!.settingRateLb;
    const at = (opening: number, rate: number) => ({
      productId: first().productId,
      on: DATE,
      opening,
      caughtLb: (rate * 8 * 50) / 1000,
      swathFt: 8,
      distanceFt: 50,
    });
    const spreader = {
      id: 'wheel',
      name: 'Wheel',
      dialStep: 0.25,
      swathFt: 8,
      hopperLb: 3,
      catches: [at(3, target * 0.5), at(6, target * 2)],
    };
    const job = first({}, { ...KEPT, spreaders: [spreader] });
    expect(job.passes[0]!.spacingFt).toBeLessThanOrEqual(8);
    const opening = job.passes[0]!.opening!;
    expect(opening).toBeGreaterThan(3);
    expect(opening).toBeLessThan(6);
    expect((opening / 0.25) % 1).toBe(0);
    const { loadLb } = job.loads!;
    loadLb.forEach((loads, i) => {
      expect(loads.reduce((a, b) => a + b, 0)).toBeCloseTo(job.shares[i]!, 9);
      expect(Math.max(...loads)).toBeLessThanOrEqual(3 + 1e-9);
    });
  });

  it('measures a liquid out by the jug and walks no spreader for it', () => {
    const [product] = KEPT.products!.filter(({ id }) => id === first().productId);
    const liquid = { ...product!, form: 'liquid' as const, lbPerGal: 10 };
    const job = first({}, { ...KEPT, products: KEPT.products!.map((each) => (each.id === liquid.id ? liquid : each)) });
    // 10 lb to the gallon of 128 fl oz
    expect(job.measureOutFlOz).toBeCloseTo((job.weighOutLb / 10) * 128, 9);
    expect(job.passes).toEqual([]);
    expect(job.waterIn).toBeNull();
  });

  it('names the license that the code asks for, and who has it', () => {
    const licensed: Case = {
      ...KEPT,
      codes: [{ id: 'here', licenseNeeded: true }],
      operators: [{ id: 'ra', name: 'R. Amadi', licenseNumber: 'A-1' }],
    };
    expect(first({}, licensed).go).toMatchObject({ verdict: 'never', reasons: ['license'] });
    expect(first({ operatorId: 'ra' }, licensed).go.verdict).toBe('ask');
  });

  it('walks a job the way somebody turned it, and the others as they were', () => {
    const key = first().key;
    const turned = day({ bearings: { [key]: 37 } }).jobs;
    expect(turned.find((job) => job.key === key)?.passes[0]?.bearingDeg).toBe(37);
    const others = (jobs: ReturnType<typeof day>['jobs']) =>
      jobs.filter((job) => job.key !== key).map(({ passes }) => passes);
    expect(others(turned)).toEqual(others(day().jobs));
  });
});
