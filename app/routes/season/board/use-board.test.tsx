import { act, renderHook } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Case, Plan } from '@core/records/case';
import { doseKey } from '@core/season/plan/dose-key';
import { moveDose, removeDose, setRate } from '@core/season/edit/edit-plan';
import { GOOD, okonedo } from '@core/season/front-lawn.fixture';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import { workOf } from '../../../work/property-work';
import { useBoard } from './use-board';

const TODAY = '2027-04-05';
const solved: Plan['solved'] = { on: TODAY, status: 'optimal', gapPercent: 0.4, aim: 'balanced' };
const plan: Plan = { id: 'plan-2027', year: 2027, products: undefined, solved, doses: GOOD };
const file: Case = { ...okonedo, plans: [plan] };
const opened = (given = file) => {
  const store = vi.fn();
  const work = workOf(given, TODAY, null);
  const { result } = renderHook(() => useBoard(work, store));
  return { store, board: () => result.current };
};
const must = <T,>(value: T | Refusal): T => {
  if (isRefusal(value)) throw new Error(value.refused);
  return value;
};
const first = doseKey(GOOD[0]!);
const moved = must(moveDose(GOOD, first, 9));

describe('the plan on the board', () => {
  it('begins with the stored plan and how it was found, with nothing to undo', () => {
    const { board, store } = opened();
    expect(board().doses).toEqual(GOOD);
    expect(board().solved).toBe(solved);
    expect([board().canUndo, board().canRedo]).toEqual([false, false]);
    act(() => board().undo());
    act(() => board().redo());
    expect(store).not.toHaveBeenCalled();
  });
  it('begins with the plain draft where nothing is planned', () => {
    const { board } = opened({ ...okonedo, plans: [] });
    expect(board().doses.length).toBeGreaterThan(0);
    expect(board().solved).toBeUndefined();
  });
  it('judges a step at once, says what it broke, and stores it as no longer proven', () => {
    const { board, store } = opened();
    act(() => board().take(moved, 'Moved'));
    expect(board().consequence?.says).toBe('Moved');
    expect(board().consequence?.of.broken.map((c) => c.id)).toContain('heat');
    expect(board().judged.checks.find((c) => c.id === 'heat')?.standing).toBe('fail');
    expect(board().solved).toBeUndefined();
    expect(store).toHaveBeenLastCalledWith({ doses: moved, solved: undefined });
  });
  it('goes back and forth, and back at the found plan it is proven again', () => {
    const { board, store } = opened();
    act(() => board().take(moved, 'Moved'));
    act(() => board().undo());
    expect(board().doses).toEqual(GOOD);
    expect(board().solved).toBe(solved);
    expect(store).toHaveBeenLastCalledWith({ doses: GOOD, solved });
    expect(board().consequence?.of.mended.map((c) => c.id)).toContain('heat');
    act(() => board().redo());
    expect(board().doses).toBe(moved);
    expect(board().canRedo).toBe(false);
  });
  it('forgets what was undone once another way is taken', () => {
    const { board } = opened();
    act(() => board().take(moved, 'Moved'));
    act(() => board().undo());
    const fewer = removeDose(GOOD, first);
    act(() => board().take(fewer, 'Removed'));
    expect(board().canRedo).toBe(false);
    act(() => board().undo());
    expect(board().doses).toEqual(GOOD);
  });
  it('takes a plan that was found with the proof it brings', () => {
    const { board, store } = opened();
    const found: Plan['solved'] = { on: TODAY, status: 'feasible', gapPercent: 3, aim: 'cheapest' };
    act(() => board().take(GOOD.slice(1), 'Plan found', found));
    expect(board().solved).toBe(found);
    expect(store).toHaveBeenLastCalledWith({ doses: GOOD.slice(1), solved: found });
  });
  it('keeps two hundred steps back', () => {
    const { board } = opened();
    for (let step = 1; step <= 203; step++)
      act(() => board().take(must(setRate(board().doses, first, 1 + step / 100)), `Step ${step}`));
    for (let step = 0; step < 200; step++) act(() => board().undo());
    expect(board().canUndo).toBe(false);
    // the first three are beyond reach
    expect(board().doses.find((d) => doseKey(d) === first)?.rateLb).toBeCloseTo(1.03, 9);
  });
});
