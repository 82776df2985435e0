import { Button } from 'antd';
import { type ReactNode, useState } from 'react';
import { grouped } from '@core/words/numbers';

/**
 * The first of many, and a button for more: hundreds of rows with fields in them take a browser a second to draw.
 *
 * @example const [shown, more] = useSome(slips, 8, 'questions');
 */
export function useSome<T>(items: readonly T[], step: number, what: string): [shown: readonly T[], more: ReactNode] {
  const [most, setMost] = useState(step);
  const left = items.length - most;
  return [
    items.slice(0, most),
    left > 0 && (
      <Button size="small" onClick={() => setMost(most + step)}>
        Show {grouped(Math.min(step, left), 0)} more of {grouped(left, 0)} {what}
      </Button>
    ),
  ];
}
