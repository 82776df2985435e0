import { describe, expect, it } from 'vitest';
import { Units, US_UNITS, usUnits } from '../../ui/format';
import { daysFromText } from './typed-days';

const read = (text: string, units = usUnits) => daysFromText(text, units, '2027-09-05');
const DAY = { date: '2027-09-07', highF: 74, lowF: 52, rainIn: 0.1, windMph: 6 };

describe('days that are typed or pasted', () => {
  it.each([
    '7 Sep 74 52 0.1 6',
    'Tue 7 Sep 74 52 0.1 6',
    '2027-09-07\t74\t52\t0.1\t6',
    '9/7/2027; 74; 52; 0.1; 6',
    '9/7 74 52 0.1 6',
    'Sep 7, 2027 74 52 0.1 6',
    'Sep 7 74 52 0.1 6',
  ])('%s', (text) => expect(read(text)).toEqual({ days: [DAY] }));
  it('are read in the units that are chosen', () => {
    const { days } = read('7 Sep 20 10 5 16.1', new Units({ ...US_UNITS, system: 'si' }));
    expect(days[0]).toMatchObject({
      highF: expect.closeTo(68, 6),
      lowF: expect.closeTo(50, 6),
      windMph: expect.closeTo(10, 1),
    });
  });
  it.each([
    ['7 Sep 74 52 0.1', /a line is the day, then/],
    ['someday 74 52 0.1 6', /a line is the day, then/],
    ['7 Sep 52 74 0.1 6', /low is above the high/],
    ['7 Sep 74 52 0.1 600', /Wind must be between/],
    ['7 Sep 74 52 wet 6', /wet/],
    ['7 Sep 74 52 0.1 6\n9/7/2027 74 52 0.1 6', /Line 2, .*twice/],
    [Array.from({ length: 11 }, (_, i) => `${i + 1} Sep 74 52 0 6`).join('\n'), /10 days at most/],
  ])('%s is answered with its line', (text, says) => {
    expect(read(text).fault).toMatch(says);
  });
  it('are none of nothing', () => {
    expect(read('')).toEqual({ days: [] });
    expect(read(' \n\n')).toEqual({ days: [] });
  });
});
