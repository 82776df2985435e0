import type { ReactNode } from 'react';
import { StandingGlyph } from './glyphs';
import { Said } from './substance';

interface Checked {
  standing: 'pass' | 'warn' | 'fail';
  title: string;
  /** What was found against the limit. */
  found: string;
  says?: string;
}

/** Checks with their verdict as sign and word, what was found, and the sentence where there is something to say. */
export function CheckList<Check extends Checked>({
  checks,
  acts,
}: {
  checks: readonly Check[];
  /** What can be done about a check that does not pass. */
  acts?: (check: Check) => ReactNode;
}) {
  return (
    <ul className="checks">
      {checks.map((check) => (
        <li key={check.title + check.found} className={check.standing}>
          <StandingGlyph standing={check.standing} />
          <span className="row">
            <span className="word">{{ pass: 'Pass', warn: 'Warn', fail: 'Fail' }[check.standing]}</span>
            <span>
              <Said text={check.title} />
            </span>
            <span className="leader" />
            <span className="nowrap">
              <Said text={check.found} />
            </span>
          </span>
          {check.says && (
            <p>
              <Said text={check.says} />
            </p>
          )}
          {check.standing !== 'pass' && acts?.(check)}
        </li>
      ))}
    </ul>
  );
}
