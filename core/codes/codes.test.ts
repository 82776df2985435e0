import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LocalCode } from '../records/case';
import { isRefusal } from '../reckoning/refusal';
import { closesDay } from '../season/rules/local-codes';
import { typedMonthDay } from '../typed/typed-month-day';
import { cautionsUnder, SPREADING_CAUTIONS } from '../season/rules/cautions';
import { codeFaults } from './code-faults';
import { CODE_LINE_IDS, CODE_LINES, differences, stricterLines } from './code-lines';
import { codeReview, codesToReview } from './code-review';
import { closedDays, partsOfSpan } from './closed-spans';

const wrapping: LocalCode = { id: 'a', closed: [{ from: '11-15', to: '03-01', nutrients: ['N', 'P2O5'] }] };
const shipped: LocalCode = { id: 'b', closed: [{ from: '12-01', to: '02-28', nutrients: ['N', 'P2O5'] }] };

describe('closed dates', () => {
  it('wrap the year in two parts and count each day once', () => {
    expect(partsOfSpan(wrapping.closed![0]!)).toEqual([
      { from: 0, to: 59, part: 2 },
      { from: 318, to: 364, part: 1 },
    ]);
    // 16 of November, 31, 31, 28 and 1 of March
    expect(closedDays(wrapping.closed!, 'N')).toBe(107);
    expect(closedDays(shipped.closed!, 'N')).toBe(90);
    expect(closedDays([...wrapping.closed!, ...shipped.closed!], 'N')).toBe(107);
    expect(closedDays(wrapping.closed!, 'K2O')).toBe(0);
  });
  it('count the days on which the rule of the season closes', () => {
    const day = fc
      .integer({ min: 0, max: 364 })
      .map((n) => new Date(Date.UTC(2027, 0, 1 + n)).toISOString().slice(5, 10));
    fc.assert(
      fc.property(day, day, (from, to) => {
        const code: LocalCode = { id: 'a', closed: [{ from, to, nutrients: ['N'] }] };
        const year = Array.from({ length: 365 }, (_, n) =>
          new Date(Date.UTC(2027, 0, 1 + n)).toISOString().slice(0, 10),
        );
        const closed = year.filter((each) => closesDay(code, 'N', each)).length;
        const parts = partsOfSpan({ from, to });
        expect(closedDays(code.closed!, 'N')).toBe(closed);
        expect(parts.reduce((sum, part) => sum + part.to - part.from + 1, 0)).toBe(closed);
      }),
    );
  });
});

describe('lines of a code', () => {
  it('are a row each, and say what differs from what was copied', () => {
    expect(CODE_LINES.map(({ id }) => id)).toEqual([...CODE_LINE_IDS]);
    const words = Object.fromEntries(
      differences({ ...wrapping, maxNPerYear: 3.5, setbackFt: 25 }, { ...shipped, setbackFt: 15, licenseNeeded: true })
        .filter(({ words: each }) => each !== '')
        .map(({ line, words: each }) => [line.id, each]),
    );
    expect(words).toEqual({ closed: '17 d longer', 'n-year': 'new', setback: '10 ft higher', license: 'left out' });
  });
  it('hold as the stricter of each', () => {
    const a: LocalCode = { ...wrapping, maxNPerYear: 3.5, setbackFt: 10, leastSlowPercent: 20 };
    const b: LocalCode = { ...shipped, id: 'b', maxNPerYear: 4.25, setbackFt: 25, phosphorusNeedsTest: true };
    const held = Object.fromEntries(
      stricterLines([a, b]).map(({ line, of }) => [
        line.id,
        of.filter((each) => each.holds).map((each) => each.code.id),
      ]),
    );
    expect(held).toMatchObject({
      'n-year': ['a'],
      setback: ['b'],
      slow: ['a'],
      phosphorus: ['b'],
      // closed dates of both
      closed: ['a', 'b'],
    });
    expect(held['p2o5-dose']).toBeUndefined();
  });
  it('never call a laxer line the one that holds', () => {
    const rate = fc.option(fc.double({ min: 0.1, max: 5, noNaN: true }), { nil: undefined });
    fc.assert(
      fc.property(fc.array(rate, { minLength: 1, maxLength: 5 }), (caps) => {
        const codes = caps.map((maxNPerYear, i): LocalCode => ({
          id: String(i),
          ...(maxNPerYear === undefined ? {} : { maxNPerYear }),
        }));
        const line = stricterLines(codes).find((each) => each.line.id === 'n-year');
        const least = Math.min(...caps.map((cap) => cap ?? Infinity));
        if (!line) expect(least).toBe(Infinity);
        else for (const each of line.of) expect(each.holds).toBe(each.code.maxNPerYear === least);
      }),
    );
  });
});

