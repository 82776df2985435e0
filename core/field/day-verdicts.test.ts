import fc from 'fast-check';
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { addDays } from '../days/day';
import { printWindowCalendar } from '../files/window-calendar';
import { goByDay, type WeatherDay, weatherOn } from './day-verdicts';
import type { GoFacts } from './go';

const FACTS: GoFacts = {
  material: 'granular',
  season: 'cool',
  carries: 'nitrogen',
  textureGroup: 'loam',
  ground: 'firm',
  turf: 'growing',
};
const fair = (i: number, over: Partial<WeatherDay> = {}): WeatherDay => ({
  date: addDays('2027-09-06', i),
  highF: 72,
  lowF: 50,
  rainIn: 0,
  windMph: 6,
  ...over,
});

describe('go by the day', () => {
  it('waits on the day that is windy, wet or hot, and goes on the others', () => {
    const days = [fair(0), fair(1, { windMph: 11 }), fair(2, { rainIn: 0.6 }), fair(3, { highF: 86 }), fair(4)];
    const found = goByDay(days, () => FACTS);
    expect(found.map(({ verdict }) => verdict)).toEqual(['go', 'wait', 'wait', 'wait', 'go']);
    expect(found.map(({ reasons }) => reasons.join())).toEqual(['', 'wind', 'rain24', 'heat', '']);
  });
  it('sees a frost of the days after, whatever the order they were typed in', () => {
    const days = [fair(3, { lowF: 24 }), fair(0), fair(4)];
    expect(weatherOn(days, '2027-09-06')).toMatchObject({ lowestLowF: 24 });
    expect(goByDay(days, () => FACTS).map(({ verdict }) => verdict)).toEqual(['wait', 'wait', 'go']);
  });
  it('knows nothing of a day that was not typed', () => {
    expect(weatherOn([fair(0)], '2027-10-01')).toEqual({});
  });
  it('never turns to go by more wind, more rain or more heat', () => {
    const most = fc.record({
      windMph: fc.integer({ min: 0, max: 30 }),
      rainIn: fc.double({ min: 0, max: 2, noNaN: true }),
      highF: fc.integer({ min: 55, max: 100 }),
    });
    fc.assert(
      fc.property(most, most, (day, more) => {
        const verdict = (over: Partial<WeatherDay>) => goByDay([fair(0, over)], () => FACTS)[0]?.verdict;
        const worse = {
          windMph: day.windMph + more.windMph,
          rainIn: day.rainIn + more.rainIn,
          highF: Math.max(day.highF, more.highF),
        };
        if (verdict(day) === 'wait') expect(verdict(worse)).toBe('wait');
      }),
    );
  });
});

describe('a window taken along', () => {
  it('is read by another parser: its hours in local time, a reminder, the same name for the same job', () => {
    const of = { key: 'mill-front/2027-09-06/urea', title: 'Front: Urea', says: '6.2 lb product' };
    const text = printWindowCalendar({ from: '2027-09-10T07', to: '2027-09-10T10' }, of, '2027-09-06T09:00:00Z');
    const calendar = new ICAL.Component(ICAL.parse(text) as ConstructorParameters<typeof ICAL.Component>[0]);
    const event = new ICAL.Event(calendar.getFirstSubcomponent('vevent')!);
    expect(event.startDate.toString()).toBe('2027-09-10T07:00:00');
    expect(event.endDate.toString()).toBe('2027-09-10T11:00:00');
    expect(event.startDate.zone.tzid).toBe('floating');
    expect(event.component.getAllSubcomponents('valarm')).toHaveLength(1);
    const later = printWindowCalendar({ from: '2027-09-11T07', to: '2027-09-11T10' }, of, '2027-09-06T09:00:00Z');
    expect(later).toContain(`UID:${event.uid}`);
  });
});
