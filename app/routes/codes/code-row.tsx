import { Button, Input } from 'antd';
import { type ReactNode, useId } from 'react';
import { CODE_LINES, type CodeLineId, type LineDifference } from '@core/codes/code-lines';
import { Fault } from '../../ui/field';
import { Said, Substances } from '../../ui/substance';

/** A short typed value within a row, named for those who do not see the row. */
export function ShortField({
  label,
  before,
  after,
  value,
  wide = 48,
  fault,
  type = 'text',
  onChange,
  onFocus,
}: {
  label: string;
  /** Words that stand before and after it. */
  before?: string;
  after?: string;
  value: string;
  /** Px. */
  wide?: number;
  fault?: string;
  type?: 'text' | 'date' | 'time';
  onChange: (text: string) => void;
  onFocus?: () => void;
}) {
  const id = useId();
  return (
    <span className="short">
      {before && (
        <label htmlFor={id}>
          <Substances text={before} />
        </label>
      )}
      <Input
        id={id}
        type={type}
        value={value}
        style={{ width: wide }}
        aria-label={label}
        status={fault ? 'error' : undefined}
        aria-invalid={fault ? true : undefined}
        inputMode={type === 'text' && wide < 70 ? 'decimal' : undefined}
        onChange={(event) => onChange(event.target.value)}
        onFocus={onFocus}
      />
      {after && <span>{after}</span>}
    </span>
  );
}

interface CodeRowProps {
  title: string;
  lines: readonly CodeLineId[];
  /** By line; undefined where the code is no copy. */
  differences: readonly LineDifference[] | undefined;
  faults?: readonly (string | undefined)[];
  /** Puts the lines of this row back as shipped. */
  onAsShipped?: (lines: readonly CodeLineId[]) => void;
  children: ReactNode;
}

/** One row of a code: what it says, what the shipped one says, the difference in words, and what is wrong with it. */
export function CodeRow({ title, lines, differences, faults = [], onAsShipped, children }: CodeRowProps) {
  const mine = (differences ?? []).filter(({ line }) => lines.includes(line.id));
  const differs = mine.filter(({ words }) => words !== '');
  const shipped = mine.map((each) => each.shipped).filter((each) => each !== undefined);
  const name = (each: LineDifference) => (lines.length > 1 ? `${each.line.title.replace(/, .*/, '')} ` : '');
  const said = faults.filter((fault) => fault !== undefined);
  return (
    <li className={differs.length > 0 ? 'coderow differs' : 'coderow'}>
      <b className="title">
        <Substances text={title} />
      </b>
      <div className="control">
        {children}
        {[...new Set(said)].map((fault) => (
          <Fault key={fault}>{fault}</Fault>
        ))}
      </div>
      {differences ? (
        <span className="wasshipped">
          {differs.length === 0 ? (
            lines.length > 0 && 'same'
          ) : (
            <s>
              <Said text={shipped.length > 0 ? shipped.join(', ') : 'none'} />
            </s>
          )}
        </span>
      ) : (
        <span />
      )}
      <span className="difference">
        {differs.length === 1 && differs[0] ? (
          <Said text={differs[0].words} />
        ) : (
          differs.length > 1 && <Said text={differs.map((each) => `${name(each)}${each.words}`).join(', ')} />
        )}
        {differs.length > 0 && onAsShipped && (
          <Button size="small" type="link" onClick={() => onAsShipped(lines)} aria-label={`${title}: as shipped`}>
            As shipped
          </Button>
        )}
      </span>
    </li>
  );
}

/** Lines of a code that differ from what it was copied from, of how many: '7 of 20 lines differ'. */
export const countDiffering = (differences: readonly LineDifference[]): string =>
  `${differences.filter(({ words }) => words !== '').length} of ${CODE_LINES.length} lines differ`;
