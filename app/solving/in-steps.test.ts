import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Steps } from '@core/season/edit/steps';
import { inSteps } from './in-steps';

/** Work of some steps, each of so many milliseconds. */
const work = (name: string, steps: number, stepMs: number) =>
  function* (): Steps<string> {
    for (let i = 0; i < steps; i++) {
      vi.setSystemTime(Date.now() + stepMs);
      clock += stepMs;
      yield;
    }
    return name;
  };
let clock = 0;

describe('work done in steps', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    clock = 0;
    vi.spyOn(performance, 'now').mockImplementation(() => clock);
  });
  afterEach(() => {
    vi.restoreAllMocks();
    vi.useRealTimers();
  });

  it('answers one after the other, and lets the page in whenever ten milliseconds have passed', () => {
    const answers: string[] = [];
    inSteps([work('first', 5, 4), work('second', 1, 4)], (value, at) => answers.push(`${at} ${value}`));
    // nothing before the page has drawn; three steps of four milliseconds are more than ten
    expect(answers).toEqual([]);
    vi.advanceTimersToNextTimer();
    expect(clock).toBe(12);
    vi.runAllTimers();
    expect(answers).toEqual(['0 first', '1 second']);
  });
  it('is given up in the middle', () => {
    const done = vi.fn();
    const giveUp = inSteps([work('long', 100, 4)], done);
    vi.advanceTimersToNextTimer();
    giveUp();
    vi.runAllTimers();
    expect(done).not.toHaveBeenCalled();
    expect(clock).toBe(12);
  });
  it('does nothing where there is nothing to do', () => {
    const done = vi.fn();
    inSteps([], done);
    vi.runAllTimers();
    expect(done).not.toHaveBeenCalled();
  });
});
