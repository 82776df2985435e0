import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';

const day = (label: string) => quantity('day of the year')(label, { min: 0, max: 365 });
/** So many days off a dose is still on time. Common practice: a week either way. */
const ON_TIME_DAYS = 7;

/** Whether a dose came in its time. Planned on day 100, given on day 106, open from 90 to 150: 6 days off, on time. */
export const logTiming = defineReckoning({
  id: 'log.timing',
  title: 'In its time',
  about: 'How far a dose was from its planned day, and whether the window was open when it went down.',
  inputs: {
    plannedDay: day('planned day'),
    givenDay: day('day it went down'),
    fromDay: day('first open day'),
    toDay: day('last open day'),
  },
  unit: 'daysOff: days; standing: word',
  formula: ['days off = given − planned', 'the window first, then a week either way'],
  sources: [{ cite: 'A week either way is on time', standing: 'common practice' }],
  limits: ['Days of one year.'],
  example: {
    inputs: { plannedDay: 100, givenDay: 106, fromDay: 90, toDay: 150 },
    value: { daysOff: 6, standing: 'on-time' },
  },
  reckon({ plannedDay, givenDay, fromDay, toDay }, work) {
    const daysOff = work.step(
      'days off',
      'givenDay − plannedDay',
      { givenDay, plannedDay },
      givenDay - plannedDay,
      'days',
    );
    const isOpen = givenDay >= fromDay && givenDay <= toDay;
    const standing = !isOpen
      ? 'out-of-window'
      : daysOff < -ON_TIME_DAYS
        ? 'early'
        : daysOff > ON_TIME_DAYS
          ? 'late'
          : 'on-time';
    return { daysOff, standing };
  },
});
