import { describe, expect, it } from 'vitest';
import { addDays } from '../days/day';
import { isRefusal } from '../reckoning/refusal';
import { readClimateCsv } from './climate-csv';

/** Tables in the layouts in which weather services publish; every number in them is invented. */
const read = (source: string) => {
  const answer = readClimateCsv(source);
  if (isRefusal(answer)) throw new Error(answer.refused);
  return answer;
};
const refused = (source: string): string => {
  const answer = readClimateCsv(source);
  return isRefusal(answer) ? answer.refused : 'was read';
};
/** A year of days: a high in deg C of 10 in January rising to 30 in July, a low 12 under it, 2.5 mm of rain a day. */
const year = (line: (date: string, highC: number, lowC: number, day: number) => string) =>
  Array.from({ length: 365 }, (_, day) => {
    const highC = 20 - 10 * Math.cos((2 * Math.PI * day) / 365);
    return line(addDays('2025-01-01', day), highC, highC - 12, day);
  }).join('\n');
/** The year's means by hand: of the cosine over July's days, and over January's less 12. */
const meanF = (from: number, to: number, less: number) =>
  (Array.from({ length: to - from }, (_, i) => 20 - 10 * Math.cos((2 * Math.PI * (from + i)) / 365) - less).reduce(
    (a, b) => a + b,
    0,
  ) /
    (to - from)) *
    1.8 +
  32;
const [JULY_F, JANUARY_LOW_F] = [meanF(181, 212, 0), meanF(0, 31, 12)];
const months = (line: (month: number) => string) => Array.from({ length: 12 }, (_, i) => line(i + 1)).join('\n');

describe('a table of a weather service', () => {
  it('of daily codes is in tenths of deg C and mm, its flags and other columns left out, nothing where 9999 or a trace stands', () => {
    const { climate, says } = read(
      `"STATION","DATE","NAME","PRCP","PRCP_ATTRIBUTES","SNOW","TMAX","TMAX_ATTRIBUTES","TMIN"\n${year(
        (date, high, low, day) =>
          `"X1","${date}","Nowhere","${day % 7 === 0 ? 'T' : 25}",",,N","0","${day === 40 ? 9999 : Math.round(high * 10)}",",,W","${Math.round(low * 10)}"`,
      )}`,
    );
    expect(climate.meanHighF[6]).toBeCloseTo(JULY_F, 1);
    expect(climate.meanLowF[0]).toBeCloseTo(JANUARY_LOW_F, 1);
    expect(climate.rainIn?.[3]).toBeCloseTo((25 * 2.5) / 25.4, 0);
    expect(says).toContain('tenths of deg C and of mm, as the highs reach 300');
    expect(says).toContain('364 days');
  });
  it('of whole deg C is told by a year that gets no warmer than 30, and one in deg F is left as it is', () => {
    const celsius = read(
      `date,tmax,tmin,prcp\n${year((date, high, low) => `${date},${high.toFixed(1)},${low.toFixed(1)},2.5`)}`,
    );
    expect(celsius.climate.meanHighF[6]).toBeCloseTo(JULY_F, 1);
    expect(celsius.climate.rainIn?.[0]).toBeCloseTo((31 * 2.5) / 25.4, 3);
    expect(celsius.says).toContain('deg C and mm, as the year gets no warmer than 30');
    const ours = read(`date,TMAX,TMIN,PRCP\n${year((date, high) => `${date},${Math.round(high * 1.8 + 32)},30,0.1`)}`);
    expect(ours.climate.meanHighF[6]).toBeCloseTo(JULY_F, 1);
    expect(ours.climate.rainIn?.[0]).toBeCloseTo(3.1, 9);
    expect(ours.says).not.toContain('read as');
  });
  it('of monthly normals by its codes, the year’s own line and the spread of its months left out', () => {
    const { climate, kind } = read(
      `STATION,DATE,MLY-TMAX-NORMAL,MLY-TMAX-STDDEV,MLY-TMIN-NORMAL,MLY-PRCP-NORMAL\n${months(
        (month) =>
          `X1,${String(month).padStart(2, '0')},${50 + month},2.1,${30 + month},${(2 + month / 10).toFixed(2)}`,
      )}\nX1,Annual,60,1,40,30`,
    );
    expect(kind).toBe('monthly');
    expect(climate.meanHighF).toEqual(Array.from({ length: 12 }, (_, i) => 51 + i));
    expect(climate.rainIn?.[11]).toBeCloseTo(3.2, 9);
  });
  it('with its months as columns, under notes', () => {
    const { climate } = read(
      `Climate normals 1991-2020\nStation: Nowhere\n\nElement,Jan,Feb,Mar,Apr,May,Jun,Jul,Aug,Sep,Oct,Nov,Dec,Year\nMean daily maximum (°C),5,7,11,16,21,25,28,27,23,17,11,6,16\nMean daily minimum (°C),-4,-3,1,5,10,15,18,17,13,7,2,-2,7\nHighest temperature (°C),20,22,27,31,34,36,38,37,35,31,25,21,38\nPrecipitation (mm),60,55,70,80,90,85,95,90,75,65,70,65,900`,
    );
    expect(climate.meanHighF[0]).toBeCloseTo(41, 9);
    expect(climate.meanLowF[11]).toBeCloseTo(28.4, 9);
    expect(climate.rainIn?.[4]).toBeCloseTo(90 / 25.4, 9);
  });
  it('with year, month and day, or the day of the year, in columns of their own', () => {
    const byDay = read(
      `YEAR,MO,DY,T2M_MAX,T2M_MIN,PRECTOTCORR\n${year((date, high, low) => `${date.slice(0, 4)},${Number(date.slice(5, 7))},${Number(date.slice(8))},${high.toFixed(2)},${low.toFixed(2)},2.5`)}`,
    );
    const byPlace = read(
      `YEAR,DOY,T2M_MAX,T2M_MIN,PRECTOTCORR\n${year((date, high, low, day) => `${date.slice(0, 4)},${day + 1},${high.toFixed(2)},${low.toFixed(2)},2.5`)}`,
    );
    expect(byDay.climate).toEqual(byPlace.climate);
    expect(byDay.climate.meanHighF[6]).toBeCloseTo(JULY_F, 1);
  });
  it('of several stations is refused by their names, and one without days in words', () => {
    expect(refused('STATION,DATE,TMAX,TMIN\nA,2025-01-01,40,20\nB,2025-01-01,41,21')).toBe(
      'The table holds 2 stations, among them A and B. Keep the lines of one.',
    );
    expect(refused('STATION,TMAX,TMIN\nA,40,20')).toContain('“month” or “date”');
    expect(refused('')).toContain('There is nothing in it');
  });
});
