import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  dayAt,
  dayOfYear,
  daysInMonth,
  daysInYear,
  inMonthDaySpan,
  isIsoDay,
  isMonthDay,
  monthDayAt,
  monthStarts,
  placeOf,
  yearsBetween,
} from './day';

describe('a day', () => {
  it.each([
    '2027-13-01',
    '2027-02-29',
    '2027-00-10',
    '2027-04-31',
    '27-04-01',
    '2027-4-1',
    '',
    'tomorrow',
    '9999-99-99',
  ])('is not %s, which is no day and throws nothing', (text) => expect(isIsoDay(text)).toBe(false));
  it.each(['2027-03-02', '2028-02-29', '2000-02-29', '1999-12-31'])('is %s', (text) =>
    expect(isIsoDay(text)).toBe(true),
  );
  it('is told from any text without throwing', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^\d{4}-\d\d-\d\d$/)), (text) => {
        const is = isIsoDay(text);
        expect(typeof is).toBe('boolean');
        // a day that is one stands on its own place in its year
        if (is) expect(dayAt(Number(text.slice(0, 4)), dayOfYear(text))).toBe(text);
      }),
    );
  });
  it('of a month may be 29 February, and no 30 February', () => {
    expect([isMonthDay('02-29'), isMonthDay('02-30'), isMonthDay('13-01'), isMonthDay('4-15')]).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });
});

describe('leap years', () => {
  it('put every day after February a place later', () => {
    expect([placeOf(2027, '03-01'), placeOf(2028, '03-01')]).toEqual([59, 60]);
    expect([monthDayAt(2027, 60), monthDayAt(2028, 60)]).toEqual(['03-02', '03-01']);
    expect([daysInYear(2027), daysInYear(2028)]).toEqual([365, 366]);
    expect([daysInMonth('2027-02-10'), daysInMonth('2028-02-10')]).toEqual([28, 29]);
  });
  it('take 29 February for the 28th where a year has none', () => {
    expect([placeOf(2027, '02-29'), placeOf(2028, '02-29')]).toEqual([58, 59]);
    expect(inMonthDaySpan('02-29', '02-28', '03-10')).toBe(true);
  });
  it('start their months where the calendar does', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1900, max: 2200 }), (year) => {
        const starts = monthStarts(year);
        expect(starts.map((start) => dayAt(year, start).slice(8))).toEqual(Array.from({ length: 12 }, () => '01'));
        expect(addDays(dayAt(year, starts[11]!), 30)).toBe(`${year}-12-31`);
      }),
    );
  });
  it('leave a year between one birthday and the next within a quarter day', () => {
    expect(yearsBetween('2027-03-01', '2031-03-01')).toBeCloseTo(4, 2);
    expect(yearsBetween('2031-03-01', '2027-03-01')).toBeCloseTo(-4, 2);
  });
});
