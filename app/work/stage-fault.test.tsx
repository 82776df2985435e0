import { render, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { Outlet, createRoutesStub } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BUILT_IN_PACKS } from '@core/packs/rule-packs';
import { readCase } from '@core/files/case-file';
import type { Case } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { BrokenRow, reckonedRow } from '../routes/home/property-row';
import { faultSays, StageFault, Survives } from './stage-fault';

const demo = (name: string): Case => {
  const read = readCase(readFileSync(`demo/${name}.json`, 'utf8'));
  if (isRefusal(read)) throw new Error(read.refused);
  return read;
};
function Breaks(): never {
  throw new Error('a defect of ours');
}

// React tells the console of every caught fault
beforeEach(() => vi.spyOn(console, 'error').mockImplementation(() => {}));
afterEach(() => vi.restoreAllMocks());

describe('a stage that fails', () => {
  it('leaves the frame and the other stages standing, and says what is safe and what to do', async () => {
    const Stub = createRoutesStub([
      {
        path: '/',
        Component: () => (
          <div>
            <nav>Ground Sample Read</nav>
            <Outlet />
          </div>
        ),
        children: [
          { index: true, Component: Breaks, ErrorBoundary: ({ error }) => <StageFault error={error} stage="Read" /> },
        ],
      },
    ]);
    render(<Stub />);
    const fault = await screen.findByRole('alert');
    expect(within(fault).getByRole('heading').textContent).toBe('Read stopped');
    expect(fault.textContent).toMatch(/safe in this browser.*export the property/s);
    expect(within(fault).getByRole('link').getAttribute('href')).toBe('/');
    expect(screen.getByRole('navigation').textContent).toBe('Ground Sample Read');
  });
  it('says the browser’s own sentence where the database is at fault', () => {
    expect(faultSays({ name: 'QuotaExceededError' }, 'Read')).toMatch(/storage is full/);
  });
});

describe('a list of which one row fails', () => {
  it('keeps the others', () => {
    render(
      <ul>
        <Survives what="Lime Walk">
          <Breaks />
        </Survives>
        <Survives what="Mill Race">
          <li>Mill Race stands</li>
        </Survives>
      </ul>,
    );
    expect(screen.getByRole('alert').textContent).toContain('Lime Walk could not be drawn');
    expect(screen.getByRole('listitem').textContent).toBe('Mill Race stands');
  });
  it('shows a property that cannot be reckoned by its name, with its records to export', () => {
    const file = demo('okonedo-residence');
    const broken = { ...file, zones: file.zones.map((zone) => ({ ...zone, grass: 'moss' as never })) };
    const row = reckonedRow(broken, '2027-04-05', BUILT_IN_PACKS);
    if (!('error' in row)) throw new Error('a lawn of moss was reckoned');
    expect(reckonedRow(file, '2027-04-05', BUILT_IN_PACKS)).toHaveProperty('season');
    render(<BrokenRow file={row.file} error={row.error} />);
    expect(screen.getByRole('heading').textContent).toBe('Okonedo residence');
    expect(screen.getByRole('button').textContent).toBe('Export');
  });
});
