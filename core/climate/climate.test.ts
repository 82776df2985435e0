import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readCase } from '../files/case-file';
import { type Case, type Climate } from '../records/case';
import { printClimateCsv, readClimateCsv } from '../files/climate-csv';
import { CLIMATE_PRESETS } from '../packs/starter-shelf';
import { evaluate } from '../reckoning/define';
import { isRefusal, type Refusal } from '../reckoning/refusal';
import { climateYear, growthSeason } from './climate-year';
import { addDays, daysInYear, monthStarts } from '../days/day';
import { planSeason } from '../season/draft/plan-season';
import { grassOf } from '../packs/grasses';
import { dayLengthByDay, etoByDay, rainByDay, seasonLength } from './day-curves';
import { dailyCurve } from './daily-curve';
import { dayLength } from './day-length';
import { climateShift, moveProgramme } from '../season/edit/move-programme';
import { normalsOf, type WeatherDay } from './normals';
import { seasonTurns, seasonWindows } from '../season/plan/season-windows';

const climateOf = (id: string): Climate => {
  const preset = CLIMATE_PRESETS.find((p) => p.id === id);
  if (!preset) throw new Error(id);
  return preset.climate;
};
const good = <T>(given: T | Refusal): T => {
  if (isRefusal(given)) throw new Error(given.refused);
  return given;
};
const refusal = (given: unknown): string => {
  if (!isRefusal(given)) throw new Error('nothing was refused');
  return given.refused;
};
const demo = (file: string): Case => good(readCase(readFileSync(`demo/${file}`, 'utf8')));

describe('day length', () => {
  it('is 11.7 h at 20 degrees south on 3 September (FAO-56, example 9)', () => {
    expect(evaluate(dayLength, { latitudeDeg: -20, dayOfYear: 246 })).toBeCloseTo(11.7, 1);
  });
  it('is twelve hours at the equator, nothing in polar night, a whole day of midnight sun', () => {
    expect(evaluate(dayLength, { latitudeDeg: 0, dayOfYear: 10 })).toBeCloseTo(12, 9);
    expect(evaluate(dayLength, { latitudeDeg: 89, dayOfYear: 355 })).toBe(0);
    expect(evaluate(dayLength, { latitudeDeg: 89, dayOfYear: 172 })).toBe(24);
  });
  it('is one curve with the reckoning, and its summer mirrors the other half of the world', () => {
    const [north, south] = [dayLengthByDay(40, 365)!, dayLengthByDay(-40, 365)!];
    expect(north[171]).toBeCloseTo(evaluate(dayLength, { latitudeDeg: 40, dayOfYear: 172 }) as number, 9);
    north.forEach((hours, day) => expect(hours + (south[day] as number)).toBeCloseTo(24, 9));
    expect(dayLengthByDay(undefined, 365)).toBeUndefined();
  });
});

describe('curves by the day', () => {
  const given = demo('quarry-lane-school.json');
  const weather = climateYear(given.property.climate!, 2027);
  it('rains each month what its normal says', () => {
    const rain = rainByDay(given, 2027, 365)!;
    expect(rain.slice(0, 31).reduce((a, b) => a + b, 0)).toBeCloseTo(given.property.climate!.rainIn![0]!, 9);
  });
  it('evaporates nothing to speak of in winter and 4 to 8 mm a day in a mid-latitude summer (FAO-56 table 2)', () => {
    const eto = etoByDay(given, weather)!;
    expect(eto[195]! * 25.4).toBeGreaterThan(4);
    expect(eto[195]! * 25.4).toBeLessThan(8);
    expect(eto[5]! * 25.4).toBeLessThan(2);
    expect(etoByDay({ property: { ...given.property, latitudeDeg: undefined } }, weather)).toBeUndefined();
  });
  it('counts the days between two frosts', () => {
    const season = growthSeason(
      { ...climateOf('transition'), lastFrost: '04-15', firstFrost: '10-25' },
      climateYear(climateOf('transition'), 2027),
      grassOf('tall-fescue'),
    );
    const length = seasonLength(season);
    // 16 April to 24 October
    expect(length.frostFreeDays).toBe(192);
    expect(length.growingDays).toBeGreaterThan(length.bestGrowthDays);
  });
});

/** Days of a year that follow the normals to the letter, with rain of a thirtieth of the month. */
function daysLike(climate: Climate, years: readonly number[]): WeatherDay[] {
  return years.flatMap((year) =>
    Array.from({ length: daysInYear(year) }, (_, day) => {
      const date = addDays(`${year}-01-01`, day);
      const month = Number(date.slice(5, 7)) - 1;
      return { date, highF: climate.meanHighF[month]!, lowF: climate.meanLowF[month]!, rainIn: 0.1 };
    }),
  );
}

