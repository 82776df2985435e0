import { fireEvent, render, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Case, OwnFigure, Product, SoilTest, Zone } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { prescribeZone } from '@core/prescription/prescribe';
import { planSeason } from '@core/season/draft/plan-season';
import { MemoryRouter } from 'react-router';
import { AllZones } from './all-zones';
import { comesAlong } from './lines/line';
import { NitrogenWalk } from './lines/nitrogen-walk';
import { Acidifiers, HighPhSchools, LimeMaterials } from './lines/ph-line';
import { Schools } from './lines/practice-schools';
import { withOwn } from './prescribe-action';
import { lawnCase } from '@core/season/lawns/lawns.fixture';
import { prescriptionDocument } from './prescription-pdf';
import { LATE_SEASON_SCHOOLS } from '@core/season/rules/practice-schools';
import { usUnits } from '../../ui/format';

const own: OwnFigure = {
  line: 'nitrogen',
  value: 2.75,
  reason: 'Games run to November',
  by: 'R. Amadi',
  on: '2027-03-06',
};
const zone: Zone = {
  id: 'z',
  name: 'South lawn',
  areaSqFt: 6480,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  clippings: 'returned',
  wear: 'heavy',
};
const report = (pH: number, buffer?: number): SoilTest => ({
  id: 's',
  zoneId: 'z',
  sampledOn: '2027-02-17',
  depthIn: 4,
  results: [
    { analyte: 'pH', value: pH, method: 'water-1:1' },
    ...(buffer === undefined ? [] : [{ analyte: 'buffer-pH' as const, value: buffer, method: 'mehlich' as const }]),
    { analyte: 'K', value: 44, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'OM', value: 3.1, unit: '%' },
  ],
});
const products = [...STARTER_SHELF] as Product[];
const facts = (given: Zone, test: SoilTest, limeProductId?: string) => ({
  zone: given,
  tests: [test],
  products,
  codes: [],
  choices: {},
  limeProductId,
});

describe('the walk to the year’s nitrogen', () => {
  const walk = (given: Zone, onSwitch = () => {}) => {
    const { nitrogen } = prescribeZone(facts(given, report(6.4))).prescription;
    return render(<NitrogenWalk nitrogen={nitrogen} ceilingLb={5} codeLb={3.5} onSwitch={onSwitch} />);
  };
  it('adds up in print and offers every step as a switch', () => {
    const onSwitch = vi.fn();
    walk(zone, onSwitch);
    const sizes = screen.getAllByRole('listitem').flatMap((row) => row.querySelector('.size')?.textContent ?? []);
    const numbers = sizes
      .map((text) => Number(text.replace('−', '-').replace('+', '')))
      .filter((n) => !Number.isNaN(n));
    const year = numbers.at(-1) as number;
    expect(numbers.slice(0, -1).reduce((a, b) => a + b, 0)).toBeCloseTo(year, 9);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Clippings returned' }));
    expect(onSwitch).toHaveBeenCalledWith('clippings', false);
    expect(screen.queryAllByText('local code 3.5')).toHaveLength(1);
    expect(screen.queryAllByText('ceiling 5')).toHaveLength(1);
  });
  it('takes two quick clicks for two switches, though neither is stored, and shows what is stored in the end', () => {
    const onSwitch = vi.fn();
    const { nitrogen } = prescribeZone(facts(zone, report(6.4))).prescription;
    const at = (switching?: { line: string; on: boolean }) => (
      <NitrogenWalk nitrogen={nitrogen} ceilingLb={5} onSwitch={onSwitch} switching={switching} />
    );
    const { rerender } = render(at());
    const box = screen.getByRole<HTMLInputElement>('checkbox', { name: 'Clippings returned' });
    fireEvent.click(box);
    fireEvent.click(box);
    fireEvent.click(box);
    expect(onSwitch.mock.calls.map(([, on]) => on as boolean)).toEqual([false, true, false]);
    expect(box.checked).toBe(false);
    rerender(at({ line: 'clippings', on: false }));
    expect(box.checked).toBe(false);
    rerender(at());
    // it could not be stored: what stands is shown again
    expect(box.checked).toBe(true);
  });
  it('shows a step that is off without counting it, and an override below the struck rule', () => {
    const { container } = walk({ ...zone, nitrogenOff: ['clippings'], own: [own] });
    expect(screen.getByRole<HTMLInputElement>('checkbox', { name: 'Clippings returned' }).checked).toBe(false);
    expect(container.querySelector('.year s')?.textContent).toBe('3.225');
    expect(container.querySelector('.mine .size')?.textContent).toBe('2.75');
  });
});

