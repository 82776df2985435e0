import { Button, Input } from 'antd';
import { useId } from 'react';
import type { DayVerdict } from '@core/field/day-verdicts';
import { sayWeekday } from '@core/words/days';
import { Fault } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { LINE_WORDS } from './day-words';
import { MOST_TYPED_LETTERS } from './typed-days';

const WORDS = { go: 'go', wait: 'wait', ask: 'look first', never: 'no' } as const;

/** Days of a forecast typed or pasted where no service is: a verdict a day, no hours. */
export function TypedDaysPanel({
  text,
  fault,
  verdicts,
  onType,
  onSave,
  onClear,
}: {
  text: string;
  fault: string | undefined;
  verdicts: readonly DayVerdict[];
  onType: (text: string) => void;
  onSave: () => void;
  onClear: () => void;
}) {
  const units = useUnits();
  const id = useId();
  return (
    <details className="typeddays" open={text !== ''}>
      <summary>Type or paste the days</summary>
      <label htmlFor={id} className="small">
        A line a day: the day, high and low ({units.unit('temperature')}), rain ({units.unit('depth')}), wind (
        {units.unit('speed')})
      </label>
      <Input.TextArea
        id={id}
        rows={4}
        maxLength={MOST_TYPED_LETTERS}
        value={text}
        placeholder="7 Sep 74 52 0.1 6"
        onChange={({ target }) => onType(target.value)}
        onBlur={onSave}
      />
      <Fault>{fault}</Fault>
      {verdicts.length > 0 && (
        <table className="walktable">
          <caption className="vh">Verdict of each typed day</caption>
          <tbody>
            {verdicts.map(({ date, verdict, reasons }) => (
              <tr key={date}>
                <th scope="row">{sayWeekday(date)}</th>
                <td>
                  <b>{WORDS[verdict]}</b>
                </td>
                <td>{reasons.map((reason) => LINE_WORDS[reason].title.toLowerCase()).join(', ')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {text !== '' && <Button onClick={onClear}>Clear the days</Button>}
    </details>
  );
}
