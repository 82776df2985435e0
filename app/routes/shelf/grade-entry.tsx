import { Button, Input } from 'antd';
import { type Grade, gradeInWords, readGrade } from '@core/products/label/grade';
import { isRefusal } from '@core/reckoning/refusal';
import { Fault } from '../../ui/field';
import { Substances } from '../../ui/substance';

interface GradeEntryProps {
  typed: string;
  grade?: Grade;
  fault?: string;
  onType: (text: string) => void;
  onConfirm: (grade: Grade) => void;
}

const PERCENTS = ['N', 'P2O5', 'K2O'] as const;
/** Middle of each of the three figures on the echo, px. */
const AT = [70, 176, 282] as const;
const DIGIT = 14;

/** Which figure each typed character belongs to, so that the brackets can show how the digits were cut. */
function brackets(typed: string, grade: Grade): { from: number; to: number }[] {
  let at = 0;
  return PERCENTS.map((key) => {
    const text = String(grade[key]);
    const from = typed.indexOf(text, at);
    at = from + text.length;
    return { from, to: at };
  });
}

/** The digits as typed fan out to the three figures they are read as. */
function Echo({ typed, grade, sure }: { typed: string; grade: Grade; sure: boolean }) {
  const left = 176 - (typed.length * DIGIT) / 2;
  return (
    <svg
      className="echo"
      width="352"
      height="112"
      viewBox="0 0 352 112"
      role="img"
      aria-label={`${typed} read as ${grade.N} percent N, ${grade.P2O5} percent P2O5, ${grade.K2O} percent K2O`}
    >
      {brackets(typed, grade).map(({ from, to }, i) => {
        const [a, b] = [left + from * DIGIT + 1.5, left + to * DIGIT - 1.5];
        const mid = (a + b) / 2;
        return (
          <path
            key={PERCENTS[i]}
            d={`M${a} 2v4H${b}V2M${mid} 6C${mid} 24 ${AT[i]} 10 ${AT[i]} 30`}
            fill="none"
            stroke="var(--loam-2)"
            strokeWidth="1.1"
          />
        );
      })}
      <path
        d="M1 110V40L5 36V31H347V36L351 40V110Z"
        fill="var(--paper)"
        stroke="var(--loam-2)"
        strokeWidth="1.2"
        strokeDasharray={sure ? undefined : '5 3'}
      />
      <path d="M8 36H344" stroke="var(--loam-2)" strokeDasharray="3 2" />
      {PERCENTS.map((key, i) => (
        <g key={key}>
          <text x={AT[i]} y="80" textAnchor="middle" style={{ font: '600 42px var(--serif)' }}>
            {grade[key]}
          </text>
          <text x={AT[i]} y="101" textAnchor="middle" style={{ fontSize: 13, fill: 'var(--loam-2)' }}>
            {key === 'N' ? '% N' : key === 'P2O5' ? '% P₂O₅' : '% K₂O'}
          </text>
          {i < 2 && (
            <text x={AT[i]! + 53} y="78" textAnchor="middle" style={{ font: '600 32px var(--serif)' }}>
              -
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}

/** The three numbers as a person reads them off a bag; the reading is confirmed before it counts. */
export function GradeEntry({ typed, grade, fault, onType, onConfirm }: GradeEntryProps) {
  const read = typed.trim() === '' ? undefined : readGrade(typed);
  const readings = read === undefined || isRefusal(read) ? [] : read;
  const shown = grade ?? readings[0];
  const says = read !== undefined && isRefusal(read) ? read.refused : fault;
  return (
    <section className="gradeentry">
      <label htmlFor="grade">
        <Substances text="The three numbers on the bag, dashes or not" />
      </label>
      <Input
        id="grade"
        value={typed}
        inputMode="decimal"
        autoComplete="off"
        aria-invalid={says ? true : undefined}
        aria-describedby={says ? 'grade-fault' : undefined}
        onChange={(event) => onType(event.target.value)}
        onPressEnter={() => readings[0] && !grade && onConfirm(readings[0])}
      />
      {shown && <Echo typed={typed} grade={shown} sure={grade !== undefined} />}
      {!grade && readings.length > 0 && (
        <p className="confirm">
          {readings.map((reading, i) => (
            <Button
              key={gradeInWords(reading)}
              type={i === 0 ? 'primary' : 'default'}
              onClick={() => onConfirm(reading)}
            >
              {i === 0 ? 'Yes' : 'No'}, {gradeInWords(reading)}
            </Button>
          ))}
          <span className="small">unconfirmed</span>
        </p>
      )}
      <Fault id="grade-fault">{says}</Fault>
      {!typed && <p className="small">Leave it empty for lime, sulfur, gypsum and iron.</p>}
    </section>
  );
}
