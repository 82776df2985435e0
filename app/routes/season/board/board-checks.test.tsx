import { act, fireEvent, render, renderHook, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlannedDose } from '@core/records/case';
import { dose, draft, judged, okonedo } from '@core/season/front-lawn.fixture';
import { BoardChecks } from './board-checks';
import { checkKey, NO_EDITS, useEditsThatMend } from './use-edits-that-mend';

const hot = [dose('2027-07-19', 'coated-urea-42', 2), dose('2027-10-18', 'ammonium-sulfate-21', 2.6)];
describe('what would mend a check', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it('is tried out after the page has drawn, and thrown away with the plan it was for', () => {
    const before = judged(hot);
    const { result, rerender } = renderHook(({ doses, of }) => useEditsThatMend(okonedo, draft, doses, of), {
      initialProps: { doses: hot, of: before },
    });
    expect(result.current).toBe(NO_EDITS);
    act(() => void vi.runAllTimers());
    const heat = before.checks.find((c) => c.id === 'heat')!;
    expect(result.current.get(checkKey(heat))?.[0]?.says).toMatch(/^Move 19 Jul to /);
    rerender({ doses: hot.slice(1), of: judged(hot.slice(1)) });
    expect(result.current).toBe(NO_EDITS);
  });
  it('stands as buttons under the check, the nearest first, with what it costs besides', () => {
    const before = judged(hot);
    const { result } = renderHook(() => useEditsThatMend(okonedo, draft, hot, before));
    act(() => void vi.runAllTimers());
    const mend = vi.fn();
    render(
      <BoardChecks judged={before} reviews={[]} zoneId="front-lawn" editsThatMend={result.current} onMend={mend} />,
    );
    const ways = within(screen.getByRole('list', { name: 'What would mend it: Heat' })).getAllByRole('button');
    expect(ways.length).toBeGreaterThan(0);
    fireEvent.click(ways[0]!);
    const taken = mend.mock.calls[0]![0] as { doses: PlannedDose[] };
    expect(judged(taken.doses).checks.find((c) => c.id === 'heat')?.standing).toBe('pass');
  });
  it('shows checks without any where nothing was found', () => {
    render(
      <BoardChecks
        judged={judged(hot)}
        reviews={[{ code: 'Alder borough', says: 'Checked 15 months ago.' }]}
        zoneId="front-lawn"
        editsThatMend={NO_EDITS}
        onMend={vi.fn()}
      />,
    );
    expect(screen.queryAllByText('Heat')).toHaveLength(1);
    expect(screen.queryByRole('button')).toBeNull();
    // a code that is due says so and is no check: nothing fails by it
    expect(screen.getByText('Alder borough: Checked 15 months ago.')).toBeTruthy();
  });
});
