import { act, fireEvent, render, renderHook, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Case, type PlannedDose, readCase } from '@core/formats/case';
import { isRefusal } from '@core/reckoning/refusal';
import { judgePlan } from '@core/season/edit-consequence';
import { planSeason } from '@core/season/plan';
import { withDoses } from '@core/season/with-doses';
import { BoardChecks } from './board-checks';
import { checkKey, NO_MENDINGS, useMendings } from './use-mendings';

const read = readCase(readFileSync('demo/okonedo-residence.json', 'utf8'));
if (isRefusal(read)) throw new Error(read.refused);
const file: Case = read;
const draft = planSeason(file, 2027);
const dose = (date: string, productId: string, rateLb: number): PlannedDose => ({
  zoneId: 'front-lawn',
  date,
  productId,
  for: 'N',
  rateLb,
});
const hot = [dose('2027-07-19', 'coated-urea-42', 2), dose('2027-10-18', 'ammonium-sulfate-21', 2.6)];
const judgedOf = (doses: readonly PlannedDose[]) => judgePlan(file, withDoses(draft, file, doses));

describe('what would mend a check', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it('is tried out after the page has drawn, and thrown away with the plan it was for', () => {
    const judged = judgedOf(hot);
    const { result, rerender } = renderHook(({ doses, of }) => useMendings(file, draft, doses, of), {
      initialProps: { doses: hot, of: judged },
    });
    expect(result.current).toBe(NO_MENDINGS);
    act(() => void vi.runAllTimers());
    const heat = judged.checks.find((c) => c.id === 'heat')!;
    expect(result.current.get(checkKey(heat))?.[0]?.says).toMatch(/^Move 19 Jul to /);
    rerender({ doses: hot.slice(1), of: judgedOf(hot.slice(1)) });
    expect(result.current).toBe(NO_MENDINGS);
  });
  it('stands as buttons under the check, the nearest first, with what it costs besides', () => {
    const judged = judgedOf(hot);
    const { result } = renderHook(() => useMendings(file, draft, hot, judged));
    act(() => void vi.runAllTimers());
    const mend = vi.fn();
    render(<BoardChecks judged={judged} zoneId="front-lawn" mendings={result.current} onMend={mend} />);
    const ways = within(screen.getByRole('list', { name: 'What would mend it: Heat' })).getAllByRole('button');
    expect(ways.length).toBeGreaterThan(0);
    fireEvent.click(ways[0]!);
    const taken = mend.mock.calls[0]![0] as { doses: PlannedDose[] };
    expect(judgedOf(taken.doses).checks.find((c) => c.id === 'heat')?.standing).toBe('pass');
  });
  it('shows checks without any where nothing was found', () => {
    render(<BoardChecks judged={judgedOf(hot)} zoneId="front-lawn" mendings={NO_MENDINGS} onMend={vi.fn()} />);
    expect(screen.getByText('Heat')).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
  });
});
