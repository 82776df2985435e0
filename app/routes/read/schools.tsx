import { Segmented } from 'antd';
import type { SoilTest, Zone } from '@core/formats/case';
import { ANALYTE_NAMES, compareSchools, levelInWords, type School, SCHOOLS } from '@core/soil/interpret';
import { ColumnGlyph } from '../../ui/glyphs';
import { glyphPlace } from './tracks';

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

/** The same report under all three schools; where they differ it is said. */
export function SchoolTable({ zone, test, school }: { zone: Zone; test: SoilTest; school: School }) {
  const rows = compareSchools(zone, test);
  const differing = rows.filter(({ levels }) => differ(levels));
  return (
    <section className="schools" aria-labelledby="schools">
      <h2 id="schools">Under all three schools</h2>
      <p className="small">
        {differing.length === 0
          ? 'They agree wherever more than one judges.'
          : `They differ on ${differing.map((r) => ANALYTE_NAMES[r.analyte]?.toLowerCase()).join(', ')}.`}
      </p>
      <table>
        <thead>
          <tr>
            <td />
            {SCHOOLS.map((each) => (
              <th key={each} scope="col" aria-current={each === school}>
                {SCHOOL_NAMES[each]}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.analyte}>
              <th scope="row">{ANALYTE_NAMES[row.analyte]}</th>
              {SCHOOLS.map((each) => {
                const level = row.levels[each];
                return (
                  <td key={each} aria-current={each === school}>
                    {level === 'not-judged' ? (
                      <span className="small">–</span>
                    ) : (
                      <>
                        <ColumnGlyph place={glyphPlace(level)} /> {levelInWords(level)}
                      </>
                    )}
                  </td>
                );
              })}
              <td>{differing.includes(row) && <b>differ</b>}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

type Levels = ReturnType<typeof compareSchools>[number]['levels'];

/** Whether schools disagree on a value: on whether it is too low, or, where both know too much, on whether it is too high. */
function differ(levels: Levels): boolean {
  const judged = SCHOOLS.map((school) => levels[school]).filter((l) => l !== 'not-judged' && l !== 'unreadable');
  const low = judged.map((level) => level === 'low' || level === 'very-low');
  if (new Set(low).size > 1) return true;
  const [first, second] = [levels.sufficiency, levels.saturation];
  const both = first !== 'not-judged' && first !== 'unreadable' && second !== 'not-judged' && second !== 'unreadable';
  // minimum levels know no "too much"
  return both && (first === 'high') !== (second === 'high');
}
