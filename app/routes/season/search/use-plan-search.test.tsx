import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Plan } from '@core/records/case';
import { dose, GOOD, okonedo } from '@core/season/front-lawn.fixture';
import { workOf } from '../../../work/property-work';
import { type PlanSearch, usePlanSearch } from './use-plan-search';
import type { Found } from '../../../solving/use-solver';

const solver = vi.hoisted(() => ({ solve: vi.fn(), stop: vi.fn() }));
vi.mock('../../../solving/use-solver', () => ({ useSolver: () => ({ search: undefined, ...solver }) }));

const TODAY = '2027-04-05';
const found = (gapPercent: number, doses = GOOD): Found => ({ status: 'optimal', doses, gapPercent, setAside: [] });
function opened(change: Partial<PlanSearch> = {}) {
  const acts = { onBegin: vi.fn(), onFound: vi.fn(), onBeside: vi.fn(), onFault: vi.fn() };
  const props: PlanSearch = {
    work: workOf(okonedo, TODAY, null),
    aim: 'balanced',
    doses: GOOD,
    busy: false,
    ...acts,
    ...change,
  };
  return { acts, ...renderHook((given: PlanSearch) => usePlanSearch(given), { initialProps: props }), props };
}
const wishesOf = (call: number) => solver.solve.mock.calls[call]![3] as Record<string, unknown>;

describe('searching for a plan', () => {
  beforeEach(() => {
    solver.solve.mockReset();
    solver.stop.mockReset();
  });

  it('hands what is locked and wished to the planner, and what it finds to the board with its proof', async () => {
    solver.solve.mockResolvedValue(found(0.4));
    const locked = { ...GOOD[0]!, locked: true };
    const { result, acts } = opened({ doses: [locked, ...GOOD.slice(1)], aim: 'cheapest' });
    act(() => result.current.ask());
    await waitFor(() => expect(acts.onFound).toHaveBeenCalledOnce());
    expect(wishesOf(0)).toMatchObject({ aim: 'cheapest', locked: [locked] });
    const [doses, says, solved] = acts.onFound.mock.calls[0] as [typeof GOOD, string, Plan['solved']];
    expect([doses, says]).toEqual([GOOD, 'Plan found']);
    expect(solved).toEqual({ on: TODAY, status: 'optimal', gapPercent: 0.4, aim: 'cheapest' });
  });
  it('waits for a wish that is still being stored', async () => {
    solver.solve.mockResolvedValue(found(0.4));
    const { result, rerender, props } = opened({ busy: true });
    act(() => result.current.ask());
    expect(solver.solve).not.toHaveBeenCalled();
    rerender({ ...props, busy: false });
    await waitFor(() => expect(solver.solve).toHaveBeenCalledOnce());
  });
  it('leaves the board alone where nothing was found in the work of a search', async () => {
    solver.solve.mockResolvedValueOnce({ status: 'drafted', doses: [], setAside: [] });
    const { result, acts } = opened();
    act(() => result.current.ask());
    await waitFor(() => expect(result.current.found?.status).toBe('drafted'));
    expect(acts.onFound).not.toHaveBeenCalled();
  });
  it('takes a plan without doses where nothing may go down', async () => {
    solver.solve.mockResolvedValueOnce({ status: 'optimal', doses: [], gapPercent: 0, setAside: [] });
    const { result, acts } = opened();
    act(() => result.current.ask());
    await waitFor(() => expect(acts.onFound).toHaveBeenCalledOnce());
  });
  it('takes the best so far of a search that was stopped, and nothing where there was none', async () => {
    const { result, acts } = opened();
    solver.solve.mockResolvedValueOnce({ status: 'stopped', doses: GOOD, gapPercent: 12 });
    act(() => result.current.ask());
    await waitFor(() => expect(acts.onFound).toHaveBeenCalledOnce());
    expect(acts.onFound.mock.calls[0]![2]).toMatchObject({ status: 'feasible', gapPercent: 12 });
    solver.solve.mockResolvedValueOnce({ status: 'stopped', doses: [] });
    act(() => result.current.ask());
    await waitFor(() => expect(result.current.found?.doses).toEqual([]));
    expect(acts.onFound).toHaveBeenCalledOnce();
  });
  it('hands over to the board as it is when the answer comes, so that edits made meanwhile can be undone', async () => {
    let answer: (plan: Found) => void = () => undefined;
    solver.solve.mockReturnValue(new Promise<Found>((resolve) => (answer = resolve)));
    const { result, rerender, props, acts } = opened();
    act(() => result.current.ask());
    const later = vi.fn();
    rerender({ ...props, onFound: later, doses: GOOD.slice(1) });
    await act(async () => answer(found(0.4)));
    await waitFor(() => expect(later).toHaveBeenCalledOnce());
    expect(acts.onFound).not.toHaveBeenCalled();
  });
  it('finds the plans of the other aims one after the other, named by what they were asked for', async () => {
    const cheap = [dose('2027-05-17', 'ammonium-sulfate-21', 4)];
    solver.solve.mockResolvedValueOnce(found(0.3, cheap)).mockResolvedValueOnce(found(0.2));
    const { result, acts } = opened();
    await act(async () => result.current.findBeside());
    expect([wishesOf(0).aim, wishesOf(1).aim]).toEqual(['cheapest', 'fewest-trips']);
    const plans = acts.onBeside.mock.calls.map(([plan]) => plan as Plan);
    expect(plans.map(({ name, aside }) => [name, aside])).toEqual([
      ['Cheapest, two steps', true],
      ['Fewest trips, two steps', true],
    ]);
    expect(plans[0]!.doses).toEqual(cheap);
    expect(new Set(plans.map((p) => p.id)).size).toBe(2);
    expect(acts.onFound).not.toHaveBeenCalled();
  });
  it('keeps what was found beside the plan when the rest is stopped', async () => {
    solver.solve.mockResolvedValueOnce(found(0.3)).mockResolvedValueOnce({ status: 'stopped', doses: GOOD });
    const { result, acts } = opened();
    await act(async () => result.current.findBeside());
    expect(acts.onBeside).toHaveBeenCalledOnce();
  });
  it('says so where the planner cannot run', async () => {
    solver.solve.mockRejectedValue(new Error('the module was not found'));
    const { result, acts } = opened();
    act(() => result.current.ask());
    await waitFor(() =>
      expect(acts.onFault).toHaveBeenCalledWith(
        'The planner could not run: the module was not found. The plan is as it was.',
      ),
    );
  });
});