describe('normals of daily weather', () => {
  const climate = climateOf('cool-north');
  it('gives back the months the days were made of, rain as a month’s sum', () => {
    const normals = good(normalsOf(daysLike(climate, [2024, 2025, 2026])));
    normals.climate.meanHighF.forEach((high, month) => expect(high).toBeCloseTo(climate.meanHighF[month]!, 9));
    expect(normals.climate.rainIn?.[0]).toBeCloseTo(3.1, 9);
    // two Februaries of 28 days and one of 29
    expect(normals.climate.rainIn?.[1]).toBeCloseTo((2.8 + 2.8 + 2.9) / 3, 9);
    expect(normals).toMatchObject({ years: 3, days: 1096, firstDay: '2024-01-01', lastDay: '2026-12-31' });
  });
  it('takes the middle of the years’ frosts, the safer one of an even number, and none from half a year', () => {
    const mild = daysLike(
      { ...climate, meanHighF: Array(12).fill(60), meanLowF: Array(12).fill(40) } as Climate,
      [2023, 2024, 2025, 2026],
    );
    const frost = (date: string) => {
      mild.find((d) => d.date === date)!.lowF = 32;
    };
    ['2023-03-01', '2024-04-01', '2025-04-11', '2026-05-01'].forEach(frost);
    ['2023-10-01', '2024-10-11', '2025-11-01'].forEach(frost);
    const normals = good(normalsOf(mild));
    expect(normals.climate).toMatchObject({ lastFrost: '04-11', firstFrost: '10-11' });
    const rare = good(normalsOf(mild.map((d) => (d.date < '2025' ? { ...d, lowF: 40 } : d))));
    expect(rare.climate.firstFrost).toBeUndefined();
  });
  it('refuses a month with too few days, a day given twice and a low above its high', () => {
    const days = daysLike(climate, [2026]);
    expect(refusal(normalsOf(days.filter((d) => !d.date.startsWith('2026-05'))))).toContain('Month 5 has 0 days');
    expect(refusal(normalsOf([...days, days[3]!]))).toBe('2026-01-04 stands twice. Keep one of them.');
    expect(refusal(normalsOf(days.map((d) => ({ ...d, lowF: d.highF + 1 }))))).toContain('is above the high');
    expect(refusal(normalsOf([]))).toContain('no day');
  });
  it('leaves rain out where months of it were not reported whole', () => {
    const days = daysLike(climate, [2026]).map((d) =>
      d.date.startsWith('2026-07-1') ? { ...d, rainIn: undefined } : d,
    );
    expect(good(normalsOf(days)).climate.rainIn).toBeUndefined();
  });
});

describe('a climate as a table', () => {
  it('comes back as it was printed', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: -20, max: 90 }),
            fc.integer({ min: 0, max: 30 }),
            fc.double({ min: 0, max: 9, noNaN: true }),
          ),
          {
            minLength: 12,
            maxLength: 12,
          },
        ),
        (months) => {
          const climate = {
            meanHighF: months.map(([low, span]) => low + span),
            meanLowF: months.map(([low]) => low),
            rainIn: months.map(([, , rain]) => Number(rain.toFixed(2))),
          } as Climate;
          expect(good(readClimateCsv(printClimateCsv(climate))).climate).toEqual(climate);
        },
      ),
      { numRuns: 50, seed: 11 },
    );
  });
  const twelve = (line: (month: number) => string) => Array.from({ length: 12 }, (_, m) => line(m + 1)).join('\n');
  it('reads semicolons, any order of columns, month numbers, deg C and mm', () => {
    const { climate, kind } = good(readClimateCsv(`Rain mm;Low °C;High °C;Month\n${twelve((m) => `25.4;0;10;${m}`)}`));
    expect(kind).toBe('monthly');
    expect(climate.meanHighF[5]).toBe(50);
    expect(climate.meanLowF[5]).toBe(32);
    expect(climate.rainIn?.[5]).toBe(1);
  });
  it('draws normals from a table of days, and passes over days on which the station was out', () => {
    const rows = daysLike(climateOf('transition'), [2025, 2026]).map(
      (d) => `${d.date},${d.highF},${d.lowF},${d.rainIn}`,
    );
    rows[40] = '2025-02-10,,,';
    const read = good(readClimateCsv(`date,tmax F,tmin F,precipitation in\n${rows.join('\n')}`));
    expect(read).toMatchObject({ kind: 'daily', says: '729 days, 2025-01-01 to 2026-12-31' });
    expect(read.climate.meanHighF[1]).toBeCloseTo(45, 9);
  });
  it.each([
    ['', 'nothing in it'],
    ['high,low\n1,2', '“month” or “date”'],
    ['month,high\nJan,3', '“low” column'],
    ['month,high,low,max\nJan,3,1,2', 'second column for high'],
    ['month,high,low\nJan,3,1', 'Month 2 is missing'],
    ['month,high,low\nJan,3,1\nJan,3,1', 'Line 3: month 1 stands twice'],
    ['month,high,low\nSmarch,3,1', '“Smarch” is neither a month'],
    ['month,high,low\nJan,hot,1', 'Line 2, high'],
    ['month,high,low\nJan,1,3', 'the low is above the high'],
    ['date,high,low\n2026-01-01,1,0\n2026-02-30,1,0', 'is not a day'],
  ])('says what is wrong with %j', (source, says) => {
    expect(refusal(readClimateCsv(source))).toContain(says);
  });
  it('refuses rain for some months only and numbers no climate has', () => {
    expect(refusal(readClimateCsv(`month,high,low,rain\n${twelve((m) => `${m},60,40,${m > 6 ? 2 : ''}`)}`))).toContain(
      'Rain stands for 6',
    );
    expect(refusal(readClimateCsv(`month,high,low\n${twelve((m) => `${m},600,40`)}`))).toContain('140');
  });
});

