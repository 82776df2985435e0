import { describe, expect, it } from 'vitest';
import { BUILT_IN_PACKS } from '@core/packs/rule-packs';
import { codeSchema, type LocalCode } from '@core/records/case';
import { asShipped, codeFromTyped, codeTyped } from './typed-code';

const full: LocalCode = {
  id: 'alder',
  name: 'Alder borough',
  who: 'licensed',
  area: 'Alder borough',
  closed: [{ from: '11-15', to: '03-01', nutrients: ['N', 'P2O5'] }],
  maxTotalNPerDose: 0.85,
  maxSolubleNPerDose: 0.6,
  maxNPerYear: 3.25,
  slow: [{ from: '06-01', to: '08-31', leastSlowPercent: 50 }],
  allowances: [{ from: '11-15', to: '12-05', who: 'licensed', maxTotalNPerDose: 0.4 }],
  setbackFt: 12,
  phosphorusNeedsTest: true,
  testWithinYears: 3,
  heavyRain: { inches: 0.5, hours: 36 },
  licenseNeeded: true,
  sweepRequired: true,
  posting: { hoursBefore: 24, hoursAfter: 48 },
  recordKeptYears: 4,
  summerNote: 'No soluble N in July.',
  localWatering: {
    weekdays: { odd: ['Mon', 'Thu'], even: ['Tue', 'Fri'] },
    mostDaysPerWeek: 2,
    closedHours: [{ from: '09:00', to: '19:00' }],
    season: { from: '05-01', to: '09-30' },
    stage: '1, voluntary',
  },
  source: { cite: 'Alder borough, chapter 9', kind: 'ordinance', url: 'https://alder.example/9' },
  checkedOn: '2027-03-04',
  checkedBy: 'RA',
  expiresOn: '2029-12-31',
  reviewEveryMonths: 18,
  copyOf: 'maryland-licensed',
};

describe('a code typed', () => {
  it.each(
    [full, ...BUILT_IN_PACKS.codes.map(({ source: _source, ...code }) => code as LocalCode)].map(
      (code) => [code.id, code] as const,
    ),
  )('%s comes back from the form as it went in', (_, code) => {
    const { code: back, faults } = codeFromTyped(codeTyped(code), 'other');
    expect(faults).toEqual({});
    expect(back).toEqual(code);
    expect(codeSchema.isValidSync(back, { strict: true })).toBe(true);
  });
  it('keeps what cannot be read as text and leaves it out of the code', () => {
    const typed = codeTyped(full);
    typed.closed[0]!.to = '02-30';
    typed.numbers.maxNPerYear = 'three';
    typed.allowances[0]!.maxTotalNPerDose = '';
    const { code, faults } = codeFromTyped(typed, 'x');
    expect(code.closed).toBeUndefined();
    expect(code.maxNPerYear).toBeUndefined();
    expect(Object.keys(faults).sort()).toEqual(['allowances[0].maxTotalNPerDose', 'closed[0].to', 'maxNPerYear']);
    expect(faults['closed[0].to']).toContain('no day of the year');
  });
  it('asks for a name, for both halves of a date and of heavy rain, and for words of a source', () => {
    const typed = codeTyped();
    typed.closed.push({ from: '15 Nov', to: '', nutrients: ['N'] });
    typed.heavyRain.inches = '0.5';
    typed.source.kind = 'law';
    expect(Object.keys(codeFromTyped(typed, 'x').faults).sort()).toEqual([
      'closed[0].to',
      'heavyRain.hours',
      'name',
      'source.cite',
    ]);
  });
  it('refuses a soluble cap over the total, at its field', () => {
    const typed = codeTyped({ ...full, maxSolubleNPerDose: 2 });
    expect(codeFromTyped(typed, 'x').faults.maxSolubleNPerDose).toContain('over the cap of the whole dose');
  });
  it('puts single lines back as shipped and leaves the others', () => {
    const shipped: LocalCode = { id: 's', maxNPerYear: 4, closed: [{ from: '12-01', to: '02-28', nutrients: ['N'] }] };
    const typed = codeTyped(full);
    const back = codeFromTyped({ ...typed, ...asShipped(typed, shipped, ['closed', 'n-year']) }, 'x').code;
    expect(back.closed).toEqual(shipped.closed);
    expect(back.maxNPerYear).toBe(4);
    expect(back.maxTotalNPerDose).toBe(0.85);
  });
});
