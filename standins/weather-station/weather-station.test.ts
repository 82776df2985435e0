import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isRefusal } from '../../core/reckoning/refusal';
import { normalsOf } from '../../core/climate/normals';
import { addDays, daysBetween } from '../../core/days/day';
import { STATIONS } from './stations';
import { type DailyWeather, dailyWeather, listStations } from './weather-station';

const days = (station: string, from: string, to: string): DailyWeather => {
  const answer = dailyWeather({ station, from, to });
  if (isRefusal(answer)) throw new Error(answer.refused);
  return answer;
};
const asDays = ({ daily }: DailyWeather) =>
  daily.date.map((date, i) => ({
    date,
    highF: daily.highF[i]!,
    lowF: daily.lowF[i]!,
    rainIn: daily.rainIn[i]!,
  }));

describe('the simulated weather station', () => {
  it('says of each of its stations that it is simulated', () => {
    expect(listStations().every((s) => s.name.includes('(simulated)'))).toBe(true);
    expect(new Set(STATIONS.map((s) => s.id)).size).toBe(STATIONS.length);
  });
  it('gives each day once, the same whatever range it is asked in', () => {
    const whole = asDays(days('lakeshore', '2024-01-01', '2024-12-31'));
    expect(whole).toHaveLength(366);
    fc.assert(
      fc.property(fc.nat(300), fc.nat(60), (start, length) => {
        const [from, to] = [addDays('2024-01-01', start), addDays('2024-01-01', start + length)];
        expect(asDays(days('lakeshore', from, to))).toEqual(whole.slice(start, start + length + 1));
      }),
      { numRuns: 20, seed: 3 },
    );
  });
  it('wanders about its own normals: thirty years come within 3 deg F of each month and a seventh of the year’s rain', () => {
    for (const station of STATIONS) {
      const normals = normalsOf(asDays(days(station.id, '1997-01-01', '2026-12-31')));
      if (isRefusal(normals)) throw new Error(normals.refused);
      station.highF.forEach((high, m) => expect(Math.abs(normals.climate.meanHighF[m]! - high)).toBeLessThan(3));
      station.lowF.forEach((low, m) => expect(Math.abs(normals.climate.meanLowF[m]! - low)).toBeLessThan(3));
      const year = (rain: readonly number[]) => rain.reduce((a, b) => a + b, 0);
      expect(year(normals.climate.rainIn as number[]) / year(station.rainIn)).toBeGreaterThan(0.85);
      expect(year(normals.climate.rainIn as number[]) / year(station.rainIn)).toBeLessThan(1.15);
    }
  });
  it('has no two years alike, and warm days after warm days', () => {
    const [a, b] = [days('piedmont', '2025-03-01', '2025-05-31'), days('piedmont', '2026-03-01', '2026-05-31')];
    expect(a.daily.highF).not.toEqual(b.daily.highF);
    const long = days('piedmont', '2010-06-01', '2010-08-30').daily.lowF;
    const mean = long.reduce((x, y) => x + y, 0) / long.length;
    const product = (lag: number) =>
      long.slice(lag).reduce((sum, low, i) => sum + (low - mean) * (long[i]! - mean), 0) / (long.length - lag);
    expect(product(1) / product(0)).toBeGreaterThan(0.3);
  });
  it('never lets a low pass its high', () => {
    for (const station of STATIONS)
      for (const day of asDays(days(station.id, '2026-01-01', '2026-12-31'))) {
        expect(day.highF).toBeGreaterThan(day.lowF);
        expect(day.rainIn).toBeGreaterThanOrEqual(0);
      }
  });
  it.each([
    [{ station: 'nowhere', from: '2026-01-01', to: '2026-01-02' }, 'Station must be one of'],
    [{ station: 'lakeshore', from: '2026-02-30', to: '2026-03-02' }, 'First day must be a day'],
    [{ station: 'lakeshore', from: '2026-03-02', to: '2026-03-01' }, 'lies before the first'],
    [{ station: 'lakeshore', from: '1900-01-01', to: '2026-03-01' }, 'at most are given'],
    [{ station: 'lakeshore', from: '2026-03-02', to: '2026-03-03', name: 'x' }, 'name'],
  ])('refuses %j', (asked, says) => {
    const answer = dailyWeather(asked);
    expect(isRefusal(answer) && answer.refused).toContain(says);
  });
  it('answers ten years at once', () => {
    const ten = days('gulf-plain', '2017-01-01', '2026-12-31');
    expect(ten.daily.date).toHaveLength(daysBetween('2017-01-01', '2026-12-31') + 1);
    expect(ten.daily.rainIn).toHaveLength(ten.daily.date.length);
  });
});