describe('moving a programme to another climate', () => {
  const [north, south] = [climateOf('cool-north'), climateOf('warm-southeast')];
  it('leaves every day where it is in its own climate', () => {
    for (const { climate } of CLIMATE_PRESETS) {
      const shift = climateShift(climate, climate, 2027);
      for (let day = 0; day < 365; day++) {
        const date = addDays('2027-01-01', day);
        expect(shift(date)).toMatchObject({ date, matched: true });
      }
    }
  });
  it('squeezes both ends on the way north: later in spring, earlier in fall, at the same high (common practice)', () => {
    const shift = climateShift(south, north, 2027);
    const [spring, fall] = [shift('2027-03-29'), shift('2027-10-25')];
    expect(spring.date > '2027-04-20').toBe(true);
    expect(fall.date < '2027-10-05').toBe(true);
    for (const moved of [spring, fall]) {
      expect(moved.matched).toBe(true);
      expect(Math.abs(moved.thereF - moved.hereF)).toBeLessThan(0.6);
    }
  });
  it('says where a climate never gets so warm, and keeps such days in their order', () => {
    const shift = climateShift(climateOf('hot-dry-south'), north, 2027);
    expect(shift('2027-07-05').matched).toBe(false);
    const days = Array.from({ length: 280 }, (_, i) => shift(addDays('2027-02-15', i)).date);
    expect(days).toEqual([...days].sort());
    expect(days.every((d) => d.startsWith('2027'))).toBe(true);
  });
  it('never leaves the year and never throws, for any two climates', () => {
    const twelve = fc.array(fc.integer({ min: -10, max: 105 }), { minLength: 12, maxLength: 12 });
    fc.assert(
      fc.property(twelve, twelve, fc.integer({ min: 0, max: 364 }), (a, b, day) => {
        const climate = (highs: number[]) => ({ meanHighF: highs, meanLowF: highs.map((h) => h - 10) }) as Climate;
        const { date } = climateShift(climate(a), climate(b), 2027)(addDays('2027-01-01', day));
        expect(date.slice(0, 4)).toBe('2027');
      }),
      { numRuns: 300, seed: 5 },
    );
  });
  it('carries doses to Mondays of the other year, the same product never twice on a day, locks left behind', () => {
    const dose = (date: string, productId = 'urea') =>
      ({ zoneId: 'a', date, productId, for: 'N', rateLb: 2, locked: true }) as const;
    const moved = moveProgramme([dose('2026-04-06'), dose('2026-04-13'), dose('2026-04-06', 'potash')], north, south, {
      zoneId: 'b',
      year: 2027,
    });
    expect(moved.every((m) => new Date(`${m.dose.date}T00:00:00Z`).getUTCDay() === 1)).toBe(true);
    expect(new Set(moved.map((m) => `${m.dose.date}/${m.dose.productId}`)).size).toBe(3);
    expect(moved[0]?.dose).toMatchObject({ zoneId: 'b', rateLb: 2 });
    expect(moved[0]?.dose).not.toHaveProperty('locked');
    expect(moved[0]!.dose.date < '2027-04-01').toBe(true);
  });
});

