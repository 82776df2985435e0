import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import type { CareTask } from '../care/tasks';
import { PURPOSE_CAUTIONS } from '../season/rules/cautions';
import { addDays } from '../days/day';
import type { PlanSheet, SheetLine } from '../season/output/plan-sheet';
import { flOzOf } from '../products/as-weighed';
import { fixed } from '../words/numbers';

/** A reminder comes so long before the day, s: time to buy and to look at the forecast. */
const REMIND_BEFORE_S = { week: 7 * 86_400, day: 86_400 } as const;

/** An amount as it is taken: weighed, or of a liquid by the jug. */
const taken = (lb: number, lbPerGal: number | undefined, decimals: number): string =>
  lbPerGal === undefined
    ? `${fixed(lb, decimals)} lb product`
    : `${fixed(flOzOf(lb, lbPerGal), decimals)} fl oz product`;
const lineWords = ({ zone, weighOutLb, ratePer1000Lb, lbPerGal, product, face, why }: SheetLine): string =>
  `${zone}: ${taken(weighOutLb, lbPerGal, 1)} of ${product}${face ? ` ${face}` : ''} (${taken(ratePer1000Lb, lbPerGal, 2)} per 1000 sq ft). ${why}`;

/**
 * The plan as a calendar (RFC 5545): a day-long event a trip, with what is weighed out where, the cautions in its text,
 * and two reminders; care tasks as events of their own. Events keep their names when the file is made again, so that a
 * calendar program updates rather than doubles them.
 *
 * @param said puts a sentence in the units of whoever reads it
 * @param stamp when the file is made, ISO date and time: the core has no clock
 */
export function printPlanCalendar(
  sheet: PlanSheet,
  propertyId: string,
  stamp: string,
  care: readonly CareTask[] = [],
  said: (sentence: string) => string = (sentence) => sentence,
): string {
  const calendar = ical({
    name: `${sheet.property}, season ${sheet.year}`,
    prodId: { company: 'Ubertas', product: 'season plan', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  const name = (part: string) => `${propertyId}-${part}@ubertas`.replaceAll(/[^\w@.-]/g, '-');
  for (const { date, lines } of sheet.trips) {
    const purposes = [...new Set(lines.map((line) => line.for))];
    const cautions = [...purposes.map((purpose) => PURPOSE_CAUTIONS[purpose]), ...sheet.cautions];
    const event = calendar.createEvent({
      id: name(date),
      start: date,
      end: addDays(date, 1),
      allDay: true,
      stamp,
      summary: `Spread at ${sheet.property}: ${[...new Set(lines.map((line) => line.zone))].join(', ')}`,
      description: [...lines.map(lineWords), '', ...cautions].map(said).join('\n'),
    });
    event.createAlarm({
      type: ICalAlarmType.display,
      trigger: REMIND_BEFORE_S.week,
      description: `In a week: ${[...new Set(lines.map((line) => line.product))].join(', ')} at ${sheet.property}`,
    });
    event.createAlarm({
      type: ICalAlarmType.display,
      trigger: REMIND_BEFORE_S.day,
      description: `Tomorrow at ${sheet.property}: look at the forecast first`,
    });
  }
  for (const task of care)
    calendar.createEvent({
      id: name(`${task.zoneId}-${task.id}-${task.from}`),
      start: task.from,
      end: addDays(task.to, 1),
      allDay: true,
      stamp,
      summary: `${task.zone}: ${task.title}`,
      description: said(`${task.says}\nWhen: ${task.condition}`),
    });
  return calendar.toString();
}
