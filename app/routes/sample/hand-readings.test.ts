import { describe, expect, it } from 'vitest';
import { readingFrom } from './hand-readings';
import { usUnits } from '../../ui/format';

const TODAY = '2027-04-05';
const typed = (over: object) => ({ value: '58.5', on: '2027-04-03', depth: '4', ...over });

describe('a reading typed', () => {
  it('is kept with its day and depth, in inches whatever it was typed in', () => {
    expect(readingFrom(typed({ depth: '10 cm' }), 'soil-thermometer', TODAY, usUnits)).toEqual({
      reading: {
        on: '2027-04-03',
        instrument: 'soil-thermometer',
        value: 58.5,
        depthIn: expect.closeTo(10 / 2.54, 9) as number,
      },
    });
    expect(readingFrom(typed({ value: '6.3', depth: '' }), 'ph-pen', TODAY, usUnits)).toEqual({
      reading: { on: '2027-04-03', instrument: 'ph-pen', value: 6.3 },
    });
  });
  it.each([
    ['nothing', { value: '' }, 'value', 'Type what it shows.'],
    ['letters', { value: 'warm' }, 'value', 'must be a number'],
    ['a pH no soil has', { value: '58' }, 'value', 'between 2 and 11'],
    ['a day to come', { value: '6', on: '2027-04-06' }, 'on', 'still to come'],
    ['no day', { value: '6', on: '' }, 'on', 'Choose the day.'],
  ] as const)('is refused with %s', (_, over, field, says) => {
    const read = readingFrom(typed(over), 'ph-pen', TODAY, usUnits);
    expect('faults' in read && read.faults[field]).toContain(says);
  });
  it('of a thermometer asks how deep it stood', () => {
    const read = readingFrom(typed({ depth: '' }), 'soil-thermometer', TODAY, usUnits);
    expect('faults' in read && Object.keys(read.faults)).toEqual(['depth']);
  });
});
