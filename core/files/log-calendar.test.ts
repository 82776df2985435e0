import ICAL from 'ical.js';
import { expect, it } from 'vitest';
import { logLines } from '../log/log-lines';
import { correction, firstVersion, recordsOf, withdrawal } from '../log/versions';
import type { RecordBody } from '../records/case';
import { okonedo } from '../season/front-lawn.fixture';
import { printLogCalendar } from './log-calendar';

const pen = { at: '2027-05-03T18:00:00-04:00', by: 'L. Okonedo' };
const body = (more: Partial<RecordBody>): RecordBody =>
  ({ kind: 'mowing', date: '2027-05-03', zoneIds: ['front-lawn'], facts: { heightIn: 3 }, ...more }) as RecordBody;
const versions = [
  firstVersion('mown', body({ operator: 'L. Okonedo', notes: 'dry; calm,\nslow' }), pen),
  firstVersion(
    'sprayed',
    body({
      kind: 'pesticide',
      startedAt: '2027-05-03T09:00:00-04:00',
      finishedAt: '2027-05-03T09:30:00-04:00',
      facts: { productName: 'Clover mix', reentryHours: 12 },
    }),
    pen,
  ),
  firstVersion('twice', body({ date: '2027-05-04' }), pen),
];
const [mown, , twice] = recordsOf(versions);
const events = () => {
  const records = [
    ...versions,
    correction(mown!, body({ facts: { heightIn: 2.5 } }), 'misread', pen),
    withdrawal(twice!, 'written twice', pen),
  ];
  const text = printLogCalendar(logLines({ ...okonedo, records }), 'Okonedo residence', '2027-06-01T00:00:00Z');
  return new Map(
    new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents('vevent')
      .map((each) => [String(each.getFirstPropertyValue('uid')), each]),
  );
};
const value = (uid: string, of: string) => events().get(`${uid}@ubertas`)?.getFirstPropertyValue(of)?.toString();

it('a calendar of the log names every record for good, counts its versions and blocks no time', () => {
  expect([...events().keys()].sort()).toEqual(['mown@ubertas', 'sprayed@ubertas', 'twice@ubertas']);
  expect([value('mown', 'sequence'), value('sprayed', 'sequence')]).toEqual(['1', '0']);
  expect(value('mown', 'dtstart')).toBe('2027-05-03');
  expect(value('mown', 'transp')).toBe('TRANSPARENT');
  expect(value('mown', 'summary')).toBe('Mowing, Front lawn');
});
it('has hours in UTC where both are known, an alarm when the ground is open again, and cancels what was withdrawn', () => {
  expect([value('sprayed', 'dtstart'), value('sprayed', 'dtend')]).toEqual([
    '2027-05-03T13:00:00Z',
    '2027-05-03T13:30:00Z',
  ]);
  expect(value('twice', 'status')).toBe('CANCELLED');
  const alarm = events().get('sprayed@ubertas')?.getFirstSubcomponent('valarm');
  // half past one UTC of the next day: twelve hours after half past nine at -04:00
  expect(alarm?.getFirstPropertyValue('trigger')?.toString()).toBe('2027-05-04T01:30:00Z');
});