describe('an editor’s faults', () => {
  it('name what contradicts itself at its field', () => {
    expect(codeFaults({ id: 'a', maxTotalNPerDose: 0.7, maxSolubleNPerDose: 0.9 })).toHaveProperty(
      'maxSolubleNPerDose',
    );
    expect(codeFaults({ id: 'a', maxTotalNPerDose: 2, maxNPerYear: 1 })).toHaveProperty('maxTotalNPerDose');
    expect(codeFaults({ id: 'a', closed: [{ from: '01-01', to: '01-01', nutrients: [] }] })).toHaveProperty(
      'closed[0].nutrients',
    );
    expect(codeFaults({ ...wrapping, maxTotalNPerDose: 0.9, maxSolubleNPerDose: 0.7, maxNPerYear: 3 })).toEqual({});
  });
});

describe('review', () => {
  it('counts full months and blocks nothing', () => {
    expect(codeReview({ id: 'a', checkedOn: '2026-06-04' }, '2027-09-10')).toMatchObject({
      state: 'due',
      monthsAgo: 15,
      dueOn: '2027-06-04',
    });
    expect(codeReview({ id: 'a', checkedOn: '2026-06-04', reviewEveryMonths: 24 }, '2027-09-10').state).toBe('fresh');
    expect(codeReview({ id: 'a', checkedOn: '2026-06-04', expiresOn: '2026-12-31' }, '2027-01-01').state).toBe(
      'expired',
    );
    expect(codeReview({ id: 'a' }, '2027-01-01').state).toBe('unchecked');
  });
  it('asks of own codes, not of what ships', () => {
    const codes: LocalCode[] = [{ id: 'shipped' }, { id: 'mine', name: 'Mine', copyOf: 'shipped' }];
    expect(codesToReview(codes, '2027-01-01').map(({ code }) => code)).toEqual(['Mine']);
  });
});

describe('a day of any year as typed', () => {
  it.each([
    ['15 Nov', '11-15'],
    ['nov 15', '11-15'],
    ['November 15', '11-15'],
    ['11-15', '11-15'],
    ['11/5', '11-05'],
    ['29 Feb', '02-29'],
    ['1 mar.', '03-01'],
  ])('%s is %s', (typed, day) => expect(typedMonthDay(typed, 'From', 'from')).toBe(day));
  it.each([
    ['Nov', 'the day is missing'],
    ['15', 'the month is missing'],
    ['02-30', 'no day of the year'],
    ['32 Jan', 'no day of the year'],
    ['soon', 'the day is missing'],
  ])('%s is refused: %s', (typed, says) => {
    const read = typedMonthDay(typed, 'From', 'from');
    expect(isRefusal(read) && read.refused).toContain(says);
  });
  it('takes an empty field as nothing', () => expect(typedMonthDay(' ', 'From', 'from')).toBeUndefined());
});

it('cautions of a sheet carry what a code asks of whoever spreads', () => {
  const code: LocalCode = {
    id: 'a',
    name: 'Alder borough',
    heavyRain: { inches: 0.5, hours: 24 },
    licenseNeeded: true,
    posting: { hoursAfter: 48 },
    recordKeptYears: 3,
    maxNPerYear: 3,
  };
  expect(cautionsUnder([code]).slice(SPREADING_CAUTIONS.length)).toEqual([
    'Alder borough: heavy rain: no feeding before 0.5 in within 24 h; license: operator’s license needed; posting: signs 48 h after; records: kept 3 years.',
  ]);
  expect(cautionsUnder([])).toEqual([...SPREADING_CAUTIONS]);
});
