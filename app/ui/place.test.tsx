import { act, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter, useLocation } from 'react-router';
import { describe, expect, it } from 'vitest';
import { usePlace } from './place';

function Page() {
  const [, change] = usePlace();
  const { hash } = useLocation();
  const set = (key: string, value: string) =>
    change((before) => {
      before.set(key, value);
      return before;
    });
  return (
    <>
      <output>{hash}</output>
      <button
        type="button"
        onClick={() => {
          set('n', '0');
          set('k', '0');
        }}
      >
        both
      </button>
      <button type="button" onClick={() => change((before) => (before.delete('n'), before))}>
        less
      </button>
    </>
  );
}

describe('the place of a page', () => {
  it('two changes before the page is drawn again both stand, and a later one goes on from what is drawn', () => {
    render(
      <MemoryRouter initialEntries={['/#zone=a']}>
        <Page />
      </MemoryRouter>,
    );
    act(() => void fireEvent.click(screen.getByText('both')));
    expect(screen.getByRole('status').textContent).toBe('#zone=a&n=0&k=0');
    act(() => void fireEvent.click(screen.getByText('less')));
    expect(screen.getByRole('status').textContent).toBe('#zone=a&k=0');
    act(() => void fireEvent.click(screen.getByText('both')));
    expect(screen.getByRole('status').textContent).toBe('#zone=a&k=0&n=0');
  });
});
