import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import type { SoilTest, Zone } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import type { Figure } from '@core/reckoning/figure';
import { prescribeZone } from '@core/prescription/prescribe';
import { useState } from 'react';
import { Fig } from './fig';
import { showExact, showRate, showStep } from '@core/words/numbers';
import { markSize } from './marks';
import { COLUMNS, placeOnTrack } from './track';
import { WorkingsSlip } from './workings';
import { WorkingsContext } from './workings-context';

afterEach(cleanup);

describe('a track', () => {
  const scale = { from: 0, enough: 51, high: 117, to: 234 };
  it('puts both bounds on the shared lines, whatever the nutrient', () => {
    expect(placeOnTrack(51, scale)).toBeCloseTo(COLUMNS.low, 12);
    expect(placeOnTrack(117, scale)).toBeCloseTo(COLUMNS.low + COLUMNS.enough, 12);
    expect(placeOnTrack(1e9, scale)).toBe(1);
  });
  it('never turns back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (value, more) => {
          expect(placeOnTrack(value + more, scale)).toBeGreaterThanOrEqual(placeOnTrack(value, scale));
        },
      ),
    );
  });
});

describe('shown numbers', () => {
  it('round a sum as a person would, and write minus as a minus', () => {
    expect(showRate(0.825 * 3)).toBe('2.48');
    expect(showExact(-0.275)).toBe('−0.275');
    expect(showRate(-0.001)).toBe('0.00');
    expect(showStep(28092.58)).toBe('28,093');
  });
  it('give marks areas that follow the amount', () => {
    expect(markSize('N', 1, 19.5) / markSize('N', 0.5, 19.5)).toBeCloseTo(Math.SQRT2, 9);
    expect(markSize('lime', 50, 19.5)).toBe(markSize('N', 1, 19.5));
  });
});

describe('the Workings of a figure', () => {
  const zone: Zone = { id: 'z', name: 'Z', areaSqFt: 6480, grass: 'tall-fescue', texture: 'silt-loam' };
  const test: SoilTest = {
    id: 's',
    zoneId: 'z',
    sampledOn: '2027-03-01',
    depthIn: 4,
    results: [
      { analyte: 'pH', value: 5.6, method: 'water-1:1' },
      { analyte: 'buffer-pH', value: 6.32, method: 'mehlich' },
    ],
  };
  const lime = prescribeZone({ zone, tests: [test], products: STARTER_SHELF, codes: [] }).prescription.ph
    .material as Figure;

  function Page() {
    const [trail, setTrail] = useState<readonly Figure[]>([]);
    const workings = {
      trail,
      open: (f: Figure) => setTrail([f]),
      drill: (f: Figure) => setTrail([...trail, f]),
      back: () => setTrail(trail.slice(0, -1)),
      close: () => setTrail([]),
    };
    return (
      <WorkingsContext value={workings}>
        <Fig figure={lime} show={showRate} />
        <WorkingsSlip />
      </WorkingsContext>
    );
  }

  it('open on the number, show the sum with this site’s values, drill in, step back and close', () => {
    render(<Page />);
    const number = screen.getByRole('button', { name: /show workings/ });
    fireEvent.click(number);
    const slip = screen.getByRole('complementary', { name: 'Workings of Lime' });
    expect(slip.textContent).toContain('15.43 × 65 ÷ 88');
    expect(slip.textContent).toContain('11.39');
    expect(number.getAttribute('aria-expanded')).toBe('true');
    fireEvent.click(screen.getByRole('button', { name: '15.43' }));
    expect(screen.getByRole('complementary').textContent).toContain('4 × (6.6 − 6.32)');
    fireEvent.keyDown(screen.getByRole('complementary'), { key: 'Backspace' });
    expect(screen.queryAllByRole('complementary', { name: 'Workings of Lime' })).toHaveLength(1);
    fireEvent.keyDown(screen.getByRole('complementary'), { key: 'Escape' });
    expect(screen.queryByRole('complementary')).toBeNull();
  });
});
