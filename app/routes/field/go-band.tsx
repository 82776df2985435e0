import type { GoLine, Verdict } from '@core/field/go';
import { sayHour } from '@core/words/days';
import { useUnits } from '../../ui/format';
import { LINE_WORDS, lineSays } from './day-words';

const WORD: Record<Verdict, string> = { go: 'Go', wait: 'Wait', never: 'Not today', ask: 'Look first' };

function VerdictGlyph({ verdict }: { verdict: Verdict }) {
  return (
    <svg
      width="34"
      height="34"
      viewBox="0 0 36 36"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth="2.6"
    >
      {verdict === 'go' ? (
        <>
          <circle cx="18" cy="18" r="16" />
          <path d="M10.5 18.5l5.2 5.2L26 12.5" />
        </>
      ) : verdict === 'ask' ? (
        <>
          <circle cx="18" cy="18" r="16" strokeDasharray="4 3" />
          <path d="M13.5 14a4.5 4.5 0 1 1 6 4.2c-1 .5-1.5 1.2-1.5 2.6M18 25.2v1" />
        </>
      ) : (
        <>
          <path d="M11 2h14l9 9v14l-9 9H11l-9-9V11Z" />
          <path d="M12 12l12 12M24 12L12 24" />
        </>
      )}
    </svg>
  );
}

/** The verdict of the hour with every line behind it: its value, its limit; what stands against it is bold and underlined. */
export function GoBand({
  verdict,
  lines,
  until,
  next,
}: {
  verdict: Verdict;
  lines: readonly GoLine[];
  /** The hour at which it is no longer go, by the forecast. */
  until?: number;
  /** The best window to come, where it is not go now. */
  next?: string;
}) {
  const units = useUnits();
  return (
    <section className={`goband is-${verdict}`} aria-label="Go, wait or never">
      <p className="word" role="status">
        <VerdictGlyph verdict={verdict} />
        <b>{verdict === 'go' && lines.some(({ id }) => id === 'label') ? 'Label and license decide' : WORD[verdict]}</b>
        {verdict === 'go' && until !== undefined && <span className="until">until {sayHour(until)}</span>}
        {verdict !== 'go' && verdict !== 'ask' && next !== undefined && <span className="until">next: {next}</span>}
      </p>
      <dl>
        {lines.map((line) => (
          <div key={line.id} className={line.standing === 'go' ? undefined : 'against'}>
            <dt>{LINE_WORDS[line.id].title}</dt>
            <dd>{lineSays(line, units)}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
