import { KINDS, refuseBody } from '../log/kinds';
import { versionName } from '../log/versions';
import type { Case } from '../records/case';
import { type Refusal, refuse } from '../reckoning/refusal';
import { sayDate } from '../words/days';

/**
 * Why a log that a file brings is not taken: a version whose content is not what it was named by, or one that its kind does not know.
 *
 * @example refuseLog(file) says which record was changed outside of Ubertas
 */
export function refuseLog({ records = [] }: Pick<Case, 'records'>): Refusal | undefined {
  for (const [i, version] of records.entries()) {
    const called = `${KINDS[version.body.kind].title} of ${sayDate(version.body.date)}`;
    if (versionName(version) !== version.versionId)
      return refuse(
        `records[${i}].versionId`,
        `${called}: its content is not what it was written as. The file was changed or damaged; nothing of it is taken.`,
      );
    const wrong = refuseBody(version.body);
    if (wrong) return refuse(`records[${i}].body.${wrong.field}`, `${called}: ${wrong.refused}`);
  }
  return undefined;
}
