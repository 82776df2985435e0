import { fireEvent, render } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { type KeyId, KEYS, keysByPlace, useKey } from './keys';

const rows = Object.entries(KEYS) as [KeyId, { binds: string; shows: string; does: string; on?: string }][];
const PLACES = ['Properties', 'Ground', 'Sample', 'Read', 'Prescribe', 'Season', 'Field', 'Log', 'Shelf'];

describe('the table of keys', () => {
  it('binds no key twice on one page', () => {
    for (const place of PLACES) {
      const here = rows.filter(([, row]) => (row.on === undefined ? place !== 'Properties' : row.on.includes(place)));
      const bound = here.flatMap(([, row]) => row.binds.split(/, ?/));
      expect(bound.filter((key, i) => bound.indexOf(key) !== i)).toEqual([]);
    }
  });
  it('lists every key once, by where it works', () => {
    const listed = keysByPlace().flatMap(([, keys]) => keys.map((key) => key.does));
    expect(listed).toEqual(expect.arrayContaining(rows.map(([, row]) => row.does)));
    expect(listed).toHaveLength(rows.length);
    expect(keysByPlace()[0]?.[0]).toBe('Everywhere');
  });
  it('binds a row by its id, and not while it is switched off', () => {
    const act = vi.fn();
    function Page({ on }: { on: boolean }) {
      useKey('print-labels', act, [], on);
      return null;
    }
    const { rerender } = render(<Page on />);
    fireEvent.keyDown(document, { key: 'p', code: 'KeyP' });
    expect(act).toHaveBeenCalledTimes(1);
    rerender(<Page on={false} />);
    fireEvent.keyDown(document, { key: 'p', code: 'KeyP' });
    expect(act).toHaveBeenCalledTimes(1);
  });
  it('knows a sign by itself, with and without the Shift that types it', () => {
    const turned: string[] = [];
    function Page() {
      useKey('turn-left', () => turned.push('left'));
      useKey('turn-right', () => turned.push('right'));
      return null;
    }
    render(<Page />);
    fireEvent.keyDown(document, { key: '<', code: 'Comma', shiftKey: true });
    fireEvent.keyDown(document, { key: '>', code: 'Period', shiftKey: true });
    fireEvent.keyDown(document, { key: '>', code: 'Period' });
    expect(turned).toEqual(['left', 'right', 'right']);
  });
});
