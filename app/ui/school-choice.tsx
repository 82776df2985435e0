import { Segmented } from 'antd';
import { type School, SCHOOLS } from '@core/soil/interpret';

const SCHOOL_NAMES: Record<School, string> = {
  sufficiency: 'Sufficiency',
  minimum: 'Minimum levels',
  saturation: 'Base saturation',
};
export const schoolName = (school: School): string => SCHOOL_NAMES[school];
/** The school after this one, for the key that steps through them. */
export const nextSchool = (school: School): School => SCHOOLS[(SCHOOLS.indexOf(school) + 1) % SCHOOLS.length] as School;

/** Which school judges this property: one segmented row. */
export function SchoolChoice({ school, onChoose }: { school: School; onChoose: (school: School) => void }) {
  return (
    <div className="schoolchoice">
      <Segmented<School>
        aria-label="School of interpretation"
        value={school}
        onChange={onChoose}
        options={SCHOOLS.map((value) => ({ value, label: SCHOOL_NAMES[value] }))}
      />
      <span className="kbd" aria-hidden="true">
        S
      </span>
    </div>
  );
}
