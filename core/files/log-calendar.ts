import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventStatus, ICalEventTransparency } from 'ical-generator';
import { addDays } from '../days/day';
import { KINDS } from '../log/kinds';
import type { LogLine } from '../log/log-lines';
import type { RecordBody } from '../records/case';
import { fixed } from '../words/numbers';

/** What a record says in a line of a calendar, in US units. */
function says({ kind, product, spreadLb, facts = {} }: RecordBody): string {
  const what = product?.name ?? facts.productName;
  const amount = spreadLb === undefined ? '' : `, ${fixed(spreadLb, 1)} lb product`;
  return what ? `${KINDS[kind].title}: ${what}${amount}` : KINDS[kind].title;
}

/** When people may be on the ground again, where the record says so. */
function openAgain({ openAgainAt, finishedAt, facts }: RecordBody): Date | undefined {
  if (openAgainAt) return new Date(openAgainAt);
  return finishedAt && facts?.reentryHours !== undefined
    ? new Date(Date.parse(finishedAt) + facts.reentryHours * 3_600_000)
    : undefined;
}

/**
 * Records as a calendar (RFC 5545): an event a record, at its hours where both are known, else on its day. It blocks no time, keeps its name
 * when the file is made again, counts its versions, and is cancelled where it was withdrawn. Re-entry is an alarm.
 *
 * @param stamp when the file is made, ISO date and time: the core has no clock
 */
export function printLogCalendar(lines: readonly LogLine[], property: string, stamp: string): string {
  const calendar = ical({
    name: `${property}, log`,
    prodId: { company: 'Ubertas', product: 'log', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { record, body, zoneNames } of lines) {
    const { date, startedAt, finishedAt, operator, notes } = body;
    const hours =
      startedAt && finishedAt && finishedAt > startedAt
        ? { start: new Date(startedAt), end: new Date(finishedAt) }
        : { start: date, end: addDays(date, 1), allDay: true };
    const event = calendar.createEvent({
      id: `${record.recordId}@ubertas`.replaceAll(/[^\w@.-]/g, '-'),
      sequence: record.versions.length - 1,
      ...hours,
      stamp,
      transparency: ICalEventTransparency.TRANSPARENT,
      ...(record.withdrawn ? { status: ICalEventStatus.CANCELLED } : {}),
      summary: `${says(body)}, ${zoneNames}`,
      description: [operator && `By ${operator}`, notes].filter(Boolean).join('\n'),
    });
    const open = openAgain(body);
    if (open && !record.withdrawn)
      event.createAlarm({
        type: ICalAlarmType.display,
        trigger: open,
        description: `${zoneNames}: open again by the label`,
      });
  }
  return calendar.toString();
}
