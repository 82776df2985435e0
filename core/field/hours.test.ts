import { describe, expect, it } from 'vitest';
import type { WeatherHour } from '../climate/hourly-weather';
import { addDays } from '../days/day';
import { type GoFacts, goLines, verdictOf } from './go';
import { goByHour, goUntil, hoursNeeded, sunOf, weatherAt, windowsOf } from './hours';

const DAY = '2027-09-06';
const calm = (h: number, more: Partial<WeatherHour> = {}): WeatherHour => ({
  at: `${addDays(DAY, Math.floor(h / 24))}T${String(h % 24).padStart(2, '0')}`,
  tempF: 70,
  rainIn: 0,
  rainChancePercent: 0,
  windMph: 4,
  gustMph: 6,
  humidityPercent: 60,
  ...more,
});
const days = (n: number, change: (h: number) => Partial<WeatherHour> = () => ({})) =>
  Array.from({ length: n * 24 }, (_, h) => calm(h, change(h)));
const facts: GoFacts = {
  material: 'granular',
  season: 'cool',
  carries: 'nitrogen',
  textureGroup: 'loam',
  ground: 'firm',
  turf: 'growing',
};
const judged = (hours: WeatherHour[], given: Partial<GoFacts> = {}) =>
  goByHour(hours, `${DAY}T00`, 40, () => ({ ...facts, ...given }));
const WEEK = { weekFrom: DAY, weekEnds: addDays(DAY, 6), lastDay: addDays(DAY, 20) };

describe('the hours of a forecast', () => {
  it('are open by daylight on quiet days', () => {
    const [first] = windowsOf(judged(days(4)), 1, WEEK);
    const { riseHour, setHour } = sunOf(40, DAY);
    // 40 degrees north in early September: near 12.8 h of sun (FAO-56, eq. 34)
    expect(setHour - riseHour).toBeGreaterThan(12.5);
    expect(setHour - riseHour).toBeLessThan(13.1);
    expect(first).toMatchObject({ from: `${DAY}T06`, to: `${DAY}T17`, hours: 12 });
  });
  it('wait for wind, gusts, rain to come, heat, frost and a wet leaf, each by its own name', () => {
    const at = (change: (h: number) => Partial<WeatherHour>, hour: number) =>
      judged(days(4, change)).find(({ at }) => at === calm(hour).at)?.reasons;
    expect(at((h) => (h === 10 ? { windMph: 10.1 } : {}), 10)).toEqual(['wind']);
    expect(at((h) => (h === 10 ? { windMph: 10 } : {}), 10)).toEqual([]);
    expect(at((h) => (h === 10 ? { gustMph: 15.5 } : {}), 10)).toEqual(['gust']);
    expect(at((h) => (h === 20 ? { rainIn: 0.6, rainChancePercent: 80 } : {}), 10)).toEqual(['rain24']);
    // the day before it starts is in the last 24 h of the sum, the hour after it is not
    expect(at((h) => (h === 34 ? { rainIn: 0.6, rainChancePercent: 80 } : {}), 10)).toEqual([]);
    expect(at((h) => (h === 15 ? { tempF: 86 } : {}), 8)).toEqual(['heat']);
    expect(at((h) => (h === 40 ? { tempF: 24 } : {}), 10)).toEqual(['frost']);
    expect(at((h) => (h === 10 ? { humidityPercent: 90 } : {}), 10)).toEqual(['leaf']);
    expect(at((h) => (h === 10 ? { rainIn: 0.01, rainChancePercent: 100 } : {}), 13)).toEqual(['leaf']);
    expect(at((h) => (h === 10 ? { rainIn: 0.01, rainChancePercent: 100 } : {}), 14)).toEqual([]);
  });
  it('count unlikely rain by its chance and likely rain whole', () => {
    const sum = (chance: number) =>
      weatherAt(
        days(3, (h) => (h === 5 ? { rainIn: 1, rainChancePercent: chance } : {})),
        0,
        40,
      ).rainNext24In;
    expect(sum(29)).toBeCloseTo(0.29, 12);
    expect(sum(30)).toBe(1);
  });
  it('do not know what lies beyond the forecast, and what is not known is asked', () => {
    const last = judged(days(2)).at(-2);
    expect(last).toMatchObject({ verdict: 'ask', reasons: ['rain24'] });
  });
  it('give windows in the week before windows after it, the quiet before the windy, and none too short or after the last day', () => {
    const hours = days(9, (h) => ({ windMph: h < 24 ? 8 : h < 48 ? 3 : h < 168 ? 12 : 2 }));
    const found = windowsOf(judged(hours), 2, WEEK);
    expect(found.map(({ from }) => from.slice(0, 10))).toEqual([addDays(DAY, 1), DAY, addDays(DAY, 7)]);
    expect(windowsOf(judged(hours), 13, WEEK)).toEqual([]);
    expect(windowsOf(judged(hours), 2, { ...WEEK, lastDay: DAY })).toHaveLength(1);
    expect(hoursNeeded(50, false)).toBe(1);
    expect(hoursNeeded(61, true)).toBe(6);
  });
  it('say until when it is go: the first hour that is not, or sunset', () => {
    const from = (hours: WeatherHour[], hour: number) => goUntil(goByHour(hours, calm(hour).at, 40, () => facts));
    expect(
      from(
        days(4, (h) => (h === 15 ? { windMph: 14 } : {})),
        9,
      ),
    ).toBe(15);
    expect(from(days(4), 9)).toBe(18);
    expect(from(days(4), 2)).toBeUndefined();
    expect(
      from(
        days(4, () => ({ windMph: 14 })),
        9,
      ),
    ).toBeUndefined();
  });
});

