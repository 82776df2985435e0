import { voidRuns } from '../../runs/void-runs';
import { recordsOf } from '../../log/versions';
import type { Case } from '../../records/case';
import type { Dose } from './dose';
import { doseKey } from './dose-key';

/** Doses of a zone that a person gave already: they stand in the record and cannot be changed. */
export function keysOfGivenDoses(given: Pick<Case, 'zones' | 'runs' | 'records'>): ReadonlySet<string> {
  const records = recordsOf(given.records ?? []);
  const isVoid = voidRuns(given);
  return new Set([
    ...given.zones.flatMap((zone) =>
      (zone.applied ?? []).map(({ date, productId }) => doseKey({ zoneId: zone.id, date, productId })),
    ),
    // given on another day of its week, the dose of the plan is given all the same
    ...(given.runs ?? [])
      .filter(({ id, events }) => !isVoid.has(id) && events.some(({ kind }) => kind === 'signed'))
      .map(({ zoneId, plannedOn, productId }) => doseKey({ zoneId, date: plannedOn, productId })),
    // and so is one that a record is tied to
    ...records
      .filter(({ withdrawn }) => !withdrawn)
      .flatMap(({ body: { planned, zoneIds } }) =>
        planned ? zoneIds.map((zoneId) => doseKey({ zoneId, date: planned.date, productId: planned.productId })) : [],
      ),
  ]);
}

/** Doses that nobody gave yet, in the order they come in. */
export function dosesAhead(doses: readonly Dose[], given: Pick<Case, 'zones' | 'runs' | 'records'>): Dose[] {
  const done = keysOfGivenDoses(given);
  return doses.filter((dose) => !done.has(doseKey(dose)));
}
