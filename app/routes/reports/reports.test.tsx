import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { guessReading, type TableReading } from '@core/files/report-table';
import { isRefusal } from '@core/reckoning/refusal';
import type { ReadSummary } from '../../workers/table-intake';
import { ColumnTable } from './column-table';
import { Found } from './found';
import { ReadingForm } from './reading-form';

afterEach(cleanup);
const rows = [
  ['Sample', 'pH', 'K', 'K2O lb/A', 'Remarks'],
  ['A-1', '6.1', '44', '60', 'wet'],
  ['A-2', '6.3', '50', '70', ''],
];
const guess = (): TableReading => {
  const reading = guessReading(rows);
  if (isRefusal(reading)) throw new Error(reading.refused);
  return reading;
};

describe('the mapping of columns', () => {
  it('shows each column with what it holds and what it is taken for', () => {
    render(<ColumnTable rows={rows} reading={guess()} onChange={() => {}} />);
    expect(screen.getByRole('row', { name: /^Sample/ }).textContent).toContain('A-1, A-2');
    expect(screen.getByRole('row', { name: /^K2O/ }).textContent).toContain('an oxide, not the element');
    expect(screen.getByRole('row', { name: /^Remarks/ }).textContent).toContain('leave out');
    // a nutrient wants a unit, pH does not
    expect(screen.queryAllByLabelText('Unit of K')).toHaveLength(1);
    expect(screen.queryByLabelText('Unit of pH')).toBeNull();
  });
  it('changes one column at a time', () => {
    const change = vi.fn();
    render(<ColumnTable rows={rows} reading={guess()} onChange={change} />);
    fireEvent.mouseDown(screen.getByLabelText('Remarks is read as'));
    fireEvent.click(screen.getByTitle('depth, in'));
    expect(change.mock.calls[0]?.[0].map((c: { kind: string }) => c.kind)).toEqual([
      'fact',
      'analyte',
      'analyte',
      'other',
      'fact',
    ]);
  });
  it('takes what holds for the whole file', () => {
    function Form() {
      const [reading, setReading] = useState(guess());
      return (
        <>
          <ReadingForm reading={reading} onChange={(part) => setReading({ ...reading, ...part })} />
          <output>{`${reading.depth}|${reading.lab}`}</output>
        </>
      );
    }
    render(<Form />);
    fireEvent.change(screen.getByLabelText(/^Depth/), { target: { value: '0-4 in' } });
    fireEvent.change(screen.getByLabelText('Laboratory'), { target: { value: 'Some laboratory' } });
    expect(screen.queryAllByText('0-4 in|Some laboratory')).toHaveLength(1);
  });
});

describe('what was found', () => {
  const summary: ReadSummary = {
    samples: 5,
    fresh: 2,
    known: 1,
    properties: 1,
    shown: [{ line: 2, sample: 'A-1', sampledOn: '2027-03-02', propertyId: 'p', zoneId: 'z', results: 9 }],
    unmatched: [{ sample: 'Orchard', count: 2, why: 'no bag and no zone is called “Orchard”' }],
    rejectedCount: 3,
    rejected: [{ line: 7, cells: ['B', '61'], why: 'pH 61 is not a soil: it must be between 3 and 11.' }],
  };
  const targets = {
    codes: [],
    zones: [{ propertyId: 'p', propertyName: 'School', zoneId: 'z', zoneName: 'South lawn' }],
  };
  it('says what will be stored, what is here already and what is not taken, before it is stored', () => {
    const store = vi.fn();
    const assign = vi.fn();
    render(
      <Found
        summary={summary}
        targets={targets}
        fault={undefined}
        onAssign={assign}
        onBack={() => {}}
        onCancel={() => {}}
        onStore={store}
        onSaveRejected={() => {}}
      />,
    );
    expect(document.querySelector('.found > p')?.textContent).toBe(
      '2 reports for 1 property, 1 here already; 3 lines not taken.',
    );
    expect(screen.getByRole('row', { name: /A-1/ }).textContent).toContain('School, South lawn');
    expect(screen.queryAllByText('and 1 more')).toHaveLength(1);
    fireEvent.mouseDown(screen.getByLabelText('Zone of Orchard'));
    fireEvent.click(screen.getByTitle('School, South lawn'));
    expect(assign).toHaveBeenCalledWith('Orchard', { propertyId: 'p', zoneId: 'z' });
    expect(store).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole('button', { name: 'Save 2 reports' }));
    expect(store).toHaveBeenCalledOnce();
  });
  it('stores nothing where there is nothing, and says what the database said', () => {
    render(
      <Found
        summary={{ ...summary, fresh: 0, shown: [] }}
        targets={targets}
        fault="The browser’s storage is full."
        onAssign={() => {}}
        onBack={() => {}}
        onCancel={() => {}}
        onStore={() => {}}
        onSaveRejected={() => {}}
      />,
    );
    expect((screen.getByRole('button', { name: 'Save 0 reports' }) as HTMLButtonElement).disabled).toBe(true);
    expect(screen.getByRole('alert').textContent).toContain('storage is full');
  });
});
