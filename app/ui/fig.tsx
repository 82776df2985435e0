import type { Figure } from '@core/reckoning/figure';
import { sameFigure, useWorkings } from './workings-context';

/** A reckoned number: dotted underline, opens its Workings. */
export function Fig({
  figure,
  show,
  value = figure.value,
}: {
  figure: Figure;
  show: (value: number) => string;
  value?: number;
}) {
  const { trail, open } = useWorkings();
  const current = sameFigure(trail[0], figure);
  return (
    <button
      type="button"
      className="calc"
      aria-expanded={current}
      aria-label={`${show(value)}, ${figure.title}, show workings`}
      onClick={() => open(figure)}
    >
      {show(value)}
    </button>
  );
}
