import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type History, historyOf, stepBack, stepForward, stepTo } from './history';

describe('a history', () => {
  it('goes back through every step and forward to the last, whatever was done', () => {
    fc.assert(
      fc.property(fc.array(fc.integer(), { maxLength: 60 }), (steps) => {
        let history: History<number> = historyOf(-1);
        for (const step of steps) history = stepTo(history, step);
        const seen = [history.now];
        for (let i = 0; i < steps.length; i++) seen.unshift((history = stepBack(history)).now);
        expect(seen).toEqual([-1, ...steps]);
        expect(stepBack(history)).toBe(history);
        for (let i = 0; i < steps.length; i++) history = stepForward(history);
        expect(history.now).toBe(steps.at(-1) ?? -1);
        expect(stepForward(history)).toBe(history);
      }),
    );
  });
  it('forgets what was undone when a new step is taken, and steps older than two hundred', () => {
    const branched = stepTo(stepBack(stepTo(stepTo(historyOf('a'), 'b'), 'c')), 'd');
    expect(branched).toEqual({ past: ['a', 'b'], now: 'd', future: [] });
    let long: History<number> = historyOf(0);
    for (let i = 1; i <= 250; i++) long = stepTo(long, i);
    expect([long.past.length, long.past[0]]).toEqual([200, 50]);
  });
  it('keeps what else lies beside it', () => {
    const draft = { ...historyOf(1), cross: [0, 0] };
    expect(stepBack(stepTo(draft, 2))).toEqual({ past: [], now: 1, future: [2], cross: [0, 0] });
  });
});
