import { type PracticeSchool, schoolOf } from '@core/season/rules/practice-schools';
import { Said } from '../../../ui/substance';

/** Ways of working that practitioners disagree on, with what each says for itself. */
export function Schools<Id extends string>({
  title,
  schools,
  chosen,
}: {
  title: string;
  schools: readonly PracticeSchool<Id>[];
  chosen: Id | undefined;
}) {
  const current = schoolOf(schools, chosen);
  return (
    <details className="practice">
      <summary>
        {title}: {current.title.toLowerCase()} here, {schools.length - 1} others
      </summary>
      <ul>
        {schools.map((each) => (
          <li key={each.id} aria-current={each === current}>
            <b>{each.title}</b>
            {each.comparisonOnly && <i> (for comparison, never planned)</i>}
            <span>
              <Said text={each.does} /> <i>For:</i> <Said text={each.because} /> <i>Against:</i>{' '}
              <Said text={each.against} />
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
