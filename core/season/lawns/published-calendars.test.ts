import { describe, expect, it } from 'vitest';
import type { Zone } from '../../records/case';
import { caseOf } from '../any-lawn.fixture';
import { planSeason } from '../draft/plan-season';
import { isFeedingLb } from '../plan/feeding';
import { withDoses } from '../plan/with-doses';
import { planBest } from '../planner/plan-best';
import { highs } from '../planner/planner.fixture';

/**
 * Months and yearly pounds of published extension calendars beside the plans found for the same grass in a like climate. All of them are from
 * memory: names are given so that they can be looked up, figures may be off by a month or a quarter pound.
 */
interface PublishedCalendar {
  grass: Zone['grass'];
  climate: string;
  more?: Partial<Zone>;
  cite: string;
  /** Months in which it feeds nitrogen, 1 for January. */
  months: readonly number[];
  /** lb N/1000 ft2 of a year. */
  yearLb: readonly [least: number, most: number];
  /** Feedings of a year. */
  feedings: readonly [least: number, most: number];
  /** Where our plan feeds in another month, and why it may. */
  differs?: { month: number; because: string }[];
}

const CALENDARS: readonly PublishedCalendar[] = [
  {
    grass: 'tall-fescue',
    climate: 'transition',
    cite: 'NC State Extension, Carolina Lawns (AG-69) and its tall fescue calendar, from memory',
    months: [2, 3, 9, 10, 11],
    yearLb: [2.5, 3.5],
    feedings: [3, 5],
    differs: [
      { month: 4, because: 'the invented transition climate greens later; a small dose before spring ends (C1)' },
      { month: 8, because: 'fall starts with the cooling of the last August days in that climate (C1)' },
    ],
  },
  {
    grass: 'tall-fescue',
    climate: 'transition',
    more: { irrigated: false },
    cite: 'University of Missouri Extension, Cool-Season Grasses: Lawn Maintenance Calendar (G6705), from memory',
    months: [5, 9, 10, 11],
    yearLb: [2, 3],
    feedings: [2, 4],
    differs: [{ month: 4, because: 'as above' }],
  },
  {
    grass: 'kentucky-bluegrass',
    climate: 'cool-north',
    cite: 'Purdue Extension, Fertilizing Established Cool-Season Lawns (AY-22-W), irrigated, from memory',
    months: [5, 6, 7, 8, 9, 10, 11],
    yearLb: [2, 4],
    feedings: [3, 5],
  },
  {
    grass: 'bermudagrass',
    climate: 'warm-southeast',
    cite: 'NC State Extension, bermudagrass lawn maintenance calendar (AG-431), from memory',
    months: [4, 5, 6, 7, 8, 9],
    yearLb: [2, 6],
    feedings: [3, 6],
  },
  {
    grass: 'zoysiagrass',
    climate: 'warm-southeast',
    cite: 'Clemson HGIC, zoysiagrass yearly maintenance program, from memory',
    months: [4, 5, 6, 7, 8],
    yearLb: [1, 3],
    feedings: [2, 4],
  },
  {
    grass: 'zoysiagrass',
    climate: 'transition',
    cite: 'University of Missouri Extension, zoysiagrass (G6706), from memory',
    months: [5, 6, 7, 8],
    yearLb: [1, 3],
    feedings: [2, 4],
  },
  {
    grass: 'centipedegrass',
    climate: 'warm-southeast',
    cite: 'University of Georgia and Clemson HGIC, centipedegrass yearly maintenance program, from memory',
    months: [5, 6, 7, 8],
    yearLb: [0.5, 2],
    feedings: [1, 2],
  },
  {
    grass: 'st-augustinegrass',
    climate: 'warm-southeast',
    cite: 'UF/IFAS, Homeowner Best Management Practices for the Home Lawn (ENH979), north Florida, from memory',
    months: [3, 4, 5, 6, 7, 8, 9, 10],
    yearLb: [2, 4],
    feedings: [2, 6],
  },
  {
    grass: 'creeping-bentgrass',
    climate: 'cool-north',
    more: { turf: 'close-cut', texture: 'sand' },
    cite: 'Turner & Hummel 1992, Nutritional requirements and fertilization (Turfgrass, ASA 32): greens, from memory',
    months: [4, 5, 6, 7, 8, 9, 10, 11],
    yearLb: [2, 6],
    feedings: [6, 20],
  },
  {
    grass: 'creeping-bentgrass',
    climate: 'transition',
    more: { turf: 'close-cut', texture: 'sand' },
    cite: 'the same, from memory',
    months: [3, 4, 5, 6, 7, 8, 9, 10, 11],
    yearLb: [2, 6],
    feedings: [6, 20],
  },
];

describe('plans beside published calendars', () => {
  it.each(CALENDARS)('$grass, $climate: $cite', ({ grass, climate, more, months, yearLb, feedings, differs = [] }) => {
    const given = caseOf({ grass, irrigated: true, ...more }, {}, climate);
    const draft = planSeason(given, 2027);
    const plan = withDoses(draft, given, planBest(highs, given, draft).doses);
    const fed = plan.zones[0]!.doses.filter((d) => isFeedingLb(d.delivers.N ?? 0));
    const total = fed.reduce((sum, d) => sum + (d.delivers.N ?? 0), 0);
    expect(total).toBeGreaterThanOrEqual(yearLb[0] - 0.05);
    expect(total).toBeLessThanOrEqual(yearLb[1] + 0.05);
    const days = new Set(fed.map((d) => d.date));
    expect(days.size).toBeGreaterThanOrEqual(feedings[0]);
    expect(days.size).toBeLessThanOrEqual(feedings[1]);
    // a month outside the calendar has its reason, and no reason stands for nothing
    const outside = [...new Set(fed.map((d) => Number(d.date.slice(5, 7))))].filter((month) => !months.includes(month));
    expect(outside.sort((a, b) => a - b)).toEqual(differs.map((d) => d.month));
  });
});