describe('what a label says of the hour', () => {
  const base = { material: 'spray', season: 'cool', carries: 'iron', textureGroup: 'loam' } as const;
  const fine = {
    ...base,
    ground: 'firm',
    turf: 'growing',
    leaf: 'dry',
    windMph: 6,
    rainNext24In: 0,
    highF: 72,
  } as const;
  it('holds where it is stricter than ours, at its limit it passes, and it never loosens ours', () => {
    const standing = (over: object) => verdictOf(goLines({ ...fine, ...over }));
    expect(standing({})).toBe('go');
    expect(standing({ mostWindMph: 5 })).toBe('wait');
    expect(standing({ mostWindMph: 6 })).toBe('go');
    expect(standing({ windMph: 12, mostWindMph: 20 })).toBe('wait');
    expect(standing({ mostAirF: 70 })).toBe('wait');
    expect(standing({ highF: 90, mostAirF: 100 })).toBe('wait');
    expect(standing({ leastAirF: 75 })).toBe('wait');
    expect(standing({ leastAirF: 72 })).toBe('go');
    expect(standing({ leastAirF: 50, highF: undefined })).toBe('ask');
  });
  it('asks for the heat of what does not burn only where its label has a limit', () => {
    const lime = { ...fine, material: 'granular', carries: 'lime', highF: undefined } as const;
    expect(goLines(lime).some(({ id }) => id === 'heat')).toBe(false);
    expect(goLines({ ...lime, mostAirF: 85 }).find(({ id }) => id === 'heat')).toMatchObject({
      standing: 'ask',
      limit: 85,
    });
  });
  it('lets two days hold no less rain than the first of them', () => {
    const lines = goLines({ ...fine, rainNext24In: 0.4, rainNext48In: 0 });
    expect(lines.find(({ id }) => id === 'rain48')?.value).toBe(0.4);
  });
  it('is how long a spray dries', () => {
    expect(hoursNeeded(50, true)).toBe(5);
    expect(hoursNeeded(50, true, 2)).toBe(3);
    expect(hoursNeeded(50, false, 2)).toBe(1);
  });
});
