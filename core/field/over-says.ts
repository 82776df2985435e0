import type { OverStanding } from '../log/over-or-under';

/** What is done about too much or too little, as it is said beside the scale. Common practice; whoever was hurt comes first. */
const SAYS: Record<OverStanding, (laterDays: number) => string> = {
  missed: () => 'Not enough to count. Put the rest down within 14 days where the window is open, and weigh both.',
  short: () =>
    'No second pass today unless a strip was missed: then only the strip, by its feet. The planner takes up the rest.',
  within: () => 'Nothing to do.',
  'a-little-over': (days) => `The next nitrogen comes ${days} days later.`,
  over: (days) =>
    `So much more is so much more salt. Water in 0.5 in within 12 hours, in cycles, nothing off the turf; beside water, on a slope or on sand do not flush, but rake or vacuum up first. Mow as it grows, clippings stay. The next nitrogen comes ${days} days later, or not at all. Look for burnt tips on days 3 and 7.`,
  burn: () =>
    'A burn is likely. Do not water yet. Keep people off. Sweep or vacuum up the granules while they are dry and weigh them back. Then 1 in of water in cycles, half today and half tomorrow, unless water or a drain is near. No nitrogen until it is used up. Tell the client.',
};

/** @example overSays('within', 0) // 'Nothing to do.' */
export const overSays = (standing: OverStanding, laterDays: number): string => SAYS[standing](laterDays);
