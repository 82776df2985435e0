import { describe, expect, it } from 'vitest';
import { caseOf } from '../any-lawn.fixture';
import { planSeason } from '../draft/plan-season';
import { closedToNitrogen } from './season-windows';

describe('a day closed to nitrogen', () => {
  it('is named by what closes it; frozen ground is closed to everything and named by nothing', () => {
    const plan = planSeason(
      caseOf(
        {},
        { codes: [{ id: 'c', name: 'Shore code', closed: [{ from: '11-16', to: '11-30', nutrients: ['N'] }] }] },
      ),
      2027,
    );
    expect(closedToNitrogen(plan, 'z', '2027-11-22')).toBe('Shore code');
    expect(closedToNitrogen(plan, 'z', '2027-07-19')).toBe('Heat');
    expect(closedToNitrogen(plan, 'z', '2027-05-03')).toBeUndefined();
    expect(closedToNitrogen(plan, 'other', '2027-07-19')).toBeUndefined();
    const north = planSeason(caseOf({}, {}, 'cool-north'), 2027);
    expect(closedToNitrogen(north, 'z', '2027-01-18')).toBeUndefined();
  });
});
