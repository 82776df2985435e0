import { BUILT_IN_PACKS } from '@core/packs/rule-packs';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, describe, expect, it } from 'vitest';
import type { SoilResult, SoilTest, Zone } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { prescribeZone } from '@core/prescription/prescribe';
import { Cations } from './cations';
import { Stopgap } from './stopgap';
import { TrendOfZone } from './trend';

afterEach(cleanup);
const zone: Zone = { id: 'z', name: 'Lawn', areaSqFt: 6480, grass: 'tall-fescue', texture: 'silt-loam' };
const ppm = (analyte: SoilResult['analyte'], value: number): SoilResult => ({
  analyte,
  value,
  unit: 'ppm',
  method: 'mehlich-3',
});
const test = (results: SoilResult[], change: Partial<SoilTest> = {}): SoilTest => ({
  id: 's',
  zoneId: 'z',
  sampledOn: '2026-10-12',
  depthIn: 4,
  results,
  ...change,
});
const cationsOf = (results: SoilResult[], of: Zone = zone) => {
  const { prescription, read } = prescribeZone({
    zone: of,
    tests: [test(results)],
    products: STARTER_SHELF,
    codes: [],
  });
  return render(<Cations zone={of} read={read!} prescription={prescription} packs={BUILT_IN_PACKS} />);
};

describe('cations, salt and lime', () => {
  it('shares out the sum of cations, beside the laboratory’s CEC', () => {
    // Ca 1002/200.4 = 5, Mg 121.5/121.5 = 1, K 78.2/391 = 0.2, Na 23/230 = 0.1; by hand 6.3 in all
    cationsOf([
      ppm('Ca', 1002),
      ppm('Mg', 121.5),
      ppm('K', 78.2),
      ppm('Na', 23),
      { analyte: 'CEC', value: 10, unit: 'cmolc/kg' },
    ]);
    expect(screen.getByRole('row', { name: /^Calcium/ }).textContent).toBe('Calcium79.45065 to 75');
    expect(screen.getByRole('row', { name: /^Sodium/ }).textContent).toContain('1.6');
    expect(document.body.textContent).toContain('by the laboratory 10');
    expect(document.body.textContent).toContain('Sodium is 1 % of CEC by Na over CEC: not sodic');
  });
  it('says where the sum misleads, and what carbonate does to sulfur', () => {
    cationsOf([
      { analyte: 'pH', value: 8, method: 'water-1:1' },
      ppm('Ca', 5200),
      ppm('Mg', 290),
      { analyte: 'CaCO3', value: 3.2, unit: '%' },
    ]);
    expect(document.body.textContent).toContain('It misleads here: free lime inflates CEC');
    expect(document.body.textContent).toContain('3.2 %: sulfur is spent on it before the pH moves.');
  });
  it('names sodic and saline soil', () => {
    cationsOf([ppm('Ca', 1002), ppm('Mg', 121.5), ppm('Na', 460), { analyte: 'EC', value: 5, unit: 'dS/m' }], {
      ...zone,
      drainage: 'good',
    });
    expect(document.body.textContent).toContain(': sodic, the line is 15 %.');
    expect(document.body.textContent).toContain('Gypsum');
    expect(document.body.textContent).toContain(
      'Salinity 13 dS/m as the paste: 5 dS/m in water, 1:2 is about 13 in the paste',
    );
  });
  it('has nothing to say where nothing was reported', () => {
    cationsOf([{ analyte: 'pH', value: 6, method: 'water-1:1' }]);
    expect(document.body.textContent).toBe('');
  });
});

describe('the trend', () => {
  const tests = [
    test([{ analyte: 'pH', value: 5.2, method: 'cacl2' }, ppm('K', 70)], { id: 'a', sampledOn: '2022-10-10' }),
    test([{ analyte: 'pH', value: 5.9, method: 'water-1:1' }, ppm('K', 60)], { id: 'b', sampledOn: '2024-10-10' }),
    test([{ analyte: 'pH', value: 5.7, method: 'water-1:1' }, ppm('K', 50)], { id: 'c', sampledOn: '2026-10-10' }),
  ];
  it('is told in words, with what cannot be compared', () => {
    render(<TrendOfZone zone={zone} tests={tests} packs={BUILT_IN_PACKS} />);
    expect(document.body.textContent).toContain('Down 0.1 a year over comparable reports.');
    expect(document.body.textContent).toContain('Open points do not compare with the latest');
    expect(document.body.textContent).toContain('2022 was measured by cacl2');
    fireEvent.mouseDown(screen.getByLabelText('Analyte followed'));
    fireEvent.click(screen.getByTitle('Potassium'));
    expect(document.body.textContent).toContain('Down 5 ppm a year');
  });
  it('needs two reports', () => {
    render(<TrendOfZone zone={zone} tests={tests.slice(0, 1)} packs={BUILT_IN_PACKS} />);
    expect(document.body.textContent).toBe('');
  });
});

describe('a zone without a report', () => {
  it('gets nitrogen by its grass and nothing else, and the way to know better', () => {
    const { prescription } = prescribeZone({ zone, products: STARTER_SHELF, codes: [] });
    const router = createMemoryRouter(
      [{ path: '/property/:id/read', element: <Stopgap zone={zone} prescription={prescription} /> }],
      { initialEntries: ['/property/p/read#zone=z'] },
    );
    render(<RouterProvider router={router} />);
    const words = document.body.textContent ?? '';
    expect(words).toContain('lb N per 1000 this year');
    expect(words).toContain('No P2O5, no K2O');
    expect(words).toContain('No lime and no sulfur');
    // 6,480 sq ft: one per 600, rounded up
    expect(words).toContain('11 cores');
    expect(screen.getByRole('link', { name: 'Plan the sample' }).getAttribute('href')).toBe(
      '/property/p/sample#zone=z',
    );
  });
});
