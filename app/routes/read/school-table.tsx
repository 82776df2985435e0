import type { SoilTest, Zone } from '@core/records/case';
import { analyteName } from '@core/records/analytes';
import { compareSchools, levelInWords, type School, SCHOOLS } from '@core/soil/interpret';
import { schoolName } from '../../ui/school-choice';
import { ColumnGlyph } from '../../ui/glyphs';
import { glyphPlace } from './tracks';

/** The same report under all three schools; where they differ it is said. */
export function SchoolTable({ zone, tests, school }: { zone: Zone; tests: readonly SoilTest[]; school: School }) {
  const rows = compareSchools(zone, tests);
  const differing = rows.filter(({ levels }) => differ(levels));
  return (
    <section className="schools" aria-labelledby="schools">
      <h2 id="schools">Under all three schools</h2>
      <p className="small">
        {differing.length === 0
          ? 'They agree wherever more than one judges.'
          : `They differ on ${differing.map((r) => analyteName(r.analyte).toLowerCase()).join(', ')}.`}
      </p>
      <table>
        <thead>
          <tr>
            <td />
            {SCHOOLS.map((each) => (
              <th key={each} scope="col" aria-current={each === school}>
                {schoolName(each)}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.analyte}>
              <th scope="row">{analyteName(row.analyte)}</th>
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
