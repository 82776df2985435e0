import { createContext, useContext } from 'react';
import type { Figure } from '@core/reckoning/figure';

export interface Workings {
  /** The figure on show, drilled into from those before it. */
  trail: readonly Figure[];
  open: (figure: Figure) => void;
  drill: (figure: Figure) => void;
  back: () => void;
  close: () => void;
}

export const WorkingsContext = createContext<Workings>({
  trail: [],
  open: () => {},
  drill: () => {},
  back: () => {},
  close: () => {},
});
export const useWorkings = (): Workings => useContext(WorkingsContext);

/** Whether two figures are the same reckoning of the same inputs: figures are rebuilt whenever data changes. */
export const sameFigure = (a: Figure | undefined, b: Figure): boolean =>
  a !== undefined &&
  a.reckoning === b.reckoning &&
  a.title === b.title &&
  a.value === b.value &&
  JSON.stringify(a.inputs) === JSON.stringify(b.inputs);