describe('pH materials and ways', () => {
  it('compares the limes with rate, doses, hazard and cost, and takes one', () => {
    const given = facts(zone, report(5.6, 6.32));
    const choose = vi.fn();
    render(<LimeMaterials facts={given} ph={prescribeZone(given).prescription.ph} onChoose={choose} />);
    const rows = screen.getAllByRole('row').slice(1);
    expect(rows.map((row) => within(row).getByRole('rowheader').textContent)).toEqual([
      'Calcitic lime, pelleted',
      'Dolomitic lime, pelleted',
      'Hydrated lime',
    ]);
    expect(rows[2]?.textContent).toContain('burns skin and eyes');
    expect(rows[1]?.textContent).toMatch(/lb Mg/);
    // hydrated at most 5 lb a dose (common practice)
    expect(rows[2]?.textContent).toMatch(/2 of 3\.\d\d/);
    fireEvent.click(within(rows[1] as HTMLElement).getByRole('radio'));
    expect(choose).toHaveBeenCalledWith('dolomitic-lime');
  });
  it('doses hydrated lime by its own limit once it is chosen', () => {
    const { ph, cautions } = prescribeZone(facts(zone, report(5.6, 6.32), 'hydrated-lime')).prescription;
    expect(Math.max(...ph.doses)).toBeLessThanOrEqual(5);
    expect(cautions.join()).toContain('caustic');
  });
  it('puts sulfur, ammonium and peat on one scale, and counts the free lime where it is known', () => {
    const given = facts({ ...zone, texture: 'loam', carbonates: 'strong', calciumCarbonatePercent: 1 }, report(8));
    render(<Acidifiers facts={given} prescription={prescribeZone(given).prescription} />);
    expect(screen.getByRole('row', { name: /One light dose/ }).textContent).toContain('2.1');
    // 1 % lime in 4 in at 1.35 g/cm3 is 90 lb S, 281 lb CaCO3 (stoichiometry)
    expect(screen.getByRole('table').textContent).toContain('90.0');
    expect(screen.getByRole('row', { name: /Elemental sulfur/ }).textContent).toMatch(/31\.2.*9$/);
  });
  it('lets a school on high pH be chosen', () => {
    const choose = vi.fn();
    render(<HighPhSchools facts={facts({ ...zone, carbonates: 'none' }, report(7.7))} onChoose={choose} />);
    expect(screen.getByRole<HTMLInputElement>('radio', { name: /Correct slowly: / }).checked).toBe(true);
    fireEvent.click(screen.getByRole('radio', { name: 'Leave and manage' }));
    expect(choose).toHaveBeenCalledWith('leave-and-manage');
  });
  it('tells every school of practice with its reasons, and which is never planned', () => {
    render(<Schools title="The end of the year" schools={LATE_SEASON_SCHOOLS} chosen={undefined} />);
    expect(screen.queryAllByText(/two steps here, 4 others/)).toHaveLength(1);
    expect(screen.queryAllByText(/for comparison, never planned/)).toHaveLength(1);
  });
});

describe('overrides as typed', () => {
  it('are read, bounded, and need a reason; one of a line replaces the one before', () => {
    const typed = { value: '2.75', reason: 'Games', by: ' R. Amadi ' };
    const kept = withOwn({ ...zone, own: [own] }, 'nitrogen', typed, '2027-04-05', usUnits);
    expect(kept).toMatchObject({
      zone: { own: [{ line: 'nitrogen', value: 2.75, by: 'R. Amadi', on: '2027-04-05' }] },
    });
    expect(withOwn(zone, 'nitrogen', { ...typed, value: '' }, '2027-04-05', usUnits)).toMatchObject({
      faults: { value: expect.stringContaining('0 means none') as string },
    });
    expect(withOwn(zone, 'nitrogen', { ...typed, value: 'some' }, '2027-04-05', usUnits)).toMatchObject({
      faults: { value: expect.any(String) as string },
    });
    expect(withOwn(zone, 'nitrogen', { ...typed, value: '99' }, '2027-04-05', usUnits)).toMatchObject({
      faults: { value: expect.stringContaining('between 0 and 10') as string },
    });
    expect(withOwn(zone, 'nitrogen', { ...typed, reason: ' ' }, '2027-04-05', usUnits)).toMatchObject({
      faults: { reason: expect.any(String) as string },
    });
  });
});