describe('windows of the year', () => {
  const given = demo('quarry-lane-school.json');
  const plan = planSeason(given, 2027);
  it('closes no day that the season feeds, and gives every closed day of nitrogen a reason', () => {
    for (const zoneSeason of plan.zones) {
      const season = zoneSeason.season!;
      const windows = seasonWindows(zoneSeason, { ...plan, codes: [] });
      const noN = windows.filter((w) => ['frozen', 'heat', 'rest'].includes(w.kind));
      season.feeding.forEach((open, day) => {
        expect(noN.some((w) => day >= w.from && day <= w.to)).toBe(!open);
      });
      for (const w of windows) expect(w.because).toMatch(/\w.*\.$/);
    }
  });
  it('names the code’s closed dates, split where they pass the new year', () => {
    const code = {
      id: 'c',
      name: 'Winter closure',
      closed: [{ from: '11-15', to: '03-01', nutrients: ['N'] }],
    } as never;
    const closed = seasonWindows(plan.zones[0]!, { ...plan, codes: [code] }).filter((w) => w.kind === 'code');
    expect(closed.map((w) => [w.from, w.to])).toEqual([
      [0, 59],
      [318, 364],
    ]);
  });
  it('keeps two weeks about each lime dose for ammonium and urea', () => {
    const limed = plan.zones.find((z) => z.doses.some((d) => d.for === 'lime'))!;
    const around = seasonWindows(limed, plan).filter((w) => w.kind === 'lime');
    expect(around.length).toBe(limed.doses.filter((d) => d.for === 'lime').length);
    for (const w of around) expect(w.to - w.from).toBeLessThanOrEqual(26);
  });
  it('tells the days the year turns on in their order', () => {
    for (const zoneSeason of plan.zones) {
      const turns = seasonTurns(zoneSeason);
      expect(turns.map((t) => t.day)).toEqual(turns.map((t) => t.day).sort((a, b) => a - b));
      expect(turns.map((t) => t.title)).toContain('Last frost');
      expect(turns.some((t) => t.title === 'Full green')).toBe(zoneSeason.grass.season === 'warm');
    }
    expect(seasonTurns({ season: undefined })).toEqual([]);
  });
});

describe('a daily curve', () => {
  const months = fc.array(fc.double({ min: -20, max: 110, noNaN: true }), { minLength: 12, maxLength: 12 });
  it('has the mean of each month for any twelve, in any year, and goes on smoothly over every end of a month', () =>
    fc.assert(
      fc.property(months, fc.constantFrom(2027, 2028), (means, year) => {
        const days = dailyCurve(means, year);
        const starts = monthStarts(year);
        expect(days).toHaveLength(daysInYear(year));
        const widest = Math.max(...means) - Math.min(...means);
        starts.forEach((start, month) => {
          const its = days.slice(start, starts[month + 1]);
          expect(its.reduce((sum, day) => sum + day, 0) / its.length).toBeCloseTo(means[month]!, 8);
          // over the end of a month the slope turns no more than inside one
          const turn = (at: number) => {
            const [a, b, c] = [-1, 0, 1].map((by) => days[(at + by + days.length) % days.length]!) as [
              number,
              number,
              number,
            ];
            return Math.abs(c - 2 * b + a);
          };
          expect(turn(start)).toBeLessThan(0.06 * widest + 1e-9);
        });
      }),
    ));
  it('of one temperature is that temperature, and of whole numbers a year of them', () => {
    expect(new Set(dailyCurve(Array<number>(12).fill(87), 2027))).toEqual(new Set([87]));
  });
  it('follows the sun’s year: twelve means of a cosine come back within a tenth of its swing of 60 (exact by calculus)', () => {
    const cosine = (day: number) => 50 - 30 * Math.cos((2 * Math.PI * day) / 365);
    const starts = monthStarts(2027);
    const meanOf = (from: number, to: number) =>
      Array.from({ length: to - from }, (_, i) => cosine(from + i + 0.5)).reduce((a, b) => a + b, 0) / (to - from);
    const means = starts.map((start, month) => meanOf(start, starts[month + 1] ?? 365));
    const worst = Math.max(...dailyCurve(means, 2027).map((value, day) => Math.abs(value - cosine(day + 0.5))));
    expect(worst).toBeLessThan(0.3);
  });
});
