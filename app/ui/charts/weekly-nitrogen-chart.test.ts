import { describe, expect, it } from 'vitest';
import { stepsOf, weeklyNitrogenOptions, weeklyNitrogenSvg } from './weekly-nitrogen-chart';
import { usUnits } from '../format';

const weeks = (from: number, ...lb: number[]) => Array.from({ length: 53 }, (_, w) => lb[w - from] ?? 0);
const chart = {
  demand: weeks(10, 0.1, 0.1, 0.1, 0.1),
  supply: [
    { date: '2027-03-15', name: 'Coated urea', lb: 0.8, byWeek: weeks(10, 0.2, 0.3, 0.3), given: false },
    { date: '2027-03-22', name: 'Plain urea', lb: 0.5, byWeek: weeks(11, 0.25, 0.25), given: true },
  ],
  todayDay: 90,
  left: 164,
  label: 'Nitrogen by the week',
};

describe('nitrogen by the week', () => {
  it('steps up where a dose begins to feed and closes along its lower edge', () => {
    expect(stepsOf(weeks(10, 0.2, 0.3), weeks(10, 0, 0.1))).toEqual([
      [9.5, 0.2],
      [10.5, 0.2],
      [10.5, 0.4],
      [11.5, 0.4],
      [11.5, 0.1],
      [10.5, 0.1],
      [10.5, 0],
      [9.5, 0],
    ]);
  });
  it('draws nothing for a dose that frees nothing within the year', () => {
    expect(stepsOf(weeks(0), weeks(0))).toEqual([]);
    expect(stepsOf(weeks(52, 0.3), weeks(0))).toEqual([]);
  });
  it('leaves room above the tallest week, on a scale of twentieths', () => {
    const options = weeklyNitrogenOptions({ ...chart, units: usUnits }, 1000) as {
      yAxis: { max: number; interval: number };
    };
    expect(options.yAxis.max).toBeGreaterThan(0.55);
    expect(options.yAxis.max).toBeLessThanOrEqual(0.65);
  });
  it('makes a picture for print that names each amount once', () => {
    const svg = weeklyNitrogenSvg({ ...chart, units: usUnits }, 700, 200);
    expect(svg).toMatch(/^<svg/);
    expect(svg.match(/>0\.80</g)).toHaveLength(1);
    expect(svg.match(/>0\.50</g)?.length).toBeGreaterThanOrEqual(1);
  });
});