const whole: Case = {
  format: 'ubertas-case',
  version: 1,
  property: {
    id: 'p',
    name: 'Quarry Lane School',
    climate: {
      meanHighF: [38, 42, 52, 63, 73, 82, 86, 84, 77, 66, 54, 42],
      meanLowF: [22, 25, 33, 42, 52, 61, 66, 64, 56, 44, 35, 27],
      lastFrost: '04-20',
      firstFrost: '10-20',
    },
  },
  zones: [
    { ...zone, own: [own] },
    { ...zone, id: 'y', name: 'Bare bank' },
  ],
  soilTests: [report(5.6, 6.32)],
  products,
};

describe('every zone, and the printed sheet', () => {
  const season = planSeason(whole, 2027, {}, '2027-04-05');
  it('stand side by side with overrides marked and what the zone takes', () => {
    render(
      <MemoryRouter>
        <AllZones zones={season.zones} />
      </MemoryRouter>,
    );
    const table = screen.getByRole('table', { name: 'The prescription of every zone' });
    expect(within(table).getByRole('row', { name: /Nitrogen/ }).textContent).toContain('2.48 by the rule');
    expect(within(table).getByRole('row', { name: /Nitrogen/ }).textContent).toContain('17.8 lb N here');
    expect(screen.queryAllByText('Games run to November')).toHaveLength(1);
  });
  it('the PDF holds a page a zone, the rule struck beside an override, its reason and who said it', () => {
    const text = JSON.stringify(prescriptionDocument(whole.property, season.zones, '2027-04-05', usUnits));
    expect(text).toContain('South lawn, Quarry Lane School');
    expect(text).toContain('Bare bank, Quarry Lane School');
    expect(text).toContain('lineThrough');
    expect(text).toContain('Override: Games run to November. R. Amadi, 2027-03-06');
    expect(text).toContain('a stopgap, no soil test');
    expect(text.match(/pageBreak/g)).toHaveLength(1);
    // never a pound of nothing
    expect(text).not.toMatch(
      /\d lb(?! (lime|N|P2O5|K2O|Mg|S|soluble|CaCO3|per|product|free|elemental|hydrated|ag|ground))/i,
    );
  });
  it('the PDF holds what went down since the sample, the parts of the year, gypsum, sprays and the winter grass', () => {
    const textOf = (name: string) => {
      const file = lawnCase(name);
      return JSON.stringify(prescriptionDocument(file.property, planSeason(file, 2027).zones, '2027-01-05', usUnits));
    };
    expect(textOf('lime-logged')).toContain('36 lb lime of 31.9 lb lime went down since the sample of 9 Nov 2026');
    expect(textOf('fescue-loam')).toMatch(
      /By parts: before spring ends 0\.\d\d lb N, summer 0\.00 lb N, from fall on \d/,
    );
    expect(textOf('sodium-water')).toMatch(/"Gypsum".*Sodic: 18\.0 % of CEC/);
    const iron = textOf('iron-short');
    expect(iron).toMatch(/"Iron".*sprays/);
    expect(iron).toContain('0.40 oz Fe');
    expect(textOf('overseeded-bermuda')).toContain('perennial ryegrass over it from 10 Oct to 20 Apr');
  });
  it('what rides along with something else is said', () => {
    const { doses } = season.zones[0] as (typeof season.zones)[number];
    const dose = doses[0] as (typeof doses)[number];
    expect(comesAlong([{ ...dose, for: 'P2O5', delivers: { N: 0.13, P2O5: 0.6 } }], 'N', 'N', usUnits)).toBe(
      '0.13 lb N comes with the P2O5',
    );
    expect(comesAlong([{ ...dose, for: 'N', delivers: { N: 0.5 } }], 'N', 'N', usUnits)).toBeUndefined();
  });
});
