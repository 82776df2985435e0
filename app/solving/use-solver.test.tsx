import { act, renderHook, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Case, PlannedDose } from '@core/records/case';
import type { BestPlan, PlanProgress } from '@core/season/planner/plan-best';
import { useSolver } from './use-solver';

const worker = vi.hoisted(() => ({
  report: undefined as ((progress: PlanProgress) => void) | undefined,
  answer: undefined as ((plan: BestPlan) => void) | undefined,
  ended: 0,
}));

vi.mock('comlink', () => ({
  proxy: (f: unknown) => f,
  releaseProxy: 'release',
  wrap: () => ({
    release: () => undefined,
    here: () => Promise.resolve(true),
    warm: () => Promise.resolve(),
    solve: (_case: Case, _year: number, _asOf: string, _wishes: unknown, report: (progress: PlanProgress) => void) =>
      new Promise<BestPlan>((resolve) => {
        worker.report = report;
        worker.answer = resolve;
      }),
  }),
}));

const dose = { zoneId: 'z', date: '2027-05-10', productId: 'p', for: 'N', rateLb: 2 } as PlannedDose;
const given = { zones: [] } as unknown as Case;
const begun = () => {
  const hook = renderHook(() => useSolver(given, 2027, '2027-04-05'));
  let found: Promise<unknown> = Promise.resolve();
  act(() => {
    found = hook.result.current.solve(given, 2027, '2027-04-05', {});
  });
  return { ...hook, found };
};

describe('the search in its worker', () => {
  beforeEach(() => {
    worker.ended = 0;
    vi.stubGlobal(
      'Worker',
      class {
        addEventListener() {}
        terminate() {
          worker.ended++;
        }
      },
    );
  });
  afterEach(() => vi.unstubAllGlobals());

  it('shows what is known so far, and a better plan stays when a report brings none', () => {
    const { result } = begun();
    expect(result.current.progress.now()).toEqual({ seconds: 0 });
    act(() => worker.report?.({ seconds: 1, best: 90, doses: [dose] }));
    act(() => worker.report?.({ seconds: 2, best: 90, bound: 81, gapPercent: 10 }));
    expect(result.current.progress.now()).toEqual({ seconds: 2, best: 90, bound: 81, gapPercent: 10, doses: [dose] });
  });
  it('is over with its answer, though a last report comes in after it', async () => {
    const { result, found } = begun();
    await act(async () => {
      worker.answer?.({ status: 'optimal', doses: [dose], gapPercent: 0.5, setAside: [] });
      await found;
    });
    act(() => worker.report?.({ seconds: 3, gapPercent: 0.5 }));
    await waitFor(() => expect(result.current.progress.now()).toBeUndefined());
  });
  it('stops at once with the best so far and its gap, and another search may begin', async () => {
    const { result, found } = begun();
    act(() => worker.report?.({ seconds: 1, gapPercent: 12, doses: [dose] }));
    act(() => result.current.stop());
    await expect(found).resolves.toEqual({ status: 'stopped', doses: [dose], gapPercent: 12 });
    expect(worker.ended).toBe(1);
    await waitFor(() => expect(result.current.progress.now()).toBeUndefined());
    act(() => void result.current.solve(given, 2027, '2027-04-05', {}));
    expect(result.current.progress.now()).toEqual({ seconds: 0 });
  });
});
