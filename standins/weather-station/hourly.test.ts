import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hourlyWeatherSchema, hoursOf, type WeatherHour } from '../../core/climate/hourly-weather';
import { addDays } from '../../core/days/day';
import type { GoFacts } from '../../core/field/go';
import { goByHour } from '../../core/field/hours';
import { isRefusal } from '../../core/reckoning/refusal';
import { hourlyWeather } from './hourly';
import { STATIONS } from './stations';
import { dailyWeather } from './weather-station';

const facts: GoFacts = {
  material: 'granular',
  season: 'cool',
  carries: 'potash',
  textureGroup: 'loam',
  ground: 'firm',
  turf: 'growing',
};

describe('the simulated hours', () => {
  const asked = (given: object) => {
    const answer = hourlyWeather(given);
    if (isRefusal(answer)) throw new Error(answer.refused);
    return answer;
  };
  it('make the high, the low and the rain of their day to the last digit', () => {
    for (const { id } of STATIONS) {
      const daily = dailyWeather({ station: id, from: '2027-02-01', to: '2027-02-08' });
      if (isRefusal(daily)) throw new Error(daily.refused);
      const { hourly } = asked({ station: id, observed: '2027-02-01T00', hours: 192 });
      daily.daily.date.forEach((date, d) => {
        const of = (list: readonly number[]) => list.slice(d * 24, d * 24 + 24);
        expect(hourly.at[d * 24]).toBe(`${date}T00`);
        expect(Math.max(...of(hourly.tempF))).toBe(daily.daily.highF[d]);
        expect(Math.min(...of(hourly.tempF))).toBe(daily.daily.lowF[d]);
        expect(of(hourly.rainIn).reduce((a, b) => a + Math.round(b * 100), 0)).toBe(
          Math.round(daily.daily.rainIn[d]! * 100),
        );
      });
    }
  });
  it('are the same in every range, and a forecast is the same each time it is asked', () => {
    const whole = asked({ station: 'lakeshore', observed: '2027-05-01T00', hours: 96 }).hourly;
    const part = asked({ station: 'lakeshore', observed: '2027-05-02T07', hours: 20 }).hourly;
    expect(part.tempF).toEqual(whole.tempF.slice(31, 51));
    expect(part.rainIn).toEqual(whole.rainIn.slice(31, 51));
    const query = { station: 'piedmont', forecast: '2027-05-02T07', hours: 240 };
    expect(asked(query)).toEqual(asked(query));
    expect(hourlyWeatherSchema.isValidSync(asked(query))).toBe(true);
    const observed = asked({ station: 'piedmont', observed: '2027-05-02T07', hours: 48 });
    expect(hourlyWeatherSchema.isValidSync(observed)).toBe(true);
  });
  it('err more the further they look ahead', () => {
    let [near, far] = [0, 0];
    for (let d = 0; d < 60; d++) {
      const day = addDays('2027-03-01', d);
      const told = asked({ station: 'river-valley', forecast: `${day}T00`, hours: 240 }).hourly.tempF;
      const came = asked({ station: 'river-valley', observed: `${day}T00`, hours: 240 }).hourly.tempF;
      near += Math.abs(told[12]! - came[12]!);
      far += Math.abs(told[228]! - came[228]!);
    }
    expect(far).toBeGreaterThan(2 * near);
    expect(near).toBeGreaterThan(0);
  });
  it('rain as often as their chance says', () => {
    const bins = new Map<string, { said: number; came: number; n: number }>();
    for (const { id } of STATIONS)
      for (let d = 0; d < 120; d += 3) {
        const day = addDays('2027-04-01', d);
        const told = asked({ station: id, forecast: `${day}T00`, hours: 96 }).hourly;
        const came = asked({ station: id, observed: `${day}T00`, hours: 96 }).hourly.rainIn;
        told.rainChancePercent.forEach((chance, i) => {
          const key = chance < 5 ? 'dry' : chance < 40 ? 'perhaps' : 'likely';
          const bin = bins.get(key) ?? { said: 0, came: 0, n: 0 };
          bins.set(key, { said: bin.said + chance / 100, came: bin.came + (came[i]! > 0 ? 1 : 0), n: bin.n + 1 });
        });
      }
    for (const { said, came, n } of bins.values()) {
      expect(n).toBeGreaterThan(200);
      expect(Math.abs(said / n - came / n)).toBeLessThan(0.12);
    }
  });
  it('never open a job by worse weather', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...STATIONS.map(({ id }) => id)),
        fc.integer({ min: 0, max: 360 }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.double({ min: 0, max: 15, noNaN: true }),
        (station, offset, windMph, rainIn, warmer) => {
          const asked = hourlyWeather({ station, forecast: `${addDays('2027-01-03', offset)}T05`, hours: 120 });
          if (isRefusal(asked)) throw new Error(asked.refused);
          const hours = hoursOf(asked);
          const worse = hours.map((hour) => ({
            ...hour,
            windMph: hour.windMph + windMph,
            rainIn: hour.rainIn + rainIn,
            tempF: hour.tempF + warmer,
          }));
          const of = (given: WeatherHour[]) => goByHour(given, given[0]!.at, 40, () => facts);
          const [before, after] = [of(hours), of(worse)];
          before.forEach((hour, i) => {
            // warmth can dry no leaf here and thaw a frosted one: such hours are left out
            if (hour.reasons.includes('leaf')) return;
            if (hour.verdict === 'wait') expect(after[i]!.verdict).toBe('wait');
          });
        },
      ),
      { numRuns: 25, seed: 7 },
    );
  });
  it.each([
    [{ station: 'nowhere', forecast: '2027-05-02T07', hours: 5 }, 'Station must be one of'],
    [{ station: 'lakeshore', forecast: '2027-05-02T24', hours: 5 }, 'written like 2027-09-06T05'],
    [{ station: 'lakeshore', forecast: '2027-02-30T05', hours: 5 }, 'written like 2027-09-06T05'],
    [{ station: 'lakeshore', forecast: '2027-05-02T07', hours: 241 }, 'Hours'],
    [{ station: 'lakeshore', hours: 5 }, 'one of them'],
  ])('refuse %j', (given, says) => {
    expect(hourlyWeather(given)).toMatchObject({ refused: expect.stringContaining(says) as string });
  });
});
