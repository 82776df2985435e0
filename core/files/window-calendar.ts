import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import { addHours } from '../days/day';

/** A reminder comes so long before the window opens, s. */
const REMIND_BEFORE_S = 3_600;

/**
 * A window of a job as a calendar (RFC 5545): one event in local time, with a reminder an hour before. It has its name by the job, so that
 * a later window of the same job takes its place.
 *
 * @param from first hour, '2027-09-10T07'
 * @param to last hour, that hour included
 * @param stamp when the file is made, ISO date and time: the core has no clock
 */
export function printWindowCalendar(
  window: { from: string; to: string },
  { key, title, says }: { key: string; title: string; says: string },
  stamp: string,
): string {
  const calendar = ical({
    name: title,
    prodId: { company: 'Ubertas', product: 'field window', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  const event = calendar.createEvent({
    id: `${key}@ubertas`.replaceAll(/[^\w@.-]/g, '-'),
    start: `${window.from}:00:00`,
    end: `${addHours(`${window.to}:00`, 1)}:00`,
    floating: true,
    stamp,
    summary: title,
    description: says,
  });
  event.createAlarm({ type: ICalAlarmType.display, trigger: REMIND_BEFORE_S, description: title });
  return calendar.toString();
}
