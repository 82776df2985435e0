import type { GoLineId } from '@core/field/go';
import type { HourVerdict } from '@core/field/hours';
import { sayHour, sayWeekday } from '@core/words/days';
import { useWidth } from '../../ui/use-width';
import { LINE_WORDS } from './day-words';

/** What stands in an hour that waits: the initial of its first line. */
const LETTER: Record<GoLineId, string> = {
  ground: 'N',
  setback: 'N',
  code: 'N',
  license: 'N',
  label: 'N',
  turf: 'T',
  wind: 'W',
  gust: 'G',
  calm: 'C',
  rain24: 'R',
  rain48: 'R',
  drying: 'D',
  soft: 'S',
  heat: 'H',
  cold: 'O',
  frost: 'F',
  leaf: 'L',
  interval: 'I',
  'lime-gap': 'A',
  'warm-soil': 'K',
  young: 'Y',
  mown: 'P',
  sick: 'B',
  'water-in': 'M',
};
const KEY: readonly [string, string][] = [
  ['W', 'wind'],
  ['G', 'gusts'],
  ['C', 'still air'],
  ['R', 'rain ahead'],
  ['D', 'rain while it dries'],
  ['S', 'soft ground'],
  ['H', 'heat'],
  ['O', 'too cold for the label'],
  ['F', 'frost'],
  ['L', 'wet leaf'],
  ['I', 'too soon after nitrogen'],
  ['A', 'too near lime'],
  ['K', 'cold soil'],
  ['Y', 'young stand'],
  ['P', 'just mown'],
  ['B', 'disease'],
  ['M', 'no water in time'],
  ['N', 'never: ground, law or strip'],
];

const ROW = 19;
const HEAD = 16;
/** Under this a letter does not fit its hour, px. */
const LETTER_FITS = 11;
const dayOf = (at: string) => at.slice(0, 10);
const hourOf = (at: string) => Number(at.slice(11, 13));

/** Neighbouring hours of one kind. */
function stretches(hours: readonly HourVerdict[]): { from: number; to: number; says: string }[] {
  const found: { from: number; to: number; says: string }[] = [];
  for (const { at, verdict, reasons, night } of hours) {
    const says = night
      ? 'night'
      : verdict === 'go'
        ? 'open'
        : reasons.map((id) => LINE_WORDS[id].title.toLowerCase()).join(', ') + (verdict === 'ask' ? ' not known' : '');
    const last = found.at(-1);
    if (last && last.says === says && last.to === hourOf(at)) last.to++;
    else found.push({ from: hourOf(at), to: hourOf(at) + 1, says });
  }
  return found;
}

/** Ten days by the hour: open, waiting with the initial of what stands against it, night. Below it the same as a table. */
export function HoursStrip({ verdicts, weekEnds }: { verdicts: readonly HourVerdict[]; weekEnds: string }) {
  const [ref, width] = useWidth<HTMLDivElement>(720);
  const days = [...new Set(verdicts.map(({ at }) => dayOf(at)))].slice(0, 10);
  const label = width < 520 ? 58 : 92;
  const cell = Math.max(6, (width - label) / 24);
  const height = HEAD + days.length * ROW;
  const letters = new Set(
    verdicts.filter(({ night, verdict }) => !night && verdict !== 'go').map(({ reasons }) => reasons[0]),
  );
  const shown = new Set([...letters].flatMap((id) => (id ? [LETTER[id]] : [])));
  return (
    <div className="hours" ref={ref}>
      <svg
        width={label + 24 * cell}
        height={height}
        role="img"
        aria-label="Ten days by hours: where the job is open. The table below says the same."
      >
        <defs>
          <pattern id="night" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V5" stroke="var(--rule-2)" strokeWidth="1.2" />
          </pattern>
        </defs>
        {[0, 6, 12, 18].map((h) => (
          <text key={h} x={label + h * cell} y={11} className="axis">
            {width < 520 ? h : sayHour(h)}
          </text>
        ))}
        {days.map((day, row) => (
          <g key={day}>
            <text x={0} y={HEAD + row * ROW + 13.5} className="axis day">
              {width < 520 ? sayWeekday(day).slice(0, 6) : sayWeekday(day)}
            </text>
            {verdicts
              .filter(({ at }) => dayOf(at) === day)
              .map(({ at, verdict, reasons, night }) => {
                const [x, y] = [label + hourOf(at) * cell, HEAD + row * ROW];
                return night ? (
                  <rect key={at} x={x} y={y + 1} width={cell} height={ROW - 2} fill="url(#night)" />
                ) : verdict === 'go' ? (
                  <rect
                    key={at}
                    x={x + 0.5}
                    y={y + 1.5}
                    width={cell - 1}
                    height={ROW - 3}
                    fill="var(--growth)"
                    stroke="var(--moss)"
                    strokeWidth="1.2"
                    strokeDasharray={day > weekEnds ? '3 2' : undefined}
                  />
                ) : (
                  cell >= LETTER_FITS && (
                    <text key={at} x={x + cell / 2} y={y + 13.5} textAnchor="middle" className="axis">
                      {verdict === 'ask' ? '?' : reasons[0] && LETTER[reasons[0]]}
                    </text>
                  )
                );
              })}
            <path d={`M0 ${HEAD + (row + 1) * ROW}H${label + 24 * cell}`} stroke="var(--rule)" />
          </g>
        ))}
      </svg>
      <p className="small hourskey">
        {KEY.filter(([letter]) => shown.has(letter)).map(([letter, says]) => (
          <span key={letter}>
            <b>{letter}</b> {says}
          </span>
        ))}
        <span>hatched: night</span>
        <span>dashed: after this dose’s week</span>
      </p>
      <details>
        <summary>The same as a table</summary>
        <table className="walktable">
          <caption className="vh">Ten days by hours</caption>
          <tbody>
            {days.flatMap((day) =>
              stretches(verdicts.filter(({ at }) => dayOf(at) === day))
                .filter(({ says }) => says !== 'night')
                .map(({ from, to, says }) => (
                  <tr key={`${day} ${from}`}>
                    <th scope="row">{sayWeekday(day)}</th>
                    <td>
                      {sayHour(from)} to {sayHour(to)}
                    </td>
                    <td>{says}</td>
                  </tr>
                )),
            )}
          </tbody>
        </table>
      </details>
    </div>
  );
}
