import { render, screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { SoilTest, Zone } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { prescribeZone } from '@core/prescription/prescribe';
import { interpretZone } from '@core/soil/interpret';
import { readingDocument } from './reading-pdf';
import { nextSchool } from '../../ui/school-choice';
import { SchoolTable } from './school-table';
import { Tracks } from './tracks';
import { usUnits } from '../../ui/format';

const zone: Zone = {
  id: 'z',
  name: 'South lawn',
  areaSqFt: 6480,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  carbonates: 'none',
};
const test: SoilTest = {
  id: 's',
  zoneId: 'z',
  sampledOn: '2026-10-12',
  depthIn: 4,
  lab: 'Simulated laboratory',
  results: [
    { analyte: 'pH', value: 5.6, method: 'water-1:1' },
    { analyte: 'buffer-pH', value: 6.32, method: 'mehlich' },
    { analyte: 'P', value: 71, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'K', value: 44, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'Mg', value: 74, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'Ca', value: 812, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'CEC', value: 8.4, unit: 'cmolc/kg' },
  ],
};
const row = (name: string) => screen.getByRole('row', { name: new RegExp(`^${name}`) });

describe('the schools side by side', () => {
  it('mark where one says too little and another does not', () => {
    render(<SchoolTable zone={zone} tests={[test]} school="sufficiency" />);
    expect(within(row('Potassium')).queryAllByText('differ')).toHaveLength(1);
    expect(row('Potassium').textContent).toMatch(/low.*enough.*low/);
    // high and "at least the minimum" do not contradict each other
    expect(within(row('Phosphorus')).queryByText('differ')).toBeNull();
  });
  it('follow each other by one key and come round', () => {
    expect(nextSchool(nextSchool(nextSchool('minimum')))).toBe('minimum');
  });
});

describe('the tracks', () => {
  it('keep the ranges of sufficiency and show the verdict of the chosen school', () => {
    const read = interpretZone(zone, test);
    render(<Tracks read={read} judged={interpretZone(zone, test, { school: 'saturation' })} />);
    expect(screen.queryAllByText('1.34 % of CEC')).toHaveLength(1);
    expect(screen.getAllByText('by this school')).toHaveLength(1);
  });
});

describe('the printed reading', () => {
  const { prescription } = prescribeZone({
    zone,
    tests: [test],
    products: STARTER_SHELF,
    codes: [],
    asOf: '2027-04-05',
  });
  it('says finding and order of each line, with every pound named', () => {
    const page = readingDocument({
      units: usUnits,
      property: { id: 'p', name: 'Quarry Lane School' },
      zone,
      test,
      read: interpretZone(zone, test),
      prescription,
      today: '2027-04-05',
    });
    const words = JSON.stringify(page.content);
    expect(words).toContain('South lawn, Quarry Lane School');
    expect(words).toContain('11.4 lb lime per 1000');
    expect(words).toContain('No P2O5 this year');
    expect(words).toContain('Read by sufficiency');
    expect(words).not.toMatch(/\d lb(?! (N|P2O5|K2O|Mg|S|lime))/);
  });
});
