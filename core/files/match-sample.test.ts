import { describe, expect, it } from 'vitest';
import { SampleMatcher, type ZoneTarget } from './match-sample';
import { printCsv } from './print-csv';

const zone = (propertyId: string, propertyName: string, zoneId: string, zoneName: string): ZoneTarget => ({
  propertyId,
  propertyName,
  zoneId,
  zoneName,
});
const zones = [
  zone('p', 'School', 'a', 'South lawn'),
  zone('p', 'School', 'b', 'Strip'),
  zone('q', 'Mill', 'a', 'South lawn'),
  zone('q', 'Mill', 'c', 'Court'),
];
const codes = [{ code: 'QLS-27-01', propertyId: 'p', zoneId: 'b', sampleId: 's', takenOn: '2027-03-02' }];
const sample = (label: string, property?: string) => ({
  label,
  names: { sample: label, ...(property ? { property } : {}) },
});

describe('finding the zone of a sample', () => {
  const anywhere = new SampleMatcher(codes, zones, undefined);
  const here = new SampleMatcher(codes, zones, 'p');
  it('goes by the code of the bag first, whatever its case', () => {
    expect(anywhere.match(sample(' qls-27-01 '))).toMatchObject({ zoneId: 'b', sampleId: 's', takenOn: '2027-03-02' });
  });
  it('goes by property and zone together', () => {
    expect(anywhere.match(sample('south LAWN', 'mill'))).toMatchObject({ propertyId: 'q', zoneId: 'a' });
    expect(anywhere.match(sample('South lawn', 'Elsewhere'))).toContain('several zones');
    expect(anywhere.match(sample('Orchard', 'Mill'))).toContain('no zone is called');
  });
  it('asks where a name is not enough, and knows where it is', () => {
    expect(anywhere.match(sample('South lawn'))).toContain('several zones');
    expect(here.match(sample('South lawn'))).toMatchObject({ propertyId: 'p', zoneId: 'a' });
    expect(anywhere.match(sample('Court'))).toMatchObject({ propertyId: 'q', zoneId: 'c' });
    // another property's zone is not taken silently from within one property
    expect(here.match(sample('Court'))).toContain('no zone is called');
    expect(here.match(sample(''))).toContain('names no sample');
  });
  it('does what a person said, before everything else', () => {
    const byHand = new SampleMatcher(codes, zones, 'p', {
      'QLS-27-01': { propertyId: 'q', zoneId: 'c' },
      Strip: 'leave-out',
    });
    expect(byHand.match(sample('QLS-27-01'))).toEqual({ propertyId: 'q', zoneId: 'c' });
    expect(byHand.match(sample('Strip'))).toContain('left out');
  });
  it('is not fooled by names that objects have', () => {
    expect(here.match(sample('constructor'))).toContain('no zone is called');
    expect(here.match(sample('__proto__'))).toContain('no zone is called');
  });
});

describe('a table that goes out', () => {
  it('holds nothing that a spreadsheet would run', () => {
    const csv = printCsv([
      ['name', 'value'],
      ['=1+1', 5],
      ['+cmd', '-2'],
      ['@sum', 'a "quoted", cell'],
    ]);
    expect(csv.split('\r\n').slice(0, 4)).toEqual([
      'name,value',
      `"'=1+1",5`,
      `"'+cmd","'-2"`,
      `"'@sum","a ""quoted"", cell"`,
    ]);
  });
});
